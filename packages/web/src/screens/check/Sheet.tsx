import { Printer } from 'lucide-react';
import { useMemo, type ReactNode } from 'react';
import {
  cubicInches,
  editionName,
  inspectorSheet,
  sayFill,
  unseenBoxes,
  WALKS,
  type Finding,
  type Job,
  type SiteItem,
  type Wiring,
} from '@amber/core';
import { sayMore, findBox, listed } from '@amber/core';
import { when } from '../../parts/format.js';
import { Button, SafetyNote, SEVERITY_WORD } from '../../parts/ui.js';
import { WALK_TITLES } from './Readiness.js';
import type { Site } from './useSite.js';

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title} className="mt-5 break-inside-avoid-page">
    <h2 className="border-b-2 border-ink text-[15px] font-bold">{title}</h2>
    {children}
  </section>
);

const Table = ({ heads, rows }: { heads: readonly string[]; rows: readonly (readonly string[])[] }) => (
  <div className="overflow-x-auto" tabIndex={0}>
    <table className="w-full border-collapse text-left text-[12.5px]">
      <thead>
        <tr>
          {heads.map((head) => (
            <th key={head} scope="col" className="border-b border-ink py-1 pr-3 align-bottom font-bold">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={`${row[0] ?? ''} ${i}`} className="break-inside-avoid">
            {row.map((cell, j) => (
              <td key={heads[j]} className="border-b border-line py-1 pr-3 align-top break-words">
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  </div>
);

const ANSWER = { yes: 'yes', no: 'no', unknown: 'not told' } as const;
const NEUTRAL = {
  planned: 'planned',
  there: 'there',
  none: 'none',
  notKnown: 'not known: nobody has looked',
} as const;
const ASKED = { here: 'asked here', oneOf: 'asked at one of several', no: 'not asked' } as const;

/** A sheet for the inspector: what is planned, box by box and circuit by circuit, what was found, and what is open. It prints as it stands. */
export const Sheet = ({
  job,
  wiring,
  findings,
  items,
  site,
  circuits,
}: {
  job: Job;
  wiring: Wiring;
  findings: readonly Finding[];
  items: readonly SiteItem[];
  site: Site;
  circuits: ReadonlySet<string> | null;
}) => {
  const sheet = useMemo(() => inspectorSheet({ job, wiring }), [job, wiring]);
  const shown = sheet.circuits.filter(({ circuit }) => circuits === null || circuits.has(circuit.id));
  const open = items.filter((item) => site.seen(item).state !== 'done');
  const told = findings.filter((one) => one.severity !== 'verify');
  const questions = findings.filter((one) => one.questions.length > 0);
  const { permit, inspections, corrections } = site.book;
  return (
    <div>
      <div className="mb-3 flex justify-end print:hidden">
        <Button look="main" onClick={() => print()}>
          <Printer size={17} /> Print
        </Button>
      </div>
      <article
        aria-label="Sheet for the inspector"
        className="rounded-lg border border-line bg-white p-6 print:border-0 print:p-0"
      >
        <header className="flex flex-wrap justify-between gap-x-6">
          <h1 className="text-[20px] font-bold break-words">{job.name}</h1>
          <p className="text-[12.5px]">
            {permit
              ? `Permit ${permit.number}${permit.authority === '' ? '' : `, ${permit.authority}`}`
              : 'No permit noted'}
            <br />
            By {editionName(job.edition)} · printed {when(new Date().toISOString())}
          </p>
        </header>
        <SafetyNote className="mt-2" />
        <p className="mt-2 text-[12.5px]">
          What is planned, as far as this program knows it. It licenses nothing; the inspection and the
          authority decide.
        </p>
        <Part title="Circuits">
          <Table
            heads={['Circuit', 'Breaker', 'Conductors', 'Load', 'AFCI', 'GFCI']}
            rows={shown.map(({ circuit, va }) => [
              circuit.name,
              `${circuit.breaker} A`,
              `${circuit.awg} AWG copper`,
              `${Math.round(va)} VA`,
              ANSWER[circuit.afci],
              ANSWER[circuit.gfci],
            ])}
          />
        </Part>
        <Part title="Neutral at each switch location (404.2(C))">
          <Table
            heads={['Place', 'Switches', 'The rule', 'Neutral in the box']}
            rows={shown.flatMap(({ neutrals }) =>
              neutrals.map((one) => [one.name, one.group, ASKED[one.asked], NEUTRAL[one.has]]),
            )}
          />
        </Part>
        <Part title="Boxes (314.16)">
          <Table
            heads={['Box', 'Room', 'Kind', 'Fill', 'Room left']}
            rows={sheet.boxes.map((row) => [
              row.name,
              row.room,
              row.made.join(' with ') || 'not named',
              sayFill(row.fill),
              row.left === null
                ? 'not known'
                : row.left < 0
                  ? `too small by ${cubicInches(-row.left)}`
                  : sayMore(row),
            ])}
          />
        </Part>
        <Part title="Found by the program">
          {told.length === 0 ? (
            <p className="py-1 text-[12.5px]">No violation and no caution.</p>
          ) : (
            <Table
              heads={['What', 'Section', 'Where and what', 'Local']}
              rows={told.map((one) => [
                SEVERITY_WORD[one.severity],
                one.section,
                one.title,
                one.amendment ?? '',
              ])}
            />
          )}
        </Part>
        {job.amendments.length > 0 ? (
          <Part title="Local rules and decisions">
            <Table
              heads={['What', 'Note']}
              rows={job.amendments.map((one) =>
                one.kind === 'rule'
                  ? [one.title, one.text]
                  : [`${one.rule}: ${SEVERITY_WORD[one.severity]}`, one.note],
              )}
            />
          </Part>
        ) : null}
        <Part title="Open matters">
          <ul className="list-disc pl-5 text-[12.5px]">
            {unseenBoxes(job, wiring).length > 0 ? (
              <li>
                Nobody has looked into{' '}
                {listed(unseenBoxes(job, wiring).map((id) => findBox(job, id)?.name ?? id))}: what is planned
                there rests on what is usual.
              </li>
            ) : null}
            {questions.map((one, i) => (
              <li key={`${one.title} ${i}`}>Not answered: {one.title}</li>
            ))}
            {corrections
              .filter(({ cleared }) => cleared === null)
              .map(({ record, text }) => (
                <li key={record.id}>To clear: {text}</li>
              ))}
            {questions.length + corrections.length + open.length === 0 ? (
              <li>None that this program knows of.</li>
            ) : null}
          </ul>
          {WALKS.map((walk) => {
            const mine = open.filter((one) => one.walk === walk);
            const rules = [...new Set(mine.map(({ rule }) => rule))];
            return mine.length === 0 ? null : (
              <div key={walk} className="mt-2">
                <p className="text-[12.5px] font-bold">
                  To see on site, {WALK_TITLES[walk].title.toLowerCase()}
                </p>
                <Table
                  heads={['What', 'Section', 'At', 'Seen, initials']}
                  rows={rules.map((rule) => {
                    const of = mine.filter((one) => one.rule === rule);
                    return [
                      of[0]?.what ?? rule,
                      of[0]?.section ?? '',
                      [...new Set(of.map(({ station }) => station.name))].join(', '),
                      '',
                    ];
                  })}
                />
              </div>
            );
          })}
        </Part>
        <Part title="On record">
          <ul className="list-disc pl-5 text-[12.5px]">
            <li>
              {items.length - open.length} of {items.length} things seen on site.
            </li>
            {inspections.map((one) => (
              <li key={one.record.id}>
                {WALK_TITLES[one.walk].title} {one.state === 'asked' ? 'asked for' : 'held'}{' '}
                {when(`${one.on}T12:00:00`)}
                {one.note === '' ? '' : `: ${one.note}`}
              </li>
            ))}
            {corrections.flatMap(({ record, text, cleared }) =>
              cleared
                ? [
                    <li key={record.id}>
                      Cleared: {text}
                      {cleared.how === '' ? '' : ` (${cleared.how})`}
                    </li>,
                  ]
                : [],
            )}
          </ul>
        </Part>
      </article>
    </div>
  );
};
