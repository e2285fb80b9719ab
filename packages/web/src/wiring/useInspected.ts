import { useEffect, useState } from 'react';
import type { Finding } from '@amber/core';
import { useAfterPaint } from '../parts/useAfterPaint.js';
import type { Subject } from './useSubject.js';

/** A piece is not begun with less than this before something else is due, milliseconds. */
const LEAST_LEFT = 8;

/**
 * The findings of a subject, worked out a piece at a time once it is drawn, so that nothing waits for them. `now` is null until they are
 * those of the subject as it stands; `last` are those of its circuit before a change, to be shown as such meanwhile.
 */
export const useInspected = (subject: Subject): { now: Finding[] | null; last: Finding[] | null } => {
  const painted = useAfterPaint();
  const { inspectFurther, findings, circuit, wiringId } = subject;
  const of = `${wiringId} ${circuit?.id ?? ''}`;
  const [known, setKnown] = useState<{ by: () => boolean; of: string; findings: Finding[] } | null>(null);
  useEffect(() => {
    if (!painted) return;
    let idle = 0;
    const take = () => setKnown({ by: inspectFurther, of, findings: findings() });
    const further = (deadline: IdleDeadline) => {
      let isLeft = inspectFurther();
      while (isLeft && deadline.timeRemaining() > LEAST_LEFT) isLeft = inspectFurther();
      if (isLeft) idle = requestIdleCallback(further, { timeout: LATEST });
      else take();
    };
    if (typeof requestIdleCallback === 'function') idle = requestIdleCallback(further, { timeout: LATEST });
    else take();
    return () => {
      if (idle !== 0) cancelIdleCallback(idle);
    };
  }, [painted, inspectFurther, findings, of]);
  return {
    now: known?.by === inspectFurther && known.of === of ? known.findings : null,
    last: known?.of === of ? known.findings : null,
  };
};
/** A piece is done at last after so long, however much else there is to do, milliseconds. */
const LATEST = 100;
