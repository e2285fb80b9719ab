import { PANEL } from '../../model/ids.js';
import { defineRule, type Breach } from '../rule.js';

/** 210.4(B), 210.4(D), 300.13(B): what is taken off a multiwire circuit. */
export const multiwire = defineRule<{ box: string }>({
  id: 'multiwire-circuit',
  stage: 'makeUp',
  title: 'Both hots of a multiwire circuit open together, and its neutral hangs on no device',
  rests:
    'Two hots over one neutral: from 2008 on their breakers are tied, and they are grouped with their neutral.',
  section: (edition) => (edition >= 2008 ? '210.4(B), 210.4(D), 300.13(B)' : '300.13(B)'),
  severities: ['verify'],
  check: ({ job }) =>
    job.feeds.flatMap((feed): Breach<{ box: string }>[] => {
      const used = job.choices.some((choice) => choice.feed === feed.id);
      if (!used || feed.at === PANEL || feed.source !== 'multiwire') return [];
      return [{ severity: 'verify', at: { box: feed.at, circuit: feed.circuit }, data: { box: feed.at } }];
    }),
  say: ({ box }, { place }) => ({
    where: place(box),
    what: 'power is taken off a multiwire circuit',
    reason: 'Parted under load, its neutral puts up to 240 V on what hangs on it.',
    remedy:
      'See that one handle opens both hots. Turn both off before the neutral is parted, splice it so that taking a device out does not open it, and tie the three together where they enter the panel.',
  }),
});
