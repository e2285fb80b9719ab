import type { BoxId, Circuit, GroupId, Job, SlotId } from '@amber/core';
import { lettersAt } from '../../plan/letters.js';
import { NumberInput } from '../../shared/inputs.js';
import { Field, Select } from '../../shared/ui.js';
import { DEVICE_WORDS, placeName } from '../../shared/words.js';
import { WordSelect } from '../../shared/WordSelect.js';
import { placesOf, slotsOf, switchedGroupsOf, type SmallJobDraft } from './draft.js';
import { PlaceFields } from './PlaceFields.js';

const KIND_WORDS: Record<SmallJobDraft['kind'], string> = {
  replaceDevice: 'Put another device in',
  addSwitch: 'Add a switch to a group',
  bringNeutral: 'Bring a neutral to a switch',
  takeOff: 'Go on from a box',
};

const WHAT_WORDS = { receptacle: 'a receptacle', onward: 'a feed that goes on' } as const;

const { receptacle: _, switchReceptacle: __, ...ROLES } = DEVICE_WORDS;

const SlotSelect = ({
  job,
  circuit,
  draft,
  onChange,
}: {
  job: Job;
  circuit: Circuit;
  draft: SmallJobDraft;
  onChange: (draft: SmallJobDraft) => void;
}) => (
  <Field label="Which switch">
    <Select
      value={draft.slot ?? ''}
      onChange={(event) => onChange({ ...draft, slot: event.target.value as SlotId })}
    >
      {slotsOf(job, circuit).map((slot) => {
        const here = job.slots.filter((one) => one.box === slot.box).sort((a, b) => a.gang - b.gang);
        const letter = lettersAt(job, slot.box)[here.indexOf(slot)] ?? '';
        return (
          <option key={slot.id} value={slot.id}>
            {placeName(job, slot.box)}, {letter}
            {here.length > 1 ? `, gang ${here.indexOf(slot) + 1}` : ''}
          </option>
        );
      })}
    </Select>
  </Field>
);

/** What is to be done: a question for the kind of job, and those that the kind asks. */
export const SmallJobForm = ({
  job,
  circuit,
  draft,
  onChange,
}: {
  job: Job;
  circuit: Circuit;
  draft: SmallJobDraft;
  onChange: (draft: SmallJobDraft) => void;
}) => {
  const groups = switchedGroupsOf(job, circuit);
  const places = placesOf(job, circuit);
  const { kind } = draft;
  const beyond = kind === 'takeOff' && draft.what === 'onward';
  return (
    <form className="flex flex-col gap-3" onSubmit={(event) => event.preventDefault()}>
      <Field label="What is to be done">
        <WordSelect
          words={KIND_WORDS}
          value={kind}
          onPick={(next) => next && onChange({ ...draft, kind: next })}
        />
      </Field>
      {kind === 'replaceDevice' || kind === 'bringNeutral' ? (
        <SlotSelect {...{ job, circuit, draft, onChange }} />
      ) : null}
      {kind === 'replaceDevice' ? (
        <Field label="What comes in its place">
          <WordSelect
            words={ROLES}
            value={draft.role as keyof typeof ROLES}
            onPick={(role) => role && onChange({ ...draft, role })}
          />
        </Field>
      ) : null}
      {kind === 'addSwitch' && groups.length > 1 ? (
        <Field label="Group">
          <Select
            value={draft.group ?? ''}
            onChange={(event) => onChange({ ...draft, group: event.target.value as GroupId })}
          >
            {groups.map((group) => (
              <option key={group.id} value={group.id}>
                {group.name}
              </option>
            ))}
          </Select>
        </Field>
      ) : null}
      {kind === 'takeOff' ? (
        <>
          <Field label="What comes">
            <WordSelect
              words={WHAT_WORDS}
              value={draft.what}
              onPick={(what) => what && onChange({ ...draft, what })}
            />
          </Field>
          <Field label="From which box">
            <Select
              value={draft.from ?? ''}
              onChange={(event) => onChange({ ...draft, from: event.target.value as BoxId })}
            >
              {places.map((box) => (
                <option key={box.id} value={box.id}>
                  {box.name}
                </option>
              ))}
            </Select>
          </Field>
          {beyond ? (
            <Field label="Its load, VA">
              <NumberInput
                value={draft.va}
                least={0.1}
                most={5000}
                unit="VA"
                onChange={(va) => onChange({ ...draft, va })}
              />
            </Field>
          ) : null}
        </>
      ) : null}
      {kind === 'addSwitch' || kind === 'takeOff' ? (
        <PlaceFields
          job={job}
          place={draft.place}
          from={kind === 'takeOff' ? places.filter((box) => box.id === draft.from) : places}
          beyond={beyond}
          onChange={(place) => onChange({ ...draft, place })}
        />
      ) : null}
    </form>
  );
};
