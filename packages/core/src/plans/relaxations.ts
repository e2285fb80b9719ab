import {
  boxesOfCircuit,
  findBox,
  findRoom,
  findSlot,
  groupsOfCircuit,
  slotsOfGroup,
  switchesOfGroup,
} from '../model/lookup.js';
import { articleOf } from '../model/articles.js';
import { articlesAt } from '../model/wiring.js';
import { PANEL, type BoxId, type Place, type SlotId } from '../model/ids.js';
import { stateNeutral } from '../edits/chains.js';
import { plannedWiring, type Box, type Circuit, type Job, type Slot } from '../model/job.js';
import { cubicInches, dollars } from '../model/units.js';
import type { Constraints } from '../search/orders.js';
import { choiceOf } from '../search/search.js';
import type { SearchLimits } from '../search/found.js';
import { withChoice } from './withChoice.js';
import { baselineOf, type Baseline } from './baseline.js';
import { countReview } from './measures.js';
import { reviewJob } from '../review/reviewJob.js';
import { bestBy } from './profiles.js';
import { placeName, runName } from '../words/places.js';

/** A fact of the brief that could be otherwise. */
export type Relaxation =
  | { what: 'forbidden'; between: [Place, Place] }
  | { what: 'forced'; between: [Place, Place] }
  | { what: 'box'; box: BoxId }
  | { what: 'existingBox'; box: BoxId }
  | { what: 'everySwitch' }
  | { what: 'noNeutral'; slot: SlotId }
  | { what: 'neutralBrought'; slot: SlotId }
  | { what: 'wholeFloorVisible' }
  | { what: 'accessible' };

/** What the best plan would be if one fact were otherwise. */
export interface Relaxed {
  relaxation: Relaxation;
  /** Least cost then, and what that saves; null for `saves` where nothing could be planned before. */
  cost: number;
  saves: number | null;
  sentence: string;
  /** The job so changed, with the plan chosen. */
  job: Job;
}

const changeBox = (job: Job, id: BoxId, change: Partial<Box>): Job => ({
  ...job,
  boxes: job.boxes.map((box) => (box.id === id ? { ...box, ...change } : box)),
});

type What = Relaxation['what'];
type Of<W extends What> = Extract<Relaxation, { what: W }>;

/** What the planner knows of one kind of fact that holds it back. */
interface Kind<W extends What> {
  /** Those of a brief. */
  of: (job: Job, circuit: Circuit) => Of<W>[];
  /** As it is asked for, within a sentence; null for what is only not known. */
  demand: (job: Job, relaxation: Of<W>) => string | null;
  /** The job with that fact otherwise. */
  relaxed: (job: Job, circuit: Circuit, relaxation: Of<W>) => Job;
  /** What would have to be so, as a sentence begins; `planned` is the job that comes of it. */
  condition: (job: Job, planned: Job, relaxation: Of<W>) => string;
}

/** The switches of a circuit and the boxes that hold something of it. */
const switchesOf = (job: Job, circuit: Circuit): Slot[] =>
  groupsOfCircuit(job, circuit.id).flatMap((group) => switchesOfGroup(job, group.id));

const enteredBox = ([a, b]: [Place, Place]): Place | null => (a === PANEL ? b : b === PANEL ? a : null);

const factsOf = <W extends 'forbidden' | 'forced'>(
  job: Job,
  what: W,
): { what: W; between: [Place, Place] }[] =>
  job.runFacts.flatMap((fact) => (fact.rule === what ? [{ what, between: fact.between }] : []));

const withoutFact = (job: Job, { what, between }: Of<'forbidden'> | Of<'forced'>): Job => ({
  ...job,
  runFacts: job.runFacts.map((fact) =>
    fact.rule === what && fact.between.join() === between.join() ? { ...fact, rule: null } : fact,
  ),
});

const chosenBoxes = (job: Job, circuit: Circuit): Box[] =>
  boxesOfCircuit(job, circuit.id).flatMap((id) => {
    const box = findBox(job, id);
    return box && box.article !== null && box.work !== 'beyond' ? [box] : [];
  });

const sayBox = (job: Job, planned: Job, box: BoxId): string => {
  const wiring = plannedWiring(planned);
  const articles = wiring ? articlesAt(wiring, box) : [];
  const volume = articles.reduce((sum, id) => sum + articleOf(job.stock, 'box', id).volume, 0);
  return `${volume > 0 ? `A ${cubicInches(volume)} box` : 'Another box'} at ${placeName(job, box)}`;
};

