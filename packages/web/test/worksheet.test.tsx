import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { newWorksheet, withCount } from '@amber/core';
import { keptSheets } from '../src/store/keptSheets.js';
import { WorksheetScreen } from '../src/screens/worksheet/WorksheetScreen.js';
import { show } from './support/page.js';
import { fakeServer } from './support/server.js';

beforeEach(() => {
  localStorage.clear();
  fakeServer();
});

const more = (what: string, times = 1) => {
  for (let i = 0; i < times; i++) fireEvent.click(screen.getByRole('button', { name: `One more: ${what}` }));
};
const answer = () => screen.getAllByRole('status')[0]?.textContent ?? '';

test('a box is counted up thing by thing, and answered at once, line by line', () => {
  show(<WorksheetScreen />);
  more('Conductors, 14 AWG', 5);
  more('Grounds, 14 AWG', 3);
  more('Devices, 14 AWG');
  // 5 x 2.0, one allowance for the grounds, twice for the yoke.
  expect(answer()).toMatch(/16\.0 in³ needed of 18\.0 in³: fits, 2\.0 in³ left/);
  fireEvent.click(screen.getByRole('checkbox', { name: /Cable clamps inside/ }));
  expect(answer()).toMatch(/18\.0 in³ needed of 18\.0 in³: fits, 0\.0 in³ left/);
  more('Conductors, 12 AWG');
  expect(answer()).toMatch(/too small/);
  fireEvent.click(screen.getByRole('button', { name: 'One less: Conductors, 12 AWG' }));
  expect(answer()).toMatch(/fits, 0\.0/);
  const lines = within(screen.getByRole('region', { name: 'Arithmetic' }));
  expect(lines.getByText(/5 conductors, 14 AWG/)).toBeTruthy();
  // Its own clamps take one allowance more in a box that has none marked inside: the smallest is named with its price.
  expect(lines.getByText(/Smallest of plastic/).nextSibling?.textContent).toMatch(/in³, \$/);
});

test('each is kept in this browser under its name, and what is thrown away is brought back', () => {
  const first = show(<WorksheetScreen />);
  more('Conductors, 14 AWG', 2);
  first.unmount();
  const second = show(<WorksheetScreen />);
  expect(answer()).toMatch(/4\.0 in³ needed/);
  fireEvent.click(screen.getByRole('button', { name: 'New sheet' }));
  expect(answer()).toMatch(/0\.0 in³ needed/);
  more('Conductors, 12 AWG', 2);
  second.unmount();
  show(<WorksheetScreen />);
  const hand = () => screen.getByLabelText<HTMLSelectElement>('Worksheet at hand');
  expect([...hand().options].map(({ text }) => text)).toEqual(['Box 2', 'Box']);
  expect(answer()).toMatch(/4\.5 in³ needed/);
  fireEvent.change(hand(), { target: { value: hand().options[1]?.value } });
  expect(answer()).toMatch(/4\.0 in³ needed/);
  fireEvent.click(screen.getByRole('button', { name: 'Throw away' }));
  expect(answer()).toMatch(/4\.5 in³ needed/);
  expect(hand().options).toHaveLength(1);
  fireEvent.click(screen.getByRole('button', { name: 'Bring it back' }));
  expect(answer()).toMatch(/4\.0 in³ needed/);
  expect(hand().options).toHaveLength(2);
  // The last of all leaves an empty one.
  for (let i = 0; i < 2; i++) fireEvent.click(screen.getByRole('button', { name: 'Throw away' }));
  expect(answer()).toMatch(/0\.0 in³ needed/);
});

test('it goes into a job: the job is opened where what the sheet does not tell is asked', async () => {
  const sent = fakeServer();
  const { where } = show(<WorksheetScreen />);
  const into = await screen.findByLabelText('Put it into a job');
  const head = {
    ...{ id: 'yard', name: 'Heron Yard', revision: 1, updatedAt: '2026-01-05T08:00:00.000Z' },
    ...{ summary: null, pending: false },
  };
  const asks = (search: string) =>
    waitFor(() => {
      const found = sent.find(({ path }) => new URL(path, 'http://x').searchParams.get('search') === search);
      if (!found) throw new Error(`nobody searched ${search}`);
      return found;
    });
  const first = await asks('');
  await act(() => Promise.resolve(first.answer(200, { jobs: [], total: 70 })));
  // One of many is found by what is typed, as the list finds it.
  act(() => into.focus());
  fireEvent.change(into, { target: { value: 'heron' } });
  const second = await asks('heron');
  await act(() => Promise.resolve(second.answer(200, { jobs: [head], total: 1 })));
  await userEvent.click(await screen.findByRole('option', { name: 'Heron Yard' }));
  await waitFor(() =>
    expect(where()).toBe(`/jobs/yard/boxes?worksheet=${encodeURIComponent(keptSheets().sheets[0].id)}`),
  );
});

test('a file that is no worksheet is refused with what is wrong, and nothing is lost', async () => {
  show(<WorksheetScreen />);
  more('Conductors, 14 AWG', 2);
  const bring = (text: string) =>
    fireEvent.change(screen.getByLabelText('Worksheet file'), {
      target: { files: [{ name: 'a.json', text: () => Promise.resolve(text) }] },
    });
  bring('{ "worksheet": 1,');
  await waitFor(() =>
    expect(screen.getByRole('alert').textContent).toMatch(/a\.json was not opened\. This is not JSON/),
  );
  const bad = { ...newWorksheet('Attic'), sections: [{ name: 'Box', volume: -1 }] };
  bring(JSON.stringify(bad));
  await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/sections.*volume/));
  expect(answer()).toMatch(/4\.0 in³ needed/);
  bring(JSON.stringify(withCount(newWorksheet('Attic'), 'conductors', 12, 4)));
  await waitFor(() => expect(answer()).toMatch(/9\.0 in³ needed/));
  expect(screen.queryByRole('alert')).toBeNull();
  // It is one more sheet: the one that was at hand is still there.
  expect(keptSheets().sheets.map(({ sheet }) => sheet.name)).toEqual(['Attic', 'Box']);
});

test('the only sheet of a version of before is one of those that are kept', () => {
  localStorage.setItem(
    'amber-worksheet',
    JSON.stringify(withCount(newWorksheet('Attic'), 'conductors', 14, 3)),
  );
  const first = show(<WorksheetScreen />);
  expect(answer()).toMatch(/6\.0 in³ needed/);
  more('Conductors, 14 AWG');
  first.unmount();
  expect(keptSheets().sheets.map(({ sheet }) => sheet.name)).toEqual(['Attic']);
});

test('what a later version kept is put aside and told, and the others stay', () => {
  const later = { ...newWorksheet('Attic'), worksheet: 99 };
  localStorage.setItem(
    'amber-worksheets',
    JSON.stringify([
      { id: 'a', sheet: later },
      { id: 'b', sheet: newWorksheet('Cellar') },
    ]),
  );
  show(<WorksheetScreen />);
  expect(screen.getByRole('alert').textContent).toMatch(/put aside/);
  expect(JSON.parse(localStorage.getItem('amber-worksheet-unread') ?? '')).toEqual(later);
  expect(keptSheets().sheets.map(({ sheet }) => sheet.name)).toEqual(['Cellar']);
  localStorage.setItem('amber-worksheets', '{');
  expect(keptSheets().unread).toBe(true);
  expect(localStorage.getItem('amber-worksheet-unread')).toBe('{');
});
