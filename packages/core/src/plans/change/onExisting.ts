import { articleOf } from '../../model/articles.js';
import { existingDocument } from '../../model/existing.js';
import { PANEL, type CableId, type CircuitId, type SlotId } from '../../model/ids.js';
import type { Choice, ExistingCable, Job } from '../../model/job.js';
import { findCircuit, groupIdsOf, switchedGroupsOf } from '../../model/lookup.js';
import { toPlan } from '../../model/toPlan.js';
import { findingKey } from '../../code/inspect.js';
import { choiceThere } from '../../planning/choiceThere.js';
import { boxesWithJoinedStrangers } from '../../planning/strangers.js';
import { planJob } from '../../planning/planJob.js';
import { wiringOrEmpty } from '../../proving/works.js';
import { reviewCircuit, reviewJob, type JobReview } from '../../review/reviewJob.js';
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

/** What a change asks for on what is there, beside the job as it is wanted. */
export interface Asked {
  /** The device that is bought, be it of the kind that is there. */
  replaced: SlotId | null;
  /** Switches that get the neutral whatever the code asks. */
  neutralAt: readonly SlotId[];
  /** Is what the inspection finds now to be mended? Then conductors may leave what they are on, and what was wrong before counts. */
  mending: boolean;
}

/** Why there is no way, where that is known. */
export type NoWay = 'leadsWhoKnows' | 'notMended' | 'none';

/** Steps for one set of old cables: circuits of existing work are small. */
const MOST_STEPS = 400_000;

/** Of so many old cables every set is tried; of more, every set of so many at most. */
const EVERY_SET_UP_TO = 4;
const MOST_GIVEN_UP = 2;

/** The sets of old cables that a plan may give up, or make up anew. */
const setsOf = <T>(cables: readonly T[]): T[][] => {
  const most = cables.length <= EVERY_SET_UP_TO ? cables.length : MOST_GIVEN_UP;
  return cables.reduce<T[][]>(
    (sets, cable) => [...sets, ...sets.filter(({ length }) => length < most).map((set) => [...set, cable])],
    [[]],
  );
};

/** The orders in which the switches of a group may stand, where new ones come in anywhere between the old. */
const chainsWith = (old: readonly SlotId[], fresh: readonly SlotId[]): SlotId[][] =>
  fresh.reduce<SlotId[][]>(
    (all, slot) =>
      all.flatMap((chain) =>
        [...chain, slot].map((_, at) => [...chain.slice(0, at), slot, ...chain.slice(at)]),
      ),
    [[...old]],
  );

/** Every order of the switches of a circuit, as the old ones stand now; one without an order where they stand in none. */
const ordersOf = (wanted: Job, circuit: CircuitId, there: Choice | null): Choice['chains'][] =>
  there === null
    ? [undefined]
    : switchedGroupsOf(wanted, circuit).reduce<NonNullable<Choice['chains']>[]>(
        (all, { id }) => {
          const old = there.chains?.[id] ?? [];
          const now = wanted.slots
            .filter(({ group, role, leaves }) => group === id && role !== 'receptacle' && !leaves)
            .map((slot) => slot.id);
          const kept = old.filter((slot) => now.includes(slot));
          const fresh = now.filter((slot) => !old.includes(slot));
          return all.flatMap((chains) =>
            chainsWith(kept, fresh).map((chain) => ({ ...chains, [id]: chain })),
          );
        },
        [{}],
      );

/** Devices that serve where they are stay there, whatever article of their kind the plan would buy. */
const withDevicesThere = (job: Job, replaced: SlotId | null): Job => {
  const { devices } = wiringOrEmpty(planJob(job).job);
  const told = existingDocument(job)?.wiring.devices ?? [];
  return {
    ...job,
    slots: job.slots.map((slot) => {
      const [now, then] = [devices, told].map((all) =>
        all.find((one) => one.slot === slot.id && one.box === slot.box),
      );
      if (slot.id === replaced || !now || !then) return slot;
      const [wanted, there] = [now, then].map((one) => articleOf(job.stock, 'device', one.article));
      const serves =
        wanted?.letter === there?.letter && wanted?.role === there?.role && slot.role === there?.role;
      return serves ? { ...slot, article: then.article, existing: true } : slot;
    }),
  };
};

const planOf = ({ plans }: JobReview, circuit: CircuitId) =>
  plans.find((plan) => plan.circuit.id === circuit)?.outcome;

/** Violations and what is unfinished: of the circuit as it is then, or those alone that were not there before. */
const wrongIn = (before: JobReview, { review }: Way, circuit: CircuitId, mending: boolean): number => {
  const isGrave = ({ severity }: { severity: string }) =>
    severity === 'violation' || severity === 'unfinished';
  if (mending) return reviewCircuit(review, circuit).findings.filter(isGrave).length;
  const known = new Set(before.findings.map(findingKey));
  return review.findings.filter((one) => isGrave(one) && !known.has(findingKey(one))).length;
};

/** What tells a way from another for whoever makes it: what is opened, bought and left. */
const kindOfWay = ({ change }: Way): string =>
  JSON.stringify([
    change.opened,
    change.devices.map(({ box, article }) => [box, article]),
    change.fresh.map(({ from, to, article }) => [from, to, article]),
    ...[change.idle, change.drawnOut.map(({ id }) => id)],
  ]);

