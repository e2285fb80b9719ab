import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';

/** A step that was ticked or unticked here, and that the server has not acknowledged yet. */
export interface PendingTick {
  /** Names it, so that it is kept once however often it is sent. */
  id: string;
  job: string;
  step: string;
  done: boolean;
}

export interface TickState {
  pending: PendingTick[];
  /** The server does not answer; they are kept in this browser and sent again. */
  waiting: boolean;
}

const initialState: TickState = { pending: [], waiting: false };

export const tickSlice = createSlice({
  name: 'ticks',
  initialState,
  reducers: {
    ticked: {
      reducer: (state, { payload }: PayloadAction<PendingTick>) => {
        state.pending.push(payload);
      },
      prepare: (tick: Omit<PendingTick, 'id'>) => ({ payload: { id: nanoid(), ...tick } }),
    },
    /** Those that this tab, or one that is gone, had left behind. */
    ticksFound: (state, { payload }: PayloadAction<PendingTick[]>) => {
      const known = new Set(state.pending.map((one) => one.id));
      state.pending = [...payload.filter((one) => !known.has(one.id)), ...state.pending];
    },
    /** The server has it, or refuses it for good. */
    tickSettled: (state, { payload }: PayloadAction<string>) => {
      state.pending = state.pending.filter((one) => one.id !== payload);
      state.waiting = false;
    },
    tickWaits: (state) => {
      state.waiting = true;
    },
  },
});

export const { ticked, ticksFound, tickSettled, tickWaits } = tickSlice.actions;

/** The steps of a job that are ticked, as they stand here: what the server knows, and what is on its way. */
export const tickedSteps = (
  known: readonly string[],
  pending: readonly PendingTick[],
  job: string,
): ReadonlySet<string> => {
  const steps = new Set(known);
  for (const tick of pending)
    if (tick.job === job) {
      if (tick.done) steps.add(tick.step);
      else steps.delete(tick.step);
    }
  return steps;
};
