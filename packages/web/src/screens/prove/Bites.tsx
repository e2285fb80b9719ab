import { useState } from 'react';
import { reviewCircuit, type BoxId, type Circuit } from '@amber/core';
import { BiteList } from '../../panels/bites/BiteList.js';
import { Select } from '../../parts/ui.js';
import type { ProveView } from './useTried.js';

/** Dangers that no handle shows, box by box, and the least reading that does. */
export const Bites = ({ view, circuit }: { view: ProveView; circuit: Circuit | null }) => {
  const { review, who } = view;
  const { job, wiring } = review;
  const mine = circuit ? reviewCircuit(review, circuit.id).boxes : null;
  const boxes = job.boxes.filter(
    ({ id, work }) => Object.hasOwn(wiring.boxes, id) && work !== 'beyond' && (mine === null || mine.has(id)),
  );
  const [picked, setPicked] = useState<BoxId | null>(null);
  const box = boxes.find(({ id }) => id === picked)?.id ?? boxes[0]?.id ?? null;
  if (box === null) return <p className="text-[15px]">Nothing is wired yet.</p>;
  return (
    <div className="flex max-w-3xl flex-col gap-3">
      <p className="text-[14px] text-quiet">
        A mistake in a box can leave every handle doing what it should, and kill all the same. These are the
        single mistakes of making it up that the test sheet would not show: look for them before the box is
        closed. Before any continuity reading: breakers off and proved dead, lamps out, loads unplugged.
      </p>
      <label className="block max-w-sm">
        <span className="mb-1 block text-[13px] font-semibold">Box</span>
        <Select value={box} onChange={(event) => setPicked(event.target.value as BoxId)}>
          {boxes.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      </label>
      <BiteList job={job} box={box} live={who.electrician === true} />
      <p className="text-[13px] text-quiet">
        Tried: two wires of one device exchanged, a wire off its screw, one out of its splice, two splices in
        one, two wires of two splices exchanged. Nothing else, and no two at once.
      </p>
    </div>
  );
};
