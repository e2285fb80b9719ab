import { ChevronLeft, Printer } from 'lucide-react';
import { MAKE_UP_LEVELS, PRACTICE_KINDS, PRACTICE_LEVELS, skillKey, type Standing } from '@amber/core';
import { day, plural, when } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { KINDS } from './kinds.js';
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
          <div
            className="mt-3 overflow-x-auto focus-visible:-outline-offset-3"
            tabIndex={0}
            role="region"
            aria-label="Exercises by circuit and kind"
          >
            <table className="w-full min-w-[40rem] border-collapse text-[12.5px]">
              <thead>
                <tr>
                  <th scope="col" className="border border-line p-1.5 text-left">
                    Circuit
                  </th>
                  {PRACTICE_KINDS.map((kind) => (
                    <th key={kind} scope="col" className="border border-line p-1.5 text-left">
                      {KINDS[kind].title}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {PRACTICE_LEVELS.map((level, i) => (
                  <tr key={level} className="break-inside-avoid">
                    <th scope="row" className="border border-line p-1.5 text-left align-top font-semibold">
                      {i + 1}. {MAKE_UP_LEVELS[level].title}
                    </th>
                    {PRACTICE_KINDS.map((kind) => (
                      <td key={kind} className="border border-line p-1.5 align-top">
                        <Square standing={standings.get(skillKey({ kind, level }))} />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
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
