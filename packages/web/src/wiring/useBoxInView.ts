import type { BoxId } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../store/store.js';
import { boxChosen } from '../store/wiringSlice.js';
import type { Subject } from './useSubject.js';

/** The box in view: the one that was chosen, else the first of the run; null where there is none. And the way to its neighbours. */
export const useBoxInView = (
  subject: Subject,
): { box: BoxId | null; at: number; go: (by: number) => void } => {
  const chosen = useAppSelector((state) => state.wiring.box);
  const dispatch = useAppDispatch();
  const boxes = subject.drawings.map((drawing) => drawing.box);
  const at = Math.max(
    0,
    boxes.findIndex((one) => one === chosen),
  );
  const go = (by: number) => void dispatch(boxChosen(boxes[(at + by + boxes.length) % boxes.length] ?? null));
  return { box: boxes[at] ?? null, at, go };
};
