import { jest } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import {
  drawHiddenFault,
  drawJudging,
  cubicInches,
  drawMakeUp,
  drawSizing,
  endKey,
  findBox,
  finderWay,
  plannedWiring,
  terminalKey,
  wiresIn,
  type BoxId,
  type Job,
  type MakeUpLevel,
  type Wiring,
} from '@amber/core';
import { PracticeScreen } from '../src/screens/practice/PracticeScreen.js';
import { press, show } from './support/page.js';
import { fakeServer, type Sent } from './support/server.js';
import { yard } from './support/yard.js';

/** The seed that the page draws while chance is held still. */
const CHANCE = 0.123456789;
const SEED = Math.floor(CHANCE * 1_000_000_000);

let sent: Sent[] = [];
beforeEach(() => {
  sent = fakeServer();
  localStorage.clear();
  jest.spyOn(Math, 'random').mockReturnValue(CHANCE);
});
afterEach(() => jest.restoreAllMocks());

const choose = (kind: string, exercise: RegExp) => {
  press(kind);
  fireEvent.click(within(screen.getByRole('region', { name: kind })).getByRole('button', { name: exercise }));
};

/** Says who practises, and lets the server answer what is on record of that. */
const called = async (name: string, practised: readonly object[] = []) => {
  const field = screen.getByLabelText('Who practises?');
  fireEvent.change(field, { target: { value: name } });
  fireEvent.blur(field);
  const path = `/api/practice/learners/${encodeURIComponent(name)}`;
  await waitFor(() => expect(sent.some((one) => one.path === path)).toBe(true));
  await act(async () => {
    sent.find((one) => one.path === path)?.answer(200, { practised });
    await Promise.resolve();
  });
  await screen.findByRole('button', { name: 'Sheet of what you can do' });
};
/** What was sent to be put on record, in its order. */
const onRecord = () => sent.filter(({ method }) => method === 'POST').map(({ body }) => body);

const planOf = (level: MakeUpLevel): { job: Job; planned: Wiring } => {
  const { job } = drawMakeUp({ level, seed: SEED, edition: 2023 });
  const planned = plannedWiring(job);
  if (!planned) throw new Error('nothing is planned');
  return { job, planned };
};
const pick = (label: string | RegExp, value: string) => {
  const select = screen.getByLabelText<HTMLSelectElement>(label);
  expect([label, [...select.options].map((one) => one.value)]).toEqual([
    label,
    expect.arrayContaining([value]),
  ]);
  fireEvent.change(select, { target: { value } });
};
const named = (job: Job, box: BoxId) => findBox(job, box)?.name ?? '';

/** Makes up a box by its lists, as somebody does who does not tap the picture. */
const makeUpBox = ({ job, planned }: ReturnType<typeof planOf>, box: BoxId) => {
  pick('Box in hand', box);
  const words = new Map(wiresIn(job, planned, box).map(({ key, words: said }) => [key, said]));
  const put = (key: string, value: string) => pick(`The ${words.get(key) ?? ''} is`, value);
  for (const joint of planned.joints.filter((one) => one.box === box)) {
    const keys = joint.members.flatMap((member) =>
      'end' in member ? [endKey(member.end)] : 'lead' in member ? [terminalKey(member.lead)] : [],
    );
    const [first = '', ...others] = keys;
    put(first, 'alone');
    others.forEach((key, i) => {
      const of = screen.getByLabelText<HTMLSelectElement>(`The ${words.get(key) ?? ''} is`);
      // The first makes the splice, the others come into it.
      const into = [...of.options].find(({ value, text }) =>
        i === 0
          ? value === `with ${first}`
          : value.startsWith('in ') && text.includes(words.get(first) ?? ''),
      );
      put(key, into?.value ?? '');
    });
    const splice = () =>
      within(screen.getByRole('list', { name: 'Splices' }))
        .getAllByRole('listitem')
        .find((one) => one.textContent.toLowerCase().includes((words.get(first) ?? '').toLowerCase()));
    for (const member of joint.members)
      if ('pigtail' in member)
        for (const { wire, terminal } of planned.landings)
          if ('pigtail' in wire && wire.pigtail === member.pigtail.id)
            fireEvent.change(within(splice() as HTMLElement).getByLabelText(/^Tail from/), {
              target: { value: terminalKey(terminal) },
            });
    fireEvent.change(within(splice() as HTMLElement).getByLabelText(/^Connector of/), {
      target: { value: joint.connectors[0]?.article },
    });
  }
  for (const { wire, terminal } of planned.landings)
    if ('end' in wire && words.has(endKey(wire.end)) && !('circuit' in terminal))
      put(endKey(wire.end), `on ${terminalKey(terminal)}`);
  for (const { end, colour } of planned.marks)
    if (words.has(endKey(end))) pick(`Marking of the ${words.get(endKey(end)) ?? ''}`, colour);
};

