import { articlesAt } from '../../model/wiring.js';
import { articleOf } from '../../model/articles.js';
import { defineSiteCheck } from '../rule.js';

/** 404.9(B), 314.40: a nonmetallic box with a metal yoke support can ground a switch without a green screw. */
export const groundingStrap = defineSiteCheck({
  id: 'grounding-strap',
  stage: 'roughIn',
  title: 'A strap that grounds a switch without a green screw is made for it',
  rests: 'The marking of the box, and a ground that reaches its strap.',
  section: () => '404.9(B), 314.40',
  where: ({ job, wiring }) =>
    wiring.devices
      .filter(({ box, article }) => {
        const strap = articlesAt(wiring, box).some((id) => articleOf(job.stock, 'box', id).groundingStrap);
        const screw = articleOf(job.stock, 'device', article).terminals.some((one) => one.use === 'ground');
        return strap && !screw;
      })
      .map(({ box }) => ({ box })),
  why: 'The strap is all that grounds it.',
  look: 'Look for the marking in the box.',
});
