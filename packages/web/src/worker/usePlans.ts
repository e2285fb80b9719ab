import { proxy } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import type { Circuit, Job, PlanSet } from '@amber/core';
import { takeWorker } from './workers.js';

export type Search =
  | { kind: 'searching'; found: PlanSet | null }
  | { kind: 'done' | 'stopped'; found: PlanSet | null }
  | { kind: 'failed'; message: string };

/** What the search hangs on: the job without what was planned, and without the choice that it is to find. */
const briefOf = (job: Job, circuit: Circuit): string =>
  JSON.stringify({
    ...job,
    name: '',
    wirings: [],
    choices: job.choices.filter((one) => one.circuit !== circuit.id),
  });

/** The last brief that was searched to its end, so that coming back costs nothing. */
let last: { brief: string; circuit: string; found: PlanSet } | null = null;

/** Searches the plans of a circuit in a worker, anew with every change of its brief. */
export const usePlans = (job: Job, circuit: Circuit) => {
  const brief = useMemo(() => briefOf(job, circuit), [job, circuit]);
  const [search, setSearch] = useState<Search>({ kind: 'searching', found: null });
  const [stop, setStop] = useState<(() => void) | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (last?.brief === brief && last.circuit === circuit.id) {
      setSearch({ kind: 'done', found: last.found });
      return;
    }
    const { worker, planner } = takeWorker();
    let current = true;
    const end = () => {
      current = false;
      worker.terminate();
    };
    const failed = (message: string) => {
      if (!current) return;
      end();
      setSearch({ kind: 'failed', message });
    };
    worker.addEventListener('error', (event) => failed(event.message));
    setSearch((before) => ({ kind: 'searching', found: before.kind === 'failed' ? null : before.found }));
    setStop(() => () => {
      end();
      setSearch((before) =>
        before.kind === 'searching' ? { kind: 'stopped', found: before.found } : before,
      );
    });
    performance.mark('plans-asked');
    let answered = false;
    const show = (found: PlanSet) => {
      if (!answered && found.candidates.length > 0) performance.mark('plans-first');
      answered ||= found.candidates.length > 0;
      if (found.profiles.some((one) => one.id === 'leastCost' && one.proved))
        performance.mark('plans-proved');
      if (current) setSearch({ kind: 'searching', found });
    };
    planner.find(JSON.parse(brief) as Job, circuit.id, proxy(show)).then(
      (found) => {
        if (!current) return;
        last = { brief, circuit: circuit.id, found };
        setSearch({ kind: 'done', found });
        end();
      },
      (error: unknown) => failed(error instanceof Error ? error.message : String(error)),
    );
    return end;
  }, [brief, circuit.id, tries]);
  return { search, stop, again: () => setTries((count) => count + 1) };
};
