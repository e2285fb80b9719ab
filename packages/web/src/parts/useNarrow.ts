import { useSyncExternalStore } from 'react';

/** A telephone held upright, or a page at such a zoom. */
const NARROW = '(max-width: 639px)';

const query = (): MediaQueryList | null => (typeof matchMedia === 'function' ? matchMedia(NARROW) : null);

const listen = (changed: () => void) => {
  const list = query();
  list?.addEventListener('change', changed);
  return () => list?.removeEventListener('change', changed);
};

/** Is there room for one thing at a time only? */
export const useNarrow = (): boolean => useSyncExternalStore(listen, () => query()?.matches ?? false);
