import type { Circuit, JudgedEdition } from '../../model/job.js';
import type { Inspected } from '../inspected.js';
import type { QuestionKind } from '../questions.js';
import { defineRule, type Ask, type Breach, type Rule } from '../rule.js';

/** Does this job take power from a circuit that serves something already? */
const isTapped = ({ job }: Inspected, circuit: Circuit): boolean =>
  circuit.existingVa > 0 ||
  job.choices.some(
    (choice) =>
      choice.circuit === circuit.id &&
      job.feeds.some((feed) => feed.id === choice.feed && feed.at !== 'panel'),
  );

/** A rule on one kind of circuit that may serve no lighting. */
export const defineTap = (rule: {
  id: string;
  title: string;
  rests: string;
  section: string;
  since?: JudgedEdition;
  purpose: Circuit['purpose'];
  serves: string;
  asks?: readonly QuestionKind[];
  /** What may hang on it all the same; none where nothing may. */
  unless?: (circuit: Circuit, inspected: Inspected) => boolean | Ask;
}): Rule =>
  defineRule<{ name: string }>({
    id: rule.id,
    stage: 'roughIn',
    title: rule.title,
    rests: rule.rests,
    section: () => rule.section,
    ...(rule.since === undefined ? {} : { since: rule.since }),
    severities: ['violation'],
    asks: ['circuit.purpose', ...(rule.asks ?? [])],
    check: (inspected) =>
      inspected.job.circuits.flatMap((circuit): (Breach<{ name: string }> | Ask)[] => {
        if (circuit.purpose === 'unknown')
          return isTapped(inspected, circuit) ? [{ ask: 'circuit.purpose', of: circuit.id }] : [];
        const lights = inspected.job.groups.some((group) => group.circuit === circuit.id);
        if (circuit.purpose !== rule.purpose || !lights) return [];
        const allowed = rule.unless?.(circuit, inspected) ?? false;
        if (allowed === true) return [];
        return allowed === false
          ? [{ severity: 'violation', at: { circuit: circuit.id }, data: { name: circuit.name } }]
          : [allowed];
      }),
    say: ({ name }) => ({
      what: `${name} is a circuit for ${rule.serves} and may not serve this lighting`,
      reason: 'Its capacity is kept for what is plugged in there, and the lights would go out with it.',
      remedy: 'Take power from a general lighting circuit, or bring a home run from the panel.',
    }),
  });
