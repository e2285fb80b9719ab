import { useCallback } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Circuit, DeviceId, Job } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../app/store.js';
import { Board } from './Board.js';
import { flipped } from './benchSlice.js';
import { RunStripView } from './RunStripView.js';
import { SidePanel } from './SidePanel.js';
import { useBench } from './useBench.js';

/** What goes where in each box, and does it work? */
export const BenchScreen = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const bench = useBench(job, circuit);
  const positions = useAppSelector((state) => state.bench.positions);
  const dispatch = useAppDispatch();
  const flip = useCallback(
    (id: DeviceId) => {
      const device = bench.devices.find((one) => one.id === id);
      if (device) dispatch(flipped({ device: id, count: device.positions.length }));
    },
    [bench.devices, dispatch],
  );
  useHotkeys('1,2,3,4,5,6,7,8,9', (_event, { keys }) => {
    const device = bench.devices[Number(keys?.[0]) - 1];
    if (device) flip(device.id);
  });
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 flex-col lg:min-h-0 lg:flex-1">
        <h1 className="sr-only">Bench of {circuit.name}</h1>
        <RunStripView bench={bench} positions={positions} onFlip={flip} />
        <Board bench={bench} positions={positions} onFlip={flip} />
      </main>
      <SidePanel bench={bench} />
    </div>
  );
};
