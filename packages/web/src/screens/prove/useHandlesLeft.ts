import { useEffect, useRef } from 'react';
import { ofId, type Positions } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { positionsSet } from '../../store/wiringSlice.js';
import type { Left } from './handlesLeft.js';

/**
 * Sets the handles as the answers left them, each answer once: the next move goes on from there after a reload and on every device. What somebody
 * sets by hand since stays, and an answer that is taken back moves none.
 */
export const useHandlesLeft = (left: readonly Left[]): void => {
  const dispatch = useAppDispatch();
  const positions = useAppSelector((state) => state.wiring.positions);
  const taken = useRef(new Set<string>());
  useEffect(() => {
    const fresh = left.filter(({ record }) => !taken.current.has(record.id));
    if (fresh.length === 0) return;
    for (const { record } of fresh) taken.current.add(record.id);
    const told = fresh.reduce<Positions>((all, one) => ({ ...all, ...one.positions }), {});
    // Whoever answers here has set them already: what is reckoned out of them is not reckoned again.
    const isSet = Object.entries(told).every(([id, position]) => (ofId(positions, id) ?? 0) === position);
    if (!isSet) dispatch(positionsSet({ ...positions, ...told }));
  }, [left, positions, dispatch]);
};
