import { useMemo, useState } from 'react';
import {
  cubicInches,
  dollars,
  drawPlanIt,
  feetInches,
  findCircuit,
  WELL_LAID,
  judgePlanIt,
  layCables,
  PANEL,
  placeName,
  type Candidate,
  type Circuit,
  type LaidRun,
  type Place,
} from '@amber/core';
import { RunMini } from '../../parts/RunMini.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { usePlans } from '../../worker/usePlans.js';
import type { LaidCables, PlanAsked } from './kept.js';
import { titleOf } from './kinds.js';
import { HintSteps } from './HintSteps.js';
import { Another, LookedAt } from './LookedAt.js';
import { isBetween, PlanDrawn } from './PlanDrawn.js';
import type { Ways } from './ways.js';

interface Planned extends Ways {
  asked: PlanAsked;
  laid: LaidCables;
  onLaid: (laid: LaidCables) => void;
}

/** The best there is, once it is known: the least that any way costs, and a master's choice. */
const bestOf = (found: ReturnType<typeof usePlans>['search']) => {
  if (found.kind === 'failed' || !found.found) return null;
  const { profiles, candidates } = found.found;
  const of = (id: string): { plan: Candidate; proved: boolean } | null => {
    const profile = profiles.find((one) => one.id === id);
    const plan = candidates.find(({ letter }) => letter === profile?.letter);
    return plan ? { plan, proved: profile?.proved === true } : null;
  };
  const [least, masters] = [of('leastCost'), of('mastersChoice')];
  return least && (least.proved || found.kind === 'done')
    ? { least, masters: masters?.plan.measures.cost ?? null }
    : null;
};

