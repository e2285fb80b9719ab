import type { BoxId } from '../../model/ids.js';
import type { Choice, Job } from '../../model/job.js';
import { circuitName } from '../../model/lookup.js';
import type { Cable } from '../../model/wiring.js';
import { listed } from '../../words/lists.js';
import { placeName } from '../../words/places.js';
import type { Refusal } from '../refusal.js';
import type { Change } from './changes.js';

/** What is told of a circuit is no chain of switches between a hot and a luminaire, so no plan can go on from it. */
export const notUnderstood = (job: Job, circuit: Choice['circuit']): Refusal => ({
  title: `${circuitName(job, circuit)}, as it is told, is no circuit that a change can start from`,
  reason:
    'From the breaker a hot goes to the first switch, two travelers from each switch to the next, and one leg to the luminaire. Here it does not, or some wire of it nobody has looked at.',
  remedy: 'Look into its boxes, tell on the bench what each wire is on, and mend what the check finds there.',
});

export const feedNotTold = (job: Job, box: BoxId): Refusal => ({
  title: `Nobody has told by which cable power comes to ${placeName(job, box)}`,
  reason: 'What is done in old boxes hangs on the wires that are there; none is made up for it.',
  remedy: 'Say on the layout which cable lies from the panel to it, and that this circuit is on it.',
});

export const doesNotStand = (job: Job, circuit: Choice['circuit']): Refusal => ({
  title: `The cables that are told do not carry ${circuitName(job, circuit)} as it stands`,
  reason:
    'A small job starts from what lies there: each run of the circuit by a cable of its own, with a ground and thick enough for the breaker. No cable that is not there is thought up.',
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

export const refusalOf = (change: Change): Refusal => {
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
