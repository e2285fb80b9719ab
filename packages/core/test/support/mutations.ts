import type { Pick } from './picks.js';
import { oneOf } from './picks.js';

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** What somebody's program, a typing error or ill will may put where another value was. */
const VALUES: readonly Json[] = [
  null,
  true,
  '',
  ' ',
  'panel',
  'constructor',
  '__proto__',
  'hasOwnProperty',
  'toString',
  'wiring:planned',
  'breaker~unnamed',
  'B1~return',
  '\u202Enoitnac',
  -1,
  0,
  0.5,
  13,
  250,
  12_000,
  1e9,
  1e308,
  [],
  {},
];

const isList = (value: Json): value is Json[] => Array.isArray(value);
const isTree = (value: Json): value is { [key: string]: Json } =>
  typeof value === 'object' && value !== null && !isList(value);

/** A value of its own, so that nothing comes to hold itself. */
const copied = (value: Json | undefined): Json => (value === undefined ? null : structuredClone(value));

type Place = Json[] | { [key: string]: Json };

/** Every place of a document that holds others. */
const places = (document: Json, found: Place[] = []): Place[] => {
  if (!isList(document) && !isTree(document)) return found;
  found.push(document);
  for (const one of Object.values(document)) if (typeof one === 'object') places(one, found);
  return found;
};

/** Every text of a document, an id mostly, turned into another wherever it stands. */
const renamed = (document: Json, from: string, to: string): Json => {
  if (document === from) return to;
  if (isList(document)) return document.map((one) => renamed(one, from, to));
  if (!isTree(document)) return document;
  return Object.fromEntries(
    Object.entries(document).map(([key, value]) => [key === from ? to : key, renamed(value, from, to)]),
  );
};

const idsOf = (document: Json): string[] =>
  places(document).flatMap((place) =>
    isTree(place) && typeof place['id'] === 'string' && 'name' in place && !('kind' in place)
      ? [place['id']]
      : [],
  );

/** A document with one to three things about it otherwise than they were. The document itself is left as it is. */
export const mutated = (document: Json, pick: Pick): Json => {
  let changed = copied(document);
  for (let times = 1 + pick(3); times > 0; times--) {
    if (pick(4) === 0) {
      const name = oneOf(pick, ['constructor', 'hasOwnProperty', 'valueOf', 'x'.repeat(198), '__proto__']);
      changed = renamed(changed, oneOf(pick, idsOf(changed)), name);
      continue;
    }
    const all = places(changed);
    const place = oneOf(pick, all);
    if (isList(place)) {
      const at = pick(place.length + 1);
      const kind = pick(5);
      if (kind === 0) place.splice(at, 1);
      else if (kind === 1) place.splice(at, 0, copied(place[pick(Math.max(1, place.length))]));
      else if (kind === 2) place.reverse();
      else if (kind === 3) place.splice(at, 1, copied(oneOf(pick, VALUES)));
      else place.push(...place.map(copied));
      continue;
    }
    const keys = Object.keys(place);
    const key = keys[pick(Math.max(1, keys.length))] ?? 'more';
    const kind = pick(6);
    if (kind === 0) Reflect.deleteProperty(place, key);
    else if (kind === 1) place[`${key}s`] = copied(place[key]);
    else if (kind === 2) {
      // A value of the same kind from elsewhere: an id that leads somewhere, a figure that is in range.
      const others = all.flatMap((one) =>
        Object.values(one).filter((value) => typeof value === typeof place[key]),
      );
      place[key] = copied(others[pick(Math.max(1, others.length))]);
    } else place[key] = copied(oneOf(pick, VALUES));
  }
  return changed;
};
