import { articleOf } from '../model/articles.js';
import { standingCircuits, toldCircuits, whileItWaits } from '../model/there.js';
import {
  placeOfNode,
  type BoxId,
  type CableId,
  type CircuitId,
  type DeviceId,
  type WiringId,
} from '../model/ids.js';
import { toEnd, type InSteps } from '../model/inSteps.js';
import type { Job } from '../model/job.js';
import { newWiringDoc } from '../model/newJob.js';
import { articlesAt, boxesReached, type Device, type Wiring } from '../model/wiring.js';
import { bondOf, yokeGrounds } from '../circuit/grounding.js';
import { cutLength } from '../materials/lengths.js';
import { leftInPlace, madeUpBy, partsOf, unusedBy } from './circuitParts.js';
import type { Attachment, CableToMakeUp } from './boxNodes.js';
import { roomAskedIn } from './roomAsked.js';
import { fitBoxes, type Unfitted } from './fitBoxes.js';
import { makeUp } from './makeUp.js';
import { settled } from './settle.js';
import { waitingCables } from '../model/lying.js';
import { toPlan } from '../model/toPlan.js';
import type { Unjoined } from './makeUpNode.js';
import type { CircuitPlan } from './planCircuit.js';
import { plannedOnce } from './plannedOnce.js';
import type { PlanProblem } from './problem.js';
import { standingPart, withStanding } from './standing.js';

/** Devices that need no ground tail, as the job lets their screws to a bonded box serve (404.9(B), 250.146(B)). */
const yokesGroundedByScrews = (
  job: Job,
  devices: readonly Device[],
  boxes: Wiring['boxes'],
): ReadonlySet<DeviceId> =>
  new Set(
    job.preferences.boxBonding !== 'selfGroundingYoke'
      ? []
      : devices
          .filter(({ article, box }) =>
            yokeGrounds(
              articleOf(job.stock, 'device', article),
              bondOf(job.stock, articlesAt({ boxes }, box)),
            ),
          )
          .map((device) => device.id),
  );

/** What is seen only once all circuits are made up: splices, boxes and cables that nothing of the stock serves. */
const withSharedProblems = (
  job: Job,
  plan: CircuitPlan,
  made: {
    cables: readonly CableToMakeUp[];
    unjoined: readonly Unjoined[];
    unfitted: readonly Unfitted[];
  },
): CircuitPlan => {
  if (!plan.outcome.ok) return plan;
  const circuit = plan.circuit.id;
  const { feed, runs } = plan.outcome.value;
  const places = new Set<string>([
    feed.at,
    ...runs.flatMap(({ run }) => [placeOfNode(run.from), placeOfNode(run.to)]),
  ]);
  const here = ({ box }: { box: BoxId }) => places.has(box);
  const problems: PlanProblem[] = [
    ...made.unjoined.filter(here).map((one) => ({ code: 'NoConnectorInStock' as const, circuit, ...one })),
    ...made.unfitted.filter(here).map((one) => ({ code: 'NoBoxFits' as const, circuit, ...one })),
    ...made.cables
      .filter((one) => one.circuit === circuit && !one.cable.existing)
      .flatMap(({ cable, article, nodes }) => {
        const cut = cutLength(job, cable)?.cut ?? 0;
        const coil = article.coilFeet * 12;
        const where = { circuit, run: nodes, article: article.id, cut, coil };
        return cut > coil ? [{ code: 'LongerThanCoil' as const, ...where }] : [];
      }),
  ];
  return problems.length > 0 ? { circuit: plan.circuit, outcome: { ok: false, problems } } : plan;
};

/** The id of the planned wiring; another wiring of the job may bear the usual one. */
const plannedId = (taken: readonly WiringId[]): WiringId => {
  let id = 'wiring:planned' as WiringId;
  for (let n = 2; taken.includes(id); n++) id = `wiring:planned-${n}` as WiringId;
  return id;
};

