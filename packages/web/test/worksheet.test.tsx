import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { newWorksheet, withCount } from '@amber/core';
import { keptSheet } from '../src/screens/worksheet/keptSheet.js';
import { WorksheetScreen } from '../src/screens/worksheet/WorksheetScreen.js';
import { show } from './support/page.js';

beforeEach(() => localStorage.clear());

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

test('it is kept in this browser, and begun anew only when asked', () => {
  const first = show(<WorksheetScreen />);
  more('Conductors, 14 AWG', 2);
  first.unmount();
  show(<WorksheetScreen />);
  expect(answer()).toMatch(/4\.0 in³ needed/);
  fireEvent.click(screen.getByRole('button', { name: 'Start anew' }));
  expect(answer()).toMatch(/0\.0 in³ needed/);
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
});

test('what a later version kept is put aside and told', () => {
  const later = JSON.stringify({ ...newWorksheet('Attic'), worksheet: 99 });
  localStorage.setItem('amber-worksheet', later);
  show(<WorksheetScreen />);
  expect(screen.getByRole('alert').textContent).toMatch(/put aside/);
  expect(localStorage.getItem('amber-worksheet-unread')).toBe(later);
  expect(keptSheet().unread).toBe(true);
});
