import { levelsOf, levelView } from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import type { Material } from './asked.js';
import { drawn, head, paragraph } from './parts.js';
import { planPicture } from './planPicture.js';

/** Each floor with its rooms, boxes and new runs, numbered as their tags are. */
export const plans = ({ job, review: { wiring }, numbers }: Material, first: boolean): Content[] => {
  const levels = levelsOf(job);
  const floors =
    levels.length === 0
      ? [{ name: job.name, floor: job }]
      : levels.map(({ id, name }) => ({ name, floor: levelView(job, id) }));
  const pages = floors.flatMap(({ name, floor }) => {
    const picture = planPicture(floor, wiring, numbers);
    return picture ? [{ name, picture }] : [];
  });
  if (pages.length === 0) return [head('Plan', first), paragraph('Nothing of this job is placed on a plan.')];
  return pages.flatMap(({ name, picture }, i): Content[] => [
    head(`Plan: ${name}`, first && i === 0),
    drawn(picture, { width: 530, height: 620 }),
    paragraph(
      'S: switches. R: receptacle. Crossed circle: luminaire. Square: other box. Broken line with a number: new cable as planned, drawn straight; it lies as the framing lets it. The number is on its tags and in the cut list. Old cables are not drawn.',
      { fontSize: 8 },
    ),
  ]);
};
