import { useState } from 'react';
import type { Seen, SiteItem } from '@amber/core';
import { when } from '../../parts/format.js';
import { Button, controlLook } from '../../parts/ui.js';

const noteOf = ({ records }: Seen): string => {
  const note = records.at(-1)?.body['what'];
  return typeof note === 'string' ? note : '';
};

/** One thing to see at one place: ticked by who saw it, with a note; what was seen before its place changed says so. */
export const SiteRow = ({
  item,
  seen,
  depth,
  mayTick,
  onSee,
  onOpen,
}: {
  item: SiteItem;
  seen: Seen;
  depth: number;
  /** Somebody has said who works here: every tick is signed. */
  mayTick: boolean;
  onSee: (note: string) => void;
  onOpen: () => void;
}) => {
  const [note, setNote] = useState<string | null>(null);
  const last = seen.records.at(-1);
  const said = noteOf(seen);
  const isDone = seen.state === 'done';
  return (
    <li className="border-b border-line py-1">
      <div className="flex items-start gap-2">
        <label className="flex min-h-10 min-w-0 flex-1 cursor-pointer gap-3 pt-2 leading-snug">
          <input
            type="checkbox"
            checked={isDone}
            disabled={!mayTick && !isDone}
            onChange={() => (isDone ? onOpen() : onSee(note ?? ''))}
            className="size-5 shrink-0 accent-ink"
          />
          <span className="min-w-0 break-words">
            <span className={isDone ? 'text-quiet' : 'font-semibold'}>{item.what}</span>
            {item.section === '' ? null : <span className="text-[13px] text-quiet"> · {item.section}</span>}
          </span>
        </label>
        {isDone ? null : (
          <Button
            look="bare"
            className="text-[13px]"
            aria-label={`Note: ${item.what}, ${item.station.name}`}
            aria-expanded={note !== null}
            onClick={() => setNote(note === null ? '' : null)}
          >
            Note
          </Button>
        )}
      </div>
      <div className="ml-8 flex flex-col gap-1 text-[13.5px]">
        {isDone ? null : <p>{item.look}</p>}
        {depth > 0 ? <p className="text-quiet">{item.why}</p> : null}
        {last ? (
          <p className={seen.state === 'changed' ? 'font-semibold text-caution' : 'text-quiet'}>
            {seen.state === 'changed' ? 'Changed since. ' : ''}Seen by {last.by || 'somebody'} {when(last.at)}
            {said === '' ? '.' : `: ${said}`}
            {seen.state === 'changed' ? ' See it again.' : ''}
          </p>
        ) : null}
        {note === null || isDone ? null : (
          <div className="flex gap-2">
            <input
              aria-label={`What was seen: ${item.what}, ${item.station.name}`}
              placeholder="What was seen"
              value={note}
              maxLength={500}
              onChange={(event) => setNote(event.target.value)}
              className={controlLook}
            />
            <Button disabled={!mayTick || note.trim() === ''} onClick={() => onSee(note.trim())}>
              Seen
            </Button>
          </div>
        )}
      </div>
    </li>
  );
};
