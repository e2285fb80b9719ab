import { findCircuit } from '../model/lookup.js';
import type { CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Finding } from '../code/rule.js';
import { leastCost } from '../search/prices/weights.js';
import { NO_CONSTRAINTS, switchedGroups, type Constraints } from '../search/orders.js';
import { choiceOf, createSearch } from '../search/search.js';
import type { Found, SearchLimits, SearchResult } from '../search/found.js';
import { cheapestOf, createCollection, type Candidate } from './candidates.js';
import { proofOf, type Proof } from './proof.js';
import { compare, type Advantage } from './compare.js';
import { familiarChoices, FAMILIAR_TITLES, type FamiliarId } from './familiar.js';
import { problemsOf } from './namedWays.js';
import { baselineOf } from './baseline.js';
import { notesOf } from './notes.js';
import { sayPaidFor } from './paidFor.js';
import { bestBy, PROFILES, profileOf, profilesFor, type ProfileId } from './profiles.js';
import { nothingMeets, refusalsOf, type Refusal } from './refusal.js';
import { relax, relaxationsOf, type Relaxed } from './relaxations.js';

/** How far the search came for one profile. */
export interface ProfileResult extends Proof {
  id: ProfileId;
  title: string;
  /** What is made as small as possible, in words. */
  objective: string;
  /** Letter of the plan; null where there is none. */
  letter: string | null;
  steps: number;
}

export interface FamiliarResult {
  id: FamiliarId;
  title: string;
  /** Letter of the plan; null where it cannot be wired, and why. */
  letter: string | null;
  problems: string[];
}

/** All that was found for one circuit. */
export interface PlanSet {
  circuit: CircuitId;
  candidates: Candidate[];
  profiles: ProfileResult[];
  /** Profiles that are still searched, in the order in which they come. */
  toCome: ProfileId[];
  familiar: FamiliarResult[];
  /** What the first costs beyond the cheapest and what that buys; null where it is the cheapest. */
  paidFor: string | null;
  /** The first against each other plan. */
  comparisons: Advantage[];
  /** What would make a better plan possible, most saved first. */
  relaxed: Relaxed[];
  refusals: Refusal[];
  /** What has to be known to trust the ranking. */
  notes: string[];
  /** Nothing more is to come. */
  complete: boolean;
}

export interface FindOptions {
  constraints?: Constraints;
  /** Steps of each search; deterministic for a brief. */
  mostSteps?: number;
  onProgress?: (soFar: PlanSet) => void;
  mayGoOn?: () => boolean;
}

/** Steps that a search of the first two profiles may take before it stops with a gap: of one group, which is proved to its end, more than of several. */
export const MOST_STEPS = 30_000_000;
const MOST_STEPS_OF_SEVERAL = 8_000_000;
/**
 * Of the whole list the first two profiles get most of the time: a search of another profile, and one for a power entry or for what another
 * brief would give, stops after so many steps at the latest. What it has found by then is a plan all the same.
 */
const FEWER_STEPS = { profile: 1_000_000, other: 150_000 };
const FIRST_PROFILES: readonly ProfileId[] = ['mastersChoice', 'leastCost'];

/** Rules by which a circuit may not serve lighting at all. */
const NO_LIGHTING: ReadonlySet<string> = new Set([
  'small-appliance-circuit',
  'bathroom-circuit',
  'laundry-circuit',
  'garage-circuit',
]);
const NO_RESULT: SearchResult = { best: null, bound: Infinity, proved: false, notTried: [], steps: 0 };

const barring = (findings: readonly Finding[]) =>
  findings.filter((one) => NO_LIGHTING.has(one.rule) && one.severity === 'violation');

/**
 * Every sensible way to wire a circuit: the best by each profile, the best for each box that power may enter, and the
 * familiar ways, measured and compared; what would make a better plan possible; or why there is none. The other circuits
 * stay as they are chosen. `onProgress` gets what is known after each step.
 */
