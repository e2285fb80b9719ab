import { dayOf, EVERYDAY, MAKE_UP_LEVELS, type PracticeKind, type Skill, type Standing } from '@amber/core';
import { plural } from '../../parts/format.js';
import { clockOffset } from './learner.js';

/** Each kind of exercise: what it is called, what is asked, and how it is named beside its circuit. */
export const KINDS: Record<PracticeKind, { title: string; words: string; beside: string }> = {
  makeUp: {
    title: 'Make it up',
    words:
      'The cables are pulled and the wires hang loose. Put each where it belongs, flip the handles, see what it does.',
    beside: '',
  },
  sizeIt: {
    title: 'Size it',
    words: 'A box with what is in it. Count its cubic inches in your head (314.16), and say whether it fits.',
    beside: ', a box to size',
  },
  findFault: {
    title: 'Find the fault',
    words:
      'Somebody has made it up with one mistake. Flip the handles first; then open as few boxes as you can, dead, and mend it.',
    beside: ', a fault to find',
  },
  whichWire: {
    title: 'Which wire',
    words:
      'Every box is open, the tags are lost. With a link wire and a continuity tester, tell where each cable leads.',
    beside: ', wires to tell apart',
  },
  planIt: {
    title: 'Plan it',
    words:
      'A place with its switches and lights. Lay the cables by hand, see what each comes to, and hold it against the best way there is.',
    beside: ', to be planned',
  },
  judgeIt: {
    title: 'Judge it',
    words: 'It works from every position, and yet something in it would not pass. What?',
    beside: ', to be judged',
  },
};

/** The circuit or the place that an exercise is about. */
export const levelTitle = (skill: Skill): string =>
  skill.kind === 'planIt' ? EVERYDAY[skill.level].title : MAKE_UP_LEVELS[skill.level].title;

/** What is new in it, or what it is, in a line. */
export const levelWords = (skill: Skill): string =>
  skill.kind === 'planIt' ? EVERYDAY[skill.level].says : MAKE_UP_LEVELS[skill.level].learns;

/** What stands over an exercise. */
export const titleOf = (skill: Skill): string => `${KINDS[skill.kind].title}: ${levelTitle(skill)}`;

const DAY = 86_400_000;
const date = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short' });

export const today = (): number => dayOf(new Date(), clockOffset());

/** "today", "tomorrow", "Dec 3". */
export const dayWords = (day: number): string => {
  const away = day - today();
  if (away <= 0) return 'today';
  if (away === 1) return 'tomorrow';
  return date.format(new Date((day + 0.5) * DAY + clockOffset() * 60_000));
};

/** How somebody stands with a skill, in a line; null of what was never tried. */
export const sayStanding = ({ tried, right, last, due }: Standing): string | null => {
  if (!last) return null;
  const how =
    last.outcome === 'missed'
      ? 'Missed the last time'
      : last.outcome === 'helped'
        ? 'Right with a hint'
        : `Right by yourself ${right === tried ? plural(right, 'time') : `${right} of ${plural(tried, 'time')}`}`;
  return due === null ? how : `${how} · back ${dayWords(due)}`;
};
