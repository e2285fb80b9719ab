import type { BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { articleOf } from '../model/articles.js';
import { circuitName, findDevice } from '../model/lookup.js';
import { endKey, placeOfEnd, type End, type Joint, type Terminal, type Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey, jointKey } from '../circuit/keys.js';
import type { Role } from '../circuit/roles.js';
import { endWord } from '../words/wires.js';
import type { DraftStep } from './step.js';

/** Two or more places in a box at which a neutral, or a hot, of one circuit is joined or landed: never with one another. */
export interface Apart {
  what: 'neutral' | 'hot';
  net: number;
  /** The circuit whose it is, and its name. */
  source: string;
  circuit: string;
  parts: { joint: Joint | null; ends: End[]; words: string[] }[];
}

/** The screws of a device that it joins by itself, told by the first of them; null for what is no device. */
const joinedPlace = (job: Job, wiring: Wiring, terminal: Terminal): string | null => {
  if (!('device' in terminal)) return null;
  const device = findDevice(wiring, terminal.device);
  const article = device && articleOf(job.stock, 'device', device.article);
  const first = article?.bridged.find((pair) => pair.includes(terminal.name))?.[0] ?? terminal.name;
  return `${terminal.device} ${first}`;
};

/**
 * Neutrals and hots of one circuit that a box holds twice: where groups stay apart on cables of their own, and at a return run the neutral
 * that goes on with the feed and the one that comes back with the switch leg. They are one conductor by way of the other boxes, and joined here would close a ring.
 */
export const keptApart = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  roles: readonly Role[],
  box: BoxId,
): Apart[] => {
  const here = new Set(
    wiring.cables.flatMap((cable) =>
      (['from', 'to'] as const)
        .filter((side) => placeOfEnd(cable, side) === box)
        .map((side) => `${cable.id} ${side}`),
    ),
  );
  const parts = new Map<number, Apart['parts']>();
  const add = (net: number | undefined, part: Apart['parts'][number]) => {
    if (net === undefined || (roles[net] !== 'neutral' && roles[net] !== 'hot')) return;
    parts.set(net, [...(parts.get(net) ?? []), part]);
  };
  const joined = new Set<string>();
  for (const joint of wiring.joints.filter((one) => one.box === box)) {
    const ends = joint.members.flatMap((member) => ('end' in member ? [member.end] : []));
    for (const end of ends) joined.add(endKey(end));
    if (ends.length > 0)
      add(compiled.netOf(jointKey(joint.id)), {
        ...{ joint, ends, words: ends.map((end) => endWord(job, wiring, end)) },
      });
  }
  // What a device joins by itself, as by the tab between two screws of a receptacle, is one part.
  const onDevice = new Map<string, Apart['parts'][number]>();
  for (const { wire, terminal } of wiring.landings) {
    if (!('end' in wire) || !here.has(`${wire.end.cable} ${wire.end.side}`) || joined.has(endKey(wire.end)))
      continue;
    const words = [endWord(job, wiring, wire.end)];
    const place = joinedPlace(job, wiring, terminal);
    const before = place === null ? undefined : onDevice.get(place);
    if (before) {
      before.ends.push(wire.end);
      before.words.push(...words);
      continue;
    }
    const part = { joint: null, ends: [wire.end], words };
    if (place !== null) onDevice.set(place, part);
    add(compiled.netOf(conductorKey(wire.end.cable, wire.end.colour)), part);
  }
  return [...parts].flatMap(([net, all]) => {
    const what = roles[net] === 'hot' ? 'hot' : 'neutral';
    const source = compiled.sources.find((one) => one[what] === net);
    return all.length < 2 || !source
      ? []
      : [{ what, net, source: source.id, circuit: circuitName(job, source.id), parts: all }];
  });
};

const joined = (what: Apart['what']): string =>
  `Joined, the ${what} would go round by two cables: what a cable carries no longer cancels in it, and a breaker that watches for that trips (300.3(B), 310.10).`;

/** "the white of the 14/2 to panel and the white of the 14/2 to Yard door". */
const saidPart = ({ words }: Apart['parts'][number]): string =>
  words.map((one) => `the ${one}`).join(' and ');

/** The caution at a box that holds two neutrals, or two hots, of one circuit. */
export const sayApart = ({ what, circuit, parts }: Apart): string =>
  `${parts.length} ${what}s of ${circuit} stay apart in this box, never joined: ${parts.map((part) => saidPart(part)).join('; apart from ')}.`;

export const apartSteps = (box: BoxId, apart: readonly Apart[]): DraftStep[] =>
  apart.map((one) => ({
    id: `${box}/apart${one.what === 'hot' ? '-hot' : ''}/${one.source}`,
    rests: one.parts.map(({ joint, ends }) => [joint?.id ?? null, ends.map(endKey).sort()]),
    phase: one.what === 'hot' ? 'hots' : 'neutrals',
    text: sayApart(one),
    why: joined(one.what),
    section: '300.3(B), 310.10',
    caution:
      one.what === 'hot'
        ? 'Do not join these hots: they come by two cables, and stay apart though they are of one circuit.'
        : 'Do not join all whites of this box: these stay apart though they are of one circuit.',
    shows: null,
  }));
