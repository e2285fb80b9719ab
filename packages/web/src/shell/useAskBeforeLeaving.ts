import { useEffect } from 'react';
import { useAppSelector } from '../store/store.js';

/** The browser asks before the page is left while something is unsaved and this browser has no room to keep it. */
export const useAskBeforeLeaving = (): void => {
  const atRisk = useAppSelector(
    ({ job: { open } }) => open !== null && !open.held && open.save.kind !== 'saved',
  );
  useEffect(() => {
    if (!atRisk) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener('beforeunload', ask);
    return () => removeEventListener('beforeunload', ask);
  }, [atRisk]);
};
