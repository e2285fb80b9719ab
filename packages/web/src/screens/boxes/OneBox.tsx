import {
  eraWord,
  existingDocument,
  ofId,
  findBox,
  setBoxArticles,
  type ArticleId,
  type BoxFill,
  type BoxRow,
  type JobReview,
} from '@amber/core';
import { useState } from 'react';
import { ExistingFill } from '../../panels/fill/ExistingFill.js';
import { GangOrder } from './GangOrder.js';
import { OrWay } from './OrWay.js';
import { MeasureBox } from './MeasureBox.js';
import { BoxToScale } from './BoxToScale.js';
import { InsideForm } from './InsideForm.js';
import { CountedBox } from './CountedBox.js';
import { BoxSelect } from '../../parts/BoxSelect.js';
import { X } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { Candidates } from './Candidates.js';
import { FillLines, NotTold } from '../../panels/fill/FillLines.js';
import { FillBar } from './FillBar.js';
import { sayRow } from './BoxTable.js';

const bare =
  'inline-flex min-h-10 items-center rounded-md border border-line bg-sheet px-3 font-semibold hover:bg-rail';

/** One box: the answer, every line of its arithmetic, and the boxes of the stock for it. */
export const OneBox = ({
  review,
  row,
  bench,
  found,
  onClose,
}: {
  review: JobReview;
  row: BoxRow;
  /** Where it is seen opened. */
  bench: string;
  /** The same as it was found, where the existing wiring tells of it. */
  found: string;
  onClose: () => void;
}) => {
  const edit = useEdit();
  const { job, wiring } = review;
  const [pointed, setPointed] = useState<BoxFill['lines'][number] | null>(null);
  const box = findBox(job, row.box);
  // What is told of it box by box is all that is in it, and is told on the bench.
  const told = ofId(existingDocument(job)?.certainty, row.box);
  const { fill } = row;
  const take = (article: ArticleId | null) =>
    edit(setBoxArticles(job, row.box, article === null ? null : [article]), `box of ${row.name}`);
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
        <NotTold unknown={fill.unknown} />
      </div>
      <CountedBox review={review} id={row.box} line={pointed} />
      <FillLines
        pointed={pointed}
        onPoint={setPointed}
        fill={fill}
        caption={`By 314.16 of ${eraWord(job.edition)}. Pigtails do not count.`}
        held={row.made.join(' with ') || 'a box that nobody has named'}
      />
      <div>
        <BoxToScale review={review} row={row} line={pointed} />
        <InsideForm review={review} box={row.box} />
      </div>
      <Link to={bench} className={`${bare} self-start`}>
        See it opened on the bench
      </Link>
      {box?.work === 'existing' ? (
        <>
          <BoxSelect
            job={job}
            box={row.box}
            article={box.article}
            withDevices={row.gangs > 0}
            onChange={take}
          />
          <MeasureBox job={job} onTake={take} />
          {told === undefined ? (
            <ExistingFill job={job} box={box} />
          ) : (
            <Link to={found} className={`${bare} self-start`}>
              {told === 'seen' ? 'What was seen in it' : 'Tell what is in it, as found'}
            </Link>
          )}
        </>
      ) : (
        <>
          <GangOrder job={job} box={row.box} name={row.name} />
          <Candidates job={job} wiring={wiring} id={row.box} />
          <OrWay job={job} box={row.box} name={row.name} />
        </>
      )}
    </section>
  );
};
