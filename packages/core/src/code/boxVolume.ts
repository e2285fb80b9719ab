import { articlesOf, type BoxArticle } from '../model/articles.js';
import { cubicInches } from '../model/units.js';
import { boxFill, type BoxFill } from './boxFill.js';
import { contentsOf, fillOf } from './boxContents.js';
import { defineRule } from './rule.js';

/** 314.16: a box has at least the volume that its allowances add up to. */
export const boxVolume = defineRule<{ name: string; fill: BoxFill; instead: BoxArticle | null }>({
  id: 'box-volume',
  section: () => '314.16',
  check: ({ job, wiring }) =>
    job.boxes.flatMap((box) => {
      const fill = fillOf(job, wiring, box.id);
      if (fill.passes) return [];
      const now = job.stock.find((article) => article.id === (wiring.boxes[box.id] ?? box.article));
      const instead =
        articlesOf(job.stock, 'box')
          .filter(
            (one) =>
              now?.kind === 'box' &&
              one.gangs === now.gangs &&
              one.metal === now.metal &&
              one.work === now.work,
          )
          .sort((a, b) => a.volume - b.volume)
          .find((one) => {
            const contents = { ...contentsOf(job, wiring, box.id), internalClamps: one.internalClamps };
            return boxFill(one.volume, contents, job.edition).passes;
          }) ?? null;
      return [
        { severity: 'violation' as const, at: { box: box.id }, data: { name: box.name, fill, instead } },
      ];
    }),
  say: ({ name, fill, instead }) => ({
    title: `${name}: ${cubicInches(fill.needed)} needed, ${cubicInches(fill.available)} there`,
    reason: 'Conductors crowded into too small a box are damaged when the device is folded in, and run hot.',
    remedy: instead
      ? `Use the ${instead.name} box.`
      : 'No box of this kind in the stock is big enough: bring power in elsewhere, or use a box with more gangs.',
  }),
});
