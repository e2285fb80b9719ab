import type { Job } from '../model/job.js';
import { isSame } from '../model/same.js';
import { differenceOf, ITEM, namesOf, ORDER, withChanges, type FieldChange } from './difference.js';
import { sayChanges } from './sayDifference.js';

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
  // What a wiring holds and how sure it is belong together: a box that one signed as seen is not what the other told of it meanwhile.
  return a.field === b.field || a.field === ITEM || b.field === ITEM || a.entity === 'wirings';
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

/**
 * Two states of a job that grew from one, put together by entity and field: what only one of them changed is taken from it. Where both changed the
 * same otherwise, nothing is chosen: each is told in words. The planned wiring is `theirs` and has to be planned again.
 */
export const merge = (base: Job, mine: Job, theirs: Job): Merged => {
  const [all, allOthers] = [changesOf(base, mine), changesOf(base, theirs)];
  // What both made alike is made already, and clashes with nothing.
  const own = all.filter((one) => !hasAlike(allOthers, one));
  const others = allOthers.filter((one) => !hasAlike(all, one));
  const known = new Map<string, FieldChange[]>();
  for (const one of others) known.set(thingOf(one), [...(known.get(thingOf(one)) ?? []), one]);
  const clashing = new Map<string, { mine: FieldChange[]; theirs: FieldChange[] }>();
  for (const one of own) {
    const against = (known.get(thingOf(one)) ?? []).filter((other) => clash(one, other));
    if (against.length === 0) continue;
    const both = clashing.get(thingOf(one)) ?? { mine: [], theirs: [] };
    both.mine.push(one);
    both.theirs.push(...against.filter((other) => !both.theirs.includes(other)));
    clashing.set(thingOf(one), both);
  }
  const jobs = [base, mine, theirs];
  if (clashing.size > 0)
    return {
      kind: 'clash',
      clashes: [...clashing.values()].map((both) => ({
        mine: sayChanges(jobs, both.mine),
        theirs: sayChanges(jobs, both.theirs),
      })),
    };
  return { kind: 'merged', job: inOrder(withChanges(theirs, own), theirs, mine) };
};
