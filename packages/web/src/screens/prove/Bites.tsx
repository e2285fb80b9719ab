import { useState } from 'react';
import { findBox, reviewCircuit, type Bite, type BoxId, type Circuit } from '@amber/core';
import { Select, SeverityMark } from '../../parts/ui.js';
import { NotYet } from '../../worker/NotYet.js';
import { useBites } from '../../worker/useChecked.js';
import type { ProveView } from './useTried.js';

const Row = ({ bite, electrician }: { bite: Bite; electrician: boolean }) => (
  <li className="py-2.5 text-[14px]">
    <p className="flex gap-2 font-semibold">
      <SeverityMark severity="caution" />
      <span className="first-letter:uppercase">{bite.what}</span>
    </p>
    <p className="mt-0.5 ml-6 text-[13.5px] text-quiet">
      {bite.mistakes === 1
        ? 'One mistake here would do it: when '
        : `Any of ${bite.mistakes} mistakes here would do it, as when `}
      {bite.example}.
    </p>
    <p className="mt-0.5 ml-6">
      {bite.live && !electrician ? 'What shows it is a live reading, for an electrician.' : bite.reading}
    </p>
  </li>
);

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
  const found = useBites(job, box);
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
      {found?.kind !== 'known' ? (
        <NotYet asked={found} words="Each mistake is tried …" />
      ) : found.answer.bites === null ? (
        <p className="rounded-md border border-caution p-3 text-[14px]">
          Not all of its circuits is known, so nothing is told of it. Look into what is there first, and take
          every wire for live.
        </p>
      ) : found.answer.bites.length === 0 ? (
        <p className="text-[15px]">
          None of the single mistakes that were tried at {findBox(job, box)?.name ?? box} hides so. Others
          may.
        </p>
      ) : (
        <ul
          aria-label={`Where ${findBox(job, box)?.name ?? box} bites`}
          className="divide-y divide-line border-y border-line"
        >
          {found.answer.bites.map((bite) => (
            <Row key={`${bite.kind} ${bite.what}`} bite={bite} electrician={who.electrician === true} />
          ))}
        </ul>
      )}
      <p className="text-[13px] text-quiet">
        Tried: two wires of one device exchanged, a wire off its screw, one out of its splice, two splices in
        one, two wires of two splices exchanged. Nothing else, and no two at once.
      </p>
    </div>
  );
};
