import { PANEL, type BoxId, type CableId, type SlotId } from '../model/ids.js';
import type { Choice, ExistingCable, Job } from '../model/job.js';
import { endKey, terminalKey, type Cable, type Device, type Wiring } from '../model/wiring.js';
import type { Finding } from '../code/rule.js';
import { reviewCircuit, reviewJob, type JobReview } from '../review/reviewJob.js';
import { leastCable } from '../search/cost.js';
import { NO_CONSTRAINTS } from '../search/orders.js';
import { choiceOf, createSearch } from '../search/search.js';
import { changedJob, circuitOf, withDevicesFreed, type Change } from './changes.js';
import { MOST_STEPS } from './findPlans.js';
import { baselineOf, measure, withChoice, type Measures } from './measures.js';
import type { Refusal } from './refusal.js';

/** One wire that moves from an old device to a new one: its screw there and here. */
export interface Moved {
  slot: SlotId;
  /** The wire as it comes out of its cable, or the tail of a splice. */
  wire: string;
  from: string | null;
  to: string | null;
}

/** What a small job on existing work asks for. */
export interface LeastChange {
  /** The job after the change, with its choice of runs. */
  job: Job;
  measures: Measures;
  /** Cables that stay in use, come new, and lie unused from now on; those that are taken out of their boxes. */
  stay: CableId[];
  fresh: Cable[];
  idle: CableId[];
  abandoned: ExistingCable[];
  /** Boxes in which a wire moves, and those that nobody has to open. */
  opened: BoxId[];
  closed: BoxId[];
  /** Devices that come new. */
  devices: Device[];
  moved: Moved[];
  /** What today's rules then ask of the circuit, gravest first. */
  asks: Finding[];
}

/** What of a box is made by hand: which wires are joined and landed there. */
const makeUpIn = (wiring: Wiring, box: BoxId): string => {
  const pigtail = new Map(
    wiring.joints.flatMap((joint) =>
      joint.members.flatMap((member) =>
        'pigtail' in member ? [[member.pigtail.id as string, memberKeys(joint.members)] as const] : [],
      ),
    ),
  );
  const devices = new Map(wiring.devices.map((device) => [device.id as string, device]));
  const landings = wiring.landings.flatMap(({ wire, terminal }) => {
    const device = 'device' in terminal ? devices.get(terminal.device) : undefined;
    const here = device?.box === box || ('box' in terminal && terminal.box === box);
    if (!here) return [];
    const from = 'end' in wire ? endKey(wire.end) : (pigtail.get(wire.pigtail) ?? '');
    return [`${terminalKey(terminal)} ${device?.article ?? ''} ${from}`];
  });
  const joints = wiring.joints.filter((joint) => joint.box === box).map((joint) => memberKeys(joint.members));
  return [...landings.sort(), ...joints.sort()].join('\n');
};

const memberKeys = (members: Wiring['joints'][number]['members']): string =>
  members
    .map((member) =>
      'end' in member
        ? endKey(member.end)
        : 'lead' in member
          ? `${member.lead.luminaire} ${member.lead.name}`
          : '*',
    )
    .sort()
    .join();

/** The wire on each screw of a device, in words. */
const screws = (job: Job, wiring: Wiring, slot: SlotId): Map<string, string> => {
  const device = wiring.devices.find((one) => one.slot === slot);
  const name = (place: string) =>
    place === PANEL ? 'the panel' : (job.boxes.find((box) => box.id === place)?.name ?? place);
  const cables = new Map(wiring.cables.map((cable) => [cable.id as string, cable]));
  const say = (cable: string, side: 'from' | 'to', colour: string) => {
    const found = cables.get(cable);
    return `${colour} of the cable to ${name((side === 'from' ? found?.to : found?.from) ?? '')}`;
  };
  return new Map(
    wiring.landings.flatMap(({ wire, terminal }) => {
      if (!device || !('device' in terminal) || terminal.device !== device.id) return [];
      if ('end' in wire)
        return [[say(wire.end.cable, wire.end.side, wire.end.colour), terminal.name] as const];
      const joint = wiring.joints.find((one) =>
        one.members.some((member) => 'pigtail' in member && member.pigtail.id === wire.pigtail),
      );
      const first = joint?.members.find((member) => 'end' in member);
      const splice =
        first && 'end' in first ? say(first.end.cable, first.end.side, first.end.colour) : 'its splice';
      return [[`tail from ${splice}`, terminal.name] as const];
    }),
  );
};

const movedAt = (before: JobReview, after: JobReview, slot: SlotId): Moved[] => {
  const [old, now] = [screws(before.job, before.wiring, slot), screws(after.job, after.wiring, slot)];
  return [...new Set([...old.keys(), ...now.keys()])]
    .map((wire) => ({ slot, wire, from: old.get(wire) ?? null, to: now.get(wire) ?? null }))
    .filter((one) => one.from !== one.to || one.from !== null);
};

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
  neutralAt: SlotId[],
): Omit<Variant, 'abandoned'> | null => {
  const named = job.circuits.find((one) => one.id === circuit);
  if (!named) return null;
  const { best } = createSearch(job, named, {
    weights: leastCable(job),
    constraints: { ...NO_CONSTRAINTS, neutralAt },
    volumeLimit: Infinity,
  }).least({ mostSteps: MOST_STEPS });
  return best && { job: withChoice(job, circuit, choiceOf(best)), weight: best.weight };
};

