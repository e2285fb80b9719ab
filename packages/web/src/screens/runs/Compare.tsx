import { useState } from 'react';
import { Bar, BarChart, CartesianGrid, Scatter, ScatterChart, Tooltip, XAxis, YAxis } from 'recharts';
import { cubicInches, dollars, type Candidate, type Job, type PlanSet } from '@amber/core';
import { CablesAndBoxes } from './CablesAndBoxes.js';

const ROWS: [string, (plan: Candidate) => number, (value: number) => string][] = [
  ['Cost', ({ measures }) => measures.cost, dollars],
  ['Material', ({ measures }) => measures.material, dollars],
  ['Work', ({ measures }) => measures.minutes, (value) => `${Math.round(value)} min`],
  ['New cable', ({ measures }) => measures.feet, (value) => `${Math.round(value * 10) / 10} ft`],
  ['Runs', ({ measures }) => measures.runs, String],
  ['Most crowded box needs', ({ measures }) => measures.largest?.needed ?? 0, cubicInches],
  ['Fullest box', ({ measures }) => measures.fullest?.percent ?? 0, (value) => `${value} %`],
  ['Least room left', ({ measures }) => measures.tightest?.left ?? 0, cubicInches],
  ['Neutral at switches', ({ measures }) => measures.neutrals.present, String],
  ['Whites as hots', ({ measures }) => measures.reidentified, String],
  ['Splices', ({ measures }) => measures.splices, String],
];

/** Two plans side by side; what differs is set in bold. */
const SideBySide = ({
  plans,
  first,
  other,
  onAgainst,
}: {
  plans: readonly Candidate[];
  first: Candidate;
  other: Candidate;
  onAgainst: (letter: string) => void;
}) => (
  <table className="w-full text-[13.5px]">
    <thead>
      <tr className="border-b border-line text-left">
        <th scope="col" className="py-1 font-normal text-quiet">
          Measure
        </th>
        <th scope="col" className="text-right">
          <select
            aria-label="Compare with plan"
            value={first.letter}
            onChange={(event) => onAgainst(event.target.value)}
            className="min-h-10 rounded-md border border-line bg-white px-2 font-bold"
          >
            {plans
              .filter((one) => one.letter !== other.letter)
              .map((one) => (
                <option key={one.letter}>{one.letter}</option>
              ))}
          </select>
        </th>
        <th scope="col" className="text-right">
          {other.letter}
        </th>
      </tr>
    </thead>
    <tbody>
      {ROWS.map(([name, of, say]) => {
        const [a, b] = [say(of(first)), say(of(other))];
        return (
          <tr key={name} className="border-b border-line">
            <th scope="row" className="py-1 text-left font-normal text-quiet">
              {name}
            </th>
            <td className={`text-right ${a === b ? '' : 'font-bold'}`}>{a}</td>
            <td className={`text-right ${a === b ? '' : 'font-bold'}`}>{b}</td>
          </tr>
        );
      })}
    </tbody>
  </table>
);

const axis = { stroke: 'var(--color-quiet)', fontSize: 12 };

/** Cost against what the most crowded box needs, for all plans: cheap and roomy is lower left. */
const CostAgainstRoom = ({
  plans,
  current,
  onPick,
}: {
  plans: readonly Candidate[];
  current: string;
  onPick: (letter: string) => void;
}) => {
  const points = plans.map((plan) => ({
    letter: plan.letter,
    cost: plan.measures.cost / 10_000,
    needed: (plan.measures.largest?.needed ?? 0) / 10_000,
  }));
  return (
    <figure>
      <figcaption className="text-[13px] font-semibold">Cost against the most crowded box</figcaption>
      <ScatterChart
        width={330}
        height={176}
        margin={{ top: 14, right: 16, bottom: 14, left: 0 }}
        accessibilityLayer={false}
      >
        <CartesianGrid stroke="var(--color-line)" />
        <XAxis
          type="number"
          dataKey="cost"
          domain={['auto', 'auto']}
          tickFormatter={(value: number) => `$${Math.round(value)}`}
          {...axis}
        />
        <YAxis type="number" dataKey="needed" domain={['auto', 'auto']} unit=" in³" width={58} {...axis} />
        <Tooltip formatter={(value) => (typeof value === 'number' ? value.toFixed(0) : value)} />
        <Scatter
          data={points}
          isAnimationActive={false}
          onClick={(point: { payload?: { letter: string } }) => point.payload && onPick(point.payload.letter)}
          shape={({
            cx = 0,
            cy = 0,
            payload,
          }: {
            cx?: number;
            cy?: number;
            payload?: { letter: string };
          }) => (
            <g transform={`translate(${cx} ${cy})`} className="cursor-pointer">
              <circle
                r="10"
                fill={payload?.letter === current ? 'var(--color-ink)' : '#fff'}
                stroke="var(--color-ink)"
                strokeWidth="1.5"
              />
              <text
                y="4"
                textAnchor="middle"
                fontSize="11.5"
                fontWeight="700"
                fill={payload?.letter === current ? '#fff' : 'var(--color-ink)'}
              >
                {payload?.letter}
              </text>
            </g>
          )}
        />
      </ScatterChart>
    </figure>
  );
};

