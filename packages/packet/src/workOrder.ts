import { PHASE_WORDS, type Step } from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import { heightOfText } from './measured.js';
import { BEHIND, SMALL, subhead, TICK, ticked } from './parts.js';

const GAP = 18;
/** Points across one of two columns of a page. */
export const columnOf = (page: { width: number }): number => (page.width - GAP) / 2;

/** Points: the size of a step, the space below it, a head; and how far lines stand apart. */
const SIZE = 8.5;
const BELOW = 3;
const HEAD = 20.2;
const CLOSE = 1.03;

/** A step with its square; the section stands behind it, a caution below. */
const stepLine = ({ text, caution, section }: Step, fontSize?: number): Content =>
  ticked(text, caution === null ? '' : `CAUTION: ${caution}`, section ?? '', fontSize);

/** Steps under the heads of their phases; one that goes on from the column before says so. */
const stack = (steps: readonly Step[], fontSize?: number, goesOn = false): Content[] =>
  steps.map((step, i): Content => {
    const line = stepLine(step, fontSize);
    if (i > 0 && steps[i - 1]?.phase === step.phase) return line;
    const words = PHASE_WORDS[step.phase];
    // A head never stands alone at the foot of a page.
    return { unbreakable: true, stack: [subhead(i === 0 && goesOn ? `${words}, continued` : words), line] };
  });

/** How high steps stand in a column with their heads, points. */
const heightOf = (steps: readonly Step[], column: number): number =>
  steps.reduce((sum, { text, caution, section, phase }, i) => {
    const own = heightOfText(
      [
        { text, size: SIZE },
        { text: section ?? '', size: BEHIND },
      ],
      column - TICK,
      CLOSE,
    );
    const below =
      caution === null
        ? 0
        : heightOfText([{ text: `CAUTION: ${caution}`, size: SMALL }], column - TICK, CLOSE);
    return sum + (steps[i - 1]?.phase === phase ? 0 : HEAD) + own + below + BELOW;
  }, 0);

/** What stands over the first column, and how high it is. */
interface Above {
  content: Content[];
  height: number;
}

/**
 * The steps of a box in two columns that are read one after the other, the first of them below what stands there already: the first of
 * what may stand there that leaves the room (points across a column and down the page). Where they would run over the page all the same, which breaks columns apart, they stand in one
 * column.
 */
export const workOrder = (
  steps: readonly Step[],
  [above, ...smaller]: readonly [Above, ...Above[]],
  { column, height }: { column: number; height: number },
  whole = above,
): Content[] => {
  const highest = (at: number) =>
    Math.max(above.height + heightOf(steps.slice(0, at), column), heightOf(steps.slice(at), column));
  const best = steps.reduce((least, _, at) => (highest(at) < highest(least) ? at : least), 0);
  const [next, ...others] = smaller;
  if (highest(best) > height)
    return next
      ? workOrder(steps, [next, ...others], { column, height }, whole)
      : [...whole.content, ...stack(steps)];
  const [first, second] = [steps.slice(0, best), steps.slice(best)];
  const goesOn = first.at(-1)?.phase === second[0]?.phase;
  return [
    {
      columns: [
        { width: column, stack: [...above.content, { stack: stack(first, SIZE), lineHeight: CLOSE }] },
        { width: '*', stack: stack(second, SIZE, goesOn), lineHeight: CLOSE },
      ],
      columnGap: GAP,
    },
  ];
};
