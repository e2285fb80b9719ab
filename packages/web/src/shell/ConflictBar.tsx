import { useNavigate } from 'react-router';
import type { Clash, Job, StoredJob } from '@amber/core';
import { useAppDispatch } from '../store/store.js';
import { keptMine, tookTheirs } from '../store/jobSlice.js';
import { jobPath } from '../parts/paths.js';
import { sayMade, sayMaker } from '../parts/format.js';
import { Button } from '../parts/ui.js';
import { keepAsNew } from './keepAsNew.js';

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
    const id = await keepAsNew(job, 'my version', dispatch);
    if (id === null) return;
    dispatch(tookTheirs());
    await navigate(jobPath(id));
  };
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line bg-white px-4 py-2.5"
    >
      <p className="min-w-60 flex-1">
        <strong>This job was saved elsewhere meanwhile</strong> (revision {current.revision}
        {current.document.name === job.name ? '' : `, “${current.document.name}”`}
        {current.made ? `, ${sayMade(current.made)}` : ''}
        ). What you changed here is kept.
      </p>
      {clashes && clashes.length > 0 ? (
        <table className="w-full basis-full text-left text-[13.5px]">
          <thead>
            <tr className="border-b border-line">
              <th scope="col" className="py-1 pr-4 font-semibold">
                Here
              </th>
              <th scope="col" className="py-1 font-semibold">
                {current.made && sayMaker(current.made) !== ''
                  ? `Saved ${sayMaker(current.made)}`
                  : 'Saved elsewhere'}
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
