import { lyingCables } from '../model/lying.js';
import { articleOf } from '../model/articles.js';
import { existingDocument } from '../model/existing.js';
import type { CircuitId, GroupId, SlotId } from '../model/ids.js';
import type { Choice, Job } from '../model/job.js';
import { groupIdsOf, switchedGroupsOf, switchesOfGroup } from '../model/lookup.js';
import { conductorsOf } from '../model/articles.js';
import { placeOfEnd, terminalKey, type Wiring } from '../model/wiring.js';
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
  const runs = lyingCables(job)
    .filter((cable) => cable.circuit === circuit)
    .filter(({ between }) => !(feed.at !== 'panel' && between.includes('panel')))
    .map(({ between: [from, to] }) => ({ from, to }));
  return { circuit, feed: feed.id, runs, chains, neutralAt: neutralsThere(job, wiring, compiled, circuit) };
};
