import {
  differenceOf,
  inverted,
  readPocketTicks,
  withChanges,
  withNumbers,
  writePocketTicks,
} from '../src/index.js';
import type { CableId, PocketTicks, SiteRecord } from '../src/index.js';
import { yard } from './support/yard.js';

const record = (of: Partial<SiteRecord> = {}): SiteRecord => ({
  id: 'one',
  kind: 'tick',
  version: 1,
  about: { kind: 'fact', id: 'a step', wiring: null, revision: null, hash: '0123456789abcdef' },
  body: {},
  retracts: null,
  by: 'JS',
  at: '2026-11-29T10:00:00.000Z',
  ...of,
});

const job = yard();
const ticks = (of: Partial<PocketTicks> = {}): PocketTicks => ({
  pocketTicks: 1,
  job: job.id,
  circuit: job.circuits[0]!.id,
  records: [record()],
  ...of,
});

test('the ticks of a pocket circuit come back as they were made', () => {
  expect(readPocketTicks(writePocketTicks(ticks()), job.id)).toEqual({ ok: true, records: [record()] });
});

test.each([
  ['text', 'file', /not JSON/],
  [JSON.stringify(job), 'file', /not the ticks of a pocket circuit/],
  [writePocketTicks(ticks({ job: 'another' as never })), 'job', /of another job/],
  [writePocketTicks(ticks({ records: [record({ by: 'x'.repeat(61) })] })), 'records.0.by', /./],
  [
    writePocketTicks(
      ticks({
        records: [record(), record({ id: 'two', kind: 'note', body: { text: 'hello' } })],
      }),
    ),
    'records.1.kind',
    /nothing else/,
  ],
])('what is no tick of this job is refused with where it stands', (text, path, words) => {
  const read = readPocketTicks(text, job.id);
  expect(read).toMatchObject({ ok: false, faults: [{ path }] });
  expect(read.ok ? '' : read.faults[0]?.message).toMatch(words);
});

test('a line that is taken back leaves numbers that were printed meanwhile', () => {
  const extra = { ...job, order: { ...job.order, fromTruck: { '14-4': 20 } } };
  const line = differenceOf(job, extra);
  expect(line).toMatchObject([{ entity: 'order', field: 'fromTruck' }]);
  const printed = withNumbers(extra, new Map([['a cable' as CableId, 7]]));
  const back = withChanges(printed, inverted(line));
  expect(back.order).toEqual({ ...job.order, numbers: { 'a cable': 7 } });
  expect(withChanges(back, differenceOf(back, printed))).toEqual(printed);
});
