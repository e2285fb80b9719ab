import { articleOf, type Colour } from '../model/articles.js';
import type { BoxId, DeviceId, JointId, LuminaireId, PigtailId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Awg } from '../model/units.js';
import {
  placeOfEnd,
  type Cable,
  type Device,
  type End,
  type Joint,
  type Landing,
  type Mark,
  type Member,
  type Terminal,
  type Wiring,
} from '../model/wiring.js';
import { chooseConnectors } from '../materials/connectors.js';
import type { InsulatedColour } from './colours.js';
import type { Net } from './nets.js';

/** A cable of the wiring to be, with the net on each insulated conductor (null = spare). */
export interface CableToMakeUp {
  cable: Cable;
  awg: Awg;
  colouring: { colour: InsulatedColour; net: Net | null }[];
  /** What the panel end lands on, where the cable starts at the panel. */
  circuit: Job['circuits'][number]['id'];
}

/** A terminal or luminaire lead that belongs to a net. */
export interface Attachment {
  box: BoxId;
  net: Net | 'ground';
  to: Terminal;
}

interface Node {
  net: Net | 'ground';
  ends: End[];
  terminals: Terminal[];
  leads: { luminaire: LuminaireId; name: 'hot' | 'neutral' | 'ground'; awg: Awg }[];
}

const netKey = (net: Net | 'ground') => (net === 'ground' ? 'G' : net.id);

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

/** Collects, for every box and net, the conductor ends, terminals and leads present. */
const nodesByBox = (job: Job, cables: readonly CableToMakeUp[], attachments: readonly Attachment[]) => {
  const boxes = new Map<BoxId, Map<string, Node>>();
  const node = (box: BoxId, net: Net | 'ground', key = netKey(net)): Node => {
    const nodes = boxes.get(box) ?? new Map<string, Node>();
    boxes.set(box, nodes);
    const found = nodes.get(key) ?? { net, ends: [], terminals: [], leads: [] };
    nodes.set(key, found);
    return found;
  };
  const spares: End[] = [];
  for (const { cable, colouring } of cables)
    for (const side of ['from', 'to'] as const) {
      const at = placeOfEnd(cable, side);
      if (at === 'panel') continue;
      for (const { colour, net } of colouring) {
        if (net) node(at, net).ends.push({ cable: cable.id, side, colour });
        else spares.push({ cable: cable.id, side, colour });
      }
      node(at, 'ground').ends.push({ cable: cable.id, side, colour: 'bare' });
    }
  for (const { box, net, to } of attachments) {
    const here = node(box, net);
    const luminaire = 'luminaire' in to ? job.luminaires.find((one) => one.id === to.luminaire) : undefined;
    if ('luminaire' in to && luminaire?.terminals === 'leads')
      here.leads.push({ luminaire: to.luminaire, name: to.name, awg: luminaire.leadAwg });
    else here.terminals.push(to);
  }
  return { boxes, spares };
};

const pigtailColour = (net: Net | 'ground'): Colour => {
  if (net === 'ground') return 'bare';
  if (net.kind === 'neutral') return 'white';
  return net.kind === 'switchLeg' || net.lane === 'b' ? 'red' : 'black';
};

/**
 * Makes up every box: for each net, the ends and terminals present decide.
 * One end and one terminal: landed. Otherwise: a splice with one pigtail for each terminal, never two wires on a
 * screw (110.14(A)), so that taking a device out breaks nothing behind it (250.148 for grounds). One end alone: capped.
 * Grounds of all circuits in a box are one splice; neutrals of two circuits never meet, as each has its own net.
 */