/**
 * The plan of least change for a small job on existing work: what stays, what is opened, what is new, what today's rules
 * ask. Tried in turn: the runs as they are; other runs with the cables that lie there; old devices replaced; old cables to the
 * box in question abandoned. The one with the least new cable, then the least cost, is taken.
 */
export const leastChange = (
  job: Job,
  change: Change,
): { ok: true; value: LeastChange } | { ok: false; refusal: Refusal } => {
  const circuit = circuitOf(job, change);
  if (circuit === null)
    return {
      ok: false,
      refusal: {
        title: 'There is nothing to change',
        reason: 'The change names a switch or a group that the job does not have.',
        remedy: 'Choose one of the job.',
      },
    };
  const before = reviewJob(job);
  const asked = changedJob(job, change);
  const neutralAt = change.kind === 'bringNeutral' ? [change.slot] : [];
  const touched =
    change.kind === 'addSwitch'
      ? job.slots.filter((slot) => slot.group === change.group).map((slot) => slot.box)
      : change.kind === 'takeOff'
        ? [change.from]
        : job.slots.filter((slot) => slot.id === change.slot).map((slot) => slot.box);
  const old = job.existingCables.filter(
    ({ between: [a, b] }) => a !== PANEL && touched.some((box) => box === a || box === b),
  );
  const kept = change.kind === 'replaceDevice' ? asIs(asked, circuit) : null;
  const variants: Variant[] = kept
    ? [kept]
    : [asked, withDevicesFreed(asked, circuit)].flatMap((one): Variant[] => {
        const without = {
          ...one,
          existingCables: one.existingCables.filter((cable) => !old.includes(cable)),
        };
        const whole = planned(one, circuit, neutralAt);
        const less = old.length > 0 ? planned(without, circuit, neutralAt) : null;
        return [
          ...(whole ? [{ ...whole, abandoned: [] }] : []),
          ...(less ? [{ ...less, abandoned: old }] : []),
        ];
      });
  const [best] = variants.sort((a, b) => a.weight - b.weight || a.abandoned.length - b.abandoned.length);
  const measured = best && measure(best.job, circuit, baselineOf(best.job, circuit));
  if (!best || !measured) return { ok: false, refusal: refusalOf(change) };
  const after = reviewJob(best.job);
  const mine = reviewCircuit(after, circuit);
  const used = after.wiring.cables.filter((cable) => mine.cables.includes(cable.id));
  const opened = [...mine.boxes].filter(
    (box) => makeUpIn(before.wiring, box) !== makeUpIn(after.wiring, box) || isNew(job, box),
  );
  return {
    ok: true,
    value: {
      job: best.job,
      measures: measured.measures,
      stay: used.filter((cable) => cable.existing).map((cable) => cable.id),
      fresh: used.filter((cable) => !cable.existing),
      idle: best.job.existingCables
        .map((cable) => cable.id)
        .filter((id) => !used.some((one) => one.id === id)),
      abandoned: best.abandoned,
      opened,
      closed: [...mine.boxes].filter((box) => !opened.includes(box)),
      devices: after.wiring.devices.filter(
        ({ slot }) =>
          mine.boxes.size > 0 &&
          best.job.slots.some((one) => one.id === slot && !one.existing) &&
          belongs(best.job, slot, circuit),
      ),
      moved: change.kind === 'replaceDevice' ? movedAt(before, after, change.slot) : [],
      asks: mine.findings.filter((one) => one.severity !== 'waived'),
    },
  };
};

const isNew = (job: Job, box: BoxId) => !job.boxes.some((one) => one.id === box);

const belongs = (job: Job, id: SlotId | null, circuit: Choice['circuit']): boolean => {
  const slot = job.slots.find((one) => one.id === id);
  return job.groups.some((group) => group.id === slot?.group && group.circuit === circuit);
};

/** The changed job by the runs that it has; null where they do not serve any more. */
const asIs = (job: Job, circuit: Choice['circuit']): Variant | null => {
  const outcome = reviewJob(job).plans.find((plan) => plan.circuit.id === circuit)?.outcome;
  return outcome?.ok ? { job, abandoned: [], weight: 0 } : null;
};

const refusalOf = (change: Change): Refusal => {
  switch (change.kind) {
    case 'replaceDevice':
      return {
        title: 'No wiring serves the new device',
        reason:
          'The stock has none of that kind for this place, or it needs a neutral that no cable can bring.',
        remedy: 'Choose another device, or allow a new cable to the box.',
      };
    case 'addSwitch':
      return {
        title: 'The new switch cannot be reached',
        reason: 'No run of known length leads to it, or no cable, device or box of the stock serves one.',
        remedy: 'Say where the new box is or measure a run to it.',
      };
    case 'bringNeutral':
      return {
        title: 'No cable can bring a neutral to this switch',
        reason: 'The runs that lead to it are forbidden, too long or not known.',
        remedy: 'Allow a run from a box that has the neutral of this circuit.',
      };
    case 'takeOff':
      return {
        title: 'Nothing can be taken off this box',
        reason:
          'It has no room for another cable, or hot and neutral of the circuit cannot be brought to it.',
        remedy: 'Take it off another box of the circuit, one with the feed in it.',
      };
  }
};
