import { isGroundColour } from '../../model/colours.js';
import { existingDocument, standingCircuits } from '../../model/existing.js';
import { findCircuit, findSlot } from '../../model/lookup.js';
import { ofId } from '../../model/records.js';
import { PANEL, type BoxId, type CableId, type SlotId } from '../../model/ids.js';
import type { Choice, ExistingCable, Job } from '../../model/job.js';
import { choiceThere } from '../../planning/choiceThere.js';
import { feedingCable } from '../../planning/carriers.js';
import type { Cable, Device, Wiring } from '../../model/wiring.js';
import type { Finding } from '../../code/rule.js';
import { reviewCircuit, reviewJob, type JobReview } from '../../review/reviewJob.js';
import { leastCable } from '../../search/prices/weights.js';
import { NO_CONSTRAINTS, type Constraints } from '../../search/orders.js';
import { choiceOf, createSearch } from '../../search/search.js';
import { changedJob, circuitOf, withDevicesFreed, type Change } from './changes.js';
import { MOST_STEPS } from '../findPlans.js';
import { makeUpIn, movedAt, type Moved } from './handwork.js';
import { changeCost, type ChangeCost } from './cost.js';
import { waysOnExisting, type Way } from './onExisting.js';
import { baselineOf, measureReview, withChoice, type LaidRun, type Measures } from '../measures.js';
import type { Refusal } from '../refusal.js';
import { doesNotStand, feedNotTold, needsUnmeasured, notUnderstood, refusalOf } from './refusals.js';

/** What a small job on existing work asks for. */
export interface LeastChange {
  /** The job after the change, with its choice of runs. */
  job: Job;
  measures: Measures;
  /** What the change itself takes, without the boxes that stay closed. */
  cost: ChangeCost;
  runs: LaidRun[];
  /** Cables that are there and stay in use, that the change adds, and that nothing uses from now on; those taken out of their boxes. */
  stay: CableId[];
  fresh: Cable[];
  idle: CableId[];
  abandoned: ExistingCable[];
  /** Boxes in which a wire moves or that come new, and those that stay as they are. */
  opened: BoxId[];
  closed: BoxId[];
  /** Devices that the change adds. */
  devices: Device[];
  moved: Moved[];
  /** What today's rules then ask of the circuit, gravest first. */
  asks: Finding[];
  /** Opened boxes that nobody has looked into, or not all of: to look there is the first step, and what is said of them is what is usual. */
  lookFirst: BoxId[];
}

/** The least change, and the next two ways with what they come to. */
export type LeastChangeOutcome =
  { ok: true; value: LeastChange; others: LeastChange[] } | { ok: false; refusal: Refusal };

/** A job after the change that could be planned. */
interface Variant {
  job: Job;
  abandoned: ExistingCable[];
  weight: number;
}

/** The cheapest plan for a changed job, by new cable first; null where there is none. */
const planned = (
  job: Job,
  circuit: Choice['circuit'],
  wanted: Pick<Constraints, 'neutralAt' | 'neutrals'>,
): Omit<Variant, 'abandoned'> | null => {
  const named = findCircuit(job, circuit);
  if (!named) return null;
  const { best } = createSearch(job, named, {
    weights: leastCable(job),
    constraints: { ...NO_CONSTRAINTS, ...wanted },
    volumeLimit: Infinity,
  }).least({ mostSteps: MOST_STEPS });
  return best && { job: withChoice(job, circuit, choiceOf(best)), weight: best.weight };
};

/**
 * The plan of least change for a small job on existing work: what stays, what is opened, what is new, what today's rules
 * ask. Tried in turn: the runs as they are; other runs with the cables that lie there; old devices replaced; old cables to the
 * box in question abandoned. The one with the least new cable, then the least cost, is taken.
 */
