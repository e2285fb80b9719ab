import { useState } from 'react';
import { DEAD_TESTS, type DeadTest } from '@amber/core';
import { Button } from '../../parts/ui.js';

/** The breaker of an exercise, in its head. */
export const BreakerSwitch = ({
  on,
  count,
  onSwitch,
}: {
  on: boolean;
  /** So many circuits; their breakers go together. */
  count: number;
  onSwitch: (on: boolean) => void;
}) => (
  <button
    type="button"
    role="switch"
    aria-checked={on}
    onClick={() => onSwitch(!on)}
    className={`min-h-11 rounded-md border-2 px-4 font-bold ${on ? 'border-amber-live bg-sheet' : 'border-ink bg-ink text-sheet'}`}
  >
    {count > 1 ? 'Breakers' : 'Breaker'} {on ? 'on' : 'off'}
  </button>
);

/** With the breaker off a box is not dead yet: how is it proved? What proves nothing is stopped, with the reason. */
export const DeadTestAsk = ({ onProved, onStopped }: { onProved: () => void; onStopped: () => void }) => {
  const [wrong, setWrong] = useState<DeadTest | null>(null);
  // Where the right one stands is not to be learned.
  const [ways] = useState(() => {
    const at = Math.floor(Math.random() * DEAD_TESTS.length);
    return [...DEAD_TESTS.slice(at), ...DEAD_TESTS.slice(0, at)];
  });
  return (
    <section
      aria-label="Prove it dead"
      className="mb-2 flex max-w-3xl flex-col gap-2 rounded-lg border-2 border-ink bg-sheet p-3"
    >
      <p className="text-[15px] font-bold">The breaker is off. How do you prove the box dead?</p>
      {wrong ? (
        <p role="alert" className="text-[14px] font-semibold text-violation">
          Stopped: {wrong.why}
        </p>
      ) : null}
      <ul className="flex flex-col gap-1.5">
        {ways.map((way) => (
          <li key={way.id}>
            <Button
              className="h-auto min-h-11 w-full justify-start py-1.5 text-left text-[14px] font-normal!"
              onClick={() => {
                if (way.why === null) return onProved();
                setWrong(way);
                onStopped();
              }}
            >
              {way.words}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
};
