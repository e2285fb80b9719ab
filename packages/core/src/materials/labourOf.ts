import { isDeviceThere, isLuminaireKept, luminairesIn, wasThere, whileItWaits } from '../model/there.js';
import { findBox } from '../model/lookup.js';
import type { BoxId, CableId, LuminaireId } from '../model/ids.js';
import { runFactOf, type Job } from '../model/job.js';
import type { Access } from '../model/place.js';
import { articleOf } from '../model/articles.js';
import type { Joint, Wiring } from '../model/wiring.js';
import { wayOf } from './lengths.js';
import { workedBoxes } from './workedBoxes.js';

type Family = keyof Job['labour']['splice'];

export type Work =
  | `foot ${Access}`
  | 'run'
  | 'opening'
  | 'new box'
  | 'old-work box'
  | 'existing box'
  | `splice ${Family}`
  | 'device'
  | 'luminaire'
  | 'above 10 ft';

/** So many pieces of one kind of work. Minutes are estimates by the units of the job. */
export interface LabourLine {
  work: Work;
  quantity: number;
  each: number;
  minutes: number;
  at: (BoxId | CableId | LuminaireId)[];
  /** How many at each of those places, in their order. */
  quantities: number[];
}

export interface LabourEstimate {
  lines: LabourLine[];
  minutes: number;
  /** Ten-thousandths of a dollar at the job's rate. */
  total: number;
}

/** By what a splice is joined; one whose connector nobody has told counts as one of the job's own kind. */
const familyOf = (job: Job, { connectors: [first] }: Pick<Joint, 'connectors'>): Family =>
  first ? articleOf(job.stock, 'connector', first.article).family : job.preferences.connectors;

/** Minutes of one splice by the units of the job. */
export const spliceMinutes = (job: Job, joint: Pick<Joint, 'connectors'>): number =>
  job.labour.splice[familyOf(job, joint)];

/** Above this height over the floor, inches, a ladder adds its minutes. */
const HIGH = 120;

/**
 * Minutes of labour by the job's units: every new run with its feet and openings, every box opened or set, every
 * splice, every new device and luminaire, and what is high. A cap is part of its box.
 */
export const labourOf = (asked: Job, wiring: Wiring): LabourEstimate => {
  const job = whileItWaits(asked);
  const { labour } = job;
  const lines = new Map<Work, LabourLine>();
  const add = (work: Work, each: number, at: LabourLine['at'][number], quantity = 1) => {
    if (quantity === 0) return;
    const line = lines.get(work) ?? { work, quantity: 0, each, minutes: 0, at: [], quantities: [] };
    line.quantity += quantity;
    line.at.push(at);
    line.quantities.push(quantity);
    lines.set(work, line);
  };
  for (const cable of wiring.cables.filter((one) => !one.existing)) {
    const { access } = wayOf(job, cable.from, cable.to);
    add('run', labour.run, cable.id);
    add(`foot ${access}`, labour.foot[access], cable.id, (cable.length ?? 0) / 12);
    add('opening', labour.opening, cable.id, runFactOf(job, cable.from, cable.to)?.openings ?? 0);
  }
  const worked = workedBoxes(job, wiring);
  const kinds = { new: 'new box', old: 'old-work box', existing: 'existing box' } as const;
  const isHigh = (box: BoxId) => (findBox(job, box)?.at?.z ?? 0) > HIGH;
  for (const { id, work } of worked) {
    add(kinds[work], labour.box[work], id);
    if (isHigh(id)) add('above 10 ft', labour.high, id);
  }
  const open = new Set(worked.map((box) => box.id));
  for (const joint of wiring.joints)
    if (open.has(joint.box) && joint.members.length > 1 && !wasThere(job, joint))
      add(`splice ${familyOf(job, joint)}`, labour.splice[familyOf(job, joint)], joint.box);
  for (const { slot, box, article } of wiring.devices)
    if (!isDeviceThere(job, slot, article)) add('device', labour.device, box);
  const wired = luminairesIn(wiring);
  for (const one of job.luminaires) {
    const { id, box, unit, partOf } = one;
    if (isLuminaireKept(job, one) || unit === 'onward' || partOf !== null || !open.has(box)) continue;
    // One whose circuit is not planned is not hung yet, though its box may be worked in for another.
    if (!wired.has(id)) continue;
    add('luminaire', labour.luminaire, id);
    if (isHigh(box)) add('above 10 ft', labour.high, id);
  }
  const all = [...lines.values()].map((line) => ({ ...line, minutes: line.quantity * line.each }));
  const minutes = all.reduce((sum, line) => sum + line.minutes, 0);
  return { lines: all, minutes, total: Math.round((minutes / 60) * labour.rate) };
};