const PARTS = [
  ['cable', 'cable', '#20262d'],
  ['box', 'boxes', '#7d8a94'],
  ['device', 'devices', '#a9a59a'],
  ['connector', 'connectors', '#2a6556'],
  ['labour', 'work', '#dcd5c6'],
  ['other', 'other', '#8d6f9b'],
] as const;

/** Where the money goes, plan by plan. */
const CostByKind = ({ plans }: { plans: readonly Candidate[] }) => {
  const rows = plans.slice(0, 10).map((plan) => {
    const of = (kind: string) => (plan.measures.shares.find((one) => one.kind === kind)?.total ?? 0) / 10_000;
    const known = PARTS.map(([kind]) => kind).filter((kind) => kind !== 'other');
    const other = plan.measures.shares
      .filter((one) => !(known as string[]).includes(one.kind))
      .reduce((sum, one) => sum + one.total, 0);
    return {
      letter: plan.letter,
      ...Object.fromEntries(known.map((kind) => [kind, of(kind)])),
      other: other / 10_000,
    };
  });
  return (
    <figure>
      <figcaption className="text-[13px] font-semibold">Where the money goes</figcaption>
      <BarChart
        width={330}
        height={166}
        data={rows}
        margin={{ top: 8, right: 8, bottom: 0, left: 0 }}
        accessibilityLayer={false}
      >
        <CartesianGrid stroke="var(--color-line)" vertical={false} />
        <XAxis dataKey="letter" {...axis} />
        <YAxis width={52} tickFormatter={(value: number) => `$${value}`} {...axis} />
        <Tooltip formatter={(value) => (typeof value === 'number' ? `$${value.toFixed(2)}` : value)} />
        {PARTS.map(([kind, name, paint]) => (
          <Bar key={kind} dataKey={kind} name={name} stackId="cost" fill={paint} isAnimationActive={false} />
        ))}
      </BarChart>
      <ul className="flex flex-wrap gap-x-3 text-[12.5px]">
        {PARTS.map(([kind, name, paint]) => (
          <li key={kind} className="flex items-center gap-1.5">
            <span className="size-3 rounded-xs border border-quiet" style={{ background: paint }} />
            {name}
          </li>
        ))}
      </ul>
    </figure>
  );
};

export const Compare = ({
  job,
  found,
  plan,
  onPick,
}: {
  job: Job;
  found: PlanSet;
  plan: Candidate;
  onPick: (letter: string) => void;
}) => {
  const [against, setAgainst] = useState<string | null>(null);
  const others = found.candidates.filter((one) => one.letter !== plan.letter);
  const first = others.find((one) => one.letter === against) ?? others[0];
  return (
    <div className="flex flex-wrap gap-x-8 gap-y-5">
      {first ? (
        <>
          <div className="w-full">
            <CablesAndBoxes job={job} plans={[first, plan]} />
          </div>
          <div className="min-w-60 flex-1">
            <SideBySide plans={found.candidates} first={first} other={plan} onAgainst={setAgainst} />
          </div>
        </>
      ) : null}
      <CostAgainstRoom plans={found.candidates} current={plan.letter} onPick={onPick} />
      <CostByKind plans={found.candidates} />
    </div>
  );
};
