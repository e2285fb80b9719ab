import { leadsBack, rowsUnderArcs, type RunSketch } from '@amber/core';
import { OnwardSign, ReceptacleSign } from './signs.js';

const STEP = 54;
const ROW = 30;
const SIZE = 22;

/** For runs that lead back over a row. */
const OVER = 16;

/** The width of one gang where there are several, pixels. */
const GANG = 17;

type Node = RunSketch['nodes'][number];
const widthOf = ({ letters }: Node): number => Math.max(SIZE, letters.length * GANG);

/** The middle of every column: as wide as the widest sign in it. */
const columnsOf = ({ nodes, columns }: RunSketch): number[] => {
  const widths = Array.from({ length: columns }, (_, column) =>
    Math.max(SIZE, ...nodes.filter((node) => node.column === column).map(widthOf)),
  );
  return widths.map(
    (width, i) => widths.slice(0, i).reduce((sum, one) => sum + one + STEP - SIZE, 2) + width / 2,
  );
};

/** How far a cable lies aside where several lead between the same two places, pixels. */
const asideOf = (edges: RunSketch['edges'], edge: RunSketch['edges'][number]): number => {
  const beside = edges.filter(
    (one) => (one.from === edge.from && one.to === edge.to) || (one.from === edge.to && one.to === edge.from),
  );
  return (beside.indexOf(edge) - (beside.length - 1) / 2) * 13;
};

/** The run of a circuit in small: places as drafting letters, cables as so many parallel lines. */
export const RunMini = ({ run, label }: { run: RunSketch; label: string }) => {
  const columns = columnsOf(run);
  const arcs = rowsUnderArcs(
    run.rows,
    run.edges.flatMap(({ from, to }) => {
      const [a, b] = [run.nodes[from], run.nodes[to]];
      return a && b ? [[a, b] as const] : [];
    }),
  );
  const over = (row: number): number => arcs.slice(0, row + 1).filter((one) => one).length * OVER;
  const at = (node: Node) => ({
    x: columns[node.column] ?? 0,
    y: node.row * ROW + over(node.row) + SIZE / 2 + 4,
  });
  const width = Math.max(...run.nodes.map((node) => at(node).x + widthOf(node) / 2)) + 2;
  const height = (run.rows - 1) * ROW + over(run.rows - 1) + SIZE + 8;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="drawing h-auto max-w-full"
      style={{ width }}
      role="img"
      aria-label={label}
    >
      {run.edges.map((edge, nth) => {
        const { from, to, insulated } = edge;
        const aside = asideOf(run.edges, edge);
        const [a, b] = [run.nodes[from], run.nodes[to]];
        if (!a || !b) return null;
        const [p, q] = [at(a), at(b)];
        return Array.from({ length: insulated }, (_, i) => {
          const shift = aside + (i - (insulated - 1) / 2) * 3;
          const off = shift * Math.sign(q.x - p.x);
          const d = leadsBack(a, b)
            ? `M${p.x + off} ${p.y}V${Math.min(p.y, q.y) - SIZE / 2 - 9 + shift}H${q.x - off}V${q.y}`
            : p.y === q.y
              ? `M${p.x} ${p.y + shift}H${q.x}`
              : `M${p.x + shift} ${p.y}V${q.y + shift}H${q.x}`;
          return <path key={`${nth} ${i}`} d={d} fill="none" stroke="#5c6168" strokeWidth="1.3" />;
        });
      })}
      {run.nodes.map((node, i) => {
        const { x, y } = at(node);
        const half = widthOf(node) / 2;
        if (node.sign !== null)
          return (
            <g key={i} transform={`translate(${x} ${y}) scale(0.85)`}>
              {node.sign === 'receptacle' ? (
                <ReceptacleSign stroke="#20262d" strokeWidth={1.8} />
              ) : (
                <OnwardSign stroke="#20262d" strokeWidth={1.8} />
              )}
            </g>
          );
        if (node.panel || node.letters.length > 0)
          return (
            <g key={i}>
              <rect
                x={x - half}
                y={y - SIZE / 2}
                width={2 * half}
                height={SIZE}
                rx="4"
                fill={node.panel ? '#20262d' : '#fff'}
                stroke="#20262d"
                strokeWidth="1.6"
              />
              {node.panel ? (
                <path
                  d={`M${x - 4} ${y}h8M${x} ${y - 6}v12`}
                  stroke="var(--color-amber-live)"
                  strokeWidth="2.4"
                />
              ) : (
                node.letters.map((letter, gang) => (
                  <text
                    key={gang}
                    x={x + (gang - (node.letters.length - 1) / 2) * GANG}
                    y={y + 3.5}
                    textAnchor="middle"
                    fontSize="10"
                    fontWeight="750"
                  >
                    {letter}
                  </text>
                ))
              )}
            </g>
          );
        return (
          <g key={i} stroke="#20262d" strokeWidth="1.5">
            <circle cx={x} cy={y} r={SIZE / 2 - 1} fill="#fff" />
            {node.luminaires > 0 ? <path d={`M${x - 7} ${y - 7}l14 14M${x - 7} ${y + 7}l14 -14`} /> : null}
          </g>
        );
      })}
    </svg>
  );
};
