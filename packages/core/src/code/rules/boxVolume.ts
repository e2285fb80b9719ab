import { cubicInches } from '../../model/units.js';
import type { BoxArticle } from '../../model/articles.js';
import type { BoxId } from '../../model/ids.js';
import type { Box, Job } from '../../model/job.js';
import { chosenOffer, suitingBoxes, boxFor, type BoxOffer } from '../../materials/boxChoice.js';
import type { BoxFill } from '../../nec/boxFill.js';
import { contentsOf, fillOf } from '../../materials/boxContents.js';
import { articlesAt, boxesReached, type Wiring } from '../../model/wiring.js';
import { defineRule, type Ask, type Breach } from '../rule.js';

interface Found {
  name: string;
  /** It is there already: what is found in the wall is not changed by choosing another article. */
  isThere: boolean;
  fill: BoxFill;
  instead: BoxOffer | null;
}

const namesOf = (offer: BoxOffer): string => offer.articles.map((one) => one.name).join(' with ');

const gangsOf = (job: Job, wiring: Wiring, box: BoxId): number =>
  chosenOffer(job, articlesAt(wiring, box)).gangs;

/** Boxes that may stand in the place of one: of its own metal or plastic, with as many gangs, or with one more. */
const largerThan = (job: Job, box: Box, now: BoxArticle, gangs: number): BoxOffer[][] => {
  const suiting = suitingBoxes(
    job,
    {
      ...box,
      work: box.work === 'existing' ? 'old' : now.work,
      // What is there is not replaced in the wall by the same kind of box, so anything that holds it is named.
      material: box.work === 'existing' ? box.material : now.metal ? 'metal' : 'nonmetallic',
    },
    { gangs, luminaires: job.luminaires.filter((one) => one.box === box.id) },
  );
  const of = (count: number) => suiting.filter((offer) => offer.gangs === count);
  return gangs === 0 ? [of(0)] : [of(gangs), of(gangs + 1)];
};

/** 314.16: a box has at least the volume that its allowances add up to. */
export const boxVolume = defineRule<Found>({
  id: 'box-volume',
  stage: 'roughIn',
  title: 'A box has the volume that its allowances add up to',
  rests:
    'Table 314.16(B): 2.00 in³ for each 14 AWG conductor, 2.25 for 12 AWG, 2.50 for 10 AWG; from 2020 each ground beyond four a quarter.',
  section: () => '314.16',
  severities: ['violation'],
  asks: ['box.article', 'box.contents'],
  check: ({ job, wiring, edition }) => {
    const reached = boxesReached(wiring);
    return job.boxes.flatMap((box): (Breach<Found> | Ask)[] => {
      const fill = fillOf(job, wiring, box.id, edition);
      const bought = articlesAt(wiring, box.id).length > 0;
      // A box of other work is neither opened nor judged here; a luminaire's own has a rule of its own.
      if (box.work === 'beyond') return [];
      // Nobody passes a box of which something is not told; what is known to be too much is a violation all the same.
      const asks = [
        ...(fill.unknown.includes('box') && box.work === 'existing'
          ? [{ ask: 'box.article' as const, of: box.id }]
          : []),
        ...(fill.unknown.includes('contents') ? [{ ask: 'box.contents' as const, of: box.id }] : []),
      ].filter(() => reached.has(box.id));
      if (fill.verdict !== 'over' || !bought) return asks;
      const now = job.stock.find((article) => article.id === articlesAt(wiring, box.id)[0]);
      const contents = contentsOf(job, wiring, box.id);
      const wanted = now?.kind === 'box' ? largerThan(job, box, now, gangsOf(job, wiring, box.id)) : [];
      // One of as many gangs first, then one gang more behind a blank.
      const instead =
        wanted.map((offers) => boxFor(offers, contents, edition)).find((one) => one !== null) ?? null;
      const data = { name: box.name, isThere: box.work === 'existing', fill, instead };
      return [...asks, { severity: 'violation', at: { box: box.id }, data }];
    });
  },
  say: ({ name, isThere, fill, instead }) => ({
    where: name,
    what: `${fill.unknown.length > 0 ? 'at least ' : ''}${cubicInches(fill.needed)} needed, ${cubicInches(fill.available ?? 0)} there`,
    reason: 'Conductors crowded into too small a box are damaged when the device is folded in, and run hot.',
    remedy: instead
      ? isThere
        ? `Bring fewer cables into it, or have it replaced: the ${namesOf(instead)} would hold what is counted here.`
        : `Use the ${namesOf(instead)} box.`
      : `No box of this kind in the stock holds ${cubicInches(fill.needed)}: bring power in elsewhere, or divide what is in it between two boxes.`,
  }),
  fixes: ({ at, data: { instead, isThere } }) =>
    instead && !isThere
      ? [
          {
            words: `Use the ${namesOf(instead)} box`,
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
