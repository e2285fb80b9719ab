import { Button } from '../parts/ui.js';
import type { useInHand } from './useInHand.js';

/** The wire in hand, and what can be said of it that no tap on the picture says. */
export const InHandBar = ({
  hand,
  mayBeUnseen = true,
}: {
  hand: ReturnType<typeof useInHand>;
  /** Somebody may not have looked; of what one makes up oneself that cannot be. */
  mayBeUnseen?: boolean;
}) => {
  const { wire, put, leave, refusal } = hand;
  if (!wire) return null;
  return (
    <div
      role="status"
      aria-label="Wire in hand"
      className="mb-1 flex shrink-0 flex-wrap items-center gap-2 rounded-md border-2 border-ink bg-sheet px-3 py-1.5 text-[14px]"
    >
      <p className="min-w-52 flex-1">
        <strong className="inline-block first-letter:uppercase">{wire.words}</strong>: tap the screw, splice
        or wire it is on.
      </p>
      <Button onClick={() => put('alone')}>Capped alone</Button>
      <Button onClick={() => put('loose')}>Loose</Button>
      {mayBeUnseen && 'end' in wire.wire ? (
        <Button onClick={() => put('unseen')}>Not looked at</Button>
      ) : null}
      <Button look="bare" onClick={leave}>
        Leave it
      </Button>
      {refusal === null ? null : (
        <p role="alert" className="w-full font-semibold text-violation">
          {refusal}
        </p>
      )}
    </div>
  );
};
