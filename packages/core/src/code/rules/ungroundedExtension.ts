import { articleOf, groundOf } from '../../model/articles.js';
import { PANEL, type BoxId } from '../../model/ids.js';
import type { Cable } from '../../model/wiring.js';
import { conductorKey } from '../../circuit/keys.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  box: BoxId;
  /** Is it known that no ground of its own comes to it? */
  isKnown: boolean;
}

/**
 * 250.130(C): what goes on from a cable without a ground needs a ground of its own; ground-fault protection does not stand in for it, and the
 * exceptions are for replacements alone.
 */
export const ungroundedExtension = defineRule<Found>({
  id: 'ungrounded-extension',
  stage: 'roughIn',
  title: 'What goes on from an old cable without a ground has a ground of its own',
  rests:
    'To the panel, the electrode, or the ground of another circuit from the same panel; never to a pipe nearby.',
  section: () => '250.130(C)',
  severities: ['violation', 'verify'],
  check: ({ job, wiring, compiled, circuitsOfCable, unknown }) => {
    const grounded = new Set(compiled.sources.map(({ ground }) => ground));
    const hasNone = ({ article }: Cable) => articleOf(job.stock, 'cable', article).ground === 'none';
    const old = wiring.cables.filter((cable) => cable.existing && hasNone(cable));
    if (old.length === 0) return [];
    const found = new Map<BoxId, Breach<Found>>();
    for (const cable of wiring.cables) {
      const colour = groundOf(articleOf(job.stock, 'cable', cable.article));
      const net = colour === null ? undefined : compiled.netOf(conductorKey(cable.id, colour));
      if (cable.existing || (net !== undefined && grounded.has(net))) continue;
      const circuits = new Set(circuitsOfCable(cable.id));
      const from = old.filter(({ id }) => circuitsOfCable(id).some((one) => circuits.has(one)));
      if (from.length === 0) continue;
      // Where the new meets the old is where it is mended; further on it follows from that.
      const box = [cable.from, cable.to].find(
        (end): end is BoxId => end !== PANEL && from.some((one) => one.from === end || one.to === end),
      );
      if (box === undefined || found.get(box)?.severity === 'violation') continue;
      const isKnown = net === undefined || !unknown.has(net);
      found.set(box, { severity: isKnown ? 'violation' : 'verify', at: { box }, data: { box, isKnown } });
    }
    return [...found.values()];
  },
  say: ({ box, isKnown }, { place }) => ({
    where: place(box),
    what: `new wiring goes on from an old cable that has no ground${isKnown ? '' : ', and no ground of its own was seen'}`,
    reason:
      'All its metal is joined together and to no ground: one fault makes all of it live, and no breaker opens. A ground-fault device does not stand in for it.',
    remedy: `${isKnown ? '' : 'Look first. '}Bring a ground to an allowed point: the panel, its electrode, or the ground of another circuit from the same panel. Or bring power in by a cable that has one.`,
  }),
});
