import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';

/** A short message at the foot of the screen, with an undo where there is something to take back. */
export interface Notice {
  id: string;
  text: string;
  tone: 'plain' | 'problem';
  /** The job that a deletion can be taken back for. */
  restore: string | null;
}

export const noticeSlice = createSlice({
  name: 'notice',
  initialState: { current: null as Notice | null },
  reducers: {
    noticed: {
      reducer: (state, { payload }: PayloadAction<Notice>) => {
        state.current = payload;
      },
      prepare: (text: string, more: Partial<Notice> = {}) => ({
        payload: { id: nanoid(), text, tone: 'plain' as const, restore: null, ...more },
      }),
    },
    dismissed: (state) => {
      state.current = null;
    },
  },
});
export const { noticed, dismissed } = noticeSlice.actions;
