import type { ArticleId, BoxId } from '../model/ids.js';
import type { Box, Job } from '../model/job.js';
import { hasDriverBox } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import { contentsOf, gangsTaken } from '../materials/boxContents.js';
import { boxFill } from '../nec/boxFill.js';
import { boxFor, suitingBoxes } from '../materials/boxChoice.js';

/** A box for which the stock has nothing big enough; `largest` is 0 where nothing suits at all. */
export interface Unfitted {
  box: BoxId;
  needed: number;
  largest: number;
  gangs: number;
}

/**
 * The articles of every box of a wiring: as the job has them; none for a box beyond the plan, for one that is there
 * already and that nobody has named, or where a luminaire brings its own; otherwise the cheapest of the stock that suits and is
 * big enough and leaves the room free that its circuits ask for, else the largest that suits. All that stands in a box counts for its gangs,
 * planned or not.
 */
export const fitBoxes = (
  job: Job,
  wiring: Wiring,
  room: (box: BoxId) => number,
): { boxes: Wiring['boxes']; unfitted: Unfitted[] } => {
  const unfitted: Unfitted[] = [];
  const articlesOf = (box: Box): ArticleId[] => {
    if (box.article !== null) return [box.article, ...box.sections];
    if (box.work === 'beyond' || box.work === 'existing' || hasDriverBox(job, box.id)) return [];
    const { fitted, unplanned } = gangsTaken(job, wiring, box.id);
    const gangs = fitted + unplanned;
    const luminaires = job.luminaires.filter((one) => one.box === box.id && one.unit !== 'onward');
    const offers = suitingBoxes(job, box, { gangs, luminaires });
    const contents = contentsOf(job, wiring, box.id);
    const fitting = boxFor(offers, contents, job.edition, room(box.id));
    if (fitting) return fitting.articles.map((one) => one.id);
    const largest = [...offers].sort((a, b) => b.volume - a.volume)[0];
    unfitted.push({
      box: box.id,
      needed: boxFill(0, { ...contents, internalClamps: largest?.internalClamps ?? false }, job.edition)
        .needed,
      largest: largest?.volume ?? 0,
      gangs,
    });
    return largest ? largest.articles.map((one) => one.id) : [];
  };
  return { boxes: Object.fromEntries(job.boxes.map((box) => [box.id, articlesOf(box)])), unfitted };
};
