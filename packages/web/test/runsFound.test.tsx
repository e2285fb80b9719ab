import { fireEvent, screen, within } from '@testing-library/react';
import { findPlans, isChosen, planJob, wiredChoice, type Job, type PlanSet } from '@amber/core';
import { Kinds, Refusals } from '../src/screens/runs/FoundParts.js';
import { WiredNow } from '../src/screens/runs/WiredNow.js';
import { fitted, toPixel } from '../src/plan/view.js';
import { circuitOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
});

const ID = 'tar-store-light';

/** All that the search tells of a circuit, step by step. */
const toldOf = (job: Job): PlanSet[] => {
  const told: PlanSet[] = [];
  findPlans(job, circuitOf(job, ID).id, { onProgress: (soFar) => told.push(soFar) });
  return told;
};

const chips = () => within(screen.getByRole('group', { name: 'Best by' })).getAllByRole('button');

test('the best of each kind has its place from the first answer on, and is looked at with a tap once it is there', () => {
  const told = toldOf(yard());
  const names = told.map((found) => {
    const { unmount } = show(<Kinds found={found} letter={null} onPick={() => undefined} />);
    const said = chips().map(({ textContent }) => textContent.replace(/ \S+$/, ''));
    unmount();
    return said;
  });
  expect(told.length).toBeGreaterThan(5);
  expect(new Set(names.map((one) => one.join()))).toEqual(new Set([names[0]?.join()]));
  expect(names[0]?.length).toBeGreaterThan(4);

  const [first, ...later] = told;
  const half = later.find(({ profiles, toCome }) => profiles.length > 0 && toCome.length > 0);
  if (!first || !half) throw new Error('it was found all at once');
  const picked: string[] = [];
  show(<Kinds found={half} letter="A" onPick={(letter) => picked.push(letter)} />);
  const ready = chips().filter((one) => !(one as HTMLButtonElement).disabled);
  expect(ready).toHaveLength(half.profiles.filter(({ letter }) => letter !== null).length);
  for (const one of chips()) fireEvent.click(one);
  expect(picked).toEqual(half.profiles.flatMap(({ letter }) => letter ?? []));
  expect(chips()[0]?.getAttribute('aria-pressed')).toBe('true');
  expect(chips().at(-1)?.textContent).toMatch(/…$/);
});

test('where nothing is found nothing is waited for, and it says what stands in the way', () => {
  const job = yard();
  const told = toldOf({ ...job, feeds: job.feeds.filter(({ circuit }) => circuit !== ID) });
  const last = told.at(-1);
  if (!last) throw new Error('nothing was told');
  expect(told.map(({ toCome }) => toCome)).toEqual(told.map(() => []));
  show(<Refusals found={last} />);
  expect(screen.getByText(/^Nobody has said where power for .* comes from$/)).toBeTruthy();
  expect(screen.getByText('Add a feed to the circuit.')).toBeTruthy();
});

test('a circuit that is wired by none of the plans any more says so once all are known', () => {
  const job = yard();
  const circuit = circuitOf(job, ID);
  const found = findPlans(job, circuit.id);
  const said = () =>
    screen.queryByText(/^It is wired another way|^The way that was chosen/)?.textContent ?? null;
  const wired = wiredChoice(planJob(job).circuits, circuit.id);
  const others = found.candidates.filter((one) => !isChosen(wired, one));
  expect(others.length).toBe(found.candidates.length - 1);
  const told = (candidates: typeof others, settled: boolean) => {
    const { unmount } = show(
      <WiredNow job={job} circuit={circuit} found={{ ...found, candidates }} settled={settled} />,
      { job },
    );
    const words = said();
    unmount();
    return words;
  };
  expect(told(found.candidates, true)).toBeNull();
  expect(told(others, false)).toBeNull();
  expect(told([], true)).toBeNull();
  expect(told(others, true)).toMatch(
    /^It is wired another way, (at \$[\d,.]+: \$[\d,.]+ (more|less) than [A-Z]\. Keep it, or wire it by one of these\.|for \$[\d,.]+ less than [A-Z])/,
  );
});

test('a plan is fitted above what lies on its lower edge', () => {
  const job = yard();
  const circuit = circuitOf(job, 'long-shed-lights');
  const size = { width: 780, height: 400 };
  const lowest = (below: number) => {
    const view = fitted(job, circuit, true, size, below);
    return Math.max(
      ...job.slots.flatMap(({ box }) => {
        const at = job.boxes.find(({ id }) => id === box)?.at;
        const mine = job.slots.some(
          (one) =>
            one.box === box &&
            job.groups.some(({ id, circuit: of }) => id === one.group && of === circuit.id),
        );
        return at && mine ? [toPixel(view, at).y] : [];
      }),
    );
  };
  expect(lowest(36)).toBeLessThan(size.height - 36 - 15);
  expect(lowest(36)).toBeLessThan(lowest(0));
});
