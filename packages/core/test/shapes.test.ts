import { readdirSync, readFileSync } from 'node:fs';
import {
  parseJobFile,
  plannedWiring,
  planJob,
  readJob,
  reviewJob,
  standardStock,
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
  expect([...formats].sort()).toEqual(Array.from({ length: JOB_FORMAT }, (_, i) => i + 1));
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

test('what no version wrote is refused, never guessed', () => {
  const [one] = files;
  for (const format of [0, -1, 1.5, JOB_FORMAT + 1, '1', null])
    expect(readJob({ stock: [], ...one?.document, format }).ok).toBe(false);
});
