import type { ReactNode } from 'react';
import {
  articleOf,
  circuitName,
  dollars,
  findBox,
  findGroup,
  listed,
  PANEL,
  wiringOrEmpty,
  type Box,
  type BoxId,
  type Cable,
  type CableId,
  type Finding,
  type GroupId,
  type Job,
  type LeastChange,
} from '@amber/core';
import { plural } from '../../parts/format.js';
import { SEVERITY_WORD, SeverityMark } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { WiresMoved } from './WiresMoved.js';

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title} className="border-t border-line pt-2">
    <h3 className="text-[13px] font-semibold text-quiet">{title}</h3>
    <div className="mt-0.5 text-[14px]">{children}</div>
  </section>
);

const Lines = ({ lines }: { lines: readonly string[] }) => (
  <ul>
    {lines.map((line) => (
      <li key={line} className="break-words">
        {line}
      </li>
    ))}
  </ul>
);

const Asks = ({ findings }: { findings: readonly Finding[] }) => (
  <ul className="flex flex-col gap-1.5">
    {findings.map((finding, i) => (
      <li key={i} className="flex gap-2">
        <SeverityMark severity={finding.severity} />
        <span className="min-w-0 break-words">
          <span className="text-[13px] text-quiet">
            {SEVERITY_WORD[finding.severity]}
            {finding.section ? ` · ${finding.section}` : ''}
          </span>
          <br />
          {finding.title}
        </span>
      </li>
    ))}
  </ul>
);

const between = (job: Job, a: string, b: string): string =>
  a === PANEL || b === PANEL
    ? `the feed of ${placeName(job, a === PANEL ? b : a)}`
    : `${placeName(job, a)} to ${placeName(job, b)}`;

const sayCable = (job: Job, { article, from, to }: Pick<Cable, 'article' | 'from' | 'to'>): string =>
  `${articleOf(job.stock, 'cable', article).name}, ${between(job, from, to)}`;

/** What comes from the stock, a line each. */
const boughtLines = (before: Job, value: LeastChange): string[] => {
  const { job, devices, luminaires, fresh, newBoxes } = value;
  const set = newBoxes.filter((box) => findBox(job, box)?.work !== 'beyond');
  const standsEmpty = (box: Box) => box.work !== 'existing' && value.opened.includes(box.id);
  const waiting = before.boxes.filter((box) => standsEmpty(box) && !set.includes(box.id));
  return [
    ...devices.map(
      (one) => `${articleOf(job.stock, 'device', one.article).name} at ${placeName(job, one.box)}`,
    ),
    ...luminaires
      .filter(({ partOf }) => partOf === null)
      .map((one) => `${one.name} at ${placeName(job, one.box)} (the luminaire itself is not priced)`),
    ...fresh.map((cable) => {
      const run = value.runs.find((one) => one.from === cable.from && one.to === cable.to);
      const feet = run?.feet === null || run === undefined ? '' : `, ${Math.round(run.feet * 10) / 10} ft`;
      return `${articleOf(job.stock, 'cable', cable.article).name}${feet}, ${between(job, cable.from, cable.to)}`;
    }),
    ...[...set, ...waiting.map(({ id }) => id)].map((box) => `Box: ${placeName(job, box)}`),
  ];
};

const groupNames = (job: Job, ids: readonly GroupId[]): string =>
  listed(ids.flatMap((id) => findGroup(job, id)?.name ?? []));

/** What a change comes to: the price first, then what is new, what is opened, what stays, what is tried again, what the code asks then. */
export const Outcome = ({ before, value }: { before: Job; value: LeastChange }) => {
  const { job, cost, devicesOut, luminairesOut, opened, newBoxes, closed, asks, lookFirst } = value;
  const wiring = wiringOrEmpty(job);
  const cables = (ids: readonly CableId[]) =>
    wiring.cables.filter((one) => ids.includes(one.id)).map((one) => sayCable(job, one));
  const staying = cables(value.stay);
  const idle = cables(value.idle);
  const verify = asks.filter((one) => one.severity === 'verify');
  const graver = asks.filter((one) => one.severity !== 'verify');
  const names = (boxes: readonly BoxId[]) => boxes.map((box) => placeName(job, box)).join(', ');
  const bought = boughtLines(before, value);
  const there = opened.filter((box) => !newBoxes.includes(box) && findBox(job, box)?.work === 'existing');
  const out = [
    ...devicesOut.map(
      (one) => `${articleOf(before.stock, 'device', one.article).name} at ${placeName(before, one.box)}`,
    ),
    ...luminairesOut.map((one) => `${one.name} at ${placeName(before, one.box)}`),
    ...value.drawnOut.map((one) => `${sayCable(before, one)}: out of its boxes`),
  ];
  return (
    <div className="flex flex-col gap-2.5">
      <p>
        <strong className="text-[18px]">{dollars(cost.cost)}</strong>{' '}
        <span className="text-[13.5px] text-quiet">
          material {dollars(cost.material)}, work {Math.round(cost.minutes)} min
          {value.luminaires.length > 0 ? '; the luminaire not counted' : ''}
        </span>
      </p>
      {lookFirst.length > 0 ? (
        <div role="note" className="flex gap-2 rounded-md border border-caution p-2 text-[14px]">
          <SeverityMark severity="verify" />
          <p>
            <strong>Look first into {names(lookFirst)}.</strong> Nobody has seen all of it: what is said of
            its wires is what is usual, and the price rests on that. Tell on the bench what you find, and ask
            again.
          </p>
        </div>
      ) : null}
      <Part title="Comes new">{bought.length > 0 ? <Lines lines={bought} /> : 'Nothing.'}</Part>
      {out.length > 0 ? (
        <Part title="Comes out">
          <Lines lines={out} />
        </Part>
      ) : null}
      <Part title="Has to be opened">{names(there) || 'No box.'}</Part>
      {closed.length > 0 ? <Part title="Stays as it is">{names(closed)}</Part> : null}
      {value.moved.length > 0 ? (
        <Part title="Wires, from the old place to the new">
          <WiresMoved job={job} value={value} />
        </Part>
      ) : null}
      {staying.length > 0 ? (
        <Part title="Cables that stay in use">
          <Lines lines={staying} />
        </Part>
      ) : null}
      {idle.length > 0 ? (
        <Part title="Lies unused, capped at both ends">
          <Lines lines={idle} />
        </Part>
      ) : null}
      {value.offBreaker.length > 0 ? (
        <Part title="To be taken off its breaker">
          <Lines
            lines={value.offBreaker.map(
              ({ cable, breaker }) =>
                `${sayCable(job, cable)}: live from ${circuitName(job, breaker)} though nothing uses it`,
            )}
          />
        </Part>
      ) : null}
      <Part title="Then to be tried again, in every position">
        {groupNames(job, value.retest) || 'Nothing.'}
      </Part>
      <Part title="Today’s rules then ask">
        {asks.length === 0 ? 'Nothing more.' : <Asks findings={graver} />}
        {verify.length > 0 ? (
          <details>
            <summary className="min-h-10 cursor-pointer py-2 font-semibold">
              {plural(verify.length, 'thing')} to verify on site
            </summary>
            <Asks findings={verify} />
          </details>
        ) : null}
      </Part>
    </div>
  );
};
