import type { Colour } from '../model/colours.js';
import type { BoxId, CableId, Place } from '../model/ids.js';
import type { Item } from './boxItems.js';

/** All measures are abstract units; at scale 1 one unit is one pixel of a screen. */
export const ROW = 20;
export const TRACK = 11;
/** Straight wire beside a sheath or a pin, kept clear for its label. */
export const STUB = 25;
export const SHEATH = { width: 80, inside: 24 } as const;
export const PADDING = 20;
export const GAP_ROWS = 1;
export const ITEM_WIDTH = { joint: 76, device: 100, luminaire: 72, bond: 44 } as const;

export type Side = 'left' | 'right';
export interface Point {
  x: number;
  y: number;
}

export interface DrawnPin extends Point {
  pin: string;
  side: Side | 'top' | 'bottom';
}
export interface DrawnItem {
  item: Item;
  x: number;
  y: number;
  width: number;
  height: number;
  pins: DrawnPin[];
}
export interface DrawnSheath {
  cable: CableId;
  side: Side;
  x: number;
  y: number;
  width: number;
  height: number;
  name: string;
  awg: number;
  /** The place at the other end, and whether this end is the one away from the feed. */
  other: Place;
  incoming: boolean;
  existing: boolean;
}
export interface DrawnWire {
  id: string;
  key: string;
  colour: Colour;
  mark: Colour | null;
  points: Point[];
  /** Where its colour label goes; clear of every other wire. */
  label: Point & { anchor: 'start' | 'end' };
  fromCable: boolean;
}
export interface BoxDrawing {
  box: BoxId;
  width: number;
  height: number;
  /** The enclosure; sheaths straddle its sides. */
  enclosure: { x: number; y: number; width: number; height: number };
  items: DrawnItem[];
  sheaths: DrawnSheath[];
  wires: DrawnWire[];
  crossings: number;
}
