import type { Colour } from '../model/colours.js';
import { isNeutralColour } from '../model/colours.js';
import { PANEL, placeOfNode, type BoxId, type DeviceId, type JointId, type PigtailId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Awg } from '../model/units.js';
import type { Device, Joint, Landing, Mark, Member, Terminal, Wiring } from '../model/wiring.js';
import { chooseConnectors } from '../materials/connectors.js';
import { nodesByBox, type Attachment, type BoxNode, type CableToMakeUp } from './boxNodes.js';
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

const pigtailColour = (net: Net | 'ground'): 'bare' | 'white' | 'red' | 'black' => {
  if (net === 'ground') return 'bare';
  if (net.kind === 'neutral') return 'white';
  return net.kind === 'switchLeg' || net.lane === 'b' ? 'red' : 'black';
};

const thickest = (sizes: readonly Awg[]): Awg =>
  sizes.reduce((thick, awg) => (awg < thick ? awg : thick), sizes[0] ?? 14);

/** A splice that no connector of the stock takes. */
export interface Unjoined {
  box: BoxId;
  conductors: number;
}

/** What becomes of one net in one box. */
interface MadeUp {
  joints: Joint[];
  landings: Landing[];
  unjoined: Unjoined[];
}

/** Plastic luminaires have nothing to ground; some leave a pigtail for a later one that has. */
const leavesPigtail = (job: Job, box: BoxId, { net }: BoxNode): boolean =>
  net === 'ground' &&
  job.preferences.plasticLuminaire === 'pigtailLeft' &&
  job.luminaires.some((one) => one.box === box && !one.metal && one.partOf === null);

const makeUpNode = (job: Job, box: BoxId, node: BoxNode): MadeUp => {
  const { key, net, ends, terminals, leads } = node;
  const [first, second] = ends;
  const [only] = terminals;
  const none = { joints: [], landings: [], unjoined: [] };
  if (ends.length === 1 && first && terminals.length === 1 && only && leads.length === 0)
    return { ...none, landings: [{ wire: { end: first.end }, terminal: only.to }] };
  const through = job.preferences.receptacles === 'through' && leads.length === 0 && ends.length === 2;
  if (through && first && second && terminals.length === 1 && only?.twin)
    return {
      ...none,
      landings: [
        { wire: { end: first.end }, terminal: only.to },
        { wire: { end: second.end }, terminal: only.twin },
      ],
    };
  const awg = thickest(ends.map((one) => one.awg));
  const idOf = (to: Terminal) => `${box}/${key}>${terminalText(to)}` as PigtailId;
  const pigtail = (id: PigtailId) => ({ pigtail: { id, colour: pigtailColour(net), awg } });
  if (ends.length === 0 && leads.length === 0) {
    // No conductor of this net comes here. One screw alone stays empty; two are joined by a single jumper.
    const [a, b] = terminals;
    if (!a || !b) return none;
    if (terminals.length === 2) {
      const jumper = pigtail(idOf(a.to));
      return {
        ...none,
        joints: [{ id: `${box}/${key}` as JointId, box, members: [jumper], connectors: [] }],
        landings: [a, b].map(({ to }) => ({ wire: { pigtail: jumper.pigtail.id }, terminal: to })),
      };
    }
  }
  const left = leavesPigtail(job, box, node) ? [pigtail(`${box}/${key}>left` as PigtailId)] : [];
  const members: Member[] = [
    ...ends.map(({ end }) => ({ end })),
    ...terminals.map(({ to }) => pigtail(idOf(to))),
    ...left,
    ...leads.map(({ luminaire, name }) => ({ lead: { luminaire, name } })),
  ];
  const sizes = [
    ...ends.map((one) => one.awg),
    ...terminals.map(() => awg),
    ...left.map(() => awg),
    ...leads.map((lead) => lead.awg),
  ];
  const connectors = chooseConnectors(job.stock, job.preferences, sizes, net === 'ground');
  return {
    joints: [{ id: `${box}/${key}` as JointId, box, members, connectors: connectors ?? [] }],
    landings: terminals.map(({ to }) => ({ wire: { pigtail: idOf(to) }, terminal: to })),
    unjoined: connectors ? [] : [{ box, conductors: members.length }],
  };
};

