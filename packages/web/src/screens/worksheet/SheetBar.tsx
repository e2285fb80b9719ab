import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import { useRested } from '../../parts/useRested.js';
import { Plus, Trash2 } from 'lucide-react';
import { useNavigate } from 'react-router';
import { worksheetIntoPath } from '../../parts/paths.js';
import { Button, controlLook, Field, Select } from '../../parts/ui.js';
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
  const [search, setSearch] = useState('');
  // Those worked on last while nothing is typed.
  const { data, error } = useJobsQuery({ search: useRested(search.trim()), page: 0 });
  const navigate = useNavigate();
  if (error)
    return (
      <p role="alert" className="text-[13.5px] text-violation">
        Jobs cannot be listed. {sayFailed(error as Failed)} The sheet stays here.
      </p>
    );
  const pick = (job: string | null) => {
    if (job === null) return;
    onLeave();
    void navigate(worksheetIntoPath(job, sheet));
  };
  return (
    <div className="w-72 max-w-full print:hidden">
      <Combobox value={null as string | null} onChange={pick} immediate onClose={() => setSearch('')}>
        <ComboboxInput
          aria-label="Put it into a job"
          placeholder="Put it into a job …"
          autoComplete="off"
          onChange={(event) => setSearch(event.target.value)}
          className={controlLook}
        />
        <ComboboxOptions
          anchor="bottom start"
          className="z-20 max-h-72! w-(--input-width) overflow-y-auto rounded-lg border border-line bg-white p-1 shadow-lg empty:invisible"
        >
          {(data?.jobs ?? []).map(({ id, name }) => (
            <ComboboxOption
              key={id}
              value={id}
              className="flex min-h-11 items-center rounded px-3 data-focus:bg-rail"
            >
              <span className="truncate">{name}</span>
            </ComboboxOption>
          ))}
        </ComboboxOptions>
      </Combobox>
      {data?.total === 0 ? (
        <p role="status" className="mt-1 text-[13px] text-quiet">
          {search === '' ? 'There is no job to put it into.' : `No job has “${search}” in it.`}
        </p>
      ) : null}
    </div>
  );
};
