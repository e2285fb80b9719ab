import { findingKey, type Finding } from '../code/rule.js';
import { RULES } from '../code/rules.js';
import { BUILT, withDocument } from '../edits/wiring/documents.js';
import { asItLooks } from '../faults/asItLooks.js';
import { withFault } from '../faults/fault.js';
import { faultsIn } from '../faults/inBox.js';
import { suitingBoxes } from '../materials/boxChoice.js';
import { fillOf, gangsTaken } from '../materials/boxContents.js';
import { luminairesInBox } from '../model/lookup.js';
import { newWiringDoc } from '../model/newJob.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { wiringOrEmpty } from '../proving/works.js';
import { reviewJob } from '../review/reviewJob.js';
import { reviewWiring } from '../review/subject.js';
import { shownAtHandles } from './judgeMakeUp.js';
import { drawMakeUp, type MakeUp, type MakeUpAsked } from './makeUp.js';
import { picking } from './picking.js';

/** A rule that may be broken in what is drawn, and whether it is. */
export interface AskedRule {
  id: string;
  title: string;
  /** The section by the edition; empty where the rule is one of simulation. */
  section: string;
  broken: boolean;
}

/** A circuit that works from every position and yet would not pass; which rules does it break? */
export interface Judging extends MakeUp {
  rules: AskedRule[];
  /** What an inspector says of it. */
  findings: Finding[];
}

/** Rules that are judged by what is seen in opened boxes, and by nothing that has to be asked. */
const SEEN_IN_BOXES = [
  ...['reidentified-white', 'ground-colour', 'grounds-joined', 'metal-box-bonded', 'yoke-grounded'],
  ...['luminaire-grounded', 'box-volume', 'one-wire-a-screw', 'splices', 'switch-hot-only', 'neutral-colour'],
];
/** So many rules are asked about at most, broken ones among them. */
const ASKED = 6;
const MOST_BROKEN = 3;
const MOST_TRIED = 300;

type Pick = ReturnType<typeof picking>;
/** Ways to spoil a circuit so that it may still work; null where one has no place in it. */
const SPOILINGS: ((job: Job, wiring: Wiring, pick: Pick) => Wiring | null)[] = [
  // A wire off its screw, out of its splice, under the wrong one.
  (job, wiring, pick) => {
    const faults = faultsIn(wiring, pick.of(job.boxes).id).filter(({ kind }) => kind !== 'touching');
    if (faults.length === 0) return null;
    const spoiled = withFault(wiring, pick.of(faults));
    return spoiled.ok ? asItLooks(wiring, spoiled.value, job.stock) : null;
  },
  // Nobody has marked the whites.
  (_job, wiring) => (wiring.marks.length === 0 ? null : { ...wiring, marks: [] }),
  // A splice that is only twisted.
  (_job, wiring, pick) => {
    const joints = wiring.joints.filter(
      ({ members, connectors }) => members.length > 1 && connectors.length > 0,
    );
    if (joints.length === 0) return null;
    const one = pick.of(joints);
    return {
      ...wiring,
      joints: wiring.joints.map((joint) => (joint === one ? { ...joint, connectors: [] } : joint)),
    };
  },
  // A box that was at hand.
  (job, wiring, pick) => {
    const box = pick.of(job.boxes);
    const { needed } = fillOf(job, wiring, box.id);
    const duty = { gangs: gangsTaken(job, wiring, box.id).fitted, luminaires: luminairesInBox(job, box.id) };
    const small = suitingBoxes(job, box, duty).filter(
      ({ volume, gangs }) => volume < needed && gangs <= Math.max(1, duty.gangs),
    );
    if (small.length === 0) return null;
    return { ...wiring, boxes: { ...wiring.boxes, [box.id]: pick.of(small).articles.map(({ id }) => id) } };
  },
];

/** A circuit spoiled by the seed until it breaks one to three rules that are seen in its boxes, while every handle does what it should. Throws where none can be had. */
export const drawJudging = (asked: MakeUpAsked): Judging => {
  const exercise = drawMakeUp(asked);
  const { job } = exercise;
  const planned = wiringOrEmpty(job);
  const known = new Set(reviewJob(job).findings.map(findingKey));
  const pick = picking(asked.seed + 3);
  for (let tried = 0; tried < MOST_TRIED; tried++) {
    let wiring: Wiring | null = planned;
    for (let times = pick.upTo(2); times >= 0 && wiring; times--)
      wiring = pick.of(SPOILINGS)(job, wiring, pick);
    if (!wiring || wiring === planned) continue;
    const spoiled = withDocument(job, newWiringDoc(BUILT, 'built', wiring));
    if (shownAtHandles(spoiled).length > 0) continue;
    const all = reviewWiring(spoiled, BUILT)?.findings ?? [];
    const findings = all.filter((one) => one.severity === 'violation' && !known.has(findingKey(one)));
    const broken = new Set(findings.map(({ rule }) => rule));
    if (broken.size === 0 || broken.size > MOST_BROKEN) continue;
    if ([...broken].some((id) => !SEEN_IN_BOXES.includes(id))) continue;
    // Of one that something else is said of, or that this edition does not know, nobody can say that it is kept.
    const said = new Set(all.map(({ rule }) => rule));
    const kept = RULES.filter(
      ({ id, since }) =>
        SEEN_IN_BOXES.includes(id) && !said.has(id) && (since === null || since <= asked.edition),
    ).map(({ id }) => id);
    const others = pick.some(kept, Math.min(kept.length, ASKED - broken.size));
    const rules = RULES.filter(({ id }) => broken.has(id) || others.includes(id)).map(
      ({ id, title, section }): AskedRule => ({
        ...{ id, title, broken: broken.has(id) },
        section: section(asked.edition),
      }),
    );
    return { ...exercise, job: spoiled, rules, findings };
  }
  throw new Error(
    `Nothing that breaks a rule unseen by the handles was found for ${asked.level} ${asked.seed}.`,
  );
};
