import {
  countWalk,
  readiness,
  WALKS,
  type BoxId,
  type Finding,
  type SiteItem,
  type Walk,
  type WalkCount,
} from '@amber/core';
import { SeverityMark } from '../../parts/ui.js';
import type { Site } from './useSite.js';

export const WALK_TITLES: Record<Walk, { title: string; when: string }> = {
  roughIn: { title: 'Rough-in', when: 'before the wall is closed' },
  final: { title: 'Final', when: 'when all is in' },
};

const COUNTED: { of: keyof WalkCount; mark: 'violation' | 'caution' | 'verify'; words: string }[] = [
  { of: 'violations', mark: 'violation', words: 'violations' },
  { of: 'cautions', mark: 'caution', words: 'cautions' },
  { of: 'questions', mark: 'verify', words: 'questions' },
];

/** What stands against each walk, counted and in a sentence; a tap shows that walk. */
export const ReadinessCards = ({
  findings,
  items,
  site,
  walk,
  unseen,
  isPlanned,
  circuit,
  onPick,
}: {
  findings: readonly Finding[];
  items: readonly SiteItem[];
  site: Site;
  walk: Walk;
  unseen: readonly BoxId[];
  /** Is any of it wired? */
  isPlanned: boolean;
  /** The name of the circuit that is looked at; null for the whole job. */
  circuit: string | null;
  onPick: (walk: Walk) => void;
}) => {
  const counts = Object.fromEntries(
    WALKS.map((one) => [one, countWalk(findings, items, one, site.seen)]),
  ) as Record<Walk, WalkCount>;
  const standing = (one: Walk) => {
    const corrections = site.book.corrections.filter(
      ({ walk: of, cleared }) => cleared === null && (of === one || one === 'final'),
    ).length;
    const open = one === 'final' ? [counts.roughIn, counts.final] : [counts.roughIn];
    return readiness(one, open, { unseen: unseen.length, corrections, isPlanned, within: circuit });
  };
  return (
    <div className="grid gap-3 max-lg:grid-cols-2">
      {WALKS.map((one) => {
        const { title, when } = WALK_TITLES[one];
        const count = counts[one];
        const { ready, sentence } = standing(one);
        const all = count.toSee + count.seen;
        return (
          <button
            key={one}
            type="button"
            aria-pressed={walk === one}
            aria-label={`${title}, ${when}`}
            aria-describedby={`ready-${one}`}
            onClick={() => onPick(one)}
            className="rounded-lg border-2 border-line bg-white p-3 text-left hover:bg-rail aria-pressed:border-ink"
          >
            <span className="block text-[16px] font-bold">
              {title} <span className="text-[13px] font-normal text-quiet">{when}</span>
            </span>
            <span className="mt-1.5 flex flex-wrap gap-x-4 gap-y-1 text-[13.5px]">
              {count.unfinished > 0 ? (
                <span className="flex items-center gap-1.5">
                  <SeverityMark severity="unfinished" /> {count.unfinished} cannot be planned
                </span>
              ) : null}
              {COUNTED.filter(({ of }) => count[of] > 0).map(({ of, mark, words }) => (
                <span key={of} className="flex items-center gap-1.5">
                  <SeverityMark severity={mark} /> {count[of]} {count[of] === 1 ? words.slice(0, -1) : words}
                </span>
              ))}
            </span>
            {all > 0 ? (
              <span className="mt-2 block">
                <span className="block h-2 overflow-hidden rounded-full bg-rail">
                  <span className="block h-full bg-ink" style={{ width: `${(100 * count.seen) / all}%` }} />
                </span>
                <span className="mt-1 block text-[13px] text-quiet">
                  {count.seen} of {all} seen on site
                  {count.changed > 0 ? `, ${count.changed} changed since` : ''}
                </span>
              </span>
            ) : null}
            <span
              id={`ready-${one}`}
              data-testid={`ready-${one}`}
              className={`mt-2 block text-[13.5px] max-lg:hidden ${ready ? 'font-semibold text-pass' : ''}`}
            >
              {sentence}
            </span>
          </button>
        );
      })}
      <p role="status" className="col-span-2 text-[13.5px] lg:hidden">
        {standing(walk).sentence}
      </p>
    </div>
  );
};
