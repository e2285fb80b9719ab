import { useEffect, useState } from 'react';
import type { Finding } from '@amber/core';
import { useAfterPaint } from '../parts/useAfterPaint.js';
import { whileIdle } from '../parts/whileIdle.js';
import type { Subject } from './useSubject.js';

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
    return whileIdle(
      inspectFurther,
      () => setKnown({ by: inspectFurther, of, findings: findings() }),
      LATEST,
    );
  }, [painted, inspectFurther, findings, of]);
  return {
    now: known?.by === inspectFurther && known.of === of ? known.findings : null,
    last: known?.of === of ? known.findings : null,
  };
};
/** A piece is done at last after so long, however much else there is to do, milliseconds. */
const LATEST = 100;
