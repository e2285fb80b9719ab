import { findingKey, type Finding, type Job, type Remedy } from '@amber/core';
import { useEffect, useState } from 'react';
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

/** Long enough for the screen to be drawn, and for the next keystroke of a name. */
const REST = 250;

/** What is asked once the user rests; null until then, and where there is nothing to try. */
const useQuestion = (job: Job | null, findings: readonly Finding[]): string | null => {
  const [asked, setAsked] = useState<{ job: Job; question: string | null } | null>(null);
  useEffect(() => {
    if (!job) return;
    const timer = setTimeout(() => {
      const tried = worthTrying(findings);
      const question = { job, findings: tried } satisfies Question;
      setAsked({ job, question: tried.length === 0 ? null : JSON.stringify(question) });
    }, REST);
    return () => clearTimeout(timer);
  }, [job, findings]);
  return asked !== null && asked.job === job ? asked.question : null;
};

/** What the program can do about the findings of a job, tried out beside the page; by finding. Null for none. */
export const useRemedies = (job: Job | null, findings: readonly Finding[]): ReadonlyMap<string, Remedy[]> => {
  const asked = useAsked(useQuestion(job, findings), ask);
  return asked?.kind === 'known' ? asked.answer : NONE;
};
