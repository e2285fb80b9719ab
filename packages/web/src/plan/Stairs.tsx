import { extentOf, type Room } from '@amber/core';
import { toPixel, type View } from './view.js';

/** The treads of a stairway across its longer side, one line for each riser, and the way up. */
export const Stairs = ({ room, view }: { room: Room; view: View }) => {
  const extent = extentOf(room.outline ?? []);
  const risers = room.kind === 'stairway' ? (room.risers ?? 0) : 0;
  if (!extent || risers < 2) return null;
  const [a, b] = [toPixel(view, extent.least), toPixel(view, extent.most)];
  const upright = b.y - a.y >= b.x - a.x;
  const at = (share: number) => (upright ? b.y + (a.y - b.y) * share : a.x + (b.x - a.x) * share);
  const treads = Array.from({ length: risers - 1 }, (_, i) => at((i + 1) / risers));
  const middle = upright ? (a.x + b.x) / 2 : (a.y + b.y) / 2;
  const [from, to] = [at(0.5 / risers), at(1 - 0.7 / risers)];
  const back = upright ? 7 : -7;
  const way = upright
    ? `M${middle} ${from}V${to}m-5 ${back}l5 ${-back}l5 ${back}`
    : `M${from} ${middle}H${to}m${back} -5l${-back} 5l${back} 5`;
  return (
    <g stroke="var(--color-quiet)" strokeWidth="1" fill="none" aria-hidden="true">
      <path
        d={treads.map((t) => (upright ? `M${a.x} ${t}H${b.x}` : `M${t} ${a.y}V${b.y}`)).join('')}
        opacity="0.7"
      />
      <path d={way} strokeWidth="1.4" />
    </g>
  );
};
