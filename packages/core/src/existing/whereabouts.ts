import { articleOf, conductorsOf } from '../model/articles.js';
import { PANEL, type BoxId, type CableId, type CircuitId } from '../model/ids.js';
import { cablesIn, isJumper } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { devicesByGang, findCable, luminairesInBox } from '../model/lookup.js';
import { luminaireFace } from '../model/luminaireFace.js';
import {
  articlesAt,
  endKey,
  terminalKey,
  type End,
  type Lead,
  type Terminal,
  type Wiring,
} from '../model/wiring.js';
import { isGroundColour, isNeutralColour } from '../model/colours.js';
import { bondOf } from '../circuit/grounding.js';
import { listed } from '../words/lists.js';
import { colourWord, endWord, leadWord, screwOf } from '../words/wires.js';
import { jointOfWire, wireKey } from '../edits/wiring/wires.js';
import type { LooseWire, Put, WiringEdit } from '../edits/wiring/edit.js';

/** Where a wire may be told to be, in words. */
export interface Whereabouts {
  /** Names it among the others. */
  key: string;
  kind: 'screw' | 'splice' | 'wire' | 'none';
  words: string;
  put: Put;
}

/** A wire with an end in a box, as it is told from every other there. */
export interface WireHere {
  key: string;
  wire: Exclude<LooseWire, { pigtail: unknown }>;
  words: string;
  /** Its colour as it is, or what a lead has. */
  colour: End['colour'] | null;
}

/** The leads that come with what is fitted in a box. */
const leadsIn = (job: Job, wiring: Wiring, box: BoxId): Lead[] => [
  ...devicesByGang(job, wiring, box).flatMap(({ id, article }) =>
    articleOf(job.stock, 'device', article)
      .terminals.filter(({ face }) => face.kind === 'lead')
      .map(({ name }) => ({ device: id, name })),
  ),
  ...luminairesInBox(job, box).flatMap((one) => {
    const face = luminaireFace(job, wiring, one);
    return (['hot', 'neutral', 'ground'] as const)
      .filter((name) => face[name].kind === 'lead')
      .filter((name) => name === 'hot' || (one.partOf === null && (name === 'neutral' || one.metal)))
      .map((name) => ({ luminaire: one.id, name }));
  }),
];

export const screwsIn = (job: Job, wiring: Wiring, box: BoxId): Terminal[] => [
  ...devicesByGang(job, wiring, box).flatMap(({ id, article }) =>
    articleOf(job.stock, 'device', article)
      .terminals.filter(({ face }) => face.kind === 'screw')
      .map(({ name }) => ({ device: id, name })),
  ),
  ...luminairesInBox(job, box).flatMap((one) => {
    const face = luminaireFace(job, wiring, one);
    return (['hot', 'neutral', 'ground'] as const)
      .filter((name) => face[name].kind === 'screw')
      .filter((name) => name === 'hot' || (one.partOf === null && (name === 'neutral' || one.metal)))
      .map((name) => ({ luminaire: one.id, name }));
  }),
  ...(bondOf(job.stock, articlesAt(wiring, box)) === null ? [] : [{ box, name: 'ground' as const }]),
];

/** The wires of a box: those of its cables, cable by cable, then the leads of what is fitted there. */
export const wiresIn = (job: Job, wiring: Wiring, box: BoxId): WireHere[] => [
  ...cablesIn(wiring, box).flatMap(({ cable, side }) =>
    conductorsOf(articleOf(job.stock, 'cable', cable.article)).map((colour): WireHere => {
      const end = { cable: cable.id, side, colour };
      return { key: endKey(end), wire: { end }, words: endWord(job, wiring, end), colour };
    }),
  ),
  ...leadsIn(job, wiring, box).map((lead): WireHere => ({
    ...{ key: terminalKey(lead), wire: { lead }, colour: null },
    words: leadWord(job, wiring, lead),
  })),
];

const NONE: readonly Whereabouts[] = [
  { key: 'alone', kind: 'none', words: 'under a connector alone', put: 'alone' },
  { key: 'loose', kind: 'none', words: 'loose, in the air', put: 'loose' },
  { key: 'unseen', kind: 'none', words: 'nobody has looked', put: 'unseen' },
];

