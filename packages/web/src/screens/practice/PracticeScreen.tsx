import { useCallback, useEffect, useState } from 'react';
import { Provider } from 'react-redux';
import { useLocation } from 'react-router';
import { EDITIONS, MAKE_UP_LEVELS, type Edition, type MakeUpLevel, type Wiring } from '@amber/core';
import { Button, Field, SafetyNote, Select } from '../../parts/ui.js';
import type { Store } from '../../store/store.js';
import { benchStore } from './benchStore.js';
import { plural } from '../../parts/format.js';
import { OneOf } from '../../parts/OneOf.js';
import { practisedIn } from '../../parts/paths.js';
import {
  keepPractice,
  keptPractice,
  PRACTICE_KINDS,
  resumed,
  rightKey,
  type KeptPractice,
  type PracticeAsked,
  type PracticeKind,
} from './kept.js';
import { JudgeBench } from './JudgeBench.js';
import { MakeUpBench } from './MakeUpBench.js';
import { OwnCircuit } from './OwnCircuit.js';
import { SizeBench } from './SizeBench.js';

const LEVELS = Object.entries(MAKE_UP_LEVELS) as [MakeUpLevel, (typeof MAKE_UP_LEVELS)[MakeUpLevel]][];
const freshSeed = () => Math.floor(Math.random() * 1_000_000_000);

const KINDS: Record<PracticeKind, { title: string; words: string; beside: string }> = {
  makeUp: {
    title: 'Make it up',
    words:
      'The cables are pulled and the wires hang loose. Put each where it belongs, flip the handles, see what it does.',
    beside: '',
  },
  findFault: {
    title: 'Find the fault',
    words:
      'Somebody has made it up with one mistake. Flip the handles first; then open as few boxes as you can, dead, and mend it.',
    beside: ', a fault to find',
  },
  judgeIt: {
    title: 'Judge it',
    words: 'It works from every position, and yet something in it would not pass. What?',
    beside: ', to be judged',
  },
  sizeIt: {
    title: 'Size it',
    words: 'A box with what is in it. Count its cubic inches in your head (314.16), and say whether it fits.',
    beside: ', a box to size',
  },
};

/** Which exercise, by which edition; what came out right before stands beside each. */
const Choose = ({
  kept,
  onBegin,
  onGoOn,
}: {
  kept: KeptPractice | null;
  onBegin: (asked: PracticeAsked) => void;
  onGoOn: () => void;
}) => {
  const [kind, setKind] = useState<PracticeKind>(kept?.asked.kind ?? 'makeUp');
  const [edition, setEdition] = useState<Edition>(kept?.asked.edition ?? 2023);
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      <div className="mx-auto flex max-w-5xl flex-col gap-5 p-5">
        <div className="flex flex-wrap items-end gap-4">
          <div className="min-w-72 flex-1">
            <h1 className="text-[22px] font-bold">Practice</h1>
            <p className="mt-1 text-[14.5px]">
              Whatever works from every position and violates no rule is right: nothing is compared with one
              answer.
            </p>
          </div>
          <div className="w-40">
            <Field label="By edition">
              <Select
                value={edition}
                onChange={(event) => {
                  const picked = EDITIONS.find((one) => String(one) === event.target.value);
                  if (picked) setEdition(picked);
                }}
              >
                {EDITIONS.map((one) => (
                  <option key={one} value={one}>
                    NEC {one}
                  </option>
                ))}
              </Select>
            </Field>
          </div>
        </div>
        {kept ? (
          <Button look="main" className="self-start" onClick={onGoOn}>
            Go on with “{MAKE_UP_LEVELS[kept.asked.level].title}”{KINDS[kept.asked.kind].beside}
          </Button>
        ) : null}
        <OneOf
          label="Kind of exercise"
          options={PRACTICE_KINDS.map((value) => ({ value, words: KINDS[value].title }))}
          value={kind}
          onPick={setKind}
        />
        <section aria-label={KINDS[kind].title}>
          <h2 className="sr-only">{KINDS[kind].title}</h2>
          <p className="mb-2 text-[14.5px]">{KINDS[kind].words}</p>
          <ol className="grid gap-2.5 sm:grid-cols-2 lg:grid-cols-3">
            {LEVELS.map(([level, { title, learns }], i) => {
              const right = kept?.right[rightKey({ kind, level })] ?? 0;
              return (
                <li key={level}>
                  <button
                    type="button"
                    onClick={() => onBegin({ kind, level, seed: freshSeed(), edition })}
                    className="flex h-full w-full gap-3 rounded-lg border border-edge bg-sheet p-3 text-left hover:bg-rail"
                  >
                    <span className="text-[20px] leading-none font-bold text-quiet tabular-nums">
                      {i + 1}
                    </span>
                    <span className="min-w-0">
                      <span className="block text-[15px] font-bold">{title}</span>
                      {kind === 'makeUp' ? <span className="block text-[13.5px]">{learns}</span> : null}
                      {right === 0 ? null : (
                        <span className="block text-[13px] text-quiet">Right {plural(right, 'time')}</span>
                      )}
                    </span>
                  </button>
                </li>
              );
            })}
          </ol>
        </section>
        <p className="text-[13px] text-quiet">
          What came out right is remembered in this browser alone. Every exercise is drawn anew: places,
          material and wire sizes change.
        </p>
        <SafetyNote />
      </div>
    </main>
  );
};

