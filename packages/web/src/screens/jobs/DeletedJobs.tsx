import { CONTRACT, DAYS_FOUND } from '@amber/core';
import { when } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { jobsApi, useDeletedJobsQuery } from '../../server/api.js';
import { ask, sayFailed } from '../../server/client.js';
import { noticed } from '../../store/noticeSlice.js';
import { useAppDispatch } from '../../store/store.js';

/** Jobs that were deleted and can be brought back. */
export const DeletedJobs = () => {
  const { data } = useDeletedJobsQuery();
  const dispatch = useAppDispatch();
  if (!data || data.length === 0) return null;
  const bringBack = async (id: string, name: string) => {
    const answer = await ask(CONTRACT.restoreJob, { ids: { id } });
    dispatch(
      answer.kind === 'ok'
        ? noticed(`${name} is back.`)
        : noticed(`${name} was not brought back.\n${sayFailed(answer)}`, { tone: 'problem' }),
    );
    dispatch(jobsApi.util.invalidateTags(['Jobs']));
  };
  return (
    <details className="max-w-3xl">
      <summary className="min-h-11 cursor-pointer py-2.5 font-semibold">
        Deleted jobs, kept for {DAYS_FOUND} days: {data.length}
      </summary>
      <ul className="divide-y divide-line border-y border-line">
        {data.map(({ id, name, deletedAt }) => (
          <li key={id} className="flex items-center gap-3 py-1.5">
            <span className="min-w-0 flex-1 break-words">
              {name} <span className="text-[13px] text-quiet">deleted {when(deletedAt)}</span>
            </span>
            <Button aria-label={`Bring back ${name}`} onClick={() => void bringBack(id, name)}>
              Bring back
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
};
