import { ofId } from '../model/records.js';
import type { CableArticle } from '../model/articles.js';
import { createMemo } from '../model/memo.js';
import { isNeutralColour } from '../model/colours.js';
import type { GroupId, SlotId, TreePlace } from '../model/ids.js';
import type { Choice, Circuit, ExistingCable, Feed, Job, Slot } from '../model/job.js';
import { neutralsAsked } from './neutralsAsked.js';
import { permutations } from '../model/permutations.js';
import { assignColours, type Colouring } from './colours.js';
import type { Carrier } from './carriers.js';
import { createFitter, type Fitting } from './devices.js';
import {
  netReaches,
  netsOnRuns,
  nodeOfSlot,
  scopeOf,
  type Arrangement,
  type Net,
  type Reach,
} from './nets.js';
import type { TreeRun } from './tree.js';

/** A run with the nets that cross it and the cable that carries them; no cable where it is too wide. */
export interface ColouredRun {
  run: TreeRun;
  nets: Net[];
  carried: { article: CableArticle; colouring: Colouring } | null;
  existing: ExistingCable | null;
  /** Insulated conductors of the widest cable that was offered. */
  most: number;
}

/** A run and what may carry it. */
export interface OfferedRun {
  run: TreeRun;
  carriers: readonly Carrier[];
}

/**
 * Finds the smallest cable offered that carries the nets lawfully. Runs are alike again and again while orders are
 * tried, so what was found for nets of the same kinds is kept.
 */
const createCarrier = () => {
  const known = createMemo<{ at: number; nets: (number | null)[] } | null>();
  const find = (carriers: readonly Carrier[], nets: readonly Net[]) => {
    for (const [at, { article }] of carriers.entries()) {
      const colouring = nets.length <= article.insulated.length ? assignColours(nets, article) : null;
      if (colouring) return { at, nets: colouring.map(({ net }) => (net ? nets.indexOf(net) : null)) };
    }
    return null;
  };
  return (carriers: readonly Carrier[], nets: readonly Net[]): Pick<ColouredRun, 'carried' | 'existing'> => {
    const found = known.get(
      [carriers.map((one) => one.article.id), nets.map((net) => net.kind + (net.lane ?? ''))],
      () => find(carriers, nets),
    );
    const carrier = found && carriers[found.at];
    if (!carrier) return { carried: null, existing: null };
    const colouring = carrier.article.insulated.map((colour, i) => {
      const index = found.nets[i] ?? null;
      return { colour, net: index === null ? null : (nets[index] ?? null) };
    });
    return { carried: { article: carrier.article, colouring }, existing: carrier.existing };
  };
};

const colourRuns = (
  offered: readonly OfferedRun[],
  reaches: readonly Reach[],
  carry: ReturnType<typeof createCarrier>,
): ColouredRun[] => {
  const nets = netsOnRuns(
    offered.map(({ run }) => run),
    reaches,
  );
  return offered.map(({ run, carriers }, i) => {
    const crossing = nets[i] ?? [];
    const most = Math.max(0, ...carriers.map(({ article }) => article.insulated.length));
    return { run, nets: crossing, ...carry(carriers, crossing), most };
  });
};

/** Fewer is better, compared in this order. */
const burden = (runs: readonly ColouredRun[], fittings: readonly Fitting[]): number[] => {
  const whites = runs.flatMap((one) =>
    (one.carried?.colouring ?? []).filter(
      ({ colour, net }) => isNeutralColour(colour) && net && net.kind !== 'neutral',
    ),
  );
  return [
    fittings.filter((one) => one.article === null || one.misfit !== null).length,
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
  offered: readonly OfferedRun[],
): { arrangement: Arrangement; runs: ColouredRun[]; fittings: Fitting[] } => {
  const along: TreePlace[] = [feed.at, ...offered.map(({ run }) => run.to)];
  const groups = job.groups.filter((group) => group.circuit === circuit.id && group.control === 'switched');
  const scope = scopeOf(choice);
  const placeOf = (slot: Slot) => along.indexOf(nodeOfSlot(scope, slot));
  const slotsOf = (group: GroupId) =>
    job.slots
      .filter((slot) => slot.group === group && slot.role !== 'receptacle')
      .sort((a, b) => placeOf(a) - placeOf(b) || a.gang - b.gang)
      .map((slot) => slot.id);

  const asked = new Map(groups.map((group) => [group.id, neutralsAsked(job, group)]));
  const always = new Set(choice.neutralAt ?? [...asked.values()].flatMap(({ certain }) => certain));
  const pickOne = (group: GroupId): (SlotId | null)[] => {
    const oneOf = choice.neutralAt ? [] : (asked.get(group)?.oneOf ?? []);
    return oneOf.length > 0 ? oneOf : [null];
  };

  const carry = createCarrier();
  const fit = createFitter(job, circuit);
  const chains: Arrangement['chains'] = {};
  for (const group of groups) chains[group.id] = ofId(choice.chains, group.id) ?? slotsOf(group.id);
  const picked = new Map<GroupId, SlotId>();
  const settled = () => {
    const fittings = fit(chains);
    const arrangement: Arrangement = {
      chains: { ...chains },
      neutralAt: [...always, ...picked.values()],
      devices: new Map(
        fittings.flatMap(({ slot, article }) => (article ? [[slot.id, article] as const] : [])),
      ),
    };
    const reaches = netReaches(job, scope, feed, arrangement);
    return { arrangement, fittings, runs: colourRuns(offered, reaches, carry) };
  };

  for (const group of groups) {
    const chosen = ofId(choice.chains, group.id);
    const orders = chosen ? [chosen] : ordersOf(slotsOf(group.id));
    const ways = orders.flatMap((order) => pickOne(group.id).map((one) => ({ order, one })));
    let best: ((typeof ways)[number] & { burden: number[] }) | null = null;
    // What is the only way is not weighed.
    const [only] = ways.length === 1 ? ways : [];
    if (only) best = { ...only, burden: [] };
    else
      for (const { order, one } of ways) {
        chains[group.id] = order;
        if (one) picked.set(group.id, one);
        const { runs, fittings } = settled();
        const candidate = burden(runs, fittings);
        if (!best || lighter(candidate, best.burden)) best = { order, one, burden: candidate };
      }
    if (best) {
      chains[group.id] = best.order;
      if (best.one) picked.set(group.id, best.one);
    }
  }
  return settled();
};
