import fc from 'fast-check';
import {
  COURSE,
  dayOf,
  MAKE_UP_LEVELS,
  nextOf,
  BENCH_KINDS,
  PLAN_LEVELS,
  RETURNS,
  skillKey,
  standingsOf,
  type Practised,
  type Standing,
} from '../src/index.js';

const NOON = Date.UTC(2026, 2, 2, 12);
const DAY = 86_400_000;
const at = (days: number): string => new Date(NOON + days * DAY).toISOString();
const TODAY = dayOf(new Date(NOON), 0);

const answered = (days: number, outcome: Practised['outcome'], more: Partial<Practised> = {}): Practised => ({
  ...{ id: `p-${days}`, learner: 'Una Reed', kind: 'makeUp', level: 'fourWay', seed: 1, edition: 2023 },
  ...{ outcome, stopped: 0, at: at(days) },
  ...more,
});
/** How it stands with the one skill that `answered` is of; its day counted from the first. */
const fourWay = (all: readonly Practised[]): Standing & { in: number | null } => {
  const found = standingsOf(all, 0).find((one) => skillKey(one) === 'makeUp fourWay');
  if (!found) throw new Error('not in the course');
  return { ...found, in: found.due === null ? null : found.due - TODAY };
};

test('the course goes from the easiest circuit to the last, each kind on each', () => {
  expect(COURSE.length).toBe(Object.keys(MAKE_UP_LEVELS).length * BENCH_KINDS.length + PLAN_LEVELS.length);
  expect(new Set(COURSE.map(skillKey)).size).toBe(COURSE.length);
  expect(COURSE[0]).toEqual({ kind: 'makeUp', level: 'poleAtSwitch' });
  expect(COURSE.at(-1)).toEqual({ kind: 'planIt', level: 'living' });
});

test('what was missed comes back after a day, three, ten; then later and later', () => {
  const missed = [answered(0, 'missed')];
  expect(fourWay(missed)).toMatchObject({ in: 1, isLearned: false, tried: 1, right: 0 });
  const once = [...missed, answered(1, 'right')];
  expect(fourWay(once)).toMatchObject({ in: 1 + 3, isLearned: true, tried: 2, right: 1 });
  const twice = [...once, answered(4, 'right')];
  expect(fourWay(twice).in).toBe(4 + 10);
  const thrice = fourWay([...twice, answered(14, 'right')]);
  expect(thrice.in).toBeGreaterThan(14 + 10);
  // Missed again, it begins again.
  expect(fourWay([...twice, answered(14, 'right'), answered(40, 'missed')]).in).toBe(41);
});

test('with help it comes back after as many days again; right before its day it keeps its day', () => {
  const missed = [answered(0, 'missed'), answered(1, 'right')];
  expect(fourWay([...missed, answered(4, 'helped')])).toMatchObject({ in: 4 + 3, isLearned: false });
  expect(fourWay([...missed, answered(1.1, 'right'), answered(1.2, 'right')]).in).toBe(1 + 3);
});

test('what came out right at once comes back later than what was missed, and later each time', () => {
  const first = fourWay([answered(0, 'right')]).in ?? 0;
  expect(first).toBeGreaterThan(1);
  const second = (fourWay([answered(0, 'right'), answered(first, 'right')]).in ?? 0) - first;
  expect(second).toBeGreaterThan(first);
});

test('a day is that of the learner: what was missed in the evening is back in the morning', () => {
  // 22:30 on March 2 by a clock five hours behind UTC.
  const evening = { ...answered(0, 'missed'), at: '2026-03-03T03:30:00.000Z' };
  const [standing] = standingsOf([evening], 300).filter(({ tried }) => tried > 0);
  const morning = dayOf(new Date('2026-03-03T12:00:00.000Z'), 300);
  expect(standing?.due).toBe(morning);
});

/** The returns after a miss said again, slowly: how many days since the last step that counted. */
const slowDue = (all: readonly Practised[]): number | null => {
  const at = all.map((one) => ({ ...one, day: Math.floor(Date.parse(one.at) / DAY) }));
  const last = at.map(({ outcome }) => outcome).lastIndexOf('missed');
  if (last < 0) return null;
  let step = 0;
  let from = at[last]?.day ?? 0;
  for (const { outcome, day } of at.slice(last + 1)) {
    const wait = [1, 3, 10][step];
    if (wait === undefined) return null;
    if (day - from < wait) continue;
    if (outcome === 'right') step += 1;
    from = day;
  }
  const wait = [1, 3, 10][step];
  return wait === undefined ? null : from + wait;
};

test('returns agree with their slow twin, whatever was answered; nothing comes back before the next day', () => {
  const outcome = fc.constantFrom<Practised['outcome']>('right', 'right', 'helped', 'missed');
  let inReturns = 0;
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 0, max: 12 }), outcome), { minLength: 1, maxLength: 14 }),
      fc.infiniteStream(fc.nat(9999)),
      (told, order) => {
        let day = 0;
        const all = told.map(([wait, of], i) => {
          day += wait;
          return answered(day, of, { id: `p-${i}`, at: new Date(NOON + day * DAY + i * 1000).toISOString() });
        });
        const { due, tried, right, last } = fourWay(all);
        const slow = slowDue(all);
        if (slow !== null) {
          inReturns += 1;
          expect(due).toBe(slow);
        }
        expect(due).toBeGreaterThan(dayOf(new Date(all.at(-1)?.at ?? 0), 0) - 1);
        expect([tried, right]).toEqual([all.length, all.filter((one) => one.outcome === 'right').length]);
        expect(last?.at).toBe(all.at(-1)?.at);
        // In whatever order it came in.
        const mixed = [...all].sort(() => ((order.next().value ?? 0) % 3) - 1);
        expect(fourWay(mixed)).toEqual(fourWay(all));
      },
    ),
    { seed: 24, numRuns: 300 },
  );
  expect(inReturns).toBeGreaterThan(100);
});

test('what is longest due comes first; then what was never tried, in the order of the course', () => {
  const late = answered(-9, 'missed', { id: 'a', kind: 'sizeIt', level: 'poleAtLight' });
  const standings = standingsOf(
    [answered(-3, 'missed'), late, answered(0, 'missed', { id: 'c', level: 'twoGroups' })],
    0,
  );
  const { back, fresh } = nextOf(standings, TODAY);
  expect(back.map(skillKey)).toEqual(['sizeIt poleAtLight', 'makeUp fourWay']);
  expect(fresh).toMatchObject({ kind: 'makeUp', level: 'poleAtSwitch', tried: 0 });
  expect(RETURNS[0]).toBe(1);
  expect(nextOf(standings, TODAY + 1).back.length).toBe(3);
});
