import { lazy, useEffect, useRef, type ComponentProps } from 'react';
import { findBox, fillOf, sayFill } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../store/store.js';
import { boxChosen } from '../store/wiringSlice.js';
import { Boundary } from '../parts/Boundary.js';
import { OpenBox } from './OpenBox.js';
import type { Subject } from './useSubject.js';
import { BoxNotes } from './BoxNotes.js';
import { BoxWords } from './BoxWords.js';

/** So much smaller a box may be drawn to stand beside another; its labels can still be read. */
const SHRUNK = 0.84;

/** What zooms and moves is loaded when one box is first looked at large. */
const LargeBox = lazy(async () => ({ default: (await import('./LargeBox.js')).LargeBox }));

/** One box opened up, under its name and its fill, with what it says in words. */
export const BoxCard = ({
  subject,
  drawing,
  number,
  large,
  hasSteps = true,
  ...seen
}: ComponentProps<typeof OpenBox> & {
  subject: Subject;
  number: number;
  large: boolean;
  /** Are its steps beside it, so that a line of its words can lead to one? */
  hasSteps?: boolean;
}) => {
  const chosen = useAppSelector((state) => state.wiring.box === drawing.box);
  const dispatch = useAppDispatch();
  const frame = useRef<HTMLElement>(null);
  useEffect(() => {
    if (chosen && !large) frame.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [chosen, large]);
  const box = findBox(subject.job, drawing.box);
  const fill = fillOf(subject.job, subject.wiring, drawing.box);
  const head = (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={() => dispatch(boxChosen(chosen && !large ? null : drawing.box))}
      className="flex min-h-10 w-full min-w-0 flex-1 flex-wrap items-baseline gap-x-3 px-2 text-left"
    >
      <span className="min-w-0 flex-1 text-[15px] font-bold break-words">
        {number} · {box?.name}
      </span>
      <span
        className={`shrink-0 text-[13px] ${fill.verdict !== 'over' ? '' : 'rounded bg-sheet px-1.5 font-bold text-violation'}`}
      >
        {fill.verdict === 'unknown' ? 'fill not known' : sayFill(fill)}
        {fill.verdict === 'over' ? ': too full' : ''}
      </span>
    </button>
  );
  return (
    <article
      ref={frame}
      aria-label={`Box ${box?.name ?? ''}`}
      className={`max-w-full rounded-xl p-0.5 ${large ? 'flex min-h-0 w-full flex-1 flex-col' : ''} ${
        chosen && !large ? 'bg-[#bdb8ab] outline-3 outline-ink' : ''
      }`}
      style={
        large
          ? undefined
          : {
              flex: `1 1 ${SHRUNK * drawing.width}px`,
              maxWidth: `min(100%, ${drawing.width + 4}px)`,
            }
      }
    >
      {large ? (
        <Boundary what="The box" of={drawing.box}>
          <LargeBox subject={subject} drawing={drawing} {...seen}>
            {head}
          </LargeBox>
        </Boundary>
      ) : (
        <>
          {head}
          <BoxNotes subject={subject} box={drawing.box} />
          <OpenBox subject={subject} drawing={drawing} className="h-auto max-w-full" {...seen} />
        </>
      )}
      <BoxWords subject={subject} box={drawing.box} hasSteps={hasSteps} onFollow={seen.onFollow} />
    </article>
  );
};
