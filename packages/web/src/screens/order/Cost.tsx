import { lazy, Suspense, useState } from 'react';
import {
  customerSum,
  dollars,
  feetWord,
  materialUsed,
  setTerms,
  type CustomerSum,
  type Terms,
} from '@amber/core';
import { plural } from '../../parts/format.js';
import { NumberInput } from '../../parts/inputs.js';
import { OneOf } from '../../parts/OneOf.js';
import { Field } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { workWord } from './workWords.js';
import type { OrderView } from './useOrder.js';

// What draws the chart is large, and nothing else wants it.
const CostChart = lazy(async () => ({ default: (await import('./CostChart.js')).CostChart }));

const hours = (minutes: number): string => {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${whole % 60} min`;
};

const Lines = ({ title, rows }: { title: string; rows: readonly (readonly [string, string])[] }) => (
  <section aria-label={title}>
    <h3 className="border-b border-ink text-[14px] font-bold">{title}</h3>
    <dl className="text-[14px]">
      {rows.map(([name, value]) => (
        <div key={name} className="flex justify-between gap-3 border-b border-line py-1">
          <dt className="min-w-0 break-words">{name}</dt>
          <dd className="shrink-0 font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
  </section>
);

const TERMS: [keyof Omit<Terms, 'taxOn'>, string][] = [
  ['markup', 'Markup on material, %'],
  ['contingency', 'Contingency, %'],
  ['tax', 'Tax, %'],
];

/** What the shop asks for an hour, and what it adds: figures of this job. */
const TermsForm = ({ view: { job } }: { view: OrderView }) => {
  const edit = useEdit();
  const { terms } = job.order;
  return (
    <fieldset className="grid grid-cols-2 gap-3 print:hidden">
      <legend className="mb-1 text-[15px] font-bold">What is asked</legend>
      <Field label="Crew, $ an hour">
        <NumberInput
          value={job.labour.rate / 10_000}
          least={0}
          most={10_000}
          unit="dollars"
          onChange={(rate) =>
            edit({ ...job, labour: { ...job.labour, rate: Math.round(rate * 10_000) } }, 'rate of the crew')
          }
        />
      </Field>
      {TERMS.map(([which, label]) => (
        <Field key={which} label={label}>
          <NumberInput
            value={terms[which]}
            least={0}
            most={1000}
            unit="percent"
            onChange={(percent) => edit(setTerms(job, { [which]: percent }), label)}
          />
        </Field>
      ))}
      <div className="col-span-2">
        <OneOf
          label="Tax on"
          options={[
            { value: 'material', words: 'Tax on material' },
            { value: 'all', words: 'Tax on all of it' },
          ]}
          value={terms.taxOn}
          onPick={(taxOn) => edit(setTerms(job, { taxOn }), 'what is taxed')}
        />
      </div>
    </fieldset>
  );
};

const DETAILS = [
  { value: 'sum', words: 'One sum' },
  { value: 'parts', words: 'Material and labour' },
  { value: 'lines', words: 'Every line' },
] as const;
type Detail = (typeof DETAILS)[number]['value'];

/** What a customer sees of the sum: markup, contingency and the shop's minutes stay out of it until every line is asked for. */
const rowsOf = (view: OrderView, sum: CustomerSum, detail: Detail): [string, string][] => {
  if (detail === 'sum') return [];
  const { material, markup, labour, contingency, tax } = sum;
  if (detail === 'parts')
    return [
      ['Material', dollars(material + markup)],
      ['Labour', dollars(labour + contingency)],
      ...(tax > 0 ? [['Tax', dollars(tax)] as [string, string]] : []),
    ];
  return [
    ...view.list.lines.map(({ name, need, unit }): [string, string] => [
      name,
      `${feetWord(need)}${unit === 'foot' ? ' ft' : ''}`,
    ]),
    ['Material', dollars(material)],
    ['Markup', dollars(markup)],
    ['Labour', `${hours(view.labour.minutes)}, ${dollars(labour)}`],
    ['Contingency', dollars(contingency)],
    ['Tax', dollars(tax)],
  ];
};

/** Minutes and money: by kind of work, by room, and what a customer is asked for. */
export const Cost = ({ view }: { view: OrderView }) => {
  const [detail, setDetail] = useState<Detail>('parts');
  const { job, list, labour } = view;
  const material = materialUsed(job, list);
  const fromOwner = list.lines.reduce((count, line) => count + (line.fromOwner ? line.need : 0), 0);
  const sum = customerSum(job, list, labour, material);
  const { byKind, byRoom } = labour;
  return (
    <div className="grid max-w-6xl gap-x-10 gap-y-6 lg:grid-cols-2">
      <div className="flex flex-col gap-5">
        <section aria-label="The customer’s sum" className="rounded-lg border border-line bg-white p-4">
          <h2 className="text-[15px] font-bold">
            The customer’s sum{view.part === null ? '' : ', of this circuit alone'}
          </h2>
          <p role="status" className="text-2xl font-bold">
            {sum.total === null ? 'No sum yet' : `${sum.about ? 'About ' : ''}${dollars(sum.total)}`}
          </p>
          {sum.unknown.length > 0 ? (
            <p className="text-[14px] text-caution">Not told, because {sum.unknown.join('; ')}.</p>
          ) : null}
          <div className="my-3 print:hidden">
            <OneOf label="How much the customer sees" options={DETAILS} value={detail} onPick={setDetail} />
          </div>
          {sum.total === null ? null : (
            <Lines title={`${job.name}: what it is made of`} rows={rowsOf(view, sum, detail)} />
          )}
          <p className="mt-3 text-[13px] text-quiet">
            It rests on the plan as it is now, on {sum.about ? 'lengths that nobody has measured, on ' : ''}
            prices of the job, and on minutes by its labour units; what is left over of bags and coils stays
            with the shop. Not in it:{' '}
            {fromOwner > 0 ? `${plural(fromOwner, 'luminaire')} from the owner, permit` : 'permit'} and
            patching. An estimate, no offer.
          </p>
        </section>
        <TermsForm view={view} />
      </div>
      <div className="flex flex-col gap-5">
        <section aria-label="Where the money goes">
          <h2 className="text-[15px] font-bold">Where the money goes</h2>
          <Suspense fallback={<p className="text-quiet">Drawing …</p>}>
            <CostChart view={view} />
          </Suspense>
        </section>
        <Lines
          title={`Labour by kind of work, ${hours(labour.minutes)}`}
          rows={byKind.map(({ work, quantity, minutes }) => [
            `${workWord(work)}, ${feetWord(Math.round(quantity * 10) / 10)}${work.startsWith('foot') ? ' ft' : ''}`,
            hours(minutes),
          ])}
        />
        <Lines title="Labour by room" rows={byRoom.map(({ name, minutes }) => [name, hours(minutes)])} />
      </div>
    </div>
  );
};
