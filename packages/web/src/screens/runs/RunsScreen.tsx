import { useLocation } from 'react-router';
import { changeIn, layoutPath } from '../../parts/paths.js';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import {
  cheapestOf,
  isChosen,
  sayFirst,
  wiredChoice,
  type Candidate,
  type Circuit,
  type Job,
  type LaidRun,
  type LeastChange,
} from '@amber/core';
import { useAppDispatch } from '../../store/store.js';
import { reviewOf, useEdit } from '../../store/review.js';
import { boxesOf } from '../../plan/view.js';
import { noticed } from '../../store/noticeSlice.js';
import { plural } from '../../parts/format.js';
import { Button, SafetyNote } from '../../parts/ui.js';
import { Details } from './Details.js';
import { Kinds, Refusals } from './FoundParts.js';
import { PlanCard } from './PlanCard.js';
import { PlanOverlay } from './PlanOverlay.js';
import { RunPanel } from './RunPanel.js';
import { keyOfRun } from './routes.js';
import { hasExisting } from '../../panels/change/draft.js';
import { useChoosePlan } from '../../panels/ways/choosePlan.js';
import { ChangePanel, useChange } from '../../panels/change/ChangePanel.js';
import { useLeastChange } from '../../worker/useLeastChange.js';
import { usePlans, type Search } from '../../worker/usePlans.js';
import { StandingPanel, useStanding } from './Standing.js';
import { WiredNow } from './WiredNow.js';

const headline = (search: Search): string => {
  if (search.kind === 'unasked') return 'It stands as it was found: nothing is planned of it.';
  if (search.kind === 'failed') return 'The search broke off';
  const count = search.found?.candidates.length ?? 0;
  const plans = plural(count, 'plan');
  if (search.kind === 'searching') return count > 0 ? `${plans} so far, searching on …` : 'Searching …';
  if (search.kind === 'stopped') return `${plans} when it was stopped`;
  const least = search.found?.profiles.find((one) => one.id === 'mastersChoice');
  const first = search.found?.candidates[0]?.letter;
  // What is expected later is no part of a proof.
  const expecting = search.found?.expecting ? `With what is expected later, ${first ?? ''} comes first.` : '';
  const proof = sayFirst(least, expecting === '' ? first : (least?.letter ?? undefined));
  return [`${plans}.`, proof, expecting].filter((one) => one !== '').join(' ');
};

const Unmeasured = ({ job, circuit }: { job: Job; circuit: Circuit }) => (
  <div className="grid min-h-48 flex-1 place-items-center p-6 text-center">
    <div className="max-w-md">
      <p className="text-[15px]">Nobody has said where the boxes of {circuit.name} stand.</p>
      <p className="mt-1 text-[14px] text-quiet">
        Measured in the layout, runs get their lengths, and plans their cable.
      </p>
      <Link
        to={layoutPath(job.id, circuit.id)}
        className="mt-4 inline-flex min-h-10 items-center rounded-md bg-ink px-4 font-semibold text-sheet"
      >
        Measure the place
      </Link>
    </div>
  </div>
);

/** No run of a change is picked. */
const nothing = () => undefined;

