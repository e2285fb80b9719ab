import { useCallback, useEffect, useRef } from 'react';

/** So long a screen may take to come, milliseconds; then focus stays where it is. */
const PATIENCE = 3000;

/** Who opens a screen from the rail is taken to its heading, so that it is read, and the next key is the screen's. */
export const useHeading = (pathname: string): (() => void) => {
  const asked = useRef<string | null>(null);
  useEffect(() => {
    if (asked.current === null || asked.current === pathname) return;
    asked.current = null;
    const until = Date.now() + PATIENCE;
    let frame = 0;
    const look = () => {
      const heading = document.querySelector<HTMLElement>('#page h1');
      if (heading) {
        heading.tabIndex = -1;
        heading.focus({ preventScroll: true });
      } else if (Date.now() < until) frame = requestAnimationFrame(look);
    };
    look();
    return () => cancelAnimationFrame(frame);
  }, [pathname]);
  return useCallback(() => {
    asked.current = pathname;
  }, [pathname]);
};
