import type { BoxId } from '../../model/ids.js';
import { articleOf } from '../../model/articles.js';
import type { Wiring } from '../../model/wiring.js';
import type { Job } from '../../model/job.js';
import { ungroundedParts, type MetalPart } from '../../circuit/groundContinuity.js';
import { groundRemedy } from '../groundUse.js';
import type { Inspected } from '../inspected.js';
import { defineRule, type Rule, type RuleFacts } from '../rule.js';

/** Does any cable bring a ground into this box? Old work may have none. */
const hasGround = (job: Job, wiring: Wiring, box: BoxId): boolean =>
  wiring.cables.some(
    (cable) =>
      (cable.from === box || cable.to === box) &&
      articleOf(job.stock, 'cable', cable.article).ground !== 'none',
  );

interface Found {
  part: MetalPart;
  box: BoxId;
  hasGround: boolean;
}

/**
 * A rule on one kind of metal part that no ground reaches. Where the box has no ground at all, as in old work, what
 * may stay is a matter for the site.
 */
export const defineGrounding = (
  rule: Omit<RuleFacts, 'since' | 'severities' | 'asks'> & {
    /** The box in which the part stands; null for a part of another kind. */
    boxOf: (part: MetalPart, inspected: Inspected) => BoxId | null;
    what: (part: MetalPart, inspected: Inspected) => string;
    reason: string;
    remedy: string;
    withoutGround: string;
  },
): Rule =>
  defineRule<Found>({
    ...rule,
    severities: ['violation', 'verify'],
    check: (inspected) => {
      const { job, wiring, compiled } = inspected;
      const reached = new Set<string>(wiring.cables.flatMap(({ from, to }) => [from, to]));
      return ungroundedParts(wiring, job, compiled).flatMap((part) => {
        const box = rule.boxOf(part, inspected);
        if (box === null || !reached.has(box)) return [];
        const there = hasGround(job, wiring, box);
        const severity = there ? ('violation' as const) : ('verify' as const);
        return [{ severity, at: { ...part, box }, data: { part, box, hasGround: there } }];
      });
    },
    say: ({ part, box, hasGround: there }, inspected) => ({
      what: `${rule.what(part, inspected)} is not grounded`,
      reason: rule.reason,
      remedy: there ? groundRemedy(inspected, box, rule.remedy) : rule.withoutGround,
    }),
  });
