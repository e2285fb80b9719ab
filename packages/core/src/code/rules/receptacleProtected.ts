import type { JudgedEdition } from '../../model/editions.js';
import type { CircuitId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { findBox, findGroup, findRoom } from '../../model/lookup.js';
import type { RoomKind } from '../../model/place.js';
import { newReceptacles } from '../newReceptacles.js';
import { defineRule, type Ask, type Breach, type Fix } from '../rule.js';

interface Found {
  box: string;
  room: string;
  /** It hangs on where in the room the receptacle is. */
  depends: 'counter' | 'basement' | null;
}

/** Where a receptacle is protected by the kind of its room alone, and where it hangs on its place in it (210.8(A)). */
const askedIn = (kind: RoomKind, edition: JudgedEdition): 'always' | 'counter' | 'basement' | 'never' => {
  if (['bathroom', 'garage', 'outdoors', 'crawlSpace'].includes(kind)) return 'always';
  if (kind === 'laundry') return edition >= 2014 ? 'always' : 'never';
  if (kind === 'kitchen') return edition >= 2023 ? 'always' : 'counter';
  return kind === 'storage' ? 'basement' : 'never';
};

/** 210.8(A), 406.4(D): a receptacle that is added or replaced has ground-fault protection in the rooms that the edition lists. */
export const receptacleProtected = defineRule<Found>({
  id: 'receptacle-protected',
  stage: 'final',
  title: 'A receptacle that is added or replaced has ground-fault protection where it is listed',
  rests:
    'Bath, garage and accessory building, outdoors, crawl space, kitchen counter (2023: any in a kitchen), unfinished basement (2020: any basement), laundry from 2014; damp and wet places.',
  since: 2008,
  section: (edition) => `210.8(A), ${edition === 2008 ? '406.3(D)' : '406.4(D)'}`,
  severities: ['violation', 'verify'],
  asks: ['circuit.gfci', 'room.kind'],
  check: (inspected) =>
    newReceptacles(inspected).flatMap(({ device, slot }): (Breach<Found> | Ask)[] => {
      const { job, edition } = inspected;
      const group = findGroup(job, slot.group);
      const box = findBox(job, device.box);
      const room = findRoom(job, box?.room ?? group?.room);
      const circuit = job.circuits.find(({ id }) => id === group?.circuit);
      if (!circuit || circuit.gfci === 'yes') return [];
      const isWet = box?.location === 'wet' || box?.location === 'damp';
      if (!isWet && room?.kind === 'unknown') return [{ ask: 'room.kind', of: room.id }];
      const asked = isWet ? 'always' : askedIn(room?.kind ?? 'unknown', edition);
      if (asked === 'never') return [];
      if (circuit.gfci === 'unknown') return [{ ask: 'circuit.gfci', of: circuit.id }];
      const at = { box: device.box, device: device.id, circuit: circuit.id };
      const depends = asked === 'always' ? null : asked;
      const data = { box: device.box, room: room?.name ?? '', depends };
      return [{ severity: depends === null ? 'violation' : 'verify', at, data }];
    }),
  say: ({ box, room, depends }, { place }) => ({
    where: place(box),
    what:
      depends === null
        ? 'the receptacle has no ground-fault protection'
        : depends === 'counter'
          ? 'no ground-fault protection, which a receptacle that serves the counter has to have'
          : `no ground-fault protection, which a receptacle has to have if ${room} is a basement or an accessory building`,
    reason: 'A breaker does not notice what kills a person who stands on wet ground.',
    remedy: 'Use a ground-fault receptacle, or a ground-fault breaker for the circuit.',
  }),
  fixes: ({ at }): Fix[] => [
    {
      words: 'Fit a ground-fault breaker',
      unpriced: 'breaker',
      job: (job: Job): Job => ({
        ...job,
        circuits: job.circuits.map((one) =>
          one.id === (at.circuit as CircuitId) ? { ...one, gfci: 'yes' } : one,
        ),
      }),
    },
  ],
});
