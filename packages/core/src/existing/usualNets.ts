import type { CableArticle } from '../model/articles.js';
import { isGroundColour, isNeutralColour } from '../model/colours.js';
import type { BoxId, CableId, CircuitId, GroupId, Place, SlotId } from '../model/ids.js';
import type { Circuit, Feed, Job } from '../model/job.js';
import { findCircuit, findLuminaire, findSlot, switchedGroupsOf, switchesOfGroup } from '../model/lookup.js';
import { permutations } from '../model/permutations.js';
import type { Terminal } from '../model/wiring.js';
import { assignColours, type Colouring } from '../planning/colours.js';
import { createFitter, type Fitting } from '../planning/devices.js';
import { deviceIdOf } from '../planning/makeUp.js';
import {
  hotOf,
  netReaches,
  netsOnRuns,
  neutralOf,
  type Arrangement,
  type Net,
  type NetScope,
  type Reach,
} from '../planning/nets.js';
import type { TreeRun } from '../planning/tree.js';

/**
 * The way of its day in which old work was wired.
 * - usual: as the textbooks have it.
 * - returnOnWhite: the return from the switch on the white, a familiar wrong habit.
 * - switchedNeutral: each three-way has hot and neutral on its travelers, and the luminaire hangs between the two commons.
 * - hotAlong: an always-hot conductor goes along with the travelers, and what is lit gets its neutral elsewhere.
 * - borrowedNeutral: the luminaires return on the neutral of another circuit.
 */
export type Habit = 'usual' | 'returnOnWhite' | 'switchedNeutral' | 'hotAlong' | 'borrowedNeutral';

/** A cable that lies there, turned away from where power comes. */
export interface TurnedCable {
  id: CableId;
  article: CableArticle;
  run: TreeRun;
}

/** What every conductor of every cable is taken to carry, and in which order the switches are. */
export interface UsualNets {
  arrangement: Arrangement;
  fittings: Fitting[];
  colourings: Map<CableId, Colouring>;
  /** What makes a terminal belong to another net than the textbook's; null where it does not. */
  netOf: (terminal: Terminal) => Net | null;
}

interface Habits {
  habit: Habit;
  /** The other circuit of a borrowed neutral, and the box where it comes in. */
  other: { circuit: CircuitId; at: BoxId } | null;
}

/** Do the luminaires return on the neutral of another circuit? */
const borrows = (habit: Habit): boolean => habit === 'borrowedNeutral' || habit === 'hotAlong';

const legOf = (group: GroupId, end: 'hot' | 'neutral'): Net => ({
  ...{ id: `${group}/SL-${end}`, kind: 'switchLeg', circuit: null, group, lane: null },
});

/** Where the nets of a pair go that switches hot and neutral both: hot and neutral at each switch, and a leg from each common. */
const switchedBoth = (
  job: Job,
  circuit: Circuit,
  feedAt: Place,
  group: GroupId,
  chain: readonly SlotId[],
): Reach[] => {
  const at = (slot: SlotId | undefined): Place | null => findSlot(job, slot)?.box ?? null;
  const [first, last] = [at(chain[0]), at(chain.at(-1))];
  const lamps = job.luminaires.filter((one) => one.group === group).map(({ box }) => box);
  const reach = (net: Net, ...places: (Place | null)[]): Reach[] =>
    places.flatMap((place) => (place === null ? [] : [{ net, at: place }]));
  return [
    ...reach(hotOf({ circuit: circuit.id }), feedAt, first, last),
    ...reach(neutralOf({ circuit: circuit.id }), feedAt, first, last),
    ...reach(legOf(group, 'hot'), first, ...lamps),
    ...reach(legOf(group, 'neutral'), last, ...lamps),
  ];
};

