import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import {
  boxesReached,
  boxRow,
  existingDocument,
  othersIn,
  reviewCircuit,
  type BoxId,
  type BoxRow,
  type Circuit,
  type Job,
} from '@amber/core';
import { reviewOf } from '../../store/review.js';
import { plural } from '../../parts/format.js';
import { benchPath, boxesPath, worksheetIntoPath } from '../../parts/paths.js';
import { controlLook, SafetyNote, Select } from '../../parts/ui.js';
import { BoxTable, verdictOf, type Verdict } from './BoxTable.js';
import { FillLegend } from './FillBar.js';
import { FromWorksheet } from './FromWorksheet.js';
import { OneBox } from './OneBox.js';

const SHOWN: Record<Verdict | 'all', string> = {
  all: 'All boxes',
  'too small': 'Too small',
  full: 'Full',
  'not known': 'Not known',
  fits: 'With room',
};
type Shown = keyof typeof SHOWN;

/** How many boxes there are of each verdict, in a sentence: the answer first. */
const summary = (rows: readonly BoxRow[]): string => {
  const count = (verdict: Verdict) => rows.filter((row) => verdictOf(row) === verdict).length;
  const parts = [
    ...(count('too small') > 0 ? [`${count('too small')} too small`] : []),
    ...(count('not known') > 0 ? [`${count('not known')} of which not all is known`] : []),
    ...(count('full') > 0 ? [`${count('full')} full`] : []),
  ];
  const boxes = plural(rows.length, 'box', 'boxes');
  return parts.length === 0
    ? `${boxes}: each fits and takes another cable.`
    : `${boxes}: ${parts.join(', ')}.`;
};

/** Does it fit? Every box of the job, or of one circuit, with what fills it, what is left, and which box of the stock would do. */
export const BoxesScreen = ({ job: asked, circuit }: { job: Job; circuit: Circuit | null }) => {
  const review = reviewOf(asked);
  const { job, wiring } = review;
  const rows = useMemo(() => {
    const reached = boxesReached(wiring);
    // One whose circuit is not planned yet is asked about all the same.
    const isUsed = (id: BoxId) =>
      reached.has(id) ||
      job.slots.some(({ box }) => box === id) ||
      job.luminaires.some(({ box }) => box === id) ||
      // Counted on a worksheet, or told on the plan; no circuit has come to it yet.
      othersIn(job, id) !== null;
    const mine = circuit ? reviewCircuit(review, circuit.id).boxes : null;
    return job.boxes
      .filter(({ id, work }) => work !== 'beyond' && isUsed(id) && (mine === null || mine.has(id)))
      .flatMap(({ id }) => boxRow(job, wiring, id) ?? []);
  }, [review, job, wiring, circuit]);
  const [text, setText] = useState('');
  const [shown, setShown] = useState<Shown>('all');
  const [picked, setPicked] = useState<BoxId | null>(null);
  const wanted = rows.filter(
    (row) =>
      (shown === 'all' || verdictOf(row) === shown) &&
      `${row.name} ${row.room} ${row.made.join(' ')}`.toLowerCase().includes(text.trim().toLowerCase()),
  );
  const row = rows.find(({ box }) => box === picked) ?? null;
  const top = useRef<HTMLDivElement>(null);
  const pick = (box: BoxId) => {
    setPicked(box);
    // On a narrow screen it stands above the table.
    top.current?.scrollTo({ top: 0 });
  };
  return (
    <div ref={top} className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 flex-1 flex-col lg:min-h-0">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-4 py-2">
          <h1 className="text-[17px] font-bold">{circuit ? `Boxes of ${circuit.name}` : 'Boxes'}</h1>
          <p role="status" className="text-[14px] text-quiet">
            {summary(rows)}
          </p>
          {circuit && job.circuits.length > 1 ? (
            <Link to={boxesPath(job.id)} className="text-[14px] font-semibold underline">
              All boxes of the job
            </Link>
          ) : null}
          <div className="ml-auto flex gap-2 max-sm:ml-0 max-sm:w-full">
            <input
              type="search"
              aria-label="Find a box"
              placeholder="Find a box"
              value={text}
              onChange={(event) => setText(event.target.value)}
              className={`${controlLook} w-40`}
            />
            <Select
              aria-label="Which boxes"
              className="w-36"
              value={shown}
              onChange={(event) => setShown(event.target.value as Shown)}
            >
              {Object.entries(SHOWN).map(([id, words]) => (
                <option key={id} value={id}>
                  {words}
                </option>
              ))}
            </Select>
          </div>
        </div>
        {circuit === null ? <FromWorksheet job={asked} onPut={pick} /> : null}
        <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 px-4 py-1">
          <FillLegend />
          {circuit === null ? (
            <Link
              to={worksheetIntoPath(job.id, '')}
              className="inline-flex min-h-10 items-center text-[14px] font-semibold underline"
            >
              Add a box from a worksheet
            </Link>
          ) : null}
        </div>
        <div className="min-h-0 flex-1 lg:overflow-y-auto">
          {wanted.length > 0 ? (
            <BoxTable rows={wanted} picked={picked} onPick={pick} />
          ) : (
            <p className="p-6 text-center text-[15px]">
              {rows.length === 0
                ? 'No circuit is wired yet. Once one is, each of its boxes stands here with what it has to hold.'
                : 'No box is called so, or is as asked.'}
            </p>
          )}
        </div>
      </main>
      <aside
        aria-label="One box"
        className={`flex shrink-0 flex-col border-line bg-sheet max-lg:order-first max-lg:border-b lg:min-h-0 lg:w-106 lg:overflow-y-auto lg:border-l ${row ? '' : 'max-lg:hidden'}`}
      >
        {row ? (
          <OneBox
            key={row.box}
            review={review}
            row={row}
            bench={benchPath(job.id, circuit?.id ?? null)}
            found={benchPath(job.id, circuit?.id ?? null, existingDocument(job)?.id ?? null)}
            onClose={() => setPicked(null)}
          />
        ) : (
          <p className="p-6 text-[15px] text-quiet">
            Pick a box to see what is counted in it, and which boxes of the stock would do.
          </p>
        )}
        <SafetyNote className="mt-auto p-4" />
      </aside>
    </div>
  );
};
