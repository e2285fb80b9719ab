import type { RunSketch } from '@amber/core';

const STEP = 54;
const ROW = 30;
const SIZE = 22;

const at = (node: RunSketch['nodes'][number]) => ({
  x: node.column * STEP + SIZE / 2 + 2,
  y: node.row * ROW + SIZE / 2 + 4,
});

/** The run of a circuit in small: places as drafting letters, cables as so many parallel lines. */
export const RunMini = ({ run, label }: { run: RunSketch; label: string }) => {
  const width = (run.columns - 1) * STEP + SIZE + 4;
  const height = (run.rows - 1) * ROW + SIZE + 8;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="drawing h-auto max-w-full"
      style={{ width }}
      role="img"
      aria-label={label}
    >
      {run.edges.map(({ from, to, insulated }) => {
        const [a, b] = [run.nodes[from], run.nodes[to]];
        if (!a || !b) return null;
        const [p, q] = [at(a), at(b)];
        return Array.from({ length: insulated }, (_, i) => {
          const shift = (i - (insulated - 1) / 2) * 3;
          const d =
            p.y === q.y ? `M${p.x} ${p.y + shift}H${q.x}` : `M${p.x + shift} ${p.y}V${q.y + shift}H${q.x}`;
          return <path key={`${from} ${to} ${i}`} d={d} fill="none" stroke="#5c6168" strokeWidth="1.3" />;
        });
      })}
      {run.nodes.map((node, i) => {
        const { x, y } = at(node);
        const word = node.letters.join('');
        if (node.panel || word)
          return (
            <g key={i}>
              <rect
                x={x - SIZE / 2}
                y={y - SIZE / 2}
                width={SIZE}
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
                <text x={x} y={y + 3.5} textAnchor="middle" fontSize="10" fontWeight="750">
                  {word}
                </text>
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