export const findPlans = (job: Job, id: CircuitId, options: FindOptions = {}): PlanSet => {
  const circuit = findCircuit(job, id);
  if (!circuit) throw new Error(`The job has no circuit ${id}.`);
  const constraints = options.constraints ?? NO_CONSTRAINTS;
  const mayGoOn = options.mayGoOn ?? (() => true);
  const several = switchedGroups(job, circuit).length > 1;
  const mostSteps = options.mostSteps ?? (several ? MOST_STEPS_OF_SEVERAL : MOST_STEPS);
  const limits: SearchLimits = { mostSteps, mayGoOn };
  const atMost = (steps: number): SearchLimits => ({
    ...limits,
    mostSteps: Math.min(limits.mostSteps, steps),
  });
  const set: PlanSet = {
    circuit: id,
    candidates: [],
    profiles: [],
    toCome: [],
    familiar: [],
    paidFor: null,
    comparisons: [],
    relaxed: [],
    refusals: refusalsOf(job, circuit),
    notes: notesOf(job, id),
    complete: false,
  };
  const baseline = baselineOf(job, id);
  const collection = createCollection(job, id, baseline);
  /** The letters change as more is found. */
  const letterFor = (has: (candidate: Candidate) => boolean) => set.candidates.find(has)?.letter ?? null;
  const publish = () => {
    set.candidates = collection.list();
    set.profiles = set.profiles.map((one) => ({
      ...one,
      ...proofOf(job, one.id, results.get(one.id) ?? NO_RESULT, set.candidates),
      letter: letterFor((candidate) => candidate.bestAt.includes(one.id)),
    }));
    set.familiar = set.familiar.map((one) => ({
      ...one,
      letter: letterFor((candidate) => candidate.familiar.includes(one.id)),
    }));
    const [first, ...others] = set.candidates;
    const cheapest = cheapestOf(set.candidates);
    set.paidFor = first && cheapest ? sayPaidFor(first, cheapest) : null;
    set.comparisons = first ? others.map((other) => compare(first, other)) : [];
    options.onProgress?.({ ...set });
  };

  const results = new Map<ProfileId, SearchResult>();
  let answered = false;
  /** Shown at once, before anything is proved of it; what is found later takes its place. */
  const firstAnswer = (found: Found) => {
    if (answered || !options.onProgress) return;
    answered = true;
    const early = createCollection(job, id, baseline);
    early.add(choiceOf(found), { profile: 'mastersChoice' });
    options.onProgress({ ...set, candidates: early.list() });
  };

  const profiles = set.refusals.length > 0 ? [] : profilesFor(job, circuit);
  set.toCome = [...profiles];
  for (const profile of profiles) {
    if (!mayGoOn()) break;
    const first = profile === PROFILES[0];
    const onBetter = first ? firstAnswer : undefined;
    const isFirst = FIRST_PROFILES.includes(profile);
    const asked: SearchLimits = {
      ...(isFirst ? limits : atMost(FEWER_STEPS.profile)),
      thorough: isFirst,
      // What is good by one profile is mostly a good beginning by the next.
      seeds: [...results.values()].flatMap(({ best }) => best ?? []),
      onBetter,
    };
    const result = bestBy(profile, job, circuit, constraints, asked, baseline);
    if (result.best) collection.add(choiceOf(result.best), { profile });
    results.set(profile, result);
    set.toCome = result.best || !first ? set.toCome.filter((one) => one !== profile) : [];
    set.profiles = [
      ...set.profiles,
      {
        ...proofOf(job, profile, result, []),
        id: profile,
        title: profileOf(profile).title,
        objective: profileOf(profile).objective,
        letter: null,
        steps: result.steps,
      },
    ];
    publish();
    if (first && !result.best) break;
    const barred = barring(set.candidates[0]?.findings ?? []);
    if (barred.length > 0)
      return {
        ...set,
        candidates: [],
        profiles: [],
        toCome: [],
        comparisons: [],
        refusals: barred,
        complete: true,
      };
  }

  set.toCome = [];
  if (set.candidates.length > 0) {
    const search = createSearch(job, circuit, {
      weights: leastCost(job),
      constraints,
    });
    for (const entry of search.entries.filter((_, i) => i < MOST_ENTRIES)) {
      if (!mayGoOn()) break;
      const { best } = search.least({ ...atMost(FEWER_STEPS.other), entry });
      if (best) collection.add(choiceOf(best), { entry: entry });
    }
    publish();
    for (const { id: familiar, choice } of familiarChoices(job, circuit)) {
      const made = collection.add(choice, { familiar });
      const problems = made ? [] : problemsOf(job, id, choice);
      set.familiar = [
        ...set.familiar,
        { id: familiar, title: FAMILIAR_TITLES[familiar], letter: null, problems },
      ];
    }
    publish();
  }

  // A familiar way with a violation is no plan to compare with.
  const least = cheapestOf(set.candidates)?.measures.cost ?? null;
  for (const relaxation of relaxationsOf(job, circuit)) {
    if (!mayGoOn()) break;
    const found = relax(job, circuit, relaxation, constraints, atMost(FEWER_STEPS.other), baseline, least);
    if (found) set.relaxed = [...set.relaxed, found];
  }
  set.relaxed = [...set.relaxed].sort((a, b) => (b.saves ?? 0) - (a.saves ?? 0) || a.cost - b.cost);
  if (least === null && set.refusals.length === 0)
    set.refusals = [
      nothingMeets(
        job,
        circuit,
        set.candidates,
        set.relaxed.map((one) => one.relaxation),
      ),
    ];
  set.complete = mayGoOn();
  publish();
  return set;
};

/** Boxes for which the best plan with power entering there is looked for, at most. */
const MOST_ENTRIES = 12;
