import { useEffect, useState } from 'react';

/** Milliseconds of rest in typing before the server is asked. */
const REST = 200;

/** A text as it was when it last rested. */
export const useRested = (text: string): string => {
  const [rested, setRested] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setRested(text), REST);
    return () => clearTimeout(timer);
  }, [text]);
  return rested;
};
