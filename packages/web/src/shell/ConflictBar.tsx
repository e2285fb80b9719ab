import { useNavigate } from 'react-router';
import { CONTRACT, type Clash, type Job, type JobId, type StoredJob } from '@amber/core';
import { useAppDispatch } from '../store/store.js';
import { keptMine, tookTheirs } from '../store/jobSlice.js';
import { jobsApi } from '../server/api.js';
import { ask, sayFailed } from '../server/client.js';
import { noticed } from '../store/noticeSlice.js';
import { jobPath } from '../parts/paths.js';
import { Button } from '../parts/ui.js';

/** The job was saved elsewhere meanwhile. Both are kept whatever is chosen here. */
export const ConflictBar = ({
  job,
  current,
  clashes,
}: {
  job: Job;
  current: StoredJob;
  /** What both changed otherwise; undefined while that is not known. */
  clashes?: readonly Clash[] | undefined;
}) => {
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
      {clashes && clashes.length > 0 ? (
        <table className="w-full basis-full text-left text-[13.5px]">
          <thead>
            <tr className="border-b border-line">
              <th scope="col" className="py-1 pr-4 font-semibold">
                Here
              </th>
              <th scope="col" className="py-1 font-semibold">
                Saved elsewhere
              </th>
            </tr>
          </thead>
          <tbody>
            {clashes.map(({ mine, theirs }) => (
              <tr key={[...mine, ...theirs].join()} className="border-b border-line align-top">
                <td className="py-1 pr-4 break-words">{mine.join('; ')}</td>
                <td className="py-1 break-words">{theirs.join('; ')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      <Button look="main" onClick={() => void keepBoth()}>
        Keep both: mine as a new job
      </Button>
      <Button onClick={() => dispatch(keptMine())}>Save mine on top</Button>
      <Button onClick={() => dispatch(tookTheirs())}>Take the other</Button>
    </div>
  );
};
