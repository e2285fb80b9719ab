import { findCircuit, findGroup } from '../model/lookup.js';
import { groundOf, type CableArticle } from '../model/articles.js';
import { PANEL, nodeEnding, placeOfNode, type BoxId, type CircuitId, type TreePlace } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Awg } from '../model/units.js';
import type { Cable, End, Lead, Terminal } from '../model/wiring.js';
import type { Colouring } from './colours.js';
import type { Net } from './nets.js';

/** A cable of the wiring to be, with the net on each insulated conductor (null = spare). */
export interface CableToMakeUp {
  cable: Cable;
  article: CableArticle;
  /** The nodes of the tree at its two sides. */
  nodes: { from: TreePlace; to: TreePlace };
  colouring: Colouring;
  /**
   * Whose breaker the panel end is on, where the cable starts at the panel; null while nobody knows. One that lies there and
   * that nothing uses is live all the same, until somebody takes it off.
   */
  circuit: CircuitId | null;
  /** Its circuit is not planned, and nobody has looked at its wires: they stay as they are, whatever they are joined with. */
  waits?: boolean;
}

/** A terminal or luminaire lead that belongs to a net. */
export interface Attachment {
  at: TreePlace;
  net: Net | 'ground';
  to: Terminal;
  /** A second terminal joined to it by the device itself, as by the tab of a receptacle. */
  twin?: Terminal;
  /** The size of it where it is a lead and no screw: it is spliced. */
  lead?: Awg;
}

/** A lead with its size. */
export interface SizedLead {
  lead: Lead;
  awg: Awg;
}

/** Sorts what is attached into screws and leads. */
export const hookOn = (
  hooked: Pick<BoxNode, 'terminals' | 'leads'>,
  { to, twin, lead }: Pick<Attachment, 'to' | 'twin' | 'lead'>,
): void => {
  if (lead !== undefined && ('luminaire' in to || 'device' in to)) hooked.leads.push({ lead: to, awg: lead });
  else hooked.terminals.push({ to, twin: twin ?? null });
};

/** All that one net has in one box, or at one of the two places of a luminaire box with a return run. */
export interface BoxNode {
  key: string;
  net: Net | 'ground';
  /** The size of its circuit: no tail and no jumper of it is thinner (240.4(D), 250.122). */
  awg: Awg;
  ends: { end: End; awg: Awg }[];
  terminals: { to: Terminal; twin: Terminal | null }[];
  leads: SizedLead[];
}

/** The size that a tail of the grounds of a box has at least: by the largest breaker of what stands in it (250.122). */
export const groundSizeIn = (job: Job, box: BoxId): Awg => {
  const groups = new Set<string>(
    [...job.slots, ...job.luminaires].filter((one) => one.box === box).map((one) => one.group),
  );
  const circuits = new Set<string>(job.groups.filter(({ id }) => groups.has(id)).map((one) => one.circuit));
  return job.circuits.some(({ id, breaker }) => circuits.has(id) && breaker > 15) ? 12 : 14;
};

/** The size of the circuit that a net belongs to. */
const sizeOf = (job: Job, net: Net): Awg => {
  const circuit = net.circuit ?? findGroup(job, net.group)?.circuit;
  return findCircuit(job, circuit)?.awg ?? 14;
};

/** A conductor that nothing in the box uses. */
export interface SpareEnd {
  box: BoxId;
  end: End;
  awg: Awg;
}

/**
 * Collects, for every box and net, the conductor ends, terminals and leads present. The two places of a luminaire box
 * keep their nets apart: joining the neutral of the return run to that of the feed would break it. Grounds are one for
 * the whole box. What waits is `untouched`, but for a ground that comes to others.
 */
export const nodesByBox = (
  job: Job,
  cables: readonly CableToMakeUp[],
  attachments: readonly Attachment[],
): { boxes: Map<BoxId, Map<string, BoxNode>>; spares: SpareEnd[]; untouched: End[] } => {
  const boxes = new Map<BoxId, Map<string, BoxNode>>();
  const nodeAt = (at: TreePlace, net: Net | 'ground'): BoxNode => {
    const box = placeOfNode(at) as BoxId;
    const key = net === 'ground' ? 'G' : `${net.id}${nodeEnding(at)}`;
    const nodes = boxes.get(box) ?? new Map<string, BoxNode>();
    boxes.set(box, nodes);
    const awg = net === 'ground' ? groundSizeIn(job, box) : sizeOf(job, net);
    const found = nodes.get(key) ?? { key, net, awg, ends: [], terminals: [], leads: [] };
    nodes.set(key, found);
    return found;
  };
  const spares: SpareEnd[] = [];
  const untouched: End[] = [];
  const waiting: { at: BoxId; end: End; awg: Awg }[] = [];
  for (const { cable, article, nodes, colouring, waits } of cables)
    for (const side of ['from', 'to'] as const) {
      const at = nodes[side];
      if (at === PANEL) continue;
      const { awg } = article;
      for (const { colour, net } of colouring) {
        const end = { cable: cable.id, side, colour };
        if (net) nodeAt(at, net).ends.push({ end, awg });
        else if (waits) untouched.push(end);
        else spares.push({ box: placeOfNode(at) as BoxId, end, awg });
      }
      const ground = groundOf(article);
      // A raceway meets the box by its fitting, not in a splice.
      if (ground === null || ground === 'raceway') continue;
      const end = { cable: cable.id, side, colour: ground };
      if (waits) waiting.push({ at: placeOfNode(at) as BoxId, end, awg });
      else nodeAt(at, 'ground').ends.push({ end, awg });
    }
  for (const one of attachments) hookOn(nodeAt(one.at, one.net), one);
  for (const { at, ...ground } of waiting)
    if (boxes.get(at)?.has('G')) nodeAt(at, 'ground').ends.push(ground);
    else untouched.push(ground.end);
  return { boxes, spares, untouched };
};
