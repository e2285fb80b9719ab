import { useMemo, useState, type FormEvent } from 'react';
import { CONTRACT, sayDifference, summariseJob, type Job, type RevisionHead } from '@amber/core';
import { RunMini } from '../../parts/RunMini.js';
import { moment, plural, sayMaker } from '../../parts/format.js';
import { Button, Field, Select, TextInput } from '../../parts/ui.js';
import { jobsApi } from '../../server/api.js';
import { ask, sayFailed } from '../../server/client.js';
import { noticed } from '../../store/noticeSlice.js';
import { useEdit } from '../../store/review.js';
import { useAppDispatch } from '../../store/store.js';
import { useSave } from './useSave.js';

export const saveName = ({ revision, name }: RevisionHead): string =>
  name ?? (revision === null ? 'A save that lost' : `Revision ${revision}`);

const NOW = 'now';

/** What another state of the job has otherwise. */
const Difference = ({ from, to, words }: { from: Job; to: Job; words: string }) => {
  const told = useMemo(() => sayDifference(from, to), [from, to]);
  if (told.length === 0) return <p className="text-[14.5px]">Nothing is different.</p>;
  return (
    <>
      <p className="mb-1 text-[13px] text-quiet">{words}</p>
      <ul className="divide-y divide-line border-y border-line text-[14.5px]">
        {told.slice(0, 40).map((one) => (
          <li key={one} className="py-1.5 break-words">
            {one}.
          </li>
        ))}
      </ul>
      {told.length > 40 ? <p className="mt-1 text-[13px] text-quiet">And {told.length - 40} more.</p> : null}
    </>
  );
};

/** Its circuits, small. */
const Preview = ({ job }: { job: Job }) => {
  const { circuits } = useMemo(() => summariseJob(job), [job]);
  return (
    <ul className="grid gap-3 sm:grid-cols-2">
      {circuits.map((circuit) => (
        <li key={circuit.id} className="min-w-0 rounded-md border border-line bg-sheet p-3">
          <p className="truncate text-[14px] font-semibold">{circuit.name}</p>
          {circuit.run ? (
            <RunMini run={circuit.run} label={`Run of ${circuit.name}`} />
          ) : (
            <p className="text-[13px] text-quiet">not planned</p>
          )}
        </li>
      ))}
    </ul>
  );
};

/** One save: what it has otherwise than another state of the job, its circuits, its name, and the way back to it. */
export const SaveDetail = ({
  job,
  save,
  saves,
}: {
  job: Job;
  save: RevisionHead;
  saves: readonly RevisionHead[];
}) => {
  const dispatch = useAppDispatch();
  const edit = useEdit();
  const before = saves.find(({ revision }) => revision !== null && revision === save.parent);
  const [against, setAgainst] = useState<string>(NOW);
  const [name, setName] = useState(save.name ?? '');
  const seen = useSave(job.id, save.saveId);
  const other = useSave(job.id, against === NOW ? null : against);
  const called = async (event: FormEvent) => {
    event.preventDefault();
    const answer = await ask(CONTRACT.nameSave, {
      ids: { id: job.id, save: save.saveId },
      body: { name: name.trim() },
    });
    if (answer.kind === 'ok') dispatch(jobsApi.util.invalidateTags(['Revisions']));
    else dispatch(noticed(sayFailed(answer), { tone: 'problem' }));
  };
  if (seen?.kind === 'failed')
    return (
      <p role="alert" className="rounded-md border border-violation p-3">
        This state of the job cannot be shown. {seen.words}
      </p>
    );
  if (seen?.kind !== 'here') return <p className="text-quiet">Reading it …</p>;
  const versus = against === NOW ? job : other?.kind === 'here' ? other.job : null;
  return (
    <section aria-label={saveName(save)} className="flex min-w-0 flex-col gap-4">
      <div>
        <h2 className="text-[19px] font-bold break-words">{saveName(save)}</h2>
        <p className="text-[14px] text-quiet">
          {moment(save.savedAt)}
          {sayMaker(save) === '' ? '' : ` · ${sayMaker(save)}`}
          {save.revision === null
            ? ` · saved over revision ${save.parent} after somebody else had; kept beside it`
            : ''}
        </p>
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <Button
          look="main"
          className="min-h-12"
          onClick={() => {
            edit(seen.job, `bring back ${saveName(save)}`);
            dispatch(noticed(`The job is as it was ${moment(save.savedAt)}. Undo takes that back.`));
          }}
        >
          Bring this back
        </Button>
        <form
          onSubmit={(event) => void called(event)}
          className="flex min-w-0 flex-1 basis-64 items-end gap-2"
        >
          <label className="min-w-0 flex-1 text-[13px] font-semibold">
            Name; what has one is kept for good
            <TextInput
              className="font-normal"
              value={name}
              maxLength={200}
              placeholder="As priced for the owner"
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <Button type="submit" disabled={name.trim() === (save.name ?? '')}>
            Keep
          </Button>
        </form>
      </div>
      <div className="max-w-xl">
        <Field label="Compared with">
          <Select value={against} onChange={(event) => setAgainst(event.target.value)}>
            <option value={NOW}>the job as it is now</option>
            {before ? <option value={before.saveId}>the one before it</option> : null}
            {saves
              .filter((one) => one !== save && one !== before)
              .map((one) => (
                <option key={one.saveId} value={one.saveId}>
                  {saveName(one)}, {moment(one.savedAt)}
                </option>
              ))}
          </Select>
        </Field>
      </div>
      <div>
        {versus ? (
          against === before?.saveId ? (
            <Difference from={versus} to={seen.job} words="What changed with it:" />
          ) : (
            <Difference from={seen.job} to={versus} words="What has changed since:" />
          )
        ) : (
          <p className="text-quiet">{other?.kind === 'failed' ? other.words : 'Reading the other …'}</p>
        )}
      </div>
      <div>
        <h3 className="mb-2 text-[14px] font-semibold">
          {plural(seen.job.circuits.length, 'circuit')}, {plural(seen.job.boxes.length, 'box', 'boxes')}
        </h3>
        <Preview job={seen.job} />
      </div>
    </section>
  );
};
