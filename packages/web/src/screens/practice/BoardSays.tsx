import type { Reach } from './useReach.js';

/** What stands over the board: what was stopped, what the breaker does, what is to be done next. */
export const BoardSays = ({
  reach: { on, warned },
  hides,
  metering,
  trips,
}: {
  reach: Pick<Reach, 'on' | 'warned'>;
  /** A mistake is hidden in what is shut. */
  hides: boolean;
  metering: boolean;
  trips: boolean;
}) => (
  <p role="status" className="px-2 pb-1 text-[13.5px]">
    {on && warned ? (
      <strong className="rounded bg-sheet px-1.5 text-violation">
        Stopped: the breaker is on. Put it off, lock it, and prove the box dead before you reach into it.
      </strong>
    ) : on && trips ? (
      <strong className="rounded bg-sheet px-1.5">
        The breaker trips as it is put on, or at this position of the handles. Put it off, and find out why
        before it goes on again.
      </strong>
    ) : on && metering ? (
      'The breaker is on: a probe in an open box now reads live. On site that is for a qualified electrician alone; here it is counted.'
    ) : on ? (
      hides ? (
        'The breaker is on: flip the handles above, and see what the light does.'
      ) : (
        'The breaker is on: flip the handles and see what it does. Amber, dashed = live now.'
      )
    ) : metering ? (
      'The breaker is off. Tap a wire or a screw of an open box for each probe; no wire is moved meanwhile.'
    ) : hides ? (
      'The breaker is off. Open the box that you suspect, and put its wires right: tap a wire, then where it goes.'
    ) : (
      'The breaker is off. Tap a wire, then the screw, splice or wire that it goes to.'
    )}
  </p>
);
