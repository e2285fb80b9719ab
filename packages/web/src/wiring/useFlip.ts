import { useCallback } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { DeviceId } from '@amber/core';
import { useAppDispatch } from '../store/store.js';
import { flipped } from '../store/wiringSlice.js';
import type { Subject } from './useSubject.js';

/** The way to flip a handle of what is shown; its number key does so too. */
export const useFlip = ({ devices }: Pick<Subject, 'devices'>): ((id: DeviceId) => void) => {
  const dispatch = useAppDispatch();
  const flip = useCallback(
    (id: DeviceId) => {
      const device = devices.find((one) => one.id === id);
      if (device) dispatch(flipped({ device: id, count: device.positions.length }));
    },
    [devices, dispatch],
  );
  useHotkeys('1,2,3,4,5,6,7,8,9', (_event, { keys }) => {
    const device = devices[Number(keys?.[0]) - 1];
    if (device) flip(device.id);
  });
  return flip;
};
