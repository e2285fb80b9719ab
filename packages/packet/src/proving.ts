import {
  findLuminaire,
  groupsOfCircuit,
  handleName,
  inspectorSheet,
  listed,
  positionName,
  truthTable,
} from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import { SAFETY } from './cover.js';
import type { Material } from './asked.js';
import { head, paragraph, subhead, table, tick } from './parts.js';

/** Longer walks than this are told to be a sample. */
const MOST_ROWS = 64;

/** For each group the shortest walk through all positions, one handle at a time, to be filled in. */
export const tests = ({ job, circuits, review }: Material, first: boolean): Content[] => [
  head('Test sheet', first),
  paragraph(
    'Energise only what is closed and may be energised. One handle is moved from each line to the next; the handles of other groups stay as they are. By whom, and when: ______________________________',
  ),
  ...job.groups
    .filter(({ control, circuit }) => control === 'switched' && circuits.some(({ id }) => id === circuit))
    .flatMap((group): Content[] => {
      const found = truthTable(job, review.wiring, review.compiled, group);
      if (found.switches.length === 0 || found.rows.length === 0) return [];
      const rows = found.rows.slice(0, MOST_ROWS);
      return [
        subhead(group.name),
        ...(rows.length < found.of
          ? [paragraph(`${rows.length} of ${found.of} sets of positions: a sample.`)]
          : []),
        table(
          [
            ...found.switches.map((id) => handleName(review, id)),
            ...found.luminaires.map((id) => findLuminaire(job, id)?.name ?? id),
            'As expected',
            'What was seen',
          ],
          rows.map(({ positions, lights }) => [
            ...found.switches.map((id, i) => positionName(review, id, positions[i] ?? 0)),
            ...lights.map((light) => (light === 'unknown' ? 'not known' : light)),
            tick(),
            '',
          ]),
          [...found.switches.map(() => '*' as const), ...found.luminaires.map(() => '*' as const), 52, 90],
        ),
      ];
    }),
];

/** A label for the door of the panel, and a card for whoever comes next: which switch is which, and where neutrals are. */
export const panel = ({ job, review, circuits: mine }: Material, first: boolean): Content[] => {
  const circuits = inspectorSheet(review).circuits.filter(({ circuit }) => mine.includes(circuit));
  const had: Record<(typeof circuits)[number]['neutrals'][number]['has'], string> = {
    planned: 'a neutral, as planned',
    there: 'a neutral',
    none: 'no neutral',
    notKnown: 'a neutral: not known, nobody has looked',
  };
  return [
    head('Label for the directory of the panel', first),
    table(
      ['Circuit', 'Breaker', 'What is on it', 'Rooms'],
      mine.map(({ id, name, breaker }) => [
        ...[name, `${breaker} A`, listed(groupsOfCircuit(job, id).map((group) => group.name))],
        listed([
          ...new Set(
            groupsOfCircuit(job, id).flatMap(
              (group) => job.rooms.find((room) => room.id === group.room)?.name ?? [],
            ),
          ),
        ]),
      ]),
      [110, 50, '*', '*'],
    ),
    subhead('A card to leave at the panel, for whoever comes next'),
    ...circuits.map(({ circuit, neutrals }): Content => ({
      unbreakable: true,
      stack: [
        { text: circuit.name, bold: true, margin: [0, 4, 0, 2] },
        {
          ul: neutrals.map(
            ({ name, group, has }) => `${name} switches ${group}; there is ${had[has]} in its box.`,
          ),
        },
      ],
    })),
    paragraph(SAFETY, { fontSize: 8 }),
  ];
};
