import {
  articleOf,
  cableTold,
  conductorKey,
  feetInches,
  findCable,
  isUntoldFeed,
  type StripEdge,
  type StripNode,
} from '@amber/core';
import { sayRunLength } from './runInWords.js';
import { widthOf, type StripPlan } from './stripGeometry.js';
import type { Subject } from './useSubject.js';

/** A cable that was found may have any name; what does not fit stands in the tooltip. */
const shortName = (name: string) => (name.length > 9 ? `${name.slice(0, 8)}…` : name);

/** From one cable to the next where several lead between the same places, pixels. */
const BESIDE = 30;

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
  // Over the names of the keys, and over a luminaire.
  const over = ({ devices }: StripNode) => (devices.length > 0 ? 50 : 36);
  const rise = Math.min(a.y, b.y) - 90;
  // Several cables between the same places lie side by side, each with its words over it.
  const aside = (edge.lane - (edge.lanes - 1) / 2) * BESIDE;
  const path = (shift: number) =>
    back
      ? `M${a.x + shift} ${a.y - over(from)}C${a.x + shift} ${rise + shift} ${b.x + shift} ${rise + shift} ${b.x + shift} ${b.y - over(to)}`
      : a.y === b.y
        ? `M${startX} ${a.y + aside + shift}H${endX}`
        : `M${a.x + 12 + aside + shift} ${a.y + 72}V${b.y + aside + shift}H${endX}`;
  const labelX = back ? (a.x + b.x) / 2 : a.y === b.y ? (startX + endX) / 2 : (a.x + 12 + endX) / 2;
  const labelY = (back ? rise + 12 : b.y) + aside;
  const told = cable && edge.lanes > 1 ? cableTold(subject.job, subject.wiring, cable, 'from') : '';
  const length = sayRunLength(subject, edge);
  const along = edge.length === null ? null : `${feetInches(edge.length)} along the run`;
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
      {back ? (
        <text x={labelX} y={labelY} textAnchor="middle" fontSize="11.5" className="plan-label">
          <tspan fontWeight="700">{shortName(name)}</tspan> {length}
          <title>{[name, length, along].filter((one) => one).join(', ')}</title>
        </text>
      ) : edge.lanes > 1 ? (
        <>
          <text x={labelX} y={labelY - 8} textAnchor="middle" fontSize="11.5" className="plan-label">
            <tspan fontWeight="700">{shortName(name)}</tspan> {told}
            <title>{[name, told, length, along].filter((one) => one).join(', ')}</title>
          </text>
          {edge.lane === edge.lanes - 1 ? (
            <text x={labelX} y={labelY + 22} textAnchor="middle" fontSize="11.5" className="plan-label">
              {length}
            </text>
          ) : null}
        </>
      ) : (
        <>
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
            {length}
            {along ? <title>{along}</title> : null}
          </text>
        </>
      )}
    </g>
  );
};
