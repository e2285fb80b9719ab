import { jest } from '@jest/globals';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { drawPlanIt, findPlans, PANEL, placeOfNode, type Place } from '@amber/core';
import { PracticeScreen } from '../src/screens/practice/PracticeScreen.js';
import { namesBeside } from '../src/screens/practice/planNames.js';
import { press, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { plannerInPlace } from './support/worker.js';

const CHANCE = 0.123456789;
const SEED = Math.floor(CHANCE * 1_000_000_000);

beforeEach(() => {
  fakeServer();
  plannerInPlace();
  localStorage.clear();
  jest.spyOn(Math, 'random').mockReturnValue(CHANCE);
});
afterEach(() => jest.restoreAllMocks());

const exercise = drawPlanIt({ level: 'hall', seed: SEED, edition: 2023 });
const { job, circuit } = exercise;
const nameOf = (place: Place) =>
  place === PANEL ? 'Panel' : (job.boxes.find(({ id }) => id === place)?.name ?? '');
const begin = () => {
  press('Plan it');
  fireEvent.click(
    within(screen.getByRole('region', { name: 'Plan it' })).getByRole('button', { name: /^3 A hall/ }),
  );
};
const place = (at: Place) =>
  within(screen.getByRole('group', { name: 'The place and its cables' })).getByRole('button', {
    name: nameOf(at),
  });
const lay = (a: Place, b: Place) => {
  fireEvent.click(place(a));
  fireEvent.keyDown(place(b), { key: 'Enter' });
};
const comesTo = () =>
  within(screen.getByRole('region', { name: 'What it comes to' })).getByRole('status').textContent;

test('the best way laid by lists is right, and none costs less; a dearer one is told by how much', async () => {
  const { candidates, profiles } = findPlans(job, circuit);
  const letter = profiles.find(({ id }) => id === 'leastCost')?.letter;
  const best = candidates.find((one) => one.letter === letter);
  if (!best) throw new Error('no plan');
  show(<PracticeScreen />);
  begin();
  const byList = (a: Place, b: Place) => {
    fireEvent.change(screen.getByLabelText('From'), { target: { value: a } });
    fireEvent.change(screen.getByLabelText('To'), { target: { value: b } });
    press('Lay a cable');
  };
  for (const { from, to } of best.choice.runs) byList(placeOfNode(from), placeOfNode(to));
  const done = () =>
    screen.getByRole<HTMLButtonElement>('button', { name: 'Done: hold it against the best' });
  await waitFor(() => expect(done().disabled).toBe(false), { timeout: 30_000 });
  fireEvent.click(done());
  const out = () => within(screen.getByRole('region', { name: 'How it comes out' }));
  expect(out().getByRole('status').textContent).toMatch(/^Right/);
  expect(out().getByText(/which is proved/)).toBeTruthy();
  // What is changed is not judged any more.
  const [first] = best.choice.runs;
  if (!first) throw new Error('no cable');
  press(`Take out ${nameOf(placeOfNode(first.from))} to ${nameOf(placeOfNode(first.to))}`);
  expect(screen.queryByRole('region', { name: 'How it comes out' })).toBeNull();
});

test('cables are laid by tapping places; each says what it is once all is reached, and a reload finds them', () => {
  const { unmount } = show(<PracticeScreen />);
  begin();
  expect(comesTo()).toBe('No cable comes from the panel yet.');
  const chain = [PANEL as Place, ...job.boxes.map(({ id }) => id as Place)];
  for (const [i, at] of chain.entries()) if (i > 0) lay(chain[i - 1] as Place, at);
  expect(comesTo()).toMatch(/^\$\d+\.\d\d$/);
  const laid = () => within(screen.getByRole('region', { name: 'Cables laid' })).getAllByRole('listitem');
  expect(laid().length).toBe(chain.length - 1);
  for (const one of laid()) expect(one.textContent).toMatch(/1[24]\/[234], \d+'-\d/);
  // The same two again take it out.
  lay(chain[1] as Place, chain[0] as Place);
  expect(laid().length).toBe(chain.length - 2);
  expect(comesTo()).toBe('No cable comes from the panel yet.');
  unmount();
  show(<PracticeScreen />);
  press(/^Go on with “A hall with two ways in”, to be planned$/);
  expect(laid().length).toBe(chain.length - 2);
  press(`Take out ${nameOf(chain[1] as Place)} to ${nameOf(chain[2] as Place)}`);
  expect(laid().length).toBe(chain.length - 3);
});

test('names stand beside their signs, none over another where there is room', () => {
  const places = [
    { name: 'Ceiling light, left', at: { x: 200, y: 200 } },
    { name: 'Ceiling light, right', at: { x: 290, y: 200 } },
    { name: 'Garden door', at: { x: 400, y: 215 } },
  ];
  const spots = namesBeside(places, [{ x: 245, y: 200 }]);
  const rects = spots.map(({ x, y }, i) => ({ x, y, half: ((places[i]?.name.length ?? 0) * 6.7) / 2 }));
  for (const [i, a] of rects.entries())
    for (const b of rects.slice(i + 1))
      expect(Math.abs(a.y - b.y) >= 16 || Math.abs(a.x - b.x) >= a.half + b.half - 1).toBe(true);
});
