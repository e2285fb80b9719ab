import {
  answerOf,
  askedOfEach,
  questionKey,
  questionOf,
  subjectOf,
  type Question,
} from '../code/questions.js';
import type { Finding } from '../code/rule.js';
import type { Job } from '../model/job.js';
import { openQuestions, SUBJECTS } from './answers.js';

/** What is asked of one thing. */
export interface QuestionRow {
  question: Question;
  /** The room, box, circuit, luminaire, feed or cable. */
  name: string;
  /** What was answered; null while it is open. */
  answer: string | number | null;
}

/** One question, asked of several things alike. */
export interface QuestionTable {
  kind: Question['kind'];
  /** With a name it is the question; over several "…" stands for each. */
  text: string;
  why: string;
  /** The sections that want to know, "210.70(A), 210.70(C)"; empty for habits of the trade. */
  sections: string;
  rows: QuestionRow[];
  /** What may be answered for all of them at once. */
  options: Question['options'];
}

/**
 * What is asked, a table for each question, by what it is about. What was `seen` open before stays in its place with its answer, so that no row jumps
 * away under the finger that answers it, and an answer can be corrected where it was given.
 */
export const questionTables = (
  job: Job,
  findings: readonly Finding[],
  seen: readonly Pick<Question, 'kind' | 'of'>[] = [],
): { title: string; tables: QuestionTable[] }[] => {
  const open = openQuestions(findings).flatMap(({ alike }) => alike.flatMap(({ asked }) => asked));
  const isOpen = new Set(open.map(({ question }) => questionKey(question)));
  const known = new Set(seen.map(questionKey));
  const all = [
    ...seen.filter((one) => isOpen.has(questionKey(one)) || answerOf(job, one) !== null),
    ...open.map(({ question }) => question).filter((one) => !known.has(questionKey(one))),
  ].map(({ kind, of }) => questionOf(job, kind, of));
  const sectionsOf = (kind: Question['kind']): string => {
    const wanted = open.filter(({ question, sections }) => question.kind === kind && sections !== '');
    return [...new Set(wanted.flatMap(({ sections }) => sections.split(', ')))].join(', ');
  };
  return SUBJECTS.flatMap(([prefix, title]) => {
    const kinds = [...new Set(all.map(({ kind }) => kind).filter((kind) => kind.startsWith(prefix)))];
    const tables = kinds.map((kind): QuestionTable => {
      const own = all.filter((one) => one.kind === kind);
      const [first] = own;
      return {
        kind,
        text: own.length === 1 && first ? first.text : askedOfEach(kind),
        why: first?.why ?? '',
        sections: sectionsOf(kind),
        rows: own.map((question) => ({
          question,
          name: subjectOf(job, question),
          // What is open is asked, whatever stands there: a kind of room that nobody has told is no answer.
          answer: isOpen.has(questionKey(question)) ? null : answerOf(job, question),
        })),
        options: (first?.options ?? []).filter(({ value }) =>
          own.every(({ options }) => options.some((one) => one.value === value)),
        ),
      };
    });
    return tables.length === 0 ? [] : [{ title, tables }];
  });
};