test('a single-pole is made up by its lists, proved, found right, and put on record; a reload finds it as it was left', async () => {
  const plan = planOf('poleAtSwitch');
  const { unmount } = show(<PracticeScreen />);
  await called('Una Reed');
  choose('Make it up', /^1 Single-pole, power at the switch/);
  const boxes = [...new Set(plan.planned.joints.map(({ box }) => box))];
  const [first, ...others] = boxes;
  if (!first) throw new Error('no box');
  makeUpBox(plan, first);
  unmount();
  // Loaded anew it goes on where it was.
  show(<PracticeScreen />);
  press(/^Go on with “Single-pole, power at the switch”/);
  for (const box of others) makeUpBox(plan, box);
  press('Done: prove it');
  expect(
    within(screen.getByRole('region', { name: 'It is right' })).getByText(
      /all 2 positions, and nothing that was made up here violates a rule/,
    ),
  ).toBeTruthy();
  press('Done: prove it');
  // Once, whatever is pressed afterwards.
  expect(onRecord()).toEqual([
    expect.objectContaining({
      ...{ learner: 'Una Reed', kind: 'makeUp', level: 'poleAtSwitch', seed: SEED, edition: 2023 },
      ...{ outcome: 'right', stopped: 0 },
    }),
  ]);
});

test('with the breaker on nobody reaches into a box: it is stopped, counted and said; off nothing is live', () => {
  const { job } = planOf('poleAtSwitch');
  show(<PracticeScreen />);
  choose('Make it up', /^1 Single-pole, power at the switch/);
  const breaker = () => screen.getByRole('switch', { name: /^Breaker/ });
  expect(breaker().getAttribute('aria-checked')).toBe('false');
  expect(document.querySelectorAll('[data-live], [data-unknown]')).toHaveLength(0);
  fireEvent.click(breaker());
  const [slot] = job.slots;
  const box = screen.getByRole('article', { name: `Box ${named(job, slot?.box ?? ('' as BoxId))}` });
  const wire = () => box.querySelector('[data-wire^="conductor"]') as Element;
  const live = () => document.querySelectorAll('[data-live]').length;
  expect(live()).toBeGreaterThan(0);
  fireEvent.click(wire());
  expect(screen.getByText(/^Stopped: the breaker is on/)).toBeTruthy();
  expect(screen.queryByRole('status', { name: 'Wire in hand' })).toBeNull();
  expect(screen.getByText(/Put it off before you work in a box/)).toBeTruthy();
  fireEvent.click(breaker());
  expect(live()).toBe(0);
  // It was on: off is not dead yet.
  fireEvent.click(wire());
  press(/^A two-pole tester that is proved/);
  fireEvent.click(wire());
  expect(screen.getByRole('status', { name: 'Wire in hand' })).toBeTruthy();
  // Hot to neutral: put on, it trips, and nothing is live.
  const black = screen.getByLabelText<HTMLSelectElement>(/^The black of the .* to panel is$/);
  const white = [...black.options].find(({ text }) =>
    /^with|^the white of the .* to panel|white of the .* to panel/.test(text),
  );
  fireEvent.change(black, { target: { value: white?.value } });
  fireEvent.click(breaker());
  expect(screen.getByText(/^The breaker trips as it is put on/)).toBeTruthy();
  expect(live()).toBe(0);
});

test('a hint goes from the question over the reason to one way; undo takes back what was done', () => {
  show(<PracticeScreen />);
  choose('Make it up', /^5 Two three-ways, power at the first/);
  press('Hint');
  const hint = within(screen.getByRole('region', { name: 'Hint' }));
  expect(hint.getByText(/^Is every wire at .* on something\?$/)).toBeTruthy();
  fireEvent.click(hint.getByRole('button', { name: 'Why?' }));
  expect(hint.getByText(/hang free/)).toBeTruthy();
  fireEvent.click(hint.getByRole('button', { name: 'Show one way' }));
  expect(hint.getByText(/any other that works is as good/)).toBeTruthy();
  const select = () =>
    screen.getAllByLabelText<HTMLSelectElement>(/^The black of the .* is$/)[0] as HTMLSelectElement;
  fireEvent.change(select(), { target: { value: 'alone' } });
  expect(select().value).toBe('alone');
  // What was hinted is of what was before.
  expect(screen.queryByRole('region', { name: 'Hint' })).toBeNull();
  press('Undo');
  expect(select().value).toBe('loose');
});

