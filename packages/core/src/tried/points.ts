import { articleOf, hasReceptacle } from '../model/articles.js';
import { digestOf } from '../model/digest.js';
import type { BoxId, CircuitId } from '../model/ids.js';
import { findBox, findGroup, findSlot } from '../model/lookup.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { handleName } from '../words/handles.js';

/** A point that is touched with a tester. Live readings are for qualified people alone. */
export interface SheetPoint {
  id: string;
  circuit: CircuitId;
  box: BoxId;
  name: string;
  kind: 'receptacle' | 'reading';
  expect: string;
  caution: string;
  hash: string;
}

const RECEPTACLE_CAUTION =
  'A receptacle tester cannot see neutral and ground exchanged or joined, and may miss hot and neutral exchanged behind such a join.';
const READING_CAUTION =
  'Live reading, for qualified people alone: the box is open and live. A two-pole tester rated for it, proved before and after; nothing is touched but with its probes.';

/** The points of a circuit; `boxes` is a sum of all that is in its boxes. */
export const pointsOf = (review: ReviewedWiring, circuit: CircuitId, boxes: string): SheetPoint[] => {
  const { job, wiring } = review;
  const receptacles = wiring.devices.flatMap((device): SheetPoint[] => {
    const group = findGroup(job, findSlot(job, device.slot)?.group);
    if (group?.circuit !== circuit || !hasReceptacle(articleOf(job.stock, 'device', device.article).role))
      return [];
    return [
      {
        ...{
          id: `touch/${device.id}`,
          circuit,
          box: device.box,
          kind: 'receptacle',
          caution: RECEPTACLE_CAUTION,
        },
        name: `Receptacle, ${handleName(review, device.id)}`,
        expect:
          group.control === 'switched'
            ? 'wired right with the handle on; dead with it off'
            : 'wired right: hot, neutral and ground each in its place',
        hash: digestOf([boxes, 'receptacle']),
      },
    ];
  });
  const readings = job.luminaires.flatMap((luminaire): SheetPoint[] => {
    const group = findGroup(job, luminaire.group);
    if (group?.circuit !== circuit || luminaire.unit === 'onward' || luminaire.partOf !== null) return [];
    return [
      {
        ...{
          id: `touch/${luminaire.id}`,
          circuit,
          box: luminaire.box,
          kind: 'reading',
          caution: READING_CAUTION,
        },
        name: [...new Set([findBox(job, luminaire.box)?.name ?? luminaire.box, luminaire.name])].join(
          ', at ',
        ),
        expect:
          'switched on: hot to neutral about 120 V, hot to ground about 120 V, neutral to ground about 0 V',
        hash: digestOf([boxes, 'reading']),
      },
    ];
  });
  return [...receptacles, ...readings];
};
