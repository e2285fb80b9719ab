import { unseenBoxes } from '../../model/existing.js';
import type { BoxId } from '../../model/ids.js';
import { articleOf, groundOf } from '../../model/articles.js';
import { conductorKey } from '../../circuit/keys.js';
import { groundedByYokeAlone, ungroundedParts, type MetalPart } from '../../circuit/groundContinuity.js';
import { groundRemedy } from '../groundUse.js';
import type { Inspected } from '../inspected.js';
import { defineRule, type Rule, type RuleFacts } from '../rule.js';

/** What the grounds of a box are: one of them leads to the panel, they lead nowhere, or no cable brings any. Old work may have none. */
type GroundsThere = 'grounded' | 'cutOff' | 'none';

const groundsIn = ({ job, wiring, compiled }: Inspected, box: BoxId): GroundsThere => {
  const sources = new Set(compiled.sources.map(({ ground }) => ground));
  const nets = wiring.cables
    .filter(({ from, to }) => from === box || to === box)
    .flatMap(({ id, article }) => {
      const colour = groundOf(articleOf(job.stock, 'cable', article));
      return colour === null ? [] : [compiled.netOf(conductorKey(id, colour)) ?? -1];
    });
  if (nets.length === 0) return 'none';
  return nets.some((net) => sources.has(net)) ? 'grounded' : 'cutOff';
};

const IS: Record<Found['grounds'], string> = {
  grounded: 'is not grounded',
  cutOff: 'is not grounded',
  none: 'is not grounded',
  byYoke: 'is grounded by the screws of a device alone',
  notKnown: 'is not known to be grounded: not all of it was seen',
};

interface Found {
  part: MetalPart;
  box: BoxId;
  /** `byYoke`: it is grounded, and by the screws of a device alone. `notKnown`: nobody has looked at every wire there. */
  grounds: GroundsThere | 'byYoke' | 'notKnown';
}

/**
 * A rule on one kind of metal part that no ground reaches. Where the box has no ground at all, as in old work, what
 * may stay is a matter for the site.
 */
export const defineGrounding = (
  rule: Omit<RuleFacts, 'since' | 'severities' | 'asks' | 'mends'> & {
    /** The box in which the part stands; null for a part of another kind. */
    boxOf: (part: MetalPart, inspected: Inspected) => BoxId | null;
    what: (part: MetalPart, inspected: Inspected) => string;
    reason: string;
    remedy: string;
    withoutGround: string;
    /** Why the screws of a device are not enough to ground it; left out where they are. */
    notByYoke?: string;
  },
): Rule =>
  defineRule<Found>({
    ...rule,
    severities: ['violation', 'verify'],
    check: (inspected) => {
      const { job, wiring, compiled } = inspected;
      const reached = new Set<string>(wiring.cables.flatMap(({ from, to }) => [from, to]));
      const byYoke = rule.notByYoke === undefined ? [] : groundedByYokeAlone(wiring, job, compiled);
      const unseen = new Set<string>(unseenBoxes(job, wiring));
      const alone = byYoke
        .filter((box) => reached.has(box))
        .map((box) => ({
          // Where nobody has looked at every wire one of them may well be on the screw of the box.
          severity: unseen.has(box) ? ('verify' as const) : ('violation' as const),
          at: { box },
          data: { part: { box }, box, grounds: 'byYoke' as const },
        }));
      const bare = ungroundedParts(wiring, job, compiled).flatMap(({ part, isKnown }) => {
        const box = rule.boxOf(part, inspected);
        if (box === null || !reached.has(box)) return [];
        const there = groundsIn(inspected, box);
        // Where no cable brings any there is none, whoever looks.
        const isOpenThere = there !== 'none' && (!isKnown || unseen.has(box));
        const grounds: Found['grounds'] = isOpenThere ? 'notKnown' : there;
        const isOpen = grounds === 'none' || grounds === 'notKnown';
        const severity = isOpen ? ('verify' as const) : ('violation' as const);
        return [{ severity, at: { ...part, box }, data: { part, box, grounds } }];
      });
      return [...bare, ...alone];
    },
    say: ({ part, box, grounds }, inspected) => ({
      what: `${rule.what(part, inspected)} ${IS[grounds]}`,
      reason: (grounds === 'byYoke' ? rule.notByYoke : undefined) ?? rule.reason,
      remedy: {
        notKnown: `Look first. ${groundRemedy(inspected, box, rule.remedy)}`,
        byYoke: rule.remedy,
        grounded: groundRemedy(inspected, box, rule.remedy),
        // To join it with them would ground nothing.
        cutOff: groundRemedy(
          inspected,
          box,
          'The grounds of this box lead to no ground: mend that first, where they come from.',
        ),
        none: rule.withoutGround,
      }[grounds],
    }),
  });