/** Where a wire of a box may be, screws first; a splice is told by what else is in it. */
export const whereMayBe = (job: Job, wiring: Wiring, box: BoxId, wire: LooseWire): Whereabouts[] => {
  const mine = wireKey(wire);
  const own = jointOfWire(wiring, wire);
  const here = wiresIn(job, wiring, box);
  const wordsOf = new Map(here.map(({ key, words }) => [key, words]));
  const splices = wiring.joints.filter((joint) => joint.box === box && !isJumper(joint));
  const others = ({ members }: (typeof splices)[number]): string[] =>
    members.flatMap((member) => {
      if ('pigtail' in member) return [`${colourWord(member.pigtail.colour)} tail`];
      const key = 'end' in member ? endKey(member.end) : terminalKey(member.lead);
      return key === mine ? [] : [wordsOf.get(key) ?? ''];
    });
  const real = splices.filter((joint) => joint.members.length > 1 || joint !== own);
  const spliced = new Set(
    splices
      .filter(({ members }) => members.length > 1)
      .flatMap(({ members }) =>
        members.map((member) =>
          'end' in member ? endKey(member.end) : 'lead' in member ? terminalKey(member.lead) : '',
        ),
      ),
  );
  const capped = new Set(real.filter(({ members }) => members.length === 1).map(({ id }) => id as string));
  return [
    ...('lead' in wire
      ? []
      : screwsIn(job, wiring, box).map((terminal): Whereabouts => ({
          key: `on ${terminalKey(terminal)}`,
          kind: 'screw',
          words: `on the ${screwOf(job, wiring, terminal)}`,
          put: { on: terminal },
        }))),
    ...real
      .filter(({ id }) => !capped.has(id))
      .map((joint): Whereabouts => ({
        ...{ key: `in ${joint.id}`, kind: 'splice', put: { into: joint.id } },
        words: `spliced with the ${listed(others(joint))}`,
      })),
    ...here
      .filter(({ key }) => key !== mine && !spliced.has(key))
      .map((other): Whereabouts => ({
        ...{ key: `with ${other.key}`, kind: 'wire', put: { with: other.wire } },
        words: `spliced with the ${other.words}`,
      })),
    ...NONE.filter(({ key }) => key !== 'unseen' || 'end' in wire),
  ];
};

/** The key of where a wire is told to be. */
export const whereIs = (wiring: Wiring, wire: LooseWire): string => {
  const joint = jointOfWire(wiring, wire);
  if (joint) return joint.members.length === 1 ? 'alone' : `in ${joint.id}`;
  if (!('end' in wire)) return 'loose';
  const key = endKey(wire.end);
  const landing = wiring.landings.find((one) => 'end' in one.wire && endKey(one.wire.end) === key);
  if (landing) return `on ${terminalKey(landing.terminal)}`;
  return wiring.unseen.some((end) => endKey(end) === key) ? 'unseen' : 'loose';
};

/**
 * What a tap on a part of the picture says of a wire that was tapped before: its screw, its splice, or the wire it is joined with. Null
 * where the two cannot meet.
 */
export const putAt = (job: Job, wiring: Wiring, box: BoxId, wire: LooseWire, key: string): Put | null => {
  const options = whereMayBe(job, wiring, box, wire);
  const joint = wiring.joints.find(({ id }) => key === `joint|${id}`);
  const wanted = joint
    ? [
        `in ${joint.id}`,
        ...joint.members.map((member) =>
          'end' in member
            ? `with ${endKey(member.end)}`
            : 'lead' in member
              ? `with ${terminalKey(member.lead)}`
              : '',
        ),
      ]
    : [
        `on ${key}`,
        `with ${key}`,
        ...endsOfKey(wiring, box, key).map((end) => `with ${endKey(end)}`),
        ...splicesOfKey(wiring, box, key),
      ];
  return options.find((one) => wanted.includes(one.key))?.put ?? null;
};

/** The ends in a box of the conductor that a key of the picture names. */
export const endsOfKey = (wiring: Wiring, box: BoxId, key: string): End[] => {
  const [kind, cable, colour] = key.split('|');
  if (kind !== 'conductor' || cable === undefined || colour === undefined) return [];
  return cablesIn(wiring, box)
    .filter((one) => one.cable.id === cable)
    .map(({ side }) => ({ cable: cable as CableId, side, colour: colour as End['colour'] }));
};

const splicesOfKey = (wiring: Wiring, box: BoxId, key: string): string[] => {
  const ends = endsOfKey(wiring, box, key);
  const wires: LooseWire[] = ends.map((end) => ({ end }));
  return wires.flatMap((wire) => {
    const joint = jointOfWire(wiring, wire);
    return joint && joint.members.length > 1 ? [`in ${joint.id}`] : [];
  });
};

/** Whose power a cable from the panel carries, as its ends there are told; undefined where nobody has looked. */
export const powerOf = (wiring: Wiring, cable: CableId): CircuitId | undefined => {
  for (const { wire, terminal } of wiring.landings)
    if ('end' in wire && wire.end.cable === cable && 'circuit' in terminal && terminal.name === 'hot')
      return terminal.circuit;
  return undefined;
};

/** The edits that say whose power is on a cable from the panel: whites on its neutral bar, the others on its breaker; null where nobody knows. */
export const tellPower = (job: Job, wiring: Wiring, id: CableId, circuit: CircuitId | null): WiringEdit[] => {
  const cable = findCable(wiring, id);
  if (!cable || cable.from !== PANEL) return [];
  return conductorsOf(articleOf(job.stock, 'cable', cable.article)).map((colour): WiringEdit => {
    const wire = { end: { cable: id, side: 'from' as const, colour } };
    if (circuit === null) return { do: 'put', wire, to: 'unseen' };
    const name = isGroundColour(colour) ? 'ground' : isNeutralColour(colour) ? 'neutral' : 'hot';
    return { do: 'put', wire, to: { on: { circuit, name } } };
  });
};
