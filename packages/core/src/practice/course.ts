import { createEmptyCard, fsrs, Rating, type Grade } from 'ts-fsrs';
import { BENCH_KINDS, BENCH_LEVELS, PLAN_LEVELS, type Practised, type Skill } from '../wire/practised.js';

export const skillKey = ({ kind, level }: Pick<Practised, 'kind' | 'level'>): string => `${kind} ${level}`;

/** All of it in the order in which it is learned. */
export const COURSE: readonly Skill[] = [
  ...BENCH_LEVELS.flatMap((level) => BENCH_KINDS.map((kind) => ({ kind, level }))),
  ...PLAN_LEVELS.map((level) => ({ kind: 'planIt' as const, level })),
];

/** Days after which what was missed comes back, one after the other while it comes out right. */
export const RETURNS = [1, 3, 10] as const;

/** How a learner stands with a skill. Days are counted from 1970 in the learner's own time. */
export type Standing = Skill & {
  /** Exercises that were answered, and those that came out right by oneself. */
  tried: number;
  right: number;
  last: Pick<Practised, 'outcome' | 'at' | 'edition'> | null;
  /** Came out right by oneself the last time. */
  isLearned: boolean;
  /** The day on which it comes back; null of what was never tried. */
  due: number | null;
};

const DAY = 86_400_000;

/** The day of a moment, by a clock that is so many minutes behind UTC (as `Date.getTimezoneOffset` says it). */
export const dayOf = (at: Date, offset: number): number => Math.floor((at.getTime() - offset * 60_000) / DAY);

const GRADES: Record<Practised['outcome'], Grade> = {
  right: Rating.Good,
  helped: Rating.Hard,
  missed: Rating.Again,
};

/** FSRS-6 with its published weights, for what is past the returns after a miss; nothing is drawn by chance. */
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });

const standingOf = (skill: Skill, mine: readonly Practised[], offset: number): Standing => {
  let card = createEmptyCard(mine[0] ? new Date(mine[0].at) : new Date(0));
  /** Returns that came out right since the last miss; null while nothing was missed, and after the last of them. */
  let returned: number | null = null;
  let due: number | null = null;
  for (const { outcome, at } of mine) {
    const now = new Date(at);
    const today = dayOf(now, offset);
    card = scheduler.next(card, now, GRADES[outcome]).card;
    if (outcome === 'missed') returned = 0;
    // Right again before it is due shows that it is not forgotten yet, and nothing of whether it will be.
    else if (returned !== null && due !== null && today < due) continue;
    else if (returned !== null && outcome === 'right')
      returned = returned + 1 < RETURNS.length ? returned + 1 : null;
    due = returned === null ? dayOf(card.due, offset) : today + (RETURNS[returned] ?? 1);
  }
  const last = mine.at(-1) ?? null;
  return {
    ...skill,
    tried: mine.length,
    right: mine.filter(({ outcome }) => outcome === 'right').length,
    last: last && { outcome: last.outcome, at: last.at, edition: last.edition },
    isLearned: last?.outcome === 'right',
    due,
  };
};

/** How a learner stands with every skill of the course, from what was practised, in any order. `offset`: see `dayOf`. */
export const standingsOf = (practised: readonly Practised[], offset: number): Standing[] => {
  const inOrder = [...practised].sort((a, b) => a.at.localeCompare(b.at) || a.id.localeCompare(b.id));
  return COURSE.map((skill) =>
    standingOf(
      skill,
      inOrder.filter((one) => skillKey(one) === skillKey(skill)),
      offset,
    ),
  );
};

/** What comes back on a day, what is longest due first, and the first of the course that was never tried. */
export const nextOf = (
  standings: readonly Standing[],
  today: number,
): { back: Standing[]; fresh: Standing | null } => ({
  back: standings
    .filter(({ due }) => due !== null && due <= today)
    .sort((a, b) => (a.due ?? 0) - (b.due ?? 0)),
  fresh: standings.find(({ tried }) => tried === 0) ?? null,
});
