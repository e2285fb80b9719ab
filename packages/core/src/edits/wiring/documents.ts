import { articleOf, conductorsOf } from '../../model/articles.js';
import { boxesThatDiffer, contentsIn, endsIn } from '../../model/boxState.js';
import { digestOf } from '../../model/digest.js';
import { existingDocument } from '../../model/existing.js';
import { type BoxId, type CircuitId, type WiringId } from '../../model/ids.js';
import type { Job, WiringDoc } from '../../model/job.js';
import { newWiringDoc } from '../../model/newJob.js';
import { ofId } from '../../model/records.js';
import { luminairesIn } from '../../model/there.js';
import { emptyWiring, endKey, placeOfEnd, type End, type Wiring } from '../../model/wiring.js';
import { compile } from '../../circuit/compile.js';
import { circuitsByCable } from '../../circuit/roles.js';
import { editWiring } from './editWiring.js';
import type { WiringEdit, WiringRefusal } from './edit.js';
import { withHeldChoices } from './pruned.js';

export const BUILT = 'built' as WiringId;

/** A sum of all that is told of one box: a record of what was seen holds as long as it is the same. */
export const boxDigest = (job: Pick<Job, 'stock'>, document: WiringDoc, box: string): string =>
  digestOf([
    contentsIn(document.wiring, box),
    document.assumedEnds.filter((end) =>
      endsIn(job, document.wiring, box).some((one) => endKey(one) === endKey(end)),
    ),
  ]);

const isOf = (wiring: Wiring, end: End, box: string): boolean => {
  const cable = wiring.cables.find(({ id }) => id === end.cable);
  return cable !== undefined && placeOfEnd(cable, end.side) === box;
};

/** Ends that the wiring still has, once each. */
const only = (job: Pick<Job, 'stock'>, wiring: Wiring, ends: readonly End[]): End[] => {
  const known = new Map(ends.map((end) => [endKey(end), end]));
  return [...known.values()].filter((end) => {
    const cable = wiring.cables.find(({ id }) => id === end.cable);
    return (
      cable !== undefined && conductorsOf(articleOf(job.stock, 'cable', cable.article)).includes(end.colour)
    );
  });
};

/** Ends that an edit says something of. */
const told = (edit: WiringEdit): End[] => {
  if (edit.do === 'put')
    return [edit.wire, typeof edit.to === 'object' && 'with' in edit.to ? edit.to.with : null].flatMap(
      (wire) => (wire && 'end' in wire ? [wire.end] : []),
    );
  return 'end' in edit ? [edit.end] : [];
};

/**
 * How sure the boxes of a document are after an edit that somebody made looking into `at`. What was signed as seen and is told otherwise
 * is open again; in a box that was only assumed, what was told is known from now on, and all the rest of it still assumed.
 */
const certaintyAfter = (
  job: Pick<Job, 'stock'>,
  document: WiringDoc,
  wiring: Wiring,
  { edit, at }: { edit: WiringEdit; at: BoxId | null },
): Pick<WiringDoc, 'certainty' | 'assumedEnds'> => {
  const certainty = { ...document.certainty };
  const assumed = [...document.assumedEnds];
  for (const box of boxesThatDiffer(document.wiring, wiring)) {
    const sure = ofId(certainty, box);
    if (sure === undefined || sure === 'seen') certainty[box] = 'partlySeen';
    else if (sure === 'assumed' && box === at) {
      certainty[box] = 'partlySeen';
      assumed.push(...endsIn(job, wiring, box));
    }
  }
  const known = new Set(told(edit).map(endKey));
  const open = assumed.filter(
    (end) => !known.has(endKey(end)) && !wiring.unseen.some((one) => endKey(one) === endKey(end)),
  );
  return { certainty, assumedEnds: only(job, wiring, open) };
};

export const withDocument = (job: Job, document: WiringDoc): Job => {
  const known = job.wirings.some((one) => one.id === document.id);
  const before = new Set(existingDocument(job)?.wiring.devices.map(({ slot }) => slot) ?? []);
  const fitted = new Set(
    document.kind === 'existing'
      ? document.wiring.devices.flatMap(({ slot }) => (slot === null || before.has(slot) ? [] : [slot]))
      : [],
  );
  const hung = luminairesIn(existingDocument(job)?.wiring ?? emptyWiring());
  const newlyHung =
    document.kind === 'existing'
      ? new Set([...luminairesIn(document.wiring)].filter((id) => !hung.has(id)))
      : new Set<string>();
  const told =
    document.kind === 'existing'
      ? { ...document, carries: carriedIn(job, document), stands: standingIn(document) }
      : document;
  return withHeldChoices({
    ...job,
    // A device or luminaire that is told of for the first time is there, and stays.
    slots:
      fitted.size === 0
        ? job.slots
        : job.slots.map((slot) => (fitted.has(slot.id) ? { ...slot, comesNew: false } : slot)),
    luminaires:
      newlyHung.size === 0
        ? job.luminaires
        : job.luminaires.map((one) => (newlyHung.has(one.id) ? { ...one, comesNew: false } : one)),
    wirings: known ? job.wirings.map((one) => (one.id === document.id ? told : one)) : [...job.wirings, told],
  });
};

