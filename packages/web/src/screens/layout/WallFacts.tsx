import { useState } from 'react';
import { feetInches, setWallFact, sideOf, wallsOf, type Job, type Room } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { Field, Select } from '../../parts/ui.js';
import { ACCESS_WORDS, ROUTE_WORDS } from '../../parts/words.js';
import { WordSelect } from '../../parts/WordSelect.js';

/** How runs go in one wall, where that is not as in the rest of the job: finished, while others are open. */
export const WallFacts = ({ job, room }: { job: Job; room: Room }) => {
  const edit = useEdit();
  const walls = wallsOf(room);
  const [index, setIndex] = useState(walls[0]?.index ?? 0);
  const wall = walls.find((one) => one.index === index) ?? walls[0];
  if (!wall) return null;
  const fact = room.walls.find((one) => one.wall === wall.index) ?? {
    wall: wall.index,
    route: null,
    access: null,
  };
  const set = (change: Partial<typeof fact>) =>
    edit(setWallFact(job, room.id, { ...fact, ...change }), `${sideOf(wall)} wall of ${room.name}`);
  return (
    <details className="rounded-md border border-line" open={room.walls.length > 0 || undefined}>
      <summary className="min-h-10 cursor-pointer px-3 py-2.5 font-semibold">
        Runs in single walls{room.walls.length > 0 ? `, ${room.walls.length} set` : ''}
      </summary>
      <div className="flex flex-col gap-3 p-3 pt-1">
        <Field label="Wall">
          <Select value={wall.index} onChange={(event) => setIndex(Number(event.target.value))}>
            {walls.map((one) => {
              const said = room.walls.find((it) => it.wall === one.index);
              return (
                <option key={one.index} value={one.index}>
                  {sideOf(one)}, {feetInches(one.length)}
                  {said?.access ? `: ${ACCESS_WORDS[said.access]}` : said ? ': its own way' : ''}
                </option>
              );
            })}
          </Select>
        </Field>
        <Field label="Its framing">
          <WordSelect
            words={ACCESS_WORDS}
            none={`as the job: ${ACCESS_WORDS[job.routing.access]}`}
            value={fact.access}
            onPick={(access) => set({ access })}
          />
        </Field>
        <Field label="Runs from its boxes go">
          <WordSelect
            words={ROUTE_WORDS}
            none={`as the job: ${ROUTE_WORDS[job.routing.route]}`}
            value={fact.route}
            onPick={(route) => set({ route })}
          />
        </Field>
      </div>
    </details>
  );
};
