/**
 * What must not compile. Nothing here runs: the type check fails as soon as one of these lines would be taken, since its
 * `@ts-expect-error` has nothing to expect any more.
 */
import {
  CONTRACT,
  findBox,
  findSlot,
  pathOf,
  type BoxId,
  type CableId,
  type Circuit,
  type Finding,
  type FieldChange,
  type Job,
  type ProblemCode,
  type SiteRecord,
  type SlotId,
} from '../src/index.js';
import { placeName } from '../src/words/places.js';
import type { PriceTables } from '../src/search/prices/priceTables.js';
import type { PlanProblem } from '../src/planning/problem.js';

declare const box: BoxId;
declare const job: Job;
declare const circuit: Circuit;
declare const finding: Finding;
declare const tables: PriceTables;

// @ts-expect-error a box id is no slot id
export const slot: SlotId = box;
// @ts-expect-error nor is any text
export const cable: CableId = 'cable';
// @ts-expect-error a slot lies in no box by its own id
job.slots[0] = { ...job.slots[0]!, box: job.slots[0]!.id };
// @ts-expect-error a cable ends at places, not at circuits
export const name = placeName(job, circuit.id);
// @ts-expect-error what is looked up may not be there
export const found: { name: string } = findBox(job, box);
// @ts-expect-error a slot has no name
export const none = findSlot(job, 'a')?.name;
// @ts-expect-error a finding leads to a box by the id of one
finding.at.box = finding.at.circuit;
// @ts-expect-error a finding rests on one of four things
finding.kind = 'guess';
// @ts-expect-error the tables of a search never change
tables.cables = [];
// @ts-expect-error a refusal of the server has a code of the contract
export const code: ProblemCode = 'teapot';
// @ts-expect-error a save names the revision that it read
export const save: (typeof CONTRACT.saveJob.request)['_zod']['input'] = { saveId: 'a', document: job };
// @ts-expect-error a refusal to plan carries what its words need
export const problem: PlanProblem = { code: 'NoBoxFits', circuit: circuit.id };
// @ts-expect-error there is no record of that kind
export const record: SiteRecord['kind'] = 'wish';
// @ts-expect-error a change is one of a list that a job has
export const change: FieldChange['entity'] = 'attic';

/** And what must. */
export const path: string = pathOf(CONTRACT.openJob, { id: job.id });