/** What is told to be there without its kind: what the wiring has is told by it. */
const standingIn = ({ wiring, stands }: WiringDoc): WiringDoc['stands'] => {
  const fitted = new Set<string | null>(wiring.devices.map(({ slot }) => slot));
  const hung = luminairesIn(wiring);
  return {
    slots: stands.slots.filter((id) => !fitted.has(id)),
    luminaires: stands.luminaires.filter((id) => !hung.has(id)),
  };
};

/** Whose power is on each cable: as the wiring tells it, and where it does not, as somebody told. */
const carriedIn = (job: Job, { wiring, carries }: WiringDoc): WiringDoc['carries'] => {
  const byCable = circuitsByCable(wiring, job, compile(wiring, job));
  return Object.fromEntries(
    wiring.cables.flatMap(({ id }) => {
      const [only, ...others] = byCable.get(id) ?? [];
      const whose = only !== undefined && others.length === 0 ? (only as CircuitId) : ofId(carries, id);
      return whose === undefined ? [] : [[id, whose]];
    }),
  );
};

export type DocumentEdited = { ok: true; job: Job } | { ok: false; refusal: WiringRefusal };

/** Edits of a wiring of the job by somebody who looks into the box `at`, all of them or none; null where it is about none. */
export const editDocument = (
  job: Job,
  id: string,
  edits: WiringEdit | readonly WiringEdit[],
  at: BoxId | null,
): DocumentEdited => {
  let document = job.wirings.find((one) => one.id === id);
  if (!document) throw new Error(`The job has no wiring "${id}".`);
  for (const edit of Array.isArray(edits) ? (edits as WiringEdit[]) : [edits as WiringEdit]) {
    const edited = editWiring(document.wiring, edit, job);
    if (!edited.ok) return edited;
    const { wiring } = edited;
    document = { ...document, wiring, ...certaintyAfter(job, document, wiring, { edit, at }) };
  }
  const held = new Set<string>(document.wiring.cables.map((one) => one.id));
  const sizesFrom = Object.fromEntries(
    Object.entries(document.sizesFrom).filter(([cable]) => held.has(cable)),
  );
  return {
    ok: true,
    job: withDocument(job, { ...document, sizesFrom: sizesFrom }),
  };
};

/** An end was looked at, and is where the wiring has it. */
export const confirmEnd = (job: Job, id: string, box: BoxId, end: End): Job => {
  const document = job.wirings.find((one) => one.id === id);
  if (!document || !isOf(document.wiring, end, box)) return job;
  const wasAssumed = ofId(document.certainty, box) === 'assumed';
  const assumed = wasAssumed
    ? [...document.assumedEnds, ...endsIn(job, document.wiring, box)]
    : document.assumedEnds;
  const assumedEnds = only(job, document.wiring, assumed).filter((one) => endKey(one) !== endKey(end));
  const certainty = wasAssumed ? { ...document.certainty, [box]: 'partlySeen' as const } : document.certainty;
  return withDocument(job, { ...document, certainty, assumedEnds });
};

/** Somebody has looked at all of a box and it is as the wiring has it. What nobody has looked at stays so. */
export const signSeen = (job: Job, id: string, box: BoxId): Job => {
  const document = job.wirings.find((one) => one.id === id);
  if (!document) return job;
  const hasUnseen = document.wiring.unseen.some((end) => isOf(document.wiring, end, box));
  return withDocument(job, {
    ...document,
    certainty: { ...document.certainty, [box]: hasUnseen ? 'partlySeen' : 'seen' },
    assumedEnds: document.assumedEnds.filter((end) => !isOf(document.wiring, end, box)),
  });
};

/** What was built otherwise than planned: a wiring of its own, which begins as the planned one. Null where nothing is planned. */
export const beginBuilt = (job: Job): Job | null => {
  if (job.wirings.some(({ kind }) => kind === 'built')) return job;
  const planned = job.wirings.find(({ kind }) => kind === 'planned');
  if (!planned) return null;
  return withDocument(job, { ...newWiringDoc(BUILT, 'built', planned.wiring), basedOn: planned.id });
};
