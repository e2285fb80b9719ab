import type { End, Terminal, Wiring } from '../model/wiring.js';
import type { Job, JudgedEdition, Run } from '../model/job.js';
import type { Inspected } from './inspected.js';
import { questionOf, type Question, type QuestionKind } from './questions.js';

/**
 * violation, caution, or to be verified on site; unfinished where there is not enough to judge; waived where an amendment
 * of the local authority lets it be.
 */
export type Severity = 'violation' | 'caution' | 'verify' | 'unfinished' | 'waived';

/** Where a finding is, so that a screen can lead there. */
export interface At {
  circuit?: string;
  room?: string;
  group?: string;
  box?: string;
  cable?: string;
  device?: string;
  luminaire?: string;
  joint?: string;
  end?: End;
  terminal?: Terminal;
  /** A run that is asked for but not planned. */
  run?: Run;
}

export interface Finding {
  rule: string;
  severity: Severity;
  /** Section of the code, empty where the finding rests on the simulation or on the job itself. */
  section: string;
  at: At;
  title: string;
  reason: string;
  remedy: string;
  /** What would settle it, where an answer would. */
  questions: Question[];
  /** What the local authority says of it. */
  amendment: string | null;
  /** The edition it met when it was built, where today's asks for more and nobody touches it. */
  builtBy: JudgedEdition | null;
}

/** Something the program can do about a finding: to the job, which is then planned anew, or to the wiring as it stands. */
export type Fix = { words: string } & ({ job: (job: Job) => Job } | { wiring: (wiring: Wiring) => Wiring });

/** A finding with what the program could do about it; whether that helps is not said here. */
export interface Judged {
  finding: Finding;
  fixes: Fix[];
}

/** A fact that a check wants to know and the job does not hold. */
export interface Ask {
  ask: QuestionKind;
  of: string;
}

/** What a rule is, apart from the cases it finds. Interface and documents list it. */
export interface RuleFacts {
  id: string;
  /** What is asked, in our words. */
  title: string;
  /** The figure or fact that it rests on. */
  rests: string;
  /** Section by edition; empty where it rests on the simulation. */
  section: (edition: JudgedEdition) => string;
  /** The first edition that asks for it; null for all of them. */
  since: JudgedEdition | null;
  severities: readonly Severity[];
  /** The facts that it wants to know beside what every job holds. */
  asks: readonly QuestionKind[];
}

export interface Rule extends RuleFacts {
  judge: (inspected: Inspected) => { judged: Judged[]; asks: Ask[] };
}

/** What a check gives: data only. */
export interface Breach<T> {
  severity: Severity;
  at: At;
  data: T;
  questions?: Question[];
}

/** A title may begin with a place's name; it is a sentence all the same. */
export const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/**
 * Ties a check to its words, so that a check never composes text and the words never judge. A check gives breaches, and
 * the facts that it lacks.
 */
export const defineRule = <T>(
  rule: Omit<RuleFacts, 'since' | 'asks'> & {
    since?: JudgedEdition;
    asks?: readonly QuestionKind[];
    check: (inspected: Inspected) => (Breach<T> | Ask)[];
    say: (data: T, inspected: Inspected) => { title: string; reason: string; remedy: string };
    fixes?: (breach: Breach<T>, inspected: Inspected) => Fix[];
  },
): Rule => {
  const { check, say, fixes, since = null, asks = [], ...facts } = rule;
  return {
    ...facts,
    since,
    asks,
    judge: (inspected) => {
      if (since !== null && inspected.edition < since) return { judged: [], asks: [] };
      const found = check(inspected);
      const breaches = found.filter((one): one is Breach<T> => !('ask' in one));
      return {
        asks: found.filter((one): one is Ask => 'ask' in one),
        judged: breaches.map((breach) => {
          const { severity, at, data, questions = [] } = breach;
          const { title, reason, remedy } = say(data, inspected);
          const section = rule.section(inspected.edition);
          return {
            finding: {
              rule: rule.id,
              severity,
              section,
              at,
              title: sentence(title),
              reason,
              remedy,
              questions,
              amendment: null,
              builtBy: null,
            },
            fixes: fixes?.(breach, inspected) ?? [],
          };
        }),
      };
    },
  };
};

/** A check that only eyes and hands can make: once for a job that has something it applies to. */
export const defineSiteCheck = (
  rule: Omit<RuleFacts, 'since' | 'severities' | 'asks'> & {
    since?: JudgedEdition;
    /** Names of the places it concerns; none where it does not apply. */
    where: (inspected: Inspected) => string[];
    why: string;
    look: string;
  },
): Rule => {
  const { where, why, look, ...facts } = rule;
  return defineRule<string[]>({
    ...facts,
    severities: ['verify'],
    check: (inspected) => {
      const places = [...new Set(where(inspected))];
      return places.length > 0 ? [{ severity: 'verify', at: {}, data: places }] : [];
    },
    say: (places) => ({
      title: rule.title,
      reason: why,
      remedy: `${look} ${places.length > 6 ? `At ${places.length} places.` : `At ${places.join(', ')}.`}`,
    }),
  });
};

/** The finding that an unknown fact makes, for all rules that want it. */
export const unanswered = (
  { job }: Inspected,
  { ask, of }: Ask,
  sections: readonly string[],
  at: At,
): Finding => {
  const question = questionOf(job, ask, of);
  return {
    rule: 'question',
    severity: 'verify',
    section: sections.join(', '),
    at,
    title: question.text,
    reason: question.why,
    remedy: 'Answer it, and see it on site.',
    questions: [question],
    amendment: null,
    builtBy: null,
  };
};
