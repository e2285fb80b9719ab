import {
  beforePower,
  bitesOf,
  bitesTogether,
  type Bite,
  findBox,
  type BoxId,
  type DeadReading,
} from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import type { Material } from './asked.js';
import { head, paragraph, subhead, ticked } from './parts.js';

/** A head never stands alone at the foot of a page: it stays with the first of its lines. */
const withHead = (over: Content, [first, ...rest]: Content[]): Content[] =>
  first === undefined ? [] : [{ unbreakable: true, stack: [over, first] }, ...rest];

/** Dangers that single mistakes in a box bring while every handle does what it should, with the least reading that shows each. */
export const bites = (material: Material, first: boolean): Content[] => {
  const { review, boxes, job } = material;
  const nameOf = (box: BoxId) => findBox(job, box)?.name ?? box;
  const toldOf = (all: Bite[] | null) => all && bitesTogether(all);
  const found = boxes.map((box) => ({ box, bites: toldOf(bitesOf(review, box)) }));
  const unknown = found.flatMap((one) => (one.bites === null ? [one.box] : []));
  return [
    head('Where each box bites', first),
    paragraph(
      'A mistake can leave every handle doing what it should, and kill all the same. Look for these before a box is closed. Before any continuity reading: breakers off and proved dead, lamps out, loads unplugged. Live readings are for an electrician alone.',
    ),
    ...found.flatMap(({ box, bites: told }): Content[] =>
      told === null || told.length === 0
        ? []
        : [
            ...withHead(
              subhead(nameOf(box)),
              told.map(({ what, example, mistakes, reading }) =>
                ticked(
                  `${what.charAt(0).toUpperCase()}${what.slice(1)}. ${reading}`,
                  `${mistakes === 1 ? 'One mistake would do it' : `Any of ${mistakes} mistakes would do it, as`}: ${example}.`,
                ),
              ),
            ),
          ],
    ),
    ...(unknown.length > 0
      ? [
          paragraph(
            `Of ${unknown.map(nameOf).join(', ')} nothing is told, as not all of their circuits is known: take every wire there for live.`,
            { bold: true },
          ),
        ]
      : []),
  ];
};

/** The dead readings that prove the make-up before devices are in, circuit by circuit; of what is there already there are none. */
export const deadReadings = (
  { review, circuits }: Material,
  answered: (reading: DeadReading) => string,
): Content[] => {
  const told = circuits.flatMap(({ id, name }) => {
    const found = beforePower(review, id);
    return typeof found === 'string' ? [] : [{ name, ...found }];
  });
  if (told.length === 0) return [];
  return [
    paragraph(
      'No device in, no luminaire hung, nothing landed at the panel, and nobody goes into the panel for it. Look for foreign voltage first, between every two conductors. Every link wire comes off again. They cannot see what is under a screw, nor the cable to the panel.',
    ),
    ...told.flatMap(({ name, readings, mistakes, tried }): Content[] => [
      paragraph(`${name}: ${readings.length} readings show ${mistakes.length} of ${tried} single mistakes`, {
        bold: true,
      }),
      ...[...new Set(readings.map(({ link }) => link))].flatMap((link): Content[] =>
        withHead(
          paragraph(link ?? 'Without a link wire:'),
          readings
            .filter((one) => one.link === link)
            .map((one) =>
              ticked(
                `${one.step} Expect ${one.expect === 'continuity' ? 'continuity' : 'none'}.`,
                answered(one),
              ),
            ),
        ),
      ),
    ]),
  ];
};
