import type { Arrangement } from './columns.js';
import { createCounter } from './crossings.js';
import type { Order } from './geometry.js';
import type { Prepared } from './prepared.js';

/** Arrangements weighed for one box at the most: fewer where each of them takes long. */
const MOST_TRIED = 900;
const MOST_WORK = 1_500_000;

/** Groups whose place is sought; the screw of the box stands beside its grounds where no cable comes to it. */
export const placedGroups = ({ groups, units }: Prepared): number[] =>
  groups.flatMap((group, index) => {
    const first = units[group.units[0] ?? -1];
    return first?.kind === 'bond' && first.tops.length + first.bottoms.length === 0 ? [] : [index];
  });

/** Every place that a group may take in an arrangement without it, once straight and, where it is a chain, once turned round. */
function* waysToInsert(prepared: Prepared, now: Arrangement, group: number): Generator<Arrangement> {
  const { canBeOver = false, units = [] } = prepared.groups[group] ?? {};
  for (const [place, list] of now.places.entries()) {
    if (place % 2 === 1 && !canBeOver) continue;
    for (let at = 0; at <= list.length; at++) {
      const places = now.places.map((one, i) =>
        i === place ? [...one.slice(0, at), group, ...one.slice(at)] : one,
      );
      yield { places, turned: now.turned };
      if (units.length > 1) yield { places, turned: new Set([...now.turned, group]) };
    }
  }
}

const without = ({ places, turned }: Arrangement, group: number): Arrangement => ({
  places: places.map((list) => list.filter((one) => one !== group)),
  turned: new Set([...turned].filter((one) => one !== group)),
});

/** Splices with tails stand first, then those that only pass wires on, grounds last. */
const inOrder = (prepared: Prepared): number[] => {
  const rank = (group: number) => {
    const units = (prepared.groups[group]?.units ?? []).map((index) => prepared.units[index]);
    if (units.some((one) => one?.low)) return 3;
    if (units.some((one) => one?.kind === 'loose')) return 2;
    return units.some((one) => (one?.tails.length ?? 0) > 0) ? 0 : 1;
  };
  return placedGroups(prepared).sort((a, b) => rank(a) - rank(b) || a - b);
};

/** An arrangement as it was before, as far as its parts are still there. */
const asBefore = (prepared: Prepared, before: Order): Arrangement => {
  const indexOf = new Map(prepared.groups.map((group, i) => [group.id, i]));
  const slots = 2 * prepared.scene.fixtures.length + 1;
  const turned = new Set<number>();
  const places = Array.from({ length: slots }, (_, slot) =>
    (before.places[slot] ?? []).flatMap((name) => {
      const isTurned = name.startsWith('~');
      const index = indexOf.get(isTurned ? name.slice(1) : name);
      if (index === undefined || (slot % 2 === 1 && prepared.groups[index]?.canBeOver !== true)) return [];
      if (isTurned) turned.add(index);
      return [index];
    }),
  );
  return { places, turned };
};

/**
 * Where the splices of a box stand, for few crossings and little width: each is put where it costs least, and then taken out and put
 * back for as long as that helps. What was placed before stays; only what is new is put beside it.
 */
export const arrange = (prepared: Prepared, before: Order | null): Arrangement => {
  const { cost } = createCounter(prepared);
  const wires = Math.max(1, prepared.wires.length);
  let left = Math.min(MOST_TRIED, Math.ceil(MOST_WORK / (wires * wires)));
  const insert = (now: Arrangement, group: number): { best: Arrangement; least: number } => {
    let [best, least]: [Arrangement | null, number] = [null, Infinity];
    for (const tried of waysToInsert(prepared, now, group)) {
      if (best && left <= 0) break;
      left -= 1;
      const weight = cost(tried);
      if (weight < least - 1e-9) [best, least] = [tried, weight];
    }
    return { best: best ?? now, least };
  };
  const empty: Arrangement = {
    places: Array.from({ length: 2 * prepared.scene.fixtures.length + 1 }, () => []),
    turned: new Set(),
  };
  let now = before ? asBefore(prepared, before) : empty;
  const placed = new Set(now.places.flat());
  const order = inOrder(prepared);
  for (const group of order) if (!placed.has(group)) now = insert(now, group).best;
  if (before) return now;
  let least = cost(now);
  for (let better = true; better && left > 0;) {
    better = false;
    for (const group of order) {
      if (left <= 0) break;
      const tried = insert(without(now, group), group);
      if (tried.least >= least - 1e-9) continue;
      [now, least, better] = [tried.best, tried.least, true];
    }
  }
  return now;
};

/** The arrangement by names, to be handed on to a changed wiring. */
export const orderOf = (
  { scene, groups }: Prepared,
  { places, turned }: Arrangement,
  cables: Record<'top' | 'bottom', readonly number[]>,
): Order => {
  const names = (of: readonly number[]) => of.map((i) => scene.entries[i]?.id ?? '');
  return {
    cables: { top: names(cables.top), bottom: names(cables.bottom) },
    places: places.map((list) =>
      list.map((group) => `${turned.has(group) ? '~' : ''}${groups[group]?.id ?? ''}`),
    ),
  };
};
