import { isGroundColour, isNeutralColour, type Colour } from '../model/colours.js';
import { PANEL, UNNAMED_BREAKER, placeOfNode, type DeviceId, type JointId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { articlesAt, type Device, type Landing, type Mark, type Wiring } from '../model/wiring.js';
import { bondOf } from '../circuit/grounding.js';
import { chooseConnectors } from '../materials/connectors.js';
import { nodesByBox, type Attachment, type CableToMakeUp } from './boxNodes.js';
import { makeUpNode, type Unjoined } from './makeUpNode.js';

/**
 * The panel end: hots on the breaker, neutral on its bar, ground on its bar. Spares of a new cable are capped in the panel.
 * What lies there already is never taken for dead: a cable that no net uses is on the breaker of its circuit, and a spare hot
 * of one in use on a breaker that nobody has named, as is all of a cable that nobody has told of.
 */
const landAtPanel = (cables: readonly CableToMakeUp[]): Landing[] =>
  cables.flatMap(({ cable, article, nodes, colouring, circuit }): Landing[] => {
    const side = nodes.from === PANEL ? 'from' : nodes.to === PANEL ? 'to' : null;
    if (side === null) return [];
    const own = circuit ?? UNNAMED_BREAKER;
    const unused = colouring.every(({ net }) => net === null);
    const land = (colour: Colour, name: 'hot' | 'neutral' | 'ground', breaker = own): Landing => ({
      wire: { end: { cable: cable.id, side, colour } },
      terminal: { circuit: breaker, name },
    });
    return [
      ...colouring.flatMap(({ colour, net }) => {
        if (net) return [land(colour, net.kind === 'neutral' ? 'neutral' : 'hot')];
        if (!cable.existing || isGroundColour(colour)) return [];
        if (isNeutralColour(colour)) return unused ? [land(colour, 'neutral')] : [];
        return [land(colour, 'hot', unused ? own : UNNAMED_BREAKER)];
      }),
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
        return box === PANEL || bondOf(job.stock, articlesAt({ boxes }, box)) !== 'metal'
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
      unseen: nodes.untouched,
      luminaires: [],
    },
    unjoined: made.flatMap((one) => one.unjoined),
  };
};

/** The device of a slot; derived from the slot, so that it survives planning again. */
export const deviceIdOf = (slot: string): DeviceId => `device:${slot}` as DeviceId;
