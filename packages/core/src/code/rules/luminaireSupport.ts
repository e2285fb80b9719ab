import { articlesAt } from '../../model/wiring.js';
import { articleOf } from '../../model/articles.js';
import { isSquareOpening, supportOf } from '../../materials/boxChoice.js';
import { isLuminaireKept } from '../../model/there.js';
import { defineRule, type Ask, type Breach, type Fix } from '../rule.js';

/** Up to this a luminaire may hang on a wall box made for a device, by two No. 6 screws, pounds (314.27(A)(1)). */
const TWO_SCREWS = 6;

interface Found {
  name: string;
  pounds: number;
  supports: number;
  /** It is a square box without a ring. */
  square: boolean;
}

/** 314.27(A): a box holds the luminaire that hangs on it. */
export const luminaireSupport = defineRule<Found>({
  id: 'luminaire-support',
  stage: 'roughIn',
  title: 'A box holds the luminaire that hangs on it',
  rests:
    'A ceiling box for a luminaire 50 lb, more if marked; on a wall up to 6 lb on a device box by two No. 6 screws.',
  section: () => '314.27(A)',
  severities: ['violation'],
  asks: ['luminaire.pounds'],
  check: ({ job, wiring }) =>
    job.boxes.flatMap((box): (Breach<Found> | Ask)[] => {
      const hanging = job.luminaires.filter(
        ({ box: at, unit, partOf }) =>
          at === box.id && partOf === null && (unit === 'luminaire' || unit === 'nightLight'),
      );
      const pounds = hanging.reduce((sum, one) => sum + (one.pounds ?? 0), 0);
      const chosen = articlesAt(wiring, box.id).map((id) => articleOf(job.stock, 'box', id));
      const [first] = hanging;
      const supports = supportOf(chosen);
      const square = isSquareOpening(chosen);
      if (chosen.length === 0 || !first) return [];
      const light = box.mount !== 'ceiling' && pounds <= TWO_SCREWS;
      if (!square && (light || pounds <= supports))
        // What nobody has weighed is asked for, and never passes.
        return hanging
          .filter((one) => one.pounds === null && !isLuminaireKept(job, one))
          .map(({ id }): Ask => ({ ask: 'luminaire.pounds', of: id }));
      const data = { name: first.name, pounds, supports, square };
      return [{ severity: 'violation', at: { box: box.id, luminaire: first.id }, data }];
    }),
  say: ({ name, pounds, supports, square }) =>
    square
      ? {
          what: `${name} hangs straight on a square box`,
          reason:
            'A square box has no holes that the screws of a luminaire fit; its opening stays uncovered at the corners.',
          remedy: 'Put a round ring on the box, or use a round or octagon box.',
        }
      : {
          where: name,
          what: `${pounds} lb on a box that holds ${supports} lb`,
          reason: 'A box pulled from its nails falls with the luminaire, wires and all.',
          remedy: 'Use a box marked for the weight, or hang the luminaire from the framing by itself.',
        },
  fixes: ({ at }): Fix[] => [
    {
      words: 'Let the program choose a box that holds it',
      job: (job) => ({
        ...job,
        boxes: job.boxes.map((box) => (box.id === at.box ? { ...box, article: null, sections: [] } : box)),
      }),
    },
  ],
});
