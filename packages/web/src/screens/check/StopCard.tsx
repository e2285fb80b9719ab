import { memo, useState } from 'react';
import { Check } from 'lucide-react';
import { Link } from 'react-router';
import type { BoxId, FindingAction, Job, Seen, SiteRecord, Stop } from '@amber/core';
import { Photographs } from '../../onRecord/Photographs.js';
import { Button, SeverityMark } from '../../parts/ui.js';
import { Answers } from '../../panels/findings/Answers.js';
import { useAppDispatch } from '../../store/store.js';
import { boxChosen } from '../../store/wiringSlice.js';
import { stopAnchor } from './RoomIndex.js';
import { FindingRow } from './FindingRow.js';
import { SiteRow } from './SiteRow.js';
import type { Site } from './useSite.js';

const KIND: Record<Stop['station']['kind'], string> = {
  box: 'Box',
  run: 'Run',
  room: 'Room',
  circuit: 'Circuit',
  job: '',
};

const OPEN: Seen = { state: 'open', records: [] };

interface Card {
  job: Job;
  stop: Stop;
  /** How each of its items stands, in their order. */
  seen: readonly Seen[];
  photos: readonly SiteRecord[];
  depth: number;
  /** Where its box is seen opened; null where it is none. */
  bench: string | null;
  /** Who works at this screen. */
  by: string;
  see: Site['see'];
  open: Site['open'];
  onAction: (action: FindingAction) => void;
}

const sumOf = ({ seen, photos }: Card): string =>
  [
    ...seen.map(({ state, records }) => `${state} ${records.at(-1)?.id ?? ''}`),
    ...photos.map(({ id }) => id),
  ].join();

/** A card is drawn anew where something on it is otherwise: of two hundred ticks one is on it. */
const isSameCard = (a: Card, b: Card): boolean =>
  a.job === b.job &&
  a.stop === b.stop &&
  a.depth === b.depth &&
  a.bench === b.bench &&
  a.by === b.by &&
  a.onAction === b.onAction &&
  sumOf(a) === sumOf(b);

/** One stop of the walk: what is wrong there, what is asked, and what is to be seen. */
export const StopCard = memo(
  ({ job, stop, seen, photos, depth, bench, by, see, open: openAgain, onAction }: Card) => {
    const dispatch = useAppDispatch();
    const { station, findings, questions, items } = stop;
    const [photographing, setPhotographing] = useState(false);
    const open = items.filter((_item, i) => seen[i]?.state !== 'done');
    const { shows } = station;
    return (
      <section
        id={stopAnchor(station.kind, station.id)}
        aria-label={`${KIND[station.kind]} ${station.name}`.trim()}
        className="rounded-lg border border-line bg-sheet px-4 py-2.5 [contain-intrinsic-size:auto_9rem] [content-visibility:auto]"
      >
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <h3 className="min-w-0 text-[15px] font-bold break-words">{station.name}</h3>
          <span className="text-[13px] text-quiet">
            {[
              KIND[station.kind].toLowerCase(),
              items.length > 0 ? (open.length === 0 ? 'all seen' : `${open.length} to see`) : '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </span>
          <span className="ml-auto flex items-center gap-4">
            {shows && photos.length === 0 ? (
              <button
                type="button"
                aria-label={`Photographs of ${station.name}`}
                aria-expanded={photographing}
                onClick={() => setPhotographing(!photographing)}
                className="min-h-10 font-semibold underline underline-offset-3"
              >
                Photograph
              </button>
            ) : null}
            {bench === null ? null : (
              <Link
                to={bench}
                onClick={() => station.kind === 'box' && dispatch(boxChosen(station.id as BoxId))}
                className="inline-flex min-h-10 items-center font-semibold underline underline-offset-3"
              >
                Bench
              </Link>
            )}
          </span>
        </div>
        {findings.length > 0 ? (
          <ul className="mt-2 flex flex-col gap-3">
            {findings.map((finding, i) => (
              <FindingRow
                key={`${finding.rule} ${i}`}
                job={job}
                finding={finding}
                depth={depth}
                onAction={onAction}
              />
            ))}
          </ul>
        ) : null}
        {questions.length > 0 ? (
          <ul className="mt-2 flex flex-col gap-3">
            {questions.map((finding, i) => (
              <li key={`${finding.rule} ${i}`} className="flex gap-3">
                <SeverityMark severity="verify" />
                <div className="min-w-0 flex-1">
                  <p className="font-semibold break-words">{finding.what}</p>
                  {depth > 0 ? <p className="text-[13.5px] text-quiet">{finding.reason}</p> : null}
                  {finding.questions.map((question) => (
                    <div key={`${question.kind} ${question.of}`}>
                      {question.text === finding.what ? null : (
                        <p className="mt-1 text-[13.5px]">{question.text}</p>
                      )}
                      <Answers job={job} question={question} />
                    </div>
                  ))}
                </div>
              </li>
            ))}
          </ul>
        ) : null}
        {items.length > 0 ? (
          <ul
            aria-label={`To see at ${station.name}`}
            className="mt-2 grid gap-x-8 border-t border-line md:grid-cols-2"
          >
            {items.map((item, i) => (
              <SiteRow
                key={item.id}
                item={item}
                seen={seen[i] ?? OPEN}
                depth={depth}
                mayTick={by !== ''}
                onSee={(note) => see([item], note)}
                onOpen={() => openAgain(item)}
              />
            ))}
          </ul>
        ) : null}
        {open.length > 1 || photographing || photos.length > 0 ? (
          <div className="mt-2 flex flex-wrap items-start gap-2">
            {open.length > 1 ? (
              <Button
                disabled={by === ''}
                aria-label={`All seen at ${station.name}`}
                onClick={() => see(open, '')}
              >
                <Check size={17} /> All {open.length} seen
              </Button>
            ) : null}
            {shows && (photographing || photos.length > 0) ? (
              <Photographs
                job={job.id}
                about={{ ...shows, wiring: null, revision: null, hash: null }}
                name={station.name}
                photos={photos}
                by={by}
              />
            ) : null}
          </div>
        ) : null}
      </section>
    );
  },
  isSameCard,
);
StopCard.displayName = 'StopCard';
