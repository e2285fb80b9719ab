import type { Job } from '../model/job.js';
import { answerQuestion, questionKey, type Question } from '../code/questions.js';
import type { Finding } from '../code/rule.js';
import { reviewJob } from '../review/reviewJob.js';
import { outcomeOf, type Outcome } from './outcome.js';

/** Questions of one kind, about several things alike. */
export interface Alike {
  kind: Question['kind'];
  /** Why it is asked; the same for all. */
  why: string;
  /** Of each, the question and the sections that want it. */
  asked: { question: Question; sections: string }[];
  /** Answers that all of them may have, and that are therefore answered for all at once. */
  options: Question['options'];
}

/** Where questions are answered. */
export const SUBJECTS: readonly [prefix: string, words: string][] = [
  ['room.', 'About the rooms'],
  ['box.', 'About the boxes'],
  ['circuit.', 'About the circuits'],
  ['feed.', 'About where power is taken'],
  ['luminaire.', 'About the luminaires'],
  ['cable.', 'About the cables that are there'],
];

export interface QuestionGroup {
  title: string;
  alike: Alike[];
}

/** Every open question once, by what it is about, and those of one kind together. */
export const openQuestions = (findings: readonly Finding[]): QuestionGroup[] => {
  const kinds = new Map<string, Alike>();
  const known = new Set<string>();
  for (const { questions, section } of findings)
    for (const question of questions) {
      const key = questionKey(question);
      const alike = kinds.get(question.kind) ?? {
        kind: question.kind,
        why: question.why,
        asked: [],
        options: question.options,
      };
      kinds.set(question.kind, alike);
      if (known.has(key)) continue;
      known.add(key);
      alike.asked.push({ question, sections: section });
      alike.options = alike.options.filter(({ value }) =>
        question.options.some((one) => one.value === value),
      );
    }
  return SUBJECTS.flatMap(([prefix, title]) => {
    const alike = [...kinds.values()].filter(({ kind }) => kind.startsWith(prefix));
    return alike.length === 0 ? [] : [{ title, alike }];
  });
};

/** The job with several questions answered alike. Throws on an answer that one of them does not offer. */
export const answerAlike = (
  job: Job,
  questions: readonly Pick<Question, 'kind' | 'of'>[],
  value: string | number,
): Job => questions.reduce((answered, question) => answerQuestion(answered, question, value), job);

/** What each answer would change, in the order of the options. */
export const tryAnswers = (
  job: Job,
  questions: readonly Pick<Question, 'kind' | 'of'>[],
  values: readonly (string | number)[],
): Outcome[] => {
  const before = reviewJob(job);
  return values.map((value) => outcomeOf(before, reviewJob(answerAlike(job, questions, value))));
};
