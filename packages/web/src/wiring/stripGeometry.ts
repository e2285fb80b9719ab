import { rowsUnderArcs, type RunStrip, type StripNode } from '@amber/core';

/** Pixels of the run strip at full size. */
const LEAST_COLUMN = 132;
export const ROW = 138;
const MIDDLE = 52;
export const HANDLE = 50;
export const LAMP = 66;
export const SMALL_LAMP = 38;
const OTHER = 60;
/** For runs that lead back over a row. */
const OVER = 46;
/** Around what is drawn at a place, for the name of the run. */
const BETWEEN = 74;

/** Width of what is drawn at a place: its handles and receptacles, its luminaires. */
export const widthOf = ({ devices, luminaires }: StripNode): number => {
  const lamps = luminaires.length > 1 ? luminaires.length * SMALL_LAMP : luminaires.length * LAMP;
  return devices.length + luminaires.length === 0 ? OTHER : devices.length * HANDLE + lamps;
};

export interface StripPlan {
  width: number;
  height: number;
  /** The middle of what is drawn at a place, and the width of its column. */
  at: (node: StripNode) => { x: number; y: number; column: number };
}

/** A strip with columns as wide as what stands in them, so that nothing covers anything. */
export const planStrip = (strip: RunStrip): StripPlan => {
  const columns = Array.from({ length: strip.columns }, (_, column) =>
    Math.max(
      LEAST_COLUMN,
      ...strip.nodes.filter((node) => node.column === column).map((node) => widthOf(node) + BETWEEN),
    ),
  );
  const nodeAt = (id: string) => strip.nodes.find((node) => node.id === id);
  const arcs = rowsUnderArcs(
    strip.rows,
    strip.edges.flatMap(({ from, to }) => {
      const [a, b] = [nodeAt(from), nodeAt(to)];
      return a && b ? [[a, b] as const] : [];
    }),
  );
  /** Where a row begins, what leads over it above it. */
  const top = (row: number): number =>
    row * ROW + arcs.slice(0, row + 1).filter((over) => over).length * OVER;
  const starts = columns.map((_, i) => columns.slice(0, i).reduce((sum, width) => sum + width, 0));
  return {
    width: columns.reduce((sum, width) => sum + width, 0),
    height: top(strip.rows - 1) + ROW,
    at: ({ column, row }) => ({
      x: (starts[column] ?? 0) + (columns[column] ?? 0) / 2,
      y: top(row) + MIDDLE,
      column: columns[column] ?? LEAST_COLUMN,
    }),
  };
};
