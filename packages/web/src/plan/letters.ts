import { ofId } from '@amber/core';
import type { Choice, Job } from '@amber/core';

/** Drafting letters of the devices in a box, gang by gang: S alone, S3 for a pair, S3 and S4 where there are more. */
export const lettersAt = (job: Job, box: string, planned?: Choice): string[] =>
  job.slots
    .filter((slot) => slot.box === box && !slot.leaves)
    .sort((a, b) => a.gang - b.gang)
    .map((slot) => {
      if (slot.role === 'receptacle') return 'R';
      const together = job.slots.filter(
        (one) => one.group === slot.group && one.role !== 'receptacle' && !one.leaves,
      );
      if (together.length < 2) return 'S';
      if (together.length === 2) return 'S3';
      // Which of three or more stand at the ends is for the plan that is chosen to say.
      const choices = planned ? [planned] : job.choices;
      const chain = choices.map((choice) => ofId(choice.chains, slot.group)).find((one) => one !== undefined);
      const at = chain?.indexOf(slot.id) ?? together.indexOf(slot);
      return at === 0 || at === together.length - 1 ? 'S3' : 'S4';
    });
