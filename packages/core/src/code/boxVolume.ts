import { cubicInches } from '../model/units.js';
import { suitingBoxes, smallestThatFits, type BoxOffer } from '../materials/boxChoice.js';
import type { BoxFill } from './boxFill.js';
import { contentsOf, fillOf } from './boxContents.js';
import { defineRule } from './rule.js';

/** 314.16: a box has at least the volume that its allowances add up to. */
export const boxVolume = defineRule<{ name: string; fill: BoxFill; instead: BoxOffer | null }>({
  id: 'box-volume',
  section: () => '314.16',
  check: ({ job, wiring }) =>
    job.boxes.flatMap((box) => {
      const fill = fillOf(job, wiring, box.id);
      // A box of other work is neither opened nor judged here.
      if (fill.passes || box.work === 'beyond') return [];
      const now = job.stock.find((article) => article.id === wiring.boxes[box.id]?.[0]);
      const alike =
        now?.kind === 'box'
          ? suitingBoxes(
              job,
              { ...box, work: now.work },
              { gangs: now.gangs, luminaires: job.luminaires.filter((one) => one.box === box.id) },
            ).filter((offer) => offer.gangs === now.gangs)
          : [];
      const instead = smallestThatFits(alike, contentsOf(job, wiring, box.id), job.edition);
      return [
        { severity: 'violation' as const, at: { box: box.id }, data: { name: box.name, fill, instead } },
      ];
    }),
  say: ({ name, fill, instead }) => ({
    title: `${name}: ${cubicInches(fill.needed)} needed, ${cubicInches(fill.available)} there`,
    reason: 'Conductors crowded into too small a box are damaged when the device is folded in, and run hot.',
    remedy: instead
      ? `Use the ${instead.articles.map((one) => one.name).join(' with ')} box.`
      : 'No box of this kind in the stock is big enough: bring power in elsewhere, or use a box with more gangs.',
  }),
});
