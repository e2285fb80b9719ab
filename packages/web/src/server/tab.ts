import { nanoid } from '@reduxjs/toolkit';

/**
 * What is unsaved belongs to the tab in which it was typed: two tabs on one job hold each their own. A tab keeps its name over a
 * reload. A copy of a tab starts with the name of the first; the lock that each holds as long as it lives tells them apart.
 */
const KEY = 'amber-junction.tab';
const lockOf = (name: string) => `amber-junction.tab.${name}`;

/** Named on first use: where there is no session to keep it in, for as long as the page lives. */
let name: string | null = null;

const named = (): string => {
  try {
    const kept = sessionStorage.getItem(KEY) ?? nanoid();
    sessionStorage.setItem(KEY, kept);
    return kept;
  } catch {
    return nanoid();
  }
};

/** A page that starts anew reads its name again. */
export const resetTab = (): void => {
  name = null;
};

export const tabName = (): string => (name ??= named());

const locks = (): LockManager | null =>
  typeof navigator === 'undefined' || !('locks' in navigator) ? null : navigator.locks;

/** A page that is loaded anew waits so long at the most for the one before it to let its name go, milliseconds. */
const PATIENCE = 1500;

/** Holds a name until the page is gone; false where another tab holds it. */
const hold = (tab: string): Promise<boolean> =>
  new Promise((resolve) => {
    locks()
      ?.request(lockOf(tab), { signal: AbortSignal.timeout(PATIENCE) }, () => {
        resolve(true);
        return new Promise<never>(() => undefined);
      })
      .catch(() => resolve(false));
  });

/** Takes the name of this tab for its own, or another where a copy of the tab lives. Once, when the page starts. */
export const claimTab = async (): Promise<void> => {
  if (!locks() || (await hold(tabName()))) return;
  name = nanoid();
  sessionStorage.setItem(KEY, name);
  await hold(name);
};

/** The tabs that live. Null where the browser cannot tell. */
export const livingTabs = async (): Promise<ReadonlySet<string> | null> => {
  const state = await locks()?.query();
  if (!state) return null;
  const prefix = lockOf('');
  return new Set(
    (state.held ?? []).flatMap((lock) =>
      lock.name?.startsWith(prefix) ? [lock.name.slice(prefix.length)] : [],
    ),
  );
};
