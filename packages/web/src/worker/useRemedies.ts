import { findingKey, remediesFor, type Finding, type Job, type Remedy } from '@amber/core';
import { useEffect, useState } from 'react';

/** Long enough for the screen to be drawn, and for the next keystroke of a name. */
const REST = 250;
/** Each is planned and inspected again to see whether it helps; of many alike the first few are enough. */
const MOST = 8;

/** What the program can do about the findings, tried out once the user rests; by finding, and for one job. */
export const useRemedies = (job: Job, findings: readonly Finding[]): ReadonlyMap<string, Remedy[]> => {
  const [offered, setOffered] = useState<{ job: Job; remedies: ReadonlyMap<string, Remedy[]> } | null>(null);
  useEffect(() => {
    const first = new Map<string, Finding>();
    for (const one of findings) {
      const alike = `${one.rule} ${one.at.circuit ?? one.at.box ?? ''}`;
      if (one.severity !== 'verify' && !first.has(alike)) first.set(alike, one);
    }
    const timer = setTimeout(() => {
      const remedies = new Map<string, Remedy[]>();
      for (const one of [...first.values()].slice(0, MOST))
        remedies.set(findingKey(one), remediesFor(job, null, one));
      setOffered({ job, remedies });
    }, REST);
    return () => clearTimeout(timer);
  }, [job, findings]);
  return offered?.job === job ? offered.remedies : new Map();
};