const saidOfNeutral = <W extends 'noNeutral' | 'neutralBrought'>(
  job: Job,
  circuit: Circuit,
  what: W,
): { what: W; slot: SlotId }[] =>
  switchesOf(job, circuit)
    .filter(({ neutral }) => neutral === (what === 'noNeutral' ? 'none' : 'brought'))
    .map(({ id }) => ({ what, slot: id }));

const atSwitch = (job: Job, slot: SlotId): string => findBox(job, findSlot(job, slot)?.box)?.name ?? slot;

/** One entry for each kind; in the order of the table they are tried and told. */
const KINDS: { [W in What]: Kind<W> } = {
  forbidden: {
    of: (job) => factsOf(job, 'forbidden'),
    demand: (job, { between: [from, to] }) => `no run from ${runName(job, { from, to })}`,
    relaxed: (job, _circuit, relaxation) => withoutFact(job, relaxation),
    condition: (job, _planned, { between: [from, to] }) =>
      `If a run from ${runName(job, { from, to })} were allowed`,
  },
  forced: {
    of: (job) => factsOf(job, 'forced'),
    demand: (job, { between }) => {
      const entered = enteredBox(between);
      const [from, to] = between;
      return entered === null
        ? `a run from ${runName(job, { from, to })}`
        : `power enters at ${placeName(job, entered)}`;
    },
    relaxed: (job, _circuit, relaxation) => withoutFact(job, relaxation),
    condition: (job, _planned, { between }) => {
      const entered = enteredBox(between);
      const [from, to] = between;
      return entered === null
        ? `If the run from ${runName(job, { from, to })} were not forced`
        : `If power need not enter at ${placeName(job, entered)}`;
    },
  },
  box: {
    of: (job, circuit) =>
      chosenBoxes(job, circuit).flatMap((box) =>
        box.work === 'existing' ? [] : [{ what: 'box', box: box.id }],
      ),
    demand: (job, { box }) => `the box at ${placeName(job, box)}`,
    relaxed: (job, _circuit, { box }) => changeBox(job, box, { article: null, sections: [] }),
    condition: (job, planned, { box }) => sayBox(job, planned, box),
  },
  existingBox: {
    of: (job, circuit) =>
      chosenBoxes(job, circuit).flatMap((box) =>
        box.work === 'existing' ? [{ what: 'existingBox', box: box.id }] : [],
      ),
    demand: (job, { box }) => `the box at ${placeName(job, box)}`,
    // An old-work box in its place: what the old one held beside this circuit stays in it.
    relaxed: (job, _circuit, { box }) => changeBox(job, box, { article: null, sections: [], work: 'old' }),
    condition: (job, planned, { box }) => `${sayBox(job, planned, box)} in place of the old one`,
  },
  everySwitch: {
    of: (job) => (job.preferences.neutral === 'everySwitch' ? [{ what: 'everySwitch' }] : []),
    demand: () => 'a neutral at every switch',
    relaxed: (job) => ({ ...job, preferences: { ...job.preferences, neutral: 'byEdition' } }),
    condition: () => 'If a neutral were brought only where the code asks for one',
  },
  noNeutral: {
    of: (job, circuit) => saidOfNeutral(job, circuit, 'noNeutral'),
    demand: (job, { slot }) => `no neutral at ${atSwitch(job, slot)}`,
    relaxed: (job, _circuit, { slot }) => stateNeutral(job, slot, 'byRule'),
    condition: (job, _planned, { slot }) =>
      `If it were left to the rule whether ${atSwitch(job, slot)} has a neutral`,
  },
  neutralBrought: {
    of: (job, circuit) => saidOfNeutral(job, circuit, 'neutralBrought'),
    demand: (job, { slot }) => `a neutral at ${atSwitch(job, slot)}`,
    relaxed: (job, _circuit, { slot }) => stateNeutral(job, slot, 'byRule'),
    condition: (job, _planned, { slot }) =>
      `If no neutral were asked for at ${atSwitch(job, slot)} but by the rule`,
  },
  wholeFloorVisible: {
    of: (job, circuit) =>
      switchesOf(job, circuit).length > 1 &&
      groupsOfCircuit(job, circuit.id).some(
        (group) => findRoom(job, group.room)?.wholeFloorVisible === 'unknown',
      )
        ? [{ what: 'wholeFloorVisible' }]
        : [],
    demand: () => null,
    relaxed: (job, circuit) => ({
      ...job,
      rooms: job.rooms.map((room) =>
        groupsOfCircuit(job, circuit.id).some((group) => group.room === room.id)
          ? { ...room, wholeFloorVisible: 'yes' }
          : room,
      ),
    }),
    condition: () => 'If the whole floor that is lit is seen from one switch (404.2(C))',
  },
  accessible: {
    of: (job, circuit) =>
      switchesOf(job, circuit).some((slot) => findBox(job, slot.box)?.accessible === 'unknown')
        ? [{ what: 'accessible' }]
        : [],
    demand: () => null,
    relaxed: (job, circuit) => {
      const mine = new Set<string>(
        groupsOfCircuit(job, circuit.id).flatMap((group) =>
          slotsOfGroup(job, group.id).map((slot) => slot.box),
        ),
      );
      return {
        ...job,
        boxes: job.boxes.map((box) =>
          mine.has(box.id) && box.accessible === 'unknown' ? { ...box, accessible: 'yes' } : box,
        ),
      };
    },
    condition: () =>
      'If another cable can be brought to the switch boxes later without opening the finish (404.2(C))',
  },
};

