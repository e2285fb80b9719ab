import { useNavigate } from 'react-router';
import { CONTRACT, type Job, type JobId, type StoredJob } from '@amber/core';
import { useAppDispatch } from '../store/store.js';
import { keptMine, tookTheirs } from '../store/jobSlice.js';
import { jobsApi } from '../server/api.js';
import { ask, sayFailed } from '../server/client.js';
import { noticed } from '../store/noticeSlice.js';
import { jobPath } from '../parts/paths.js';
import { Button } from '../parts/ui.js';

/** The job was saved elsewhere meanwhile. Both are kept whatever is chosen here. */
export const ConflictBar = ({ job, current }: { job: Job; current: StoredJob }) => {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const keepBoth = async () => {
    const name = `${[...job.name].slice(0, 185).join('')} (my version)`;
    const document = { ...job, id: crypto.randomUUID() as JobId, name };
    const answer = await ask(CONTRACT.makeJob, { body: { saveId: crypto.randomUUID(), document } });
    if (answer.kind !== 'ok') {
      dispatch(noticed(`Your version was not stored yet.\n${sayFailed(answer)}`, { tone: 'problem' }));
      return;
    }
    dispatch(tookTheirs());
    dispatch(jobsApi.util.invalidateTags(['Jobs']));
    await navigate(jobPath(answer.value.id));
  };
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line bg-white px-4 py-2.5"
    >
      <p className="min-w-60 flex-1">
        <strong>This job was saved elsewhere meanwhile</strong> (revision {current.revision}
        {current.document.name === job.name ? '' : `, “${current.document.name}”`}). What you changed here is
        kept.
      </p>
      <Button look="main" onClick={() => void keepBoth()}>
        Keep both: mine as a new job
      </Button>
      <Button onClick={() => dispatch(keptMine())}>Save mine on top</Button>
      <Button onClick={() => dispatch(tookTheirs())}>Take the other</Button>
    </div>
  );
};
