import { screen, within } from '@testing-library/react';
import { cubicInches, feetInches, findPlans, jacketOf, standardStock, type Candidate } from '@amber/core';
import { CablesAndBoxes } from '../src/screens/runs/CablesAndBoxes.js';
import { circuitOf, show } from './support/page.js';
import { yard } from './support/yard.js';

const job = yard();
const { candidates } = findPlans(job, circuitOf(job, 'ropewalk-lights').id);
const [first, second] = candidates as [Candidate, Candidate];

test('two ways stand side by side as the cables that are cut and the boxes with what they hold', () => {
  show(<CablesAndBoxes job={job} plans={[first, second]} />, { job });
  for (const { letter, runs, measures } of [first, second]) {
    const cables = within(screen.getByRole('list', { name: `Cables of ${letter}` }));
    for (const name of new Set(runs.map(({ cable }) => cable))) {
      const inches = runs
        .filter(({ cable }) => cable === name)
        .reduce((sum, { feet }) => sum + (feet ?? 0) * 12, 0);
      expect(cables.getByText(feetInches(Math.round(inches))).parentElement?.textContent).toContain(name);
    }
    const boxes = screen.getByRole('list', { name: `Boxes of ${letter}` }).textContent;
    for (const { needed, available } of measures.fills)
      expect(boxes).toContain(`${cubicInches(needed)} of ${cubicInches(available ?? 0)}`);
  }
});

test('a box of which something is untold has no bar and no room, one that is too full is told in words', () => {
  const [untold, full, ...others] = first.measures.fills;
  if (!untold || !full) throw new Error('no boxes');
  const crowded: Candidate = {
    ...first,
    measures: {
      ...first.measures,
      fills: [{ ...untold, available: null }, { ...full, needed: 250_000, available: 180_000 }, ...others],
    },
  };
  show(<CablesAndBoxes job={job} plans={[crowded, second]} />, { job });
  const boxes = within(screen.getByRole('list', { name: `Boxes of ${first.letter}` }));
  const [one, two] = boxes.getAllByRole('listitem');
  expect(one?.textContent).toContain('and what nobody has told');
  expect(one?.querySelector('span')).toBeNull();
  expect(two?.textContent).toContain('25.0 in³ of 18.0 in³, too full');
});

test('a jacket tells the usual size of a new cable, and nothing of one that was found', () => {
  const cables = standardStock().flatMap((one) => (one.kind === 'cable' ? [one] : []));
  const [usual] = cables.filter(({ found, sheath }) => !found && sheath === 'nonmetallic');
  if (!usual) throw new Error('no cable');
  const of = (awg: 14 | 12 | 10) => jacketOf({ ...usual, awg }, false);
  expect([of(14), of(12), of(10)]).toEqual(['white', 'yellow', 'orange']);
  for (const one of cables)
    expect([jacketOf({ ...one, found: true }, false), jacketOf(one, true)]).toEqual(['unknown', 'unknown']);
});
