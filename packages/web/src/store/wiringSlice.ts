import { ofId } from '@amber/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { BoxId, DeviceId } from '@amber/core';

/** What is made out of the wires: what is live, where current flows, what each is for, which circuit it belongs to. */
export const LENSES = ['live', 'current', 'use', 'circuit'] as const;
export type Lens = (typeof LENSES)[number];

/** What of a wiring is looked at: handles, the box in view, the conductor that is followed. Not part of the job. */
export interface WiringState {
  positions: Record<DeviceId, number>;
  box: BoxId | null;
  /** All boxes beside each other, or the one in view large. */
  view: 'all' | 'one';
  lens: Lens;
  /** Key of the wire that is followed from box to box. */
  followed: string | null;
  /** Key of the wire in a box that is in hand: the next tap says where it is. */
  inHand: { box: BoxId; key: string } | null;
  /** Id of the step that is asked for; the steps open at it. */
  step: string | null;
  /** The run and the positions of the handles are folded away. */
  folded: { run: boolean; positions: boolean };
}

const initialState: WiringState = {
  positions: {},
  box: null,
  view: 'all',
  lens: 'live',
  followed: null,
  inHand: null,
  step: null,
  folded: { run: false, positions: true },
};

export const wiringSlice = createSlice({
  name: 'wiring',
  initialState,
  reducers: {
    flipped: (state, { payload }: PayloadAction<{ device: DeviceId; count: number }>) => {
      state.positions[payload.device] = ((ofId(state.positions, payload.device) ?? 0) + 1) % payload.count;
    },
    positionsSet: (state, { payload }: PayloadAction<Record<DeviceId, number>>) => {
      Object.assign(state.positions, payload);
    },
    boxChosen: (state, { payload }: PayloadAction<BoxId | null>) => {
      state.box = payload;
    },
    viewed: (state, { payload }: PayloadAction<WiringState['view']>) => {
      state.view = payload;
    },
    lensTaken: (state, { payload }: PayloadAction<Lens>) => {
      state.lens = payload;
    },
    wireFollowed: (state, { payload }: PayloadAction<string | null>) => {
      state.followed = payload;
    },
    wireTaken: (state, { payload }: PayloadAction<WiringState['inHand']>) => {
      state.inHand = payload;
    },
    stepAsked: (state, { payload }: PayloadAction<string | null>) => {
      state.step = payload;
    },
    folded: (state, { payload }: PayloadAction<Partial<WiringState['folded']>>) => {
      Object.assign(state.folded, payload);
    },
    wiringCleared: () => initialState,
  },
});
export const {
  flipped,
  positionsSet,
  boxChosen,
  viewed,
  lensTaken,
  wireFollowed,
  stepAsked,
  wireTaken,
  folded,
  wiringCleared,
} = wiringSlice.actions;
