import type { Jacket, LaidRun } from '@amber/core';
import { JACKET_PAINT, JACKET_WORDS } from '../../parts/jackets.js';

/** Round a box that a change opens: corners, as a cover that is taken off. */
export const OpenedRing = ({ half }: { half: number }) => {
  const [x, y, leg] = [half + 7, 20, 8];
  const corner = (sx: number, sy: number) => `M${sx * x} ${sy * (y - leg)}V${sy * y}H${sx * (x - leg)}`;
  return (
    <path
      d={[corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)].join('')}
      fill="none"
      stroke="var(--color-ink)"
      strokeWidth="2.4"
    />
  );
};

/** An old cable that comes out: faint, and crossed. */
export const GoneLine = ({ path }: { path: string }) => (
  <g fill="none" opacity="0.75">
    <path d={path} stroke="#8a8f95" strokeWidth="3" strokeDasharray="3 6" />
    <path d={path} stroke="#8a8f95" strokeWidth="9" strokeDasharray="1.5 24" />
  </g>
);

/** What the marks of a change mean. */
export const ChangeKey = ({ hasOut }: { hasOut: boolean }) => (
  <dl className="absolute right-3 bottom-3 flex max-sm:top-3 max-sm:bottom-auto items-center gap-x-4 rounded-md border border-line bg-sheet/95 px-3 py-1.5 text-[13px]">
    <div className="flex items-center gap-2">
      <dt aria-hidden>
        <svg width="22" height="18" viewBox="-11 -9 22 18">
          <path
            d="M-9 -3V-7H-4M4 -7H9V-3M9 3V7H4M-4 7H-9V3"
            fill="none"
            stroke="currentColor"
            strokeWidth="2"
          />
        </svg>
      </dt>
      <dd>opened</dd>
    </div>
    <div className="flex items-center gap-2">
      <dt aria-hidden>
        <svg width="26" height="10" viewBox="0 0 26 10">
          <path d="M0 5H26" stroke="currentColor" strokeWidth="3" strokeDasharray="9 4" />
        </svg>
      </dt>
      <dd>there already</dd>
    </div>
    {hasOut ? (
      <div className="flex items-center gap-2">
        <dt aria-hidden>
          <svg width="26" height="10" viewBox="0 0 26 10">
            <GoneLine path="M0 5H26" />
          </svg>
        </dt>
        <dd>comes out</dd>
      </div>
    ) : null}
  </dl>
);

/** Which jacket stands for which size: as they usually are, and no more than a hint. */
export const JacketKey = ({ runs }: { runs: readonly LaidRun[] }) => {
  const jackets = [...new Set<Jacket>(runs.map(({ jacket }) => jacket))];
  if (jackets.length === 0) return null;
  return (
    <p className="absolute right-3 bottom-3 flex flex-wrap items-center gap-x-3 rounded-md border border-line bg-sheet/95 px-3 py-1.5 text-[12.5px] max-sm:hidden">
      Jackets, usually:
      {jackets.map((jacket) => (
        <span key={jacket} className="flex items-center gap-1.5">
          <span
            className="h-2.5 w-6 rounded-xs border border-ink"
            style={{ background: JACKET_PAINT[jacket] }}
          />
          {JACKET_WORDS[jacket]}
        </span>
      ))}
      <span className="text-quiet">The print counts.</span>
    </p>
  );
};