/** Cables by hand, for who does not tap the plan, and all that are laid. */
const Cables = ({
  places,
  laid,
  told,
  nameOf,
  onToggle,
}: {
  places: readonly Place[];
  laid: LaidCables;
  /** What each is, as far as that is known. */
  told: readonly LaidRun[];
  nameOf: (place: Place) => string;
  onToggle: (a: Place, b: Place) => void;
}) => {
  const [from, setFrom] = useState<Place>(PANEL);
  const [to, setTo] = useState<Place>(places[1] ?? PANEL);
  const pick = (label: string, value: Place, onChange: (place: Place) => void) => (
    <Field label={label}>
      <Select value={value} onChange={(event) => onChange(event.target.value as Place)}>
        {places.map((place) => (
          <option key={place} value={place}>
            {nameOf(place)}
          </option>
        ))}
      </Select>
    </Field>
  );
  return (
    <section aria-label="Cables laid" className="flex flex-col gap-2">
      <div className="grid grid-cols-2 gap-2">
        {pick('From', from, setFrom)}
        {pick('To', to, setTo)}
      </div>
      <Button
        className="self-start"
        disabled={from === to || laid.some((one) => isBetween(one, from, to))}
        onClick={() => onToggle(from, to)}
      >
        Lay a cable
      </Button>
      <ul className="divide-y divide-line border-y border-line text-[13.5px] empty:hidden">
        {laid.map(([a, b]) => {
          const run = told.find((one) => isBetween([a, b], one.from, one.to));
          return (
            <li key={`${a} ${b}`} className="flex items-center gap-2 py-0.5">
              <span className="min-w-0 flex-1">
                {nameOf(a)} to {nameOf(b)}
                {run ? (
                  <strong className="block">
                    {run.cable}, {run.feet === null ? 'length not known' : feetInches(run.feet * 12)}
                  </strong>
                ) : null}
              </span>
              <Button
                look="bare"
                aria-label={`Take out ${nameOf(a)} to ${nameOf(b)}`}
                onClick={() => onToggle(a, b)}
              >
                Take out
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
};

const HINTS = [
  'Which cable carries the travelers, and how long does it have to be?',
  'Every conductor more is paid for by the foot. Look where the power enters: from there a neutral goes to the lights and, where the code asks for it, to the switches; travelers run between the switches alone.',
] as const;

const Board = ({
  asked,
  laid,
  onLaid,
  onAnswered,
  onHelp,
  onAnother,
  onLeave,
  circuit,
  exercise,
}: Planned & { circuit: Circuit; exercise: ReturnType<typeof drawPlanIt> }) => {
  const { job } = exercise;
  const told = useMemo(() => layCables(exercise, laid), [exercise, laid]);
  const { search } = usePlans(job, circuit);
  const best = bestOf(search);
  const [picked, setPicked] = useState<Place | null>(null);
  const [done, setDone] = useState(false);
  const nameOf = (place: Place) => (place === PANEL ? 'Panel' : placeName(job, place));
  const toggle = (a: Place, b: Place) => {
    const left = laid.filter((one) => !isBetween(one, a, b));
    onLaid(left.length < laid.length ? left : [...laid, [a, b]]);
    setPicked(null);
    setDone(false);
  };
  const pick = (place: Place) =>
    picked === null ? setPicked(place) : picked === place ? setPicked(null) : toggle(picked, place);
  const judged =
    told.ok && best
      ? judgePlanIt(told, { least: best.least.plan.measures.cost, masters: best.masters })
      : null;
  return (
    <LookedAt
      title={titleOf(asked)}
      onLeave={onLeave}
      said={
        <p role="status" className="pb-2 text-[13.5px]">
          {picked === null
            ? 'Tap one place, then another: a cable lies between them. The same again takes it out.'
            : `From ${nameOf(picked)}: tap where the cable goes.`}
        </p>
      }
      board={
        <PlanDrawn job={job} laid={laid} told={told.ok ? told.cables : []} picked={picked} onPick={pick} />
      }
    >
      <p className="text-[14.5px]">
        Lay the cables of {circuit.name}: every switch and every light reached, from the panel, for as little
        as can be. By NEC {asked.edition}; {circuit.breaker} A, {circuit.awg} AWG.
      </p>
      <Cables
        places={[PANEL, ...job.boxes.map(({ id }) => id)]}
        laid={laid}
        told={told.ok ? told.cables : []}
        nameOf={nameOf}
        onToggle={toggle}
      />
      <section
        aria-label="What it comes to"
        className="rounded-md border border-line bg-white p-3 text-[14px]"
      >
        {told.ok ? (
          <>
            <p role="status" className="text-[17px] font-bold">
              {dollars(told.measures.cost)}
            </p>
            <p className="mt-1">
              {told.measures.largest
                ? `Most has to fit at ${nameOf(told.measures.largest.box)}: ${cubicInches(told.measures.largest.needed)}. `
                : ''}
              Material and labour by the prices of the standard stock.
            </p>
            {told.violations.map((words) => (
              <p key={words} className="mt-1 font-semibold text-violation">
                {words}
              </p>
            ))}
          </>
        ) : (
          <p role="status">{told.why}</p>
        )}
      </section>
      <div className="flex flex-wrap gap-2">
        <Button
          look="main"
          disabled={!told.ok || !best}
          onClick={() => {
            setDone(true);
            if (judged) onAnswered(judged.right);
          }}
        >
          Done: hold it against the best
        </Button>
      </div>
      {told.ok && !best ? (
        <p role="status" className="text-[13.5px]">
          {search.kind === 'failed' ? search.message : 'The best way is being sought …'}
        </p>
      ) : null}
      {done ? null : (
        <HintSteps
          steps={[
            HINTS[0],
            HINTS[1],
            best?.least.plan.sketch ? (
              <RunMini key="run" run={best.least.plan.sketch} label="Run of the way that costs the least" />
            ) : (
              <p key="run">The best way is being sought …</p>
            ),
          ]}
          onHelp={onHelp}
        />
      )}
      {done && told.ok && best && judged ? (
        <section aria-label="How it comes out" className="flex flex-col gap-2 text-[14px]">
          <p role="status" className="text-[15.5px] font-bold">
            {judged.right
              ? judged.more === 0
                ? 'Right: none costs less.'
                : `Right: ${dollars(judged.more)} above the least.`
              : told.violations.length > 0
                ? 'It would not pass.'
                : `It works, and costs ${dollars(judged.more)} more than need be.`}
          </p>
          <p>
            The least that does it costs {dollars(best.least.plan.measures.cost)}
            {best.least.proved ? ', which is proved' : '; that is the best that was found, not proved'}. Up to{' '}
            {100 * WELL_LAID} % above it, or a master’s choice, is right.
          </p>
          {best.least.plan.sketch ? (
            <RunMini run={best.least.plan.sketch} label="Run of the way that costs the least" />
          ) : null}
          <Another onAnother={onAnother} />
        </section>
      ) : null}
    </LookedAt>
  );
};

/** A place in which cables are laid by hand, held against the best way that the planner finds. */
export const PlanItBench = (planned: Planned) => {
  const { asked } = planned;
  const exercise = useMemo(() => drawPlanIt(asked), [asked]);
  const circuit = findCircuit(exercise.job, exercise.circuit);
  return circuit ? <Board {...planned} circuit={circuit} exercise={exercise} /> : null;
};