/** A conductor for each net, whatever its colour: as found, people took what there was. */
const anyColours = (nets: readonly Net[], { insulated }: CableArticle): Colouring | null => {
  const usable = insulated.filter((colour) => !isGroundColour(colour));
  if (nets.length > usable.length) return null;
  const whites = usable.filter(isNeutralColour);
  const colours = usable.filter((colour) => !isNeutralColour(colour));
  const taken = new Map<string, Net>();
  const give = (net: Net, from: readonly string[]) => {
    const colour = from.find((one) => !taken.has(one));
    if (colour !== undefined) taken.set(colour, net);
  };
  for (const net of nets.filter(({ kind }) => kind === 'neutral')) give(net, [...whites, ...colours]);
  for (const net of nets.filter(({ kind }) => kind !== 'neutral')) give(net, [...colours, ...whites]);
  return insulated.map((colour) => ({ colour, net: taken.get(colour) ?? null }));
};

/** The return on the white, where no neutral crosses. */
const onWhite = (nets: readonly Net[], article: CableArticle): Colouring | null => {
  const leg = nets.find(({ kind }) => kind === 'switchLeg');
  const white = article.insulated.find(isNeutralColour);
  if (!leg || white === undefined || nets.some(({ kind }) => kind === 'neutral')) return null;
  const others = nets.filter((net) => net !== leg);
  const rest = article.insulated.filter((colour) => colour !== white && !isGroundColour(colour));
  if (others.length > rest.length) return null;
  return article.insulated.map((colour) => ({
    colour,
    net: colour === white ? leg : (others[rest.indexOf(colour)] ?? null),
  }));
};

const subsets = <T>(all: readonly T[]): T[][] =>
  all.reduce<T[][]>((sets, one) => [...sets, ...sets.map((set) => [...set, one])], [[]]);

/** Chains up to this many switches are tried in every order and with every set of neutrals. */
const EVERY_ORDER_UP_TO = 4;

const ordersOf = (slots: readonly SlotId[]): SlotId[][] =>
  slots.length <= EVERY_ORDER_UP_TO ? permutations(slots) : [[...slots], [...slots].reverse()];

const fewer = (a: readonly number[], b: readonly number[]): boolean => {
  const at = a.findIndex((one, i) => one !== b[i]);
  return at >= 0 && (a[at] ?? 0) < (b[at] ?? 0);
};

/**
 * What the conductors of the cables that lie there usually carry: the order of switches and the neutrals that leave the fewest nets
 * without a conductor, then the fewest conductors unused, then the fewest whites that are hot. Nets that no cable has room for stay out of it; their ends are not told.
 */