/** The panel end: hots on the breaker, neutral on its bar, ground on its bar. Spares are capped in the panel. */
const landAtPanel = (cables: readonly CableToMakeUp[]): Landing[] =>
  cables.flatMap(({ cable, article, nodes, colouring, circuit }): Landing[] => {
    const side = nodes.from === PANEL ? 'from' : nodes.to === PANEL ? 'to' : null;
    if (side === null || circuit === null) return [];
    const land = (colour: Colour, name: 'hot' | 'neutral' | 'ground'): Landing => ({
      wire: { end: { cable: cable.id, side, colour } },
      terminal: { circuit, name },
    });
    return [
      ...colouring.flatMap(({ colour, net }) =>
        net ? [land(colour, net.kind === 'neutral' ? 'neutral' : 'hot')] : [],
      ),
      ...(article.ground === 'none' ? [] : [land(article.ground, 'ground')]),
    ];
  });

/** A white that is a hot is marked at both ends and wherever visible (200.7(C)(1)). */
const markWhites = (job: Job, cables: readonly CableToMakeUp[]): Mark[] =>
  cables.flatMap(({ cable, colouring }) =>
    colouring
      .filter(({ colour, net }) => isNeutralColour(colour) && net && net.kind !== 'neutral')
      .flatMap(({ colour }) =>
        (['from', 'to'] as const).map((side) => ({
          end: { cable: cable.id, side, colour },
          colour: job.preferences.reidentify === 'red' ? ('red' as const) : ('black' as const),
        })),
      ),
  );

/** A metal raceway bonds the metal boxes at its ends by its fittings. */
const bondRaceways = (cables: readonly CableToMakeUp[], isMetal: (box: BoxId) => boolean): Landing[] =>
  cables
    .filter(({ article }) => article.ground === 'raceway')
    .flatMap(({ cable, nodes }) =>
      (['from', 'to'] as const).flatMap((side) => {
        const box = placeOfNode(nodes[side]);
        return box === PANEL || !isMetal(box)
          ? []
          : [
              {
                wire: { end: { cable: cable.id, side, colour: 'raceway' as const } },
                terminal: { box, name: 'ground' as const },
              },
            ];
      }),
    );

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
  boxes: Wiring['boxes'],
  isMetal: (box: BoxId) => boolean,
): { wiring: Wiring; unjoined: Unjoined[] } => {
  const nodes = nodesByBox(job, cables, attachments);
  const made = [...nodes.boxes].flatMap(([box, here]) =>
    [...here.values()].map((node) => makeUpNode(job, box, node)),
  );
  for (const { box, end, awg } of nodes.spares) {
    const connectors = chooseConnectors(job.stock, job.preferences, [awg], false);
    made.push({
      joints: [
        {
          id: `${box}/${end.cable}-${end.side}-${end.colour}` as JointId,
          box,
          members: [{ end }],
          connectors: connectors ?? [],
        },
      ],
      landings: [],
      unjoined: connectors ? [] : [{ box, conductors: 1 }],
    });
  }
  return {
    wiring: {
      boxes,
      devices: [...devices],
      cables: cables.map(({ cable }) => cable),
      joints: made.flatMap((one) => one.joints),
      landings: [
        ...made.flatMap((one) => one.landings),
        ...landAtPanel(cables),
        ...bondRaceways(cables, isMetal),
      ],
      marks: markWhites(job, cables),
    },
    unjoined: made.flatMap((one) => one.unjoined),
  };
};

/** The device of a slot; derived from the slot, so that it survives planning again. */
export const deviceIdOf = (slot: string): DeviceId => `device:${slot}` as DeviceId;
