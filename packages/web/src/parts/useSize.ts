import { useEffect, useState, type RefObject } from 'react';

/** Pixels. */
export interface Size {
  width: number;
  height: number;
}

/** The size of an element inside, as it changes; null before it is known. */
export const useSize = (ref: RefObject<Element | null>): Size | null => {
  const [size, setSize] = useState<Size | null>(null);
  useEffect(() => {
    if (!ref.current) return;
    const observer = new ResizeObserver(([entry]) => {
      if (!entry) return;
      const { width, height } = entry.contentRect;
      setSize((before) => (before?.width === width && before.height === height ? before : { width, height }));
    });
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, [ref]);
  return size;
};
