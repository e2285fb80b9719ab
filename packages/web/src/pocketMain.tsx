import { configureStore } from '@reduxjs/toolkit';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { wiringSlice } from './store/wiringSlice.js';
import './styles.css';
import { HOLDER, readPocket } from './pocket/pocket.js';
import { PocketApp } from './pocket/PocketApp.js';

const root = document.getElementById('root');
if (!root) throw new Error('The page has no root.');
const pocket = readPocket(document.getElementById(HOLDER)?.textContent ?? 'null');
if (typeof pocket !== 'string') {
  const circuit = pocket.job.circuits.find(({ id }) => id === pocket.circuit);
  document.title = `${circuit?.name ?? ''}, ${pocket.job.name}`;
}
// Of a wiring that is only looked at and flipped the handles are all that is kept: nothing is sent, nothing is saved.
const store = configureStore({ reducer: { wiring: wiringSlice.reducer } });
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      {typeof pocket === 'string' ? (
        <p role="alert" className="m-6 max-w-xl rounded-lg bg-sheet p-6">
          {pocket}
        </p>
      ) : (
        <PocketApp pocket={pocket} />
      )}
    </Provider>
  </StrictMode>,
);
