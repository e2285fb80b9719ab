import type { Jacket } from '../words/jackets.js';
import type { DeviceArticle } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import type { FacePart } from '../model/face.js';
import type { BoxId, CableId, DeviceId, JointId, LuminaireId } from '../model/ids.js';
import type { Role } from '../circuit/roles.js';

/** All measures are abstract units; at scale 1 one unit is one pixel of a screen. A column is as wide as a cell. */
export const CELL = 16;
export const TRACK = 10;
/** Size of the letters of labels. */
export const LABEL = 13.5;
/** Room for a label where a wire leaves a sheath or a connector, and where it arrives. */
export const LABEL_ROOM = 20;
export const LABEL_SIZE = { width: 22, height: 16 } as const;

export type Side = 'left' | 'right';
export type Edge = 'top' | 'bottom';
export interface Point {
  x: number;
  y: number;
}
export interface Frame extends Point {
  width: number;
  height: number;
}

/** A cable where it comes in: its sheath, with what is written on it in lines. */
export interface DrawnCable extends Frame {
  cable: CableId;
  end: 'from' | 'to';
  edge: Edge;
  jacket: Jacket;
  /** The type first, then where it goes, in full. */
  lines: string[];
  existing: boolean;
}

export interface DrawnPin extends Point {
  /** Key of the terminal. */
  key: string;
  /** What the article calls it. */
  name: string;
  part: FacePart;
}

export type FixtureItem =
  | { kind: 'device'; device: DeviceId; article: DeviceArticle }
  | {
      kind: 'luminaire';
      luminaire: LuminaireId;
      form: 'lampholder' | 'luminaire' | 'fan' | 'onward';
      /** The lights that hang on it, of a fan. */
      lights: LuminaireId[];
    };

/** A device or luminaire as it is seen from the front; what it controls stands over it in lines. */
export interface DrawnFixture extends Frame {
  id: string;
  item: FixtureItem;
  title: string[];
  pins: DrawnPin[];
}

export type ConnectorFamily = 'lever' | 'pushIn' | 'twistOn' | 'groundingTwistOn' | 'crimp';

/** One connector of a splice, or the splice where it has none. */
export interface DrawnConnector extends Frame {
  id: string;
  /** Null for an end in the air. */
  joint: JointId | null;
  /** Key of the net lookup. */
  key: string;
  /** A connector, an old splice of which nobody has told what holds it, a splice without one, or an end in the air. */
  form: 'connector' | 'untold' | 'none' | 'air';
  family: ConnectorFamily | null;
  role: Role;
  lines: string[];
  ports: Point[];
}

/** The wire that ties two connectors of a chain. */
export interface DrawnJumper {
  joint: JointId;
  key: string;
  colour: Colour;
  points: Point[];
}

/** A straight piece of a wire. */
export interface Piece {
  a: Point;
  b: Point;
}

export interface DrawnWire {
  id: string;
  key: string;
  colour: Colour;
  mark: Colour | null;
  points: Point[];
  /** Middles of its labels, at both ends; one where it ends in the air. */
  labels: Point[];
  /** Where words may stand along it; null where everywhere something is in the way. */
  along: Piece | null;
  /** Where the bands of a re-identified conductor go. */
  band: Point | null;
  kind: 'conductor' | 'tail' | 'lead';
  /** A conductor that ends in the air, or that nobody has followed. */
  loose: 'loose' | 'unseen' | null;
}

export interface DrawnBond extends Frame {
  key: string;
}

/** Where the parts of a box stand beside one another: handed on, it keeps a changed wiring as it was drawn. */
export interface Order {
  cables: Record<Edge, string[]>;
  places: string[][];
}

export interface BoxDrawing {
  box: BoxId;
  width: number;
  height: number;
  enclosure: Frame & {
    form: 'device' | 'round';
    metal: boolean;
    /** A ring or an extension is put on it. */
    ring: boolean;
  };
  cables: DrawnCable[];
  fixtures: DrawnFixture[];
  connectors: DrawnConnector[];
  jumpers: DrawnJumper[];
  bond: DrawnBond | null;
  wires: DrawnWire[];
  crossings: number;
  order: Order;
}
