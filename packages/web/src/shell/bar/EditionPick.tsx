import { EDITIONS, editionName, type Edition, type Job } from '@amber/core';
import { useEdit } from '../../store/review.js';

/** The edition of the code that everything is judged by. */
export const EditionPick = ({ job }: { job: Job }) => {
  const edit = useEdit();
  return (
    <label
      title="The edition of the National Electrical Code that new work is judged by. Which one holds is for the authority to say; its amendments are told under Check."
      className="inline-flex min-h-10 items-center gap-1 rounded-md border border-edge bg-white pr-1 pl-2.5 text-[13.5px]"
    >
      <span>NEC</span>
      <select
        aria-label="Code edition"
        value={job.edition}
        onChange={(event) => edit({ ...job, edition: Number(event.target.value) as Edition }, 'code edition')}
        className="field-sizing-content min-h-9 max-w-56 bg-transparent font-bold"
      >
        {EDITIONS.map((edition) => (
          <option key={edition} value={edition}>
            {editionName(edition)}
          </option>
        ))}
      </select>
    </label>
  );
};