export const makeUp = (
  job: Job,
  cables: readonly CableToMakeUp[],
  devices: readonly Device[],
  attachments: readonly Attachment[],
): { wiring: Wiring; unjoined: { box: BoxId; conductors: number }[] } => {
  const awgOf = new Map(cables.map(({ cable, awg }) => [cable.id, awg]));
  const joints: Joint[] = [];
  const landings: Landing[] = [];
  const unjoined: { box: BoxId; conductors: number }[] = [];
  const { boxes, spares } = nodesByBox(job, cables, attachments);

  const splice = (box: BoxId, key: string, members: Member[], sizes: Awg[]) => {
    const connectors = chooseConnectors(job.stock, job.preferences.connectors, sizes);
    if (!connectors) unjoined.push({ box, conductors: members.length });
    joints.push({ id: `${box}/${key}` as JointId, box, members, connectors: connectors ?? [] });
  };

  for (const [box, nodes] of boxes)
    for (const [key, { net, ends, terminals, leads }] of nodes) {
      const [end] = ends;
      const [terminal] = terminals;
      if (ends.length === 1 && end && terminals.length === 1 && terminal && leads.length === 0) {
        landings.push({ wire: { end }, terminal });
        continue;
      }
      const endSizes = ends.map((one) => awgOf.get(one.cable) ?? 14);
      const thickest = endSizes.reduce((thick, awg) => (awg < thick ? awg : thick), endSizes[0] ?? 14);
      const id = (to: Terminal) => `${box}/${key}>${terminalText(to)}` as PigtailId;
      const pigtails = terminals.map((to) => ({ id: id(to), colour: pigtailColour(net), awg: thickest }));
      if (ends.length === 0 && leads.length === 0) {
        // Two terminals of one box and nothing else: a single jumper from screw to screw.
        const [jumper] = pigtails;
        if (terminals.length !== 2 || !jumper) continue;
        joints.push({ id: `${box}/${key}` as JointId, box, members: [{ pigtail: jumper }], connectors: [] });
        for (const to of terminals) landings.push({ wire: { pigtail: jumper.id }, terminal: to });
        continue;
      }
      terminals.forEach((to) => landings.push({ wire: { pigtail: id(to) }, terminal: to }));
      splice(
        box,
        key,
        [
          ...ends.map((one) => ({ end: one })),
          ...pigtails.map((pigtail) => ({ pigtail })),
          ...leads.map(({ luminaire, name }) => ({ lead: { luminaire, name } })),
        ],
        [...endSizes, ...pigtails.map((pigtail) => pigtail.awg), ...leads.map((lead) => lead.awg)],
      );
    }

  for (const end of spares) {
    const cable = cables.find((one) => one.cable.id === end.cable)?.cable;
    const box = cable && placeOfEnd(cable, end.side);
    if (box && box !== 'panel')
      splice(box, `${end.cable}-${end.side}-${end.colour}`, [{ end }], [awgOf.get(end.cable) ?? 14]);
  }

  for (const { cable, colouring, circuit } of cables) {
    if (cable.from !== 'panel') continue;
    const bar = (colour: Colour, name: 'hot' | 'neutral' | 'ground') =>
      landings.push({
        wire: { end: { cable: cable.id, side: 'from', colour } },
        terminal: { circuit, name },
      });
    for (const { colour, net } of colouring) if (net) bar(colour, net.kind === 'neutral' ? 'neutral' : 'hot');
    bar('bare', 'ground');
  }

  // A white that is a hot is marked at both ends and wherever visible (200.7(C)(1)).
  const marks: Mark[] = cables.flatMap(({ cable, colouring }) =>
    colouring
      .filter(({ colour, net }) => colour === 'white' && net && net.kind !== 'neutral')
      .flatMap(({ colour }) =>
        (['from', 'to'] as const).map((side) => ({
          end: { cable: cable.id, side, colour },
          colour: job.preferences.reidentify,
        })),
      ),
  );

  return {
    wiring: {
      boxes: Object.fromEntries(
        job.boxes.map((box) => [box.id, articleOf(job.stock, 'box', box.article).id]),
      ),
      devices: [...devices],
      cables: cables.map(({ cable }) => cable),
      joints,
      landings,
      marks,
    },
    unjoined,
  };
};

/** The device of a slot; derived from the slot, so that it survives planning again. */
export const deviceIdOf = (slot: string): DeviceId => `device:${slot}` as DeviceId;
