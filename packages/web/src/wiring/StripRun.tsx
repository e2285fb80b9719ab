import {
  articleOf,
  conductorKey,
  feetInches,
  findCable,
  isUntoldFeed,
  type StripEdge,
  type StripNode,
} from '@amber/core';
import { centre, halfWidth } from './stripGeometry.js';
import type { Subject } from './useSubject.js';

/** A cable that was found may have any name; what does not fit stands in the tooltip. */
const shortName = (name: string) => (name.length > 9 ? `${name.slice(0, 8)}…` : name);

/** A cable of the strip: its conductors, those that are live in amber, with its kind and its length. */
export const StripRun = ({
  subject,
  edge,
  from,
  to,
}: {
  subject: Subject;
  edge: StripEdge;
  from: StripNode;
  to: StripNode;
}) => {
  const a = centre(from);
  const b = centre(to);
  const cable = findCable(subject.wiring, edge.cable);
  const untold = cable !== undefined && isUntoldFeed(subject.job, cable);
  const name = untold ? 'supply' : edge.name;
  const colours = cable ? articleOf(subject.job.stock, 'cable', cable.article).insulated : [];
  const isLive = (colour: (typeof colours)[number]) => {
    const net = subject.compiled.netOf(conductorKey(edge.cable, colour));
    return net !== undefined && subject.state.nets[net] === 'live';
  };
  const startX = a.x + halfWidth(from);
  const endX = b.x - halfWidth(to);
  const path = (shift: number) =>
    a.y === b.y
      ? `M${startX} ${a.y + shift}H${endX}`
      : `M${a.x + 12 + shift} ${a.y + 76}V${b.y + shift}H${endX}`;
  const labelX = a.y === b.y ? (startX + endX) / 2 : (a.x + 12 + endX) / 2;
  return (
    <g>
      {colours.map((colour, i) => {
        const d = path((i - (colours.length - 1) / 2) * 4.5);
        return isLive(colour) ? (
          <g key={colour}>
            <path d={d} fill="none" strokeWidth="3.5" className="wire-glow" />
            <path d={d} fill="none" strokeWidth="1.2" className="wire-core" />
          </g>
        ) : (
          <path key={colour} d={d} fill="none" stroke="#7d7a70" strokeWidth="1.6" />
        );
      })}
      <text x={labelX} y={b.y - 14} textAnchor="middle" fontSize="12.5" fontWeight="700">
        {shortName(name)}
        <title>{untold ? 'Nobody has told by which cable power comes' : name}</title>
      </text>
      <text x={labelX} y={b.y + 22} textAnchor="middle" fontSize="11.5" fill="var(--color-quiet)">
        {edge.existing
          ? untold
            ? 'as found'
            : 'existing'
          : edge.length === null
            ? ''
            : `${SOURCE_WORDS[edge.lengthSource]}${feetInches(edge.length)}`}
      </text>
    </g>
  );
};

const SOURCE_WORDS = { estimated: 'est. ', guessed: 'guess ', measured: '', unknown: '' } as const;
