import {
  articleOf,
  conductorKey,
  feetInches,
  findCable,
  isUntoldFeed,
  type StripEdge,
  type StripNode,
} from '@amber/core';
import { widthOf, type StripPlan } from './stripGeometry.js';
import type { Subject } from './useSubject.js';

/** A cable that was found may have any name; what does not fit stands in the tooltip. */
const shortName = (name: string) => (name.length > 9 ? `${name.slice(0, 8)}…` : name);

/** A cable of the strip: its conductors, those that are live in amber, with its kind and its length; an arc where it leads back. */
export const StripRun = ({
  subject,
  plan,
  edge,
  from,
  to,
  back,
}: {
  subject: Subject;
  plan: StripPlan;
  edge: StripEdge;
  from: StripNode;
  to: StripNode;
  back: boolean;
}) => {
  const a = plan.at(from);
  const b = plan.at(to);
  const cable = findCable(subject.wiring, edge.cable);
  const untold = cable !== undefined && isUntoldFeed(subject.job, cable);
  const name = untold ? 'supply' : edge.name;
  const colours = cable ? articleOf(subject.job.stock, 'cable', cable.article).insulated : [];
  const stateOf = (colour: (typeof colours)[number]) =>
    subject.state.nets[subject.compiled.netOf(conductorKey(edge.cable, colour)) ?? -1] ?? 'dead';
  const startX = a.x + widthOf(from) / 2 + 2;
  const endX = b.x - widthOf(to) / 2 - 2;
  const rise = Math.min(a.y, b.y) - 44;
  const path = (shift: number) =>
    back
      ? `M${a.x + shift} ${a.y - 34}C${a.x + shift} ${rise} ${b.x + shift} ${rise} ${b.x + shift} ${b.y - 34}`
      : a.y === b.y
        ? `M${startX} ${a.y + shift}H${endX}`
        : `M${a.x + 12 + shift} ${a.y + 72}V${b.y + shift}H${endX}`;
  const labelX = back ? (a.x + b.x) / 2 : a.y === b.y ? (startX + endX) / 2 : (a.x + 12 + endX) / 2;
  const labelY = back ? rise + 22 : b.y;
  return (
    <g>
      {colours.map((colour, i) => {
        const d = path((i - (colours.length - 1) / 2) * 4.5);
        const now = stateOf(colour);
        return now === 'live' || now === 'backfed' ? (
          <g key={colour}>
            <path d={d} fill="none" strokeWidth="3.5" className="wire-glow" />
            <path d={d} fill="none" strokeWidth="1.2" className="wire-core" />
          </g>
        ) : (
          <path
            key={colour}
            d={d}
            fill="none"
            stroke={now === 'unknown' ? 'var(--color-caution)' : '#7d7a70'}
            strokeDasharray={now === 'unknown' ? '4 3' : undefined}
            strokeWidth="1.6"
          />
        );
      })}
      <text
        x={labelX}
        y={labelY - 14}
        textAnchor="middle"
        fontSize="12.5"
        fontWeight="700"
        className="plan-label"
      >
        {shortName(name)}
        <title>{untold ? 'Nobody has told by which cable power comes' : name}</title>
      </text>
      <text x={labelX} y={labelY + 22} textAnchor="middle" fontSize="11.5" className="plan-label">
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
