import { readdirSync, readFileSync } from 'node:fs';
import {
  articlesOf,
  drawBox,
  facesOf,
  isLuminaireKept,
  parseJobFile,
  placeOnFace,
  plannedWiring,
  planJob,
  readJob,
  reviewJob,
  standardStock,
  tellsApart,
  writeJobFile,
  type Job,
} from '../src/index.js';
import { migrated } from '../src/formats/migrations.js';
import { JOB_FORMAT } from '../src/model/job.js';

const folder = new URL('./fixtures/shapes/', import.meta.url);

/** Job files as versions of the program wrote them that were in use: of the tar store with its wiring, of the yard as it is loaded. */
const files = readdirSync(folder).map((name) => ({
  name,
  document: JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as { format: number; stock?: unknown },
}));

const read = (document: object): Job => {
  const result = readJob({ stock: standardStock(), ...document });
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.job;
};

test('there is a file of every format, and a way from each to the next', () => {
  const formats = new Set(files.map(({ document }) => document.format));
  expect([...formats].sort((a, b) => a - b)).toEqual(Array.from({ length: JOB_FORMAT }, (_, i) => i + 1));
  for (let from = 1; from < JOB_FORMAT; from++)
    expect(migrated({ format: from }, from, from + 1)).toMatchObject({ format: from + 1 });
  expect(() => migrated({}, JOB_FORMAT, JOB_FORMAT + 1)).toThrow('There is no way');
});

test.each(files)('$name is read, planned to its end, and written so that it reads again', ({ document }) => {
  const job = read(document);
  expect(job.format).toBe(JOB_FORMAT);
  const { job: planned, circuits } = planJob(job);
  const refused = circuits.filter(({ outcome }) => !outcome.ok).map(({ circuit }) => circuit.id);
  // Of the yard, what nobody has chosen a way for is planned when it is loaded.
  const chosen = new Set<string>(job.choices.map((one) => one.circuit));
  expect(refused.filter((id) => chosen.has(id))).toEqual([]);
  const again = parseJobFile(writeJobFile(planned));
  expect(again).toEqual({ ok: true, job: planned });
});

const stores = files.filter(({ name }) => name.startsWith('tar-store'));

test.each(stores)(
  'the wiring that $name holds is the one that is planned today, box by box',
  ({ document }) => {
    const job = read(document);
    const before = plannedWiring(job);
    const { job: planned, proofs, findings } = reviewJob(job);
    const now = plannedWiring(planned);
    if (!before || !now) throw new Error('no wiring');
    // What a step is about keeps its id, so that what was ticked off then still stands.
    const ids = ({ cables, devices, joints }: typeof now) =>
      [cables, devices, joints].map((list) => list.map((one) => one.id).sort());
    expect(ids(now)).toEqual(ids(before));
    expect(proofs.map(({ working, positions }) => [working, positions])).toEqual([[2, 2]]);
    expect(findings.filter((one) => one.severity === 'violation')).toEqual([]);
  },
);

test('screws that sat otherwise are a device of its own: picture and steps show them where they did', () => {
  const file = files.find(({ name }) => name.startsWith('long-shed'));
  if (!file) throw new Error('no file');
  const job = read(file.document);
  const slot = job.slots.find((one) => one.id === 'river-switch-slot');
  expect(slot?.article).toBe('four-way-15-otherwise');
  expect(job.slots.filter((one) => one.article === null).map((one) => one.id)).toEqual([
    'yard-switch-slot',
    'ladder-switch-slot',
  ]);
  const before = plannedWiring(job);
  const { job: again, circuits } = planJob(job);
  const now = plannedWiring(again);
  if (!before || !now || !slot) throw new Error('no wiring');
  expect(circuits.every(({ outcome }) => outcome.ok)).toBe(true);
  expect(now.devices).toEqual(before.devices);
  expect([now.landings, now.joints].map((list) => list.length)).toEqual(
    [before.landings, before.joints].map((list) => list.length),
  );
  const { fixtures } = drawBox(again, now, slot.box);
  const pins = fixtures.flatMap((one) => one.pins.map(({ name, part }) => `${name}: ${placeOnFace(part)}`));
  expect(pins).toEqual([
    'in 1: high at the left',
    'in 2: low at the left',
    'out 1: high at the right',
    'out 2: low at the right',
    'ground: low at the left',
  ]);
  // The other faces of the standard stock can be picked in an old job too.
  expect(facesOf(again, 'three-way-15').map((one) => one.id)).toEqual([
    'three-way-15',
    'three-way-15-otherwise',
    'three-way-15-common-alone',
    'three-way-15-common-below',
  ]);
});

