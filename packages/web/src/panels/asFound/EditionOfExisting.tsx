import { JUDGED_EDITIONS, type Job } from '@amber/core';
import { eraName } from '../../parts/words.js';
import { Field, Select } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';

/** The edition that existing work was built by, and is judged by. */
export const EditionOfExisting = ({ job, label }: { job: Job; label: string }) => {
  const edit = useEdit();
  return (
    <Field
      label={label}
      hint={job.existingEdition === null ? 'Not known: judged by the edition in force.' : undefined}
    >
      <Select
        value={job.existingEdition ?? ''}
        onChange={(event) => {
          const existingEdition = JUDGED_EDITIONS.find((one) => String(one) === event.target.value) ?? null;
          edit({ ...job, existingEdition }, 'edition of existing work');
        }}
      >
        <option value="">nobody knows which edition</option>
        {JUDGED_EDITIONS.map((one) => (
          <option key={one} value={one}>
            {eraName(one)}
          </option>
        ))}
      </Select>
    </Field>
  );
};
