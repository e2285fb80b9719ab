import { findCable } from '../../model/lookup.js';
import { terminalKey, type Landing, type Terminal, type Wiring } from '../../model/wiring.js';
import { articleOf } from '../../model/articles.js';
import { isGroundColour } from '../../model/colours.js';
import type { JointId, PigtailId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { chooseConnectors } from '../../materials/connectors.js';
import { boxOfTerminal } from '../places.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  terminal: Terminal;
  box: string | null;
  wires: Landing[];
}

/** Splices the wires of one screw and lands a tail from the splice. */
const pigtailed = (job: Job, wiring: Wiring, { terminal, wires, box }: Found): Wiring => {
  if (box === null) return wiring;
  const key = terminalKey(terminal);
  const id = `${box}/mended/${key.replace(/[^\w.:-]/g, '-')}`;
  const ends = wires.flatMap(({ wire }) => ('end' in wire ? [wire.end] : []));
  const awgs = ends.map((end) => {
    const cable = findCable(wiring, end.cable);
    return cable ? articleOf(job.stock, 'cable', cable.article).awg : 14;
  });
  const awg = awgs.reduce((thick, one) => (one < thick ? one : thick), awgs[0] ?? 14);
  const [first] = ends;
  const tail = { id: id as PigtailId, colour: first?.colour ?? 'black', awg };
  const connectors = chooseConnectors(
    job.stock,
    job.preferences,
    [...awgs, awg],
    isGroundColour(tail.colour),
  );
  // A tail that shares the screw with another wire cannot be moved into a splice of its own.
  if (ends.length !== wires.length || !connectors) return wiring;
  return {
    ...wiring,
    joints: [
      ...wiring.joints,
      {
        id: id as JointId,
        box: box as Wiring['joints'][number]['box'],
        members: [...ends.map((end) => ({ end })), { pigtail: tail }],
        connectors,
      },
    ],
    landings: [
      ...wiring.landings.filter((one) => !wires.includes(one)),
      { wire: { pigtail: tail.id }, terminal },
    ],
  };
};

/** Wires of which some are bare or green and some are not: to splice them would keep a ground on what it must not be on. */
const mixesGround = (wires: readonly Landing[]): boolean => {
  const grounds = wires.filter(({ wire }) => 'end' in wire && isGroundColour(wire.end.colour)).length;
  return grounds > 0 && grounds < wires.length;
};

/** 110.14(A): one wire a screw, unless the terminal is marked for more. */
export const oneWireAScrew = defineRule<Found>({
  id: 'one-wire-a-screw',
  stage: 'final',
  title: 'One wire a screw',
  rests: 'Unless the terminal is marked for more.',
  section: () => '110.14(A)',
  severities: ['violation'],
  check: ({ job, wiring }) => {
    const lying = new Set(wiring.cables.filter((cable) => cable.existing).map((cable) => cable.id));
    const isLying = ({ wire }: Landing) => 'end' in wire && lying.has(wire.end.cable);
    const landed = new Map<string, Landing[]>();
    for (const landing of wiring.landings) {
      const key = terminalKey(landing.terminal);
      landed.set(key, [...(landed.get(key) ?? []), landing]);
    }
    return [...landed.values()].flatMap((wires): Breach<Found>[] => {
      const [first, second] = wires;
      const raceways = wires.filter(({ wire }) => 'end' in wire && wire.end.colour === 'raceway').length;
      // Nobody has looked how those that lie there are landed in the panel: they may share a tail, or be on breakers of their own.
      const inPanel = first && 'circuit' in first.terminal ? wires.filter(isLying).length : 0;
      // The fitting of a raceway bonds the box by its body, not under the screw.
      if (!first || !second || wires.length - raceways - inPanel < 2) return [];
      const box = boxOfTerminal(job, wiring, first.terminal);
      const at = { terminal: first.terminal, ...(box === null ? {} : { box }) };
      return [{ severity: 'violation', at, data: { terminal: first.terminal, box, wires } }];
    });
  },
  say: ({ terminal, box, wires }, { place }) => ({
    where: box === null ? 'The panel' : place(box),
    what: `${wires.length} wires under one screw (${terminal.name})`,
    reason: 'A screw holds one wire for good; the second works loose, heats and burns.',
    remedy: mixesGround(wires)
      ? 'Take the bare wire off this screw: it belongs to the grounds, or carries what no bare wire may (250.119).'
      : 'Splice them and land one tail.',
  }),
  mendsWiring: true,
  fixes: ({ data }, { job }) =>
    mixesGround(data.wires)
      ? []
      : [{ words: 'Splice them and land a tail', wiring: (wiring) => pigtailed(job, wiring, data) }],
});
