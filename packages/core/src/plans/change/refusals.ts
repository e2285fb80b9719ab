import { hasReceptacle } from '../../model/articles.js';
import type { BoxId } from '../../model/ids.js';
import type { Choice, Job } from '../../model/job.js';
import { circuitName, findCircuit, findGroup, findSlot, switchesOfGroup } from '../../model/lookup.js';
import type { Cable } from '../../model/wiring.js';
import { listed } from '../../words/lists.js';
import { placeName } from '../../words/places.js';
import { standingCircuits } from '../../model/there.js';
import type { Refusal } from '../refusal.js';
import { asStood } from './asStood.js';
import type { Change } from './changes.js';
import type { NoWay } from './leastWays.js';

/** What is told of a circuit is no chain of switches between a hot and a luminaire, so no plan can go on from it. */
export const notUnderstood = (job: Job, circuit: Choice['circuit']): Refusal => ({
  title: `${circuitName(job, circuit)}, as it is told, is no circuit that a change can start from`,
  reason:
    'From the breaker a hot goes to the first switch, two travelers from each switch to the next, and one leg to the luminaire. Here it does not, or some wire of it nobody has looked at.',
  remedy:
    'Look into its boxes, tell on the bench what each wire is on, and mend what the check finds there: "Mend what the check finds" plans it.',
});

export const feedNotTold = (job: Job, box: BoxId): Refusal => ({
  title: `Nobody has told by which cable power comes to ${placeName(job, box)}`,
  reason: 'What is done in old boxes hangs on the wires that are there; none is made up for it.',
  remedy: 'Say on the layout which cable lies from the panel to it, and that this circuit is on it.',
});

export const doesNotStand = (job: Job, circuit: Choice['circuit']): Refusal => ({
  title: `The cables that are told do not carry ${circuitName(job, circuit)} as it stands`,
  reason:
    'A change starts from what lies there: each run of the circuit by a cable of its own, with a ground and thick enough for the breaker. No cable that is not there is thought up.',
  remedy:
    'Say on the layout which cables lie there, between which boxes, and which circuit they are of. Where part of the circuit is new, choose a plan for it first.',
});

export const needsUnmeasured = (job: Job, cables: readonly Cable[]): Refusal => {
  const runs = cables.map(({ from, to }) => `${placeName(job, from)} to ${placeName(job, to)}`);
  return {
    title: `The cables that lie there do not serve this; a new one would be needed from ${listed(runs)}`,
    reason: 'Nobody knows how long that is, so it can be neither cut nor priced.',
    remedy: 'Place the boxes on the layout, or measure the run, and ask again.',
  };
};

/** The circuit that a change puts a receptacle on; null where it puts none. */
const receptacleOn = (job: Job, change: Change): Choice['circuit'] | null => {
  if (change.kind === 'takeOff' && change.what === 'receptacle') return change.circuit;
  return change.kind === 'replaceDevice' && hasReceptacle(change.role)
    ? (findGroup(job, findSlot(job, change.slot)?.group)?.circuit ?? null)
    : null;
};

/** What is refused before anything is planned. */
export const refusedAtOnce = (job: Job, change: Change): Refusal | null => {
  if (change.kind === 'mend' && !asStood(job, change.circuit))
    return {
      title: `Of ${circuitName(job, change.circuit)} nothing is told as it is there`,
      reason: 'What is found wrong in old work is found in the wires as somebody has told them.',
      remedy: 'Tell on the bench, as it is, what is in each of its boxes.',
    };
  if (change.kind === 'asAsked' && !asStood(job, change.circuit)) return doesNotStand(job, change.circuit);
  if (change.kind === 'asAsked' && standingCircuits(job).has(change.circuit))
    return {
      title: `Nothing is asked of ${circuitName(job, change.circuit)} that is not there`,
      reason: 'Each of its switches and luminaires hangs there, and none is to come new or to leave.',
      remedy: 'Choose what is to be done, or add a place on the layout.',
    };
  const fed = receptacleOn(job, change);
  if (fed !== null && findCircuit(job, fed)?.breaker === 10)
    return {
      title: `${circuitName(job, fed)} is a 10 A circuit: no receptacle may be on it`,
      reason: 'A 10 A circuit serves lighting, and what is plugged into a receptacle draws more (210.23(A)).',
      remedy: 'Take the receptacle off a circuit of 15 or 20 A.',
    };
  if (change.kind !== 'removeSwitch') return null;
  const group = findSlot(job, change.slot)?.group;
  if (group === undefined || switchesOfGroup(job, group).length > 1) return null;
  return {
    title: 'It is the only switch of its group',
    reason: 'Without it the luminaires would burn always or never, and most rooms need a switch (210.70).',
    remedy: 'Move it instead, or take the group away on the layout.',
  };
};

