import { useCallback } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Circuit, DeviceId, Job } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { Board } from './Board.js';
import { flipped, viewed, wireFollowed } from '../../store/wiringSlice.js';
import { PositionRibbon, useWalk } from '../../wiring/PositionRibbon.js';
import { RunStripView } from '../../wiring/RunStripView.js';
import { SidePanel } from './SidePanel.js';
import { useBench } from '../../wiring/useBench.js';
import { useBoxInView } from '../../wiring/useBoxInView.js';
import { useFollowed } from '../../wiring/useFollowed.js';

/** What goes where in each box, and does it work? */
export const BenchScreen = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const bench = useBench(job, circuit);
  const { positions, view, followed: key } = useAppSelector((state) => state.bench);
  const dispatch = useAppDispatch();
  const followed = useFollowed(bench, positions);
  const walk = useWalk(bench, positions);
  const flip = useCallback(
    (id: DeviceId) => {
      const device = bench.devices.find((one) => one.id === id);
      if (device) dispatch(flipped({ device: id, count: device.positions.length }));
    },
    [bench.devices, dispatch],
  );
  const { at, go } = useBoxInView(bench);
  /** The next conductor of the box in view; one that is a piece with the last is passed over. */
  const followNext = (by: number) => {
    const drawing = bench.drawings[at];
    const nets = new Map(
      (drawing?.wires ?? []).map((wire) => [bench.compiled.netOf(wire.key) ?? -1, wire.key] as const),
    );
    const keys = [...nets.values()];
    const net = key === null ? undefined : bench.compiled.netOf(key);
    const now = net === undefined ? -1 : [...nets.keys()].indexOf(net);
    const next = now < 0 ? (by > 0 ? 0 : keys.length - 1) : (now + by + keys.length) % keys.length;
    dispatch(wireFollowed(keys[next] ?? null));
  };
  useHotkeys('1,2,3,4,5,6,7,8,9', (_event, { keys }) => {
    const device = bench.devices[Number(keys?.[0]) - 1];
    if (device) flip(device.id);
  });
  useHotkeys('w', () => void walk.step());
  useHotkeys('n', () => go(1));
  useHotkeys('b', () => go(-1));
  useHotkeys('v', () => void dispatch(viewed(view === 'all' ? 'one' : 'all')));
  useHotkeys('f', () => followNext(1));
  useHotkeys('shift+f', () => followNext(-1));
  useHotkeys('escape', () => void dispatch(wireFollowed(null)));
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 flex-col lg:min-h-0 lg:flex-1">
        <h1 className="sr-only">Bench of {circuit.name}</h1>
        {view === 'all' ? <RunStripView bench={bench} positions={positions} onFlip={flip} /> : null}
        <PositionRibbon walk={walk} />
        <Board bench={bench} positions={positions} followed={followed} onFlip={flip} onGo={go} />
      </main>
      <SidePanel bench={bench} />
    </div>
  );
};
