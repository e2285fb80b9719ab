import { useNavigate } from 'react-router';
import { CONTRACT, type Job } from '@amber/core';
import { jobPath } from '../parts/paths.js';
import { Button } from '../parts/ui.js';
import { jobsApi } from '../server/api.js';
import { ask, sayFailed } from '../server/client.js';
import { broughtBack } from '../store/jobSlice.js';
import { noticed } from '../store/noticeSlice.js';
import { useAppDispatch } from '../store/store.js';
import { keepAsNew } from './keepAsNew.js';

/** The job was deleted elsewhere while it was open here. What was changed here is kept whatever is chosen. */
export const GoneBar = ({ job }: { job: Job }) => {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const bringBack = async () => {
    const answer = await ask(CONTRACT.restoreJob, { ids: { id: job.id } });
    if (answer.kind !== 'ok') {
      dispatch(noticed(`It was not brought back.\n${sayFailed(answer)}`, { tone: 'problem' }));
      return;
    }
    dispatch(jobsApi.util.invalidateTags(['Jobs']));
    dispatch(broughtBack());
  };
  const keep = async () => {
    const id = await keepAsNew(job, 'kept', dispatch);
    if (id !== null) await navigate(jobPath(id));
  };
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line bg-white px-4 py-2.5"
    >
      <p className="min-w-60 flex-1">
        <strong>This job was deleted elsewhere.</strong> What is open here is kept in this browser.
      </p>
      <Button look="main" onClick={() => void bringBack()}>
        Bring it back
      </Button>
      <Button onClick={() => void keep()}>Keep as a new job</Button>
    </div>
  );
};