/** Why a change of what is there has no way. */
export const noWay = (job: Job, circuit: Choice['circuit'], change: Change, why: NoWay): Refusal => {
  switch (why) {
    case 'leadsWhoKnows':
      return {
        title: `In a box of ${circuitName(job, circuit)} that has to be opened, a wire is joined with a cable of which nobody knows where it leads`,
        reason: 'It may be live, and something may hang on it; no plan is made that would part it.',
        remedy: 'Find out where it goes, tell it on the bench, and ask again.',
      };
    case 'beyond':
      return {
        title: `${circuitName(job, circuit)} runs through wire that this program plans nothing through`,
        reason:
          'Aluminium, copper-clad, knob-and-tube or wire that nobody recognised is joined and extended by rules and connectors of its own; a wrong splice burns.',
        remedy:
          'Stop here and have a licensed electrician judge it. With a new cable in its place it can be planned.',
      };
    case 'notMended':
      return {
        title: `Nothing that is joined otherwise mends what is found in ${circuitName(job, circuit)}`,
        reason:
          'What is left is no matter of which wire is on which screw, or it wants a cable of unknown length.',
        remedy: 'See what the check says of each finding: a box, a device or a fact of the layout mends it.',
      };
    case 'none':
      return refusalOf(change);
  }
};

const REFUSALS: Record<Change['kind'], Refusal> = {
  replaceDevice: {
    title: 'No wiring serves the new device',
    reason: 'The stock has none of that kind for this place, or it needs a neutral that no cable can bring.',
    remedy: 'Choose another device, or allow a new cable to the box.',
  },
  addSwitch: {
    title: 'The new switch cannot be reached',
    reason: 'No run of known length leads to it, or no cable, device or box of the stock serves one.',
    remedy: 'Say where the new box is or measure a run to it.',
  },
  addLight: {
    title: 'The new light cannot be reached',
    reason: 'No run of known length leads to it, or no cable or box of the stock serves one.',
    remedy: 'Say where the new box is or measure a run to it.',
  },
  bringNeutral: {
    title: 'No cable can bring a neutral to this switch',
    reason: 'The runs that lead to it are forbidden, too long or not known.',
    remedy: 'Allow a run from a box that has the neutral of this circuit.',
  },
  takeOff: {
    title: 'Nothing can be taken off this box',
    reason: 'It has no room for another cable, or hot and neutral of the circuit cannot be brought to it.',
    remedy: 'Take it off another box of the circuit, one with the feed in it.',
  },
  branch: {
    title: 'No switch and light can be taken off this box',
    reason:
      'Hot and neutral of the circuit cannot be brought to it, or no run of known length leads on to the switch and to the light.',
    remedy: 'Measure the runs from the box, to the switch and to the light, or take it off another box.',
  },
  moveSwitch: {
    title: 'The switch cannot be moved there',
    reason:
      'No run of known length leads to the new place, or no cable, device or box of the stock serves one.',
    remedy: 'Say where the new box is, or measure a run to it from a box of the circuit.',
  },
  removeSwitch: {
    title: 'The switches that stay cannot be wired without it',
    reason: 'The cables that lie there do not serve, and no other run is of known length.',
    remedy: 'Measure a run between the boxes that stay.',
  },
  replaceLuminaire: {
    title: 'The new luminaire cannot be wired there',
    reason: 'The cables that lie there do not serve it, and no other run is of known length.',
    remedy: 'Measure a run to it, or choose another luminaire.',
  },
  asAsked: {
    title: 'What is asked cannot be had on what lies there',
    reason: 'No run of known length leads to what is new, or no cable, device or box of the stock serves it.',
    remedy: 'Say where each new box is, or measure a run to it.',
  },
  mend: {
    title: 'No way to mend it was found',
    reason: 'The cables that lie there do not carry the circuit, and no other run is of known length.',
    remedy: 'Measure the runs between its boxes, and ask again.',
  },
};

export const refusalOf = ({ kind }: Change): Refusal => REFUSALS[kind];
