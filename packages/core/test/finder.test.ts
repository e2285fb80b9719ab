import fc from 'fast-check';
import { createFinder, reviewJob } from '../src/index.js';
import { modelOf, predicted, TRIPPED } from '../src/diagnosis/model.js';
import { ANSWERS, questionKey } from '../src/diagnosis/question.js';
import { questionsNow } from '../src/diagnosis/questions.js';
import { compile } from '../src/circuit/compile.js';
import { hypothesesOf, type Hypothesis } from '../src/faults/hypotheses.js';
import type { Trouble } from '../src/faults/trouble.js';
import { anyFullJob } from './support/fullJobs.js';
import { houseWith, searched } from './support/house.js';
import { yard } from './support/yard.js';

const theYard = reviewJob(yard());
const finders = [theYard, ...fc.sample(anyFullJob, { seed: 7, numRuns: 1 }).map(reviewJob)].flatMap(
  (review) =>
    review.job.circuits
      .map(({ id }) => createFinder(review, id))
      .filter(({ scope }) => scope.groups.length > 0)
      .map((finder) => ({ review, finder })),
);
const singlesOf = (
  { scope }: (typeof finders)[number]['finder'],
  history: 'new' | 'old' = 'new',
): Hypothesis[] =>
  hypothesesOf({
    ...{ wiring: scope.near, parts: scope.parts, boxes: scope.boxes, luminaires: scope.luminaires },
    ...{ circuits: [scope.circuit], assumed: new Set<string>(), history },
  }).filter(({ troubles }) => troubles[0]?.kind !== 'otherwise');
/** Numbers from 0 to 1, the same ones each time. */
const numbersFrom = (seed: number) => {
  let at = seed;
  return () => (at = (at * 16_807) % 2_147_483_647) / 2_147_483_647;
};
const drawn = <T>(all: readonly T[], weightOf: (one: T) => number, number: number): T => {
  let left = number * all.reduce((sum, one) => sum + weightOf(one), 0);
  const found = all.find((one) => (left -= weightOf(one)) < 0) ?? all[0];
  if (found === undefined) throw new Error('nothing to draw from');
  return found;
};
const isSame = (a: readonly Trouble[], b: readonly Trouble[]) => JSON.stringify(a) === JSON.stringify(b);

test('what a hypothesis says of a flip, a dead and a live reading is what the house itself does, by nodal analysis and by walking the copper', () => {
  const number = numbersFrom(11);
  let compared = 0;
  for (const { finder } of finders) {
    const { scope } = finder;
    const healthy = compile(scope.near, scope.parts);
    const [box] = scope.boxes.filter((one) => scope.near.devices.some((device) => device.box === one));
    const situation = { positions: {}, open: new Set(box ? [box] : []) };
    const singles = singlesOf(finder);
    for (let k = 0; k < 6; k++) {
      const hidden = drawn(singles, () => 1, number());
      const [house, model] = [houseWith(scope, hidden.troubles), modelOf(scope, hidden)];
      if (!house || !model) continue;
      const held = singles.slice(0, 40).flatMap((one) => {
        const made = modelOf(scope, one);
        return made ? [{ model: made, share: 1 }] : [];
      });
      for (const question of questionsNow(scope, situation, { healthy, held }, [], true)) {
        const answer = house.answer(question);
        const said = predicted(scope, model, question);
        if (said === '?' || said.includes('?') || answer.kind === 'cannot') continue;
        const seen =
          answer.kind === 'tripped'
            ? TRIPPED
            : answer.kind === 'is'
              ? answer.word
              : scope.luminaires
                  .map((id) => ({ lit: 'l', dim: 'm', dark: 'd', flickers: 'f' })[answer.seen[id] ?? 'dark'])
                  .join('');
        expect([hidden.troubles, questionKey(question), said]).toEqual([
          hidden.troubles,
          questionKey(question),
          seen,
        ]);
        compared++;
      }
    }
  }
  expect(compared).toBeGreaterThan(800);
});

test('of random single faults the true one is found, and is among those that nothing speaks against', () => {
  const number = numbersFrom(5);
  const asked: number[] = [];
  for (const { finder } of finders)
    for (let k = 0; k < 2; k++) {
      const hidden = drawn(singlesOf(finder), ({ weight }) => weight, number());
      const house = houseWith(finder.scope, hidden.troubles);
      if (!house) continue;
      const { last, observations } = searched(finder, house);
      // What no handle shows is told as such; it stands under where a box bites.
      if (last.state === 'nothingSeen') continue;
      expect([hidden.troubles, last.state]).toEqual([hidden.troubles, 'found']);
      const left = last.suspects.filter(({ against }) => against === 0);
      expect(left.some((one) => isSame(one.hypothesis.troubles, hidden.troubles))).toBe(true);
      asked.push(observations.length);
    }
  expect(asked.length).toBeGreaterThan(15);
  expect(asked.sort((a, b) => a - b)[Math.floor(asked.length / 2)]).toBeLessThanOrEqual(6);
});

test('with one answer in ten wrong, the true place is found nearly always', () => {
  const number = numbersFrom(23);
  let [found, all] = [0, 0];
  for (const { finder } of finders.slice(0, 5))
    for (let k = 0; k < 2; k++) {
      const hidden = drawn(singlesOf(finder), ({ weight }) => weight, number());
      const house = houseWith(finder.scope, hidden.troubles);
      if (!house || searched(finder, house).last.state === 'nothingSeen') continue;
      const { last } = searched(finder, house, {
        wrong: (answer, question) => {
          if (number() > 0.1 || question.kind === 'look' || question.kind === 'panel') return answer;
          if (answer.kind === 'lights')
            return {
              kind: 'lights',
              seen: Object.fromEntries(
                Object.entries(answer.seen).map(([id, seen]) => [id, seen === 'lit' ? 'dark' : 'lit']),
              ),
            };
          if (answer.kind !== 'is' || question.kind === 'flip') return answer;
          // Who misreads a meter misreads it to something else; nobody takes a breaker that is on for one that is off.
          const others = ANSWERS[question.kind].filter((word) => word !== answer.word);
          return question.kind === 'continuity' ? { kind: 'is', word: others[0] ?? answer.word } : answer;
        },
      });
      all++;
      if (last.state === 'found') found++;
    }
  expect(found / all).toBeGreaterThanOrEqual(0.9);
});

test('where no single fault fits, pairs do: one of the two is found, or the boxes that hold them are told', () => {
  const number = numbersFrom(41);
  let [told, all] = [0, 0];
  for (const { finder } of finders.slice(0, 8))
    for (let k = 0; k < 2; k++) {
      const singles = singlesOf(finder);
      const two = [0, 1].map(() => drawn(singles, ({ weight }) => weight, number()));
      const hidden = two.flatMap(({ troubles }) => troubles);
      const house = houseWith(finder.scope, hidden);
      if (!house) continue;
      const { last } = searched(finder, house);
      if (last.state === 'nothingSeen') continue;
      all++;
      if (last.state === 'found') told++;
    }
  expect(told / all).toBeGreaterThanOrEqual(0.9);
});
