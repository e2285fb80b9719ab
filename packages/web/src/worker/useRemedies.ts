import { findingKey, type Finding, type Job, type Remedy } from '@amber/core';
import { useMemo } from 'react';
import { useAfterPaint } from '../parts/useAfterPaint.js';
import { useAsked } from './useWork.js';
import type { PlannerWorker } from './workers.js';

/** Each is planned and inspected again to see whether it helps; of many alike the first few are enough. */
const MOST = 8;

/** Those of which a remedy is looked for: one of each rule at each place, and none that only eyes on site can settle. */
export const worthTrying = (findings: readonly Finding[]): Finding[] => {
  const first = new Map<string, Finding>();
  for (const one of findings) {
    const alike = `${one.rule} ${one.at.circuit ?? one.at.box ?? ''}`;
    if (one.severity !== 'verify' && !first.has(alike)) first.set(alike, one);
  }
  return [...first.values()].slice(0, MOST);
};

interface Question {
  job: Job;
  findings: Finding[];
}

const ask = async (
  planner: PlannerWorker['planner'],
  question: string,
): Promise<ReadonlyMap<string, Remedy[]>> => {
  const { job, findings } = JSON.parse(question) as Question;
  const found = await planner.remedies(job, findings);
  return new Map(findings.map((one, i) => [findingKey(one), found[i] ?? []]));
};

const NONE: ReadonlyMap<string, Remedy[]> = new Map();

/** What the program can do about the findings of a job, tried out beside the page; by finding. Null for none. */
export const useRemedies = (job: Job | null, findings: readonly Finding[]): ReadonlyMap<string, Remedy[]> => {
  // The screen is drawn first, and what is asked is written then.
  const drawn = useAfterPaint();
  const question = useMemo(() => {
    const tried = drawn && job ? worthTrying(findings) : [];
    return tried.length === 0
      ? null
      : JSON.stringify({ job, findings: tried } satisfies { job: Job | null; findings: Finding[] });
  }, [drawn, job, findings]);
  const asked = useAsked(question, ask);
  return asked?.kind === 'known' ? asked.answer : NONE;
};
