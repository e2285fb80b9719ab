import { jest } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import {
  BUILT,
  drawHiddenFault,
  drawMakeUp,
  drawWhichWire,
  PANEL,
  plannedWiring,
  readExercise,
  tapeKey,
  withDocument,
  writeExercise,
  type Practised,
} from '@amber/core';
import { PracticeScreen } from '../src/screens/practice/PracticeScreen.js';
import { press, show } from './support/page.js';
import { fakeServer, type Sent } from './support/server.js';
import { yard } from './support/yard.js';

const CHANCE = 0.123456789;
const SEED = Math.floor(CHANCE * 1_000_000_000);
const DAY = 86_400_000;

let sent: Sent[] = [];
beforeEach(() => {
  sent = fakeServer();
  localStorage.clear();
  jest.spyOn(Math, 'random').mockReturnValue(CHANCE);
});
afterEach(() => {
  jest.restoreAllMocks();
  jest.useRealTimers();
});

const ago = (days: number, more: Partial<Practised>): Practised => ({
  ...{ id: `p${days} ${more.kind}`, learner: 'Una Reed', kind: 'makeUp', level: 'poleAtSwitch', seed: 1 },
  ...{ edition: 2023, outcome: 'right', stopped: 0, at: new Date(Date.now() - days * DAY).toISOString() },
  ...more,
});
const answer = async (path: string, body: object) => {
  await waitFor(() => expect(sent.some((one) => one.path === path)).toBe(true));
  await act(async () => {
    sent.find((one) => one.path === path)?.answer(200, body);
    await Promise.resolve();
  });
};
const called = async (name: string, practised: readonly Practised[]) => {
  fireEvent.change(screen.getByLabelText('Who practises?'), { target: { value: name } });
  fireEvent.blur(screen.getByLabelText('Who practises?'));
  await answer(`/api/practice/learners/${encodeURIComponent(name)}`, { practised });
  await screen.findByRole('button', { name: 'Sheet of what you can do' });
};
const posted = () => sent.filter(({ method }) => method === 'POST');

