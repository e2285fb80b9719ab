import { PANEL, UNKNOWN_PLACE, UNNAMED_BREAKER } from '../../model/ids.js';
import { isJumper, tailsOf } from '../../model/inBox.js';
import type { Job, WiringDoc } from '../../model/job.js';
import type { End, Joint, Terminal, Wiring } from '../../model/wiring.js';

/** What a job has, by id. */
interface Held {
  boxes: ReadonlySet<string>;
  slots: ReadonlySet<string>;
  luminaires: ReadonlySet<string>;
  circuits: ReadonlySet<string>;
}

const idsOf = (items: readonly { id: string }[]): ReadonlySet<string> => new Set(items.map(({ id }) => id));

const prunedWiring = (wiring: Wiring, held: Held): Wiring => {
  const cables = wiring.cables.filter(
    ({ from, to }) =>
      (from === PANEL || held.boxes.has(from)) && (to === UNKNOWN_PLACE || held.boxes.has(to)),
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
export const withPrunedWirings = (job: Job): Job => {
  const held: Held = {
    boxes: idsOf(job.boxes),
    slots: idsOf(job.slots),
    luminaires: idsOf(job.luminaires),
    circuits: idsOf(job.circuits),
  };
  const pruned = (document: WiringDoc): WiringDoc => {
    const wiring = prunedWiring(document.wiring, held);
    const lying = idsOf(wiring.cables);
    const certainty = Object.entries(document.certainty).filter(([box]) => held.boxes.has(box));
    const sizesFrom = Object.entries(document.sizesFrom).filter(([cable]) => lying.has(cable));
    return {
      ...document,
      wiring,
      certainty: Object.fromEntries(certainty),
      assumedEnds: document.assumedEnds.filter((end) => lying.has(end.cable)),
      sizesFrom: Object.fromEntries(sizesFrom),
    };
  };
  return {
    ...job,
    wirings: job.wirings.map((document) => (document.kind === 'planned' ? document : pruned(document))),
  };
};
