import { Verdict } from '../../panels/findings/Verdict.js';
import { useAfterPaint } from '../../parts/useAfterPaint.js';
import { useAppSelector } from '../../store/store.js';
import type { Subject } from '../../wiring/useSubject.js';

/** After each thing that is told: what it was, whether all of it still works, and what is found by today's code and that of its day. */
export const AfterTelling = ({ subject }: { subject: Subject }) => {
  const last = useAppSelector((state) => state.job.open?.history.past.at(-1)?.label ?? null);
  const findings = useAfterPaint() ? subject.findings() : null;
  return (
    <section
      aria-label="As it is told now"
      className="flex flex-col gap-1.5 rounded-md border border-line bg-paper p-2.5"
    >
      <Verdict subject={subject} findings={findings} />
      {last === null ? null : (
        <p role="status" className="ml-8 text-[13px] break-words text-quiet">
          Changed last: {last}
        </p>
      )}
    </section>
  );
};
