import { useCallback, useEffect, useState } from 'react';
import { Provider } from 'react-redux';
import { useLocation } from 'react-router';
import { MOST_SEED, type Edition, type SharedExercise, type Skill, type Wiring } from '@amber/core';
import { practisedIn } from '../../parts/paths.js';
import type { Store } from '../../store/store.js';
import { benchStore } from './benchStore.js';
import { CanDo } from './CanDo.js';
import { Choose } from './Choose.js';
import { JudgeBench } from './JudgeBench.js';
import {
  keepPractice,
  keptPractice,
  NO_EFFORT,
  resumed,
  type KeptPractice,
  type BenchAsked,
  type PlanAsked,
  type PracticeAsked,
} from './kept.js';
import { titleOf } from './kinds.js';
import { useLearner } from './learner.js';
import { MakeUpBench } from './MakeUpBench.js';
import { OpenedExercise, OpenExercise } from './OpenedExercise.js';
import { OwnCircuit } from './OwnCircuit.js';
import { PlanItBench } from './PlanItBench.js';
import { SizeBench } from './SizeBench.js';
import type { Ways } from './ways.js';
import { WiresBench } from './WiresBench.js';

const freshSeed = () => Math.floor(Math.random() * MOST_SEED);

/** An exercise on its bench. */
const OnBench = ({
  asked,
  onMade,
  ways,
}: {
  asked: BenchAsked;
  onMade: (wiring: Wiring) => void;
  ways: Ways;
}) => {
  switch (asked.kind) {
    case 'judgeIt':
      return <JudgeBench asked={asked} {...ways} />;
    case 'sizeIt':
      return <SizeBench asked={asked} {...ways} />;
    case 'whichWire':
      return <WiresBench asked={asked} {...ways} />;
    default:
      return (
        <MakeUpBench
          {...ways}
          title={titleOf(asked)}
          back="All exercises"
          hiddenBy={asked.kind === 'findFault' ? asked : null}
          onMade={onMade}
        />
      );
  }
};

/** What is practised: chosen from the list of all, by the course, or opened. */
const Practice = () => {
  const learner = useLearner();
  const [kept, setKept] = useState(keptPractice);
  const [shown, setShown] = useState<
    | { kind: 'drawn'; asked: BenchAsked; store: Store }
    | { kind: 'plan'; asked: PlanAsked }
    | { kind: 'opened'; exercise: SharedExercise; isOwn: boolean }
    | { kind: 'sheet' }
    | null
  >(null);
  const change = useCallback((next: (before: KeptPractice) => Partial<KeptPractice>) => {
    setKept((before) => (before ? { ...before, ...next(before) } : before));
  }, []);
  useEffect(() => {
    if (kept) keepPractice(kept);
  }, [kept]);
  const onMade = useCallback((wiring: Wiring) => change(() => ({ wiring })), [change]);
  const leave = () => setShown(null);
  const show = (practice: KeptPractice) =>
    setShown(
      practice.asked.kind === 'planIt'
        ? { kind: 'plan', asked: practice.asked }
        : {
            kind: 'drawn',
            asked: practice.asked,
            store: benchStore(resumed(practice.asked, practice.wiring).job),
          },
    );
  const begin = (skill: Skill, edition: Edition) => {
    const asked: PracticeAsked = { ...skill, seed: freshSeed(), edition };
    const next = { asked, wiring: null, laid: [], effort: NO_EFFORT };
    setKept(next);
    show(next);
  };
  if (shown?.kind === 'sheet') return <CanDo learner={learner} onLeave={leave} />;
  if (shown?.kind === 'opened') return <OpenedExercise {...shown} onLeave={leave} />;
  if (!shown)
    return (
      <Choose
        kept={kept}
        learner={learner}
        onBegin={begin}
        onGoOn={() => kept && show(kept)}
        onSheet={() => setShown({ kind: 'sheet' })}
        onDraw={(exercise) => setShown({ kind: 'opened', exercise, isOwn: true })}
        open={<OpenExercise onOpen={(exercise) => setShown({ kind: 'opened', exercise, isOwn: false })} />}
      />
    );
  const { asked } = shown;
  const effort = kept?.effort ?? NO_EFFORT;
  const ways: Ways = {
    effort,
    onAnswered: (right) => {
      if (effort.answered) return;
      const { kind, level, seed, edition } = asked;
      const outcome = !right || effort.stopped > 0 ? 'missed' : effort.helped ? 'helped' : 'right';
      learner.add({ kind, level, seed, edition, outcome, stopped: effort.stopped });
      change((before) => ({ effort: { ...before.effort, answered: true } }));
    },
    onHelp: () => change((before) => ({ effort: { ...before.effort, helped: true } })),
    onStopped: () =>
      change((before) => ({ effort: { ...before.effort, stopped: before.effort.stopped + 1 } })),
    onAnother: () => begin(asked, asked.edition),
    onLeave: leave,
  };
  const key = `${asked.kind} ${asked.level} ${asked.seed}`;
  if (shown.kind === 'plan')
    return (
      <PlanItBench
        key={key}
        asked={shown.asked}
        laid={kept?.laid ?? []}
        onLaid={(laid) => change(() => ({ laid }))}
        {...ways}
      />
    );
  return (
    <Provider store={shown.store}>
      <OnBench key={key} asked={shown.asked} onMade={onMade} ways={ways} />
    </Provider>
  );
};

/** Learn it on the bench, before the ladder: what is drawn, what somebody has made, or a circuit of one's own. */
export const PracticeScreen = () => {
  const own = practisedIn(useLocation().search);
  return own ? <OwnCircuit key={`${own.job} ${own.circuit}`} {...own} /> : <Practice />;
};
