import { lyingCables } from '../../model/lying.js';
import type { BoxId } from '../../model/ids.js';
import { articleOf } from '../../model/articles.js';
import { circuitName } from '../../model/lookup.js';
import { leftLive } from '../../circuit/leftLive.js';
import { defineRule, type Ask } from '../rule.js';

interface Found {
  box: BoxId;
  cable: string;
  breaker: string;
  whole: boolean;
}

/** What lies there and is used no more is live until somebody takes it off its breaker: told by the simulation. */
export const cableLeftLive = defineRule<Found>({
  id: 'cable-left-live',
  stage: 'roughIn',
  title: 'An old cable that nothing uses is taken off its breaker',
  rests: 'It stays live from the panel, capped or not, until somebody takes it off.',
  section: () => '',
  severities: ['caution'],
  asks: ['cable.circuit'],
  check: ({ job, wiring, compiled }) => [
    ...lyingCables(job).flatMap((cable): Ask[] =>
      cable.circuit === null ? [{ ask: 'cable.circuit', of: cable.id }] : [],
    ),
    ...leftLive(wiring, job, compiled).map(({ cable, box, breaker, whole }) => ({
      severity: 'caution' as const,
      at: { box, cable: cable.id },
      data: {
        box,
        cable: articleOf(job.stock, 'cable', cable.article).name,
        breaker: circuitName(job, breaker),
        whole,
      },
    })),
  ],
  say: ({ box, cable, breaker, whole }, { place }) => ({
    where: place(box),
    what: whole
      ? `the ${cable} from the panel is used by nothing and live from ${breaker}`
      : `a spare conductor of the ${cable} from the panel may be live from ${breaker}`,
    reason: 'A capped wire looks dead. Whoever opens the box next finds it with a hand.',
    remedy:
      'Find its breaker, have it taken off there by who is qualified (the supply terminals stay live with the main off), cap and tag both ends; or keep it in use.',
  }),
});
