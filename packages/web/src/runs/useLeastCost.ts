import { useEffect, useState } from 'react';
import type { CircuitId, Job } from '@amber/core';
import { takeWorker } from './workers.js';

export type Price =
  { kind: 'asking' } | { kind: 'known'; cost: number | null } | { kind: 'failed'; message: string };

/** The least that a circuit would cost under another brief, from a worker; what a demand costs is seen before it is made. */
export const useLeastCost = (job: Job | null, circuit: CircuitId): Price | null => {
  const brief = job === null ? null : JSON.stringify({ ...job, wirings: [] });
  const [known, setKnown] = useState<{ brief: string; price: Price } | null>(null);
  useEffect(() => {
    if (brief === null) return;
    const { worker, planner } = takeWorker();
    let current = true;
    void planner
      .leastCost(JSON.parse(brief) as Job, circuit)
      .then(
        (cost): Price => ({ kind: 'known', cost }),
        (error: unknown): Price => ({
          kind: 'failed',
          message: error instanceof Error ? error.message : String(error),
        }),
      )
      .then((price) => {
        if (current) setKnown({ brief, price });
        worker.terminate();
      });
    return () => {
      current = false;
      worker.terminate();
    };
  }, [brief, circuit]);
  if (brief === null) return null;
  return known?.brief === brief ? known.price : { kind: 'asking' };
};
