import {
  changeRoom,
  editionName,
  JUDGED_EDITIONS,
  type Job,
  type JudgedEdition,
  type Room,
} from '@amber/core';
import { Field, Select } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';

const EditionField = ({
  label,
  hint,
  none,
  value,
  onPick,
}: {
  label: string;
  hint?: string | undefined;
  none: string;
  value: JudgedEdition | null;
  onPick: (edition: JudgedEdition | null) => void;
}) => (
  <Field label={label} hint={hint}>
    <Select
      value={value ?? ''}
      onChange={(event) => onPick(JUDGED_EDITIONS.find((one) => String(one) === event.target.value) ?? null)}
    >
      <option value="">{none}</option>
      {JUDGED_EDITIONS.map((one) => (
        <option key={one} value={one}>
          {editionName(one)}
        </option>
      ))}
    </Select>
  </Field>
);

/** The edition that existing work was built by, and is judged by. */
export const EditionOfExisting = ({ job, label }: { job: Job; label: string }) => {
  const edit = useEdit();
  return (
    <EditionField
      label={label}
      hint={job.existingEdition === null ? 'Not known: judged by the edition in force.' : undefined}
      none="nobody knows which edition"
      value={job.existingEdition}
      onPick={(existingEdition) => edit({ ...job, existingEdition }, 'edition of existing work')}
    />
  );
};

/** The same for one room that was built at another time than the rest. */
export const EditionOfRoom = ({ job, room }: { job: Job; room: Room }) => {
  const edit = useEdit();
  return (
    <EditionField
      label="Existing work in it was built by"
      none="as the rest of the job"
      value={room.builtBy}
      onPick={(builtBy) =>
        edit(changeRoom(job, room.id, { builtBy }), `edition of existing work in ${room.name}`)
      }
    />
  );
};
