import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { BoxId, DeviceId } from '@amber/core';

/** What the bench shows now: handles and the box in view. Not part of the job. */
export interface BenchState {
  positions: Record<DeviceId, number>;
  box: BoxId | null;
}

const initialState: BenchState = { positions: {}, box: null };

export const benchSlice = createSlice({
  name: 'bench',
  initialState,
  reducers: {
    flipped: (state, { payload }: PayloadAction<{ device: DeviceId; count: number }>) => {
      state.positions[payload.device] = ((state.positions[payload.device] ?? 0) + 1) % payload.count;
    },
    boxChosen: (state, { payload }: PayloadAction<BoxId | null>) => {
      state.box = payload;
    },
    benchCleared: () => initialState,
  },
});
export const { flipped, boxChosen, benchCleared } = benchSlice.actions;