describe('the course', () => {
  test('what was missed comes back first, then what is next; a name is asked for and remembered', async () => {
    const { unmount } = show(<PracticeScreen />);
    const course = () => within(screen.getByRole('region', { name: 'Course' }));
    expect(course().getByText(/comes back after a day, three and ten/)).toBeTruthy();
    await called('Una Reed', [ago(2, { kind: 'sizeIt', outcome: 'missed' }), ago(0, { outcome: 'right' })]);
    expect(course().getByRole('status').textContent).toBe('1 exercise comes back today.');
    expect(course().getByText('First: “Size it: Single-pole, power at the switch”.')).toBeTruthy();
    press('Practise what came back');
    expect(screen.getByRole('heading', { name: 'Size it: Single-pole, power at the switch' })).toBeTruthy();
    unmount();
    show(<PracticeScreen />);
    expect(screen.getByLabelText<HTMLInputElement>('Who practises?').value).toBe('Una Reed');
    await answer('/api/practice/learners/Una%20Reed', { practised: [] });
  });

  test('with nothing to come back the next of the course is offered', async () => {
    show(<PracticeScreen />);
    await called('Una Reed', [ago(0, { outcome: 'right' })]);
    expect(screen.getByText('Next in the course: “Size it: Single-pole, power at the switch”.')).toBeTruthy();
    press('Go on with the course');
    expect(screen.getByRole('heading', { name: /^Size it/ })).toBeTruthy();
  });

  test('a sheet tells what somebody can do, square by square, and that it is no license', async () => {
    show(<PracticeScreen />);
    await called('Una Reed', [
      ago(4, { kind: 'judgeIt', outcome: 'missed' }),
      ago(3, { kind: 'judgeIt', outcome: 'right' }),
      ago(2, { kind: 'findFault', level: 'fourWay', outcome: 'helped' }),
    ]);
    press('Sheet of what you can do');
    const sheet = within(screen.getByRole('article', { name: 'Sheet of what somebody can do' }));
    expect(sheet.getByRole('heading', { name: 'Una Reed' })).toBeTruthy();
    const cells = (row: RegExp) =>
      within(sheet.getByRole('row', { name: row }))
        .getAllByRole('cell')
        .map(({ textContent }) => textContent);
    expect(cells(/^1\. Single-pole/)).toEqual(['–', '–', '–', '–', expect.stringMatching(/^✓1 of 2/)]);
    expect(cells(/^7\. Three places/)[2]).toMatch(/^with a hint0 of 1/);
    expect(sheet.getByText(/Of 57 kinds of exercise 1 came out right without help/)).toBeTruthy();
    expect(sheet.getByText(/It is no license/)).toBeTruthy();
    press('All exercises');
    expect(screen.getByRole('heading', { name: 'Practice' })).toBeTruthy();
  });

  test('without a connection an answer is kept in the browser and sent when it is back, once', async () => {
    const { unmount } = show(<PracticeScreen />);
    await called('Una Reed', []);
    press('Size it');
    fireEvent.click(
      within(screen.getByRole('region', { name: 'Size it' })).getByRole('button', { name: /^1 Single-pole/ }),
    );
    fireEvent.change(screen.getByLabelText(/^Cubic inches needed/), { target: { value: '199' } });
    fireEvent.blur(screen.getByLabelText(/^Cubic inches needed/));
    press('Too small');
    await waitFor(() => expect(posted().length).toBe(1));
    await act(async () => {
      posted()[0]?.vanish();
      await Promise.resolve();
    });
    press('All exercises');
    expect(await screen.findByText(/No connection: what you answer is kept here/)).toBeTruthy();
    expect(screen.getByText('Missed the last time · back tomorrow')).toBeTruthy();
    const [first] = posted();
    unmount();
    // Loaded anew it is there, and goes out under the same id.
    sent = fakeServer();
    show(<PracticeScreen />);
    await waitFor(() => expect(posted().map(({ body }) => body['id'])).toEqual([first?.body['id']]));
    await act(async () => {
      posted()[0]?.answer(201, { id: String(first?.body['id']) });
      await Promise.resolve();
    });
    await answer('/api/practice/learners/Una%20Reed', { practised: [first?.body as never] });
    expect(await screen.findByText('Nothing comes back today.')).toBeTruthy();
    expect(posted().length).toBe(1);
  });
});

