import type { BoxId, DoorId, GroupId, PictureId, RoomId, Spot } from '@amber/core';

/** What is pointed at on the plan. */
export type Selected =
  | { kind: 'room'; id: RoomId }
  | { kind: 'door'; id: DoorId }
  | { kind: 'box'; id: BoxId }
  | { kind: 'picture'; id: PictureId }
  | { kind: 'panel' }
  | null;

export const TOOLS = ['select', 'room', 'door', 'switch', 'luminaire', 'box', 'panel', 'picture'] as const;
/** What a tap on the plan does. */
export type Tool = (typeof TOOLS)[number];

/** Everything that the parts of the screen say to each other. */
export interface Pointing {
  selected: Selected;
  select: (selected: Selected) => void;
  tool: Tool;
  take: (tool: Tool) => void;
  /** The control group that new switches and luminaires join. */
  group: GroupId | null;
  setGroup: (group: GroupId | null) => void;
  /** The box without a place that the next tap puts down. */
  placing: BoxId | null;
  place: (box: BoxId | null) => void;
  /** Points tapped to scale a picture by, two at most. */
  marks: Spot[];
  setMarks: (marks: Spot[]) => void;
}
