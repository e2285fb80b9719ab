import { ArrowLeft, ArrowRight, Ungroup } from 'lucide-react';
import { useState } from 'react';
import {
  cablesThere,
  addExistingCable,
  articleOf,
  articlesOf,
  moveGang,
  PANEL,
  removeExistingCable,
  setCableCircuit,
  ungang,
  withoutSlot,
  type ArticleId,
  type Box,
  type BoxId,
  type CableId,
  type CircuitId,
  type GroupId,
  type Job,
  type Place,
  type Slot,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { GroupOptions } from './GroupOptions.js';
import { lettersAt } from '../../plan/letters.js';
import { Button, Select } from '../../parts/ui.js';
import { DEVICE_WORDS, placeName } from '../../parts/words.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { fresh } from '../../parts/fresh.js';

/** The devices of a box, gang by gang: what each is and what it controls. */
export const DevicesOf = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  const slots = job.slots.filter((slot) => slot.box === box.id).sort((a, b) => a.gang - b.gang);
  const letters = lettersAt(job, box.id);
  const change = (slot: Slot, how: Partial<Slot>, what: string) =>
    edit(
      { ...job, slots: job.slots.map((one) => (one.id === slot.id ? { ...one, ...how } : one)) },
      `${what} at ${box.name}`,
    );
  return slots.map((slot, i) => (
    <fieldset key={slot.id} className="flex flex-col gap-2 rounded-md border border-line p-3">
      <legend className="px-1 text-[13px] font-semibold">
        {slots.length > 1 ? `Gang ${i + 1}, ${letters[i]}` : letters[i]}
      </legend>
      <div className="grid grid-cols-2 gap-2">
        <WordSelect
          aria-label="Device"
          words={DEVICE_WORDS}
          value={slot.role}
          onPick={(role) => role && change(slot, { role, article: null }, 'device')}
        />
        <Select
          aria-label="Controls"
          value={slot.group}
          onChange={(event) => change(slot, { group: event.target.value as GroupId }, 'group')}
        >
          <GroupOptions job={job} />
        </Select>
      </div>
      {slots.length > 1 ? (
        <div className="flex gap-2">
          <Button
            aria-label={`Gang ${i + 1} to the left`}
            disabled={i === 0}
            onClick={() => edit(moveGang(job, slot.id, -1), `order of the gangs at ${box.name}`)}
          >
            <ArrowLeft size={16} />
          </Button>
          <Button
            aria-label={`Gang ${i + 1} to the right`}
            disabled={i === slots.length - 1}
            onClick={() => edit(moveGang(job, slot.id, 1), `order of the gangs at ${box.name}`)}
          >
            <ArrowRight size={16} />
          </Button>
          <Button
            className="flex-1"
            onClick={() => edit(ungang(job, slot.id, fresh<BoxId>('box')), `box of its own at ${box.name}`)}
          >
            <Ungroup size={16} /> Own box
          </Button>
          <Button
            className="flex-1"
            onClick={() => edit(withoutSlot(job, slot.id), `take a device out of ${box.name}`)}
          >
            Take out
          </Button>
        </div>
      ) : null}
    </fieldset>
  ));
};

/** Cables that lie between this box and others already; the circuit whose power is on one uses it before it buys any. */
export const CablesOf = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  const cables = articlesOf(job.stock, 'cable');
  const [to, setTo] = useState<Place | ''>('');
  const [article, setArticle] = useState<ArticleId | undefined>(cables[0]?.id);
  const lying = cablesThere(job).filter(({ between }) => between.includes(box.id));
  const add = () => {
    if (to === '' || !article) return;
    const [only, ...others] = job.circuits;
    const circuit = only && others.length === 0 ? only.id : null;
    const asked = { id: fresh<CableId>('cable'), article, circuit, from: to, to: box.id };
    edit(addExistingCable(job, asked), `existing cable from ${placeName(job, to)} to ${box.name}`);
    setTo('');
  };
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-[13px] font-semibold">Cables that lie there already</legend>
      {lying.map((cable) => {
        const [a, b] = cable.between;
        const other = placeName(job, a === box.id ? b : a);
        return (
          <div key={cable.id} className="flex flex-col gap-1 border-b border-line pb-2 text-[14px]">
            <div className="flex min-h-10 items-center gap-2">
              <span className="min-w-0 flex-1">
                {articleOf(job.stock, 'cable', cable.article).name} to {other}
              </span>
              <Button
                look="bare"
                onClick={() =>
                  edit(removeExistingCable(job, cable.id), `no cable from ${box.name} to ${other}`)
                }
              >
                Take away
              </Button>
            </div>
            <Select
              aria-label={`Circuit of the cable to ${other}`}
              value={cable.circuit ?? ''}
              onChange={(event) =>
                edit(
                  setCableCircuit(job, cable.id, (event.target.value || null) as CircuitId | null),
                  `circuit of the cable from ${box.name} to ${other}`,
                )
              }
            >
              <option value="">whose power? not told</option>
              {job.circuits.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Select>
          </div>
        );
      })}
      <div className="grid grid-cols-[1fr_5.5rem_auto] gap-2">
        <Select
          aria-label="Cable to"
          value={to}
          onChange={(event) => setTo(event.target.value as Place | '')}
        >
          <option value="">to …</option>
          <option value={PANEL}>the panel</option>
          {job.boxes
            .filter((one) => one.id !== box.id)
            .map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
        </Select>
        <Select
          aria-label="Kind of cable"
          value={article}
          onChange={(event) => setArticle(event.target.value as ArticleId)}
        >
          {cables.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </Select>
        <Button disabled={to === ''} onClick={add}>
          Add
        </Button>
      </div>
    </fieldset>
  );
};
