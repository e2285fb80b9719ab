import { useCallback, useMemo, useRef } from 'react';
import type { DeviceId, Positions, SaidTrace } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { wireFollowed } from '../../store/wiringSlice.js';
import { BoardBar } from './BoardBar.js';
import { BoxCard } from './BoxCard.js';
import { FollowedBar } from './FollowedBar.js';
import { lookThrough } from '../../wiring/lenses.js';
import { SaveButtons } from '../../wiring/SaveButtons.js';
import { placeName } from '../../parts/words.js';
import type { Subject } from '../../wiring/useSubject.js';
import { useBoxInView } from '../../wiring/useBoxInView.js';

const LENS_NOTES = {
  live: 'Amber, dashed = live now.',
  current: 'Amperes where current flows now; the rest is faint.',
  use: 'What each conductor is for; travelers with a number.',
  circuit: 'Which circuit each conductor belongs to; those of others are faint.',
} as const;

/** The boxes of the run, opened up: all beside each other, or one large. */
export const Board = ({
  subject,
  positions,
  followed,
  onFlip,
  onGo,
}: {
  subject: Subject;
  positions: Positions;
  followed: SaidTrace | null;
  onFlip: (id: DeviceId) => void;
  /** To the next box, or the one before. */
  onGo: (by: number) => void;
}) => {
  const { view, lens } = useAppSelector((state) => state.wiring);
  const dispatch = useAppDispatch();
  const { shorts } = subject.state;
  const { circuit } = subject;
  const tripped = circuit !== null && shorts.some((short) => short.circuit === circuit.id);
  const trippedNames = circuit
    ? []
    : subject.job.circuits.filter((one) => shorts.some((short) => short.circuit === one.id));
  const travelers = subject.devices.some((device) => device.letter !== 'S');
  const seen = useMemo(() => lookThrough(lens, subject, positions), [lens, subject, positions]);
  const follow = useCallback((key: string) => void dispatch(wireFollowed(key)), [dispatch]);
  const { at } = useBoxInView(subject);
  const board = useRef<HTMLElement>(null);
  const large = view === 'one';
  const numbered = subject.drawings.map((drawing, i) => ({ drawing, number: i + 1 }));
  const shown = large ? numbered.slice(at, at + 1) : numbered;
  return (
    <section
      ref={board}
      aria-label="Opened boxes"
      className="bg-board p-3 lg:min-h-0 lg:flex-1 lg:overflow-y-auto"
    >
      {subject.drawings.length === 0 ? (
        <div className="m-4 max-w-lg rounded-lg bg-sheet p-6">
          <h2 className="text-lg font-bold">Nothing to draw yet</h2>
          <p className="mt-2">
            {subject.readOnly
              ? 'This wiring holds nothing of the circuit.'
              : 'This circuit cannot be planned as it stands. What is missing stands at the side; what you entered is kept.'}
          </p>
        </div>
      ) : (
        <>
          <BoardBar onGo={onGo}>
            <SaveButtons
              what="the run"
              title={`${subject.job.name}, ${subject.name}`}
              drawn={() => {
                const pictures = board.current?.querySelectorAll<SVGSVGElement>('article svg.drawing') ?? [];
                return [...pictures].map((drawing, i) => ({
                  drawing,
                  name: `${i + 1} · ${placeName(subject.job, subject.drawings[i]?.box ?? '')}`,
                }));
              }}
            />
          </BoardBar>
          {followed ? (
            <FollowedBar job={subject.job} followed={followed} />
          ) : (
            <p className="px-2 pb-1 text-[13px]">
              <strong>{LENS_NOTES[lens]}</strong>{' '}
              {lens === 'circuit'
                ? `${subject.job.circuits.map((one, i) => `C${i + 1} ${one.name}`).join(', ')}. `
                : ''}
              {tripped ? 'Nothing of this circuit is live: its breaker has tripped. ' : ''}
              {trippedNames.length > 0
                ? `The breaker of ${trippedNames.map((one) => one.name).join(', ')} has tripped. `
                : ''}
              {travelers && !tripped ? 'One traveler of every pair stays live with the luminaires off. ' : ''}
              Flip a handle, or press its number. Tap a wire to follow it (F).
            </p>
          )}
          <div className={`flex flex-wrap items-start gap-x-3 gap-y-4 ${large ? 'justify-center' : ''}`}>
            {shown.map(({ drawing, number }) => (
              <BoxCard
                key={drawing.box}
                subject={subject}
                drawing={drawing}
                number={number}
                large={large}
                positions={positions}
                seen={seen}
                followed={followed?.keys ?? null}
                onFlip={onFlip}
                onFollow={follow}
              />
            ))}
          </div>
        </>
      )}
    </section>
  );
};
