import { boxesOfCircuit, findCircuit, findFeed } from '../model/lookup.js';
import { PANEL, placeOfNode, type BoxId, type CircuitId, type Place } from '../model/ids.js';
import type { Choice, Job, Run } from '../model/job.js';
import type { CircuitPlan } from '../planning/planCircuit.js';
import { demandedEntries, junctionsOf } from '../search/orders.js';
import type { Finding } from '../code/rule.js';
import type { RunSketch } from '../drawing/sketchRun.js';
import { withChoice } from './withChoice.js';
import type { Baseline } from './baseline.js';
import { measure, type LaidRun, type Measures } from './measures.js';
import type { FamiliarId } from './familiar.js';
import { valueBy, type ProfileId } from './profiles.js';

/** One way to wire a circuit, measured on the planned wiring. */
export interface Candidate {
  /** A for the first in the list, then B, C. */
  letter: string;
  choice: Choice;
  /** The box that power enters. */
  entry: BoxId | null;
  /** What it is the best at, the entries that it is the best for, and the familiar ways that it is. */
  bestAt: ProfileId[];
  bestFrom: BoxId[];
  familiar: FamiliarId[];
  measures: Measures;
  findings: Finding[];
  sketch: RunSketch | null;
  runs: LaidRun[];
}

/** The same tree of cables with power entering at the same place, whatever way round the runs are written. */
const shapeOf = ({ feed, runs, apart }: Choice): string =>
  [
    feed,
    ...runs.map(({ from, to }) => [from, to].sort().join('>')).sort(),
    ...(apart ?? []).map(({ box, groups }) => [box, ...groups].join('+')).sort(),
  ].join(' ');

/** The same shape with what lies there kept for the same runs, the same order of switches, the same neutrals and the same room in its boxes. */
const keyOf = (choice: Choice): string =>
  [
    shapeOf(choice),
    choice.runs.map(({ from, to, by }) => (by ? [by, ...[from, to].sort()].join(' ') : '')).sort(),
    JSON.stringify(choice.chains ?? null),
    [...(choice.neutralAt ?? ['?'])].sort(),
    choice.room ?? '',
  ].join(' ');

/** The box in which power enters a circuit that is wired so; null where no run tells. */
export const entryOf = (job: Job, choice: Choice): BoxId | null => {
  const feed = findFeed(job, choice.feed);
  if (feed && feed.at !== PANEL) return feed.at;
  const home = choice.runs.find(({ from, to }) => from === PANEL || to === PANEL);
  const box = home && (home.from === PANEL ? home.to : home.from);
  return box === undefined ? null : (placeOfNode(box) as BoxId);
};

/** The choice of a circuit with what was left to the program filled in; null where it is not planned. */
export const wiredChoice = (plans: readonly CircuitPlan[], circuit: CircuitId): Choice | null => {
  const outcome = plans.find((plan) => plan.circuit.id === circuit)?.outcome;
  if (!outcome?.ok) return null;
  const { choice, arrangement } = outcome.value;
  return { ...choice, chains: arrangement.chains, neutralAt: arrangement.neutralAt };
};

/** Is this the way the circuit is wired now? */
export const isChosen = (wired: Choice | null, { choice }: Candidate): boolean =>
  wired !== null &&
  // What a familiar way leaves to the program is filled in where it is wired.
  keyOf({
    ...wired,
    ...(choice.chains ? {} : { chains: undefined }),
    ...(choice.neutralAt ? {} : { neutralAt: undefined }),
  }) === keyOf(choice);

/** Why a choice stands in the list. */
export type Reason = { profile: ProfileId } | { entry: BoxId } | { familiar: FamiliarId };

/** Runs that are forced, that the circuit could take and that neither it nor another takes. A demanded power entry is one of them. */
export const missedRuns = (job: Job, circuit: CircuitId, choice: Choice): Run[] => {
  const named = findCircuit(job, circuit);
  if (!named) return [];
  const mine = new Set<Place>([
    ...boxesOfCircuit(job, named.id),
    ...junctionsOf(job),
    ...job.feeds.filter((feed) => feed.id === choice.feed).map((feed) => feed.at),
  ]);
  const demanded = demandedEntries(job, named);
  const entry = entryOf(job, choice);
  const taken = withChoice(job, circuit, choice).choices.flatMap(({ runs }) =>
    runs.map(({ from, to }): Place[] => [placeOfNode(from), placeOfNode(to)]),
  );
  return [
    ...(demanded.length > 0 && !demanded.some((box) => box === entry)
      ? demanded.map((to): Run => ({ from: PANEL, to }))
      : []),
    ...job.runFacts.flatMap(({ rule, between: [from, to] }) =>
      rule === 'forced' &&
      from !== PANEL &&
      to !== PANEL &&
      mine.has(from) &&
      mine.has(to) &&
      !taken.some((ends) => ends.includes(from) && ends.includes(to))
        ? [{ from, to }]
        : [],
    ),
  ];
};

