import type * as z from 'zod';

const quoted = (one: unknown): string => (typeof one === 'string' ? `"${one}"` : JSON.stringify(one));

/** What a value of a file is, as one would read it off. */
const whatItIs = (value: unknown): string => {
  if (value === undefined) return 'it is missing';
  if (value === null) return 'it is empty (null)';
  if (Array.isArray(value)) return 'it is a list';
  if (typeof value === 'object') return 'it is a group of fields';
  if (typeof value === 'number' || typeof value === 'boolean') return `it is ${value}`;
  const text = typeof value === 'string' ? value : '';
  return `it is the text "${text.length > 40 ? `${text.slice(0, 40)} …` : text}"`;
};

const TYPES: Record<string, string> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  tuple: 'a list',
  object: 'a group of fields',
  record: 'a group of fields',
  null: 'empty (null)',
};

const sized = (origin: string, count: number | bigint): string =>
  origin === 'string'
    ? `${count} characters`
    : origin === 'array' || origin === 'set'
      ? `${count} entries`
      : String(count);

/** What is wrong with a value of a file, in words that need no knowledge of programs. */
export const sayIssue = (issue: z.core.$ZodIssue, value: unknown): string => {
  switch (issue.code) {
    case 'unrecognized_keys':
      // A field that the format does not know is told, not dropped: it may be a known one misspelled.
      return `the format has no field ${issue.keys.map((key) => `"${key}"`).join(', ')} here; check the spelling`;
    case 'invalid_type':
      return `it should be ${TYPES[issue.expected] ?? issue.expected}; ${whatItIs(value)}`;
    case 'invalid_value':
      return `it should be ${issue.values.length > 1 ? 'one of ' : ''}${issue.values.map(quoted).join(', ')}; ${whatItIs(value)}`;
    case 'too_small':
      return `it should ${issue.origin === 'number' ? 'be' : 'have'} at least ${sized(issue.origin, issue.minimum)}`;
    case 'too_big':
      return `it should ${issue.origin === 'number' ? 'be' : 'have'} at most ${sized(issue.origin, issue.maximum)}`;
    default:
      return issue.message;
  }
};

/** What the lists of a job file hold. */
const NOUNS: Record<string, string> = {
  levels: 'floor',
  rooms: 'room',
  doors: 'door',
  boxes: 'box',
  slots: 'switch or receptacle',
  luminaires: 'luminaire',
  groups: 'control group',
  circuits: 'circuit',
  feeds: 'feed',
  runFacts: 'run',
  choices: 'way of a circuit',
  wirings: 'wiring',
  pictures: 'picture',
  stock: 'article',
  amendments: 'local rule',
};

/** Where in a job something stands, as a person would point at it: `the box "Stair foot", its "at.z"`. Null for what is of the job as a whole. */
export const sayWhere = (document: unknown, path: readonly (string | number)[]): string | null => {
  const [list, at, ...fields] = path;
  const noun = typeof list === 'string' ? NOUNS[list] : undefined;
  if (noun === undefined || typeof at !== 'number') return null;
  const one = (document as Record<string, unknown[] | undefined>)[list as string]?.[at] as
    { name?: unknown; id?: unknown } | undefined;
  const name = [one?.name, one?.id].find((said) => typeof said === 'string' && said !== '');
  const which = name === undefined ? `the ${noun} ${at + 1}` : `the ${noun} ${quoted(name)}`;
  return fields.length === 0 ? which : `${which}, its "${fields.join('.')}"`;
};
