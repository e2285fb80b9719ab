import type { Box, Job } from '@amber/core';
import { labelOf, type LabelSpot } from './labels.js';
import { halfWidth, markOf } from './marks.js';
import { toPixel, type View } from './view.js';

/** Letters on a line: beside a wall there is room for so many at the widest view; fewer where names are crowded. */
export const LETTERS = { usual: 17, narrow: 10 };
/** From one line to the next, and the width of a letter, pixels. */
export const LINE = 14;
const LETTER = 6.6;

/** A name on two lines at most; what does not fit ends in dots. The whole of it stands where the box is picked. */
export const linesOf = (name: string, letters: number): string[] => {
  const lines: string[] = [];
  for (const word of name.split(/\s+/)) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= letters)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines
    .slice(0, 2)
    .map((line, i) =>
      line.length > letters || (i === 1 && lines.length > 2) ? `${line.slice(0, letters - 1)}…` : line,
    );
};

/** Further lines go up above a mark, down below it; beside it all stand in the middle. */
export const topOf = ({ y, anchor }: LabelSpot, lines: number): number => {
  const more = (lines - 1) * LINE;
  return anchor !== 'middle' ? y - more / 2 : y < 0 ? y - more : y;
};

/** Where the name of a box stands on the plan, pixels; null where nobody has said where it is. */
export const nameExtent = (
  job: Job,
  box: Box,
  view: View,
  letters: number,
): { id: string; left: number; right: number; top: number; bottom: number } | null => {
  if (!box.at) return null;
  const at = toPixel(view, box.at);
  const label = labelOf(job, box, halfWidth(markOf(job, box)));
  const lines = linesOf(box.name, letters);
  const width = Math.max(...lines.map((line) => line.length)) * LETTER;
  const left = at.x + label.x - { start: 0, middle: width / 2, end: width }[label.anchor];
  const top = at.y + topOf(label, lines.length) - LINE;
  return { id: box.id, left, right: left + width, top, bottom: top + lines.length * LINE };
};

/** Boxes whose names would lie on each other's: these take narrower lines. */
export const crowdedNames = (job: Job, boxes: readonly Box[], view: View): ReadonlySet<string> => {
  const spread = boxes.flatMap((box) => nameExtent(job, box, view, LETTERS.usual) ?? []);
  return new Set(
    spread
      .filter((one) =>
        spread.some(
          (other) =>
            other !== one &&
            one.left < other.right &&
            other.left < one.right &&
            one.top < other.bottom &&
            other.top < one.bottom,
        ),
      )
      .map((one) => one.id),
  );
};
