import { resetTab } from '../../src/server/tab.js';

/** Keys by which a storage of the browser is asked. */
const storage = (kept: Map<string, string>): Storage =>
  ({
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
    key: (index: number) => [...kept.keys()][index] ?? null,
    get length() {
      return kept.size;
    },
  }) as unknown as Storage;

let session = new Map<string, string>();
let living = new Set<string>();

/** The parts of a browser that keeping drafts needs, with nothing in them and one tab open. */
export const fakeBrowser = (): void => {
  globalThis.localStorage = storage(new Map());
  globalThis.addEventListener = (() => undefined) as typeof addEventListener;
  globalThis.dispatchEvent = () => true;
  living = new Set();
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: {
      locks: {
        query: () =>
          Promise.resolve({ held: [...living].map((name) => ({ name: `amber-junction.tab.${name}` })) }),
      },
    },
  });
  openTab('first');
};

/** What is done from now on is done in this tab; those that are gone hold no lock any more. */
export const openTab = (name: string, { gone = [] }: { gone?: string[] } = {}): void => {
  session = new Map([['amber-junction.tab', name]]);
  globalThis.sessionStorage = storage(session);
  living.add(name);
  for (const one of gone) living.delete(one);
  resetTab();
};
