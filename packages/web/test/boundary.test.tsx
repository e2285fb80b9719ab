import { fireEvent, render, screen } from '@testing-library/react';
import { lazy, useState } from 'react';
import { Boundary } from '../src/parts/Boundary.js';

const Throws = (): never => {
  throw new Error('a fault made for this test');
};

/** What React prints of a caught error is no output of a test. */
const print = console.error;
beforeEach(() => {
  console.error = () => undefined;
});
afterEach(() => {
  console.error = print;
});

test('what throws is told with its error to be copied, and what stands beside it goes on', () => {
  const copied: string[] = [];
  Object.defineProperty(navigator, 'clipboard', {
    configurable: true,
    value: { writeText: (text: string) => Promise.resolve(void copied.push(text)) },
  });
  render(
    <>
      <p>The rail</p>
      <Boundary what="Runs" of="runs">
        <Throws />
      </Boundary>
    </>,
  );
  expect(screen.getByText('The rail')).toBeTruthy();
  const alert = screen.getByRole('alert');
  expect(alert.textContent).toContain('Runs failed');
  expect(alert.textContent).toContain('The job is kept as it was');
  expect(screen.getByLabelText('The error').textContent).toContain('a fault made for this test');
  fireEvent.click(screen.getByRole('button', { name: 'Copy the error' }));
  expect(copied.join()).toContain('a fault made for this test');
  expect(screen.getByRole('button', { name: 'Load the page anew' })).toBeTruthy();
});

test('a part of the program that does not load is told as such', async () => {
  const Missing = lazy(() =>
    Promise.reject(new TypeError('Failed to fetch dynamically imported module: /assets/Runs.js')),
  );
  render(
    <Boundary what="Runs" of="runs">
      <Missing />
    </Boundary>,
  );
  const alert = await screen.findByRole('alert');
  expect(alert.textContent).toContain('Runs did not load');
  expect(alert.textContent).not.toContain('fault of the program');
});

test('another screen is tried anew, and the same one again only when the page is loaded', () => {
  const Screens = () => {
    const [of, go] = useState('runs');
    return (
      <>
        <button type="button" onClick={() => go('bench')}>
          Bench
        </button>
        <Boundary what={of} of={of}>
          {of === 'runs' ? <Throws /> : <p>The bench</p>}
        </Boundary>
      </>
    );
  };
  render(<Screens />);
  expect(screen.getByRole('alert')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Bench' }));
  expect(screen.queryByRole('alert')).toBeNull();
  expect(screen.getByText('The bench')).toBeTruthy();
});
