import {
  findRoom,
  findSlot,
  addDoor,
  addLuminaire,
  addOnwardFeed,
  addPlainBox,
  addReceptacle,
  addSwitch,
  nearestWall,
  nextSwitchSpot,
  unusedName,
  sideOf,
  type BoxId,
  type CeilingLoad,
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
import type { Pointing, Power, Selected, Tool } from './selection.js';

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

export const luminairesAt = (
  job: Job,
  group: GroupId,
  spots: readonly Spot[],
  kind: CeilingLoad,
): Placed | null => {
  let made = job;
  let selected: Selected = null;
  for (const at of spots) {
    const box = fresh<BoxId>('box');
    made = addLuminaire(made, { box, luminaire: fresh<LuminaireId>('luminaire'), group, at, kind });
    selected = { kind: 'box', id: box };
  }
  if (!selected) return null;
  return {
    job: made,
    label:
      kind === 'fan' || kind === 'ventFan'
        ? 'add a fan'
        : spots.length > 1
          ? `add ${spots.length} luminaires`
          : 'add a luminaire',
    selected,
  };
};

/** The usual load of what goes on from here, until somebody says: one receptacle's worth (220.14(I)). Volt-amperes. */
export const ONWARD_VA = 180;

/** A receptacle, or a feed that goes on, with power from where the tool says. */
export const fedAt = (tool: 'receptacle' | 'onward', job: Job, power: Power, at: Spot): Placed => {
  const box = fresh<BoxId>('box');
  const from = 'group' in power ? power : { ...power, hotGroup: fresh<GroupId>('group') };
  const selected: Selected = { kind: 'box', id: box };
  return tool === 'receptacle'
    ? {
        job: addReceptacle(job, { box, slot: fresh<SlotId>('slot'), at, from }),
        ...{ label: 'add a receptacle', selected },
      }
    : {
        job: addOnwardFeed(job, { box, luminaire: fresh<LuminaireId>('luminaire'), at, from, va: ONWARD_VA }),
        ...{ label: 'add an onward feed', selected },
      };
};

/** What a tap on the ground of the plan does with the tool in hand; null where it can do nothing there. */
export const placedBy = (
  tool: Tool,
  job: Job,
  spot: Spot,
  { group, hung, power }: Pick<Pointing, 'group' | 'hung' | 'power'>,
): Placed | null => {
  if (tool === 'door') return doorAt(job, spot);
  if (tool === 'switch') return group && switchAt(job, group, spot);
  if (tool === 'luminaire') return group && luminairesAt(job, group, [spot], hung);
  if (tool === 'receptacle' || tool === 'onward') return power && fedAt(tool, job, power, spot);
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
