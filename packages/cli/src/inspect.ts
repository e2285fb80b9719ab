import {
  editionName,
  eraWord,
  compareEditions,
  findingKey,
  findingsByPlace,
  inspect as inspectBy,
  sayPlaces,
  countWalk,
  readiness,
  siteItems,
  unseenBoxes,
  type Finding,
  type Severity,
  type ReviewedWiring,
  type Walk,
} from '@amber/core';
import type { Command } from './report.js';

const WORD: Record<Severity, string> = {
  violation: 'VIOLATION',
  caution: 'CAUTION',
  verify: 'VERIFY',
  unfinished: 'UNFINISHED',
  waived: 'WAIVED',
};

const sayFinding = ({ job, wiring }: ReviewedWiring, one: Finding): string[] => [
  `  ${[WORD[one.severity], one.section, one.title].filter(Boolean).join(' ')}`,
  `    ${one.reason}`,
  `    Remedy: ${[one.remedy, sayPlaces(job, wiring, one)].filter(Boolean).join(' ')}`,
  ...(one.amendment === null ? [] : [`    Local: ${one.amendment}`]),
  ...(one.builtBy === null ? [] : [`    As built it met ${eraWord(one.builtBy)}; a change brings today's.`]),
];

const byPlace = (subject: ReviewedWiring, findings: readonly Finding[]): string[] => {
  const keys = new Set(findings.map(findingKey));
  return findingsByPlace(subject.job, subject.wiring, findings).flatMap(({ name, findings: here }) => [
    name,
    ...here.flatMap((one) => [
      ...sayFinding(subject, one),
      ...(one.follows !== null && keys.has(one.follows)
        ? ['    It most likely goes with another finding: look again once that is mended.']
        : []),
    ]),
  ]);
};

/** What stands against a walk, in a sentence. A job file has no records of the site, so nothing counts as seen there. */
const standsAgainst = ({ job, wiring }: ReviewedWiring, findings: readonly Finding[], walk: Walk): string => {
  const walks: Walk[] = walk === 'final' ? ['roughIn', 'final'] : ['roughIn'];
  const items = siteItems(job, wiring, findings);
  const counts = walks.map((one) => countWalk(findings, items, one, () => ({ state: 'open', records: [] })));
  return readiness(walk, counts, {
    unseen: unseenBoxes(job, wiring).length,
    corrections: 0,
    isPlanned: wiring.cables.length > 0,
  }).sentence;
};

/** Every finding on the wiring, by place, by the edition of the job or by one that is named. */
export const inspect: Command = (subject, { edition, walk }) => {
  const { job, wiring } = subject;
  // Why a circuit cannot be planned does not hang on the edition.
  const all = edition
    ? [
        ...subject.findings.filter((one) => one.severity === 'unfinished'),
        ...inspectBy(job, wiring, { edition }),
      ]
    : subject.findings;
  const findings = walk === undefined ? all : all.filter((one) => one.walk === walk);
  return {
    lines: [
      ...(walk === undefined ? [] : [standsAgainst(subject, all, walk)]),
      ...byPlace(subject, findings),
    ],
    data: findings,
    violates: findings.some((one) => one.severity === 'violation' || one.severity === 'unfinished'),
  };
};

/** What two editions say differently of the wiring: the job's own, or the one that is named, and another. */
export const compare: Command = (subject, { edition = subject.job.edition, other }) => {
  if (other === undefined) return { refused: ['Say with which edition: compare FILE --with 2017.'] };
  const { job, wiring } = subject;
  const { only, changed } = compareEditions(job, wiring, edition, other);
  const [first, second] = only;
  const told = (title: string, findings: readonly Finding[]) =>
    findings.length === 0 ? [] : [title, ...findings.flatMap((one) => sayFinding(subject, one))];
  const lines = [
    ...told(`Only by ${editionName(edition)}:`, first),
    ...told(`Only by ${editionName(other)}:`, second),
    ...changed.flatMap(([a, b]) => [
      `By both, told differently:`,
      ...sayFinding(subject, a),
      ...sayFinding(subject, b),
    ]),
  ];
  return {
    lines:
      lines.length > 0
        ? lines
        : [`${editionName(edition)} and ${editionName(other)} say the same of this job.`],
    data: { editions: [edition, other], only, changed },
    violates: false,
  };
};
