import { articlesToHave, type Article, type ConnectorArticle } from '../model/articles.js';
import type { Preferences } from '../model/preferences.js';
import type { Awg } from '../model/units.js';
import type { Joint } from '../model/wiring.js';

/** Cross-section in circular mils (NEC Chapter 9, Table 8). */
const CIRCULAR_MILS: Record<Awg, number> = {
  18: 1620,
  16: 2580,
  14: 4110,
  12: 6530,
  10: 10_380,
  8: 16_510,
  6: 26_240,
};

/** A mix names every size present, and holds as many of each as are there. */
const inMix = (mix: NonNullable<ConnectorArticle['mixes']>[number], sizes: readonly Awg[]): boolean =>
  sizes.every((awg) => mix.some((one) => one.awg === awg)) &&
  mix.every(({ awg, least, most }) => {
    const count = sizes.filter((size) => size === awg).length;
    return count >= least && count <= most;
  });

/** May this connector join exactly these conductors? Sizes in AWG (a larger number is thinner). */
export const takes = (connector: ConnectorArticle, sizes: readonly Awg[]): boolean =>
  sizes.length >= connector.conductors[0] &&
  sizes.length <= connector.conductors[1] &&
  sizes.every((awg) => awg <= connector.sizes[0] && awg >= connector.sizes[1]) &&
  (connector.circularMils === null ||
    sizes.reduce((sum, awg) => sum + CIRCULAR_MILS[awg], 0) <= connector.circularMils) &&
  (connector.mixes === null || connector.mixes.some((mix) => inMix(mix, sizes)));

const byRoom = (a: ConnectorArticle, b: ConnectorArticle) => a.conductors[1] - b.conductors[1];

/** Splits the members over connectors of one kind, each neighbouring pair tied by a jumper of `jumper` AWG. */
const chained = (
  connector: ConnectorArticle,
  sizes: readonly Awg[],
  jumper: Awg,
): Joint['connectors'] | null => {
  const chain: Joint['connectors'] = [];
  let next = 0;
  while (next < sizes.length) {
    const members: number[] = [];
    const before = chain.length > 0 ? 1 : 0;
    const held = (more: readonly number[], jumpers: number) => [
      ...more.map((index) => sizes[index] ?? jumper),
      ...Array.from({ length: jumpers }, () => jumper),
    ];
    const rest = Array.from({ length: sizes.length - next }, (_, i) => next + i);
    if (takes(connector, held(rest, before))) {
      chain.push({ article: connector.id, members: rest, jumperEnds: before });
      return chain;
    }
    while (next < sizes.length && takes(connector, held([...members, next], before + 1)))
      members.push(next++);
    if (members.length === 0) return null;
    chain.push({ article: connector.id, members, jumperEnds: before + 1 });
  }
  return null;
};

type Rules = Pick<Preferences, 'connectors' | 'sparePort' | 'groundConnectors'>;

const choose = (
  stock: readonly Article[],
  preferences: Rules,
  sizes: readonly Awg[],
  ground: boolean,
): Joint['connectors'] | null => {
  const all = articlesToHave(stock, 'connector')
    .filter((connector) => ground || !connector.groundsOnly)
    .sort(byRoom);
  const family =
    ground && preferences.groundConnectors !== 'same' ? preferences.groundConnectors : preferences.connectors;
  // Special connectors for grounds are taken where they are asked for, or where nothing else will do.
  const usual = all.filter((connector) => connector.family === family || !connector.groundsOnly);
  const preferred = all.filter((connector) => connector.family === family);
  const roomy = preferences.sparePort && sizes.length > 1 && (family === 'lever' || family === 'pushIn');
  const jumper = sizes.reduce((thick, awg) => (awg < thick ? awg : thick), sizes[0] ?? 14);
  const single =
    (roomy ? preferred.find((one) => takes(one, sizes) && takes(one, [...sizes, jumper])) : undefined) ??
    preferred.find((one) => takes(one, sizes)) ??
    usual.find((one) => takes(one, sizes)) ??
    all.find((one) => takes(one, sizes));
  if (single) return [{ article: single.id, members: sizes.map((_, index) => index), jumperEnds: 0 }];
  const chains = [...preferred, ...all]
    .map((connector) => chained(connector, sizes, jumper))
    .filter((chain) => chain !== null);
  return chains.sort((a, b) => a.length - b.length)[0] ?? null;
};

/** What was chosen before, by stock: the same few splices come again and again. */
const chosen = new WeakMap<readonly Article[], Map<string, Joint['connectors'] | null>>();

/**
 * The connectors for one splice of conductors of these sizes (AWG): the smallest of the preferred family that takes
 * them all, with a port to spare where the job wants one; else the smallest of any family, else the shortest chain.
 * Connectors for grounds are used on grounds alone. Null where the stock has none that can. The stock is not to change.
 */
export const chooseConnectors = (
  stock: readonly Article[],
  preferences: Rules,
  sizes: readonly Awg[],
  ground: boolean,
): Joint['connectors'] | null => {
  const known = chosen.get(stock) ?? new Map<string, Joint['connectors'] | null>();
  chosen.set(stock, known);
  const { connectors, sparePort, groundConnectors } = preferences;
  const key = [connectors, sparePort, groundConnectors, ground, ...sizes].join(' ');
  const found = known.get(key);
  const connectorsFor = found === undefined ? choose(stock, preferences, sizes, ground) : found;
  if (found === undefined) known.set(key, connectorsFor);
  // Every joint has its own, as its members may be named anew.
  return connectorsFor?.map((one) => ({ ...one, members: [...one.members] })) ?? null;
};
