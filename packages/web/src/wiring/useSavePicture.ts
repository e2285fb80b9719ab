import { useCallback } from 'react';
import { useAppDispatch } from '../store/store.js';
import { noticed } from '../store/noticeSlice.js';
import type { Drawn } from './savePicture.js';

export type { Drawn } from './savePicture.js';

/** Saves what is drawn as SVG or PNG, readable in black and white by its labels; what goes wrong is told. */
export const useSavePicture = (): ((drawn: Drawn[], title: string, kind: 'svg' | 'png') => Promise<void>) => {
  const dispatch = useAppDispatch();
  return useCallback(
    async (drawn, title, kind) => {
      try {
        const { savePicture } = await import('./savePicture.js');
        await savePicture(drawn, title, kind);
      } catch (error) {
        const why = error instanceof Error ? error.message : String(error);
        dispatch(noticed(`The picture could not be saved: ${why}`, { tone: 'problem' }));
      }
    },
    [dispatch],
  );
};
