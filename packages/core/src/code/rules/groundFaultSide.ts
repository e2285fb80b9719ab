import { tapOf } from '../../model/tap.js';
import { defineRule, type Ask, type Breach, type Fix } from '../rule.js';

/** 210.8, 406.4: lights tapped on the load side of a ground-fault device go dark when it trips. */
export const groundFaultSide = defineRule<{ feed: string; at: string }>({
  id: 'ground-fault-side',
  stage: 'final',
  title: 'Lights on the load side of a ground-fault device are a choice, not an accident',
  rests: 'What hangs on the load side is protected by the device, and goes out with it.',
  section: () => '210.8, 406.4',
  severities: ['caution'],
  asks: ['feed.gfciSide'],
  check: ({ job }) =>
    job.feeds.flatMap((feed): (Breach<{ feed: string; at: string }> | Ask)[] => {
      const used = job.choices.some((choice) => choice.feed === feed.id);
      if (!used || feed.at === 'panel' || tapOf(job, feed) !== 'receptacle') return [];
      if (feed.gfciSide === 'unknown') return [{ ask: 'feed.gfciSide', of: feed.id }];
      return feed.gfciSide === 'load'
        ? [
            {
              severity: 'caution',
              at: { box: feed.at, circuit: feed.circuit },
              data: { feed: feed.id, at: feed.at },
            },
          ]
        : [];
    }),
  say: ({ at }, { place }) => ({
    where: place(at),
    what: 'the lights hang on the load side of a ground-fault device',
    reason: 'When it trips, whoever stands there stands in the dark.',
    remedy: 'Tap its line side, or accept it where the protection is wanted.',
  }),
  fixes: ({ data: { feed } }): Fix[] => [
    {
      words: 'Tap the line side',
      job: (job) => ({
        ...job,
        feeds: job.feeds.map((one) => (one.id === feed ? { ...one, gfciSide: 'line' } : one)),
      }),
    },
  ],
});
