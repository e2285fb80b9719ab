import { useMemo, useState } from 'react';
import {
  articlesOf,
  drawBox,
  evaluate,
  newJob,
  rolesOf,
  standardStock,
  withDraft,
  type BoxId,
  type CircuitDraft,
  type CircuitId,
  type DeviceId,
  type JobId,
  type Preferences,
  PANEL,
} from '@amber/core';
import { reviewOf } from '../../store/review.js';
import { OpenBox } from '../../wiring/OpenBox.js';

const BOX = 'near-door' as BoxId;
const place = (box: string, name: string, from: string, holds: CircuitDraft['places'][number]['holds']) => ({
  ...{ box: box as BoxId, name, article: null, accessible: 'yes' as const, holds },
  ...{ from: from as BoxId, length: 120 },
});

/** A pair of three-ways with the luminaire between them, the near one in a steel box: what most habits can be seen at. */
const sampleOf = (preferences: Preferences) => {
  const steel = articlesOf(standardStock(), 'box')
    .filter(({ part, metal, gangs, work }) => part === 'box' && metal && gangs === 1 && work === 'new')
    .sort((a, b) => b.volume - a.volume)[0];
  const near = place(BOX, 'Near door', PANEL, { kind: 'switch' });
  const job = withDraft(newJob('sample' as JobId, 'Sample', standardStock()), {
    ...{ circuit: 'sample' as CircuitId, name: 'Sample', breaker: 15, awg: 14, feedAt: PANEL },
    room: { name: 'Hall', kind: 'hallway', wholeFloorVisible: 'yes' },
    places: [
      { ...near, article: steel?.id ?? null },
      place('ceiling', 'Ceiling', BOX, { kind: 'luminaire', va: 60 }),
      place('far-door', 'Far door', 'ceiling', { kind: 'switch' }),
    ],
  });
  return reviewOf({ ...job, preferences });
};

const PLAIN = { faint: false, label: null };
const plain = () => PLAIN;

/** What habits change, on one opened box; its handle flips. */
export const HabitBox = ({ preferences }: { preferences: Preferences }) => {
  const [positions, setPositions] = useState<Record<DeviceId, number>>({});
  const { job, wiring, compiled } = useMemo(() => sampleOf(preferences), [preferences]);
  const drawing = useMemo(() => drawBox(job, wiring, BOX, { compiled }), [job, wiring, compiled]);
  const roles = useMemo(() => rolesOf(compiled), [compiled]);
  const state = evaluate(compiled, positions);
  return (
    <figure className="rounded-lg bg-board p-2">
      <figcaption className="pb-1 text-[13px]">
        <strong>A box of your habits:</strong> a three-way in steel, power from the panel. Amber is live.
      </figcaption>
      <OpenBox
        subject={{
          ...{ job, wiring, compiled, state },
          usualRole: (key) => roles[compiled.netOf(key) ?? -1] ?? 'spare',
        }}
        drawing={drawing}
        positions={positions}
        seen={plain}
        followed={null}
        onFlip={(id) => setPositions((before) => ({ ...before, [id]: 1 - (before[id] ?? 0) }))}
        onFollow={() => undefined}
        className="h-auto max-w-full"
      />
    </figure>
  );
};
