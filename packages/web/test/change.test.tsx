import { useMemo } from 'react';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import {
  leastChange,
  newRunFact,
  plannedChange,
  reviewJob,
  wiringOrEmpty,
  type Job,
  type LeastChange,
} from '@amber/core';
import { ChangePanel, useChange } from '../src/panels/change/ChangePanel.js';
import { ChangeParts } from '../src/panels/change/ChangeParts.js';
import { Outcome } from '../src/panels/change/Outcome.js';
import { BenchScreen } from '../src/screens/bench/BenchScreen.js';
import { show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

const circuitOf = (job: Job, id: string) => {
  const found = job.circuits.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

/** The panel with its answer worked out at once; what is taken is handed to the test. */
const Panel = ({
  id,
  onMake,
  job,
  works = true,
}: {
  id: string;
  onMake: (value: LeastChange) => void;
  job: Job;
  /** Is the answer worked out? The form is seen without. */
  works?: boolean;
}) => {
  const circuit = circuitOf(job, id);
  const asking = useChange(job, circuit, true);
  const answer = useMemo(
    () =>
      works && asking.change ? ({ kind: 'known', answer: leastChange(job, asking.change) } as const) : null,
    [job, asking.change, works],
  );
  return <ChangePanel {...{ job, circuit, asking, answer, onMake }} />;
};

const panelOf = (id: string, job: Job = yard()) => {
  const made: LeastChange[] = [];
  show(<Panel id={id} job={job} onMake={(value) => made.push(value)} />, { job });
  return made;
};
const pick = (label: string, option: string, within_: HTMLElement = document.body) => {
  const select = within(within_).getByLabelText<HTMLSelectElement>(label);
  const found = [...select.options].find(({ text }) => text.startsWith(option));
  if (!found)
    throw new Error(`${label} has no ${option}: ${[...select.options].map(({ text }) => text).join()}`);
  fireEvent.change(select, { target: { value: found.value } });
};
const measure = (label: string, length: string, group: HTMLElement = document.body) => {
  const field = within(group).getByLabelText(label);
  fireEvent.change(field, { target: { value: length } });
  fireEvent.blur(field);
};
const statusOf = () => screen.getAllByRole('status')[0] as HTMLElement;
const part = (name: string) => screen.getByRole('region', { name });
const kind = (words: string) => pick('What is to be done', words);

test('each kind of change asks what it needs and nothing else', () => {
  const job = yard();
  show(<Panel id="rope-stair-light" job={job} works={false} onMake={() => undefined} />, { job });
  const asked = (words: string) => {
    kind(words);
    return [...document.querySelectorAll('form label')].map((label) => label.textContent ?? '');
  };
  const has = (words: string, label: RegExp) => asked(words).some((text) => label.test(text));
  expect(has('Replace a device', /^Which switch/)).toBe(true);
  expect(has('Replace a device', /^What comes in its place/)).toBe(true);
  expect(has('Replace a luminaire', /^Which luminaire/)).toBe(true);
  expect(has('Replace a luminaire', /^Weight/)).toBe(true);
  expect(has('Take a switch location away', /^Which switch/)).toBe(true);
  expect(has('Take a switch location away', /^Name of the new box/)).toBe(false);
  expect(has('Move a switch', /^Name of the new box/)).toBe(true);
  expect(has('Add a light', /^Load/)).toBe(true);
  expect(has('Bring a neutral', /^from/)).toBe(false);
  expect(asked('Mend what the check finds')).toHaveLength(1);
});

test('what is mended is told wire by wire, box by box, with what stays shut and what is tried again', () => {
  const made = panelOf('rope-stair-light');
  kind('Mend what the check finds');
  expect(part('Comes new').textContent).toContain('Nothing.');
  expect(part('Has to be opened').textContent).toContain('Stair ceiling, Stair foot');
  expect(part('Stays as it is').textContent).toContain('Stair head');
  expect(part('Then to be tried again, in every position').textContent).toContain('Rope stair');
  const foot = screen.getByRole('table', { name: 'Wires in Stair foot' });
  expect(within(foot).getByRole('columnheader', { name: 'Was on' })).toBeTruthy();
  const white = within(foot).getByRole('row', { name: /^white of the 14\/2/ });
  expect(white.textContent).toMatch(/common.*mark it black$/);
  // Three ways stand beside each other; another one is looked at and taken.
  const ways = within(screen.getByRole('group', { name: 'Ways to make it' })).getAllByRole('button');
  expect(ways.length).toBeGreaterThan(1);
  expect(ways[0]?.getAttribute('aria-pressed')).toBe('true');
  fireEvent.click(ways[1] as HTMLElement);
  expect(ways[1]?.getAttribute('aria-pressed')).toBe('true');
  fireEvent.click(screen.getByRole('button', { name: 'Plan it this way' }));
  expect(made).toHaveLength(1);
});

test('in a box that nobody has seen it says what is usual, to look first, and that the price rests on it', () => {
  panelOf('rope-stair-light');
  kind('Take a switch location away');
  pick('Which switch', 'Stair head');
  const note = screen.getByRole('note');
  expect(note.textContent).toContain('Look first into Stair head.');
  expect(note.textContent).toContain('is what is usual');
  expect(statusOf().textContent).toMatch(/\$\d+\.\d\d if it is as is usual;/);
  const head = screen.getByRole('table', { name: 'Wires in Stair head' });
  expect(within(head).getByRole('columnheader', { name: 'Is usually on; look' })).toBeTruthy();
  const foot = screen.getByRole('table', { name: 'Wires in Stair foot' });
  expect(within(foot).getByRole('columnheader', { name: 'Was on' })).toBeTruthy();
  expect(part('Comes new').textContent).toContain('Blank cover at Stair head');
  expect(part('Comes out').textContent).toContain('Three-way switch, 15 A at Stair head');
});

test('a light off a receptacle: what the receptacle is stands beside it, and both runs are asked', () => {
  const made = panelOf('net-store-outlet');
  expect(screen.getByLabelText<HTMLSelectElement>('What is to be done').value).toBe('branch');
  expect(screen.getByRole('note').textContent).toContain('Nobody has tested what it is');
  pick('The receptacle in it is', 'its halves on two breakers');
  expect(screen.getByRole('note').textContent).toContain('Turn both off together');
  pick('The receptacle in it is', 'always live, both halves');
  expect(screen.queryByRole('note')).toBeNull();
  const [theSwitch, theLight] = ['The switch', 'The light'].map((name) =>
    screen.getByRole('group', { name }),
  );
  if (!theSwitch || !theLight) throw new Error('no places');
  expect(statusOf().textContent).toContain('Measure the run from the box');
  measure('from Net outlet', '9-6', theSwitch);
  fireEvent.change(within(theSwitch).getByLabelText('Name of the new box'), {
    target: { value: 'Net door' },
  });
  measure('from Net door (the switch)', '11', theLight);
  expect(part('Comes new').textContent).toContain('Net outlet to Net door');
  expect(part('Comes new').textContent).toContain('Single-pole switch, 15 A at Net door');
  fireEvent.click(screen.getByRole('button', { name: 'Plan it this way' }));
  expect(made[0]?.job.boxes.find(({ name }) => name === 'Net door')?.mount).toBe('wall');
  expect(made[0]?.job.boxes.find(({ name }) => name === 'New light')?.mount).toBe('ceiling');
});

test('a luminaire of unknown weight may be left open, and a wrong one is marked', () => {
  panelOf('rope-stair-light');
  kind('Replace a luminaire');
  const weight = screen.getByLabelText<HTMLInputElement>('Weight, pounds');
  expect(weight.value).toBe('');
  expect(weight.getAttribute('aria-invalid')).toBe('false');
  fireEvent.change(weight, { target: { value: '2000' } });
  expect(weight.getAttribute('aria-invalid')).toBe('true');
  expect(screen.getByRole('alert').textContent).toContain('From 0 to 1000 lb');
  fireEvent.change(weight, { target: { value: '' } });
  expect(weight.getAttribute('aria-invalid')).toBe('false');
  pick('What is hung', 'Ceiling fan');
  expect(part('Comes out').textContent).toContain('The old luminaire at Stair ceiling');
  expect(part('Comes new').textContent).toContain('not priced');
  expect(part('Today’s rules then ask').textContent).toMatch(/fan/i);
});

test('what is refused says why and what to do, and there is nothing to take', () => {
  panelOf('sail-loft-light');
  kind('Take a switch location away');
  expect(statusOf().textContent).toContain('It is the only switch of its group');
  expect(statusOf().textContent).toContain('Remedy:');
  expect(screen.queryByRole('button', { name: 'Plan it this way' })).toBeNull();
});

/** The stair with its head taken away, as it is planned then. */
const away = (): Job => {
  const outcome = leastChange(yard(), { kind: 'removeSwitch', slot: 'stair-head-slot' as never });
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  return reviewJob(outcome.value.job).job;
};

test('what a chosen change leaves live from the panel is to be taken off its breaker', () => {
  const job = away();
  const review = reviewJob(job);
  const change = plannedChange(review, 'rope-stair-light' as never);
  if (!change) throw new Error('nothing changes');
  const feed = review.wiring.cables.find(({ from }) => from === 'panel');
  if (!feed) throw new Error('no feed');
  const box = feed.to;
  const live = { cable: feed, box, breaker: 'rope-stair-light', whole: true };
  show(<ChangeParts job={job} wiring={wiringOrEmpty(job)} change={{ ...change, offBreaker: [live] }} />, {
    job,
  });
  expect(part('To be taken off its breaker').textContent).toContain('live from Rope stair');
});

test('on the bench a chosen change stands as before and after, and the box that is emptied is among the boxes', async () => {
  const job = away();
  show(<BenchScreen job={job} circuit={circuitOf(job, 'rope-stair-light')} wiring={null} />, { job });
  expect(await screen.findByRole('article', { name: 'Box Stair head' })).toBeTruthy();
  fireEvent.click(screen.getByRole('tab', { name: 'Change' }));
  const head = await screen.findByRole('table', { name: 'Wires in Stair head' });
  expect(head.textContent).toContain('its cable is taken out');
  expect(part('Comes out').textContent).toContain('Stair foot to Stair head');
});

test('a circuit that stands as it is, and one that is all new, have no before and after', async () => {
  const job = yard();
  for (const id of ['rope-stair-light', 'ropewalk-lights']) {
    const { unmount } = show(<BenchScreen job={job} circuit={circuitOf(job, id)} wiring={null} />, { job });
    await waitFor(() => expect(screen.getAllByRole('tab').length).toBeGreaterThan(2));
    expect(screen.queryByRole('tab', { name: 'Change' })).toBeNull();
    unmount();
  }
});

test('a run that is measured between old boxes is kept with the job when the change is taken', () => {
  const job = {
    ...yard(),
    runFacts: [...yard().runFacts, newRunFact({ between: ['stair-foot', 'stair-ceiling'], length: 240 })],
  };
  const made = panelOf('rope-stair-light', job);
  kind('Bring a neutral');
  fireEvent.click(screen.getByRole('button', { name: 'Plan it this way' }));
  expect(made[0]?.job.runFacts).toContainEqual(
    expect.objectContaining({ between: ['stair-foot', 'stair-ceiling'], length: 240 }),
  );
});

test('what a change costs in a room that nobody has measured is about so much, and says so', () => {
  const job = yard();
  const outcome = leastChange(job, { kind: 'removeSwitch', slot: 'stair-head-slot' as never });
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  const [room] = job.rooms;
  const { measures } = outcome.value;
  const shown = (rough: typeof measures.rough) => {
    const value = { ...outcome.value, measures: { ...measures, rough } };
    const { container, unmount } = show(<Outcome value={value} />);
    const said = container.textContent ?? '';
    unmount();
    return said;
  };
  expect(shown([])).toMatch(/^\$\d/);
  const about = shown(room ? [room.id] : []);
  expect(about).toMatch(/^about \$\d/);
  expect(about).toContain(
    `Nobody has measured ${room?.name} yet: lengths there are those of an everyday place.`,
  );
});
