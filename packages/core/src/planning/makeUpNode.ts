import type { BoxId, JointId, PigtailId } from '../model/ids.js';
import { articleOf } from '../model/articles.js';
import type { Job } from '../model/job.js';
import type { Awg } from '../model/units.js';
import type { Joint, Landing, Member, Terminal } from '../model/wiring.js';
import { chooseConnectors } from '../materials/connectors.js';
import type { BoxNode } from './boxNodes.js';
import type { Net } from './nets.js';

const terminalText = (terminal: Terminal): string => {
  const owner =
    'device' in terminal
      ? terminal.device
      : 'luminaire' in terminal
        ? terminal.luminaire
        : 'circuit' in terminal
          ? terminal.circuit
          : terminal.box;
  return `${owner}:${terminal.name}`.replace(/ /g, '-');
};

const pigtailColour = (job: Job, net: Net | 'ground'): 'bare' | 'green' | 'white' | 'red' | 'black' => {
  if (net === 'ground') return job.preferences.groundTailColour;
  if (net.kind === 'neutral') return 'white';
  return net.kind === 'switchLeg' || net.lane === 'b' ? 'red' : 'black';
};

const thickest = (sizes: readonly [Awg, ...Awg[]]): Awg =>
  sizes.reduce((thick, awg) => (awg < thick ? awg : thick));

/** A splice that no connector of the stock takes. */
export interface Unjoined {
  box: BoxId;
  conductors: number;
}

/** What becomes of one net in one box. */
export interface MadeUp {
  joints: Joint[];
  landings: Landing[];
  unjoined: Unjoined[];
}

/** Plastic luminaires have nothing to ground; some leave a pigtail at the grounds for a later one that has. */
export const leavesPigtail = (job: Job, box: BoxId): boolean =>
  job.preferences.plasticLuminaire === 'pigtailLeft' &&
  job.luminaires.some((one) => one.box === box && !one.metal && one.partOf === null);

/** A splice with a pigtail for each of these terminals; one member alone is a cap. */
const splice = (
  job: Job,
  box: BoxId,
  node: BoxNode,
  terminals: readonly Terminal[],
  preferences: Job['preferences'],
): MadeUp => {
  const { key, net, ends, leads } = node;
  const awg = thickest([node.awg, ...ends.map((one) => one.awg)]);
  const tails = terminals.map((to) => ({ to, id: `${box}/${key}>${terminalText(to)}` as PigtailId }));
  const spare = net === 'ground' && leavesPigtail(job, box) ? [`${box}/${key}>left` as PigtailId] : [];
  const pigtails = [...tails.map(({ id }) => id), ...spare];
  const members: Member[] = [
    ...ends.map(({ end }) => ({ end })),
    ...pigtails.map((id) => ({ pigtail: { id, colour: pigtailColour(job, net), awg } })),
    ...leads.map(({ lead }) => ({ lead })),
  ];
  const sizes = [...ends.map((one) => one.awg), ...pigtails.map(() => awg), ...leads.map((lead) => lead.awg)];
  const connectors = chooseConnectors(job.stock, preferences, sizes, net === 'ground');
  return {
    joints: [{ id: `${box}/${key}` as JointId, box, members, connectors: connectors ?? [] }],
    landings: tails.map(({ to, id }) => ({ wire: { pigtail: id }, terminal: to })),
    unjoined: connectors ? [] : [{ box, conductors: members.length }],
  };
};

/**
 * One cable's ground left long through a connector made for it serves the first terminal, and saves a tail. Null where
 * the job does not want it or no single such connector takes the splice.
 */
const withGroundLeftLong = (job: Job, box: BoxId, node: BoxNode): MadeUp | null => {
  const [long] = node.ends;
  const [first, ...rest] = node.terminals.map((one) => one.to);
  if (node.net !== 'ground' || job.preferences.groundTail !== 'leftLong' || !long || !first) return null;
  const made = splice(job, box, node, rest, { ...job.preferences, groundConnectors: 'groundingTwistOn' });
  const [only, ...more] = made.joints.flatMap((joint) => joint.connectors);
  if (!only || more.length > 0) return null;
  if (articleOf(job.stock, 'connector', only.article).family !== 'groundingTwistOn') return null;
  return { ...made, landings: [{ wire: { end: long.end }, terminal: first }, ...made.landings] };
};

/**
 * One cable's ground is looped round the screw of a steel box on its way to the splice, and saves the tail to it. Null where the job does
 * not want it, no cable brings one, or nothing but the box is to be joined.
 */
const withGroundLooped = (job: Job, box: BoxId, node: BoxNode): MadeUp | null => {
  const [first] = node.ends;
  const metal = node.terminals.find(({ to }) => 'box' in to);
  if (node.net !== 'ground' || job.preferences.boxGround !== 'looped' || !first || !metal) return null;
  const terminals = node.terminals.filter((one) => one !== metal);
  if (node.ends.length + terminals.length + node.leads.length < 2) return null;
  const others = terminals.map((one) => one.to);
  // The one that is looped is no tail of a device as well.
  const rest = { ...node, ends: [...node.ends.slice(1), first], terminals };
  const made =
    (node.ends.length > 1 ? withGroundLeftLong(job, box, rest) : null) ??
    splice(job, box, { ...node, terminals }, others, job.preferences);
  return { ...made, landings: [{ wire: { end: first.end }, terminal: metal.to }, ...made.landings] };
};

/** No conductor of this net comes here: one screw alone stays empty, two are joined by a jumper, more by a splice. */
const withoutConductor = (job: Job, box: BoxId, { key, net, awg, terminals }: BoxNode): MadeUp | null => {
  const [a, b, ...more] = terminals.map((one) => one.to);
  if (!a || !b) return { joints: [], landings: [], unjoined: [] };
  if (more.length > 0) return null;
  const id = `${box}/${key}>${terminalText(a)}` as PigtailId;
  const jumper = { pigtail: { id, colour: pigtailColour(job, net), awg } };
  return {
    joints: [{ id: `${box}/${key}` as JointId, box, members: [jumper], connectors: [] }],
    landings: [a, b].map((terminal) => ({ wire: { pigtail: id }, terminal })),
    unjoined: [],
  };
};

/**
 * Makes up one net in one box: the ends and terminals present decide.
 * One end and one terminal: landed. Otherwise: a splice with one pigtail for each terminal, never two wires on a
 * screw (110.14(A)), so that taking a device out breaks nothing behind it (250.148 for grounds). One end alone: capped.
 */
export const makeUpNode = (job: Job, box: BoxId, node: BoxNode): MadeUp => {
  const { ends, terminals, leads } = node;
  const [first, second] = ends;
  const [only] = terminals;
  const landed = (...landings: Landing[]): MadeUp => ({ joints: [], landings, unjoined: [] });
  const loose = leads.length > 0 || (node.net === 'ground' && leavesPigtail(job, box));
  if (terminals.length === 1 && only && first && !loose) {
    if (ends.length === 1) return landed({ wire: { end: first.end }, terminal: only.to });
    // A receptacle may pass the circuit on through its own screws, where the job wants that.
    if (job.preferences.receptacles === 'through' && ends.length === 2 && second && only.twin)
      return landed(
        { wire: { end: first.end }, terminal: only.to },
        { wire: { end: second.end }, terminal: only.twin },
      );
  }
  const looped = withGroundLooped(job, box, node);
  if (looped) return looped;
  const bare = ends.length === 0 && leads.length === 0 ? withoutConductor(job, box, node) : null;
  const all = terminals.map((one) => one.to);
  return bare ?? withGroundLeftLong(job, box, node) ?? splice(job, box, node, all, job.preferences);
};
