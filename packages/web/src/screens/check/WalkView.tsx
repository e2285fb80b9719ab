import { useMemo } from 'react';
import {
  existingDocument,
  findBox,
  isGrave,
  RULES,
  type BoxId,
  type Finding,
  type FindingAction,
  type Job,
  type SiteRecord,
  type Stop,
  type Walk,
  type WalkRoom,
} from '@amber/core';
import { Link } from 'react-router';
import { InitialsField } from '../../onRecord/Initials.js';
import { benchPath } from '../../parts/paths.js';
import { OneOf } from '../../parts/OneOf.js';
import { useAfterPaint } from '../../parts/useAfterPaint.js';
import { DEPTH_WORDS } from '../../parts/words.js';
import { goTo, roomAnchor, stopAnchor } from './RoomIndex.js';
import { StopCard } from './StopCard.js';
import { SeverityMark } from '../../parts/ui.js';
import { useAppDispatch } from '../../store/store.js';
import { boxChosen } from '../../store/wiringSlice.js';
import { TakeRemedies } from './TakeRemedies.js';
import type { Site } from './useSite.js';
import { WALK_TITLES } from './Readiness.js';

/** So many stops fill a screen. */
const FIRST = 6;

const NO_PHOTOS: readonly SiteRecord[] = [];

/** The walk, room by room: every stop with what is wrong, asked or to be seen there. */
export const WalkView = ({
  job,
  findings,
  rooms,
  site,
  walk,
  unseen,
  circuit,
  depth,
  onDepth,
  onAction,
}: {
  job: Job;
  findings: readonly Finding[];
  rooms: readonly WalkRoom[];
  site: Site;
  walk: Walk;
  /** Old boxes that nobody has looked into, or not into all of them. */
  unseen: readonly BoxId[];
  circuit: string | null;
  depth: number;
  onDepth: (depth: number) => void;
  onAction: (action: FindingAction) => void;
}) => {
  const dispatch = useAppDispatch();
  const photos = useMemo(() => {
    const known = new Map<string, SiteRecord[]>();
    for (const record of site.records) {
      if (record.kind !== 'photo') continue;
      const key = `${record.about.kind} ${record.about.id}`;
      known.set(key, [...(known.get(key) ?? []), record]);
    }
    return known;
  }, [site.records]);
  // What is on the screen first is drawn first; the rest of a long walk right after.
  const all = useAfterPaint();
  const shown = all ? rooms : rooms.slice(0, 1).map((one) => ({ ...one, stops: one.stops.slice(0, FIRST) }));
  const stops = rooms.flatMap((one) => one.stops);
  const grave = stops.flatMap((stop) => stop.findings.filter(isGrave).map((finding) => ({ finding, stop })));
  const hasMendable = findings.some(
    ({ rule, severity }) => severity !== 'verify' && RULES.some(({ id, mends }) => id === rule && mends),
  );
  const bench = ({ station }: Stop): string | null => {
    if (station.kind !== 'box' && station.kind !== 'circuit') return null;
    return benchPath(job.id, station.kind === 'circuit' ? station.id : circuit);
  };
  return (
    <div className="flex flex-col gap-5">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <InitialsField initials={site.initials} onChange={site.setInitials} />
        {site.initials.trim() === '' ? (
          <p className="flex min-h-10 items-center text-[13.5px]">
            Type your initials: every tick is signed.
          </p>
        ) : null}
        <div className="w-80 max-w-full sm:ml-auto">
          <OneOf
            label="How much is said"
            options={DEPTH_WORDS.map((words, value) => ({ value, words }))}
            value={depth}
            onPick={onDepth}
          />
        </div>
      </div>
      {grave.length > 0 ? (
        <section aria-label="To mend first" className="rounded-lg border-2 border-violation bg-sheet p-4">
          <h2 className="font-bold">To mend first</h2>
          <ul>
            {grave.map(({ finding, stop }, i) => (
              <li key={`${finding.title} ${i}`} className="flex items-center gap-2">
                <SeverityMark severity={finding.severity} />
                <button
                  type="button"
                  onClick={() => goTo(stopAnchor(stop.station.kind, stop.station.id))}
                  className="min-h-10 text-left font-semibold break-words underline underline-offset-3"
                >
                  {finding.title}
                </button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {hasMendable ? <TakeRemedies job={job} /> : null}
      {unseen.length > 0 ? (
        <section
          aria-label="Old boxes to look into"
          className="rounded-lg border border-caution bg-sheet p-4"
        >
          <h2 className="font-bold">Nobody has looked into these yet</h2>
          <p className="text-[13.5px]">
            What is planned here rests on what is usual in them. Look, and tell what is there, before anything
            else.
          </p>
          <p className="mt-1 flex flex-wrap gap-x-4">
            {unseen.map((box) => (
              <Link
                key={box}
                to={benchPath(job.id, null, existingDocument(job)?.id ?? null)}
                onClick={() => dispatch(boxChosen(box))}
                className="inline-flex min-h-10 items-center font-semibold underline underline-offset-3"
              >
                {findBox(job, box)?.name ?? box}
              </Link>
            ))}
          </p>
        </section>
      ) : null}
      {site.waiting ? (
        <p role="status" className="text-[13.5px]">
          No connection: what you put on record is kept here and sent when it is back.
        </p>
      ) : null}
      {rooms.length === 0 ? (
        <p className="py-6 text-center text-[15px]">
          Nothing is to be seen or mended at the {WALK_TITLES[walk].title.toLowerCase()}, as far as this
          program knows.
        </p>
      ) : null}
      {shown.map(({ room, name, stops: mine }) => (
        <section key={room ?? 'none'} id={roomAnchor(room)} aria-label={name} className="scroll-mt-2">
          <h2 className="mb-2 text-[17px] font-bold">{name}</h2>
          <div className="flex flex-col gap-3">
            {mine.map((stop) => (
              <StopCard
                key={`${stop.station.kind} ${stop.station.id}`}
                {...{ job, stop, depth, onAction }}
                seen={stop.items.map(site.seen)}
                photos={
                  (stop.station.shows && photos.get(`${stop.station.shows.kind} ${stop.station.shows.id}`)) ??
                  NO_PHOTOS
                }
                by={site.initials.trim()}
                see={site.see}
                open={site.open}
                bench={bench(stop)}
              />
            ))}
          </div>
        </section>
      ))}
    </div>
  );
};
