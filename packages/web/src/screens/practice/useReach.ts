import { useState } from 'react';

/** What hinders somebody from reaching into a box: it is live, or nobody has proved it dead. */
export interface Reach {
  on: boolean;
  /** Somebody reached into a live box, and the breaker was not thrown since. */
  warned: boolean;
  /** It is asked how the box is proved dead. */
  asking: boolean;
  /** Does what is to be done in a box, or stops it. */
  into: (work: () => void) => void;
  setOn: (on: boolean) => void;
  proved: () => void;
}

/** What was never on is dead. Once the breaker was on, a box is proved dead before anybody reaches in; how that is done is asked once an exercise. */
export const useReach = (onAtFirst: boolean, onStopped: () => void): Reach => {
  const [on, switchTo] = useState(onAtFirst);
  const [wasOn, setWasOn] = useState(onAtFirst);
  const [knows, setKnows] = useState(false);
  const [warned, setWarned] = useState(false);
  const [asking, setAsking] = useState(false);
  return {
    ...{ on, warned, asking },
    into: (work) => {
      if (on) {
        setWarned(true);
        onStopped();
      } else if (!wasOn || knows) work();
      else setAsking(true);
    },
    setOn: (next) => {
      switchTo(next);
      if (next) setWasOn(true);
      setWarned(false);
      setAsking(false);
    },
    proved: () => {
      setKnows(true);
      setAsking(false);
    },
  };
};
