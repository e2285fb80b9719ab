import { UNKNOWN_PLACE } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { colourWord } from '../../words/wires.js';
import { placeName } from '../../words/places.js';
import type { WiringRefusal } from './edit.js';

const NOT_THERE: Record<Extract<WiringRefusal, { why: 'notThere' }>['what'], string> = {
  cable: 'This cable is not in the wiring any more. Choose one that is.',
  conductor: 'This cable has no conductor of that colour. Say first which cable it is.',
  device: 'This device is not in the box any more. Say first which device is there.',
  screw: 'The device has no such screw. Say first which device is there.',
  splice: 'This splice is not in the box any more. Choose one that is, or the wire that it goes with.',
  tail: 'This piece of wire is not there any more.',
  luminaire: 'The job has no such luminaire. Put it on the layout first.',
  article: 'The stock has no such article. Choose one of the list.',
};

/** Why an edit of a wiring cannot be made, and how to mend it, in a sentence or two. */
export const sayWiringRefusal = (job: Job, refusal: WiringRefusal): string => {
  const name = (place: string) =>
    place === UNKNOWN_PLACE ? 'a place nobody knows' : placeName(job, place as never);
  switch (refusal.why) {
    case 'notThere':
      return NOT_THERE[refusal.what];
    case 'taken':
      return refusal.what === 'cable'
        ? 'There is a cable of that name already. Give this one another.'
        : 'There is a device of that name in another box. Take it out there first.';
    case 'otherBox':
      return `The wire is in ${name(refusal.wire)}, and this is in ${name(refusal.to)}. Choose something of the same box.`;
    case 'nobodyKnowsWhere':
      return 'Nobody knows where this end lies. Say first to which box the cable goes.';
    case 'leadOnScrew':
      return 'A lead of a device or a luminaire is spliced; it goes under no screw. Choose the wire it is joined with.';
    case 'tailStays':
      return 'This is a piece of wire from a splice: it goes to a screw, or hangs loose. Move the wires of its splice instead.';
    case 'withItself':
      return 'A wire is not joined with itself. Choose another, or say that it is capped alone.';
    case 'onlyGrounds':
      return `The ${colourWord(refusal.colour)} wire is either spliced or on a screw. Only a ground may be both.`;
    case 'takesNoMark':
      return 'Bare, green and the metal of a raceway are never marked as anything else (250.119).';
    case 'inPanel':
      return 'In the panel a wire is on a breaker or on a bar. Say which of them.';
    case 'nowhere':
      return 'One end of a cable has to be in a box that is known. Begin with that box.';
  }
};
