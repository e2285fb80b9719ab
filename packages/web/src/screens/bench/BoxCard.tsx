import { useEffect, useRef, type ComponentProps } from 'react';
import { findBox, fillOf, sayFill } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { boxChosen } from '../../store/wiringSlice.js';
import { OpenBox } from '../../wiring/OpenBox.js';
import { SaveButtons } from '../../wiring/SaveButtons.js';

/** One box opened up, under its name and its fill. */
export const BoxCard = ({
  subject,
  drawing,
  number,
  large,
  ...seen
}: ComponentProps<typeof OpenBox> & { number: number }) => {
  const chosen = useAppSelector((state) => state.wiring.box === drawing.box);
  const dispatch = useAppDispatch();
  const frame = useRef<HTMLElement>(null);
  useEffect(() => {
    if (chosen && !large) frame.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [chosen, large]);
  const box = findBox(subject.job, drawing.box);
  const others = subject.otherCircuits.get(drawing.box) ?? [];
  const fill = fillOf(subject.job, subject.wiring, drawing.box);
  return (
    <article
      ref={frame}
      aria-label={`Box ${box?.name ?? ''}`}
      className={`max-w-full rounded-xl p-1.5 ${chosen && !large ? 'bg-[#bdb8ab] outline-3 outline-ink' : ''}`}
      style={{
        width: large
          ? `min(100%, ${2.2 * drawing.width}px)`
          : `min(${drawing.width + 12}px, max(50% - 6px, 22rem))`,
      }}
    >
      <div className="flex flex-wrap items-center gap-2 sm:flex-nowrap">
        <button
          type="button"
          aria-pressed={chosen}
          onClick={() => dispatch(boxChosen(chosen && !large ? null : drawing.box))}
          className="flex min-h-10 w-full min-w-0 items-baseline max-sm:basis-full gap-3 px-2 text-left"
        >
          <span className="min-w-0 flex-1 truncate text-[15px] font-bold" title={box?.name}>
            {number} · {box?.name}
          </span>
          <span
            className={`shrink-0 text-[13px] ${fill.verdict !== 'over' ? '' : 'rounded bg-sheet px-1.5 font-bold text-violation'}`}
          >
            {fill.verdict === 'unknown' ? 'fill not known' : sayFill(fill)}
            {fill.verdict === 'over' ? ': too full' : ''}
          </span>
        </button>
        {large ? (
          <SaveButtons
            what="the box"
            title={`${subject.job.name}, ${subject.name}`}
            drawn={() => {
              const picture = frame.current?.querySelector<SVGSVGElement>('svg.drawing');
              return picture ? [{ drawing: picture, name: `Box ${number}, ${box?.name ?? ''}` }] : [];
            }}
          />
        ) : null}
      </div>
      {others.length > 0 ? (
        <p className="mx-2 mb-1 rounded bg-sheet px-2 py-1 text-[13px]">
          <strong>All breakers off:</strong> {others.join(', ')} {others.length > 1 ? 'are' : 'is'} in this
          box too. A neutral can be live with the other breaker off.
        </p>
      ) : null}
      {(subject.cautions.get(drawing.box) ?? []).map((caution) => (
        <p key={caution} className="mx-2 mb-1 rounded bg-sheet px-2 py-1 text-[13px]">
          <strong>Caution:</strong> {caution}
        </p>
      ))}
      <OpenBox subject={subject} drawing={drawing} large={large} {...seen} />
    </article>
  );
};
