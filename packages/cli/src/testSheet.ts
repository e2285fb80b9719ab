import { nextMoves, sayBeside, sheetOf } from '@amber/core';
import type { Command } from './report.js';
import { table } from './table.js';

const WITH = { receptacle: 'receptacle tester', reading: 'two-pole tester, live: qualified people alone' };

/** The test sheet: each group on the shortest walk through its handle positions, all handles in their first when it begins, and points to touch. */
export const testSheet: Command = (subject, { circuit, group: only }) => {
  const sheet = sheetOf(subject, circuit?.id ?? null);
  const groups = sheet.groups
    .filter(({ group }) => only === undefined || group === only.id)
    .map((group) => ({
      ...{ group: group.group, name: group.name, of: group.of, first: sayBeside(group) },
      steps: nextMoves(subject, group, {}, () => true).map(({ row, moves }) => ({
        moves: moves.map(({ device, name, to }) => ({ device, name, to })),
        positions: row.positions,
        expect: row.expect,
      })),
    }));
  const points = only === undefined ? sheet.points : [];
  return {
    lines: [
      'Power is on for this: every box closed, every plate on. Where the breaker trips, leave it off and do not try that position again.',
      ...groups.flatMap(({ name, of, first, steps }) => [
        `${name}${steps.length < of ? `, ${steps.length} of ${of} sets of positions, a sample` : ''}`,
        ...(first === null ? [] : [`  ${first}`]),
        ...table(
          steps.map(({ moves, expect }, i) => [
            `  ${i + 1}`,
            moves.length === 0
              ? 'every handle in its first position'
              : moves.map((move) => `${move.name} to ${move.to}`).join(', '),
            `expect ${expect}`,
          ]),
        ),
      ]),
      ...(points.length === 0 ? [] : ['Points to touch']),
      ...points.map((point) => `  ${point.name}, ${WITH[point.kind]}: ${point.expect}`),
    ],
    data: { groups, points },
    violates: false,
  };
};
