import { articleOf, articlesToHave } from '../../model/articles.js';
import { newReceptacles } from '../newReceptacles.js';
import { defineRule, type Breach, type Fix } from '../rule.js';

interface Found {
  box: string;
  slot: string;
  instead: string | null;
}

/** 406.12: a receptacle added or replaced in a dwelling is tamper-resistant. */
export const tamperResistant = defineRule<Found>({
  id: 'tamper-resistant',
  stage: 'final',
  title: 'A receptacle that is added or replaced is tamper-resistant',
  rests: 'Shuttered slots, by the listing of the device; dwellings, from 2008 on.',
  since: 2008,
  section: (edition) => (edition >= 2011 ? '406.12' : '406.11'),
  severities: ['violation'],
  check: (inspected) =>
    newReceptacles(inspected).flatMap(({ device, slot }): Breach<Found>[] => {
      const { job } = inspected;
      const article = articleOf(job.stock, 'device', device.article);
      if (article.tamperResistant) return [];
      const instead = articlesToHave(job.stock, 'device').find(
        (one) => one.tamperResistant && one.role === article.role && one.amperes === article.amperes,
      );
      return [
        {
          severity: 'violation',
          at: { box: device.box, device: device.id },
          data: { box: device.box, slot: slot.id, instead: instead?.id ?? null },
        },
      ];
    }),
  say: ({ box }, { place }) => ({
    where: place(box),
    what: 'the receptacle is not tamper-resistant',
    reason: 'Children put things into slots.',
    remedy: 'Use one with shuttered slots.',
  }),
  fixes: ({ data: { slot, instead } }): Fix[] =>
    instead === null
      ? []
      : [
          {
            words: 'Use a tamper-resistant one',
            job: (job) => ({
              ...job,
              slots: job.slots.map((one) =>
                one.id === slot ? { ...one, article: instead as (typeof one)['article'] } : one,
              ),
            }),
          },
        ],
});
