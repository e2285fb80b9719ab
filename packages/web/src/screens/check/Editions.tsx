import { useMemo, useState } from 'react';
import {
  compareEditions,
  EDITIONS,
  editionName,
  findingKey,
  type Circuit,
  type Edition,
  type Finding,
  type Job,
  type Wiring,
} from '@amber/core';
import { OwnRules } from '../../panels/findings/OwnRules.js';
import { plural } from '../../parts/format.js';
import { Button, Select, SEVERITY_WORD, SeverityMark } from '../../parts/ui.js';
import { NotYet } from '../../worker/NotYet.js';
import { useEdit } from '../../store/review.js';
import { useEdition } from '../../worker/useChecked.js';
import { OutcomeWords, sayCost } from '../../panels/findings/OutcomeWords.js';

/** One finding; with its reason where that is all that differs. */
const Said = ({ one, why = false }: { one: Finding; why?: boolean }) => (
  <li className="flex gap-2 py-1.5">
    <SeverityMark severity={one.severity} />
    <p className="min-w-0 text-[13.5px] break-words">
      <strong>{SEVERITY_WORD[one.severity]}</strong>
      {one.section === '' ? '' : ` · ${one.section}`}: {one.title}
      {why ? <span className="block text-quiet">{one.reason}</span> : null}
    </p>
  </li>
);

const isAlike = (a: Finding, b: Finding): boolean =>
  a.severity === b.severity && a.section === b.section && a.title === b.title;

const Column = ({ title, findings, none }: { title: string; findings: readonly Finding[]; none: string }) => (
  <section aria-label={title} className="min-w-0 rounded-lg border border-line bg-sheet p-4">
    <h3 className="font-bold">{title}</h3>
    {findings.length === 0 ? <p className="py-1.5 text-[13.5px] text-quiet">{none}</p> : null}
    <ul>
      {findings.map((one, i) => (
        <Said key={`${findingKey(one)} ${i}`} one={one} />
      ))}
    </ul>
  </section>
);

/** What two editions say of the job as it is planned now, and what planning it by the other would come to. */
const SideBySide = ({ job, wiring }: { job: Job; wiring: Wiring }) => {
  const edit = useEdit();
  const others = EDITIONS.filter((one) => one !== job.edition);
  const nearest = [...others].reverse().find((one) => one < job.edition) ?? others[0] ?? job.edition;
  const [picked, setPicked] = useState<Edition>(nearest);
  const other = picked === job.edition ? nearest : picked;
  const { only, changed } = useMemo(
    () => compareEditions(job, wiring, job.edition, other),
    [job, wiring, other],
  );
  const planned = useEdition(job, other);
  const [here, there] = only;
  return (
    <section aria-label="Editions side by side" className="flex flex-col gap-3">
      <h2 className="text-[17px] font-bold">Two editions, side by side</h2>
      <div className="flex flex-wrap items-end gap-3">
        <p className="flex min-h-10 items-center">This job goes by {editionName(job.edition)}; beside it</p>
        <Select
          aria-label="The other edition"
          className="w-64!"
          value={other}
          onChange={(event) => setPicked(Number(event.target.value) as Edition)}
        >
          {others.map((one) => (
            <option key={one} value={one}>
              {editionName(one)}
            </option>
          ))}
        </Select>
      </div>
      <p className="text-[13.5px] text-quiet">
        Of the job as it is planned now, by the one edition and by the other. Which is in force, the authority
        says.
      </p>
      <div className="grid gap-3 md:grid-cols-2">
        <Column
          title={`Only by ${job.edition}`}
          findings={here}
          none={`Nothing that ${other} does not say too.`}
        />
        <Column
          title={`Only by ${other}`}
          findings={there}
          none={`Nothing that ${job.edition} does not say too.`}
        />
      </div>
      {changed.length > 0 ? (
        <section aria-label="Told differently" className="rounded-lg border border-line bg-sheet p-4">
          <h3 className="font-bold">By both, told differently</h3>
          <ul>
            {changed.map(([a, b], i) => (
              <li
                key={`${findingKey(a)} ${i}`}
                className="grid gap-x-6 border-b border-line last:border-0 md:grid-cols-2"
              >
                <ul>
                  <Said one={a} why={isAlike(a, b)} />
                </ul>
                <ul>
                  <Said one={b} why={isAlike(a, b)} />
                </ul>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <section aria-label={`Planned by ${other}`} className="rounded-lg border border-line bg-sheet p-4">
        <div className="flex flex-wrap items-center justify-between gap-2">
          <h3 className="font-bold">Planned anew by {other}</h3>
          <Button onClick={() => edit({ ...job, edition: other }, `edition ${other}`)}>Go by {other}</Button>
        </div>
        {planned?.kind !== 'known' ? (
          <NotYet asked={planned} words="Planned and priced …" />
        ) : (
          <>
            <p className="text-[13.5px]">{sayCost(planned.answer)}</p>
            <OutcomeWords job={job} outcome={planned.answer} />
          </>
        )}
      </section>
    </section>
  );
};

/** What the local authority judges otherwise, with its note, and how many findings it touches. */
const Decisions = ({ job, findings }: { job: Job; findings: readonly Finding[] }) => {
  const edit = useEdit();
  const decided = job.amendments.flatMap((one) => (one.kind === 'severity' ? [one] : []));
  return (
    <section aria-label="What the authority decided" className="flex flex-col gap-2">
      <h2 className="text-[17px] font-bold">What the local authority decided</h2>
      {decided.length === 0 ? (
        <p className="text-[13.5px]">
          Nothing yet. At a finding of the walk, say how the authority sees it; it is kept here with its note.
        </p>
      ) : null}
      <ul className="flex flex-col gap-2">
        {decided.map((one) => {
          const touched = findings.filter(
            ({ rule, amendment }) => rule === one.rule && amendment === one.note,
          );
          return (
            <li
              key={one.id}
              className="flex flex-wrap items-start gap-3 rounded-lg border border-line bg-sheet p-4"
            >
              <SeverityMark severity={one.severity} />
              <div className="min-w-0 flex-1">
                <p className="font-semibold break-words">
                  {SEVERITY_WORD[one.severity]}: {touched[0]?.what ?? one.rule}
                </p>
                <p className="text-[13.5px] break-words">{one.note}</p>
                <p className="text-[13.5px] text-quiet">
                  {touched.length === 0
                    ? 'It touches nothing now.'
                    : `It touches ${plural(touched.length, 'finding')} now.`}
                </p>
              </div>
              <Button
                onClick={() =>
                  edit(
                    { ...job, amendments: job.amendments.filter(({ id }) => id !== one.id) },
                    'no local amendment',
                  )
                }
              >
                Take it out
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
};

/** By which rules: two editions side by side, and what the local authority asks or decided. */
export const Editions = ({
  job,
  wiring,
  circuit,
  findings,
}: {
  job: Job;
  wiring: Wiring;
  circuit: Circuit | null;
  findings: readonly Finding[];
}) => (
  <div className="flex flex-col gap-8">
    <SideBySide job={job} wiring={wiring} />
    <Decisions job={job} findings={findings} />
    <OwnRules job={job} circuit={circuit} />
  </div>
);
