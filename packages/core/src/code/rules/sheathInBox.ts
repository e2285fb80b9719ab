import { articlesAt } from '../../model/wiring.js';
import { articleOf } from '../../model/articles.js';
import { newPlaces } from '../places.js';
import { defineSiteCheck } from '../rule.js';

/** 314.17: in a nonmetallic box the sheath reaches at least 1/4 in inside. */
export const sheathInBox = defineSiteCheck({
  id: 'sheath-in-box',
  stage: 'roughIn',
  title: 'Sheath at least 1/4 in inside a nonmetallic box',
  rests: '1/4 in past the wall of the box or its clamp.',
  section: () => '314.17',
  where: ({ job, wiring }) => {
    const plastic = new Set(
      job.boxes
        .filter((box) => {
          const chosen = articlesAt(wiring, box.id);
          return chosen.length > 0 && chosen.every((id) => !articleOf(job.stock, 'box', id).metal);
        })
        .map((box) => box.id),
    );
    return newPlaces(job, wiring).flatMap((box) => (plastic.has(box) ? [{ box }] : []));
  },
  why: 'Bare of its sheath at the edge of the box, a conductor is cut by it.',
  look: 'Look before the grounds are folded back.',
});
