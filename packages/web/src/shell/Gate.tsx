import { useEffect, type ReactNode } from 'react';
import { useMeQuery } from '../server/api.js';
import { NO_ACCESS } from '../server/client.js';
import { Pair } from './Pair.js';

/** Shows the program to whoever was let in, and the way in to whoever was not. Nobody waits for that to be known. */
export const Gate = ({ children }: { children: ReactNode }) => {
  const { data, refetch } = useMeQuery();
  useEffect(() => {
    // Put out meanwhile, or asked before it was let in.
    const told = () => void refetch();
    addEventListener(NO_ACCESS, told);
    return () => removeEventListener(NO_ACCESS, told);
  }, [refetch]);
  if (data?.role === null) return <Pair certificate={data.certificate} onPaired={() => location.reload()} />;
  return children;
};
