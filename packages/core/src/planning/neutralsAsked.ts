import type { SlotId } from '../model/ids.js';
import type { Group, Job } from '../model/job.js';
import { switchesOfGroup } from '../model/lookup.js';
import { neutralRequirement } from '../nec/neutralRequirement.js';

/** Which switches of a group are to get a neutral: by what somebody has said of each, else by the habit of the job and the rule (404.2(C)). */
export interface NeutralsAsked {
  certain: SlotId[];
  /** One of these is enough; none where none is asked for, or where one of `certain` is it. */
  oneOf: SlotId[];
  /** Somebody has said that none is brought there. */
  never: SlotId[];
}

export const neutralsAsked = (job: Job, group: Group): NeutralsAsked => {
  const slots = switchesOfGroup(job, group.id);
  const saying = (what: 'brought' | 'none') =>
    slots.filter(({ neutral }) => neutral === what).map(({ id }) => id);
  const never = saying('none');
  const brought = saying('brought');
  const { need, slots: asked } = neutralRequirement(job, group);
  const byRule =
    job.preferences.neutral === 'everySwitch' ? slots.map(({ id }) => id) : need === 'each' ? asked : [];
  const certain = [...new Set([...brought, ...byRule.filter((slot) => !never.includes(slot))])];
  const enough = asked.filter((slot) => !never.includes(slot));
  const isOpen = need === 'one' && !enough.some((slot) => certain.includes(slot));
  return { certain, oneOf: isOpen ? enough : [], never };
};
