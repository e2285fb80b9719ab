import { findBox } from '@amber/core';
import type { GroupId, Job } from '@amber/core';
import { toPixel, type View } from '../../plan/view.js';

/** Which switches control which luminaires, of the group that is worked on: a thin curve from each to the nearest. */
export const ControlLines = ({ job, view, group }: { job: Job; view: View; group: GroupId | null }) => {
  const spotOf = (box: string) => findBox(job, box)?.at ?? null;
  const of = (items: readonly { box: string; group: GroupId }[]) =>
    items.filter((one) => one.group === group).flatMap((one) => spotOf(one.box) ?? []);
  const lamps = of(job.luminaires);
  return (
    <g
      fill="none"
      stroke="var(--color-ink)"
      strokeWidth="1.3"
      strokeDasharray="11 3 1.5 3"
      aria-hidden="true"
    >
      {of(job.slots).map((from, i) => {
        const near = lamps.reduce<(typeof lamps)[number] | null>(
          (best, one) =>
            best && Math.hypot(best.x - from.x, best.y - from.y) <= Math.hypot(one.x - from.x, one.y - from.y)
              ? best
              : one,
          null,
        );
        if (!near) return null;
        const [a, b] = [toPixel(view, from), toPixel(view, near)];
        const [mx, my] = [(a.x + b.x) / 2 + (b.y - a.y) * 0.14, (a.y + b.y) / 2 - (b.x - a.x) * 0.14];
        return <path key={i} d={`M${a.x} ${a.y}Q${mx} ${my} ${b.x} ${b.y}`} />;
      })}
      {lamps.slice(1).map((lamp, i) => {
        const [a, b] = [toPixel(view, lamps[i] ?? lamp), toPixel(view, lamp)];
        return <path key={`lamp ${i}`} d={`M${a.x} ${a.y}L${b.x} ${b.y}`} />;
      })}
    </g>
  );
};
