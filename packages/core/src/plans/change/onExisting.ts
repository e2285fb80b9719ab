import { existingDocument } from '../../model/existing.js';
import { PANEL, type CircuitId, type SlotId } from '../../model/ids.js';
import type { Choice, ExistingCable, Job } from '../../model/job.js';
import { findCircuit, groupIdsOf, switchedGroupsOf } from '../../model/lookup.js';
import { choiceThere } from '../../planning/choiceThere.js';
import { reviewJob, type JobReview } from '../../review/reviewJob.js';
import { NO_CONSTRAINTS } from '../../search/orders.js';
import { leastCable } from '../../search/prices/weights.js';
import { choiceOf, createSearch } from '../../search/search.js';
import { withChoice } from '../measures.js';
import { changeBetween, type WiringChange } from './changeBetween.js';

/** One way to make a change on what is there. */
export interface Way {
  review: JobReview;
  change: WiringChange;
}

/** Steps for one set of old cables: circuits of existing work are small. */
const MOST_STEPS = 400_000;

/** So many old cables are given up at most at once. */
const MOST_GIVEN_UP = 2;

/** Every set of old cables that a plan may give up: none, any one, any two. */
const givenUp = (cables: readonly ExistingCable[]): ExistingCable[][] => {
  const sets: ExistingCable[][] = [[]];
  cables.forEach((one, i) => {
    sets.push([one]);
    for (const other of cables.slice(i + 1)) if (MOST_GIVEN_UP > 1) sets.push([one, other]);
  });
  return sets;
};

/** The orders in which the switches of each group may stand, where new ones come in anywhere between the old. */
const chainsWith = (old: readonly SlotId[], fresh: readonly SlotId[]): SlotId[][] =>
  fresh.reduce<SlotId[][]>(
    (all, slot) =>
      all.flatMap((chain) =>
        [...chain, slot].map((_, at) => [...chain.slice(0, at), slot, ...chain.slice(at)]),
      ),
    [[...old]],
  );

/** Devices that stay what they are stay where they are. */
const withDevicesThere = (job: Job, { wiring }: JobReview, replaced: SlotId | null): Job => {
  const told = existingDocument(job)?.wiring.devices ?? [];
  const stays = (slot: string) => {
    const [now, then] = [
      wiring.devices.find((one) => one.slot === slot),
      told.find((one) => one.slot === slot),
    ];
    return now !== undefined && now.article === then?.article;
  };
  return {
    ...job,
    slots: job.slots.map((slot) =>
      slot.id !== replaced && stays(slot.id) ? { ...slot, existing: true } : slot,
    ),
  };
};

const planOf = ({ plans }: JobReview, circuit: CircuitId) =>
  plans.find((plan) => plan.circuit.id === circuit)?.outcome;

/**
 * The ways to make a change of a circuit that stands, the least first: each set of old cables that is given up, with the cheapest runs
 * for the rest, and each place of a new switch among the old. A way that cannot be made, or that needs a cable of unknown length, is none.
 */
export const waysOnExisting = (
  standing: Job,
  wanted: Job,
  circuit: CircuitId,
  { replaced, neutralAt: asked }: { replaced: SlotId | null; neutralAt: SlotId[] },
): Way[] => {
  const named = findCircuit(wanted, circuit);
  const there = choiceThere(standing, circuit);
  if (!named || !there) return [];
  const before = reviewJob(standing);
  const ids = groupIdsOf(wanted, circuit);
  const cables = wanted.existingCables.filter(
    (cable) => cable.circuit === circuit && !cable.between.includes(PANEL),
  );
  const bare: Job = {
    ...wanted,
    slots: wanted.slots.map((slot) =>
      ids.has(slot.group) && slot.role === 'switch' ? { ...slot, article: null, existing: false } : slot,
    ),
  };
  const orders = switchedGroupsOf(wanted, circuit).reduce<Choice['chains'][]>(
    (all, { id }) => {
      const old = there.chains?.[id] ?? [];
      const now = bare.slots
        .filter((slot) => slot.group === id && slot.role !== 'receptacle')
        .map((slot) => slot.id);
      const kept = old.filter((slot) => now.includes(slot));
      const fresh = now.filter((slot) => !old.includes(slot));
      return all.flatMap((chains) => chainsWith(kept, fresh).map((chain) => ({ ...chains, [id]: chain })));
    },
    [{}],
  );
  const ways = new Map<string, Way>();
  const tryIt = (job: Job, choice: Choice, abandoned: ExistingCable[]) => {
    const key = JSON.stringify([choice, abandoned.map(({ id }) => id)]);
    if (ways.has(key)) return;
    const first = reviewJob(withChoice(job, circuit, choice));
    if (planOf(first, circuit)?.ok !== true) return;
    const kept = withDevicesThere(first.job, first, replaced);
    const review = reviewJob(kept);
    const unmeasured = review.wiring.cables.some(
      (cable) =>
        !cable.existing &&
        ['unknown', 'guessed'].includes(cable.lengthSource) &&
        !before.wiring.cables.some(({ id }) => id === cable.id),
    );
    if (
      unmeasured ||
      !review.proofs.filter(({ group }) => ids.has(group)).every((proof) => proof.working === proof.positions)
    )
      return;
    ways.set(key, { review, change: changeBetween(before, review) });
  };
  for (const given of givenUp(cables)) {
    const without = {
      ...bare,
      existingCables: bare.existingCables.filter((cable) => !given.includes(cable)),
    };
    // By today's rule of neutrals, and as old loops lie there without.
    for (const neutrals of ['asAsked', 'none'] as const) {
      const { best } = createSearch(without, named, {
        weights: leastCable(without),
        constraints: { ...NO_CONSTRAINTS, neutralAt: asked, neutrals },
        volumeLimit: Infinity,
      }).least({ mostSteps: MOST_STEPS });
      if (!best) continue;
      const found = choiceOf(best);
      tryIt(without, found, given);
      const lying = [...new Set([...(there.neutralAt ?? []), ...asked])].filter((id) =>
        bare.slots.some((slot) => slot.id === id),
      );
      for (const chains of orders)
        for (const neutralAt of [lying, asked])
          tryIt(without, { ...found, ...(chains ? { chains } : {}), neutralAt: [...neutralAt] }, given);
    }
  }
  // The runs as they are, for what needs no other.
  for (const chains of orders)
    tryIt(
      bare,
      {
        ...there,
        ...(chains ? { chains } : {}),
        neutralAt: [...new Set([...(there.neutralAt ?? []), ...asked])],
      },
      [],
    );
  const violations = ({ review }: Way) =>
    review.findings.filter(
      (one) => one.severity === 'violation' && !before.findings.some((old) => old.title === one.title),
    ).length;
  return [...ways.values()]
    .map((way) => ({ way, wrong: violations(way) }))
    .sort(
      (a, b) =>
        a.wrong - b.wrong ||
        a.way.change.cost.cost - b.way.change.cost.cost ||
        a.way.change.opened.length - b.way.change.opened.length,
    )
    .map(({ way }) => way);
};
