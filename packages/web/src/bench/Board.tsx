import { useEffect, useRef } from 'react';
import { cubicInches, fillOf, type BoxDrawing, type DeviceId, type Positions } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../app/store.js';
import { boxChosen } from './benchSlice.js';
import { OpenBox } from './OpenBox.js';
import type { Bench } from './useBench.js';

const BoxCard = ({
  bench,
  drawing,
  number,
  positions,
  onFlip,
}: {
  bench: Bench;
  drawing: BoxDrawing;
  number: number;
  positions: Positions;
  onFlip: (id: DeviceId) => void;
}) => {
  const chosen = useAppSelector((state) => state.bench.box === drawing.box);
  const dispatch = useAppDispatch();
  const frame = useRef<HTMLElement>(null);
  useEffect(() => {
    if (chosen) frame.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [chosen]);
  const box = bench.job.boxes.find((one) => one.id === drawing.box);
  const others = bench.otherCircuits.get(drawing.box) ?? [];
  const fill = fillOf(bench.job, bench.wiring, drawing.box);
  return (
    <article
      ref={frame}
      aria-label={`Box ${box?.name ?? ''}`}
      className={`max-w-full rounded-xl p-1.5 ${chosen ? 'bg-[#bdb8ab] outline-3 outline-ink' : ''}`}
      style={{ width: `min(${drawing.width + 12}px, max(50% - 6px, 22rem))` }}
    >
      <button
        type="button"
        aria-pressed={chosen}
        onClick={() => dispatch(boxChosen(chosen ? null : drawing.box))}
        className="flex min-h-10 w-full items-baseline gap-3 px-2 text-left"
      >
        <span className="min-w-0 flex-1 truncate text-[15px] font-bold" title={box?.name}>
          {number} · {box?.name}
        </span>
        <span
          className={`shrink-0 text-[13px] ${fill.passes ? '' : 'rounded bg-sheet px-1.5 font-bold text-violation'}`}
        >
          {cubicInches(fill.needed).replace(' in³', '')} of {cubicInches(fill.available)}
          {fill.passes ? '' : ': too full'}
        </span>
      </button>
      {others.length > 0 ? (
        <p className="mx-2 mb-1 rounded bg-sheet px-2 py-1 text-[13px]">
          <strong>All breakers off:</strong> {others.join(', ')} {others.length > 1 ? 'are' : 'is'} in this
          box too. A neutral can be live with the other breaker off.
        </p>
      ) : null}
      <OpenBox bench={bench} drawing={drawing} positions={positions} onFlip={onFlip} />
    </article>
  );
};

/** All boxes of the run, opened up. */
export const Board = ({
  bench,
  positions,
  onFlip,
}: {
  bench: Bench;
  positions: Positions;
  onFlip: (id: DeviceId) => void;
}) => {
  const tripped = bench.state.shorts.some((short) => short.circuit === bench.circuit.id);
  const travelers = bench.devices.some((device) => device.letter !== 'S');
  return (
    <section aria-label="Opened boxes" className="bg-board p-3 lg:min-h-0 lg:flex-1 lg:overflow-y-auto">
      {bench.drawings.length === 0 ? (
        <div className="m-4 max-w-lg rounded-lg bg-sheet p-6">
          <h2 className="text-lg font-bold">Nothing to draw yet</h2>
          <p className="mt-2">
            This circuit cannot be planned as it stands. What is missing stands at the side; what you entered
            is kept.
          </p>
        </div>
      ) : (
        <>
          <p className="px-2 pb-1 text-[13px]">
            <strong>Amber, dashed = live now.</strong>{' '}
            {tripped ? 'Nothing of this circuit is live: its breaker has tripped. ' : ''}
            {travelers && !tripped ? 'One traveler of every pair stays live with the luminaires off. ' : ''}
            Flip a handle, or press its number.
          </p>
          <div className="flex flex-wrap items-start gap-x-3 gap-y-4">
            {bench.drawings.map((drawing, i) => (
              <BoxCard
                key={drawing.box}
                bench={bench}
                drawing={drawing}
                number={i + 1}
                positions={positions}
                onFlip={onFlip}
              />
            ))}
          </div>
        </>
      )}
    </section>
  );
};
