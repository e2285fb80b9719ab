import {
  findRoom,
  findSlot,
  addDoor,
  addLuminaire,
  addPlainBox,
  addSwitch,
  nearestWall,
  nextSwitchSpot,
  unusedName,
  sideOf,
  type BoxId,
  type DoorId,
  type GroupId,
  type Job,
  type LuminaireId,
  type SlotId,
  type Room,
  type Spot,
  type Wall,
} from '@amber/core';
import { fresh } from '../../parts/fresh.js';
import type { Selected, Tool } from './selection.js';

export interface Placed {
  job: Job;
  label: string;
  selected: Selected;
}

/** A door is called by its room and the side that it is on, so that its switches are, too. */
const doorName = (job: Job, room: Room, wall: Wall): string =>
  unusedName(
    `${room.name}, ${sideOf(wall)} door`,
    job.doors.map(({ name }) => name),
  );

/** A door on the wall next to a spot. */
export const doorAt = (job: Job, spot: Spot): Placed | null => {
  const near = job.rooms
    .flatMap((room) => {
      const found = nearestWall(room, spot);
      return found ? [{ room, ...found }] : [];
    })
    .sort((a, b) => a.away - b.away)[0];
  if (!near) return null;
  const id = fresh<DoorId>('door');
  const asked = {
    id,
    name: doorName(job, near.room, near.wall),
    room: near.room.id,
    wall: near.wall.index,
    middle: near.offset,
  };
  return { job: addDoor(job, asked), label: 'add a door', selected: { kind: 'door', id } };
};

/** A switch location of a group; beside the next door where no spot is given. */
export const switchAt = (job: Job, group: GroupId, spot: Spot | null): Placed | null => {
  const room = findRoom(job, job.groups.find(({ id }) => id === group)?.room);
  if (!spot && !(room && nextSwitchSpot(job, room, group))) return null;
  const box = fresh<BoxId>('box');
  const slot = fresh<SlotId>('slot');
  const made = addSwitch(job, { box, slot, group, at: spot });
  // It may have come into a box that stands there.
  const id = findSlot(made, slot)?.box ?? box;
  return { job: made, label: 'add a switch location', selected: { kind: 'box', id } };
};

export const luminairesAt = (job: Job, group: GroupId, spots: readonly Spot[]): Placed | null => {
  let made = job;
  let selected: Selected = null;
  for (const at of spots) {
    const box = fresh<BoxId>('box');
    made = addLuminaire(made, { box, luminaire: fresh<LuminaireId>('luminaire'), group, at });
    selected = { kind: 'box', id: box };
  }
  if (!selected) return null;
  return {
    job: made,
    label: spots.length > 1 ? `add ${spots.length} luminaires` : 'add a luminaire',
    selected,
  };
};

/** What a tap on the ground of the plan does with the tool in hand; null where it can do nothing there. */
export const placedBy = (tool: Tool, job: Job, spot: Spot, group: GroupId | null): Placed | null => {
  if (tool === 'door') return doorAt(job, spot);
  if (tool === 'switch') return group && switchAt(job, group, spot);
  if (tool === 'luminaire') return group && luminairesAt(job, group, [spot]);
  if (tool === 'box') {
    const id = fresh<BoxId>('box');
    const made = addPlainBox(job, { box: id, at: spot, existing: true });
    return { job: made, label: 'add an existing box', selected: { kind: 'box', id } };
  }
  if (tool === 'panel') {
    const at = { x: Math.round(spot.x), y: Math.round(spot.y), z: job.routing.panel?.at.z ?? 60 };
    const panel = { level: job.routing.panel?.level ?? null, at };
    return {
      job: { ...job, routing: { ...job.routing, panel } },
      label: 'place the panel',
      selected: { kind: 'panel' },
    };
  }
  return null;
};
