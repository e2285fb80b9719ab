import type { BoxId, DeviceId } from '../model/ids.js';
import { findBox } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import type { Positions } from '../circuit/parts.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { positionName } from '../words/handles.js';
import type { SheetGroup, SheetRow } from './sheet.js';
import { shortestWalk } from './walk.js';

/** One thing to do on the sheet: handles moved, mostly one, and what is to be seen then. */
export interface SheetMove {
  row: SheetRow;
  /** None where the handles stand so already: it is looked at as it is. */
  moves: { device: DeviceId; box: BoxId; name: string; to: string; position: number }[];
}

/** The walk through what is still open of a group, from where its handles are now. */
export const nextMoves = (
  { job }: Pick<ReviewedWiring, 'job'>,
  group: SheetGroup,
  now: Positions,
  isOpen: (row: SheetRow) => boolean,
): SheetMove[] => {
  const { handles } = group;
  const open = group.rows.filter(isOpen);
  const valuesOf = (positions: Positions) => handles.map(({ device }) => ofId(positions, device) ?? 0);
  const places = handles.map(({ box }) => findBox(job, box)?.at ?? null);
  const far = (from: number, to: number): number => {
    if (handles[from]?.box === handles[to]?.box) return 0;
    const [a, b] = [places[from], places[to]];
    // Boxes of which nobody has told where they are lie a room apart.
    return a && b ? Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z) : 120;
  };
  return shortestWalk(
    handles.map(({ positions }) => positions.length),
    valuesOf(now),
    open.map(({ positions }) => valuesOf(positions)),
    far,
  ).flatMap(({ at, moves }) => {
    const row = open[at];
    if (!row) return [];
    return [
      {
        row,
        moves: moves.flatMap(({ handle, to }) => {
          const one = handles[handle];
          return one
            ? [
                {
                  device: one.device,
                  box: one.box,
                  name: one.name,
                  to: one.positions[to] ?? String(to),
                  position: to,
                },
              ]
            : [];
        }),
      },
    ];
  });
};

/** Handle positions in words: "Creek end up, Yard end down". */
export const sayPositions = (
  review: Pick<ReviewedWiring, 'job' | 'wiring'>,
  group: SheetGroup,
  positions: Positions,
): string =>
  group.handles
    .map(({ device, name }) => `${name} ${positionName(review, device, ofId(positions, device) ?? 0)}`)
    .join(', ');
