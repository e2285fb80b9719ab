import { lazily } from '../../model/lazily.js';
import { lyingCables, planningWithout } from '../../model/lying.js';
import { isFarNode, PANEL, type CableId, type CircuitId, type SlotId } from '../../model/ids.js';
import type { Choice, Circuit, ExistingCable, Job } from '../../model/job.js';
import { groupIdsOf, switchedGroupsOf } from '../../model/lookup.js';
import { subsets } from '../../model/permutations.js';
import { toPlan } from '../../model/toPlan.js';
import { NO_CONSTRAINTS } from '../../search/orders.js';
import { priceTablesOf } from '../../search/prices/priceTables.js';
import { leastCable } from '../../search/prices/weights.js';
import { choiceOf, searchBy } from '../../search/search.js';
import type { LeastNew } from './leastNew.js';
import { neededPlaces, treesThere } from './treesThere.js';

/** Steps for one set of old cables: circuits of existing work are small. */
const MOST_STEPS = 400_000;

/** Of so many old cables every set is tried; of more, every set of so many at most. */
const EVERY_SET_UP_TO = 4;
const MOST_GIVEN_UP = 2;

/** The sets of old cables that a plan may give up, or make up anew. */
const setsOf = <T>(cables: readonly T[]): T[][] =>
  subsets(cables, cables.length <= EVERY_SET_UP_TO ? Infinity : MOST_GIVEN_UP);

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

/** A choice as text, the same for those that say the same. */
export const choiceKey = ({ neutralAt, ...choice }: Choice): string =>
  JSON.stringify([...Object.entries(choice).sort(), [...(neutralAt ?? [])].sort(), neutralAt === undefined]);

/** Ways that give up the same old cables, or none: by their new runs they come to `least` at least, ten-thousandths of a dollar. */
export interface Batch {
  least: number;
  givenUp: readonly CableId[];
  choices: () => Iterable<Choice>;
}

/**
 * The ways that are tried to make a changed circuit: each set of old cables that is given up, with the cheapest runs for the rest and with
 * those that take the least new cable; each place of a new switch among the old; and who has a neutral. `onLeftOut` is called where there
 * are too many of these to try them all.
 */
export const batchesFor = (
  bare: Job,
  named: Circuit,
  there: Choice | null,
  { neutralAt: asked, mending }: { neutralAt: readonly SlotId[]; mending: boolean },
  leastNew: LeastNew,
  onLeftOut: () => void,
): Batch[] => {
  const circuit = named.id;
  const ids = groupIdsOf(bare, circuit);
  const cables = lyingCables(bare).filter((cable) => cable.circuit === circuit);
  const free = cables.filter((cable) => !cable.between.includes(PANEL));
  if (free.length > EVERY_SET_UP_TO) onLeftOut();
  const remade: CableId[][] = mending ? setsOf(cables.map(({ id }) => id)) : [[]];
  const orders = ordersOf(bare, circuit, there);
  const slots = toPlan(bare)
    .slots.filter(({ group, role }) => ids.has(group) && role !== 'receptacle')
    .map(({ id }) => id);
  const lying = [...new Set([...(there?.neutralAt ?? []), ...asked])].filter((id) => slots.includes(id));
  // What lies there, what is asked for, one switch more, and every switch.
  const neutrals = [lying, [...asked], ...slots.map((slot) => [...new Set([...asked, slot])]), slots];
  const feeds = bare.feeds.filter((one) => one.circuit === circuit);
  const feed = bare.feeds.find(({ id }) => id === there?.feed) ?? feeds[0];
  function* every(found: Choice): Generator<Choice> {
    for (const anew of remade)
      for (const chains of orders)
        for (const neutralAt of neutrals)
          yield {
            ...found,
            ...{ neutralAt, ...(chains ? { chains } : {}) },
            ...(anew.length > 0 ? { anew } : {}),
          };
  }
  function* without(given: readonly ExistingCable[]): Generator<Choice> {
    const others = bare.choices.filter((one) => one.circuit !== circuit);
    const gone = given.map(({ id }) => id);
    const searched = toPlan({ ...bare, choices: [...others, planningWithout(circuit, gone)] });
    const givenUp = gone.length > 0 ? { givenUp: gone } : {};
    const tables = priceTablesOf(searched, named, leastCable(searched), {}, false);
    // By today's rule of neutrals, and as old loops lie there without.
    for (const rule of ['asAsked', 'none'] as const) {
      const { best } = searchBy(tables, { ...NO_CONSTRAINTS, neutralAt: [...asked], neutrals: rule }).least({
        mostSteps: MOST_STEPS,
      });
      if (!best) continue;
      const found = { ...choiceOf(best), ...givenUp };
      for (const anew of remade) yield { ...found, ...(anew.length > 0 ? { anew } : {}) };
      yield* every(found);
    }
    if (!feed) return;
    const kept = cables.filter((cable) => !given.includes(cable));
    const returned = (there?.runs ?? []).filter((run) => [run.from, run.to].some(isFarNode));
    for (const apart of returned.length > 0 ? [returned, []] : [[]]) {
      const { trees, all } = treesThere(bare, feed, kept, apart);
      if (!all) onLeftOut();
      for (const runs of trees) yield* every({ circuit, feed: feed.id, runs, ...givenUp });
    }
  }
  const needed = neededPlaces(bare, circuit);
  const sets = setsOf(free).map((given): Batch => {
    const givenUp = given.map(({ id }) => id);
    return {
      least: Math.min(Infinity, ...feeds.map(({ at }) => leastNew.joining([at, ...needed], givenUp))),
      givenUp,
      choices: lazily(() => [...without(given)]),
    };
  });
  // The runs as they are, for what needs no other.
  const asThere = there ? [...every(there)] : [];
  return [...sets, { least: 0, givenUp: [], choices: () => asThere }];
};
