import { useMemo, useState } from 'react';
import {
  cheapestOf,
  dollars,
  expectLater,
  findLuminaire,
  findSlot,
  isExpected,
  latersOf,
  sayLater,
  sayLaterHere,
  sayLaterRests,
  saySaved,
  type BoxId,
  type Candidate,
  type Circuit,
  type FoundPlans,
  type Job,
  type Later,
  type LaterPrice,
  type LaterRow,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { placeName } from '../../parts/words.js';
import { plural } from '../../parts/format.js';
import { Field, Select } from '../../parts/ui.js';
import { useLater } from '../../worker/useLater.js';

const boxOf = (job: Job, later: Later): BoxId | undefined =>
  'slot' in later ? findSlot(job, later.slot)?.box : findLuminaire(job, later.luminaire)?.box;

const keyOf = (later: Later): string => `${later.what} ${'slot' in later ? later.slot : later.luminaire}`;

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What is spent besides: cable, boxes, and what the rules then ask. */
const sayBesides = ({ feet, opened, asks }: Extract<LaterPrice, { ok: true }>): string =>
  [
    ...(feet > 0 ? [`${Math.round(feet)} ft of new cable`] : []),
    `${plural(opened, 'box', 'boxes')} opened`,
    ...asks,
  ].join(', ');

const Cell = ({ price }: { price: LaterPrice | null | undefined }) => (
  <td className="border-b border-line px-3 py-1.5 align-top">
    {!price ? (
      <span className="text-quiet">…</span>
    ) : price.ok ? (
      <>
        <strong>about {dollars(price.cost)}</strong>
        <span className="block text-[13px] text-quiet">{sayBesides(price)}</span>
      </>
    ) : (
      <>
        <strong>not</strong>
        <span className="block text-[13px] text-quiet">{price.why}</span>
      </>
    )}
  </td>
);

/** The first plans, and the cheapest: the letters stand at the head of the columns. */
const plansOf = ({ candidates }: FoundPlans): Candidate[] => {
  const lawful = candidates.filter(({ measures }) => measures.violations === 0);
  const cheapest = cheapestOf(candidates);
  return [...new Set([...lawful.slice(0, 3), ...(cheapest ? [cheapest] : [])])];
};

/** What the first plan costs more than another now, and saves when something comes. */
const Saved = ({ job, plans, rows }: { job: Job; plans: Candidate[]; rows: readonly LaterRow[] }) => {
  const [first, ...others] = plans;
  const said = rows.flatMap(({ later, prices: [ours, ...theirs] }) =>
    // Against the cheapest: what is paid now beyond it is what has to come back.
    others.flatMap((other, at) => {
      if (at !== others.length - 1) return [];
      const price = theirs[at];
      if (!first || !ours || !price) return [];
      const sentence = saySaved(
        job,
        { more: first.measures.cost - other.measures.cost, other: other.letter },
        later,
        [ours, price],
      );
      return sentence ? [{ key: `${keyOf(later)} ${other.letter}`, sentence }] : [];
    }),
  );
  return first && said.length > 0 ? (
    <ul aria-label={`Plan ${first.letter} later`} className="text-[14px]">
      {said.map(({ key, sentence }) => (
        <li key={key}>
          <strong>{first.letter}:</strong> {sentence}
        </li>
      ))}
    </ul>
  ) : null;
};

interface Shown {
  job: Job;
  found: FoundPlans;
  plans: Candidate[];
  /** What may come at the place that is looked at, and its prices as far as they are worked out. */
  here: Later[];
  rows: readonly LaterRow[] | null;
}

/** Prices of what may come at one place, plan by plan; what is ticked counts in the order of the plans. */
export const LaterTable = ({ job, found, plans, here, rows }: Shown) => {
  const edit = useEdit();
  return (
    <>
      {found.expecting ? <p className="text-[14px]">{found.expecting.sentence}</p> : null}
      {rows ? <Saved job={job} plans={plans} rows={rows} /> : null}
      <div className="overflow-x-auto">
        <table className="w-full border-collapse text-left text-[14px]">
          <thead>
            <tr className="text-[13px] text-quiet">
              <th className="px-3 py-1 font-semibold">What comes; tick what is expected</th>
              {plans.map(({ letter }) => (
                <th key={letter} className="px-3 py-1 font-semibold">
                  Plan {letter}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {here.map((later, i) => (
              <tr key={keyOf(later)}>
                <th className="border-b border-line px-3 py-0 text-left align-top font-normal">
                  <label className="flex min-h-11 items-center gap-2.5">
                    <input
                      type="checkbox"
                      className="size-5 shrink-0 accent-ink"
                      checked={isExpected(job, later)}
                      onChange={(event) =>
                        edit(
                          expectLater(job, later, event.target.checked),
                          `${event.target.checked ? '' : 'not '}expected: ${sayLater(job, later)}`,
                        )
                      }
                    />
                    {capital(sayLaterHere(job, later))}
                  </label>
                </th>
                {plans.map(({ letter }, way) => (
                  <Cell key={letter} price={rows?.[i]?.prices[way]} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-[13px] text-quiet">{sayLaterRests(job)}</p>
    </>
  );
};

/** Tomorrow's price: what a change that may come at a place would cost under the first plans. */
export const LaterPrices = ({ job, circuit, found }: { job: Job; circuit: Circuit; found: FoundPlans }) => {
  const laters = useMemo(() => latersOf(job, circuit.id), [job, circuit.id]);
  const boxes = [...new Set(laters.flatMap((later) => boxOf(job, later) ?? []))];
  const [picked, setPicked] = useState<BoxId | null>(null);
  const at = boxes.find((box) => box === picked) ?? boxes[0];
  const here = laters.filter((later) => boxOf(job, later) === at);
  const plans = plansOf(found);
  const choices = found.complete ? plans.map(({ choice }) => choice) : [];
  const { rows, failed } = useLater(job, circuit.id, choices, here);
  if (at === undefined || plans.length === 0)
    return (
      <p className="text-[14px] text-quiet">There is no plan, or no switch, for which something may come.</p>
    );
  return (
    <div className="flex flex-col gap-3">
      <Field label="Something comes later at">
        <Select className="max-w-72" value={at} onChange={(event) => setPicked(event.target.value as BoxId)}>
          {boxes.map((box) => (
            <option key={box} value={box}>
              {placeName(job, box)}
            </option>
          ))}
        </Select>
      </Field>
      {failed ? <p className="text-violation">It could not be worked out: {failed}</p> : null}
      {found.complete ? null : <p className="text-[14px] text-quiet">Worked out once all plans are there.</p>}
      <LaterTable job={job} found={found} plans={plans} here={here} rows={rows} />
    </div>
  );
};
