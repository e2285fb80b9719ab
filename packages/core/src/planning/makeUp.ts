import { isNeutralColour, type Colour } from '../model/colours.js';
import { PANEL, placeOfNode, type DeviceId, type JointId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Device, Landing, Mark, Wiring } from '../model/wiring.js';
import { bondOf } from '../circuit/grounding.js';
import { chooseConnectors } from '../materials/connectors.js';
import { nodesByBox, type Attachment, type CableToMakeUp } from './boxNodes.js';
import { makeUpNode, type Unjoined } from './makeUpNode.js';

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
const bondRaceways = (job: Job, cables: readonly CableToMakeUp[], boxes: Wiring['boxes']): Landing[] =>
  cables
    .filter(({ article }) => article.ground === 'raceway')
    .flatMap(({ cable, nodes }) =>
      (['from', 'to'] as const).flatMap((side) => {
        const box = placeOfNode(nodes[side]);
        return box === PANEL || bondOf(job.stock, boxes[box] ?? []) !== 'metal'
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
 * Makes up every box, net by net. Grounds of all circuits in a box are one splice; neutrals of two circuits never meet,
 * as each has its own net.
 */
export const makeUp = (
  job: Job,
  cables: readonly CableToMakeUp[],
  devices: readonly Device[],
  attachments: readonly Attachment[],
  boxes: Wiring['boxes'],
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
        ...bondRaceways(job, cables, boxes),
      ],
      marks: markWhites(job, cables),
    },
    unjoined: made.flatMap((one) => one.unjoined),
  };
};

/** The device of a slot; derived from the slot, so that it survives planning again. */
export const deviceIdOf = (slot: string): DeviceId => `device:${slot}` as DeviceId;
