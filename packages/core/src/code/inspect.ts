import type { Job, JudgedEdition } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { amended, ownRules } from './amendments.js';
import { withCauses } from './follows.js';
import { inspectedOf, type Inspected } from './inspected.js';
import { placeOfQuestion, questionKey } from './questions.js';
import {
  findingKey,
  unanswered,
  walkOf,
  type Ask,
  type Finding,
  type Judged,
  type Severity,
  type Walk,
} from './rule.js';
import { RULES } from './rules.js';
import { toEnd, type InSteps } from '../model/inSteps.js';
import { builtByAt, createUntouched } from './touched.js';

const GRAVITY: Record<Severity, number> = { unfinished: 0, violation: 1, caution: 2, verify: 3, waived: 4 };

/** The worst first; otherwise as they came. */
export const byGravity = (a: Finding, b: Finding): number => GRAVITY[a.severity] - GRAVITY[b.severity];

/** Every finding by one edition, before anything local is heard. A fact is asked once, for all rules that want it. */
function* judgeBy(inspected: Inspected): InSteps<Judged[]> {
  const { job, edition } = inspected;
  // Else the first rule that wants it would take as long as all others.
  while (inspected.prepare()) yield;
  const judged: Judged[] = [];
  const asked = new Map<string, { ask: Ask; sections: string[]; walk: Walk }>();
  for (const rule of RULES) {
    const { judged: found, asks } = rule.judge(inspected);
    judged.push(...found);
    for (const ask of asks) {
      const key = questionKey({ kind: ask.ask, of: ask.of });
      const known = asked.get(key) ?? { ask, sections: [], walk: 'final' };
      const section = rule.section(edition);
      // Answered before the first walk that wants it.
      if (walkOf(job, rule.stage) === 'roughIn') known.walk = 'roughIn';
      if (section && !known.sections.includes(section)) known.sections.push(section);
      asked.set(key, known);
    }
    yield;
  }
  const questions = [...asked.values()].map(({ ask, ...wanted }): Judged => ({
    finding: unanswered(inspected, ask, wanted, placeOfQuestion(job, { kind: ask.ask, of: ask.of })),
    fixes: [],
  }));
  return [...judged, ...questions];
}

/** How a wiring is judged. */
export interface Judging {
  /** The edition in force; that of the job where none is named. */
  edition?: JudgedEdition;
  /** All of it stands there already, and nobody touches any of it. */
  standing?: boolean;
}

/**
 * Existing work that nobody touches stays lawful as it was built: what its own edition did not ask for is named as such
 * and is no violation. A change to it brings today's rules.
 */
function* asBuilt(job: Job, wiring: Wiring, judged: readonly Judged[], standing: boolean): InSteps<Judged[]> {
  if (job.existingEdition === null && job.rooms.every((room) => room.builtBy === null)) return [...judged];
  const untouched = standing ? () => true : createUntouched(job, wiring);
  const known = new Map<JudgedEdition, ReadonlySet<string>>();
  const softened: Judged[] = [];
  for (const one of judged) {
    const { finding } = one;
    const builtBy =
      finding.severity === 'violation' && untouched(finding.at) ? builtByAt(job, wiring, finding.at) : null;
    if (builtBy !== null && !known.has(builtBy)) {
      const found = yield* judgeBy(inspectedOf(job, wiring, builtBy));
      known.set(builtBy, new Set(found.map((each) => findingKey(each.finding))));
    }
    const isLawful = builtBy !== null && known.get(builtBy)?.has(findingKey(finding)) === false;
    softened.push(isLawful ? { ...one, finding: { ...finding, severity: 'caution', builtBy } } : one);
  }
  return softened;
}

/** The same as `judge`, rule by rule: who cannot wait for all of it does other things between. */
function* judgeInSteps(
  job: Job,
  wiring: Wiring,
  { edition = job.edition, standing = false }: Judging = {},
): InSteps<Judged[]> {
  const inspected = inspectedOf(job, wiring, edition);
  yield;
  const judged = yield* asBuilt(job, wiring, yield* judgeBy(inspected), standing);
  const heard = judged.map(({ finding }) => amended(job, finding));
  const findings = withCauses(inspected, heard);
  return [
    ...judged.map(({ fixes }, i): Judged => ({ finding: findings[i] as Finding, fixes })),
    ...ownRules(job).map((finding): Judged => ({ finding, fixes: [] })),
  ].sort((a, b) => byGravity(a.finding, b.finding));
}

/** Every finding on a wiring with what could be done about it, the worst first. */
export const judge = (job: Job, wiring: Wiring, judging: Judging = {}): Judged[] =>
  toEnd(judgeInSteps(job, wiring, judging));

/** The same as `inspect`, rule by rule. */
export function* inspectInSteps(job: Job, wiring: Wiring, judging: Judging = {}): InSteps<Finding[]> {
  const judged = yield* judgeInSteps(job, wiring, judging);
  return judged.map((one) => one.finding);
}

/** Every finding on a wiring by an edition, the job's own where none is named; the worst first. */
export const inspect = (job: Job, wiring: Wiring, judging: Judging = {}): Finding[] =>
  judge(job, wiring, judging).map((one) => one.finding);

/** What two editions say differently of one wiring. */
export interface Comparison {
  /** Found by the first edition alone, and by the second alone. */
  only: [Finding[], Finding[]];
  /** Found by both, with another severity, section or words. */
  changed: [Finding, Finding][];
}

export const compareEditions = (job: Job, wiring: Wiring, a: JudgedEdition, b: JudgedEdition): Comparison => {
  const [first, second] = [a, b].map((edition) => inspect(job, wiring, { edition })) as [
    Finding[],
    Finding[],
  ];
  const other = new Map(second.map((one) => [findingKey(one), one]));
  const keys = new Set(first.map(findingKey));
  return {
    only: [
      first.filter((one) => !other.has(findingKey(one))),
      second.filter((one) => !keys.has(findingKey(one))),
    ],
    changed: first.flatMap((one): [Finding, Finding][] => {
      const match = other.get(findingKey(one));
      const said = ({ severity, section, title, reason }: Finding) =>
        JSON.stringify([severity, section, title, reason]);
      const same = match !== undefined && said(match) === said(one);
      return match && !same ? [[one, match]] : [];
    }),
  };
};