export const usualNets = (
  job: Job,
  scope: NetScope,
  feed: Feed,
  cables: readonly TurnedCable[],
  { habit, other }: Habits,
): UsualNets => {
  const circuit = findCircuit(job, scope.circuit);
  if (!circuit) throw new Error(`The job has no circuit "${scope.circuit}".`);
  const groups = switchedGroupsOf(job, circuit.id);
  const fit = createFitter(job, circuit);
  const along: string[] = [feed.at, ...cables.map(({ run }) => run.to)];
  const slotsOf = (group: GroupId) =>
    [...switchesOfGroup(job, group)]
      .sort((a, b) => along.indexOf(a.box) - along.indexOf(b.box) || a.gang - b.gang)
      .map((slot) => slot.id);
  const chains: Arrangement['chains'] = {};
  for (const group of groups) chains[group.id] = slotsOf(group.id);

  const reachesOf = (arrangement: Arrangement): Reach[] => {
    const textbook = netReaches(job, scope, feed, arrangement);
    if (habit === 'switchedNeutral')
      return groups.flatMap((group) =>
        switchedBoth(job, circuit, feed.at, group.id, arrangement.chains[group.id] ?? []),
      );
    const lasts = groups.flatMap((group) => arrangement.chains[group.id]?.at(-1) ?? []);
    const along = lasts.flatMap((slot) => findSlot(job, slot)?.box ?? []);
    const hots = habit === 'hotAlong' ? along.map((at): Reach => ({ net: hotOf(scope), at })) : [];
    if (!borrows(habit) || !other) return [...textbook, ...hots];
    const borrowed = neutralOf(other);
    const isLamp = (at: string) => job.luminaires.some(({ box }) => box === at);
    return [
      ...textbook.map((one) =>
        one.net.kind === 'neutral' && isLamp(one.at) && one.at !== feed.at ? { ...one, net: borrowed } : one,
      ),
      { net: borrowed, at: other.at },
      ...hots,
    ];
  };
  const settled = (neutralAt: readonly SlotId[]) => {
    const fittings = fit(chains);
    const arrangement: Arrangement = {
      chains: { ...chains },
      neutralAt: [...neutralAt],
      devices: new Map(
        fittings.flatMap(({ slot, article }) => (article ? [[slot.id, article] as const] : [])),
      ),
    };
    const crossing = netsOnRuns(
      cables.map(({ run }) => run),
      reachesOf(arrangement),
    );
    const coloured = cables.map(({ id, article }, i) => {
      const nets = crossing[i] ?? [];
      const wrong = habit === 'returnOnWhite' ? onWhite(nets, article) : null;
      return { id, nets, colouring: wrong ?? assignColours(nets, article) ?? anyColours(nets, article) };
    });
    const unused = coloured.reduce(
      (sum, { colouring }) => sum + (colouring?.filter(({ net }) => net === null).length ?? 0),
      0,
    );
    const hots = coloured.flatMap(({ colouring }) =>
      (colouring ?? []).flatMap(({ colour, net }) =>
        net && net.kind !== 'neutral' && isNeutralColour(colour) ? [net.kind] : [],
      ),
    );
    const burden = [
      coloured.filter((one) => !one.colouring).length,
      unused,
      hots.filter((kind) => kind === 'traveler').length,
      hots.length,
    ];
    return { arrangement, fittings, coloured, burden };
  };

  let best = settled([]);
  for (const group of groups) {
    const orders = ordersOf(slotsOf(group.id));
    const sets =
      slotsOf(group.id).length <= EVERY_ORDER_UP_TO ? subsets(slotsOf(group.id)) : [[], slotsOf(group.id)];
    let mine = chains[group.id] ?? [];
    const others = best.arrangement.neutralAt.filter((slot) => !slotsOf(group.id).includes(slot));
    for (const order of orders)
      for (const neutrals of sets) {
        chains[group.id] = order;
        const tried = settled([...others, ...neutrals]);
        if (!fewer(tried.burden, best.burden)) continue;
        best = tried;
        mine = order;
      }
    chains[group.id] = mine;
  }

  return {
    arrangement: best.arrangement,
    fittings: best.fittings,
    colourings: new Map(
      best.coloured.flatMap(({ id, colouring }) => (colouring ? [[id, colouring] as const] : [])),
    ),
    netOf: createNetOf(job, circuit, best, habit, other),
  };
};

/** What a terminal is on where a habit has it otherwise than the textbook. */
const createNetOf = (
  job: Job,
  circuit: Circuit,
  { fittings, arrangement }: Pick<UsualNets, 'fittings' | 'arrangement'>,
  habit: Habit,
  other: Habits['other'],
): UsualNets['netOf'] => {
  const scope = { circuit: circuit.id };
  if (borrows(habit) && other)
    return (terminal) => ('luminaire' in terminal && terminal.name === 'neutral' ? neutralOf(other) : null);
  if (habit !== 'switchedNeutral') return () => null;
  return (terminal) => {
    if ('luminaire' in terminal) {
      const group = findLuminaire(job, terminal.luminaire)?.group;
      return group === undefined || terminal.name === 'ground' ? null : legOf(group, terminal.name);
    }
    if (!('device' in terminal)) return null;
    const fitting = fittings.find(({ slot }) => deviceIdOf(slot.id) === terminal.device);
    const terminals = fitting?.article?.terminals ?? [];
    const use = terminals.find(({ name }) => name === terminal.name)?.use;
    if (!fitting || use === undefined) return null;
    const { slot } = fitting;
    if (use === 'common')
      return legOf(slot.group, arrangement.chains[slot.group]?.[0] === slot.id ? 'hot' : 'neutral');
    if (use !== 'traveler') return null;
    const nth = terminals.filter((one) => one.use === use).findIndex(({ name }) => name === terminal.name);
    return nth === 0 ? hotOf(scope) : neutralOf(scope);
  };
};
