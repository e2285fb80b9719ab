import { fireEvent, render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter, useLocation } from 'react-router';
import type { Circuit, Job } from '@amber/core';
import { opened } from '../../src/store/jobSlice.js';
import { createStore, type Store } from '../../src/store/store.js';

const Where = () => {
  const { pathname, search } = useLocation();
  return <output data-testid="where">{pathname + search}</output>;
};

/** Shows a part of the pages at an address, with a job opened in the store of its own. */
export const show = (
  part: ReactElement,
  { job, at = '/' }: { job?: Job; at?: string } = {},
): ReturnType<typeof render> & { store: Store; where: () => string } => {
  const store = createStore();
  if (job) store.dispatch(opened({ stored: { revision: 1, document: job }, draft: null }));
  const shown = render(
    <Provider store={store}>
      <MemoryRouter initialEntries={[at]}>
        {part}
        <Where />
      </MemoryRouter>
    </Provider>,
  );
  return { ...shown, store, where: () => shown.getByTestId('where').textContent ?? '' };
};

/** The open job of a store. */
export const jobOf = (store: Store): Job => {
  const { open } = store.getState().job;
  if (!open) throw new Error('no job is open');
  return open.document;
};

/** A circuit of a job by its id. */
export const circuitOf = (job: Job, id: string): Circuit => {
  const found = job.circuits.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

/** Says who works at this screen today. */
export const works = (who: 'An electrician' | 'Somebody else'): void => {
  fireEvent.change(screen.getByLabelText('Initials'), { target: { value: 'JS' } });
  press(who);
};

export const press = (name: string | RegExp): boolean =>
  fireEvent.click(screen.getByRole('button', { name }));