test('a device of any twelve terminals gets a face that draws and tells each of them', () => {
  const uses = [
    'line',
    'load',
    'hot',
    'hot',
    'hot',
    'neutral',
    'neutral',
    'in',
    'in',
    'out',
    'traveler',
    'ground',
  ];
  const device = {
    ...{ kind: 'device', id: 'odd', name: 'Odd', letter: 'S', amperes: 15, gangs: 1 },
    terminals: uses.map((use, i) => ({ name: `terminal ${i}`, use })),
    positions: [{ name: 'on', connected: [] }],
  };
  const [file] = files.filter(({ document }) => document.format === 2);
  const job = read({ ...file?.document, stock: [...standardStock(), device] });
  const odd = articlesOf(job.stock, 'device').find((one) => one.id === 'odd');
  expect(new Set(odd?.terminals.map((one) => tellsApart(one.face))).size).toBe(12);
});

test('what no version wrote is refused, never guessed', () => {
  const [one] = files;
  for (const format of [0, -1, 1.5, JOB_FORMAT + 1, '1', null])
    expect(readJob({ stock: [], ...one?.document, format }).ok).toBe(false);
});

test('a plan of format 4 that had dropped an old cable from the list names it as given up, and stays the plan that it was', () => {
  const folder4 = files.find(({ name }) => name === 'heron-yard-8.json')?.document as unknown as {
    existingCables: { id: string }[];
    choices: { circuit: string; givenUp?: string[] }[];
  };
  const now = read(folder4);
  const given = folder4.choices.flatMap(({ givenUp }) => givenUp ?? []);
  expect(given).toHaveLength(1);
  const before = {
    ...folder4,
    format: 4,
    existingCables: folder4.existingCables.filter(({ id }) => !given.includes(id)),
    choices: folder4.choices.map(({ givenUp: _, ...one }) => one),
  };
  const brought = read(before);
  expect(brought.choices.flatMap(({ givenUp }) => givenUp ?? [])).toEqual(given);
  expect(reviewJob(brought).wiring).toEqual(reviewJob(now).wiring);
});

test('a luminaire that format 4 tells of on a wire is there, and is not taken for one that comes in its place', () => {
  const file = files.find(({ name }) => name === 'heron-yard-7.json')?.document as unknown as {
    luminaires: { id: string; existing?: boolean }[];
  };
  const forgotten = {
    ...file,
    luminaires: file.luminaires.map(({ existing: _, ...one }) => one),
  };
  const lamp = (job: Job, id: string) => {
    const one = job.luminaires.find((known) => known.id === id);
    return one && isLuminaireKept(job, one);
  };
  const job = read(forgotten);
  expect([lamp(job, 'stair-lamp'), lamp(job, 'loft-lamp')]).toEqual([true, true]);
  // One that nothing is told of is as it was.
  const told = new Set(['stair-lamp', 'loft-lamp']);
  for (const { id } of file.luminaires) if (!told.has(id)) expect([id, lamp(job, id)]).toEqual([id, false]);
});

test('minutes of a splice that a file of before tells hold for every family of connectors', () => {
  const [older] = files.filter(({ document }) => document.format === 7);
  const job = read({ ...older?.document, labour: { splice: 2 } });
  expect(new Set(Object.values(job.labour.splice))).toEqual(new Set([2]));
});
