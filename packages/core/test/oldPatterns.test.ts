import {
  createFinder,
  mendTrouble,
  reviewWiring,
  sayTrouble,
  type CircuitId,
  type Job,
  type Observation,
} from '../src/index.js';
import { oldPatternsOf } from '../src/diagnosis/oldPatterns.js';
import { houseWith } from './support/house.js';
import { inLine, old } from './support/oldWork.js';

const C1 = 'c1' as CircuitId;

/** A pair in line, of old work, with so many wires to its second switch. */
const pair = (article: string): Job => {
  const job = old(inLine);
  return {
    ...job,
    circuits: job.circuits.map((one) => ({ ...one, afci: 'no' as const, gfci: 'no' as const })),
    wirings: job.wirings.map((document) => ({
      ...document,
      wiring: {
        ...document.wiring,
        cables: document.wiring.cables.map((cable) =>
          cable.to === 'S2' ? { ...cable, article: article as never } : cable,
        ),
      },
    })),
  };
};
const finderOf = (job: Job) => {
  const review = reviewWiring(job, 'existing');
  if (!review) throw new Error('nothing is there');
  return { review, finder: createFinder(review, C1) };
};

test('a pair of old work may have hot and neutral on its travelers; new work, and what does not work so, may not', () => {
  const { finder } = finderOf(pair('14-3'));
  const [pattern, ...others] = oldPatternsOf(finder.scope, 'old').filter(
    ({ troubles: [one] }) => one?.kind === 'oldPattern' && one.habit === 'switchedNeutral',
  );
  expect(others).toEqual([]);
  expect(pattern?.places.length).toBeGreaterThan(1);
  expect(oldPatternsOf(finder.scope, 'new')).toEqual([]);
  // Boxes that nobody has looked into are likelier to be so.
  const assumed = { ...finder.scope, assumed: new Set(['S1', 'S2']) };
  const more = oldPatternsOf(assumed, 'old').find(({ places }) => places.length === pattern?.places.length);
  expect(more?.weight).toBeGreaterThan((pattern?.weight ?? 0) * 5);
});

test('a lamp that is dark with both its terminals hot tells the pattern, which is never called working', () => {
  const { review, finder } = finderOf(pair('14-3'));
  const [pattern] = oldPatternsOf(finder.scope, 'old').filter(
    ({ troubles: [one] }) => one?.kind === 'oldPattern' && one.habit === 'switchedNeutral',
  );
  if (!pattern) throw new Error('no pattern');
  const house = houseWith(finder.scope, pattern.troubles);
  if (!house) throw new Error('no house');
  const asking = { positions: {}, history: 'old' as const, isElectrician: true };
  const [flip] = finder.at([], asking).questions.map((one) => one.question);
  if (flip?.kind !== 'flip') throw new Error('no handle');
  const [s1, s2] = finder.scope.groups[0]?.devices ?? [];
  const [lamp] = finder.scope.luminaires;
  const seen: Observation[] = [];
  for (const positions of [0, 1].flatMap((a) => [0, 1].map((b) => ({ [s1 ?? '']: a, [s2 ?? '']: b })))) {
    const question = {
      kind: 'volts' as const,
      box: 'L' as never,
      a: `luminaire|${lamp ?? ''}|neutral`,
      b: `luminaire|${lamp ?? ''}|ground`,
      positions,
    };
    seen.push({ question, answer: house.answer(question) });
  }
  // Somewhere its neutral side is at 120 V, which no luminaire of a circuit as drawn ever is.
  expect(seen.map(({ answer }) => (answer.kind === 'is' ? answer.word : answer.kind))).toContain('120');
  const { suspects } = finder.at(seen, asking);
  const held = suspects.filter(({ against }) => against === 0);
  const patterns = held.flatMap(({ hypothesis }) =>
    hypothesis.troubles.filter(({ kind }) => kind === 'oldPattern'),
  );
  expect(patterns).toContainEqual(pattern.troubles[0]);
  expect(held.some(({ hypothesis }) => hypothesis.troubles.length === 0)).toBe(false);
  const [trouble] = pattern.troubles;
  if (!trouble) throw new Error('no trouble');
  expect(sayTrouble(review.job, finder.scope.near, trouble)).toMatch(
    /a lamp that is dark may have both of its terminals hot/,
  );
  expect(mendTrouble(review.job, finder.scope.near, trouble).join(' ')).toMatch(
    /It works and endangers all the same/,
  );
});
