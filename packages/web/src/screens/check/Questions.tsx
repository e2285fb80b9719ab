import { useState } from 'react';
import { questionTables, type Finding, type Job, type Question } from '@amber/core';
import { QuestionCard } from './QuestionTable.js';

type Seen = Pick<Question, 'kind' | 'of'>;

/** Every open question once, by what it is about, answered in place for one or for all alike. What is answered here stays in its row. */
export const Questions = ({ job, findings }: { job: Job; findings: readonly Finding[] }) => {
  const [seen, setSeen] = useState<readonly Seen[]>([]);
  const [looked, setLooked] = useState<{ kind: string; row: string } | null>(null);
  const groups = questionTables(job, findings, seen);
  const now = groups.flatMap(({ tables }) =>
    tables.flatMap(({ rows }) => rows.map(({ question }) => question)),
  );
  // What has come since is remembered as it is shown; what is asked no longer and was never answered goes.
  if (
    now.length !== seen.length ||
    now.some(({ kind, of }) => !seen.some((one) => one.kind === kind && one.of === of))
  )
    setSeen(now.map(({ kind, of }) => ({ kind, of })));
  const left = groups
    .flatMap(({ tables }) => tables.flatMap(({ rows }) => rows))
    .filter(({ answer }) => answer === null);
  const answered = <p className="py-6 text-center text-[15px]">Every question is answered.</p>;
  if (groups.length === 0) return answered;
  return (
    <div className="flex flex-col gap-6">
      {left.length === 0 ? answered : null}
      {groups.map(({ title, tables }) => (
        <section key={title} aria-label={title}>
          <h2 className="mb-2 text-[17px] font-bold">{title}</h2>
          <ul className="flex flex-col gap-3">
            {tables.map((table) => (
              <QuestionCard
                key={table.kind}
                job={job}
                table={table}
                looked={looked?.kind === table.kind ? looked.row : null}
                onLook={(row) => setLooked({ kind: table.kind, row })}
              />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
};
