import { switchedGroups, type Circuit, type Job } from '@amber/core';
import { lettersAt } from '../../plan/letters.js';
import { NumberInput } from '../../parts/inputs.js';
import { PickField } from '../../parts/PickField.js';
import { Field } from '../../parts/ui.js';
import { DEVICE_WORDS, placeName } from '../../parts/words.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { placesOf, slotsOf, type SmallJobDraft } from './draft.js';
import { PlaceFields } from './PlaceFields.js';

const KIND_WORDS: Record<SmallJobDraft['kind'], string> = {
  replaceDevice: 'Replace a device',
  addSwitch: 'Add a switch to a group',
  bringNeutral: 'Bring a neutral to a switch',
  takeOff: 'Take a receptacle or feed off a box',
};

const WHAT_WORDS = { receptacle: 'a receptacle', onward: 'an onward feed' } as const;

const { receptacle: _, switchReceptacle: __, ...ROLES } = DEVICE_WORDS;

/** The switches of a circuit, called by their boxes and letters. */
const switchesOf = (job: Job, circuit: Circuit) =>
  slotsOf(job, circuit).map((slot) => {
    const here = job.slots.filter((one) => one.box === slot.box).sort((a, b) => a.gang - b.gang);
    const nth = here.indexOf(slot);
    const gang = here.length > 1 ? `, gang ${nth + 1}` : '';
    return {
      id: slot.id,
      name: `${placeName(job, slot.box)}, ${lettersAt(job, slot.box)[nth] ?? ''}${gang}`,
    };
  });

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
  const groups = switchedGroups(job, circuit).map(({ group }) => group);
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
        <PickField
          label="Which switch"
          items={switchesOf(job, circuit)}
          value={draft.slot}
          onPick={(slot) => onChange({ ...draft, slot })}
        />
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
        <PickField
          label="Group"
          items={groups}
          value={draft.group}
          onPick={(group) => onChange({ ...draft, group })}
        />
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
          <PickField
            label="From which box"
            items={places}
            value={draft.from}
            onPick={(from) => onChange({ ...draft, from })}
          />
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
