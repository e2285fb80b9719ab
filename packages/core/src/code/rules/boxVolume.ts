import { cubicInches } from '../../model/units.js';
import { suitingBoxes, smallestThatFits, type BoxOffer } from '../../materials/boxChoice.js';
import type { BoxFill } from '../boxFill.js';
import { contentsOf, fillOf } from '../boxContents.js';
import { defineRule } from '../rule.js';

/** 314.16: a box has at least the volume that its allowances add up to. */
export const boxVolume = defineRule<{ name: string; fill: BoxFill; instead: BoxOffer | null }>({
  id: 'box-volume',
  title: 'A box has the volume that its allowances add up to',
  rests:
    'Table 314.16(B): 2.00 in³ for each 14 AWG conductor, 2.25 for 12 AWG, 2.50 for 10 AWG; from 2020 each ground beyond four a quarter.',
  section: () => '314.16',
  severities: ['violation'],
  check: ({ job, wiring, edition }) =>
    job.boxes.flatMap((box) => {
      const fill = fillOf(job, wiring, box.id, edition);
      const bought = (wiring.boxes[box.id] ?? []).length > 0;
      // A box of other work is neither opened nor judged here; a luminaire's own has a rule of its own.
      if (fill.passes || box.work === 'beyond' || !bought) return [];
      const now = job.stock.find((article) => article.id === wiring.boxes[box.id]?.[0]);
      const alike =
        now?.kind === 'box'
          ? suitingBoxes(
              job,
              { ...box, work: now.work },
              { gangs: now.gangs, luminaires: job.luminaires.filter((one) => one.box === box.id) },
            ).filter((offer) => offer.gangs === now.gangs)
          : [];
      const instead = smallestThatFits(alike, contentsOf(job, wiring, box.id), edition);
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
  fixes: ({ at, data: { instead } }) =>
    instead
      ? [
          {
            words: `Use the ${instead.articles.map((one) => one.name).join(' with ')} box`,
            job: (job) => ({
              ...job,
              boxes: job.boxes.map((box) => {
                const [article, ...sections] = instead.articles.map((one) => one.id);
                return box.id === at.box && article ? { ...box, article, sections } : box;
              }),
            }),
          },
        ]
      : [],
});
