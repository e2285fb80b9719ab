import { titleOf, type Said } from '../words/said.js';
import type {
  BoxId,
  CableId,
  CircuitId,
  DeviceId,
  GroupId,
  JointId,
  LuminaireId,
  RoomId,
} from '../model/ids.js';
import type { End, Terminal, Wiring } from '../model/wiring.js';
import type { Job, JudgedEdition, Run } from '../model/job.js';
import type { Inspected } from './inspected.js';
import { questionKey, questionOf, type Question, type QuestionKind } from './questions.js';

/**
 * violation, caution, or to be verified on site; unfinished where there is not enough to judge; waived where an amendment
 * of the local authority lets it be.
 */
export type Severity = 'violation' | 'caution' | 'verify' | 'unfinished' | 'waived';

/** The two times an inspector comes: before the wall is closed, and when all is in. */
export const WALKS = ['roughIn', 'final'] as const;
export type Walk = (typeof WALKS)[number];

/**
 * When in the work it can first be seen. What is made up is seen before the wall is closed or at the end, by the habit of the job: some
 * authorities want to see the grounds made up before.
 */
export type Stage = Walk | 'makeUp';

export const walkOf = ({ preferences }: Pick<Job, 'preferences'>, stage: Stage): Walk =>
  stage !== 'makeUp' ? stage : preferences.madeUp === 'beforeCheck' ? 'roughIn' : 'final';

/** Must it be mended before the work passes? What cannot be planned at all counts with what violates a rule. */
export const isGrave = ({ severity }: { severity: Severity }): boolean =>
  severity === 'violation' || severity === 'unfinished';

/** Where a finding is, so that a screen can lead there. */
export interface At {
  circuit?: CircuitId;
  room?: RoomId;
  group?: GroupId;
  box?: BoxId;
  cable?: CableId;
  device?: DeviceId;
  luminaire?: LuminaireId;
  joint?: JointId;
  end?: End;
  terminal?: Terminal;
  /** A run that is asked for but not planned. */
  run?: Run;
}

/** What it rests on: a rule of the code, a circuit that cannot be planned, a fact that nobody has told, or a rule of the local authority. */
export type FindingKind = 'rule' | 'refusal' | 'question' | 'local';

/** Something that a screen can do about it at once. */
export type FindingAction = { do: 'takeOutRun'; circuit: CircuitId; run: Run };

export interface Finding {
  kind: FindingKind;
  /** Id of the rule, or the code of the refusal. */
  rule: string;
  severity: Severity;
  /** Section of the code, empty where the finding rests on the simulation or on the job itself. */
  section: string;
  at: At;
  /** At which walk it is seen first; what is open there is open at the later one too. */
  walk: Walk;
  /** All the places of a check that only eyes and hands can make, told once for the job; none where `at` says it. */
  places: At[];
  /** `where` and `what` in one sentence; `where` is null where the sentence names it itself. */
  title: string;
  where: string | null;
  what: string;
  reason: string;
  remedy: string;
  /** What would settle it, where an answer would. */
  questions: Question[];
  actions: FindingAction[];
  /** What the local authority says of it. */
  amendment: string | null;
  /** The edition it met when it was built, where today's asks for more and nobody touches it. */
  builtBy: JudgedEdition | null;
  /** Nobody has looked into this box: it is so if it is wired as is usual. Null where that is known. */
  assumed: BoxId | null;
  /** The key of the finding that it most likely goes with; null where it stands for itself. */
  follows: string | null;
}

/** What makes two findings the same one, under another edition or after a change. */
export const findingKey = ({ rule, at, questions }: Pick<Finding, 'rule' | 'at' | 'questions'>): string =>
  JSON.stringify([rule, at, questions.map(questionKey)]);

type Facts = Pick<Finding, 'kind' | 'rule' | 'severity' | 'section' | 'at' | 'walk'>;

