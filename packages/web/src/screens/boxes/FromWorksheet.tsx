import { X } from 'lucide-react';
import { useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import {
  cubicInches,
  withWorksheetBox,
  worksheetFill,
  type ArticleId,
  type BoxId,
  type Job,
} from '@amber/core';
import { fresh } from '../../parts/fresh.js';
import { OneOf } from '../../parts/OneOf.js';
import { worksheetIn, WORKSHEET_PATH } from '../../parts/paths.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { keptSheets } from '../../store/keptSheets.js';
import { useEdit } from '../../store/review.js';

/** A box that was counted on a worksheet comes into the job as one that is there; what the sheet does not tell is asked. */
export const FromWorksheet = ({ job, onPut }: { job: Job; onPut: (box: BoxId) => void }) => {
  const edit = useEdit();
  const navigate = useNavigate();
  const { search, pathname } = useLocation();
  const asked = worksheetIn(search);
  const [{ sheets }] = useState(keptSheets);
  const [picked, setPicked] = useState(asked ?? '');
  const [metal, setMetal] = useState<'steel' | 'nonmetallic' | null>(null);
  const done = () => void navigate(pathname, { replace: true });
  if (asked === null) return null;
  const kept = sheets.find(({ id }) => id === picked);
  const put = () => {
    if (!kept || metal === null) return;
    const box = fresh<BoxId>('box');
    edit(
      withWorksheetBox(job, kept.sheet, { box, article: fresh<ArticleId>('box'), metal: metal === 'steel' }),
      `${kept.sheet.name} from a worksheet`,
    );
    onPut(box);
    done();
  };
  const fill = kept && worksheetFill(kept.sheet);
  return (
    <section
      aria-label="A box from a worksheet"
      className="mx-4 my-2 flex flex-col gap-3 rounded-md border border-line bg-white p-3 text-[14px]"
    >
      <div className="flex items-start justify-between gap-3">
        <h2 className="text-[15px] font-bold">A box from a worksheet</h2>
        <Button look="bare" aria-label="Leave it out" onClick={done}>
          <X size={18} />
        </Button>
      </div>
      <Field label="Worksheet">
        <Select value={kept ? picked : ''} onChange={(event) => setPicked(event.target.value)}>
          <option value="">choose one that this browser keeps</option>
          {sheets.map(({ id, sheet }) => (
            <option key={id} value={id}>
              {sheet.name}
            </option>
          ))}
        </Select>
      </Field>
      {kept && fill ? (
        <p>
          {cubicInches(fill.needed)} needed of {cubicInches(fill.available ?? 0)}. It comes in as a box that
          is there, not placed yet; its fill is then reckoned by the edition of this job.
        </p>
      ) : (
        <p>
          {asked === '' || picked !== asked
            ? 'Choose one, or '
            : 'That sheet is not kept in this browser: choose another, or '}
          <Link className="underline" to={WORKSHEET_PATH}>
            count a box
          </Link>
          .
        </p>
      )}
      <OneOf
        label="What the box is made of"
        options={[
          { value: 'steel', words: 'Steel' },
          { value: 'nonmetallic', words: 'Nonmetallic' },
        ]}
        value={metal}
        onPick={setMetal}
      />
      <Button look="main" className="self-start" disabled={!kept || metal === null} onClick={put}>
        Put it into the job
      </Button>
    </section>
  );
};