test('a hidden fault: flipped with the power on, its box opened dead, mended, and told afterwards with what it took', () => {
  const { box, said, job } = drawHiddenFault({ level: 'pairAtSwitch', seed: SEED, edition: 2023 });
  const plan = planOf('pairAtSwitch');
  show(<PracticeScreen />);
  choose('Find the fault', /^5 Two three-ways, power at the first/);
  const shut = () => screen.queryAllByRole('article', { name: /^Closed box/ });
  expect(shut()).toHaveLength(job.boxes.length);
  expect(screen.getByRole('region', { name: 'Handles' })).toBeTruthy();
  press('Done: prove it');
  expect(screen.getByText(/^It works from \d of 4 positions/)).toBeTruthy();
  expect(screen.queryByText(new RegExp(said))).toBeNull();
  const itsBox = () => {
    const found = shut().find((one) => one.textContent.includes(named(job, box)));
    if (!found) throw new Error('it is open');
    return within(found).getByRole('button', { name: 'Open it' });
  };
  // Live it stays shut.
  fireEvent.click(itsBox());
  expect(screen.getByText(/^Stopped: the breaker is on/)).toBeTruthy();
  expect(shut()).toHaveLength(job.boxes.length);
  fireEvent.click(screen.getByRole('switch', { name: 'Breaker on' }));
  fireEvent.click(itsBox());
  // Off is not dead yet.
  expect(shut()).toHaveLength(job.boxes.length);
  const ask = within(screen.getByRole('region', { name: 'Prove it dead' }));
  fireEvent.click(ask.getByRole('button', { name: /^One prod of the tester/ }));
  expect(ask.getByRole('alert').textContent).toMatch(/^Stopped: One pair says nothing of the rest/);
  fireEvent.click(ask.getByRole('button', { name: /^A two-pole tester that is proved/ }));
  fireEvent.click(itsBox());
  expect(shut()).toHaveLength(job.boxes.length - 1);
  // Measured, no wire is taken in hand.
  press('Meters');
  const wires = screen
    .getByRole('article', { name: `Box ${named(job, box)}` })
    .querySelectorAll('[data-wire^="conductor"]');
  for (const wire of [wires[0], wires[1]]) if (wire) fireEvent.click(wire);
  expect(screen.queryByRole('status', { name: 'Wire in hand' })).toBeNull();
  expect(screen.getByRole('region', { name: 'Meters' }).textContent).toContain('Two-pole tester0 V');
  press('Meters');
  // All of it loose, and made up anew.
  pick('Box in hand', box);
  for (const select of screen.getAllByLabelText<HTMLSelectElement>(/^The .* is$/))
    fireEvent.change(select, { target: { value: 'loose' } });
  makeUpBox(plan, box);
  press('Done: prove it');
  const right = screen.getByRole('region', { name: 'It is right' });
  expect(right.textContent).toContain(`It was at ${named(job, box)}: ${said}.`);
  expect(right.textContent).toContain(`You opened 1 box of ${job.boxes.length}`);
  expect(right.textContent).toContain('took 1 reading, in');
  expect(right.textContent).toContain('You were stopped 2 times');
  fireEvent.click(within(right).getByRole('button', { name: 'How the fault finder would have found it' }));
  const way = finderWay(drawHiddenFault({ level: 'pairAtSwitch', seed: SEED, edition: 2023 }));
  expect(
    within(right)
      .getAllByRole('listitem')
      .map(({ textContent }) => textContent),
  ).toEqual(way?.steps);
});

test('a box is sized in the head: the lines are shown once something was said, and what is right is counted', async () => {
  const { fill, box, job } = drawSizing({ level: 'fourWay', seed: SEED, edition: 2023 });
  show(<PracticeScreen />);
  await called('Una Reed');
  choose('Size it', /^7 Three places, a four-way between/);
  expect(screen.getByRole('heading', { name: named(job, box) })).toBeTruthy();
  expect(screen.queryByRole('table')).toBeNull();
  const fits = fill.verdict === 'fits';
  const say = (cubicInches: number) => {
    fireEvent.change(screen.getByLabelText(/^Cubic inches needed/), {
      target: { value: String(cubicInches) },
    });
    fireEvent.blur(screen.getByLabelText(/^Cubic inches needed/));
    press(fits ? 'It fits' : 'Too small');
  };
  say(fill.needed / 10_000 + 2);
  const told = () => screen.getByRole('region', { name: 'How it comes out' });
  expect(told().textContent).toContain(`it needs ${cubicInches(fill.needed)}`);
  expect(within(told()).getByRole('table').textContent).toContain('Grounds, counted together');
  expect(document.querySelectorAll('[data-live]')).toHaveLength(0);
  press('All exercises');
  expect(screen.getByText(/^Missed the last time · back tomorrow$/)).toBeTruthy();
  choose('Size it', /^7 Three places, a four-way between/);
  say(fill.needed / 10_000);
  expect(within(told()).getByRole('status').textContent).toBe('Right.');
  press('All exercises');
  expect(
    within(screen.getByRole('region', { name: 'Size it' })).getByText(/^Right by yourself 1 of 2 times/),
  ).toBeTruthy();
});

