import type { ReactNode } from 'react';
import {
  articleOf,
  dollars,
  PANEL,
  type BoxId,
  type CableId,
  type ExistingCable,
  type Finding,
  type Job,
  type LeastChange,
} from '@amber/core';
import { plural } from '../../parts/format.js';
import { SEVERITY_WORD, SeverityMark } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';

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

const lying = (job: Job, { article, between: [a, b] }: ExistingCable): string =>
  `${articleOf(job.stock, 'cable', article).name}, ${between(job, a, b)}`;

/** What a small job comes to: the price first, then what is new, what is opened, what stays, and what the code asks then. */
export const Outcome = ({ before, value }: { before: Job; value: LeastChange }) => {
  const { job, cost, devices, fresh, opened, closed, stay, idle, abandoned, moved, asks, lookFirst } = value;
  const cables = (ids: readonly CableId[]) =>
    [...job.existingCables, ...abandoned].filter((one) => ids.includes(one.id)).map((one) => lying(job, one));
  const staying = cables(stay);
  const verify = asks.filter((one) => one.severity === 'verify');
  const graver = asks.filter((one) => one.severity !== 'verify');
  const unsure = moved.some(({ slot }) =>
    lookFirst.some((box) => job.slots.some((one) => one.id === slot && one.box === box)),
  );
  const isKnown = (box: BoxId) => before.boxes.some((one) => one.id === box);
  const names = (boxes: readonly BoxId[]) => boxes.map((box) => placeName(job, box)).join(', ');
  const set = opened.filter(
    (box) => !isKnown(box) && job.boxes.some((one) => one.id === box && one.work !== 'beyond'),
  );
  const fromStock = [
    ...devices.map(
      (one) => `${articleOf(job.stock, 'device', one.article).name} at ${placeName(job, one.box)}`,
    ),
    ...fresh.map((cable) => {
      const run = value.runs.find((one) => one.from === cable.from && one.to === cable.to);
      const feet = run?.feet === null || run === undefined ? '' : `, ${Math.round(run.feet * 10) / 10} ft`;
      return `${articleOf(job.stock, 'cable', cable.article).name}${feet}, ${between(job, cable.from, cable.to)}`;
    }),
    ...(set.length > 0 ? [`Box: ${names(set)}`] : []),
  ];
  return (
    <div className="flex flex-col gap-2.5">
      <p>
        <strong className="text-[18px]">{dollars(cost.cost)}</strong>{' '}
        <span className="text-[13.5px] text-quiet">
          material {dollars(cost.material)}, work {Math.round(cost.minutes)} min
        </span>
      </p>
      {lookFirst.length > 0 ? (
        <div role="note" className="flex gap-2 rounded-md border border-caution p-2 text-[14px]">
          <SeverityMark severity="verify" />
          <p>
            <strong>Look first into {names(lookFirst)}.</strong> Nobody has seen all of it: what is said of
            its wires is what is usual. Tell on the bench what you find, and ask again.
          </p>
        </div>
      ) : null}
      <Part title="Comes new">{fromStock.length > 0 ? <Lines lines={fromStock} /> : 'Nothing.'}</Part>
      <Part title="Has to be opened">{names(opened.filter(isKnown)) || 'No box.'}</Part>
      {closed.length > 0 ? <Part title="Stays as it is">{names(closed)}</Part> : null}
      {moved.length > 0 ? (
        <Part title="Wires, from the old screw to the new">
          <p className="mb-1 text-[13.5px]">
            <strong>Mark each wire by its old screw before it comes off.</strong> Colours do not tell a
            common.
          </p>
          <table className="w-full text-left">
            <thead className="text-[12.5px] text-quiet">
              <tr>
                <th className="py-1 pr-2 font-normal">Wire</th>
                <th className="py-1 pr-2 font-normal">{unsure ? 'Is usually on' : 'Was on'}</th>
                <th className="py-1 font-normal">Goes on</th>
              </tr>
            </thead>
            <tbody>
              {moved.map((one) => (
                <tr key={one.wire} className="border-t border-line align-top">
                  <td className="py-1 pr-2">{one.wire}</td>
                  <td className="py-1 pr-2">{one.from}</td>
                  <td className="py-1 font-semibold">{one.to}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Part>
      ) : null}
      {staying.length > 0 ? (
        <Part title="Cables that stay in use">
          <Lines lines={staying} />
        </Part>
      ) : null}
      {abandoned.length > 0 ? (
        <Part title="Taken out of its boxes">
          <Lines lines={abandoned.map((one) => lying(job, one))} />
        </Part>
      ) : null}
      {idle.length > 0 ? (
        <Part title="Lies unused, capped at both ends">
          <Lines lines={cables(idle)} />
        </Part>
      ) : null}
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
