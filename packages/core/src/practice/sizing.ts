import { BUILT, withDocument } from '../edits/wiring/documents.js';
import { fillOf, gangsTaken } from '../materials/boxContents.js';
import { suitingBoxes } from '../materials/boxChoice.js';
import type { BoxId } from '../model/ids.js';
import { luminairesInBox } from '../model/lookup.js';
import { newWiringDoc } from '../model/newJob.js';
import type { BoxFill } from '../nec/boxFill.js';
import { wiringOrEmpty } from '../proving/works.js';
import { drawMakeUp, type MakeUp, type MakeUpAsked } from './makeUp.js';
import { picking } from './picking.js';

/** A box with what is in it, to be sized in the head: does it hold that? */
export interface Sizing extends MakeUp {
  box: BoxId;
  /** What it is called in the stock, with the volume stamped in it. */
  article: string;
  /** How it comes out; for afterwards. */
  fill: BoxFill;
}

/** Boxes are offered from this part of what is needed to that, so that neither answer is plain to see. */
const NEAR = [0.65, 1.45] as const;

/** A box of a circuit made up as planned, of a size near to what it needs, drawn from the seed. */
export const drawSizing = (asked: MakeUpAsked): Sizing => {
  const exercise = drawMakeUp(asked);
  const { job } = exercise;
  const planned = wiringOrEmpty(job);
  const pick = picking(asked.seed + 2);
  const box = pick.of(job.boxes);
  const { needed } = fillOf(job, planned, box.id);
  const duty = { gangs: gangsTaken(job, planned, box.id).fitted, luminaires: luminairesInBox(job, box.id) };
  const offers = suitingBoxes(job, box, duty);
  const near = offers.filter(({ volume }) => volume >= needed * NEAR[0] && volume <= needed * NEAR[1]);
  const offer = pick.of(near.length > 0 ? near : offers);
  const wiring = {
    ...planned,
    boxes: { ...planned.boxes, [box.id]: offer.articles.map(({ id }) => id) },
  };
  const sized = withDocument(job, newWiringDoc(BUILT, 'built', wiring));
  return {
    ...exercise,
    ...{ job: sized, box: box.id, fill: fillOf(sized, wiring, box.id) },
    article: offer.articles.map(({ name }) => name).join(' with '),
  };
};

/** Volumes that agree to a twentieth of a cubic inch are the same; ten-thousandths of one. */
const SAME = 500;

/** Is the volume right that somebody has counted, and what they say of the box? Ten-thousandths of a cubic inch. */
export const judgeSizing = (
  { fill }: Pick<Sizing, 'fill'>,
  answer: { needed: number; fits: boolean },
): { volume: boolean; verdict: boolean } => ({
  volume: Math.abs(answer.needed - fill.needed) <= SAME,
  verdict: answer.fits === (fill.verdict === 'fits'),
});