/** A finding with its words, and what most have none of. */
export const findingOf = (
  facts: Facts & Partial<Pick<Finding, 'questions' | 'actions' | 'amendment' | 'places'>>,
  { where, what, reason, remedy }: Said,
): Finding => ({
  ...{ questions: [], actions: [], places: [], amendment: null, builtBy: null, assumed: null, follows: null },
  ...facts,
  title: titleOf({ ...(where === undefined ? {} : { where }), what }),
  where: where ?? null,
  what,
  reason,
  remedy,
});

/** Something the program can do about a finding: to the job, which is then planned anew, or to the wiring as it stands. */
export type Fix = {
  words: string;
  /** What it takes beside what is planned and priced; its price is not known then. */
  unpriced?: 'breaker';
} & ({ job: (job: Job) => Job } | { wiring: (wiring: Wiring) => Wiring });

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
  stage: Stage;
  /** The facts that it wants to know beside what every job holds. */
  asks: readonly QuestionKind[];
  /** Is there something that the program could do about what it finds, by changing the job and planning it again? */
  mends: boolean;
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
  /** Of a check on site: where it is to be made. */
  places?: At[];
}

/**
 * Ties a check to its words, so that a check never composes text and the words never judge. A check gives breaches, and
 * the facts that it lacks.
 */
export const defineRule = <T>(
  rule: Omit<RuleFacts, 'since' | 'asks' | 'mends'> & {
    since?: JudgedEdition;
    asks?: readonly QuestionKind[];
    check: (inspected: Inspected) => (Breach<T> | Ask)[];
    say: (data: T, inspected: Inspected) => Said;
    /** Its fixes mend a wiring as it stands, and nothing about the job. */
    mendsWiring?: true;
    fixes?: (breach: Breach<T>, inspected: Inspected) => Fix[];
  },
): Rule => {
  const { check, say, fixes, mendsWiring = false, since = null, asks = [], ...facts } = rule;
  return {
    ...facts,
    since,
    asks,
    mends: fixes !== undefined && !mendsWiring,
    judge: (inspected) => {
      if (since !== null && inspected.edition < since) return { judged: [], asks: [] };
      const found = check(inspected);
      const breaches = found.filter((one): one is Breach<T> => !('ask' in one));
      return {
        asks: found.filter((one): one is Ask => 'ask' in one),
        judged: breaches.map((breach) => {
          const { severity, at, data, questions = [], places = [] } = breach;
          const walk = walkOf(inspected.job, rule.stage);
          const section = rule.section(inspected.edition);
          return {
            finding: findingOf(
              { kind: 'rule', rule: rule.id, severity, section, at, walk, questions, places },
              say(data, inspected),
            ),
            fixes: fixes?.(breach, inspected) ?? [],
          };
        }),
      };
    },
  };
};

/** A check that only eyes and hands can make: once for a job that has something it applies to. */
export const defineSiteCheck = (
  rule: Omit<RuleFacts, 'since' | 'severities' | 'asks' | 'mends'> & {
    since?: JudgedEdition;
    /** The places it concerns; none where it does not apply. */
    where: (inspected: Inspected) => At[];
    why: string;
    look: string;
  },
): Rule => {
  const { where, why, look, ...facts } = rule;
  return defineRule<At[]>({
    ...facts,
    severities: ['verify'],
    check: (inspected) => {
      const found = new Map(where(inspected).map((at) => [JSON.stringify(at), at]));
      const places = [...found.values()];
      return places.length > 0 ? [{ severity: 'verify', at: {}, data: places, places }] : [];
    },
    say: () => ({ what: rule.title, reason: why, remedy: look }),
  });
};

/** The finding that an unknown fact makes, for all rules that want it. */
export const unanswered = (
  { job }: Inspected,
  { ask, of }: Ask,
  { sections, walk }: { sections: readonly string[]; walk: Walk },
  at: At,
): Finding => {
  const question = questionOf(job, ask, of);
  return findingOf(
    {
      ...{ kind: 'question', rule: 'question', severity: 'verify', section: sections.join(', ') },
      ...{ at, walk, questions: [question] },
    },
    { what: question.text, reason: question.why, remedy: 'Answer it, and see it on site.' },
  );
};
