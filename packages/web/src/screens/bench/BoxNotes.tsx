import type { Subject } from '../../wiring/useSubject.js';
import type { BoxId } from '@amber/core';

/** What stands at a box before anybody works in it. Of several notes the first is read, the others open. */
export const BoxNotes = ({ subject, box }: { subject: Subject; box: BoxId }) => {
  const others = subject.otherCircuits.get(box) ?? [];
  const notes = [
    ...(others.length > 0
      ? [
          [
            'All breakers off:',
            `${others.join(', ')} ${others.length > 1 ? 'are' : 'is'} in this box too. A neutral can be live with the other breaker off.`,
          ] as const,
        ]
      : []),
    ...(subject.cautions.get(box) ?? []).map((caution) => ['Caution:', caution] as const),
  ];
  const [first, ...more] = notes;
  if (!first) return null;
  const line = ([head, what]: readonly [string, string]) => (
    <>
      <strong>{head}</strong> {what}
    </>
  );
  if (more.length === 0)
    return <p className="mx-2 mb-1 shrink-0 rounded bg-sheet px-2 py-1 text-[13px]">{line(first)}</p>;
  return (
    <details className="mx-2 mb-1 shrink-0 rounded bg-sheet px-2 text-[13px]" open>
      <summary className="min-h-8 cursor-pointer py-1">
        {line(first)} <span className="font-semibold underline">{more.length} more</span>
      </summary>
      {more.map((note) => (
        <p key={note[1]} className="pb-1">
          {line(note)}
        </p>
      ))}
    </details>
  );
};
