import { layoutFaults, type Job, type LayoutFault } from '@amber/core';
import { SeverityMark } from '../../parts/ui.js';

/** What cannot be as it is told, said at the spot. */
export const FaultsOf = ({ job, of }: { job: Job; of: (fault: LayoutFault['at']) => boolean }) => {
  const faults = layoutFaults(job).filter((one) => of(one.at));
  return faults.length === 0 ? null : (
    <ul className="flex flex-col gap-2">
      {faults.map((one) => (
        <li key={one.sentence} className="flex gap-2 text-[13.5px]">
          <SeverityMark severity="caution" />
          <span>{one.sentence}</span>
        </li>
      ))}
    </ul>
  );
};
