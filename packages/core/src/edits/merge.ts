import type { Job, WiringDoc } from '../model/job.js';
import { isSame } from '../model/same.js';
import { differenceOf, ITEM, namesOf, ORDER, withChanges, type FieldChange } from './difference.js';
import { isWhole, mergeDocument } from './mergeWiring.js';
import { sayChanges, sayWiringAt } from './sayDifference.js';

/** What two have changed alike and otherwise, in words of each. */
export interface Clash {
  mine: string[];
  theirs: string[];
}

export type Merged = { kind: 'merged'; job: Job } | { kind: 'clash'; clashes: Clash[] };

const thingOf = ({ entity, id }: FieldChange): string => `${entity} ${id}`;

const hasAlike = (changes: readonly FieldChange[], one: FieldChange): boolean =>
  changes.some(
    (other) => thingOf(other) === thingOf(one) && other.field === one.field && isSame(other.after, one.after),
  );

/** What somebody changed; the planned wiring follows from the rest, and the order of lists is settled at the end. */
const changesOf = (base: Job, to: Job): FieldChange[] => {
  const planned = new Set<string>(
    [base, to].flatMap((job) => job.wirings.filter(({ kind }) => kind === 'planned').map(({ id }) => id)),
  );
  return differenceOf(base, to).filter(
    ({ entity, id, field, before, after }) =>
      field !== ORDER &&
      !(entity === 'wirings' && planned.has(id)) &&
      // Read from a file each time, a wiring that is equal is the same.
      !isSame(before, after),
  );
};

/** Two changes that cannot both be made: of one field, or of a thing that one of them took away or put in. */
const clash = (a: FieldChange, b: FieldChange): boolean => {
  if (thingOf(a) !== thingOf(b)) return false;
  return a.field === b.field || a.field === ITEM || b.field === ITEM;
};

/** Items in the order of one side, then those that only the other put in, in its order. */
const inOrder = (merged: Job, first: Job, second: Job): Job => {
  let made = merged;
  for (const [entity, order] of Object.entries(namesOf(merged))) {
    const wanted = [...new Set([...(namesOf(first)[entity] ?? []), ...(namesOf(second)[entity] ?? [])])];
    const after = wanted.filter((id) => order.includes(id));
    if (after.length === order.length && after.some((id, i) => id !== order[i]))
      made = withChanges(made, [
        { entity: entity as FieldChange['entity'], id: '', field: ORDER, before: order, after },
      ]);
  }
  return made;
};

/** A wiring that both have changed, by its id: put together box by box, or what both tell of the same box. */
interface Wirings {
  /** Those of which both have told something. */
  ids: Set<string>;
  merged: WiringDoc[];
  clashes: Clash[];
}

const WHOLE = new Set([ITEM, ORDER]);

/** Wirings of which both tell something, as one that came or went is told as a whole. */
const wiringsOf = (
  [base, mine, theirs]: readonly [Job, Job, Job],
  own: readonly FieldChange[],
  others: readonly FieldChange[],
): Wirings => {
  const told = (changes: readonly FieldChange[]) =>
    new Set(
      changes.flatMap(({ entity, id, field }) => (entity === 'wirings' && !WHOLE.has(field) ? [id] : [])),
    );
  const byThem = told(others);
  const found: Wirings = { ids: new Set(), merged: [], clashes: [] };
  for (const id of told(own)) {
    const [was, now, other] = [base, mine, theirs].map((job) => job.wirings.find((one) => one.id === id));
    if (!byThem.has(id) || !was || !now || !other) continue;
    found.ids.add(id);
    const both = mergeDocument(theirs, was, now, other);
    if (both.ok) found.merged.push(both.document);
    else {
      const said = sayWiringAt([base, mine, theirs], other.kind, both.at);
      found.clashes.push({ mine: said, theirs: said });
    }
  }
  return found;
};

/**
 * Two states of a job that grew from one, put together by entity and field: what only one of them changed is taken from it. Where both changed the
 * same otherwise, nothing is chosen: each is told in words. The planned wiring is `theirs` and has to be planned again.
 */
export const merge = (base: Job, mine: Job, theirs: Job): Merged => {
  const [all, allOthers] = [changesOf(base, mine), changesOf(base, theirs)];
  // What both made alike is made already, and clashes with nothing.
  const own = all.filter((one) => !hasAlike(allOthers, one));
  const others = allOthers.filter((one) => !hasAlike(all, one));
  const jobs = [base, mine, theirs] as const;
  const wirings = wiringsOf(jobs, own, others);
  const together = new Set<string>(wirings.merged.map(({ id }) => id));
  const known = new Map<string, FieldChange[]>();
  for (const one of others) known.set(thingOf(one), [...(known.get(thingOf(one)) ?? []), one]);
  const clashing = new Map<string, { mine: FieldChange[]; theirs: FieldChange[] }>();
  for (const one of own) {
    if (one.entity === 'wirings' && wirings.ids.has(one.id)) continue;
    const against = (known.get(thingOf(one)) ?? []).filter((other) => clash(one, other));
    if (against.length === 0) continue;
    const both = clashing.get(thingOf(one)) ?? { mine: [], theirs: [] };
    both.mine.push(one);
    both.theirs.push(...against.filter((other) => !both.theirs.includes(other)));
    clashing.set(thingOf(one), both);
  }
  if (clashing.size + wirings.clashes.length > 0)
    return {
      kind: 'clash',
      clashes: [
        ...[...clashing.values()].map((both) => ({
          mine: sayChanges(jobs, both.mine),
          theirs: sayChanges(jobs, both.theirs),
        })),
        ...wirings.clashes,
      ],
    };
  const rest = own.filter(({ entity, id }) => entity !== 'wirings' || !together.has(id));
  const made = inOrder(withChanges(theirs, rest), theirs, mine);
  if (together.size === 0) return { kind: 'merged', job: made };
  const job = {
    ...made,
    wirings: made.wirings.map((one) => wirings.merged.find(({ id }) => id === one.id) ?? one),
  };
  // A box that one told of may hang on what the other took away: what comes out of it decides.
  if (isWhole(job)) return { kind: 'merged', job };
  const said = wirings.merged.flatMap(({ kind }) => sayWiringAt(jobs, kind, []));
  return { kind: 'clash', clashes: [{ mine: said, theirs: said }] };
};
