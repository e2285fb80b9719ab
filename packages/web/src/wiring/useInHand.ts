import { useCallback } from 'react';
import { endsOfKey, putAt, wiresIn, type BoxId, type WireHere } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../store/store.js';
import { useTelling } from '../store/useTelling.js';
import { wireFollowed, wireTaken } from '../store/wiringSlice.js';
import type { Subject } from './useSubject.js';

/** A wire of a box that a key of the picture names, or the lead; null for what is no wire of its own. */
const wireOf = (subject: Subject, box: BoxId, key: string): WireHere | null => {
  const wires = wiresIn(subject.job, subject.wiring, box);
  const [end] = endsOfKey(subject.wiring, box, key);
  const own = end && `${end.cable}|${end.side}|${end.colour}`;
  return wires.find((one) => one.key === key || one.key === own) ?? null;
};

/**
 * The wire that is in hand: one tap takes it, the next says where it is. Of the planned wiring nothing is in hand; there a tap follows
 * the wire.
 */
export const useInHand = (subject: Subject) => {
  const dispatch = useAppDispatch();
  const inHand = useAppSelector((state) => state.wiring.inHand);
  const { tell, refusal, clear } = useTelling(subject.job, subject.wiringId);
  const wire: WireHere | null = subject.readOnly && inHand ? wireOf(subject, inHand.box, inHand.key) : null;
  const leave = useCallback(() => {
    dispatch(wireTaken(null));
    dispatch(wireFollowed(null));
    clear();
  }, [dispatch, clear]);
  const take = (box: BoxId, key: string) => {
    const found = wireOf(subject, box, key);
    dispatch(wireTaken(found ? { box, key } : null));
    dispatch(wireFollowed(key));
  };
  const say = (to: Parameters<typeof tell>[0], label: string) => {
    if (inHand && tell(to, inHand.box, label)) leave();
  };
  const tap = (box: BoxId, key: string) => {
    if (!subject.readOnly) return void dispatch(wireFollowed(key));
    if (!inHand || !wire || inHand.box !== box) return take(box, key);
    if (key === inHand.key) return leave();
    const to = putAt(subject.job, subject.wiring, box, wire.wire, key);
    if (to === null) return take(box, key);
    say({ do: 'put', wire: wire.wire, to }, wire.words);
  };
  const put = (to: 'alone' | 'loose' | 'unseen') => {
    if (wire) say({ do: 'put', wire: wire.wire, to }, wire.words);
  };
  return { wire, at: wire ? inHand : null, tap, put, leave, refusal };
};
