import { isGrave, type WalkRoom } from '@amber/core';
import { plural } from '../../parts/format.js';
import type { Site } from './useSite.js';

/** Where a room of the walk is brought into view. */
export const roomAnchor = (room: string | null): string => `room-${room ?? 'none'}`;
export const stopAnchor = (kind: string, id: string): string => `stop-${kind}-${id}`;

export const goTo = (anchor: string): void => document.getElementById(anchor)?.scrollIntoView();

/** What is left in a room, in a few words; that all of it was seen is said only where there was something to see. */
const left = ({ stops }: WalkRoom, site: Site): string => {
  const items = stops.flatMap((stop) => stop.items);
  const open = items.filter((item) => site.seen(item).state !== 'done').length;
  const asked = stops.reduce((sum, { questions }) => sum + questions.length, 0);
  return [
    ...(asked > 0 ? [plural(asked, 'question')] : []),
    ...(open > 0 ? [`${open} to see`] : items.length > 0 ? ['all seen'] : []),
  ].join(' · ');
};

/** The rooms in the order of the walk, with what is left in each. */
export const RoomIndex = ({ rooms, site }: { rooms: readonly WalkRoom[]; site: Site }) => (
  <nav aria-label="Rooms of the walk" className="max-lg:hidden">
    <ol className="border-l-2 border-ink pl-3">
      {rooms.map((room) => {
        const wrong = room.stops.flatMap((stop) => stop.findings).filter(isGrave).length;
        return (
          <li key={room.room ?? 'none'}>
            <a
              href={`#${roomAnchor(room.room)}`}
              onClick={(event) => {
                event.preventDefault();
                goTo(roomAnchor(room.room));
              }}
              className="flex min-h-9 items-center justify-between gap-2 text-[14px] hover:underline"
            >
              <span className="min-w-0 truncate font-semibold">{room.name}</span>
              <span className="shrink-0 text-[13px] text-quiet">
                {wrong > 0 ? <strong className="text-violation">{wrong} to mend </strong> : null}
                {left(room, site)}
              </span>
            </a>
          </li>
        );
      })}
    </ol>
  </nav>
);
