import { useState } from 'react';
import type { DiagnosisTold, ReviewedWiring, Positions } from '@amber/core';
import { Button, SeverityMark, TextInput } from '../../../parts/ui.js';
import { SuspectPicture } from './SuspectPicture.js';

/** It was seen: which of what it may be it is, how that is mended, and then the sheet again. */
export const Found = ({
  review,
  told,
  positions,
  can,
  onMended,
}: {
  review: ReviewedWiring;
  told: DiagnosisTold;
  positions: Positions;
  can: boolean;
  onMended: (what: string) => void;
}) => {
  const [picked, setPicked] = useState<string | null>(null);
  const [other, setOther] = useState('');
  const chosen = told.suspects.find(({ key }) => key === picked) ?? null;
  const isBox = told.at?.place.kind === 'box' || told.at?.place.kind === 'panel';
  return (
    <div className="flex flex-col gap-3 rounded-lg border-2 border-ink bg-white p-4">
      <h2 className="text-[17px] font-bold">It is at {told.at?.name}. Which of these is there?</h2>
      {isBox ? (
        <p className="flex gap-2 text-[13.5px]">
          <SeverityMark severity="caution" />
          <span>
            Still dead: the breaker stays off, locked or tagged, until it is mended and closed. Proved dead is
            proved again after every break.
          </span>
        </p>
      ) : null}
      <ul className="divide-y divide-line border-y border-line">
        {told.suspects.map((one) => (
          <li key={one.key}>
            <button
              type="button"
              aria-pressed={picked === one.key}
              onClick={() => setPicked(one.key)}
              className="min-h-12 w-full py-2 text-left text-[14.5px] break-words aria-pressed:font-bold"
            >
              <span className="inline-block first-letter:uppercase">{one.what.join('; and ')}.</span>
            </button>
            {chosen === one ? (
              <div className="flex flex-col gap-2 pb-3">
                {one.troubles.map((trouble) => (
                  <SuspectPicture
                    key={JSON.stringify(trouble)}
                    review={review}
                    trouble={trouble}
                    positions={positions}
                  />
                ))}
                <h3 className="text-[14px] font-bold">How it is mended</h3>
                <ol className="list-decimal pl-6 text-[14.5px]">
                  {one.mend.map((words) => (
                    <li key={words} className="py-0.5">
                      {words}
                    </li>
                  ))}
                  {isBox ? (
                    <li className="py-0.5">
                      Read every wire of the box back against the drawing, fold, close.
                    </li>
                  ) : null}
                </ol>
                <Button
                  look="main"
                  className="min-h-12 self-start"
                  disabled={!can}
                  onClick={() => onMended(one.what.join('; and '))}
                >
                  It is mended: walk the test sheet again
                </Button>
              </div>
            ) : null}
          </li>
        ))}
      </ul>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          onMended(other.trim());
        }}
      >
        <label className="min-w-0 flex-1 basis-64 text-[13px] font-semibold">
          Something else was found, and mended
          <TextInput value={other} maxLength={500} onChange={(event) => setOther(event.target.value)} />
        </label>
        <Button type="submit" disabled={!can || other.trim() === ''}>
          Walk the sheet again
        </Button>
      </form>
    </div>
  );
};
