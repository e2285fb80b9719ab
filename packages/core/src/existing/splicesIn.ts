import { hueOf, type Hue } from '../model/colours.js';
import type { BoxId } from '../model/ids.js';
import { isJumper } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { terminalKey, type Joint, type Terminal, type Wiring } from '../model/wiring.js';
import { endWord, leadWord, screwOf } from '../words/wires.js';
import { listed } from '../words/lists.js';
import { screwsIn } from './whereabouts.js';

/** A splice of a box, as it is told from every other there, and the free screws that a tail from it may go to. */
export interface SpliceHere {
  joint: Joint;
  words: string;
  /** The colour of a tail from it: that of its first wire; bare where none has a colour of its own. */
  colour: Hue | 'bare';
  screws: { terminal: Terminal; words: string }[];
}

/** The splices of a box, wires that are capped alone among them. */
export const splicesIn = (job: Job, wiring: Wiring, box: BoxId): SpliceHere[] => {
  const taken = new Set(wiring.landings.map(({ terminal }) => terminalKey(terminal)));
  const screws = screwsIn(job, wiring, box)
    .filter((terminal) => !taken.has(terminalKey(terminal)))
    .map((terminal) => ({ terminal, words: screwOf(job, wiring, terminal) }));
  return wiring.joints
    .filter((joint) => joint.box === box && !isJumper(joint))
    .map((joint) => {
      const [end] = joint.members.flatMap((member) => ('end' in member ? [member.end] : []));
      const hue = end ? hueOf(end.colour) : 'bare';
      const tails = joint.members.filter((member) => 'pigtail' in member).length;
      return {
        joint,
        colour: hue === 'raceway' ? 'bare' : hue,
        screws,
        words: listed([
          ...joint.members.flatMap((member) =>
            'end' in member
              ? [endWord(job, wiring, member.end)]
              : 'lead' in member
                ? [leadWord(job, wiring, member.lead)]
                : [],
          ),
          ...(tails > 0 ? [tails === 1 ? 'a tail' : `${tails} tails`] : []),
        ]),
      };
    });
};
