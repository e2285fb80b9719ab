import fc from 'fast-check';
import {
  benchPath,
  circuitAt,
  findPath,
  jobIn,
  jobPath,
  layoutPath,
  provePartIn,
  startPath,
  wiresPath,
  wiringIn,
} from '../src/parts/paths.js';
import { SCREENS, screenAt } from '../src/shell/screens.js';

/** Ids as the schema takes them: letters, digits and the signs of an address among them; and the words of the addresses themselves. */
const WORDS = [
  'layout',
  'runs',
  'bench',
  'start',
  'new',
  'circuits',
  'jobs',
  'wiring',
  '..',
  '%2F',
  'a:b>c/d~e',
];
const anyId = fc.oneof(
  fc.constantFrom(...WORDS),
  fc.stringMatching(/^[\w.:>/~-]{1,20}$/).filter((id) => !/^\.{1,2}$/.test(id)),
);
const anyWord = fc.constantFrom(...SCREENS.map((one) => one.word));

const split = (path: string): [string, string] => {
  const at = path.indexOf('?');
  return at < 0 ? [path, ''] : [path.slice(0, at), path.slice(at)];
};

test('every address leads to the screen, the job, the circuit and the wiring that it was made of, whatever their ids', () => {
  fc.assert(
    fc.property(anyId, anyWord, fc.option(anyId), fc.option(anyId), (job, word, circuit, wiring) => {
      const [pathname, search] = split(jobPath(job, { screen: word, circuit, wiring }));
      expect(jobIn(pathname)).toBe(job);
      const found = screenAt(pathname);
      expect([found?.screen.word, found?.circuitId]).toEqual([word, circuit]);
      expect(wiringIn(search)).toBe(wiring);
    }),
    { seed: 14, numRuns: 500 },
  );
});

test('no two screens share a word, and every screen of the rail has its own', () => {
  const words = SCREENS.map((one) => one.word);
  expect(new Set(words).size).toBe(words.length);
  expect(SCREENS.filter((one) => one.rail).map((one) => one.label)).toEqual([
    'Layout',
    'Runs',
    'Bench',
    'Boxes',
    'Check',
    'Order',
    'Prove',
  ]);
});

test('the bench is what a job opens with; with a word of its own all circuits are meant', () => {
  expect(benchPath('j', 'c')).toBe('/jobs/j/circuits/c');
  expect(screenAt(benchPath('j', 'c'))).toMatchObject({ circuitId: 'c', whole: false });
  expect(screenAt('/jobs/j')).toMatchObject({ screen: { label: 'Bench' }, circuitId: null, whole: false });
  expect(screenAt('/jobs/j/bench')).toMatchObject({
    screen: { label: 'Bench' },
    circuitId: null,
    whole: true,
  });
  expect(benchPath('j', null, 'found')).toBe('/jobs/j/bench?wiring=found');
  expect([layoutPath('j'), startPath('j')]).toEqual(['/jobs/j/layout', '/jobs/j/start']);
});

test('a part of the test sheet has an address of its own, and opens with it', () => {
  expect([findPath('j', 'c'), wiresPath('j', 'c')]).toEqual([
    '/jobs/j/circuits/c/prove?find',
    '/jobs/j/circuits/c/prove?wires',
  ]);
  expect(['?find', '?wires', '', '?found'].map(provePartIn)).toEqual(['find', 'wires', null, null]);
});

test('what is no address of a job leads nowhere', () => {
  expect(jobIn('/')).toBeNull();
  expect(screenAt('/jobs/j/attic')).toBeNull();
  expect(screenAt('/jobs/j/circuits/c/attic')).toBeNull();
  expect(circuitAt('runs', '/jobs/j/layout')).toBeUndefined();
  // A part that is no proper writing is taken as it stands.
  expect(screenAt('/jobs/j/circuits/%E0%A4%A')?.circuitId).toBe('%E0%A4%A');
});
