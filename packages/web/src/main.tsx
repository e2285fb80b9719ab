import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { App } from './app/App.js';
import { claimTab } from './editing/tab.js';
import { createStore } from './app/store.js';
import './styles.css';

const root = document.getElementById('root');
if (!root) throw new Error('The page has no root.');
const page = createRoot(root);
// What is unsaved belongs to a tab, so its name is settled first.
void claimTab().finally(() =>
  page.render(
    <StrictMode>
      <Provider store={createStore()}>
        <App />
      </Provider>
    </StrictMode>,
  ),
);
