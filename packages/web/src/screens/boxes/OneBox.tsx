import {
  cubicInches,
  eraWord,
  findBox,
  partOfLine,
  sayFillLine,
  setBoxArticles,
  UNKNOWN_FILL,
  type BoxRow,
  type Job,
  type Wiring,
} from '@amber/core';
import { BoxSelect } from '../../parts/BoxSelect.js';
import { X } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { Candidates } from './Candidates.js';
import { FillBar, FILL_WORDS } from './FillBar.js';
import { sayRow } from './BoxTable.js';

const plain = (volume: number): string => cubicInches(volume).replace(' in³', '');

/** One box: the answer, every line of its arithmetic, and the boxes of the stock for it. */
export const OneBox = ({
  job,
  wiring,
  row,
  bench,
  onClose,
}: {
  job: Job;
  wiring: Wiring;
  row: BoxRow;
  /** Where it is seen opened. */
  bench: string;
  onClose: () => void;
}) => {
  const edit = useEdit();
  const box = findBox(job, row.box);
  const { fill } = row;
  return (
    <section aria-label={`Fill of ${row.name}`} className="flex flex-col gap-4 p-4">
      <div>
        <div className="flex items-start justify-between gap-3">
          <h2 className="text-[17px] font-bold break-words">{row.name}</h2>
          <Button look="bare" aria-label="Close" onClick={onClose}>
            <X size={18} />
          </Button>
        </div>
        <p className={`text-[15px] ${fill.verdict === 'over' ? 'font-semibold text-violation' : ''}`}>
          {sayRow(row)}
        </p>
        <div className="mt-2">
          <FillBar row={row} />
        </div>
        {fill.unknown.length > 0 ? (
          <p className="mt-2 text-[14px] font-semibold text-caution">
            Not told: {fill.unknown.map((one) => UNKNOWN_FILL[one]).join('; ')}.
          </p>
        ) : null}
      </div>
      <table className="w-full text-[14px]">
        <caption className="mb-1 text-left text-[13px] text-quiet">
          By 314.16 of {eraWord(job.edition)}. Pigtails do not count.
        </caption>
        <thead className="text-left text-[13px] text-quiet">
          <tr>
            <th className="font-normal">Counts</th>
            <th className="pl-2 text-right font-normal">in³ each</th>
            <th className="pl-2 text-right font-normal">in³</th>
          </tr>
        </thead>
        <tbody>
          {fill.lines.map((line) => (
            <tr key={`${line.what} ${line.awg}`} className="border-t border-line align-top">
              <td className="py-1">
                {sayFillLine(line)}
                <span className="block text-[12.5px] text-quiet">
                  {FILL_WORDS[partOfLine(line)]}, {line.section}
                </span>
              </td>
              <td className="py-1 pl-2 text-right">{plain(line.each)}</td>
              <td className="py-1 pl-2 text-right">{plain(line.total)}</td>
            </tr>
          ))}
          <tr className="border-t-2 border-ink font-bold">
            <td className="py-1">
              {fill.unknown.some((one) => one !== 'box') ? 'Needed, at least' : 'Needed'}
            </td>
            <td />
            <td className="py-1 pl-2 text-right">{plain(fill.needed)}</td>
          </tr>
          <tr>
            <td className="py-1">Held by {row.made.join(' with ') || 'a box that nobody has named'}</td>
            <td />
            <td className="py-1 pl-2 text-right">{fill.available === null ? '–' : plain(fill.available)}</td>
          </tr>
        </tbody>
      </table>
      <Link
        to={bench}
        className="inline-flex min-h-10 items-center self-start rounded-md border border-line bg-sheet px-3 font-semibold hover:bg-rail"
      >
        See it opened on the bench
      </Link>
      {box?.work === 'existing' ? (
        <BoxSelect
          job={job}
          box={row.box}
          article={box.article}
          withDevices={row.gangs > 0}
          onChange={(article) =>
            edit(setBoxArticles(job, row.box, article === null ? null : [article]), `box of ${row.name}`)
          }
        />
      ) : (
        <Candidates job={job} wiring={wiring} id={row.box} />
      )}
    </section>
  );
};
