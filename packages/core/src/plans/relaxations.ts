import { articleOf } from '../model/articles.js';
import { articlesAt } from '../model/wiring.js';
import { PANEL, type BoxId, type Place } from '../model/ids.js';
import { plannedWiring, type Box, type Circuit, type Job } from '../model/job.js';
import { cubicInches, dollars } from '../model/units.js';
import type { Constraints } from '../search/orders.js';
import { choiceOf } from '../search/search.js';
import type { SearchLimits } from '../search/found.js';
import { baselineOf, measure, withChoice, type Baseline, type Measured } from './measures.js';
import { bestBy } from './profiles.js';
import { nameOf } from '../words/places.js';

/** A fact of the brief that could be otherwise. */
export type Relaxation =
  | { what: 'forbidden' | 'forced'; between: [Place, Place] }
  | { what: 'box' | 'existingBox'; box: BoxId }
  | { what: 'wholeFloorVisible' | 'accessible' | 'everySwitch' };

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

const groupsOf = (job: Job, circuit: Circuit) => job.groups.filter((group) => group.circuit === circuit.id);

/** The facts of a brief that hold the planner back, if anything does. */
export const relaxationsOf = (job: Job, circuit: Circuit): Relaxation[] => {
  const groups = groupsOf(job, circuit);
  const ids = new Set<string>(groups.map((group) => group.id));
  const rooms = new Set<string>(groups.map((group) => group.room));
  const slots = job.slots.filter((slot) => ids.has(slot.group) && slot.role !== 'receptacle');
  const holding = new Set<string>(
    [...job.slots, ...job.luminaires].filter((one) => ids.has(one.group)).map((one) => one.box),
  );
  const boxes = job.boxes.filter((box) => holding.has(box.id));
  const unknownFloor =
    slots.length > 1 && job.rooms.some((room) => rooms.has(room.id) && room.wholeFloorVisible === 'unknown');
  const unknownWay = slots.some(
    (slot) => job.boxes.find((box) => box.id === slot.box)?.accessible === 'unknown',
  );
  return [
    ...job.runFacts.flatMap((fact): Relaxation[] =>
      fact.rule === null ? [] : [{ what: fact.rule, between: fact.between }],
    ),
    ...boxes.flatMap((box): Relaxation[] =>
      box.article === null || box.work === 'beyond'
        ? []
        : [{ what: box.work === 'existing' ? 'existingBox' : 'box', box: box.id }],
    ),
    ...(job.preferences.neutral === 'everySwitch' ? [{ what: 'everySwitch' as const }] : []),
    ...(unknownFloor ? [{ what: 'wholeFloorVisible' as const }] : []),
    ...(unknownWay ? [{ what: 'accessible' as const }] : []),
  ];
};

/** A fact of the brief as it is asked for, within a sentence; null for what is only not known. */
export const sayDemand = (job: Job, relaxation: Relaxation): string | null => {
  switch (relaxation.what) {
    case 'forbidden':
    case 'forced': {
      const [a, b] = relaxation.between;
      const named = `${nameOf(job, a)} to ${nameOf(job, b)}`;
      if (relaxation.what === 'forbidden') return `no run from ${named}`;
      if (a === PANEL || b === PANEL) return `power enters at ${nameOf(job, a === PANEL ? b : a)}`;
      return `a run from ${named}`;
    }
    case 'box':
    case 'existingBox':
      return `the box at ${nameOf(job, relaxation.box)}`;
    case 'everySwitch':
      return 'a neutral at every switch';
    case 'wholeFloorVisible':
    case 'accessible':
      return null;
  }
};

/** The job with that fact otherwise. */
export const relaxedJob = (job: Job, circuit: Circuit, relaxation: Relaxation): Job => {
  const groups = groupsOf(job, circuit);
  switch (relaxation.what) {
    case 'forbidden':
    case 'forced':
      return {
        ...job,
        runFacts: job.runFacts.map((fact) =>
          fact.rule === relaxation.what && fact.between.join() === relaxation.between.join()
            ? { ...fact, rule: null }
            : fact,
        ),
      };
    case 'box':
      return changeBox(job, relaxation.box, { article: null, sections: [] });
    case 'existingBox':
      // An old-work box in its place: what the old one held beside this circuit stays in it.
      return changeBox(job, relaxation.box, { article: null, sections: [], work: 'old' });
    case 'everySwitch':
      return { ...job, preferences: { ...job.preferences, neutral: 'byEdition' } };
    case 'wholeFloorVisible':
      return {
        ...job,
        rooms: job.rooms.map((room) =>
          groups.some((group) => group.room === room.id) ? { ...room, wholeFloorVisible: 'yes' } : room,
        ),
      };
    case 'accessible': {
      const mine = new Set<string>(
        job.slots.filter((slot) => groups.some((group) => group.id === slot.group)).map((slot) => slot.box),
      );
      return {
        ...job,
        boxes: job.boxes.map((box) =>
          mine.has(box.id) && box.accessible === 'unknown' ? { ...box, accessible: 'yes' } : box,
        ),
      };
    }
  }
};

const condition = (job: Job, planned: Measured, relaxation: Relaxation): string => {
  switch (relaxation.what) {
    case 'forbidden':
    case 'forced': {
      const [from, to] = relaxation.between;
      const [a, b] = [nameOf(job, from), nameOf(job, to)];
      if (relaxation.what === 'forced' && (from === PANEL || to === PANEL))
        return `If power need not enter at ${from === PANEL ? b : a}`;
      return relaxation.what === 'forbidden'
        ? `If a run from ${a} to ${b} were allowed`
        : `If the run from ${a} to ${b} were not forced`;
    }
    case 'box':
    case 'existingBox': {
      const wiring = plannedWiring(planned.job);
      const articles = wiring ? articlesAt(wiring, relaxation.box) : [];
      const volume = articles.reduce((sum, id) => sum + articleOf(job.stock, 'box', id).volume, 0);
      const room = volume > 0 ? `A ${cubicInches(volume)} box` : 'Another box';
      return `${room} at ${nameOf(job, relaxation.box)}${relaxation.what === 'existingBox' ? ' in place of the old one' : ''}`;
    }
    case 'everySwitch':
      return 'If a neutral were brought only where the code asks for one';
    case 'wholeFloorVisible':
      return 'If the whole floor that is lit is seen from one switch (404.2(C))';
    case 'accessible':
      return 'If another cable can be brought to the switch boxes later without opening the finish (404.2(C))';
  }
};

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
  const measured = measure(withChoice(changed, circuit.id, choiceOf(best)), circuit.id, other);
  if (!measured || measured.measures.violations > 0) return null;
  const cost = measured.measures.cost + other.cost - baseline.cost;
  const saves = before === null ? null : before - cost;
  // Less than a dollar is no reason to change a brief.
  if (saves !== null && saves < 10_000) return null;
  const lead = condition(job, measured, relaxation);
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
