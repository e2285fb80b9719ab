import { cablesThere, findBox, PANEL, type Job } from '@amber/core';
import { toPixel, type View } from '../../plan/view.js';

/** Cables that lie in the walls already, broken as what exists is drawn. */
export const LyingCables = ({ job, view }: { job: Job; view: View }) => {
  const spotOf = (place: string) => (place === PANEL ? job.routing.panel?.at : findBox(job, place)?.at);
  return (
    <g fill="none" stroke="var(--color-ink)" strokeWidth="1.8" strokeDasharray="8 4" aria-hidden="true">
      {cablesThere(job).map(({ id, between: [from, to] }) => {
        const [a, b] = [spotOf(from), spotOf(to)];
        if (!a || !b) return null;
        const [p, q] = [toPixel(view, a), toPixel(view, b)];
        return <path key={id} d={`M${p.x} ${p.y}H${q.x}V${q.y}`} />;
      })}
    </g>
  );
};
