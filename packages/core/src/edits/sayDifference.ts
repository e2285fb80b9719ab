import { PANEL } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { isSame } from '../model/same.js';
import { circuitName, findBox } from '../model/lookup.js';
import { listed } from '../words/lists.js';
import { partsOf, placesChanged } from './wiringParts.js';
import { differenceOf, ITEM, ORDER, type FieldChange } from './difference.js';

/** What the items of a list are called, one of them; null where they are told in a way of their own. */
const THINGS: Record<FieldChange['entity'], string | null> = {
  amendments: 'Local amendment',
  stock: null,
  levels: 'Level',
  rooms: 'Room',
  doors: 'Door',
  pictures: 'Picture under the plan',
  circuits: 'Circuit',
  feeds: 'Power entry',
  boxes: 'Box',
  slots: 'Device',
  luminaires: 'Luminaire',
  groups: 'Group',
  runFacts: null,
  choices: null,
  wirings: null,
  job: null,
  order: null,
};

/** What a field is called to people; of one that is not here it is said that something changed. */
const FIELDS: Record<string, string> = {
  name: 'name',
  at: 'place',
  article: 'which box',
  mount: 'mount',
  room: 'room',
  corners: 'walls',
  width: 'width',
  height: 'height',
  breaker: 'breaker',
  awg: 'wire size',
  afci: 'arc-fault protection',
  gfci: 'ground-fault protection',
  role: 'kind',
  group: 'what controls it',
  va: 'load',
  work: 'new or existing',
  edition: 'code edition',
  preferences: 'habits',
  routing: 'way of the runs',
  labour: 'labour units',
  judgement: 'prices of judgement',
  questions: 'answers',
  answers: 'answers',
};

const WIRINGS = {
  planned: '',
  existing: 'What is there',
  found: 'What was found',
  built: 'As built',
} as const;

const textOf = (value: unknown): string | null =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : null;

type Item = { name?: unknown; box?: unknown };

/** What an item is called: its name, or that of the box it is in. */
const nameOf = (jobs: readonly Job[], { entity, id, before, after }: FieldChange): string => {
  const item = jobs.flatMap((job) =>
    entity === 'job' || entity === 'order'
      ? []
      : (job[entity] as Item[]).filter((one) => 'id' in one && one.id === id),
  )[0];
  const whole = (after ?? before) as Item | undefined;
  const named = item ?? (typeof whole === 'object' ? whole : undefined);
  const own = textOf(named?.name);
  if (own !== null) return own;
  const box =
    typeof named?.box === 'string'
      ? jobs.map((job) => findBox(job, named.box as string)).find(Boolean)
      : undefined;
  return box ? `in ${box.name}` : '';
};

/** More places are not told one by one. */
const MOST_PLACES = 6;

const nameOfPlace = (jobs: readonly Job[], place: string): string =>
  place === PANEL
    ? 'the panel'
    : (jobs.map((job) => findBox(job, place)?.name).find(Boolean) ?? 'a place that nobody knows');

const places = (jobs: readonly Job[], id: string): string =>
  listed(id.split(' ').map((place) => nameOfPlace(jobs, place)));

const fieldWords = ({ field, before, after }: FieldChange): string => {
  const word = FIELDS[field];
  if (word === undefined) return 'something about it';
  const [was, is] = [textOf(before), textOf(after)];
  return was !== null && is !== null && field !== 'group' && field !== 'room' && field !== 'article'
    ? `${word} from ${was} to ${is}`
    : word;
};

/** A wiring that was told otherwise, and at which places as far as that is known. */
export const sayWiringAt = (
  jobs: readonly Job[],
  kind: keyof typeof WIRINGS,
  at: readonly string[],
): string[] => {
  const named = [...new Set(at.map((place) => nameOfPlace(jobs, place)))];
  const said = named.length > 0 && named.length <= MOST_PLACES ? ` at ${listed(named)}` : '';
  return kind === 'planned' ? [] : [`${WIRINGS[kind]}: told otherwise${said}`];
};

/** The changes of one item in a sentence. */
const sayItem = (jobs: readonly Job[], changes: readonly FieldChange[]): string => {
  const [first] = changes;
  if (!first) return '';
  const { entity, id } = first;
  const came = changes.find(({ field }) => field === ITEM);
  const verb = came
    ? came.before === undefined
      ? 'came'
      : came.after === undefined
        ? 'was taken away'
        : 'changed'
    : null;
  if (entity === 'choices')
    return `${circuitName(jobs.at(-1) as Job, id)}: ${verb === 'was taken away' ? 'no way is chosen any more' : 'another way was chosen'}`;
  if (entity === 'runFacts')
    return `Run between ${places(jobs, id)}: ${verb === 'was taken away' ? 'what was told of it was taken back' : 'its length or way was told'}`;
  if (entity === 'wirings') {
    const told = jobs.flatMap((job) =>
      job.wirings
        .filter((one) => one.id === id)
        .map((document) => ({ document, parts: partsOf(document, job) })),
    );
    const [was, is] = [told[0], told.at(-1)];
    const at = was && is && was !== is ? [...placesChanged(was.parts, is.parts)] : [];
    return sayWiringAt(jobs, was?.document.kind ?? 'planned', at).join('');
  }
  const fields = [...new Set(changes.filter(({ field }) => !field.startsWith('(')).map(fieldWords))];
  if (entity === 'job') return `The job: ${listed(fields)}`;
  if (entity === 'order') return 'The order: something about it';
  const name = nameOf(jobs, first);
  const thing = `${THINGS[entity] ?? entity}${name === '' ? '' : ` ${name}`}`;
  return verb === null ? `${thing}: ${listed(fields)}` : `${thing} ${verb}`;
};

/** Changes in sentences, one for each thing; jobs are those from which names are known, the last the newest. */
export const sayChanges = (jobs: readonly Job[], changes: readonly FieldChange[]): string[] => {
  const items = new Map<string, FieldChange[]>();
  let articles = 0;
  for (const change of changes) {
    // The order of a list shows by itself, and articles are many. A wiring that was read anew is the same one.
    if (change.field === ORDER) continue;
    if (change.entity === 'wirings' && isSame(change.before, change.after)) continue;
    if (change.entity === 'stock') articles++;
    else {
      const key = `${change.entity} ${change.id}`;
      items.set(key, [...(items.get(key) ?? []), change]);
    }
  }
  const told = [...items.values()].map((one) => sayItem(jobs, one)).filter((words) => words !== '');
  return [
    ...new Set([
      ...told,
      ...(articles > 0
        ? [`Catalog of the job: ${articles === 1 ? 'one change' : `${articles} changes`}`]
        : []),
    ]),
  ];
};

/** What is otherwise in a job than before, a sentence for each thing; none where nothing is. */
export const sayDifference = (before: Job, after: Job): string[] =>
  sayChanges([before, after], differenceOf(before, after));