/** A job with its planned wiring, and what came of each circuit; those that stand as they are have no plan. */
export interface PlannedJob {
  job: Job;
  circuits: CircuitPlan[];
  standing: CircuitId[];
  /** What is in the planned wiring as it was found: circuits that stand, and such as are told of and not planned, with their cables. */
  asFound: { circuits: ReadonlySet<CircuitId>; cables: ReadonlySet<CableId> };
}

/** `planJob` a piece at a time: circuit by circuit, and then what they share. */
export const planInSteps = function* (asked: Job): InSteps<PlannedJob> {
  const job = toPlan(asked);
  // A circuit of which a device comes out does not stand, so the job is asked with it.
  const standing = standingCircuits(asked);
  const circuits: CircuitPlan[] = [];
  for (const circuit of job.circuits.filter(({ id }) => !standing.has(id))) {
    circuits.push({ circuit, outcome: plannedOnce(job, circuit) });
    yield;
  }
  const plans = circuits.flatMap(({ outcome }) => (outcome.ok ? [outcome.value] : []));
  const parts = circuits.flatMap(({ circuit, outcome }) =>
    outcome.ok ? [partsOf(job, circuit, outcome.value)] : [],
  );
  const unplanned = new Set(circuits.flatMap(({ circuit, outcome }) => (outcome.ok ? [] : [circuit.id])));
  const kept = new Set([...toldCircuits(asked)].filter((id) => standing.has(id) || unplanned.has(id)));
  const there = standingPart(job, kept, madeUpBy(job, plans));
  const copied = new Set(there.cables.map(({ id }) => id));
  const waiting = waitingCables(job, unplanned);
  const unused = unusedBy(job, plans).filter(({ id }) => !copied.has(id));
  const cables = [...parts.flatMap((part) => part.cables), ...leftInPlace(job, unused, waiting)];
  const devices = parts.flatMap((part) => part.devices);
  const attachments = parts.flatMap((part) => part.attachments);
  // What a box has to hold does not depend on its make-up, so it is chosen first; a metal one is then bonded.
  const unbonded = makeUp(job, cables, devices, attachments, {});
  yield;
  // Where nothing is planned the box is left as it is too.
  const reached = boxesReached({
    cables: unbonded.wiring.cables.filter(({ id }) => !waiting.has(id)),
  });
  const { boxes, unfitted } = fitBoxes(
    job,
    unbonded.wiring,
    roomAskedIn(
      job,
      circuits.flatMap(({ circuit, outcome }) => (outcome.ok ? [{ circuit, plan: outcome.value }] : [])),
    ),
  );
  yield;
  const bonds: Attachment[] = job.boxes
    .filter((box) => reached.has(box.id) && bondOf(job.stock, articlesAt({ boxes }, box.id)) !== null)
    .map((box) => ({ at: box.id, net: 'ground', to: { box: box.id, name: 'ground' } }));
  const byScrews = yokesGroundedByScrews(job, devices, boxes);
  const landed = attachments.filter(
    ({ to, net }) => !(net === 'ground' && 'device' in to && byScrews.has(to.device)),
  );
  const { wiring, unjoined } = makeUp(job, cables, devices, [...landed, ...bonds], boxes);
  yield;
  const judged = circuits.map((plan) => withSharedProblems(job, plan, { cables, unjoined, unfitted }));
  const others = job.wirings.filter((document) => document.kind !== 'planned');
  const planned = newWiringDoc(
    plannedId(others.map((document) => document.id)),
    'planned',
    settled(whileItWaits(job), withStanding(job, wiring, there)),
  );
  return {
    job: { ...asked, wirings: [...others, planned] },
    circuits: judged,
    standing: [...standing],
    asFound: { circuits: kept, cables: copied },
  };
};

/**
 * Plans every circuit of the job and makes up one wiring for all of them, as boxes, grounds and fill are shared.
 * A circuit that cannot be planned is left out, with its reasons; the rest is planned. The job comes back with its
 * planned wiring replaced; wirings of other kinds are never touched. A circuit that stands as it is gets no plan: its part of the existing
 * wiring is copied, and so is what is told of one that is not planned: nobody takes out or caps what serves until its plan does.
 */
export const planJob = (asked: Job): PlannedJob => toEnd(planInSteps(asked));
