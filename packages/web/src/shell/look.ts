import { habitOf, keepHabit } from '../server/habit.js';

/** By day, in the evening, or as the device has it. */
export const LOOKS = { light: 'Light', dark: 'Dark', device: 'As the device' } as const;
export type Look = keyof typeof LOOKS;

const KEPT = 'look';
const DARK = '(prefers-color-scheme: dark)';

export const lookNow = (): Look => {
  const kept = habitOf(KEPT);
  return kept === 'dark' || kept === 'device' ? kept : 'light';
};

const put = (look: Look): void => {
  const isDark =
    look === 'dark' || (look === 'device' && typeof matchMedia === 'function' && matchMedia(DARK).matches);
  document.documentElement.dataset['look'] = isDark ? 'dark' : 'light';
};

/** Shows the pages as this browser likes to see them, from before the first is drawn. */
export const beginLook = (): void => {
  put(lookNow());
  if (typeof matchMedia === 'function') matchMedia(DARK).addEventListener('change', () => put(lookNow()));
};

export const takeLook = (look: Look): void => {
  keepHabit(KEPT, look);
  put(look);
};