export const leastChange = (asked: Job, change: Change): LeastChangeOutcome => {
  const circuit = circuitOf(asked, change);
  if (circuit === null)
    return {
      ok: false,
      refusal: {
        title: 'There is nothing to change',
        reason: 'The change names a switch or a group that the job does not have.',
        remedy: 'Choose one of the job.',
      },
    };
  if (standingCircuits(asked).has(circuit)) return onWhatStands(asked, change, circuit);
  const stands = asItStands(asked, circuit);
  if (!stands.ok) return stands;
  const { job } = stands;
  const before = reviewJob(job);
  const wanted = changedJob(job, change);
  const neutrals = {
    neutralAt: change.kind === 'bringNeutral' ? [change.slot] : [],
    neutrals: 'asAsked' as const,
  };
  const touched =
    change.kind === 'addSwitch'
      ? job.slots.filter((slot) => slot.group === change.group).map((slot) => slot.box)
      : change.kind === 'takeOff'
        ? [change.from]
        : job.slots.filter((slot) => slot.id === change.slot).map((slot) => slot.box);
  const old = job.existingCables.filter(
    ({ between: [a, b] }) => a !== PANEL && touched.some((box) => box === a || box === b),
  );
  const kept = change.kind === 'replaceDevice' ? asIs(wanted, circuit) : null;
  const variants: Variant[] = kept
    ? [kept]
    : [wanted, withDevicesFreed(wanted, circuit)].flatMap((one): Variant[] => {
        const without = {
          ...one,
          existingCables: one.existingCables.filter((cable) => !old.includes(cable)),
        };
        const whole = planned(one, circuit, neutrals);
        const less = old.length > 0 ? planned(without, circuit, neutrals) : null;
        return [
          ...(whole ? [{ ...whole, abandoned: [] }] : []),
          ...(less ? [{ ...less, abandoned: old }] : []),
        ];
      });
  const [best] = variants.sort((a, b) => a.weight - b.weight || a.abandoned.length - b.abandoned.length);
  const after = best && reviewJob(best.job);
  const measured = after && measureReview(after, circuit, baselineOf(best.job, circuit));
  if (!best || !measured || !after) return { ok: false, refusal: refusalOf(change) };
  const mine = reviewCircuit(after, circuit);
  const unmeasured = after.wiring.cables.filter(
    ({ id, existing, lengthSource }) =>
      mine.cables.includes(id) && !existing && ['unknown', 'guessed'].includes(lengthSource),
  );
  if (unmeasured.length > 0) return { ok: false, refusal: needsUnmeasured(job, unmeasured) };
  const devices = newDevices(before, best.job, after, circuit);
  // A device that is swapped for its like moves no wire, and its box is opened all the same.
  const opened = [...mine.boxes].filter(
    (box) =>
      makeUpIn(before.wiring, box) !== makeUpIn(after.wiring, box) ||
      !isKnown(job, box) ||
      devices.some((device) => device.box === box),
  );
  const closed = [...mine.boxes].filter((box) => !opened.includes(box));
  const cost = changeCost(before, after, { opened, closed });
  const way = { job: best.job, review: after, abandoned: best.abandoned, cost, opened };
  return { ok: true, value: told(before, way, measured, change, circuit), others: [] };
};

/** Devices that a change adds to those that were to come before it. */
const newDevices = (before: JobReview, job: Job, after: JobReview, circuit: Choice['circuit']): Device[] =>
  after.wiring.devices.filter(
    ({ slot, article }) =>
      !isFitted(before, slot, article) &&
      job.slots.some((one) => one.id === slot && !one.existing) &&
      belongs(job, slot, circuit),
  );

/** One way to make a change, with all that is to be told of it. */
const told = (
  before: JobReview,
  { job, review: after, abandoned, cost, opened }: Way,
  measured: { measures: Measures; runs: LaidRun[] },
  change: Change,
  circuit: Choice['circuit'],
): LeastChange => {
  const mine = reviewCircuit(after, circuit);
  const used = after.wiring.cables.filter((cable) => mine.cables.includes(cable.id));
  const usedBefore = new Set<string>(reviewCircuit(before, circuit).cables);
  const certainty = existingDocument(job)?.certainty;
  return {
    ...{ job, cost, opened, abandoned },
    measures: measured.measures,
    runs: measured.runs,
    stay: used
      .filter((cable) => cable.existing && !isCappedOff(after.wiring, cable))
      .map((cable) => cable.id),
    fresh: used.filter((cable) => !cable.existing && !isPlanned(before.wiring, cable)),
    idle: job.existingCables
      .filter(({ id }) => usedBefore.has(id))
      .filter(({ id }) => {
        const cable = used.find((one) => one.id === id);
        return !cable || isCappedOff(after.wiring, cable);
      })
      .map(({ id }) => id),
    closed: [...mine.boxes].filter((box) => !opened.includes(box)),
    devices: newDevices(before, job, after, circuit),
    moved: change.kind === 'replaceDevice' ? movedAt(before, after, change.slot) : [],
    asks: mine.findings.filter((one) => one.severity !== 'waived'),
    lookFirst: opened.filter((box) => {
      const sure = ofId(certainty, box);
      return sure !== undefined && sure !== 'seen';
    }),
  };
};

