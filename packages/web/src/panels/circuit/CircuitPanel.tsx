import { Trash2 } from 'lucide-react';
import { useNavigate } from 'react-router';
import {
  addPlace,
  draftOf,
  newPlace,
  powerEntry,
  setPowerEntry,
  withDraft,
  withoutCircuit,
  type BoxId,
  type Circuit,
  type CircuitDraft,
  type DraftPlace,
  type Job,
} from '@amber/core';
import { useAppDispatch } from '../../store/store.js';
import { useEdit } from '../../store/review.js';
import { fresh } from '../../parts/fresh.js';
import { noticed } from '../../store/noticeSlice.js';
import { jobPath } from '../../parts/paths.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { NameInput } from '../../parts/inputs.js';
import { ChainOrder } from './ChainOrder.js';
import { CircuitFacts } from './CircuitFacts.js';
import { Habits } from './Habits.js';
import { Neutrals } from './Neutrals.js';
import { PlaceCard } from './PlaceCard.js';
import { RoomFields } from './RoomFields.js';
import { RoomsOf } from './RoomsOf.js';

const KIND_WORDS: Record<DraftPlace['holds']['kind'], string> = {
  switch: 'Switch location',
  luminaire: 'Luminaire',
  junction: 'Junction box',
};

/** What was asked: breaker, room, power entry, and the places in the order of the run. Every change is planned at once. */
export const CircuitPanel = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const edit = useEdit();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const draft = draftOf(job, circuit.id);

  const remove = async () => {
    edit(withoutCircuit(job, circuit.id), `delete ${circuit.name}`);
    dispatch(noticed(`${circuit.name} was deleted. Undo brings it back.`));
    await navigate(jobPath(job.id));
  };
  const deleteButton = (
    <Button className="text-violation" onClick={() => void remove()}>
      <Trash2 size={17} /> Delete this circuit
    </Button>
  );
  if (!draft)
    return (
      <div className="flex flex-col gap-4">
        <CircuitFacts job={job} circuit={circuit} />
        <RoomsOf job={job} circuit={circuit} />
        <p className="text-[13.5px] text-quiet">
          Its places are changed on Layout: it holds several groups, several devices in a box, a return run,
          or cables that close a ring.
        </p>
        <ChainOrder job={job} circuit={circuit} />
        <div className="border-t border-line pt-3">
          <Neutrals job={job} circuit={circuit} />
        </div>
        <Habits job={job} />
        {deleteButton}
      </div>
    );

  const change = (next: CircuitDraft, label: string) => edit(withDraft(job, next), label);
  const entry = powerEntry(draft);
  const add = (kind: DraftPlace['holds']['kind']) => {
    const count = draft.places.filter((place) => place.holds.kind === kind).length + 1;
    const name =
      kind === 'switch'
        ? `Switch ${count}`
        : kind === 'luminaire'
          ? `Luminaire ${count}`
          : `Junction ${count}`;
    const box = fresh<BoxId>('box');
    change(addPlace(draft, newPlace(box, kind, name, null)), `add ${name}`);
  };
  return (
    <div className="flex flex-col gap-4">
      <CircuitFacts job={job} circuit={circuit} />
      <div className="grid grid-cols-2 gap-3">
        <Field label="Power enters at">
          <Select
            value={entry.box ?? ''}
            onChange={(event) =>
              change(setPowerEntry(draft, event.target.value as BoxId, entry.by), 'power entry')
            }
          >
            {entry.box === null ? <option value="">not set</option> : null}
            {draft.places.map((place) => (
              <option key={place.box} value={place.box}>
                {place.name}
              </option>
            ))}
          </Select>
        </Field>
        <Field label="by">
          <Select
            value={entry.by}
            onChange={(event) => {
              const box = entry.box ?? draft.places[0]?.box;
              if (box)
                change(
                  setPowerEntry(draft, box, event.target.value as 'homeRun' | 'existing'),
                  'power entry',
                );
            }}
          >
            <option value="homeRun">home run</option>
            <option value="existing">existing cable</option>
          </Select>
        </Field>
      </div>

      <fieldset className="flex flex-col gap-3 border-t border-line pt-3">
        <legend className="float-left mb-2 w-full text-[15px] font-bold">Room</legend>
        <Field label="Name">
          <NameInput
            value={draft.room.name}
            onChange={(name) => change({ ...draft, room: { ...draft.room, name } }, 'name of the room')}
          />
        </Field>
        <RoomFields
          room={draft.room}
          onChange={(patch, what) => change({ ...draft, room: { ...draft.room, ...patch } }, what)}
        />
        <Field label="Neutral at switches" hint="Holds for the whole job.">
          <Select
            value={job.preferences.neutral}
            onChange={(event) =>
              edit(
                {
                  ...job,
                  preferences: {
                    ...job.preferences,
                    neutral: event.target.value as 'byEdition' | 'everySwitch',
                  },
                },
                'neutral at switches',
              )
            }
          >
            <option value="byEdition">Where the edition asks for it</option>
            <option value="everySwitch">At every switch</option>
          </Select>
        </Field>
      </fieldset>

      <section aria-label="Order of the run" className="flex flex-col gap-2 border-t border-line pt-3">
        <h3 className="text-[15px] font-bold">Order of the run</h3>
        <p className="text-[13px] text-quiet">
          Each place takes its cable from the one above, unless you say otherwise.
        </p>
        <ol className="flex flex-col gap-2">
          {draft.places.map((place, i) => (
            <PlaceCard key={place.box} job={job} draft={draft} place={place} index={i} onChange={change} />
          ))}
        </ol>
        <div className="flex flex-wrap gap-2">
          {(['switch', 'luminaire', 'junction'] as const).map((kind) => (
            <Button key={kind} onClick={() => add(kind)}>
              + {KIND_WORDS[kind]}
            </Button>
          ))}
        </div>
      </section>
      <ChainOrder job={job} circuit={circuit} />
      <div className="border-t border-line pt-3">
        <Neutrals job={job} circuit={circuit} />
      </div>
      <Habits job={job} />
      <div className="border-t border-line pt-3">{deleteButton}</div>
    </div>
  );
};
