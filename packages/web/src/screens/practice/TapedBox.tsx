import {
  colourWord,
  LAID,
  lookOf,
  tapeKey,
  tapeWord,
  type Stub,
  type WirePair,
  type WirePoint,
} from '@amber/core';
import { pointsOf, StubArt } from '../../wiring/StubArt.js';
import type { Hold, Tool } from './holds.js';

const pairAt = (held: Hold | null, stub: Stub): WirePair | null =>
  held !== null && tapeKey(held.stub) === tapeKey(stub) && held.points.length === 2
    ? (held.points as WirePair)
    : null;

const heldAt = (held: Hold | null, stub: Stub, point: WirePoint): boolean =>
  held !== null && tapeKey(held.stub) === tapeKey(stub) && held.points.includes(point);

/** What comes into an opened box, each cable with its strip of tape; its wires are buttons for whatever tool is in hand. */
export const TapedBox = ({
  name,
  stubs,
  holds,
  onTap,
}: {
  name: string;
  stubs: readonly Stub[];
  holds: Readonly<Record<Tool, Hold | null>>;
  onTap: (stub: Stub, point: WirePoint) => void;
}) => (
  <article
    aria-label={`Box ${name}`}
    className="max-w-full min-w-0 rounded-xl border-2 border-ink bg-sheet p-3"
  >
    <h2 className="text-[16px] font-bold">{name}</h2>
    <div className="mt-1 flex flex-col gap-3">
      {stubs.map((stub) => {
        const link = pairAt(holds.link, stub);
        const read = pairAt(holds.tester, stub);
        return (
          <div key={stub.number} className="flex flex-col gap-1">
            <StubArt stub={stub} link={link} read={read ? [read] : []} />
            <div role="group" aria-label={`Wires of ${tapeWord(stub)}`} className="flex flex-wrap gap-1">
              {pointsOf(stub, false).map((point) => {
                if (point === LAID) return null;
                const isHeld = heldAt(holds.link, stub, point) || heldAt(holds.tester, stub, point);
                return (
                  <button
                    key={point}
                    type="button"
                    aria-pressed={isHeld}
                    onClick={() => onTap(stub, point)}
                    className="flex min-h-10 min-w-12 items-center gap-1.5 rounded-md border border-edge bg-white px-2 text-[13px] font-semibold aria-pressed:border-3 aria-pressed:border-ink"
                  >
                    <span
                      aria-hidden="true"
                      className="inline-block h-2 w-5 rounded-full border"
                      style={{ background: lookOf(point).paint, borderColor: lookOf(point).outline }}
                    />
                    {colourWord(point)}
                  </button>
                );
              })}
            </div>
          </div>
        );
      })}
    </div>
  </article>
);
