import { startTransition, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { App } from './shell/App.js';
import { claimTab } from './server/tab.js';
import { keepAtHand } from './shell/keepAtHand.js';
import { beginLook } from './shell/look.js';
import { createStore } from './store/store.js';
import './styles.css';

beginLook();
const root = document.getElementById('root');
if (!root) throw new Error('The page has no root.');
const page = createRoot(root);
// What is unsaved belongs to a tab, so its name is settled first.
void claimTab().finally(() =>
  // In parts, so that the browser has its turns.
  startTransition(() =>
    page.render(
      <StrictMode>
        <Provider store={createStore()}>
          <App />
        </Provider>
      </StrictMode>,
    ),
  ),
);
keepAtHand();
