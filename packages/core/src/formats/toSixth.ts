import { conductorsOf, type CableArticle } from '../model/articles.js';
import { isRaw, listOf, type Raw } from './raw.js';
import { hungIn } from './toFifth.js';

const NOTHING: Raw = {
  ...{ boxes: {}, devices: [], cables: [], joints: [], landings: [], marks: [], unseen: [], luminaires: [] },
};

/** An existing wiring of which nothing is told, under a name that no other wiring of the job has. */
const begun = (wirings: readonly unknown[]): Raw => {
  const ids = new Set(wirings.flatMap((one) => (isRaw(one) ? [one['id']] : [])));
  let id = 'existing';
  while (ids.has(id)) id += '~';
  return {
    ...{ id, kind: 'existing', basedOn: null, certainty: {}, assumedEnds: [], sizesFrom: {} },
    wiring: NOTHING,
  };
};

const coloursOf = (stock: readonly unknown[], id: unknown): string[] => {
  const article = stock.find((one) => isRaw(one) && one['kind'] === 'cable' && one['id'] === id);
  return isRaw(article) && Array.isArray(article['insulated'])
    ? conductorsOf(article as unknown as CableArticle)
    : [];
};

/** A cable of the old list as one of the wiring, the panel first. */
const asCable = ({ id, article, between, length, via }: Raw): Raw => {
  const [a, b] = (Array.isArray(between) ? between : []) as unknown[];
  const [from, to] = b === 'panel' ? [b, a] : [a, b];
  return {
    ...{ id, article, from, to, length: length ?? null, existing: true, via: via ?? [] },
    lengthSource: typeof length === 'number' ? 'measured' : 'unknown',
  };
};

const endsOf = (stock: readonly unknown[], { id, article }: Raw): Raw[] =>
  ['from', 'to'].flatMap((side) => coloursOf(stock, article).map((colour) => ({ cable: id, side, colour })));

/** The slots and luminaires that an existing wiring tells of: with a device, on a wire or by an article. */
const toldIn = (wiring: Raw): { slots: Set<unknown>; luminaires: Set<unknown> } => ({
  slots: new Set(listOf(wiring, 'devices').flatMap((one) => (isRaw(one) ? [one['slot']] : []))),
  luminaires: hungIn(wiring),
});

/** Was it said to be there; or, where the wiring tells of it all the same, that another comes in its place? */
const kept = (
  items: readonly unknown[],
  told: ReadonlySet<unknown>,
): { items: unknown[]; stands: unknown[] } => ({
  items: items.map((one) => {
    if (!isRaw(one)) return one;
    const { existing, ...rest } = one;
    return existing !== true && told.has(one['id']) ? { ...rest, comesNew: true } : rest;
  }),
  stands: items.flatMap((one) =>
    isRaw(one) && one['existing'] === true && !told.has(one['id']) ? [one['id']] : [],
  ),
});

/**
 * To 6: cables that lie there, whose power is on them, what else is in an existing box, and which devices and luminaires are there,
 * are told in the existing wiring and nowhere beside it. A cable that was in the list alone comes into it with every end not looked at.
 */
export const toSixth = (before: Raw): Raw => {
  const { existingCables: _moved, ...document } = before;
  const listed = listOf(before, 'existingCables').filter(isRaw);
  const filled = listOf(before, 'boxes').filter(
    (box): box is Raw => isRaw(box) && isRaw(box['existingFill']),
  );
  const boxes = Array.isArray(document['boxes'])
    ? {
        boxes: document['boxes'].map((box: unknown) => {
          if (!isRaw(box)) return box;
          const { existingFill: _told, ...rest } = box;
          return rest;
        }),
      }
    : {};
  const wirings = listOf(before, 'wirings');
  const isThere = (one: unknown): one is Raw => isRaw(one) && one['kind'] === 'existing';
  const existing = wirings.find(isThere) ?? begun(wirings);
  const wiring = isRaw(existing['wiring']) ? existing['wiring'] : NOTHING;
  const toldOf = toldIn(wiring);
  const [slots, luminaires] = (['slots', 'luminaires'] as const).map((list) =>
    kept(listOf(before, list), toldOf[list]),
  );
  const left = {
    ...document,
    ...boxes,
    ...(Array.isArray(document['slots']) ? { slots: slots?.items } : {}),
    ...(Array.isArray(document['luminaires']) ? { luminaires: luminaires?.items } : {}),
    format: 6,
  };
  const stands = { slots: slots?.stands ?? [], luminaires: luminaires?.stands ?? [] };
  if (listed.length + filled.length + stands.slots.length + stands.luminaires.length === 0) return left;
  const known = new Set(listOf(wiring, 'cables').flatMap((one) => (isRaw(one) ? [one['id']] : [])));
  const fresh = listed.filter(({ id }) => !known.has(id)).map(asCable);
  const stock = listOf(before, 'stock');
  const told = {
    ...existing,
    carries: Object.fromEntries(
      listed
        .filter((one) => typeof one['circuit'] === 'string')
        .map((one): [string, unknown] => [String(one['id']), one['circuit']]),
    ),
    others: Object.fromEntries(
      filled.map((box): [string, unknown] => [String(box['id']), box['existingFill']]),
    ),
    stands,
    wiring: {
      ...wiring,
      cables: [...listOf(wiring, 'cables'), ...fresh],
      unseen: [...listOf(wiring, 'unseen'), ...fresh.flatMap((cable) => endsOf(stock, cable))],
    },
  };
  return {
    ...left,
    wirings: wirings.some(isThere)
      ? wirings.map((one) => (one === existing ? told : one))
      : [...wirings, told],
  };
};
