import type { RoomId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findCable, findGroup, roomOfBox } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import { placeOfAt, type FoundAt } from '../code/byPlace.js';
import type { At } from '../code/rule.js';

/** A place at which an inspector stops, and the room where it is met; null for what is in none. */
export interface Station extends FoundAt {
  room: RoomId | null;
  /** What a photograph taken here is about; null where there is nothing to point a camera at. */
  shows: { kind: 'box' | 'cable'; id: string } | null;
}

/** Where a finding is met: that of a group in its room. A run is met in the room of its box that is farther from the panel. */
export const stationOf = (job: Job, wiring: Wiring, at: At): Station => {
  const group = findGroup(job, at.group);
  const place = placeOfAt(job, wiring, {
    ...at,
    ...(group && at.room === undefined ? { room: group.room } : {}),
  });
  const cable = findCable(wiring, at.cable);
  const ends = cable ?? at.run;
  const roomOf = {
    box: () => roomOfBox(job, place.id),
    // A place of the panel, or one that nobody knows, is in no room.
    run: () =>
      [ends?.to, ends?.from]
        .map((end) => roomOfBox(job, end?.split('~')[0] ?? ''))
        .find((room) => room !== null) ?? null,
    room: () => place.id as RoomId,
    circuit: () => null,
    job: () => null,
  }[place.kind];
  const shows =
    place.kind === 'box'
      ? { kind: 'box' as const, id: place.id }
      : place.kind === 'run' && cable
        ? { kind: 'cable' as const, id: cable.id }
        : null;
  return { ...place, room: roomOf(), shows };
};
