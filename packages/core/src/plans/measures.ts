import { articleOf } from '../model/articles.js';
import type { ArticleId, BoxId, CableId, CircuitId, Place, RoomId } from '../model/ids.js';
import { roughRooms } from '../model/lookup.js';
import type { Job, Slot } from '../model/job.js';
import { fillOf } from '../materials/boxContents.js';
import { neutralRequirement } from '../nec/neutralRequirement.js';
import type { Finding } from '../code/rule.js';
import { sketchRun, type RunSketch } from '../drawing/sketchRun.js';
import { cutLength } from '../materials/lengths.js';
import { jacketOf, type Jacket } from '../words/jackets.js';
import { cableTold, tagNumberOf, isUntoldFeed } from '../words/cables.js';
import type { Cable, Wiring } from '../model/wiring.js';
import { freshCableId } from '../planning/circuitParts.js';
import { nodeOfSlot, scopeOf } from '../planning/nets.js';
import { baselineOf, sharesBeyond, totals, type Baseline, type CostShare } from './baseline.js';
import { judgedPlan, type Judged } from './judgedPlan.js';
import { reviewCircuit, reviewJob, type CircuitReview, type JobReview } from '../review/reviewJob.js';

/**
 * What makes one arrangement better than another, counted on the planned wiring itself. Money in ten-thousandths of a
 * dollar, volumes in ten-thousandths of a cubic inch. Money and minutes are what the circuit adds to the job.
 */
export interface Measures {
  cost: number;
  material: number;
  minutes: number;
  /** What of the cost does not count where plans are weighed by what has to be bought, as that cable is in the truck. */
  savedByTruck: number;
  /** New cable of the circuit, as it is cut. */
  cable: { article: ArticleId; name: string; feet: number }[];
  feet: number;
  /** Rooms that nobody has measured: what lies in them is about as long. */
  rough: RoomId[];
  /** New runs whose length is a guess: feet, money and minutes rest on it. */
  guessed: number;
  runs: number;
  /** Boxes that are opened or set. */
  boxes: number;
  /** Volume needed: by the box that needs most, and by all. */
  largest: { box: BoxId; needed: number } | null;
  volume: number;
  /** Boxes of which nobody can say whether they are full: the box, what is in it or another circuit's part is not told. */
  unknownFill: BoxId[];
  /** The box in which the least room is left, among those that are known. */
  tightest: { box: BoxId; left: number } | null;
  /** The box that is filled to the largest part, among those that are known. */
  fullest: { box: BoxId; needed: number; available: number; percent: number } | null;
  /** Every box with the volume that it needs and, where that is known and nothing in it is untold, that it has. */
  fills: { box: BoxId; needed: number; available: number | null }[];
  /** Switches that have a neutral in their box, those that the code asks it of, and all. */
  neutrals: { present: number; asked: number; all: number };
  /** What a master pays for in it beside material and labour, by the prices of judgement. */
  judged: Judged[];
  /** Whites that serve as hots. */
  reidentified: number;
  splices: number;
  /** Insulated conductors of the widest new or existing cable that it uses. */
  busiest: number;
  /** Money by kind of material, and for the labour. */
  shares: CostShare[];
  reused: number;
  violations: number;
  cautions: number;
}

/** A cable of the circuit as it lies: what it is, and how much is cut for it, feet; null where nobody knows its length. */
export interface LaidRun {
  from: Place;
  to: Place;
  cable: string;
  /** What tells it from another of the same kind between the same places; empty where it is the only one. */
  told: string;
  /** The number that was printed on its tags; null while none was. */
  number: number | null;
  insulated: number;
  /** What it looks like; unknown for what lies there already. */
  jacket: Jacket;
  feet: number | null;
  /** Its length is a guess, as nobody knows it. */
  guessed: boolean;
  existing: boolean;
}

/** A choice as it really is wired: the planned job, what it measures, and what the code says of it. */
export interface Measured {
  job: Job;
  measures: Measures;
  findings: Finding[];
  sketch: RunSketch | null;
  runs: LaidRun[];
}

