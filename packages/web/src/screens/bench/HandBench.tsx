import { useState, type ReactNode } from 'react';
import type { Finding } from '@amber/core';
import { foldedOf } from '../../panels/findings/grouping.js';
import { plural } from '../../parts/format.js';
import { SafetyLine, SeverityMark } from '../../parts/ui.js';
import { useAppSelector } from '../../store/store.js';
import { useInspected } from '../../wiring/useInspected.js';
import type { Subject } from '../../wiring/useSubject.js';
import { SidePanel } from './SidePanel.js';
import { StepsHere } from './StepsHere.js';

export type HandPane = 'steps' | 'box' | 'run' | 'more';

const WORDS: Record<HandPane, string> = { steps: 'Steps', box: 'Box', run: 'Run', more: 'More' };

/** What is asked for by a step or by a picture, so that it is turned to when it changes. */
const useAskedFor = () => {
  const step = useAppSelector((state) => state.wiring.step);
  const followed = useAppSelector((state) => state.wiring.followed);
  return { step, followed };
};

/** What has to be known before anybody works by the steps: they do not say it. Null where there is nothing. */
const sayAgainst = (subject: Subject, findings: readonly Finding[] | null): string | null => {
  const violations = foldedOf(findings ?? []).roots.filter(({ severity }) => severity === 'violation').length;
  const failing = subject.proofs.some(({ working, positions }) => working < positions);
  const said = [
    ...(failing ? ['It does not work from every position'] : []),
    ...(violations > 0 ? [plural(violations, 'violation')] : []),
  ];
  const then = subject.kind === 'planned' ? 'build it' : 'touch it';
  return said.length === 0 ? null : `${said.join('; ')}. Look before you ${then}.`;
};

/** The bench in one hand: one thing at a time, what is turned to and flipped within the reach of a thumb. */
export const HandBench = ({
  subject,
  board,
  run,
  handles,
}: {
  subject: Subject;
  board: ReactNode;
  run: ReactNode;
  handles: ReactNode;
}) => {
  // What stands is not made up again, so it has no steps.
  const hasSteps = subject.kind !== 'existing';
  const [pane, setPane] = useState<HandPane>(hasSteps ? 'steps' : 'more');
  const asked = useAskedFor();
  const [known, setKnown] = useState(asked);
  if (asked.step !== known.step || asked.followed !== known.followed) {
    setKnown(asked);
    if (asked.step !== null && asked.step !== known.step && hasSteps) setPane('steps');
    else if (asked.followed !== null && asked.followed !== known.followed && pane === 'steps') setPane('box');
  }
  const against = sayAgainst(subject, useInspected(subject).now);
  const shown = pane === 'steps' && !hasSteps ? 'more' : pane;
  const panes = (Object.keys(WORDS) as HandPane[]).filter((one) => one !== 'steps' || hasSteps);
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      {against === null || pane === 'more' ? null : (
        <button
          type="button"
          onClick={() => setPane('more')}
          className="flex min-h-11 shrink-0 items-center gap-2 border-b border-line bg-white px-3 text-left text-[13.5px] font-semibold text-violation print:hidden"
        >
          <SeverityMark severity="violation" />
          {against}
        </button>
      )}
      <div className="flex min-h-0 flex-1 flex-col overflow-y-auto">
        {shown === 'steps' ? (
          <div className="p-3">
            <StepsHere subject={subject} brief />
          </div>
        ) : null}
        {shown === 'box' ? <div className="flex min-h-full flex-col">{board}</div> : null}
        {shown === 'run' ? run : null}
        {shown === 'more' ? <SidePanel subject={subject} /> : null}
      </div>
      <SafetyLine className="shrink-0 border-t border-line bg-sheet px-3" />
      {handles}
      <div
        role="group"
        aria-label="What is shown"
        className="grid shrink-0 auto-cols-fr grid-flow-col divide-x divide-line border-t border-line bg-sheet print:hidden"
      >
        {panes.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={shown === one}
            onClick={() => setPane(one)}
            className="min-h-11 text-[14px] font-semibold aria-pressed:bg-ink aria-pressed:text-sheet"
          >
            {one === 'more' && !hasSteps ? 'What is there' : WORDS[one]}
          </button>
        ))}
      </div>
    </div>
  );
};
