import { useState, type ReactNode } from 'react';
import { Button } from '../../parts/ui.js';

const ASK = ['Hint', 'Why?', 'Show one way'] as const;

/** A hint that goes deeper with each asking: a question, its reason, one way. */
export const HintSteps = ({
  steps: [question, reason, way],
  asks = ASK,
  onHelp,
}: {
  steps: readonly [question: ReactNode, reason: ReactNode, way: ReactNode];
  /** What is pressed for each. */
  asks?: readonly [string, string, string];
  onHelp: () => void;
}) => {
  const [depth, setDepth] = useState(0);
  const next = asks[depth];
  return (
    <>
      {depth > 0 ? (
        <section
          aria-label="Hint"
          className="flex flex-col gap-2 rounded-md border border-line bg-white p-3 text-[14px]"
        >
          <p className="font-semibold">{question}</p>
          {depth > 1 ? <p>{reason}</p> : null}
          {depth > 2 ? way : null}
        </section>
      ) : null}
      {next === undefined ? null : (
        <Button
          className="self-start"
          onClick={() => {
            setDepth(depth + 1);
            onHelp();
          }}
        >
          {next}
        </Button>
      )}
    </>
  );
};
