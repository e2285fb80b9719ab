import { articleOf } from '../../model/articles.js';
import { defineRule, type Breach, type Fix } from '../rule.js';

/** Up to this a luminaire may hang on any box by two No. 6 screws, pounds (314.27(A)(1)). */
const TWO_SCREWS = 6;

interface Found {
  name: string;
  pounds: number;
  supports: number;
}

/** 314.27(A): a box holds the luminaire that hangs on it. */
export const luminaireSupport = defineRule<Found>({
  id: 'luminaire-support',
  title: 'A box holds the luminaire that hangs on it',
  rests: 'A ceiling box for a luminaire 50 lb, more if marked; up to 6 lb on any box by two No. 6 screws.',
  section: () => '314.27(A)',
  severities: ['violation'],
  check: ({ job, wiring }) =>
    job.boxes.flatMap((box): Breach<Found>[] => {
      const hanging = job.luminaires.filter(
        (one) => one.box === box.id && one.unit !== 'onward' && one.unit !== 'fan',
      );
      const pounds = hanging.reduce((sum, one) => sum + (one.pounds ?? 0), 0);
      const [base] = (wiring.boxes[box.id] ?? []).map((id) => articleOf(job.stock, 'box', id));
      const [first] = hanging;
      if (!base || !first || pounds <= TWO_SCREWS || pounds <= base.supports) return [];
      const data = { name: first.name, pounds, supports: base.supports };
      return [{ severity: 'violation', at: { box: box.id, luminaire: first.id }, data }];
    }),
  say: ({ name, pounds, supports }) => ({
    title: `${name}: ${pounds} lb on a box that holds ${supports} lb`,
    reason: 'A box pulled from its nails falls with the luminaire, wires and all.',
    remedy: 'Use a box marked for the weight, or hang the luminaire from the framing by itself.',
  }),
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
