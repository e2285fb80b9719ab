import { findBox, type BoxId, type Job, type PlannedChange } from '@amber/core';
import { placeName } from '../../parts/words.js';

/** The wires of one opened box, from where they are to where they go. */
const InBox = ({
  job,
  box,
  moved,
  isUnsure,
}: {
  job: Job;
  box: BoxId;
  moved: PlannedChange['moved'];
  isUnsure: boolean;
}) => (
  <table className="w-full table-fixed text-left" aria-label={`Wires in ${placeName(job, box)}`}>
    <caption className="pb-0.5 text-left font-semibold">
      {placeName(job, box)}
      {isUnsure ? <span className="font-normal text-quiet">: nobody has seen all of it</span> : null}
    </caption>
    <thead className="text-[12.5px] text-quiet">
      <tr>
        <th className="py-1 pr-2 font-normal">Wire</th>
        <th className="py-1 pr-2 font-normal">{isUnsure ? 'Is usually on; look' : 'Was on'}</th>
        <th className="py-1 font-normal">Goes on</th>
      </tr>
    </thead>
    <tbody>
      {moved.map((one, i) => (
        <tr key={i} className="border-t border-line align-top">
          <td className="py-1 pr-2 break-words">{one.wire}</td>
          <td className="py-1 pr-2 break-words">{one.from}</td>
          <td className="py-1 font-semibold break-words">{one.to}</td>
        </tr>
      ))}
    </tbody>
  </table>
);

/** Every wire that a change moves, box by box. */
export const WiresMoved = ({ job, change }: { job: Job; change: PlannedChange }) => {
  const boxes = [...new Set(change.moved.map(({ box }) => box))];
  const unsure = boxes.filter((box) => change.lookFirst.includes(box));
  return (
    <div className="flex flex-col gap-3">
      <p>
        <strong>
          Breaker off and every wire proved dead; then mark each by its old screw before it comes off.
        </strong>{' '}
        Colours do not tell a common.
        {unsure.length > 0
          ? ' Where nobody has seen a wire, what is usual is said: look, mark it, and correct it on the bench.'
          : ''}
      </p>
      {boxes
        .filter((box) => findBox(job, box))
        .map((box) => (
          <InBox
            key={box}
            job={job}
            box={box}
            moved={change.moved.filter((one) => one.box === box)}
            isUnsure={unsure.includes(box)}
          />
        ))}
    </div>
  );
};
