import { useState, type ReactNode } from 'react';
import {
  EDITIONS,
  BENCH_KINDS,
  BENCH_LEVELS,
  PLAN_LEVELS,
  skillKey,
  type Edition,
  type PracticeKind,
  type SharedExercise,
  type Skill,
} from '@amber/core';
import { OneOf } from '../../parts/OneOf.js';
import { Button, Field, SafetyNote, Select } from '../../parts/ui.js';
import { Course } from './Course.js';
import type { KeptPractice } from './kept.js';
import { KINDS, levelTitle, levelWords, sayStanding } from './kinds.js';
import type { Learner } from './learner.js';
import { MeasureForm } from './MeasureForm.js';

/** All exercises of a kind, from the easiest on. */
const skillsOf = (kind: PracticeKind): Skill[] =>
  kind === 'planIt'
    ? PLAN_LEVELS.map((level) => ({ kind, level }))
    : BENCH_LEVELS.map((level) => ({ kind, level }));

/** Who practises, which exercise, by which edition; how one stands with it is said beside each. */
export const Choose = ({
  kept,
  learner,
  onBegin,
  onGoOn,
  onSheet,
  onDraw,
  open,
}: {
  kept: KeptPractice | null;
  learner: Learner;
  onBegin: (skill: Skill, edition: Edition) => void;
  onGoOn: () => void;
  onSheet: () => void;
  /** One made to measure. */
  onDraw: (exercise: SharedExercise) => void;
  /** The way to an exercise that somebody has made. */
  open: ReactNode;
}) => {
  const [kind, setKind] = useState<PracticeKind>(kept?.asked.kind ?? 'makeUp');
  const [edition, setEdition] = useState<Edition>(kept?.asked.edition ?? 2023);
  const standings = new Map(learner.standings.map((one) => [skillKey(one), one]));
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      <div className="mx-auto flex max-w-5xl flex-col gap-5 p-5 max-sm:p-3">
        <div className="flex flex-wrap items-end gap-4">
          <div className="min-w-72 flex-1">
            <h1 className="text-[22px] font-bold">Practice</h1>
            <p className="mt-1 text-[14.5px]">
              Whatever works from every position and violates no rule is right: nothing is compared with one
              answer. Your first answer counts.
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
        <Course learner={learner} onBegin={(skill) => onBegin(skill, edition)} onSheet={onSheet} />
        <div className="flex flex-wrap gap-2">
          {kept ? (
            <Button onClick={onGoOn}>
              Go on with “{levelTitle(kept.asked)}”{KINDS[kept.asked.kind].beside}
            </Button>
          ) : null}
          {open}
        </div>
        <div className="overflow-x-auto">
          <div className="min-w-[40rem]">
            <OneOf
              label="Kind of exercise"
              options={[...BENCH_KINDS, 'planIt' as const].map((value) => ({
                value,
                words: KINDS[value].title,
              }))}
              value={kind}
              onPick={setKind}
            />
          </div>
        </div>
        <section aria-label={KINDS[kind].title}>
          <h2 className="sr-only">{KINDS[kind].title}</h2>
          <p className="mb-2 text-[14.5px]">{KINDS[kind].words}</p>
          <ol className="grid gap-2.5 sm:grid-cols-2 lg:grid-cols-3">
            {skillsOf(kind).map((skill, i) => {
              const standing = standings.get(skillKey(skill));
              const said = standing ? sayStanding(standing) : null;
              return (
                <li key={skill.level}>
                  <button
                    type="button"
                    onClick={() => onBegin(skill, edition)}
                    className="flex h-full w-full gap-3 rounded-lg border border-edge bg-sheet p-3 text-left hover:bg-rail"
                  >
                    <span className="text-[20px] leading-none font-bold text-quiet tabular-nums">
                      {i + 1}
                    </span>
                    <span className="min-w-0">
                      <span className="block text-[15px] font-bold">{levelTitle(skill)}</span>
                      {kind === 'makeUp' || kind === 'planIt' ? (
                        <span className="block text-[13.5px]">{levelWords(skill)}</span>
                      ) : null}
                      {said === null ? null : <span className="block text-[13px] text-quiet">{said}</span>}
                    </span>
                  </button>
                </li>
              );
            })}
          </ol>
          {kind === 'makeUp' ? <MeasureForm edition={edition} onDraw={onDraw} /> : null}
        </section>
        <p className="text-[13px] text-quiet">
          Every exercise is drawn anew: places, material and wire sizes change.
        </p>
        <SafetyNote />
      </div>
    </main>
  );
};
