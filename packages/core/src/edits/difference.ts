import { isSame } from '../model/same.js';
import type { Job } from '../model/job.js';

/** Lists of a job whose items have a name of their own, and what it is. */
const NAMED = {
  amendments: 'id',
  stock: 'id',
  levels: 'id',
  rooms: 'id',
  doors: 'id',
  pictures: 'id',
  circuits: 'id',
  feeds: 'id',
  boxes: 'id',
  slots: 'id',
  luminaires: 'id',
  groups: 'id',
  runFacts: 'between',
  choices: 'circuit',
  wirings: 'id',
} as const satisfies { [K in keyof Job]?: string };
type Listed = keyof typeof NAMED;
type Item = Record<string, unknown>;
/** What there is one of, told field by field: numbers that were printed are not taken back with a line added by hand. */
type Whole = 'job' | 'order';

/** A list as a whole, where the order of its items or their number is meant. */
export const ORDER = '(order)';
/** An item as a whole, where it comes or goes. */
export const ITEM = '(item)';

/**
 * One thing about a job that is otherwise than before: a field of an item of a list, an item that comes or goes, the order of a list, or
 * a field of the job itself (`entity` job, `id` empty) or of what it says of its order (`entity` order). What is not there is undefined.
 */
export interface FieldChange {
  entity: Listed | Whole;
  id: string;
  field: string;
  before: unknown;
  after: unknown;
}

const nameIn = (entity: Listed, item: Item): string => {
  const name = item[NAMED[entity]];
  return Array.isArray(name) ? [...(name as string[])].sort().join(' ') : String(name);
};

const itemsOf = (job: Job, entity: Listed): Item[] => job[entity];

/** The names of the items of each list of a job, in their order. */
export const namesOf = (job: Job): Record<string, string[]> =>
  Object.fromEntries(LISTS.map((list) => [list, itemsOf(job, list).map((item) => nameIn(list, item))]));

type Same = (a: unknown, b: unknown) => boolean;

const fieldsOf = (
  entity: Listed | Whole,
  id: string,
  before: Item,
  after: Item,
  same: Same = isSame,
): FieldChange[] => {
  const fields = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...fields].flatMap((field) =>
    same(before[field], after[field])
      ? []
      : [{ entity, id, field, before: before[field], after: after[field] }],
  );
};

const listChanges = (before: Job, after: Job, entity: Listed, same: Same = isSame): FieldChange[] => {
  const [old, fresh] = [itemsOf(before, entity), itemsOf(after, entity)];
  if (old === fresh) return [];
  const name = (item: Item) => nameIn(entity, item);
  const known = new Map(old.map((item) => [name(item), item]));
  const now = new Map(fresh.map((item) => [name(item), item]));
  // Two of one name cannot be told apart; then the list is taken as a whole.
  if (known.size < old.length || now.size < fresh.length)
    return isSame(old, fresh) ? [] : [{ entity, id: '', field: ITEM, before: old, after: fresh }];
  const changes = fresh.flatMap((item): FieldChange[] => {
    const id = name(item);
    const was = known.get(id);
    if (was === item) return [];
    return was
      ? fieldsOf(entity, id, was, item, same)
      : [{ entity, id, field: ITEM, before: undefined, after: item }];
  });
  const gone = old.flatMap((item): FieldChange[] => {
    const id = name(item);
    return now.has(id) ? [] : [{ entity, id, field: ITEM, before: item, after: undefined }];
  });
  const [order, orderNow] = [[...known.keys()], [...now.keys()]];
  const moved = order.length !== orderNow.length || order.some((id, i) => id !== orderNow[i]);
  return [
    ...changes,
    ...gone,
    ...(moved ? [{ entity, id: '', field: ORDER, before: order, after: orderNow }] : []),
  ];
};

const LISTS = Object.keys(NAMED) as Listed[];
const isListed = (key: string): key is Listed => Object.hasOwn(NAMED, key);

/** The planned wiring follows from all the rest: that it was made anew is no change by itself. */
const isPlanned = (job: Job, { entity, id }: FieldChange): boolean =>
  entity === 'wirings' && (id === '' || job.wirings.some((one) => one.id === id && one.kind === 'planned'));

/** What is otherwise in a job than before; nothing where only the planned wiring was made anew. */
export const differenceOf = (before: Job, after: Job): FieldChange[] => {
  if (before === after) return [];
  const rest = (job: Job) =>
    Object.fromEntries(Object.entries(job).filter(([key]) => !isListed(key) && key !== 'order'));
  const others = LISTS.filter((list) => list !== 'wirings');
  const asked = [
    ...fieldsOf('job', '', rest(before), rest(after)),
    ...fieldsOf('order', '', before.order, after.order),
    ...others.flatMap((list) => listChanges(before, after, list)),
  ];
  // The text of two wirings is long. Where something else has changed, another object is taken for another wiring.
  const wirings = listChanges(before, after, 'wirings', asked.length > 0 ? Object.is : isSame);
  const counts = asked.length > 0 || wirings.some((one) => !isPlanned(before, one) && !isPlanned(after, one));
  return counts ? [...asked, ...wirings] : [];
};

/** What takes a change back. */
export const inverted = (changes: readonly FieldChange[]): FieldChange[] =>
  changes.map((one) => ({ ...one, before: one.after, after: one.before }));

const withField = (item: Item, field: string, value: unknown): Item => {
  const { [field]: _, ...others } = item;
  return value === undefined ? others : { ...item, [field]: value };
};

const withList = (items: readonly Item[], entity: Listed, changes: readonly FieldChange[]): Item[] => {
  let list = [...items];
  for (const { id, field, after } of changes) {
    if (field === ITEM && id === '') list = after as Item[];
    else if (field === ITEM)
      list =
        after === undefined ? list.filter((item) => nameIn(entity, item) !== id) : [...list, after as Item];
    else if (field === ORDER) {
      const byName = new Map(list.map((item) => [nameIn(entity, item), item]));
      list = (after as string[]).flatMap((one): Item[] => {
        const item = byName.get(one);
        return item ? [item] : [];
      });
    } else list = list.map((item) => (nameIn(entity, item) === id ? withField(item, field, after) : item));
  }
  return list;
};

/** The job with changes made, which were told of it as it is. */
export const withChanges = (job: Job, changes: readonly FieldChange[]): Job => {
  let made = job as unknown as Item;
  for (const { field, after } of changes.filter((one) => one.entity === 'job'))
    made = withField(made, field, after);
  for (const { field, after } of changes.filter((one) => one.entity === 'order'))
    made = { ...made, order: withField(made['order'] as Item, field, after) };
  for (const entity of LISTS) {
    const mine = changes.filter((one) => one.entity === entity);
    if (mine.length > 0) made = { ...made, [entity]: withList(itemsOf(job, entity), entity, mine) };
  }
  return made as unknown as Job;
};
