import {
  BUILT,
  drawMakeUp,
  judgeMakeUp,
  newWiringDoc,
  plannedWiring,
  reviewWiring,
  withDocument,
  type MakeUpLevel,
  type PracticeFault,
} from '../src/index.js';
import { doneTo } from './support/byHand.js';
import { BY_HAND } from './support/byHandCases.js';

/** What each question about the handles asks after. */
const ASKED: readonly [RegExp, string][] = [
  [/breaker/, 'trips'],
  [/ever come on/, 'never'],
  [/ever go off/, 'always'],
  [/as bright/, 'weak'],
  [/on and off together/, 'apart'],
  [/does nothing/, 'idle'],
  [/only sometimes/, 'partly'],
  [/wherever the other handles stand/, 'swayed'],
  [/live that should not be/, 'shell'],
];

const cases = Object.entries(BY_HAND).flatMap(([level, table]) =>
  table
    .trim()
    .split('\n')
    .map((line) => {
      const [acts = '', verdict = ''] = line.split('|').map((one) => one.trim());
      return { level: level as MakeUpLevel, acts, verdict: verdict.split(' ') };
    }),
);

/** Drawn once for each level: nothing of it is changed. */
const drawn = new Map<MakeUpLevel, ReturnType<typeof drawMakeUp>>();
const exerciseOf = (level: MakeUpLevel) => {
  const found = drawn.get(level) ?? drawMakeUp({ level, seed: 2, edition: 2023 });
  drawn.set(level, found);
  return found;
};

test('there are two hundred and more, of every level, none of them twice', () => {
  expect(cases.length).toBeGreaterThan(200);
  expect(new Set(cases.map(({ level, acts }) => `${level} ${acts}`)).size).toBe(cases.length);
});

test.each(cases)('$level: $acts', ({ level, acts, verdict }) => {
  const { job } = exerciseOf(level);
  const planned = plannedWiring(job);
  if (!planned) throw new Error('nothing planned');
  const wiring = doneTo(
    job,
    planned,
    acts.split(';').flatMap((one) => one.trim() || []),
  );
  const made = withDocument(job, newWiringDoc(BUILT, 'built', wiring));
  const { faults, right, working, of } = judgeMakeUp(made);
  const numberOf = (box: PracticeFault['box']) => job.boxes.findIndex(({ id }) => id === box) + 1;
  const at = ({ box }: PracticeFault) => (box === null ? '' : `@${numberOf(box)}`);
  const broken = reviewWiring(made, BUILT)?.findings.filter(({ severity }) => severity === 'violation') ?? [];
  const told = faults.flatMap((fault) => {
    if (fault.stage === 'loose') return [`loose${at(fault)}`];
    if (fault.stage === 'passes') return [];
    const word = ASKED.find(([question]) => question.test(fault.question))?.[1];
    return [`${word}${word === 'swayed' ? '' : at(fault)}`];
  });
  const works = (word: string) => ASKED.some(([, one]) => word.split('@')[0] === one);
  const rules = new Set<string>(broken.map(({ rule }) => rule));
  const expected = verdict.filter((word) => word !== 'ok');
  // All that is told of the handles, and nothing else; of the rules those that were foreseen, beside others that follow from them.
  expect(new Set(told.filter(works))).toEqual(new Set(expected.filter(works)));
  for (const word of expected.filter((one) => !works(one))) expect([...told, ...rules]).toContain(word);
  expect(right).toBe(expected.length === 0);
  if (expected.some(works)) expect(working).toBeLessThan(of);
  else expect(working).toBe(of);
});