describe('wires to be told apart', () => {
  const begin = () => {
    show(<PracticeScreen />);
    press('Which wire');
    fireEvent.click(
      within(screen.getByRole('region', { name: 'Which wire' })).getByRole('button', {
        name: /^5 Two three/,
      }),
    );
  };
  const exercise = drawWhichWire({ level: 'pairAtSwitch', seed: SEED, edition: 2023 });
  const { stubs, leads, job } = exercise;
  const nameOf = (box: string) => job.boxes.find(({ id }) => id === box)?.name ?? '';
  const wire = (stub: (typeof stubs)[number], colour: string) =>
    fireEvent.click(
      within(
        within(screen.getByRole('article', { name: `Box ${nameOf(stub.box)}` })).getByRole('group', {
          name: `Wires of cable ${stub.number}`,
        }),
      ).getByRole('button', { name: colour }),
    );
  const shows = () => screen.getByRole('status', { name: 'The tester shows' }).textContent;

  test('no tool goes on what is live, or only off; dead, a link shows at the other end of its cable and nowhere else', () => {
    begin();
    const [first] = stubs;
    if (!first) throw new Error('no wires');
    wire(first, 'black');
    expect(screen.getByText(/^Stopped: the breaker is on\. A link on a live wire is a short/)).toBeTruthy();
    fireEvent.click(screen.getByRole('switch', { name: 'Breaker on' }));
    wire(first, 'black');
    press(/^A two-pole tester that is proved/);
    const between = stubs.find((stub) => leads[tapeKey(stub)] !== PANEL && stub.wires.includes('red'));
    const far = stubs.find((stub) => between && tapeKey(stub) === tapeKey(leads[tapeKey(between)] as never));
    if (!between || !far) throw new Error('no travelers');
    wire(between, 'black');
    wire(between, 'red');
    press('Continuity tester');
    wire(far, 'black');
    expect(shows()).toBe('No reading');
    wire(far, 'red');
    expect(shows()).toBe('Continuity');
    // Nobody puts power on a link.
    fireEvent.click(screen.getByRole('switch', { name: 'Breaker off' }));
    expect(screen.getByText(/^Stopped: a link is on\. With power on it is a short/)).toBeTruthy();
    expect(screen.getByRole('switch', { name: 'Breaker off' })).toBeTruthy();
    press('Link wire');
    press('Take it off');
    press('Continuity tester');
    wire(far, 'red');
    wire(far, 'red');
    expect(shows()).toBe('None');
    expect(
      within(screen.getByRole('region', { name: 'What was read' })).getAllByRole('listitem').length,
    ).toBe(2);
  });

  test('told wrongly it is marked; told rightly the way of the program stands beside it', () => {
    begin();
    const tell = (stub: (typeof stubs)[number], value: string) =>
      fireEvent.change(screen.getByLabelText(new RegExp(`^${nameOf(stub.box)}, cable ${stub.number}`)), {
        target: { value },
      });
    for (const stub of stubs) tell(stub, PANEL);
    press('So they lead');
    const out = () => within(screen.getByRole('region', { name: 'How it comes out' }));
    expect(out().getByRole('status').textContent).toMatch(
      new RegExp(`^1 of ${stubs.length} right\\. Read again`),
    );
    expect(screen.getAllByText(/: not so$/).length).toBe(stubs.length - 1);
    for (const stub of stubs) {
      const led = leads[tapeKey(stub)];
      tell(stub, led === PANEL || !led ? PANEL : tapeKey(led));
    }
    press('So they lead');
    expect(out().getByRole('status').textContent).toBe('Right.');
    expect(out().getByText(/^One way to tell them, in \d+ readings$/)).toBeTruthy();
  });

  test('a hint goes three steps deep', () => {
    begin();
    press('Hint');
    expect(screen.getByText(/^What shows at each cable with no link on/)).toBeTruthy();
    press('Why?');
    press('Show one way');
    expect(screen.getByText(/^One way to tell them/)).toBeTruthy();
  });
});

