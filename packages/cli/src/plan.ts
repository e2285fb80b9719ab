import {
  dollars,
  FAMILIAR_TITLES,
  findPlansExpecting,
  LEFT_OUT,
  profileOf,
  sayProof,
  writeJobFile,
  type Candidate,
  type CircuitId,
  type FoundPlans,
  type ReviewedWiring,
} from '@amber/core';
import { placeName, type Command, type Report } from './report.js';
import { table } from './table.js';

const number = (value: number) => String(Math.round(value * 10) / 10);

const row = (
  subject: ReviewedWiring,
  { letter, entry, measures, sketch: _, ...plan }: Candidate,
): string[] => [
  letter,
  dollars(measures.cost),
  dollars(measures.material),
  `${Math.round(measures.minutes)}`,
  number(measures.feet),
  `${measures.runs}`,
  measures.fullest ? `${measures.fullest.percent}` : '',
  `${measures.neutrals.present}/${measures.neutrals.all}`,
  `${measures.reidentified}`,
  `${measures.splices}`,
  `${measures.violations}`,
  entry === null ? '' : placeName(subject, entry),
  [...plan.bestAt.map((id) => profileOf(id).title), ...plan.familiar.map((id) => FAMILIAR_TITLES[id])].join(
    '; ',
  ),
];

const HEAD = [
  ...['plan', 'cost', 'material', 'min', 'ft', 'runs', '% full', 'neutrals', 'hot whites', 'splices'],
  ...['violations', 'power enters at', 'what it is'],
];

const say = (subject: ReviewedWiring, found: FoundPlans): string[] => [
  ...found.refusals.flatMap((one) => [one.title, `  ${one.reason}`, `  Remedy: ${one.remedy}`]),
  ...(found.candidates.length > 0
    ? table([HEAD, ...found.candidates.map((candidate) => row(subject, candidate))])
    : []),
  ...(found.paidFor === null ? [] : [`${found.candidates[0]?.letter ?? ''}: ${found.paidFor}`]),
  ...(found.expecting ? [found.expecting.sentence] : []),
  ...found.comparisons.map((one) => one.sentence),
  ...found.profiles.map((profile) =>
    [`${profile.title}: ${profile.objective}: ${sayProof(profile)}`, ...profile.notTried].join(' '),
  ),
  ...(found.profiles.length > 0 ? [LEFT_OUT] : []),
  ...found.familiar
    .filter((one) => one.letter === null)
    .map((one) => `Cannot be wired: ${one.title}. ${one.problems.join('. ')}`),
  ...found.relaxed.map((one) => one.sentence),
  ...found.notes,
];

const search = (subject: ReviewedWiring, circuit: CircuitId): Report => {
  const found = findPlansExpecting(subject.job, circuit);
  return {
    lines: say(subject, found),
    data: found,
    violates: !found.candidates.some((one) => one.measures.violations === 0),
  };
};

/** The job with its wiring planned, as a job file; with a circuit named, the ways to wire it. */
export const plan: Command = (subject, { circuit }) =>
  circuit
    ? search(subject, circuit.id)
    : {
        lines: [writeJobFile(subject.job).trimEnd()],
        data: subject.job,
        violates: subject.findings.some((one) => one.severity === 'unfinished'),
      };
