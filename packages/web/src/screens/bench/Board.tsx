import { useMemo, useRef } from 'react';
import type { DeviceId, Positions, SaidTrace } from '@amber/core';
import { BeginExisting } from '../../panels/asFound/BeginExisting.js';
import { useAppSelector } from '../../store/store.js';
import { NearestWays } from '../../panels/ways/NearestWays.js';
import { BoardBar } from './BoardBar.js';
import { BoxCard } from '../../wiring/BoxCard.js';
import { FollowedBar } from '../../wiring/FollowedBar.js';
import { lookThrough } from '../../wiring/lenses.js';
import { placeName } from '../../parts/words.js';
import { isUntold, type Subject } from '../../wiring/useSubject.js';
import { useBoxInView } from '../../wiring/useBoxInView.js';
import { useInHand } from '../../wiring/useInHand.js';
import { InHandBar } from '../../wiring/InHandBar.js';

const LENS_NOTES = {
  live: 'Amber, dashed = live now.',
  current: 'Amperes where current flows now; the rest is faint.',
  use: 'What each conductor is for.',
  circuit: 'Which circuit each conductor belongs to; those of others are faint.',
} as const;

/** What is to be known of the picture as it stands, in a line. */
const BoardNote = ({ subject, inHand }: { subject: Subject; inHand: boolean }) => {
  const { lens } = useAppSelector((state) => state.wiring);
  const { circuit, job, state, devices, compiled } = subject;
  const tripped = job.circuits.filter(
    (one) =>
      (circuit === null || one.id === circuit.id) && state.shorts.some((short) => short.circuit === one.id),
  );
  const travelers = devices.some((device) => device.letter !== 'S');
  return (
    <p className="shrink-0 px-2 pb-1 text-[13px]">
      <strong>{LENS_NOTES[lens]}</strong>{' '}
      {lens === 'circuit' ? `${job.circuits.map((one, i) => `C${i + 1} ${one.name}`).join(', ')}. ` : ''}
      {compiled.unknown.length > 0 ? 'Brown, hatched = nobody knows: take it for live. ' : ''}
      {tripped.length > 0
        ? circuit
          ? 'Nothing of this circuit is live: its breaker has tripped. '
          : `The breaker of ${tripped.map((one) => one.name).join(', ')} has tripped. `
        : ''}
      {travelers && tripped.length === 0
        ? 'One traveler of every pair stays live with the luminaires off. '
        : ''}
      {inHand ? 'Tap' : 'Flip a handle or press its number; tap'} a wire to{' '}
      {subject.readOnly ? 'take it in hand' : 'follow it'}.
    </p>
  );
};

/** The boxes of the run, opened up: all beside each other, or one large. */
export const Board = ({
  subject,
  positions,
  followed,
  hasPositions,
  inHand,
  onFlip,
  onGo,
}: {
  subject: Subject;
  positions: Positions;
  followed: SaidTrace | null;
  hasPositions: boolean;
  /** On a telephone: the box in view alone, and how the handles are set stands elsewhere. */
  inHand: boolean;
  onFlip: (id: DeviceId) => void;
  /** To the next box, or the one before. */
  onGo: (by: number) => void;
}) => {
  const { view, lens } = useAppSelector((state) => state.wiring);
  const seen = useMemo(() => lookThrough(lens, subject, positions), [lens, subject, positions]);
  const hand = useInHand(subject);
  const { at } = useBoxInView(subject);
  const board = useRef<HTMLElement>(null);
  const large = view === 'one' || inHand;
  const numbered = subject.drawings.map((drawing, i) => ({ drawing, number: i + 1 }));
  const shown = large ? numbered.slice(at, at + 1) : numbered;
  const drawn = () => {
    const pictures = board.current?.querySelectorAll<SVGSVGElement>('article svg.drawing') ?? [];
    return [...pictures].map((drawing, i) => ({
      drawing,
      name: `${shown[i]?.number ?? i + 1} · ${placeName(subject.job, shown[i]?.drawing.box ?? '')}`,
    }));
  };
  return (
    <section
      ref={board}
      aria-label="Opened boxes"
      className={`bg-board p-2 ${inHand ? 'flex-1' : ''} lg:min-h-0 lg:flex-1 lg:overflow-y-auto ${large ? 'flex flex-col' : ''}`}
    >
      {subject.readOnly && subject.circuit && isUntold(subject) ? (
        <BeginExisting job={subject.job} circuit={subject.circuit} />
      ) : subject.drawings.length === 0 ? (
        <div className="m-4 max-w-3xl rounded-lg bg-sheet p-6">
          <h2 className="text-lg font-bold">Nothing to draw yet</h2>
          <p className="mt-2">
            {subject.readOnly
              ? 'Nothing is told yet. Choose a circuit above, and begin with what is usual for it.'
              : 'This circuit cannot be planned as it stands. What is missing stands at the side; what you entered is kept.'}
          </p>
          {!subject.readOnly && subject.circuit ? (
            <div className="mt-5 border-t border-line pt-4">
              <NearestWays job={subject.job} circuit={subject.circuit} />
            </div>
          ) : null}
        </div>
      ) : (
        <>
          <BoardBar
            onGo={onGo}
            hasPositions={hasPositions}
            inHand={inHand}
            title={`${subject.job.name}, ${subject.name}`}
            drawn={drawn}
          />
          {hand.wire ? (
            <InHandBar hand={hand} />
          ) : followed ? (
            <FollowedBar job={subject.job} followed={followed} />
          ) : (
            <BoardNote subject={subject} inHand={inHand} />
          )}
          <div
            className={large ? 'flex min-h-0 flex-1 flex-col' : 'flex flex-wrap items-start gap-x-3 gap-y-4'}
          >
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
                inHand={hand.at?.box === drawing.box ? hand.at.key : null}
                onFlip={onFlip}
                onFollow={(key) => hand.tap(drawing.box, key)}
              />
            ))}
          </div>
        </>
      )}
    </section>
  );
};
