import { existingDocument } from '../../model/existing.js';
import { PANEL, UNKNOWN_PLACE, UNNAMED_BREAKER, type CableId } from '../../model/ids.js';
import { isJumper, tailsOf } from '../../model/inBox.js';
import type { Choice, Job, Run, WiringDoc } from '../../model/job.js';
import type { End, Joint, Terminal, Wiring } from '../../model/wiring.js';

/** What a job has, by id. */
interface Held {
  boxes: ReadonlySet<string>;
  slots: ReadonlySet<string>;
  luminaires: ReadonlySet<string>;
  circuits: ReadonlySet<string>;
  /** Is a cable there still, where its places are? */
  cable: (id: CableId) => boolean;
}

const idsOf = (items: readonly { id: string }[]): ReadonlySet<string> => new Set(items.map(({ id }) => id));

/** What a job has beside cables. */
export const heldBy = (
  job: Pick<Job, 'boxes' | 'slots' | 'luminaires' | 'circuits'>,
): Omit<Held, 'cable'> => ({
  boxes: idsOf(job.boxes),
  slots: idsOf(job.slots),
  luminaires: idsOf(job.luminaires),
  circuits: idsOf(job.circuits),
});

/** A wiring without what the job no longer has, and what was joined with that alone. */
export const prunedWiring = (wiring: Wiring, held: Held): Wiring => {
  const cables = wiring.cables.filter(
    ({ id, from, to }) =>
      held.cable(id) &&
      (from === PANEL || held.boxes.has(from)) &&
      (to === UNKNOWN_PLACE || held.boxes.has(to)),
  );
  const devices = wiring.devices.filter(({ box }) => held.boxes.has(box));
  const [lying, fitted] = [idsOf(cables), idsOf(devices)];
  const isLeft = (end: End) => lying.has(end.cable);
  const has = (terminal: Terminal): boolean => {
    if ('device' in terminal) return fitted.has(terminal.device);
    if ('luminaire' in terminal) return held.luminaires.has(terminal.luminaire);
    if ('circuit' in terminal)
      return terminal.circuit === UNNAMED_BREAKER || held.circuits.has(terminal.circuit);
    return held.boxes.has(terminal.box);
  };
  const joints = wiring.joints.flatMap((joint): Joint[] => {
    if (!held.boxes.has(joint.box)) return [];
    const members = joint.members.filter(
      (member) => 'pigtail' in member || ('end' in member ? isLeft(member.end) : has(member.lead)),
    );
    if (members.length === joint.members.length) return [joint];
    const left = { ...joint, members, connectors: [] };
    return members.length > tailsOf(left).length || isJumper(joint) ? [left] : [];
  });
  const tails = new Set<string>(joints.flatMap((joint) => tailsOf(joint).map(({ id }) => id)));
  return {
    boxes: Object.fromEntries(Object.entries(wiring.boxes).filter(([box]) => held.boxes.has(box))),
    cables: cables.map((cable) => ({ ...cable, via: cable.via.filter(({ box }) => held.boxes.has(box)) })),
    devices: devices.map((one) =>
      one.slot === null || held.slots.has(one.slot) ? one : { ...one, slot: null },
    ),
    joints,
    landings: wiring.landings.filter(
      ({ wire, terminal }) => has(terminal) && ('end' in wire ? isLeft(wire.end) : tails.has(wire.pigtail)),
    ),
    marks: wiring.marks.filter(({ end }) => isLeft(end)),
    unseen: wiring.unseen.filter(isLeft),
    luminaires: wiring.luminaires.filter(({ id }) => held.luminaires.has(id)),
  };
};

/**
 * The job with nothing in its wirings of what it no longer has: a box that is taken away takes what is told of it along. The planned wiring is
 * made anew from the rest.
 */
export const withPrunedWirings = (job: Job): Job => pruned(job, () => true);

/**
 * The job in which some cables do not lie there: what was joined with one of them hangs loose, and a box that was seen with it is not all seen any
 * more.
 */
export const withoutCables = (job: Job, ids: readonly CableId[]): Job => {
  if (ids.length === 0) return job;
  const isGone = ({ id }: { id: CableId }) => ids.includes(id);
  const ends = new Set<string>(
    (existingDocument(job)?.wiring.cables ?? []).filter(isGone).flatMap(({ from, to }) => [from, to]),
  );
  const opened = (document: WiringDoc): WiringDoc => ({
    ...document,
    certainty: Object.fromEntries(
      Object.entries(document.certainty).map(([box, sure]) => [
        box,
        sure === 'seen' && ends.has(box) ? 'partlySeen' : sure,
      ]),
    ),
  });
  return pruned(
    { ...job, wirings: job.wirings.map((one) => (one.kind === 'existing' ? opened(one) : one)) },
    (id) => !ids.includes(id),
  );
};

/** The job in which no chosen way names a cable that lies there no more. */
export const withHeldChoices = (job: Job): Job => {
  const lying = idsOf(existingDocument(job)?.wiring.cables ?? []);
  const choices = job.choices.map((choice) => withHeldCables(choice, (id) => lying.has(id)));
  return choices.every((one, i) => one === job.choices[i]) ? job : { ...job, choices };
};

/** A chosen way says nothing more of a cable that lies there no more. */
const withHeldCables = (choice: Choice, isHeld: (id: string) => boolean): Choice => {
  const { givenUp, anew, ...rest } = choice;
  const isKept = ({ by }: Run) => by === undefined || isHeld(by);
  if ((givenUp ?? []).every(isHeld) && (anew ?? []).every(isHeld) && choice.runs.every(isKept)) return choice;
  return {
    ...rest,
    runs: choice.runs.map((run) => (isKept(run) ? run : { from: run.from, to: run.to })),
    ...(givenUp ? { givenUp: givenUp.filter(isHeld) } : {}),
    ...(anew ? { anew: anew.filter(isHeld) } : {}),
  };
};

const pruned = (job: Job, cable: Held['cable']): Job => {
  const held: Held = { ...heldBy(job), cable };
  const left = (document: WiringDoc): WiringDoc => {
    // What was found at a second look, or built, is told by itself.
    const isThere = document.kind === 'existing' ? held : { ...held, cable: () => true };
    const wiring = prunedWiring(document.wiring, isThere);
    const lying = idsOf(wiring.cables);
    const ofBoxes = <T>(record: Record<string, T>) =>
      Object.fromEntries(Object.entries(record).filter(([box]) => held.boxes.has(box)));
    const ofCables = <T>(record: Record<string, T>) =>
      Object.fromEntries(Object.entries(record).filter(([id]) => lying.has(id)));
    return {
      ...document,
      wiring,
      certainty: ofBoxes(document.certainty),
      assumedEnds: document.assumedEnds.filter((end) => lying.has(end.cable)),
      sizesFrom: ofCables(document.sizesFrom),
      carries: Object.fromEntries(
        Object.entries(ofCables(document.carries)).filter(([, circuit]) => held.circuits.has(circuit)),
      ),
      others: ofBoxes(document.others),
      stands: {
        slots: document.stands.slots.filter((id) => held.slots.has(id)),
        luminaires: document.stands.luminaires.filter((id) => held.luminaires.has(id)),
      },
    };
  };
  return withHeldChoices({
    ...job,
    wirings: job.wirings.map((document) => (document.kind === 'planned' ? document : left(document))),
  });
};
