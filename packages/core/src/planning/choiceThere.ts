import { lyingCables } from '../model/lying.js';
import { articleOf } from '../model/articles.js';
import { contentsIn } from '../model/boxState.js';
import { existingDocument } from '../model/existing.js';
import { PANEL, returnPlaceOf, type BoxId, type CircuitId, type GroupId, type SlotId } from '../model/ids.js';
import type { Choice, ExistingCable, Job, Run } from '../model/job.js';
import { groupIdsOf, switchedGroupsOf, switchesOfGroup } from '../model/lookup.js';
import { conductorsOf } from '../model/articles.js';
import { placeOfEnd, terminalKey, type End, type Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { compiledOnce } from '../circuit/compiledOnce.js';
import { conductorKey } from '../circuit/keys.js';

const netsOn = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  slot: SlotId,
  uses: readonly string[],
): number[] => {
  const device = wiring.devices.find((one) => one.slot === slot);
  if (!device) return [];
  return articleOf(job.stock, 'device', device.article)
    .terminals.filter(({ use }) => uses.includes(use))
    .map(({ name }) => compiled.netOf(terminalKey({ device: device.id, name })) ?? -1);
};

/** The order of the switches of a group as they are wired now, line end first; null where the wiring is no such chain. */
export const chainThere = (job: Job, wiring: Wiring, compiled: Compiled, group: GroupId): SlotId[] | null => {
  const slots = switchesOfGroup(job, group).map(({ id }) => id);
  const circuit = job.groups.find(({ id }) => id === group)?.circuit;
  const hot = compiled.sources.find(({ id }) => id === circuit)?.hot;
  const first = slots.find((slot) =>
    netsOn(job, wiring, compiled, slot, ['line', 'common']).includes(hot ?? -2),
  );
  if (first === undefined) return null;
  const chain = [first];
  for (let at = first; chain.length < slots.length;) {
    const mine = netsOn(job, wiring, compiled, at, ['traveler', 'in', 'out']);
    const next = slots.find(
      (slot) =>
        !chain.includes(slot) &&
        netsOn(job, wiring, compiled, slot, ['traveler', 'in', 'out']).filter((net) => mine.includes(net))
          .length === 2,
    );
    if (next === undefined) return null;
    chain.push(next);
    at = next;
  }
  return chain;
};

/** Switches in whose box the neutral of their circuit is, used or not. */
const neutralsThere = (job: Job, wiring: Wiring, compiled: Compiled, circuit: CircuitId): SlotId[] => {
  const neutral = compiled.sources.find(({ id }) => id === circuit)?.neutral;
  const boxes = new Set<string>(
    wiring.cables.flatMap((cable) =>
      conductorsOf(articleOf(job.stock, 'cable', cable.article)).some(
        (colour) => compiled.netOf(conductorKey(cable.id, colour)) === neutral,
      )
        ? (['from', 'to'] as const).map((side) => placeOfEnd(cable, side))
        : [],
    ),
  );
  const groups = groupIdsOf(job, circuit);
  return job.slots
    .filter(({ box, group, role }) => groups.has(group) && role !== 'receptacle' && boxes.has(box))
    .map(({ id }) => id);
};

/** Is no insulated conductor of a cable joined, in a box, with one of another cable? */
const standsApart = (job: Job, wiring: Wiring, box: BoxId, { id, article }: ExistingCable): boolean => {
  const { joints, landings } = contentsIn(wiring, box);
  const insulated = articleOf(job.stock, 'cable', article).insulated;
  const isMine = ({ cable, colour }: End) => cable === id && insulated.some((one) => one === colour);
  const isOther = ({ cable }: End) => cable !== id;
  const onOneScrew = new Map<string, End[]>();
  for (const { wire, terminal } of landings)
    if ('end' in wire) {
      const key = terminalKey(terminal);
      onOneScrew.set(key, [...(onOneScrew.get(key) ?? []), wire.end]);
    }
  const joined = [
    ...joints.map(({ members }) => members.flatMap((one) => ('end' in one ? [one.end] : []))),
    ...onOneScrew.values(),
  ];
  return !joined.some((ends) => ends.some(isMine) && ends.some(isOther));
};

/** Do some runs close a ring over the boxes that they end in? */
const isRing = (runs: readonly Run[]): boolean => {
  const places = new Set(runs.flatMap(({ from, to }): string[] => [from, to]));
  return runs.length >= places.size && runs.length > 0;
};

/**
 * The cables of a circuit as runs. Where they close a ring, one of them is a return run: it ends on the luminaire alone, in a box in which it
 * is joined with no other cable; that end is a node of its own.
 */
const runsOf = (job: Job, wiring: Wiring, cables: readonly ExistingCable[], circuit: CircuitId): Run[] => {
  const runs = cables.map(({ between: [from, to] }): Run => ({ from, to }));
  if (!isRing(runs)) return runs;
  const groups = groupIdsOf(job, circuit);
  const hangs = (place: string) =>
    job.luminaires.some(({ box, group }) => box === place && groups.has(group));
  for (const [i, cable] of cables.entries())
    for (const place of cable.between) {
      if (place === PANEL || !hangs(place) || !standsApart(job, wiring, place, cable)) continue;
      const run = runs[i];
      if (!run) continue;
      const far = returnPlaceOf(place);
      const turned = runs.map((one) =>
        one !== run ? one : one.from === place ? { ...one, from: far } : { ...one, to: far },
      );
      if (!isRing(turned)) return turned;
    }
  return runs;
};

/** What is there of a circuit as a choice: its cables as runs, the order of its switches, the neutrals that are in their boxes. */
export const choiceThere = (job: Job, circuit: CircuitId): Choice | null => {
  const wiring = existingDocument(job)?.wiring;
  const feed = job.feeds.find((one) => one.circuit === circuit);
  if (!wiring || !feed) return null;
  const compiled = compiledOnce(wiring, job);
  const chains: Record<string, SlotId[]> = {};
  for (const { id } of switchedGroupsOf(job, circuit)) {
    const chain = chainThere(job, wiring, compiled, id);
    if (!chain) return null;
    chains[id] = chain;
  }
  const cables = lyingCables(job)
    .filter((cable) => cable.circuit === circuit)
    .filter(({ between }) => !(feed.at !== 'panel' && between.includes('panel')));
  const runs = runsOf(job, wiring, cables, circuit);
  return { circuit, feed: feed.id, runs, chains, neutralAt: neutralsThere(job, wiring, compiled, circuit) };
};