/**
 * May a plan that is nearly like another stand for it? What was shown of the other has to hold for it too: it is as good by
 * every profile that the other is the best at.
 */
const mayStandFor = (plan: Candidate, other: Candidate): boolean =>
  other.bestAt.every((id) => {
    const [mine, theirs] = [valueBy(id, plan.measures), valueBy(id, other.measures)];
    return mine !== null && theirs !== null && Math.abs(mine - theirs) < 1e-6;
  });

const withReasonsOf = (plan: Candidate, other: Candidate): Candidate => ({
  ...plan,
  bestAt: [...new Set([...plan.bestAt, ...other.bestAt])],
  bestFrom: [...new Set([...plan.bestFrom, ...other.bestFrom])],
  familiar: [...new Set([...plan.familiar, ...other.familiar])],
});

/** The cheapest of those that violate nothing. */
export const cheapestOf = (candidates: readonly Candidate[]): Candidate | undefined =>
  candidates
    .filter((one) => one.measures.violations === 0)
    .reduce<Candidate | undefined>(
      (least, one) => (least && least.measures.cost <= one.measures.cost ? least : one),
      undefined,
    );

/** What a plan comes to by a master's choice. */
const worthOf = ({ measures }: Candidate): number => valueBy('mastersChoice', measures) ?? Infinity;

/** Collects ways of one circuit: equal ones are one, and near duplicates are folded into the cheaper. */
export const createCollection = (job: Job, circuit: CircuitId, baseline: Baseline) => {
  const found = new Map<string, Candidate>();

  const note = (candidate: Candidate, reason: Reason) => {
    if ('profile' in reason) candidate.bestAt.push(reason.profile);
    else if ('entry' in reason) candidate.bestFrom.push(reason.entry);
    else candidate.familiar.push(reason.familiar);
  };

  /** Takes a choice in; false where it cannot be planned. */
  const add = (choice: Choice, reason: Reason): boolean => {
    const key = keyOf(choice);
    const known = found.get(key);
    if (known) {
      note(known, reason);
      return true;
    }
    if (missedRuns(job, circuit, choice).length > 0) return false;
    const measured = measure(withChoice(job, circuit, choice), circuit, baseline);
    if (!measured) return false;
    const candidate: Candidate = {
      letter: '',
      choice,
      entry: entryOf(job, choice),
      bestAt: [],
      bestFrom: [],
      familiar: [],
      measures: measured.measures,
      findings: measured.findings,
      sketch: measured.sketch,
      runs: measured.runs,
    };
    note(candidate, reason);
    found.set(key, candidate);
    return true;
  };

  /** All that were found, as a master would choose among them; violations last. */
  const list = (): Candidate[] => {
    const sorted = [...found.values()].sort(
      (a, b) =>
        a.measures.violations - b.measures.violations ||
        worthOf(a) - worthOf(b) ||
        a.measures.cost - b.measures.cost ||
        a.measures.reidentified - b.measures.reidentified,
    );
    const kept: Candidate[] = [];
    /** What lies there is the same run, whether the choice says so or it comes to that. */
    const likeness = ({ choice, measures, runs }: Candidate) =>
      [
        shapeOf(choice),
        measures.neutrals.present,
        ...runs.filter(({ existing }) => existing).map(({ from, to, told }) => [from, to, told].join('>')),
      ].join(' ');
    for (const candidate of sorted) {
      const at = kept.findIndex(
        (one) => likeness(one) === likeness(candidate) && mayStandFor(one, candidate),
      );
      const before = kept[at];
      if (before) kept[at] = withReasonsOf(before, candidate);
      else kept.push(candidate);
    }
    return kept.map((candidate, i) => ({ ...candidate, letter: letterOf(i) }));
  };
  return { add, list };
};

const letterOf = (index: number): string =>
  (index >= 26 ? letterOf(Math.floor(index / 26) - 1) : '') + String.fromCharCode(65 + (index % 26));