/** The entry of a fact. The compiler cannot see that it takes this very kind. */
const kindOf = ({ what }: Relaxation): Kind<What> => KINDS[what] as unknown as Kind<What>;

const difference = (a: number, b: number): number => (a === b ? 0 : a - b);

/** Runs first, then boxes, each in the order in which the job names them; what stays alike keeps the order of the table. */
const rankOf = (job: Job, relaxation: Relaxation): number => {
  if ('between' in relaxation) return job.runFacts.findIndex((fact) => fact.between === relaxation.between);
  if ('box' in relaxation)
    return job.runFacts.length + job.boxes.findIndex((box) => box.id === relaxation.box);
  return Infinity;
};

/** The facts of a brief that hold the planner back, if anything does. */
export const relaxationsOf = (job: Job, circuit: Circuit): Relaxation[] =>
  Object.values(KINDS)
    .flatMap((kind): Relaxation[] => kind.of(job, circuit))
    .sort((a, b) => difference(rankOf(job, a), rankOf(job, b)));

/** A fact of the brief as it is asked for, within a sentence; null for what is only not known. */
export const sayDemand = (job: Job, relaxation: Relaxation): string | null =>
  kindOf(relaxation).demand(job, relaxation);

/** The job with that fact otherwise. */
export const relaxedJob = (job: Job, circuit: Circuit, relaxation: Relaxation): Job =>
  kindOf(relaxation).relaxed(job, circuit, relaxation);

/** Plans the relaxed job; null where that gains nothing. `before` is the least cost as it is, null where there is no plan. */
export const relax = (
  job: Job,
  circuit: Circuit,
  relaxation: Relaxation,
  constraints: Constraints,
  limits: SearchLimits,
  baseline: Baseline,
  before: number | null,
): Relaxed | null => {
  const changed = relaxedJob(job, circuit, relaxation);
  const { best } = bestBy('leastCost', changed, circuit, constraints, limits, baseline);
  if (!best) return null;
  // What the change does to the other circuits belongs to it.
  const other = baselineOf(changed, circuit.id);
  const review = reviewJob(withChoice(changed, circuit.id, choiceOf(best)));
  const counted = countReview(review, circuit.id, other);
  if (!counted) return null;
  const cost = counted.cost + other.cost - baseline.cost;
  const saves = before === null ? null : before - cost;
  // Less than a dollar is no reason to change a brief, and what is none is not inspected.
  if (saves !== null && saves < 10_000) return null;
  if (review.findingsOn(circuit.id).some(({ severity }) => severity === 'violation')) return null;
  const lead = kindOf(relaxation).condition(job, review.job, relaxation);
  const box = relaxation.what === 'box' || relaxation.what === 'existingBox';
  const outcome =
    saves === null
      ? `${box ? ' would make a plan possible' : ', there would be a plan'}, for ${dollars(cost)}`
      : `${box ? ' would make' : ','} the least cost ${box ? '' : 'would be '}${dollars(cost)}, ${dollars(saves)} less`;
  return {
    relaxation,
    cost,
    saves,
    sentence: `${lead}${outcome}.`,
    job: withChoice(changed, circuit.id, choiceOf(best)),
  };
};
