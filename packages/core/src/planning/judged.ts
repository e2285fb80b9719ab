import { placeOfNode, PANEL, type BoxId, type TreePlace } from '../model/ids.js';
import type { Circuit, Job } from '../model/job.js';
import type { Judgement } from '../model/judgement.js';
import { findBox, findGroup, luminairesInBox, slotsInBox } from '../model/lookup.js';
import { isNeutralColour, type Colour } from '../model/colours.js';
import type { Net } from './nets.js';

/** What of a box decides what a master thinks of what comes to it. */
export interface BoxKind {
  /** A luminaire hangs there and no device stands in it. */
  luminaire: boolean;
  /** No device stands in it: a luminaire or junction box. */
  passing: boolean;
  /** Switches of the circuit stand in it. */
  switches: boolean;
  /** One device, or a luminaire. */
  small: boolean;
  /** Another circuit is in it by what stands there, or by the way it is chosen to go. */
  shared: boolean;
}

/** New cables in a one-gang or luminaire box of which nobody thinks anything. */
export const CABLES_IN_SMALL = 3;

const circuitOf = (job: Job, group: string) => findGroup(job, group)?.circuit;

export const kindOfBox = (job: Job, circuit: Circuit, box: BoxId): BoxKind => {
  const slots = slotsInBox(job, box);
  const hanging = luminairesInBox(job, box).filter(({ unit }) => unit !== 'onward');
  const isOther = (group: string) => circuitOf(job, group) !== circuit.id;
  const passing = slots.length === 0;
  return {
    luminaire: passing && hanging.length > 0,
    passing,
    switches: slots.some(({ role, group }) => role !== 'receptacle' && !isOther(group)),
    small: slots.length === 1 || (passing && hanging.length > 0),
    shared:
      slots.some(({ group }) => isOther(group)) ||
      hanging.some(({ group }) => isOther(group)) ||
      job.choices.some(
        ({ circuit: other, runs }) =>
          other !== circuit.id &&
          runs.some(({ from, to }) => placeOfNode(from) === box || placeOfNode(to) === box),
      ),
  };
};

/** What a switch box without a neutral is worth paying for; less where another cable can be brought later. */
export const withoutNeutralAt = (job: Job, box: BoxId): keyof Judgement =>
  findBox(job, box)?.accessible === 'yes' ? 'withoutNeutralInReach' : 'withoutNeutral';

/** A home run into this box, as a master sees it; null where he sees nothing in it. */
export const homeRunAt = (job: Job, kind: BoxKind, box: BoxId): keyof Judgement | null => {
  if (!kind.luminaire) return null;
  const { location } = findBox(job, box) ?? { location: 'unknown' as const };
  return location === 'damp' || location === 'wet' ? 'homeRunAtLuminaireOutside' : 'homeRunAtLuminaire';
};

/** Steps of the chain that a traveler runs between: of the switches `at` and `at + 1` of its group. */
const stepOf = (net: Net): string | null => (net.kind === 'traveler' ? net.id.replace(/[ab]$/, '') : null);

/** What a run is for what it carries, whichever cable does: how often each. */
export const ofCrossing = (nets: readonly Net[]): Partial<Record<keyof Judgement, number>> => {
  const pairs = new Map<string, Set<number>>();
  for (const net of nets) {
    const step = stepOf(net);
    if (step === null) continue;
    const number = Number(/(\d+)$/.exec(step)?.[1] ?? NaN);
    const of = net.group ?? '';
    pairs.set(of, (pairs.get(of) ?? new Set()).add(number));
  }
  const both = [...pairs.values()].reduce(
    (sum, steps) => sum + [...steps].filter((step) => steps.has(step + 1)).length,
    0,
  );
  return { fourConductors: nets.length >= 4 ? 1 : 0, bothPairsInOneCable: both };
};

/** What it is for the colours that a new cable gives: whites that are hot. */
export const ofColours = (
  colouring: readonly { colour: Colour; net: Net | null }[],
): Partial<Record<keyof Judgement, number>> => {
  const hot = colouring.filter(
    ({ colour, net }) => net !== null && net.kind !== 'neutral' && isNeutralColour(colour),
  );
  const travelers = hot.filter(({ net }) => net?.kind === 'traveler').length;
  return { travelerOnWhite: travelers, hotOnWhite: hot.length - travelers };
};

/** Money of what is counted. */
export const priceOfJudged = (
  judgement: Judgement,
  counted: Partial<Record<keyof Judgement, number>>,
): number =>
  (Object.entries(counted) as [keyof Judgement, number][]).reduce(
    (sum, [what, count]) => sum + judgement[what] * count,
    0,
  );

/** Is it a run from the panel? */
export const isHomeRun = ({ from, to }: { from: TreePlace; to: TreePlace }): boolean =>
  from === PANEL || to === PANEL;
