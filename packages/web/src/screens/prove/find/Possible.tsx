import { useState } from 'react';
import type { DiagnosisTold, ReviewedWiring, Positions } from '@amber/core';
import { SuspectPicture } from './SuspectPicture.js';

/** Where it may be, and what: bars without figures, as the weights behind them are nobody's count. */
export const Possible = ({
  review,
  told,
  positions,
}: {
  review: ReviewedWiring;
  told: DiagnosisTold;
  positions: Positions;
}) => {
  const [picked, setPicked] = useState<string | null>(null);
  const most = told.places[0]?.share ?? 1;
  const shown = told.suspects.filter(({ places }) => places.length > 0);
  return (
    <section aria-label="What is still possible" className="flex flex-col gap-4">
      <div>
        <h2 className="mb-1 text-[14px] font-bold">Where it may be</h2>
        <ul className="flex flex-col gap-1.5">
          {told.places.map(({ key, name, share }) => (
            <li
              key={key}
              className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] items-center gap-2 text-[14px]"
            >
              <span className="break-words first-letter:uppercase">{name}</span>
              <span aria-hidden="true" className="h-3 rounded-sm bg-line">
                <span
                  className="block h-3 rounded-sm bg-ink"
                  style={{ width: `${Math.max(2, (share / most) * 100)}%` }}
                />
              </span>
            </li>
          ))}
        </ul>
      </div>
      <div className={told.seen.length === 0 ? 'hidden' : ''}>
        <h2 className="mb-1 text-[14px] font-bold">What it may be, the likeliest first</h2>
        <ol className="divide-y divide-line border-y border-line text-[14px]">
          {shown.slice(0, 6).map((one) => (
            <li key={one.key} className="py-2">
              <p className="break-words">
                {one.places.every(({ kind }) => kind === 'box' || kind === 'panel') ? (
                  <strong className="mr-1 inline-block first-letter:uppercase">
                    {one.where.join(' and ')}:
                  </strong>
                ) : null}
                <span className="inline first-letter:uppercase">{one.what.join('; and ')}.</span>
              </p>
              {one.troubles.some((trouble) => trouble.kind === 'wires' && 'box' in trouble.at) ? (
                <button
                  type="button"
                  aria-expanded={picked === one.key}
                  className="min-h-10 font-semibold underline"
                  onClick={() => setPicked(picked === one.key ? null : one.key)}
                >
                  {picked === one.key ? 'Away with the picture' : 'Draw it'}
                </button>
              ) : null}
              {picked === one.key
                ? one.troubles.map((trouble) => (
                    <SuspectPicture
                      key={JSON.stringify(trouble)}
                      review={review}
                      trouble={trouble}
                      positions={positions}
                    />
                  ))
                : null}
            </li>
          ))}
        </ol>
        <p className="mt-1 text-[13px] text-quiet">
          {told.possible > 6 ? `${told.possible - 6} more are less likely. ` : ''}How often each is met is our
          own reckoning; what was seen decides. An answer may be wrong, so nothing is struck out for good.
        </p>
      </div>
    </section>
  );
};