/** The first so many ways: those by which nothing new is wrong, the cheapest first; then those by which least is. */
const ranked = (
  ways: readonly Way[],
  wrong: (way: Way) => number,
  most: number,
): { way: Way; wrong: number }[] => {
  const byCost = [...ways].sort(
    (a, b) => a.change.cost.cost - b.change.cost.cost || a.change.opened.length - b.change.opened.length,
  );
  const seen = new Set<string>();
  const clean: { way: Way; wrong: number }[] = [];
  const others: { way: Way; wrong: number }[] = [];
  // To inspect takes longer than to plan, so it ends as soon as enough are found.
  for (const way of byCost) {
    const one = { way, wrong: wrong(way) };
    const kind = `${one.wrong} ${kindOfWay(way)}`;
    if (seen.has(kind)) continue;
    seen.add(kind);
    (one.wrong === 0 ? clean : others).push(one);
    if (clean.length === most) break;
  }
  return [...clean, ...others.sort((a, b) => a.wrong - b.wrong)].slice(0, most);
};

/**
 * The ways to make a change of a circuit that is told of, the least first: each set of old cables that is given up, with the cheapest runs
 * for the rest, and each place of a new switch among the old. A way that cannot be made, that needs a cable of unknown length, or that
 * would part what hangs on a cable of which nobody knows where it leads, is none.
 */
export const waysOnExisting = (
  standing: Job,
  jobs: readonly Job[],
  circuit: CircuitId,
  { replaced, neutralAt: asked, mending }: Asked,
  most: number,
): { ok: true; ways: Way[] } | { ok: false; why: NoWay } => {
  const there = choiceThere(standing, circuit);
  const before = reviewJob(standing);
  const strange = boxesWithJoinedStrangers(standing);
  const ways = new Map<string, Way>();
  let leadsWhoKnows = false;

  const tryIt = (job: Job, asCabled: Choice, given: readonly ExistingCable[], anew: readonly CableId[]) => {
    const choice: Choice = {
      ...asCabled,
      ...(given.length > 0 ? { givenUp: given.map(({ id }) => id) } : {}),
      ...(anew.length > 0 ? { anew: [...anew] } : {}),
    };
    const key = JSON.stringify(choice);
    if (ways.has(key)) return;
    const chosen = withChoice(job, circuit, choice);
    const review = reviewJob(withDevicesThere(chosen, replaced));
    if (planOf(review, circuit)?.ok !== true) return;
    const ids = groupIdsOf(job, circuit);
    const works = review.proofs
      .filter(({ group }) => ids.has(group))
      .every((proof) => proof.working === proof.positions);
    const unmeasured = review.wiring.cables.some(
      (cable) =>
        !cable.existing &&
        ['unknown', 'guessed'].includes(cable.lengthSource) &&
        !before.wiring.cables.some(({ id }) => id === cable.id),
    );
    if (!works || unmeasured) return;
    const change = changeBetween(before, review);
    if (change.opened.some((box) => strange.has(box))) {
      leadsWhoKnows = true;
      return;
    }
    ways.set(key, { review, change });
  };

  for (const wanted of jobs) {
    const named = findCircuit(wanted, circuit);
    if (!named) continue;
    const ids = groupIdsOf(wanted, circuit);
    const bare: Job = {
      ...wanted,
      slots: wanted.slots.map((slot) =>
        ids.has(slot.group) && slot.role === 'switch' ? { ...slot, article: null, existing: false } : slot,
      ),
    };
    const cables = wanted.existingCables.filter((cable) => cable.circuit === circuit);
    const free = cables.filter((cable) => !cable.between.includes(PANEL));
    const remade = mending ? setsOf(cables.map(({ id }) => id)) : [[]];
    const orders = ordersOf(bare, circuit, there);
    const standingSlots = new Set<string>(toPlan(bare).slots.map(({ id }) => id));
    const lying = [...new Set([...(there?.neutralAt ?? []), ...asked])].filter((id) => standingSlots.has(id));
    for (const given of setsOf(free)) {
      const without = {
        ...bare,
        existingCables: bare.existingCables.filter((cable) => !given.includes(cable)),
      };
      // By today's rule of neutrals, and as old loops lie there without.
      for (const neutrals of ['asAsked', 'none'] as const) {
        const { best } = createSearch(without, named, {
          weights: leastCable(without),
          constraints: { ...NO_CONSTRAINTS, neutralAt: [...asked], neutrals },
          volumeLimit: Infinity,
        }).least({ mostSteps: MOST_STEPS });
        if (!best) continue;
        const found = choiceOf(best);
        for (const anew of remade) {
          tryIt(bare, found, given, anew);
          for (const chains of orders)
            for (const neutralAt of [lying, [...asked]])
              tryIt(bare, { ...found, ...(chains ? { chains } : {}), neutralAt }, given, anew);
        }
      }
    }
    // The runs as they are, for what needs no other.
    if (there)
      for (const chains of orders)
        for (const anew of remade)
          tryIt(bare, { ...there, ...(chains ? { chains } : {}), neutralAt: lying }, [], anew);
  }
  const wrong = (way: Way) => wrongIn(before, way, circuit, mending);
  const best = ranked([...ways.values()], wrong, most);
  const [first] = best;
  if (!first) return { ok: false, why: leadsWhoKnows ? 'leadsWhoKnows' : 'none' };
  if (mending) {
    const now = reviewCircuit(before, circuit).findings.filter(
      ({ severity }) => severity === 'violation' || severity === 'unfinished',
    ).length;
    const works = reviewCircuit(before, circuit).proofs.every((one) => one.working === one.positions);
    const mended = best.filter((one) => !works || one.wrong < now);
    return mended.length > 0
      ? { ok: true, ways: mended.map(({ way }) => way) }
      : { ok: false, why: 'notMended' };
  }
  return { ok: true, ways: best.map(({ way }) => way) };
};
