import type { BoxId, CeilingLoad, CircuitId, DoorId, GroupId, PictureId, RoomId, Spot } from '@amber/core';

/** What is pointed at on the plan. */
export type Selected =
  | { kind: 'room'; id: RoomId }
  | { kind: 'door'; id: DoorId }
  | { kind: 'box'; id: BoxId }
  | { kind: 'picture'; id: PictureId }
  | { kind: 'panel' }
  | null;

export const TOOLS = [
  'select',
  'room',
  'door',
  'switch',
  'luminaire',
  'receptacle',
  'onward',
  'box',
  'panel',
  'picture',
] as const;
/** What a tap on the plan does. */
export type Tool = (typeof TOOLS)[number];

/** Whose power a receptacle or an onward feed takes: what of a circuit is never switched, or what a group switches. */
export type Power = { circuit: CircuitId } | { group: GroupId };

/** Everything that the parts of the screen say to each other. */
export interface Pointing {
  selected: Selected;
  select: (selected: Selected) => void;
  tool: Tool;
  take: (tool: Tool) => void;
  /** The control group that new switches and luminaires join. */
  group: GroupId | null;
  setGroup: (group: GroupId | null) => void;
  /** What the luminaire tool hangs. */
  hung: CeilingLoad;
  setHung: (hung: CeilingLoad) => void;
  /** Where the next receptacle or onward feed takes its power; null where there is no circuit. */
  power: Power | null;
  setPower: (power: Power) => void;
  /** The box without a place that the next tap puts down. */
  placing: BoxId | null;
  place: (box: BoxId | null) => void;
  /** Points tapped to scale a picture by, two at most. */
  marks: Spot[];
  setMarks: (marks: Spot[]) => void;
}
