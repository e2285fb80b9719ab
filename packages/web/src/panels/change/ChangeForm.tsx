import { switchedGroups, type Circuit, type Job } from '@amber/core';
import { SourceField } from './SourceField.js';
import { lettersAt } from '../../plan/letters.js';
import { NumberInput } from '../../parts/inputs.js';
import { PickField } from '../../parts/PickField.js';
import { Field } from '../../parts/ui.js';
import { DEVICE_WORDS, placeName } from '../../parts/words.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { boxOf, hasReceptacle, luminairesOf, placesOf, slotsOf, type ChangeDraft } from './draft.js';
import { HungFields } from './HungFields.js';
import { PlaceFields } from './PlaceFields.js';

const KIND_WORDS: Record<ChangeDraft['kind'], string> = {
  replaceDevice: 'Replace a device',
  replaceLuminaire: 'Replace a luminaire',
  addSwitch: 'Add a switch to a group',
  addLight: 'Add a light to a group',
  branch: 'Take a light and its switch off a box',
  takeOff: 'Take a receptacle or feed off a box',
  bringNeutral: 'Bring a neutral to a switch',
  moveSwitch: 'Move a switch',
  removeSwitch: 'Take a switch location away',
  asAsked: 'Do what the layout asks',
  mend: 'Mend what the check finds',
};

type Part = 'slot' | 'role' | 'group' | 'luminaire' | 'hung' | 'from' | 'what' | 'place' | 'lightAt';

/** What each kind of change asks. */
const ASKS: Record<ChangeDraft['kind'], readonly Part[]> = {
  replaceDevice: ['slot', 'role'],
  replaceLuminaire: ['luminaire', 'hung'],
  addSwitch: ['group', 'place'],
  addLight: ['group', 'hung', 'place'],
  branch: ['from', 'place', 'hung', 'lightAt'],
  takeOff: ['what', 'from', 'place'],
  bringNeutral: ['slot'],
  moveSwitch: ['slot', 'place'],
  removeSwitch: ['slot'],
  asAsked: [],
  mend: [],
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
export const ChangeForm = ({
  job,
  circuit,
  draft,
  onChange,
}: {
  job: Job;
  circuit: Circuit;
  draft: ChangeDraft;
  onChange: (draft: ChangeDraft) => void;
}) => {
  const groups = switchedGroups(job, circuit).map(({ group }) => group);
  const places = placesOf(job, circuit);
  const { kind } = draft;
  const beyond = kind === 'takeOff' && draft.what === 'onward';
  const start = places.filter((box) => box.id === draft.from);
  const isOff = kind === 'takeOff' || kind === 'branch';
  const asks = (part: Part) => ASKS[kind].includes(part);
  const switchAt = { id: boxOf(draft.place), name: `${draft.place.name} (the switch)` };
  return (
    <form className="flex flex-col gap-3" onSubmit={(event) => event.preventDefault()}>
      <Field label="What is to be done">
        <WordSelect
          words={KIND_WORDS}
          value={kind}
          onPick={(next) => next && onChange({ ...draft, kind: next })}
        />
      </Field>
      {asks('slot') ? (
        <PickField
          label="Which switch"
          items={switchesOf(job, circuit)}
          value={draft.slot}
          onPick={(slot) => onChange({ ...draft, slot })}
        />
      ) : null}
      {asks('role') ? (
        <Field label="What comes in its place">
          <WordSelect
            words={ROLES}
            value={draft.role as keyof typeof ROLES}
            onPick={(role) => role && onChange({ ...draft, role })}
          />
        </Field>
      ) : null}
      {asks('group') && groups.length > 1 ? (
        <PickField
          label="Group"
          items={groups}
          value={draft.group}
          onPick={(group) => onChange({ ...draft, group })}
        />
      ) : null}
      {asks('luminaire') ? (
        <PickField
          label="Which luminaire"
          items={luminairesOf(job, circuit).map(({ id, name, box }) => ({
            id,
            name: `${name}, ${placeName(job, box)}`,
          }))}
          value={draft.luminaire}
          onPick={(luminaire) => onChange({ ...draft, luminaire })}
        />
      ) : null}
      {asks('what') ? (
        <Field label="What comes">
          <WordSelect
            words={WHAT_WORDS}
            value={draft.what}
            onPick={(what) => what && onChange({ ...draft, what })}
          />
        </Field>
      ) : null}
      {asks('from') ? (
        <PickField
          label="From which box"
          items={places}
          value={draft.from}
          onPick={(from) => onChange({ ...draft, from })}
        />
      ) : null}
      {isOff && hasReceptacle(job, draft.from) ? (
        <SourceField source={draft.source} onPick={(source) => onChange({ ...draft, source })} />
      ) : null}
      {asks('hung') && kind !== 'branch' ? (
        <HungFields hung={draft.hung} onChange={(hung) => onChange({ ...draft, hung })} />
      ) : null}
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
      {asks('place') ? (
        <PlaceFields
          job={job}
          title={kind === 'branch' ? 'The switch' : null}
          place={draft.place}
          from={isOff ? start : places}
          beyond={beyond}
          onChange={(place) => onChange({ ...draft, place })}
        />
      ) : null}
      {asks('lightAt') ? (
        <>
          <PlaceFields
            job={job}
            title="The light"
            place={draft.lightAt}
            from={[...start, switchAt]}
            beyond={false}
            onChange={(lightAt) => onChange({ ...draft, lightAt })}
          />
          <HungFields hung={draft.hung} onChange={(hung) => onChange({ ...draft, hung })} />
        </>
      ) : null}
      {kind === 'asAsked' ? (
        <p className="text-[14px]">
          What the layout has of this circuit and what is not there yet, or is to leave, is planned by the
          least that is opened and joined otherwise, with the cables that lie there first.
        </p>
      ) : null}
      {kind === 'mend' ? (
        <p className="text-[14px]">
          What the check finds in the wires as they are told is set right by the least that is joined
          otherwise, with the cables that lie there first. Boxes that are too full, and what is a matter of a
          device or of the room, it does not mend.
        </p>
      ) : null}
    </form>
  );
};
