import type { Subject } from './useSubject.js';
import type { BoxId } from '@amber/core';

/** How sure a box of a wiring that is there is. Of one that somebody saw nothing has to be said. */
const SURE = {
  assumed: [
    'Assumed:',
    'nobody has looked into this box. It is drawn as is usual; look first, and take every wire for live.',
  ],
  partlySeen: ['Partly seen:', 'what is hatched nobody has followed. Take it for live.'],
} as const;

/** What stands at a box before anybody works in it. Of several notes the first is read, the others open. */
export const BoxNotes = ({ subject, box }: { subject: Subject; box: BoxId }) => {
  const others = subject.otherCircuits.get(box) ?? [];
  const certainty = subject.certainty.get(box);
  const notes = [
    ...(certainty === 'assumed' || certainty === 'partlySeen' ? [SURE[certainty]] : []),
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