test('a box that is sized with hints is right with help: what counts is shown, its volumes are not', async () => {
  const { fill } = drawSizing({ level: 'fourWay', seed: SEED, edition: 2023 });
  show(<PracticeScreen />);
  await called('Una Reed');
  choose('Size it', /^7 Three places, a four-way between/);
  press('Hint');
  press('Why?');
  expect(screen.getByText(/All grounds together count once by the largest, and a quarter/)).toBeTruthy();
  press('Show what counts');
  const hint = within(screen.getByRole('region', { name: 'Hint' }));
  expect(hint.getAllByRole('listitem').length).toBe(fill.lines.length);
  expect(screen.queryByRole('button', { name: 'Hint' })).toBeNull();
  fireEvent.change(screen.getByLabelText(/^Cubic inches needed/), {
    target: { value: String(fill.needed / 10_000) },
  });
  fireEvent.blur(screen.getByLabelText(/^Cubic inches needed/));
  press(fill.verdict === 'fits' ? 'It fits' : 'Too small');
  expect(onRecord()).toEqual([expect.objectContaining({ kind: 'sizeIt', outcome: 'helped' })]);
  press('All exercises');
  expect(screen.getByText(/^Right with a hint · back/)).toBeTruthy();
});

test('a circuit that works is judged: ticked right it is counted, and what an inspector says stands beside it', () => {
  const { rules, findings } = drawJudging({ level: 'pairAtSwitch', seed: SEED, edition: 2023 });
  show(<PracticeScreen />);
  choose('Judge it', /^5 Two three-ways, power at the first/);
  const box = (title: string) => screen.getByRole('checkbox', { name: new RegExp(`^${title}`) });
  const [kept] = rules.filter(({ broken }) => !broken);
  fireEvent.click(box(kept?.title ?? ''));
  press('So I judge it');
  const told = () =>
    within(screen.getByRole('region', { name: 'How it comes out' })).getByRole('status').textContent;
  expect(told()).toMatch(/^\d of \d right\.$/);
  press('All exercises');
  // Chance is held still, so it is the same one again.
  choose('Judge it', /^5 Two three-ways, power at the first/);
  for (const { title, broken } of rules) if (broken) fireEvent.click(box(title));
  press('So I judge it');
  expect(told()).toBe('Right.');
  const said = screen.getByRole('list', { name: 'What an inspector says' }).textContent;
  for (const { title } of findings) expect(said).toContain(title);
  // Nobody has said who practises: nothing is put on record.
  expect(onRecord()).toEqual([]);
});

describe('a circuit of one’s own', () => {
  const open = async (circuit: string) => {
    const sent = fakeServer();
    const shown = show(<PracticeScreen />, { at: `/practice?job=heron-yard&circuit=${circuit}` });
    await waitFor(() => expect(sent.some(({ path }) => path === '/api/jobs/heron-yard')).toBe(true));
    await act(async () => {
      sent
        .find(({ path }) => path === '/api/jobs/heron-yard')
        ?.answer(200, { revision: 3, document: yard() });
      await Promise.resolve();
    });
    return { ...shown, sent };
  };

  test('hangs loose under its own names, and nothing of it is sent to the server', async () => {
    const { sent, where } = await open('tar-store-light');
    expect(await screen.findByRole('heading', { name: 'Tar store, for practice' })).toBeTruthy();
    expect(screen.getByRole('article', { name: 'Box Tar store door' })).toBeTruthy();
    fireEvent.change(
      screen.getAllByLabelText<HTMLSelectElement>(/^The black of the .* is$/)[0] as HTMLElement,
      {
        target: { value: 'alone' },
      },
    );
    press('Done: prove it');
    expect(screen.getByText(/^It works from 0 of 2 positions/)).toBeTruthy();
    expect(sent.filter(({ method }) => method !== 'GET')).toEqual([]);
    press('Its bench');
    expect(where()).toBe('/jobs/heron-yard/circuits/tar-store-light');
  });

  test('that goes on from old work is refused with the reason, and the way back', async () => {
    const { where } = await open('winch-lights');
    expect(await screen.findByText(/goes on from old work/)).toBeTruthy();
    press('Back to its bench');
    expect(where()).toBe('/jobs/heron-yard/circuits/winch-lights');
  });
});
