import { Check, ChevronRight, Trash2 } from 'lucide-react';
import { useState } from 'react';
import {
  dollars,
  liveRecords,
  ofId,
  removeExtra,
  setFromTruck,
  setLuminairePrice,
  type Job,
  type OrderLine,
} from '@amber/core';
import { NumberInput } from '../../parts/inputs.js';
import { Button, Field } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { many, OnTruck, Uses } from './BuyUses.js';
import { NotAtCounter } from './NotAtCounter.js';
import type { OrderView } from './useOrder.js';

/** What came of a line: all of what is still short by one tap, and taken back by another. */
const Came = ({ view, line }: { view: OrderView; line: OrderLine }) => {
  const short = line.buy - line.delivered;
  if (line.buy === 0) return <span className="text-quiet">nothing to come</span>;
  if (short > 1e-9)
    return (
      <Button
        className="w-full"
        disabled={view.initials.trim() === ''}
        title={view.initials.trim() === '' ? 'Put in your initials first' : undefined}
        aria-label={`It came: ${line.name}`}
        onClick={() =>
          view.put(
            'delivered',
            { kind: 'article', id: line.key },
            { count: short, draws: view.drawing(line.article, -short) },
          )
        }
      >
        {line.delivered > 0 ? `${many(short, line.unit)} short` : 'It came'}
      </Button>
    );
  return (
    <Button
      look="bare"
      className="w-full"
      aria-label={`It did not come: ${line.name}`}
      onClick={() =>
        view.takeBack(
          liveRecords(view.records).filter(
            ({ kind, about }) => kind === 'delivered' && about.id === line.key,
          ),
        )
      }
    >
      <Check size={16} aria-hidden="true" /> here
    </Button>
  );
};

/** Who brings the luminaires of a line: the owner, or the shop at so much each. */
const LuminairePrice = ({ job, line }: { job: Job; line: OrderLine }) => {
  const edit = useEdit();
  const each = line.fromOwner ? null : (line.price ?? 0) / line.need / 10_000;
  const set = (price: number | null) =>
    edit(setLuminairePrice(job, line.luminaires, price), `price of ${line.name}`);
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      <div className="w-32">
        <Field label="Price each, $">
          <NumberInput
            label={`Price each: ${line.name}`}
            value={each}
            least={0}
            most={100_000}
            unit="dollars"
            onChange={(dollarsEach) => set(Math.round(dollarsEach * 10_000))}
            onEmpty={() => set(null)}
          />
        </Field>
      </div>
      <p className="max-w-md pb-2 text-[13px] text-quiet">
        Empty: the owner brings {line.need === 1 ? 'it' : 'them'}, and{' '}
        {line.need === 1 ? 'it is' : 'they are'} in no sum. The plan asks for leads or screws, a load and a
        place, and leaves the rest to whoever picks.
      </p>
    </div>
  );
};

/** One line of the list: how many, of which some are in the truck, how the rest is bought, what it costs, and whether it came. */
export const BuyRow = ({ view, line }: { view: OrderView; line: OrderLine }) => {
  const edit = useEdit();
  const [open, setOpen] = useState(false);
  const { job } = view;
  const { article, name } = line;
  return (
    <tbody className="break-inside-avoid border-b border-line">
      <tr className="align-top max-md:flex max-md:flex-wrap max-md:items-center max-md:gap-2 max-md:py-2">
        <th scope="row" className="py-1 font-normal max-md:basis-full">
          <button
            type="button"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
            className="flex min-h-10 items-center gap-1.5 text-left font-semibold break-words"
          >
            <ChevronRight
              size={15}
              className={`shrink-0 print:hidden ${open ? 'rotate-90' : ''}`}
              aria-hidden="true"
            />
            {name}
          </button>
          {line.absent ? (
            <span className="block pl-6 text-[13px] font-semibold text-caution">
              Not to be had, and asked for all the same: chosen by hand, or nothing else serves.
            </span>
          ) : null}
        </th>
        <td className="px-2 py-1 text-right leading-10 whitespace-nowrap">
          <span className="text-quiet md:hidden">needed </span>
          {many(line.need, line.unit)}
        </td>
        <td className="px-2 py-1 max-md:w-36">
          {article && view.part === null ? (
            <>
              <label className="flex items-center gap-2">
                <span className="text-quiet md:hidden">truck</span>
                <NumberInput
                  label={`In the truck: ${name}`}
                  value={ofId(job.order.fromTruck, article) ?? 0}
                  least={0}
                  most={100_000}
                  unit={line.unit === 'foot' ? 'ft' : 'pieces'}
                  onChange={(quantity) => edit(setFromTruck(job, article, quantity), `${name} in the truck`)}
                />
              </label>
              <OnTruck view={view} line={line} article={article} />
            </>
          ) : (
            <span className="leading-10">{line.inTruck > 0 ? many(line.inTruck, line.unit) : ''}</span>
          )}
        </td>
        <td className="px-2 py-1">
          <strong className="leading-10">{line.buy === 0 ? 'nothing' : line.how}</strong>
          {line.over > 0 ? (
            <span className="-mt-2 block pb-1 text-[13px] text-quiet">
              {many(line.over, line.unit)} left over
            </span>
          ) : null}
        </td>
        <td className="px-2 py-1 text-right leading-10">
          {line.fromOwner ? '' : line.price === null ? 'no price' : dollars(line.price)}
        </td>
        <td className="px-2 py-1 print:hidden">
          {view.part === null ? <Came view={view} line={line} /> : null}
        </td>
      </tr>
      {open ? (
        <tr className="print:hidden">
          <td colSpan={6} className="pb-3 pl-6">
            {line.byHand ? (
              <Button onClick={() => edit(removeExtra(job, line.key), `${name} off the list`)}>
                <Trash2 size={16} /> Off the list
              </Button>
            ) : (
              <>
                <Uses view={view} line={line} />
                {line.luminaires.length > 0 ? (
                  <LuminairePrice job={job} line={line} />
                ) : article ? (
                  <NotAtCounter job={job} article={article} name={name} />
                ) : (
                  <p className="text-caution">The stock has no such article.</p>
                )}
              </>
            )}
          </td>
        </tr>
      ) : null}
    </tbody>
  );
};
