import { useEffect, useState } from 'react';

/** How long the dashes run after a change, milliseconds. */
const AFTER_CHANGE = 2000;

/** Do the dashes run? After what is drawn has changed, and while a conductor is followed. */
export const useMoving = (state: unknown, followed: boolean): boolean => {
  const [stood, setStood] = useState<unknown>(null);
  useEffect(() => {
    const timer = setTimeout(() => setStood(state), AFTER_CHANGE);
    return () => clearTimeout(timer);
  }, [state]);
  return followed || stood !== state;
};