/** Which way is best? Every sensible way to wire the circuit over its layout, as a master would choose. */
export const RunsScreen = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const standing = useStanding(job, circuit);
  const [isSought, setSought] = useState(false);
  const { search, stop, again } = usePlans(job, standing && !isSought ? null : circuit);
  const edit = useEdit();
  const dispatch = useAppDispatch();
  const [picked, setPicked] = useState<string | null>(null);
  const [hovered, setHovered] = useState<string | null>(null);
  const [run, setRun] = useState<LaidRun | null>(null);
  const asking = useChange(job, circuit, changeIn(useLocation().search) && hasExisting(job, circuit));
  const changed = useLeastChange(job, asking.change);
  const wired = wiredChoice(reviewOf(job).plans, circuit.id);
  const found = search.kind === 'failed' ? null : search.found;
  const by = (letter: string | null) => found?.candidates.find((one) => one.letter === letter);
  const looked = by(picked) ?? found?.candidates[0] ?? null;
  const shown = by(hovered) ?? looked;
  const change =
    changed?.kind === 'known' && changed.answer.ok
      ? ([changed.answer.value, ...changed.answer.others][asking.way] ?? changed.answer.value)
      : null;
  const drawnChange = useMemo(
    () =>
      change && {
        ...{ label: 'The change', entry: null, choice: undefined, runs: change.runs },
        ...{ opened: change.opened, out: change.drawnOut },
      },
    [change],
  );
  const drawnPlan = useMemo(() => shown && { ...shown, label: `Plan ${shown.letter}` }, [shown]);
  const choose = useChoosePlan(job, circuit);
  const make = (value: LeastChange) => {
    edit({ ...value.job, wirings: job.wirings }, `change what is there of ${circuit.name}`);
    asking.close();
    dispatch(noticed(`${circuit.name} is planned with the change. Undo brings back what was there.`));
  };
  const why = (plan: Candidate, index: number) =>
    (index === 0 ? found?.paidFor : null) ??
    found?.comparisons.find((one) => one.other === plan.letter || (index === 0 && one.better === plan.letter))
      ?.sentence ??
    null;
  const mine = boxesOf(job, circuit.id);
  const measured = job.boxes.some((box) => mine.has(box.id) && box.at !== null);
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 flex-col max-lg:contents lg:min-h-0 lg:flex-1">
        <div className="flex shrink-0 items-start gap-x-4 gap-y-1 border-b border-line px-4 py-2 max-lg:flex-wrap max-lg:items-center">
          <div className="min-w-0 flex-1 max-lg:contents">
            <h1 className="text-[17px] font-bold">
              {asking.draft
                ? `Change of ${circuit.name}`
                : search.kind === 'unasked'
                  ? `What is there of ${circuit.name}`
                  : `Ways to wire ${circuit.name}`}
            </h1>
            {asking.draft === null ? (
              // Room for what a proof leaves out: the plan below stays as large as it is.
              <p
                role="status"
                className="mt-0.5 min-h-[3em] min-w-0 text-[14px] text-quiet max-lg:order-last max-sm:min-h-[4.5em] max-lg:w-full"
              >
                {headline(search)}
              </p>
            ) : null}
          </div>
          {asking.draft === null && search.kind === 'searching' && stop ? (
            <Button onClick={stop}>Stop</Button>
          ) : null}
          {asking.draft === null && (search.kind === 'stopped' || search.kind === 'failed') ? (
            <Button onClick={again}>Search again</Button>
          ) : null}
          {/* It stands alone at the right, where nothing that a search says moves it under a finger. */}
          {asking.draft === null && hasExisting(job, circuit) ? (
            <Button
              className="max-lg:ml-auto"
              onClick={() => {
                setRun(null);
                asking.open();
              }}
            >
              Change what is there …
            </Button>
          ) : null}
        </div>
        {search.kind === 'failed' ? (
          <p role="alert" className="p-4 text-violation">
            {search.message}
          </p>
        ) : null}
        <div className="relative flex min-h-0 flex-1 flex-col max-lg:h-96 max-lg:flex-none">
          {measured ? (
            <PlanOverlay
              job={change?.job ?? job}
              circuit={circuit}
              plan={(asking.draft ? drawnChange : drawnPlan) ?? standing}
              picked={run}
              onPick={asking.draft || !drawnPlan ? nothing : setRun}
            />
          ) : (
            <Unmeasured job={job} circuit={circuit} />
          )}
          {run ? (
            <RunPanel
              key={keyOfRun(run)}
              job={job}
              circuit={circuit}
              run={run}
              least={(found && cheapestOf(found.candidates)?.measures.cost) ?? null}
              onClose={() => setRun(null)}
            />
          ) : null}
        </div>
        {found && asking.draft === null ? (
          <Details
            job={job}
            circuit={circuit}
            found={found}
            plan={shown}
            picked={run}
            onPickRun={setRun}
            onPickPlan={setPicked}
            onChoose={choose}
          />
        ) : asking.draft === null && search.kind === 'searching' ? (
          // The room that it will take: the plan above stays as large as it is.
          <div className="hidden shrink-0 border-t border-line bg-sheet lg:block lg:h-66 print:hidden" />
        ) : null}
      </main>
      <aside
        aria-label={asking.draft ? 'Change what is there' : 'Plans'}
        className="flex shrink-0 flex-col border-line bg-sheet max-lg:border-t lg:min-h-0 lg:w-106 lg:overflow-y-auto lg:border-l"
      >
        {asking.draft ? (
          <ChangePanel job={job} circuit={circuit} asking={asking} answer={changed} onMake={make} />
        ) : (
          <>
            {search.kind === 'unasked' ? (
              <StandingPanel job={job} circuit={circuit} onSeek={() => setSought(true)} />
            ) : null}
            {found ? <Kinds found={found} letter={looked?.letter ?? null} onPick={setPicked} /> : null}
            {found ? (
              <WiredNow job={job} circuit={circuit} found={found} settled={search.kind === 'done'} />
            ) : null}
            {found?.notes.map((note) => (
              <p key={note} className="mx-4 mb-3 border-l-3 border-caution pl-3 text-[13.5px]">
                {note}
              </p>
            ))}
            {found && found.refusals.length > 0 ? <Refusals found={found} /> : null}
            {found ? (
              <ol aria-label="Plans" className="border-t border-line">
                {found.candidates.map((plan, index) => (
                  <PlanCard
                    key={plan.letter}
                    job={job}
                    circuit={circuit.id}
                    plan={plan}
                    why={why(plan, index)}
                    chosen={isChosen(wired, plan)}
                    picked={looked?.letter === plan.letter}
                    provisional={search.kind === 'searching'}
                    onPick={setPicked}
                    onHover={setHovered}
                    onChoose={choose}
                  />
                ))}
              </ol>
            ) : null}
            {/* It comes with what it stands below: nothing jumps. */}
            {found || search.kind !== 'searching' ? <SafetyNote className="mt-auto p-4" /> : null}
          </>
        )}
      </aside>
    </div>
  );
};
