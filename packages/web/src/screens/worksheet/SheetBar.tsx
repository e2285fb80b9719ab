import { Plus, Trash2 } from 'lucide-react';
import { useNavigate } from 'react-router';
import { worksheetIntoPath } from '../../parts/paths.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { useJobsQuery } from '../../server/api.js';
import { sayFailed, type Failed } from '../../server/client.js';
import type { KeptSheets } from '../../store/keptSheets.js';

/** Which of the kept worksheets is at hand: another, a new one, this one no more. */
export const SheetBar = ({
  sheets,
  onPick,
  onNew,
  onDrop,
}: {
  sheets: KeptSheets;
  onPick: (id: string) => void;
  onNew: () => void;
  onDrop: () => void;
}) => (
  <div className="flex flex-wrap items-end gap-2 print:hidden">
    <div className="min-w-0 flex-1 basis-44">
      <Field label={`Kept here: ${sheets.length}`}>
        <Select
          aria-label="Worksheet at hand"
          value={sheets[0].id}
          onChange={(event) => onPick(event.target.value)}
        >
          {sheets.map(({ id, sheet }) => (
            <option key={id} value={id}>
              {sheet.name}
            </option>
          ))}
        </Select>
      </Field>
    </div>
    <Button onClick={onNew}>
      <Plus size={17} /> New sheet
    </Button>
    <Button onClick={onDrop}>
      <Trash2 size={17} /> Throw away
    </Button>
  </div>
);

/** The sheet goes into a job as a box that is there: the job is opened and asks what the sheet does not tell. */
export const IntoJob = ({ sheet, onLeave }: { sheet: string; onLeave: () => void }) => {
  // Those worked on last: a sheet goes into what is at hand.
  const { data, error } = useJobsQuery({ search: '', page: 0 });
  const jobs = data?.jobs;
  const navigate = useNavigate();
  if (error)
    return (
      <p role="alert" className="text-[13.5px] text-violation">
        Jobs cannot be listed. {sayFailed(error as Failed)} The sheet stays here.
      </p>
    );
  return (
    <div className="max-w-72 print:hidden">
      <Select
        aria-label="Put it into a job"
        value=""
        disabled={!jobs || jobs.length === 0}
        onChange={(event) => {
          onLeave();
          void navigate(worksheetIntoPath(event.target.value, sheet));
        }}
      >
        <option value="">{jobs?.length === 0 ? 'No job to put it into' : 'Put it into a job …'}</option>
        {(jobs ?? []).map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
    </div>
  );
};
