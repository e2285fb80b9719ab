import { X } from 'lucide-react';
import {
  dollars,
  runFactOf,
  setRunFact,
  type Circuit,
  type Job,
  type LaidRun,
  type RunFact,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { LengthInput } from '../../parts/inputs.js';
import { Button, Field } from '../../parts/ui.js';
import { ACCESS_WORDS, placeName, ROUTE_WORDS } from '../../parts/words.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { useLeastCost, type Price } from '../../worker/useLeastCost.js';

export const sayPrice = (price: Price | null, least: number | null): string => {
  if (price === null || least === null) return '';
  if (price.kind === 'asking') return 'Pricing …';
  if (price.kind === 'failed') return `Cannot be priced: ${price.message}`;
  if (price.answer === null) return 'Then it cannot be wired.';
  const more = price.answer - least;
  return Math.abs(more) < 50
    ? 'The cheapest then costs nothing more.'
    : more > 0
      ? `The cheapest then costs ${dollars(more)} more.`
      : `Saves ${dollars(-more)}.`;
};

/** What may be asked of one run: to take it, to do without it, how long it is, how it goes. */
export const RunPanel = ({
  job,
  circuit,
  run,
  least,
  onClose,
}: {
  job: Job;
  circuit: Circuit;
  run: LaidRun;
  /** Cost of the cheapest plan as things are. */
  least: number | null;
  onClose: () => void;
}) => {
  const edit = useEdit();
  const [a, b] = [run.from, run.to];
  const fact = runFactOf(job, a, b);
  const name = `${placeName(job, a)} to ${placeName(job, b)}`;
  const set = (change: Partial<RunFact>, what: string) =>
    edit(setRunFact(job, a, b, change), `${what}: ${name}`);
  const without =
    fact?.rule === null || fact === undefined ? setRunFact(job, a, b, { rule: 'forbidden' }) : null;
  const price = useLeastCost(without, circuit.id);
  const rule = fact?.rule ?? null;
  return (
    <section
      aria-label={`Run ${name}`}
      className="absolute top-3 right-3 flex max-h-[calc(100%-1.5rem)] w-76 max-w-[calc(100%-1.5rem)] flex-col gap-3 overflow-y-auto rounded-lg border border-line bg-sheet p-4 shadow-md"
    >
      <div className="flex items-start gap-2">
        <h2 className="min-w-0 flex-1 text-[15px] font-bold break-words">{name}</h2>
        <button
          type="button"
          aria-label="Close"
          className="-mt-2 -mr-2 grid size-10 place-items-center rounded hover:bg-rail"
          onClick={onClose}
        >
          <X size={18} />
        </button>
      </div>
      <div className="flex gap-2">
        <Button
          className="flex-1"
          aria-pressed={rule === 'forced'}
          look={rule === 'forced' ? 'main' : 'plain'}
          onClick={() => set({ rule: rule === 'forced' ? null : 'forced' }, 'keep the run')}
        >
          {rule === 'forced' ? 'Kept' : 'Keep it'}
        </Button>
        <Button
          className="flex-1"
          aria-pressed={rule === 'forbidden'}
          look={rule === 'forbidden' ? 'main' : 'plain'}
          onClick={() => set({ rule: rule === 'forbidden' ? null : 'forbidden' }, 'do without the run')}
        >
          {rule === 'forbidden' ? 'Forbidden' : 'Do without'}
        </Button>
      </div>
      <p className="min-h-5 text-[13px] text-quiet" role="status">
        {without ? `To do without it: ${sayPrice(price, least).toLowerCase() || 'not known yet'}` : null}
      </p>
      <Field
        label="Measured along the run"
        hint={(fact?.length ?? null) === null ? 'Not measured: taken from the plan.' : undefined}
      >
        <LengthInput value={fact?.length ?? null} onChange={(length) => set({ length }, 'length')} />
      </Field>
      <Field label="Way">
        <WordSelect
          words={ROUTE_WORDS}
          value={fact?.route ?? null}
          none={`as the job: ${ROUTE_WORDS[job.routing.route]}`}
          onPick={(route) => set({ route }, 'way')}
        />
      </Field>
      <Field label="Got to">
        <WordSelect
          words={ACCESS_WORDS}
          value={fact?.access ?? null}
          none={`as the job: ${ACCESS_WORDS[job.routing.access]}`}
          onPick={(access) => set({ access }, 'access')}
        />
      </Field>
    </section>
  );
};