describe('an exercise for others', () => {
  const file = (text: string) => ({ text: () => Promise.resolve(text) }) as unknown as File;
  const open = async (text: string) => {
    await act(async () => {
      fireEvent.change(screen.getByLabelText('File of an exercise'), { target: { files: [file(text)] } });
      await Promise.resolve();
    });
  };

  test('somebody’s mistake is found with boxes shut, and the word of its maker stands over it', async () => {
    const { job } = drawHiddenFault({ level: 'pairAtSwitch', seed: 4, edition: 2023 });
    show(<PracticeScreen />);
    await open(writeExercise({ kind: 'findFault', title: 'For Una', note: 'Look at the commons.', job }));
    expect(await screen.findByRole('heading', { name: 'For Una' })).toBeTruthy();
    expect(screen.getByText('Look at the commons.')).toBeTruthy();
    expect(screen.getAllByRole('article', { name: /^Closed box/ })).toHaveLength(job.boxes.length);
    press('Done: prove it');
    expect(screen.getByText(/^It works from \d of 4 positions/)).toBeTruthy();
    expect(posted()).toEqual([]);
  });

  test('what is no exercise is told, and the list stays', async () => {
    show(<PracticeScreen />);
    await open('{"format": 12}');
    expect(screen.getByRole('alert').textContent).toMatch(
      /^This is no exercise\. A job is opened under Jobs/,
    );
    await open('not json');
    expect(screen.getByRole('alert').textContent).toMatch(/^This is not JSON/);
    expect(screen.getByRole('heading', { name: 'Practice' })).toBeTruthy();
  });

  test('a circuit of one’s own is saved as one that others open', async () => {
    const made: Blob[] = [];
    URL.createObjectURL = (blob) => {
      made.push(blob as Blob);
      return 'blob:here';
    };
    URL.revokeObjectURL = () => undefined;
    // There is nowhere to save to here.
    jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
    show(<PracticeScreen />, { at: '/practice?job=heron-yard&circuit=tar-store-light' });
    await answer('/api/jobs/heron-yard', { revision: 3, document: yard() });
    await screen.findByRole('heading', { name: 'Tar store, for practice' });
    fireEvent.change(screen.getByLabelText('What it is called'), { target: { value: 'Tar store at night' } });
    fireEvent.change(screen.getByLabelText('A word to whoever takes it'), {
      target: { value: 'Mind the white.' },
    });
    press('To be made up, from here on');
    // Loose wires show at the handles: there is a mistake to be found, too.
    press('With the mistake in it to be found');
    expect(made.length).toBe(2);
    const reader = new FileReader();
    const text = await new Promise<string>((resolve) => {
      reader.onload = () => resolve(reader.result as string);
      reader.readAsText(made[0] as Blob);
    });
    const read = readExercise(text);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.exercise).toMatchObject({
      kind: 'makeUp',
      title: 'Tar store at night',
      note: 'Mind the white.',
    });
    expect(read.exercise.job.circuits.map(({ name }) => name)).toEqual(['Tar store']);
  });
});

test('what is made up rightly has no mistake to be found, and no such file is written', () => {
  const { job } = drawMakeUp({ level: 'poleAtSwitch', seed: 1, edition: 2023 });
  const document = job.wirings.find(({ id }) => id === BUILT);
  const planned = plannedWiring(job);
  if (!document || !planned) throw new Error('no bench');
  const right = withDocument(job, { ...document, wiring: planned });
  expect(() => writeExercise({ kind: 'findFault', title: 'x', note: '', job: right })).toThrow(
    /nothing to be found/,
  );
});

test('a circuit is made to measure: what is asked for hangs loose, is proved, and is put on nobody’s record', () => {
  const { container } = show(<PracticeScreen />);
  const form = within(screen.getByText('Made to measure').closest('details') as HTMLElement);
  const pick = (label: string, value: string) =>
    fireEvent.change(form.getByLabelText(label), { target: { value } });
  pick('What is switched', '2');
  // Two lights from two doors have their places: nothing more is asked of them.
  expect(form.queryByLabelText('Switch locations')).toBeNull();
  pick('What is switched', '1');
  pick('Switch locations', '3');
  pick('Power enters', 'luminaire');
  pick('Breaker and wire', '20');
  fireEvent.click(form.getByRole('button', { name: 'Hang it loose' }));
  expect(
    screen.getByRole('heading', { level: 1, name: 'From three places, power at the light' }),
  ).toBeTruthy();
  expect(screen.getByText(/on 20 A, 12 AWG/)).toBeTruthy();
  expect(container.querySelectorAll('article[aria-label^="Box "]').length).toBe(4);
  fireEvent.click(screen.getByRole('button', { name: 'Done: prove it' }));
  expect(screen.getByText(/^It works from 0 of 8 positions/)).toBeTruthy();
  expect(screen.queryByText('The first “Done” counts.')).toBeNull();
  expect(posted()).toEqual([]);
  expect(screen.getByText('Save it as an exercise for others')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'All exercises' }));
  expect(screen.getByRole('heading', { level: 1, name: 'Practice' })).toBeTruthy();
});
