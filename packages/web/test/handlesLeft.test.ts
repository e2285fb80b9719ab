import { sheetOf, type DeviceId, type SiteRecord } from '@amber/core';
import { handlesLeft, lastLeft } from '../src/screens/prove/handlesLeft.js';
import { reviewOf } from '../src/store/review.js';
import { few } from './support/yard.js';

const sheet = sheetOf(reviewOf(few('ropewalk-lights', 'tar-store-light')), null);
const [first, second] = sheet.groups;
if (!first || !second) throw new Error('not two groups');
const [near, far] = first.handles.map(({ device }) => device) as [DeviceId, DeviceId];

const record = (id: string, more: Partial<SiteRecord>): SiteRecord => ({
  ...{
    id,
    kind: 'testStep',
    version: 1,
    body: { expected: '', met: true, saw: '' },
    retracts: null,
    by: 'JS',
  },
  ...{ at: '2025-03-02T14:05:00.000Z', device: '' },
  about: { kind: 'fact', id: '', wiring: null, revision: null, hash: null },
  ...more,
});
const step = (id: string, row: string, more: Partial<SiteRecord> = {}) =>
  record(id, { about: { kind: 'fact', id: row, wiring: null, revision: null, hash: null }, ...more });
const flip = (id: string, positions: Record<string, number>, kind: string) =>
  record(id, {
    kind: 'observed',
    about: { kind: 'circuit', id: first.circuit, wiring: null, revision: null, hash: null },
    body: {
      words: 'seen',
      seen: {
        question: { kind: 'flip', positions },
        answer: kind === 'lights' ? { kind, seen: {} } : { kind },
      },
    },
  });

test('each answer tells where the handles of its row stand, on the sheet and in the finder, in the order in which they came', () => {
  const [one, other] = first.rows;
  if (!one || !other) throw new Error('no rows');
  const left = handlesLeft(
    [
      step('a', one.id),
      flip('b', { [near]: 1, [far]: 0 }, 'lights'),
      step('c', other.id),
      step('d', 'try/elsewhere'),
    ],
    sheet,
  );
  expect(left.map(({ record: { id }, positions }) => [id, positions])).toEqual([
    ['a', one.positions],
    ['b', { [near]: 1, [far]: 0 }],
    ['c', other.positions],
  ]);
  expect(lastLeft(left, [near, far])?.id).toBe('c');
  // Of the handles of another group they tell nothing.
  expect(
    lastLeft(
      left,
      second.handles.map(({ device }) => device),
    ),
  ).toBeNull();
});

test('what nobody could try, what was taken back, and what tells of no handle leaves none', () => {
  const [one] = first.rows;
  if (!one) throw new Error('no rows');
  const back = record('r', {
    kind: 'retraction',
    about: { kind: 'job', id: 'yard', wiring: null, revision: null, hash: null },
    body: {},
    retracts: 'a',
  });
  expect(handlesLeft([step('a', one.id), back], sheet)).toEqual([]);
  expect(handlesLeft([flip('b', { [near]: 1 }, 'cannot')], sheet)).toEqual([]);
  expect(handlesLeft([record('c', { kind: 'note', body: { text: 'dark' } })], sheet)).toEqual([]);
});
