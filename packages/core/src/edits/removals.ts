import { withPrunedWirings } from './wiring/pruned.js';
import { findLuminaire, findSlot, isGroupInBox } from '../model/lookup.js';
import {
  placeOfNode,
  type BoxId,
  type GroupId,
  type LuminaireId,
  type SlotId,
  type TreePlace,
} from '../model/ids.js';
import { apartNode } from '../planning/nets.js';
import type { Job } from '../model/job.js';

type Chosen = Job['choices'][number];

/** Groups that stay apart in a box, without those that are no longer in it; a node is named by the first that is left. */
const prunedApart = (job: Job, { apart = [], runs }: Chosen): Pick<Chosen, 'apart' | 'runs'> => {
  const left = apart.map(({ box, groups }) => ({
    box,
    was: apartNode({ box, groups }).node,
    groups: groups.filter((group) => isGroupInBox(job, box, group)),
  }));
  const renamed = new Map<TreePlace, TreePlace>(
    left.map(({ box, was, groups }) => [was, groups.length > 0 ? apartNode({ box, groups }).node : box]),
  );
  const named = (node: TreePlace) => renamed.get(node) ?? node;
  return {
    runs: runs.map((run) => ({ ...run, from: named(run.from), to: named(run.to) })),
    apart: left.flatMap(({ box, groups }) => (groups.length > 0 ? [{ box, groups }] : [])),
  };
};

/**
 * A way of wiring without what is no longer there. Where the rest of it still is one it stays; where it led through what is gone it is refused
 * with the reason, and the ways nearest to it are offered. One whose feed is gone is taken back.
 */
const keepingChoices = (
  job: Job,
  gone: { box?: BoxId; slots: ReadonlySet<SlotId>; groups: ReadonlySet<GroupId> },
): Job => {
  const pruned = (choice: Chosen): Chosen[] => {
    const { box, slots, groups } = gone;
    if (!job.feeds.some((one) => one.id === choice.feed)) return [];
    if (!job.groups.some((group) => group.circuit === choice.circuit)) return [];
    const { chains, neutralAt, apart: _apart, ...rest } = choice;
    const left = prunedApart(job, choice);
    const orders = Object.entries(chains ?? {}).flatMap(([group, chain]) => {
      const kept = chain.filter((slot) => !slots.has(slot));
      return groups.has(group as GroupId) || kept.length === 0 ? [] : [[group, kept] as const];
    });
    const runs = left.runs.filter(({ from, to }) => [from, to].every((at) => placeOfNode(at) !== box));
    return [
      {
        ...rest,
        runs,
        ...(orders.length > 0 ? { chains: Object.fromEntries(orders) } : {}),
        ...(neutralAt ? { neutralAt: neutralAt.filter((slot) => !slots.has(slot)) } : {}),
        ...((left.apart ?? []).length > 0 ? { apart: left.apart } : {}),
      },
    ];
  };
  return withPrunedWirings({
    ...job,
    choices: job.choices.flatMap(pruned),
    // It is planned anew from what is left.
    wirings: job.wirings.filter((one) => one.kind !== 'planned'),
  });
};

const without = (job: Job, slots: ReadonlySet<SlotId>, luminaires: ReadonlySet<LuminaireId>): Job => ({
  ...job,
  slots: job.slots.filter((one) => !slots.has(one.id)),
  luminaires: job.luminaires
    .filter((one) => !luminaires.has(one.id))
    .map((one) => (one.partOf !== null && luminaires.has(one.partOf) ? { ...one, partOf: null } : one)),
});

/** Takes a box away with what is in it, what is known of its runs, and the ways of wiring that lead through it. */
export const withoutBox = (job: Job, id: BoxId): Job => {
  const slots = new Set(job.slots.filter((one) => one.box === id).map((one) => one.id));
  const luminaires = new Set(job.luminaires.filter((one) => one.box === id).map((one) => one.id));
  const left = without(job, slots, luminaires);
  return keepingChoices(
    {
      ...left,
      boxes: left.boxes.filter((box) => box.id !== id),
      feeds: left.feeds.filter((feed) => feed.at !== id),
      runFacts: left.runFacts.filter(({ between }) => !between.includes(id)),
      amendments: left.amendments.filter(
        ({ scope }) => scope === 'job' || !('box' in scope) || scope.box !== id,
      ),
    },
    { box: id, slots, groups: new Set() },
  );
};

/** Takes one switch or receptacle out of its box; the box goes too where nothing else is in it. */
export const withoutSlot = (job: Job, id: SlotId): Job => {
  const slot = findSlot(job, id);
  if (!slot) return job;
  const others = [...job.slots, ...job.luminaires].some((one) => one.box === slot.box && one.id !== id);
  const fed = job.feeds.some((feed) => feed.at === slot.box);
  if (!others && !fed) return withoutBox(job, slot.box);
  return keepingChoices(without(job, new Set([id]), new Set()), { slots: new Set([id]), groups: new Set() });
};

/** Takes one load out of its box, with what is a part of it; the last one takes the box with it, where nothing else is there. */
export const withoutLoad = (job: Job, id: LuminaireId): Job => {
  const load = findLuminaire(job, id);
  if (!load) return job;
  const gone = new Set(
    job.luminaires.filter((one) => one.id === id || one.partOf === id).map((one) => one.id),
  );
  const others = [...job.slots, ...job.luminaires].some(
    (one) => one.box === load.box && !gone.has(one.id as LuminaireId),
  );
  if (!others && !job.feeds.some((feed) => feed.at === load.box)) return withoutBox(job, load.box);
  return keepingChoices(without(job, new Set(), gone), { slots: new Set(), groups: new Set() });
};

/** Takes a control group away with its switches and luminaires; boxes stay where something else is in them. */
export const withoutGroup = (job: Job, id: GroupId): Job => {
  const members = [...job.slots, ...job.luminaires].filter((one) => one.group === id);
  const alone = [...new Set(members.map((one) => one.box))].filter(
    (box) =>
      ![...job.slots, ...job.luminaires].some((one) => one.box === box && one.group !== id) &&
      !job.feeds.some((feed) => feed.at === box),
  );
  const emptied = alone.reduce(withoutBox, job);
  const slots = new Set(emptied.slots.filter((one) => one.group === id).map((one) => one.id));
  const luminaires = new Set(emptied.luminaires.filter((one) => one.group === id).map((one) => one.id));
  return keepingChoices(
    { ...without(emptied, slots, luminaires), groups: emptied.groups.filter((group) => group.id !== id) },
    { slots, groups: new Set([id]) },
  );
};

/** Takes a way to feed a circuit away; its way of wiring too, where it was fed by that. */
export const withoutFeed = (job: Job, feed: Job['feeds'][number]['id']): Job =>
  keepingChoices(
    { ...job, feeds: job.feeds.filter((one) => one.id !== feed) },
    { slots: new Set(), groups: new Set() },
  );
