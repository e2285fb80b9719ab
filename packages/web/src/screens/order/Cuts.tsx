import { Download } from 'lucide-react';
import { coilPlans, cutSheet, feetInches, type CoilPlan, type Cut } from '@amber/core';
import { Button } from '../../parts/ui.js';
import { saveCsv } from './csv.js';
import { CutRow } from './CutRow.js';
import type { OrderView } from './useOrder.js';

/** A coil as a bar of its cuts, each with its number; what is left of it is light. */
const CoilBar = ({ view, plan, at }: { view: OrderView; plan: CoilPlan; at: number }) => {
  const coil = plan.coils[at];
  const whole = plan.coilFeet * 12;
  if (!coil) return null;
  const lengthOf = (id: Cut['cable']) => view.cuts.find(({ cable }) => cable === id)?.length?.cut ?? 0;
  return (
    <li className="mt-2">
      <p className="text-[13px]">
        <strong>{plan.name}</strong>,{' '}
        {plan.coils.length > 1 ? `coil ${at + 1} of ${plan.coils.length}, ` : ''}
        {feetInches(coil.used)} of {plan.coilFeet} ft used,{' '}
        {coil.buy === 'coil'
          ? `the coil is less than by the foot: ${feetInches(coil.left)} left over`
          : 'less by the foot than by the coil'}
      </p>
      <div className="mt-1 flex h-8 overflow-hidden rounded-sm border border-ink bg-white" aria-hidden="true">
        {coil.cuts.map((id) => (
          <span
            key={id}
            className="grid place-items-center border-r border-ink bg-rail text-[12px] font-semibold"
            style={{ width: `${(100 * lengthOf(id)) / whole}%` }}
          >
            {lengthOf(id) / whole > 0.03 ? view.numbers.get(id) : ''}
          </span>
        ))}
      </div>
    </li>
  );
};

/** Cables in the order of pulling, ticked when cut and when pulled; and the coils that they come off with the least waste. */
export const Cuts = ({ view }: { view: OrderView }) => {
  const { job, cuts, numbers } = view;
  const { plans, tooLong } = coilPlans(job, cuts);
  if (cuts.length === 0) return <p className="text-[15px]">No new cable is planned.</p>;
  return (
    <div className="flex max-w-6xl flex-col gap-5">
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        <Button onClick={() => saveCsv(job, 'cuts', cutSheet(job, cuts, numbers))}>
          <Download size={17} /> Cuts as CSV
        </Button>
        {view.initials.trim() === '' ? (
          <p className="text-[13.5px] text-quiet">Put in your initials to tick what is cut and pulled.</p>
        ) : null}
      </div>
      <section aria-label="Cut list">
        <table className="w-full text-left text-[14px]">
          <caption className="pb-1 text-left text-[13px] text-quiet">
            In the order of pulling: circuit by circuit, from where power enters. Measure a run along its way,
            and its cut follows.
          </caption>
          <thead className="border-b-2 border-ink text-[13px] max-md:sr-only">
            <tr>
              <th scope="col" className="w-12 py-1">
                No.
              </th>
              <th scope="col">Cable</th>
              <th scope="col" className="w-32 px-2 text-right">
                Cut to
              </th>
              <th scope="col" className="w-36 px-2">
                Run measured
              </th>
              <th scope="col" className="w-24 px-2 text-center">
                Cut
              </th>
              <th scope="col" className="w-24 px-2 text-center">
                Pulled
              </th>
            </tr>
          </thead>
          <tbody>
            {cuts.map((cut) => (
              <CutRow key={cut.cable} view={view} cut={cut} number={numbers.get(cut.cable) ?? 0} />
            ))}
          </tbody>
        </table>
      </section>
      <section aria-label="Coils">
        <h2 className="text-[15px] font-bold">Coils, with the least waste</h2>
        <ul>
          {plans.flatMap((plan) =>
            plan.coils.map((_coil, at) => (
              <CoilBar key={`${plan.article} ${at}`} view={view} plan={plan} at={at} />
            )),
          )}
        </ul>
        {tooLong.map(({ cable, cut, coil }) => (
          <p key={cable} role="alert" className="mt-2 text-[14px] text-violation">
            Cable {numbers.get(cable)} is {feetInches(cut)}, longer than a coil of {feetInches(coil)}: order
            it by the foot in one length, or bring a box in between.
          </p>
        ))}
      </section>
    </div>
  );
};