const laid = (job: Job, wiring: Wiring, cable: Cable): LaidRun => {
  const article = articleOf(job.stock, 'cable', cable.article);
  const { name, insulated } = article;
  const cut = cable.existing ? cable.length : (cutLength(job, cable)?.cut ?? null);
  return {
    from: cable.from,
    to: cable.to,
    cable: isUntoldFeed(job, cable) ? 'supply as found' : name,
    told: cableTold(job, wiring, cable, 'from'),
    number: tagNumberOf(job, cable),
    insulated: insulated.length,
    jacket: jacketOf(article, cable.existing),
    feet: cut === null ? null : cut / 12,
    guessed: cable.lengthSource === 'guessed',
    existing: cable.existing,
  };
};

/** Some cables of a wiring as they lie: what is to be pulled, and what lies there. */
export const laidRuns = (job: Job, wiring: Wiring, cables: ReadonlySet<CableId>): LaidRun[] =>
  wiring.cables.filter(({ id }) => cables.has(id)).map((cable) => laid(job, wiring, cable));

const neutralsOf = (job: Job, circuit: CircuitId, { plans }: JobReview): Measures['neutrals'] => {
  const outcome = plans.find((plan) => plan.circuit.id === circuit)?.outcome;
  const { feed, runs, choice } = outcome?.ok ? outcome.value : { feed: null, runs: [], choice: null };
  // At one of several nodes of a box another's neutral is of no use.
  const nodeOf = (slot: Slot) => (choice ? nodeOfSlot(scopeOf(choice), slot) : slot.box);
  const there = new Set<string>([
    ...(feed ? [feed.at] : []),
    ...runs
      .filter(({ nets }) => nets.some((net) => net.kind === 'neutral'))
      .flatMap(({ run }) => [run.from, run.to]),
  ]);
  const groups = job.groups.filter((group) => group.circuit === circuit && group.control === 'switched');
  const needs = groups.map((group) => neutralRequirement(job, group));
  const ids = new Set<string>(groups.map((group) => group.id));
  const switches = job.slots.filter((slot) => ids.has(slot.group) && slot.role !== 'receptacle');
  return {
    present: switches.filter((slot) => there.has(nodeOf(slot))).length,
    asked: needs.reduce(
      (sum, { need, slots }) => sum + (need === 'each' ? slots.length : need === 'one' ? 1 : 0),
      0,
    ),
    all: switches.length,
  };
};

/** What a master pays for in the circuit as it is planned. */
const judgedOf = ({ job, wiring, plans }: JobReview, circuit: CircuitId): Judged[] => {
  const plan = plans.find((one) => one.circuit.id === circuit);
  return plan?.outcome.ok ? judgedPlan(job, wiring, plan.circuit, plan.outcome.value) : [];
};

/** What is counted on the wiring, before anything is inspected. */
export type Counted = Omit<Measures, 'violations' | 'cautions'>;

interface Count {
  circuit: CircuitReview;
  cables: Cable[];
  counted: Counted;
}

