import { articleOf, conductorsOf } from '../model/articles.js';
import { isGroundColour } from '../model/colours.js';
import { PANEL } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { cableTold, otherPlace } from '../words/cables.js';
import { placeTag } from '../words/places.js';
import { colourWord, terminalWord, whereGoes } from '../words/wires.js';
import type { CableHere } from '../model/inBox.js';
import { PANEL_CAUTION } from '../words/cautions.js';
import type { BoxSteps } from './step.js';

/** Where the conductors of each cable of a box go at its other end. */
export const otherEndsOf = (job: Job, wiring: Wiring, here: readonly CableHere[]): BoxSteps['otherEnds'] =>
  here.map(({ cable, side }) => {
    const far = side === 'from' ? 'to' : 'from';
    const article = articleOf(job.stock, 'cable', cable.article);
    const told = cableTold(job, wiring, cable, side);
    return {
      cable: told === '' ? article.name : `${article.name} (${told})`,
      place: placeTag(job, otherPlace(cable, side)),
      caution: otherPlace(cable, side) === PANEL ? PANEL_CAUTION : null,
      ends: conductorsOf(article).map((colour) => {
        const { joint, terminal } = whereGoes(wiring, { cable: cable.id, side: far, colour });
        const lands = terminal ? `on the ${terminalWord(job, wiring, terminal)}` : null;
        const joined = joint
          ? joint.members.length > 1
            ? `in a splice of ${joint.members.length}`
            : 'capped'
          : null;
        return {
          colour: colourWord(colour),
          goes: lands ?? joined ?? (isGroundColour(colour) ? 'on the ground bar' : 'at the panel'),
        };
      }),
    };
  });
