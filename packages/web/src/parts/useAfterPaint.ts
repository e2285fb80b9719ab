import { startTransition, useEffect, useState } from 'react';

/** False until the screen has been drawn once: for what takes long and is not needed to begin. */
export const useAfterPaint = (): boolean => {
  const [painted, setPainted] = useState(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    // The frame after this one has been drawn with what stands there now.
    const frame = requestAnimationFrame(
      () => (timer = setTimeout(() => startTransition(() => setPainted(true)))),
    );
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, []);
  return painted;
};
