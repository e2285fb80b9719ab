import {
  groupsOfCircuit,
  inspectorSheet,
  listed,
  sayBeside,
  sheetOf,
  signOffsOf,
  STAGE_WORDS,
  triedStates,
  type Tried,
} from '@amber/core';
import type { Content } from 'pdfmake/interfaces.js';
import { SAFETY } from './cover.js';
import { deadReadings } from './dangers.js';
import type { Material } from './asked.js';
import { head, paragraph, subhead, table, tick } from './parts.js';

const day = (at: string): string => at.slice(0, 10);

/** What was answered to a line of the sheet; empty where it is still to be filled in. */
const answered = ({ state, saw, by, at }: Tried): string =>
  state === 'open'
    ? ''
    : `${{ met: saw === '' ? 'as expected' : `seen: ${saw}`, otherwise: `NOT: ${saw}`, changed: 'tried before something changed: try again' }[state]}, ${[by, day(at)].filter((one) => one !== '').join(' ')}`;

/** For each group the shortest walk through all positions, one handle at a time, with what was answered or to be filled in; points to touch; who signed. */
export const tests = (material: Material, first: boolean): Content[] => {
  const { review, records, circuit } = material;
  const { groups, points } = sheetOf(review, circuit);
  const stateOf = triedStates(records, { id: review.id, planned: true });
  const cell = (asked: { id: string; hash: string }): Content => {
    const words = answered(stateOf(asked));
    return words === '' ? tick() : { text: words, fontSize: 8 };
  };
  const dead = deadReadings(material, (one) => answered(stateOf(one)));
  return [
    ...(dead.length > 0 ? [head('Before power is there: dead readings', first), ...dead] : []),
    head('Test sheet', first && dead.length === 0),
    paragraph(
      'Energise only what is closed and may be energised. One handle is moved from each line to the next; the handles of other groups stay as they are. Where the breaker trips, leave it off and do not try that position again. By whom, and when: ______________________________',
    ),
    ...groups.flatMap(({ name, handles, rows, of, ...group }): Content[] => [
      subhead(name),
      ...[sayBeside(group)].flatMap((words) => (words === null ? [] : [paragraph(words)])),
      ...(rows.length < of ? [paragraph(`${rows.length} of ${of} sets of positions: a sample.`)] : []),
      table(
        [...handles.map((one) => one.name), 'Expected', 'As expected', 'What was seen'],
        rows.map((row) => [
          ...handles.map(({ device, positions }) => positions[row.positions[device] ?? 0] ?? ''),
          ...[row.expect, cell(row), ''],
        ]),
        [...handles.map(() => '*' as const), 110, 90, 80],
      ),
    ]),
    ...(points.length === 0
      ? []
      : [
          subhead('Points to touch'),
          paragraph(
            'Live readings are for qualified people alone: a two-pole tester, proved before and after.',
            {
              bold: true,
            },
          ),
          table(
            ['Point', 'With', 'Expected', 'As expected'],
            points.map((point) => [
              point.name,
              point.kind === 'receptacle' ? 'receptacle tester' : 'two-pole tester, live',
              point.expect,
              cell(point),
            ]),
            ['*', 84, '*', 90],
          ),
        ]),
    subhead('Signed'),
    table(
      ['Stage', 'By', 'On', ''],
      signOffsOf(review, records, circuit).map(({ stage, state, initials, at }) => [
        STAGE_WORDS[stage],
        ...(state === 'open'
          ? ['', '', '']
          : [initials, day(at), state === 'signed' ? 'stands' : 'changed since: look again and sign anew']),
      ]),
      [90, 90, 80, '*'],
    ),
  ];
};

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
          ul:
            neutrals.length === 0
              ? ['No switch controls it: take it for live while its breaker is on.']
              : neutrals.map(
                  ({ name, group, has }) => `${name} switches ${group}; there is ${had[has]} in its box.`,
                ),
        },
      ],
    })),
    { margin: [0, 10, 0, 0], stack: [paragraph(SAFETY, { fontSize: 8 })] },
  ];
};
