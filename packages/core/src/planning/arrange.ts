import { articlesOf, type CableArticle } from '../model/articles.js';
import type { GroupId, Place, SlotId } from '../model/ids.js';
import type { Choice, Circuit, Feed, Job } from '../model/job.js';
import { neutralRequirement } from '../code/neutralRequirement.js';
import { assignColours, type Colouring } from './colours.js';
import { netReaches, netsOnRun, type Arrangement, type Net } from './nets.js';
import type { TreeRun } from './tree.js';

/** A run with the nets that cross it and the cable that carries them; no cable where it is too wide. */
export interface ColouredRun {
  run: TreeRun;
  nets: Net[];
  carried: { article: CableArticle; colouring: Colouring } | null;
}

/** The smallest cable of the circuit's size in the stock that carries the nets lawfully. */
const carry = (cables: readonly CableArticle[], nets: readonly Net[]): ColouredRun['carried'] => {
  for (const article of cables) {
    const colouring = assignColours(nets, article);
    if (colouring) return { article, colouring };
  }
  return null;
};

/** Cables of the stock in the circuit's size, fewest conductors first. */
export const cablesFor = (job: Job, circuit: Circuit): CableArticle[] =>
  articlesOf(job.stock, 'cable')
    .filter((article) => article.awg === circuit.awg)
    .sort((a, b) => a.insulated.length - b.insulated.length);

export const colourRuns = (
  job: Job,
  choice: Choice,
  circuit: Circuit,
  feed: Feed,
  tree: readonly TreeRun[],
  arrangement: Arrangement,
): ColouredRun[] => {
  const reaches = netReaches(job, choice, feed, arrangement);
  const cables = cablesFor(job, circuit);
  return tree.map((run) => {
    const nets = netsOnRun(run, reaches);
    return { run, nets, carried: carry(cables, nets) };
  });
};

/** Fewer is better, compared in this order. */
const burden = (runs: readonly ColouredRun[]): number[] => {
  const whites = runs.flatMap((one) =>
    (one.carried?.colouring ?? []).filter(
      ({ colour, net }) => colour === 'white' && net && net.kind !== 'neutral',
    ),
  );
  return [
    runs.filter((one) => one.carried === null).length,
    runs.reduce((sum, one) => sum + (one.carried?.article.insulated.length ?? one.nets.length), 0),
    // A white traveler is a matter some authorities see otherwise; a white supply is not.
    whites.filter(({ net }) => net?.kind === 'traveler').length,
    whites.length,
  ];
};

const lighter = (a: readonly number[], b: readonly number[]): boolean => {
  for (const [i, x] of a.entries()) {
    const y = b[i] ?? 0;
    if (x !== y) return x < y;
  }
  return false;
};

const permutations = <T>(items: readonly T[]): T[][] =>
  items.length <= 1
    ? [[...items]]
    : items.flatMap((first, i) =>
        permutations(items.filter((_, k) => k !== i)).map((rest) => [first, ...rest]),
      );

/** Chains up to this many switches are tried in every order; longer ones along the tree, both ways. */
const EVERY_ORDER_UP_TO = 5;

const ordersOf = (slots: readonly SlotId[]): SlotId[][] =>
  slots.length <= EVERY_ORDER_UP_TO ? permutations(slots) : [[...slots], [...slots].reverse()];

/**
 * Settles what the choice leaves open: the order of each chain, and which switches get a neutral. Asks for the fewest
 * conductors. One group after another, given the others; a single group is searched completely up to five switches.
 */
export const settleArrangement = (
  job: Job,
  choice: Choice,
  circuit: Circuit,
  feed: Feed,
  tree: readonly TreeRun[],
): { arrangement: Arrangement; runs: ColouredRun[] } => {
  const along: Place[] = [feed.at, ...tree.map((run) => run.to)];
  const groups = job.groups.filter((group) => group.circuit === circuit.id);
  const slotsOf = (group: GroupId) =>
    job.slots
      .filter((slot) => slot.group === group)
      .sort((a, b) => along.indexOf(a.box) - along.indexOf(b.box) || a.gang - b.gang)
      .map((slot) => slot.id);

  const requirements = groups.map((group) => ({ group, requirement: neutralRequirement(job, group) }));
  const always = new Set(
    choice.neutralAt ??
      requirements.flatMap(({ group, requirement }) => {
        if (job.preferences.neutral === 'everySwitch') return slotsOf(group.id);
        return requirement.need === 'each' ? requirement.slots : [];
      }),
  );
  const pickOne = (group: GroupId): (SlotId | null)[] => {
    const requirement = requirements.find((one) => one.group.id === group)?.requirement;
    if (choice.neutralAt || requirement?.need !== 'one') return [null];
    return requirement.slots.some((slot) => always.has(slot)) ? [null] : requirement.slots;
  };

  const chains: Arrangement['chains'] = {};
  for (const group of groups) chains[group.id] = choice.chains?.[group.id] ?? slotsOf(group.id);
  const picked = new Map<GroupId, SlotId>();
  const settled = (): Arrangement => ({ chains: { ...chains }, neutralAt: [...always, ...picked.values()] });
  const evaluate = () => colourRuns(job, choice, circuit, feed, tree, settled());

  for (const group of groups) {
    const orders = choice.chains?.[group.id] ? [choice.chains[group.id] ?? []] : ordersOf(slotsOf(group.id));
    let best: { order: SlotId[]; one: SlotId | null; burden: number[] } | null = null;
    for (const order of orders)
      for (const one of pickOne(group.id)) {
        chains[group.id] = order;
        if (one) picked.set(group.id, one);
        const candidate = burden(evaluate());
        if (!best || lighter(candidate, best.burden)) best = { order, one, burden: candidate };
      }
    if (best) {
      chains[group.id] = best.order;
      if (best.one) picked.set(group.id, best.one);
    }
  }
  const arrangement = settled();
  return { arrangement, runs: colourRuns(job, choice, circuit, feed, tree, arrangement) };
};
