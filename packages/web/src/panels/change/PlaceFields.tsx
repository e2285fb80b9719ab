import { emptyBoxes, type BoxId, type Job } from '@amber/core';
import { LengthInput, NameInput } from '../../parts/inputs.js';
import { PickField } from '../../parts/PickField.js';
import { Field } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';
import type { PlaceDraft } from './draft.js';

const WORK_WORDS = {
  old: 'cut into finished drywall',
  new: 'nailed to open framing',
  existing: 'is there already',
} as const;

const MOUNT_WORDS = { wall: 'in a wall', ceiling: 'in the ceiling' } as const;

/** Where the new device or feed comes: a box with nothing in it, or a new one and how far it is. */
export const PlaceFields = ({
  job,
  title,
  place,
  from,
  beyond,
  onChange,
}: {
  job: Job;
  /** What comes there, where more than one thing does. */
  title: string | null;
  place: PlaceDraft;
  /** Boxes that a run may come from. */
  from: readonly { id: BoxId; name: string }[];
  /** It lies outside of the plan, and what stands there is not asked. */
  beyond: boolean;
  onChange: (place: PlaceDraft) => void;
}) => {
  const empty = beyond ? [] : emptyBoxes(job);
  const setLength = (box: BoxId, length: number | null) => {
    const others = Object.entries(place.lengths).filter(([id]) => id !== box);
    onChange({
      ...place,
      lengths: Object.fromEntries(length === null ? others : [...others, [box, length]]),
    });
  };
  return (
    <fieldset className="flex flex-col gap-3">
      {title ? <legend className="mb-1 text-[14px] font-semibold">{title}</legend> : null}
      {empty.length > 0 ? (
        <PickField
          label="Where it comes"
          none="in a new box"
          items={empty}
          value={place.existing}
          onPick={(existing) => onChange({ ...place, existing })}
        />
      ) : null}
      {place.existing === null ? (
        <>
          <Field label={beyond ? 'What it feeds' : 'Name of the new box'}>
            <NameInput value={place.name} onChange={(name) => onChange({ ...place, name })} />
          </Field>
          {beyond ? null : (
            <div className="grid grid-cols-2 gap-3">
              <Field label="The new box">
                <WordSelect
                  words={WORK_WORDS}
                  value={place.work}
                  onPick={(work) => work && onChange({ ...place, work })}
                />
              </Field>
              <Field label="Where it is fixed">
                <WordSelect
                  words={MOUNT_WORDS}
                  value={place.mount}
                  onPick={(mount) => mount && onChange({ ...place, mount })}
                />
              </Field>
            </div>
          )}
          <fieldset className="flex flex-col gap-2">
            <legend className="mb-1 text-[13px] font-semibold">Measured along the run to it</legend>
            {from.map((box) => (
              <label key={box.id} className="flex items-center gap-3 text-[14px]">
                <span className="min-w-0 flex-1 break-words">from {box.name}</span>
                <span className="w-28 shrink-0">
                  <LengthInput
                    value={place.lengths[box.id] ?? null}
                    onChange={(length) => setLength(box.id, length)}
                  />
                </span>
              </label>
            ))}
          </fieldset>
          {beyond || job.rooms.every((room) => room.outline === null) ? null : (
            <p className="text-[13px] text-quiet">
              A box that the layout shows is measured by the program: draw it there, leave it empty, and pick
              it here.
            </p>
          )}
        </>
      ) : null}
    </fieldset>
  );
};
