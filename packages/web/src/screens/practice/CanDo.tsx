import { ChevronLeft, Printer } from 'lucide-react';
import {
  BENCH_KINDS,
  BENCH_LEVELS,
  PLAN_LEVELS,
  skillKey,
  type PracticeKind,
  type Skill,
  type Standing,
} from '@amber/core';
import { day, plural, when } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { KINDS, levelTitle } from './kinds.js';
import type { Learner } from './learner.js';

/** What stands in a square of the sheet. */
const Square = ({ standing }: { standing: Standing | undefined }) => {
  const last = standing?.last;
  if (!standing || !last) return <span className="text-quiet">–</span>;
  const sign = last.outcome === 'right' ? '✓' : last.outcome === 'helped' ? 'with a hint' : 'missed';
  return (
    <>
      <strong className="block">{sign}</strong>
      <span className="block">
        {standing.right} of {standing.tried}
      </span>
      <span className="block text-quiet">{day(last.at)}</span>
    </>
  );
};

const PLAN_KINDS = ['planIt'] as const;

/** How somebody stands, a row for each circuit or place and a column for each kind. */
const Grid = ({
  label,
  head,
  kinds,
  rows,
  standings,
}: {
  label: string;
  head: string;
  kinds: readonly PracticeKind[];
  rows: readonly (readonly Skill[])[];
  standings: ReadonlyMap<string, Standing>;
}) => (
  <div
    className="mt-3 overflow-x-auto focus-visible:-outline-offset-3"
    tabIndex={0}
    role="region"
    aria-label={label}
  >
    <table className={`border-collapse text-[12.5px] ${kinds.length > 1 ? 'w-full min-w-[40rem]' : ''}`}>
      <thead>
        <tr>
          {[head, ...kinds.map((kind) => KINDS[kind].title)].map((words) => (
            <th key={words} scope="col" className="border border-line p-1.5 text-left">
              {words}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((skills, i) => (
          <tr key={i} className="break-inside-avoid">
            <th scope="row" className="border border-line p-1.5 text-left align-top font-semibold">
              {i + 1}. {skills[0] ? levelTitle(skills[0]) : ''}
            </th>
            {skills.map((skill) => (
              <td key={skill.kind} className="min-w-24 border border-line p-1.5 align-top">
                <Square standing={standings.get(skillKey(skill))} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  </div>
);

/** What somebody can do, as a sheet to print. */
export const CanDo = ({ learner, onLeave }: { learner: Learner; onLeave: () => void }) => {
  const standings = new Map(learner.standings.map((one) => [skillKey(one), one]));
  const learned = learner.standings.filter(({ isLearned }) => isLearned).length;
  return (
    <main className="min-h-0 flex-1 overflow-y-auto print:overflow-visible">
      <div className="mx-auto max-w-5xl p-5 max-sm:p-3 print:max-w-none print:p-0">
        <div className="mb-3 flex flex-wrap items-center justify-between gap-2 print:hidden">
          <Button look="bare" onClick={onLeave}>
            <ChevronLeft size={18} /> All exercises
          </Button>
          <Button look="main" onClick={() => print()}>
            <Printer size={17} /> Print
          </Button>
        </div>
        <article
          aria-label="Sheet of what somebody can do"
          className="rounded-lg border border-line bg-white p-5 max-sm:p-3 print:border-0 print:p-0"
        >
          <header className="flex flex-wrap justify-between gap-x-6">
            <h1 className="text-[20px] font-bold break-words">{learner.name.trim()}</h1>
            <p className="text-[12.5px]">
              Lighting switch circuits, practised on the bench
              <br />
              {when(new Date().toISOString())}
            </p>
          </header>
          <p className="mt-2 text-[13.5px]">
            Of {plural(learner.standings.length, 'kind')} of exercise {learned} came out right without help
            the last time. ✓: right at the first answer, no hint, nothing unsafe done; under it how often, of
            how many times, and when the last was.
          </p>
          <Grid
            label="Exercises by circuit and kind"
            head="Circuit"
            kinds={BENCH_KINDS}
            rows={BENCH_LEVELS.map((level) => BENCH_KINDS.map((kind): Skill => ({ kind, level })))}
            standings={standings}
          />
          <Grid
            label="Exercises by place"
            head="Place"
            kinds={PLAN_KINDS}
            rows={PLAN_LEVELS.map((level): Skill[] => [{ kind: 'planIt', level }])}
            standings={standings}
          />
          <p className="mt-3 text-[12.5px]">
            This tells of practice on a screen. It is no license and no proof of work on site; who may do that
            work, law and the authority say.
          </p>
          <p className="mt-6 text-[12.5px]">Seen by ______________________________ on ______________</p>
        </article>
      </div>
    </main>
  );
};
