import type { ReactNode } from 'react';
import {
  articleOf,
  circuitName,
  cutLength,
  findBox,
  findGroup,
  listed,
  PANEL,
  sayKeeping,
  type BoxId,
  type Cable,
  type CableId,
  type GroupId,
  type Job,
  type Keeping,
  type PlannedChange,
  type Wiring,
} from '@amber/core';
import { SeverityMark } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { WiresMoved } from './WiresMoved.js';

export const Part = ({ title, children }: { title: string; children: ReactNode }) => (
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

const between = (job: Job, a: string, b: string): string =>
  a === PANEL || b === PANEL
    ? `the feed of ${placeName(job, a === PANEL ? b : a)}`
    : `${placeName(job, a)} to ${placeName(job, b)}`;

const sayCable = (job: Job, { article, from, to }: Pick<Cable, 'article' | 'from' | 'to'>): string =>
  `${articleOf(job.stock, 'cable', article).name}, ${between(job, from, to)}`;

/** What comes from the stock, a line each. */
const boughtLines = (
  job: Job,
  { devices, luminaires, fresh, newBoxes, emptied }: PlannedChange,
): string[] => {
  const set = newBoxes.filter((box) => findBox(job, box)?.work !== 'beyond');
  return [
    ...devices.map(
      (one) => `${articleOf(job.stock, 'device', one.article).name} at ${placeName(job, one.box)}`,
    ),
    ...luminaires
      .filter(({ partOf }) => partOf === null)
      .map((one) => `${one.name} at ${placeName(job, one.box)} (the luminaire itself is not priced)`),
    ...fresh.map((cable) => {
      const cut = cutLength(job, cable)?.cut;
      const feet = cut === undefined ? '' : `, ${Math.round((cut / 12) * 10) / 10} ft to cut`;
      return `${articleOf(job.stock, 'cable', cable.article).name}${feet}, ${between(job, cable.from, cable.to)}`;
    }),
    ...set.map((box) => `Box: ${placeName(job, box)}`),
    ...emptied.map((box) => `Blank cover at ${placeName(job, box)}`),
  ];
};

const groupNames = (job: Job, ids: readonly GroupId[]): string =>
  listed(ids.flatMap((id) => findGroup(job, id)?.name ?? []));

/** What is different of what is there: what comes, what goes, what is opened, each wire by its two places, what is tried again. */
export const ChangeParts = ({
  job,
  wiring,
  change,
  keeping = [],
}: {
  job: Job;
  /** As it is to be. */
  wiring: Wiring;
  change: PlannedChange;
  /** Why old cables are given up, where that was worked out. */
  keeping?: readonly Keeping[];
}) => {
  const { devicesOut, luminairesOut, opened, newBoxes, closed, lookFirst } = change;
  const why = (id: CableId): string => {
    const told = keeping.find(({ cable }) => cable === id);
    return told ? `. ${sayKeeping(told)}` : '';
  };
  const cables = (ids: readonly CableId[]) =>
    wiring.cables.filter((one) => ids.includes(one.id)).map((one) => `${sayCable(job, one)}${why(one.id)}`);
  const staying = cables(change.stay);
  const idle = cables(change.idle);
  const names = (boxes: readonly BoxId[]) => boxes.map((box) => placeName(job, box)).join(', ');
  const bought = boughtLines(job, change);
  const there = opened.filter((box) => !newBoxes.includes(box));
  const out = [
    ...devicesOut.map(
      (one) => `${articleOf(job.stock, 'device', one.article).name} at ${placeName(job, one.box)}`,
    ),
    ...luminairesOut.map((one) => `The old luminaire at ${placeName(job, one.box)}`),
    ...change.drawnOut.map((one) => `${sayCable(job, one)}: out of its boxes${why(one.id)}`),
  ];
  return (
    <>
      {lookFirst.length > 0 ? (
        <div role="note" className="flex gap-2 rounded-md border border-caution p-2 text-[14px]">
          <SeverityMark severity="verify" />
          <p>
            <strong>Look first into {names(lookFirst)}.</strong> Nobody has seen all of it: what is said of
            its wires is what is usual. Tell on the bench what you find, and ask again.
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
      {change.moved.length > 0 ? (
        <Part title="Wires, from the old place to the new">
          <WiresMoved job={job} change={change} />
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
      {change.offBreaker.length > 0 ? (
        <Part title="To be taken off its breaker">
          <Lines
            lines={change.offBreaker.map(
              ({ cable, breaker }) =>
                `${sayCable(job, cable)}: live from ${circuitName(job, breaker)} though nothing uses it`,
            )}
          />
        </Part>
      ) : null}
      <Part title="Then to be tried again, in every position">
        {groupNames(job, change.retest) || 'Nothing.'}
      </Part>
    </>
  );
};