const countOf = (review: JobReview, circuit: CircuitId, baseline: Baseline): Count | null => {
  const { job, wiring } = review;
  if (!review.plans.find((plan) => plan.circuit.id === circuit)?.outcome.ok) return null;
  const mine = reviewCircuit(review, circuit);
  const choice = job.choices.find((one) => one.circuit === circuit);
  // A forced run that carries nothing is one of its cables all the same.
  const ids = new Set<string>([
    ...mine.cables,
    ...(choice?.runs ?? []).map(({ from, to }) => freshCableId(job, circuit, from, to)),
    ...(choice?.runs ?? []).map(({ from, to }) => freshCableId(job, circuit, to, from)),
  ]);
  const cables = wiring.cables.filter((cable) => ids.has(cable.id));
  const fresh = cables.filter((cable) => !cable.existing);
  const byArticle = new Map<ArticleId, number>();
  for (const cable of fresh)
    byArticle.set(
      cable.article,
      (byArticle.get(cable.article) ?? 0) + (cutLength(job, cable)?.cut ?? 0) / 12,
    );
  const boxes = job.boxes.filter((box) => mine.boxes.has(box.id) && box.work !== 'beyond');
  const fills = boxes.map((box) => ({ box: box.id, ...fillOf(job, wiring, box.id) }));
  const known = fills.flatMap(({ available, ...one }) =>
    available === null ? [] : [{ ...one, available, share: available > 0 ? one.needed / available : 0 }],
  );
  const largest = [...fills].sort((a, b) => b.needed - a.needed)[0];
  const fullest = [...known].sort((a, b) => b.share - a.share)[0];
  // Of one with something untold no more is known than the most that is left.
  const tightest = known
    .filter(({ unknown }) => unknown.length === 0)
    .map(({ box, needed, available }) => ({ box, left: available - needed }))
    .sort((a, b) => a.left - b.left)[0];
  const all = totals(review);
  const opened = new Set<string>(boxes.map((box) => box.id));
  return {
    circuit: mine,
    cables,
    counted: {
      cost: all.cost - baseline.cost,
      material: all.material - baseline.material,
      minutes: all.minutes - baseline.minutes,
      savedByTruck: all.savedByTruck - baseline.savedByTruck,
      cable: [...byArticle].map(([article, feet]) => ({
        article,
        feet,
        name: articleOf(job.stock, 'cable', article).name,
      })),
      feet: [...byArticle.values()].reduce((sum, feet) => sum + feet, 0),
      rough: roughRooms(job, fresh),
      guessed: fresh.filter(({ lengthSource }) => lengthSource === 'guessed').length,
      runs: choice?.runs.length ?? 0,
      boxes: boxes.length,
      largest: largest ? { box: largest.box, needed: largest.needed } : null,
      volume: fills.reduce((sum, { needed }) => sum + needed, 0),
      tightest: tightest ?? null,
      fills: fills.map(({ box, needed, available, unknown }) => ({
        ...{ box, needed },
        available: unknown.length > 0 ? null : available,
      })),
      unknownFill: fills.filter((one) => one.unknown.length > 0).map((one) => one.box),
      fullest: fullest
        ? {
            box: fullest.box,
            needed: fullest.needed,
            available: fullest.available,
            percent: Math.round(100 * fullest.share),
          }
        : null,
      neutrals: neutralsOf(job, circuit, review),
      reidentified: new Set(
        wiring.marks.filter(({ end }) => ids.has(end.cable)).map(({ end }) => `${end.cable}|${end.colour}`),
      ).size,
      splices: wiring.joints.filter((joint) => opened.has(joint.box) && joint.members.length > 1).length,
      busiest: Math.max(
        0,
        ...cables.map((cable) => articleOf(job.stock, 'cable', cable.article).insulated.length),
      ),
      shares: sharesBeyond(all.shares, baseline.shares),
      reused: (choice?.runs.length ?? 0) - fresh.length,
      judged: judgedOf(review, circuit),
    },
  };
};

/** What one circuit of a job counts, planned anew; null where it cannot be planned. To inspect it takes longer than that. */
export const count = (asked: Job, circuit: CircuitId, baseline: Baseline): Counted | null =>
  countReview(reviewJob(asked), circuit, baseline);

/** The same of a job that was planned already. */
export const countReview = (review: JobReview, circuit: CircuitId, baseline: Baseline): Counted | null =>
  countOf(review, circuit, baseline)?.counted ?? null;

/** Plans a job anew and measures one circuit of it; null where it cannot be planned. */
export const measure = (asked: Job, circuit: CircuitId, baseline: Baseline): Measured | null =>
  measureReview(reviewJob(asked), circuit, baseline);

/** The same of a job that was planned already. */
export const measureReview = (review: JobReview, circuit: CircuitId, baseline: Baseline): Measured | null => {
  const { job, wiring } = review;
  const found = countOf(review, circuit, baseline);
  if (!found) return null;
  const { circuit: mine, cables, counted } = found;
  const findings = review.findingsOn(circuit);
  return {
    job,
    findings,
    sketch: sketchRun(job, mine.cables),
    runs: cables.map((cable) => laid(job, wiring, cable)),
    measures: {
      ...counted,
      violations: findings.filter((one) => one.severity === 'violation').length,
      cautions: findings.filter((one) => one.severity === 'caution').length,
    },
  };
};

/** What a circuit measures as it is chosen now; null where nothing is chosen, or where that can no longer be planned. */
export const measureWired = (job: Job, circuit: CircuitId): Measures | null =>
  job.choices.some((one) => one.circuit === circuit)
    ? (measure(job, circuit, baselineOf(job, circuit))?.measures ?? null)
    : null;
