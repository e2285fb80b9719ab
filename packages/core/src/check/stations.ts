import { PANEL, UNKNOWN_PLACE, type RoomId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findBox, findCable, findCircuit, findGroup, findRoom } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import type { At } from '../code/rule.js';
import { nameOfAt } from '../code/byPlace.js';
import { placeName } from '../words/places.js';

/** A place at which an inspector stops: what it is, its name, and the room where it is met; null for what is in none. */
export interface Station {
  kind: 'box' | 'run' | 'room' | 'circuit' | 'job';
  id: string;
  name: string;
  room: RoomId | null;
}

/** The room of a box: its own, else that of what is in it. */
export const roomOfBox = (job: Job, id: string): RoomId | null => {
  const box = findBox(job, id);
  if (!box) return null;
  if (box.room !== null) return box.room;
  const standing = [...job.slots, ...job.luminaires].find((one) => one.box === id);
  return findGroup(job, standing?.group)?.room ?? null;
};

const nowhere: readonly string[] = [PANEL, UNKNOWN_PLACE];

/** Where a finding is met. A run is met in the room of its box that is farther from the panel. */
export const stationOf = (job: Job, wiring: Wiring, at: At): Station => {
  const { box, cable, run, room, group, circuit } = at;
  if (box !== undefined)
    return { kind: 'box', id: box, name: placeName(job, box), room: roomOfBox(job, box) };
  const between = cable === undefined ? run : findCable(wiring, cable);
  if (between) {
    const ends = [between.to, between.from].map((end) => end.split('~')[0] ?? end);
    const met = ends.find((end) => !nowhere.includes(end) && roomOfBox(job, end) !== null);
    const name =
      cable === undefined
        ? ends
            .map((end) => placeName(job, end as never))
            .reverse()
            .join(' to ')
        : nameOfAt(job, wiring, at);
    return {
      kind: 'run',
      id: cable ?? `${between.from}>${between.to}`,
      name: `${name.charAt(0).toUpperCase()}${name.slice(1)}`,
      room: met === undefined ? null : roomOfBox(job, met),
    };
  }
  const inRoom = room ?? findGroup(job, group)?.room;
  if (inRoom !== undefined)
    return { kind: 'room', id: inRoom, name: findRoom(job, inRoom)?.name ?? inRoom, room: inRoom };
  const of = circuit ?? findGroup(job, group)?.circuit;
  if (of !== undefined)
    return { kind: 'circuit', id: of, name: findCircuit(job, of)?.name ?? of, room: null };
  return { kind: 'job', id: 'job', name: 'The whole job', room: null };
};