/** Does every insulated conductor of an old cable end under a connector alone? Then nothing uses it. */
const isCappedOff = (wiring: Wiring, cable: Cable): boolean =>
  wiring.joints.some(
    ({ members: [only, ...more] }) =>
      more.length === 0 && only && 'end' in only && only.end.cable === cable.id,
  ) &&
  !wiring.joints.some(
    ({ members }) =>
      members.length > 1 &&
      members.some((one) => 'end' in one && one.end.cable === cable.id && !isGroundColour(one.end.colour)),
  ) &&
  !wiring.landings.some(
    ({ wire }) => 'end' in wire && wire.end.cable === cable.id && !isGroundColour(wire.end.colour),
  );

/** The change of a circuit that stands: planned on its wiring as it is there. */
const onWhatStands = (job: Job, change: Change, circuit: Choice['circuit']): LeastChangeOutcome => {
  if (!choiceThere(job, circuit)) return { ok: false, refusal: notUnderstood(job, circuit) };
  const ways = waysOnExisting(job, changedJob(job, change), circuit, {
    replaced: change.kind === 'replaceDevice' ? change.slot : null,
    neutralAt: change.kind === 'bringNeutral' ? [change.slot] : [],
  });
  const before = reviewJob(job);
  const values = ways.slice(0, 3).flatMap((way): LeastChange[] => {
    const measured = measureReview(way.review, circuit, baselineOf(way.job, circuit));
    return measured ? [told(before, way, measured, change, circuit)] : [];
  });
  const [value, ...others] = values;
  return value ? { ok: true, value, others } : { ok: false, refusal: refusalOf(change) };
};

/** Was the same cable to come before the change already? */
const isPlanned = (before: Wiring, { id, article, existing }: Cable): boolean =>
  before.cables.some((one) => one.id === id && one.article === article && one.existing === existing);

/** Was the same device to come before the change already? */
const isFitted = ({ job, wiring }: JobReview, id: SlotId | null, article: Device['article']): boolean =>
  job.slots.some((slot) => slot.id === id && !slot.existing) &&
  wiring.devices.some((one) => one.slot === id && one.article === article);

const isKnown = (job: Job, box: BoxId) => job.boxes.some(({ id }) => id === box);

const belongs = (job: Job, id: SlotId | null, circuit: Choice['circuit']): boolean => {
  const slot = findSlot(job, id);
  return job.groups.some((group) => group.id === slot?.group && group.circuit === circuit);
};

/**
 * The job with the way that a circuit is wired now. Where nobody has chosen one it is made of the cables that lie there and of
 * no other; what they do not carry is not known here, and nothing is invented for it.
 */
const asItStands = (
  job: Job,
  circuit: Choice['circuit'],
): { ok: true; job: Job } | { ok: false; refusal: Refusal } => {
  const feeds = job.feeds.filter((feed) => feed.circuit === circuit);
  const chosen = job.choices.find((one) => one.circuit === circuit);
  const feed = feeds.find((one) => one.id === chosen?.feed) ?? feeds[0];
  if (feed && feed.at !== PANEL && feedingCable(job, feed) === null)
    return { ok: false, refusal: feedNotTold(job, feed.at) };
  if (chosen) return { ok: true, job };
  // Old loops without a neutral lie there lawfully.
  const found = planned(withoutBuying(job), circuit, { neutralAt: [], neutrals: 'none' });
  const choice = found?.job.choices.find((one) => one.circuit === circuit);
  return choice
    ? { ok: true, job: withChoice(job, circuit, choice) }
    : { ok: false, refusal: doesNotStand(job, circuit) };
};

/** The job with no cable to buy. */
const withoutBuying = (job: Job): Job => ({
  ...job,
  stock: job.stock.map((article) => (article.kind === 'cable' ? { ...article, found: true } : article)),
});

/** The changed job by the runs that it has; null where they do not serve any more. */
const asIs = (job: Job, circuit: Choice['circuit']): Variant | null => {
  const outcome = reviewJob(job).plans.find((plan) => plan.circuit.id === circuit)?.outcome;
  return outcome?.ok ? { job, abandoned: [], weight: 0 } : null;
};