/** An exercise that is drawn, from the list of all. */
const Drawn = () => {
  const [kept, setKept] = useState(keptPractice);
  const [bench, setBench] = useState<{ asked: PracticeAsked; store: Store } | null>(null);
  const change = useCallback((next: (before: KeptPractice) => KeptPractice) => {
    setKept((before) => (before ? next(before) : before));
  }, []);
  useEffect(() => {
    if (kept) keepPractice(kept);
  }, [kept]);
  const onMade = useCallback((wiring: Wiring) => change((before) => ({ ...before, wiring })), [change]);
  const show = (practice: KeptPractice) => {
    const { job } = resumed(practice);
    setBench({ asked: practice.asked, store: benchStore(job) });
  };
  const begin = (asked: PracticeAsked) => {
    const next = { asked, wiring: null, right: kept?.right ?? {} };
    setKept(next);
    show(next);
  };
  if (!bench) return <Choose kept={kept} onBegin={begin} onGoOn={() => kept && show(kept)} />;
  const key = rightKey(bench.asked);
  const ways = {
    onRight: () =>
      change((before) => ({ ...before, right: { ...before.right, [key]: (before.right[key] ?? 0) + 1 } })),
    onAnother: () => begin({ ...bench.asked, seed: freshSeed() }),
    onLeave: () => setBench(null),
  };
  return (
    <Provider store={bench.store}>
      {bench.asked.kind === 'judgeIt' ? (
        <JudgeBench key={`${key} ${bench.asked.seed}`} asked={bench.asked} {...ways} />
      ) : bench.asked.kind === 'sizeIt' ? (
        <SizeBench key={`${key} ${bench.asked.seed}`} asked={bench.asked} {...ways} />
      ) : (
        <MakeUpBench
          key={`${key} ${bench.asked.seed}`}
          title={MAKE_UP_LEVELS[bench.asked.level].title}
          back="All exercises"
          fault={bench.asked.kind === 'findFault' ? bench.asked : null}
          onMade={onMade}
          {...ways}
        />
      )}
    </Provider>
  );
};

/** Learn it on the bench, before the ladder: what is drawn, or a circuit of one's own. */
export const PracticeScreen = () => {
  const own = practisedIn(useLocation().search);
  return own ? <OwnCircuit key={`${own.job} ${own.circuit}`} {...own} /> : <Drawn />;
};
