import { Download } from 'lucide-react';
import { AISLES, boxSheet, setAbsent, takeOffSheet, type Aisle } from '@amber/core';
import { Button } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { BuyRow } from './BuyRow.js';
import { saveCsv } from './csv.js';
import { OldPrices } from './OldPrices.js';
import { ExtraForm } from './ExtraForm.js';
import type { OrderView } from './useOrder.js';

const TITLES: Record<Aisle, string> = {
  cable: 'Cable',
  boxes: 'Boxes',
  devices: 'Devices',
  luminaires: 'Luminaires',
  connectors: 'Connectors',
  plates: 'Plates and blanks',
  fasteners: 'Fasteners',
  tape: 'Tape',
  tails: 'Wire for tails',
  other: 'Besides',
};

/** Articles that were told not to be had, and the way back. */
const NotToBeHad = ({ view: { job } }: { view: OrderView }) => {
  const edit = useEdit();
  const absent = job.stock.filter((one) => one.absent);
  if (absent.length === 0) return null;
  return (
    <section aria-label="Not to be had" className="rounded-md border border-line bg-sheet p-3 text-[14px]">
      <h2 className="font-bold">Not to be had: nothing new is planned with it</h2>
      <ul className="mt-1 flex flex-wrap gap-2">
        {absent.map(({ id, name }) => (
          <li key={id}>
            <Button
              aria-label={`${name} is to be had again`}
              onClick={() => edit(setAbsent(job, id, false), `${name} is to be had again`)}
            >
              {name}: here again
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
};

/** What to buy, aisle by aisle. */
export const Buy = ({ view }: { view: OrderView }) => {
  const { job, list, part } = view;
  const aisles = AISLES.filter((aisle) => list.lines.some((line) => line.aisle === aisle));
  return (
    <div className="flex max-w-4xl flex-col gap-4">
      <div className="flex flex-wrap gap-2 print:hidden">
        <Button onClick={() => saveCsv(job, 'take-off', takeOffSheet(list.lines))}>
          <Download size={17} /> Take-off as CSV
        </Button>
        <Button onClick={() => saveCsv(job, 'boxes', boxSheet(view.boxes))}>
          <Download size={17} /> Boxes as CSV
        </Button>
      </div>
      <OldPrices view={view} />
      <NotToBeHad view={view} />
      {aisles.map((aisle) => (
        <section key={aisle} aria-label={TITLES[aisle]}>
          <h2 className="border-b-2 border-ink text-[15px] font-bold">{TITLES[aisle]}</h2>
          <table className="w-full text-left text-[14px]">
            <thead className="text-[13px] text-quiet max-md:sr-only">
              <tr>
                <th scope="col" className="py-1 font-normal">
                  Article
                </th>
                <th scope="col" className="w-24 px-2 text-right font-normal">
                  Needed
                </th>
                <th scope="col" className="w-28 px-2 font-normal">
                  In the truck
                </th>
                <th scope="col" className="w-44 px-2 font-normal">
                  To buy
                </th>
                <th scope="col" className="w-24 px-2 text-right font-normal">
                  Price
                </th>
                <th scope="col" className="w-32 px-2 font-normal print:hidden">
                  Came
                </th>
              </tr>
            </thead>
            {list.lines
              .filter((line) => line.aisle === aisle)
              .map((line) => (
                <BuyRow key={line.key} view={view} line={line} />
              ))}
          </table>
        </section>
      ))}
      {list.lines.length === 0 ? (
        <p className="text-[15px]">
          Once a circuit is planned, each cable, box, device and connector of it stands here, and nothing that
          is there already.
        </p>
      ) : null}
      {part === null ? <ExtraForm job={job} /> : null}
      <p className="max-w-3xl text-[13px] text-quiet">
        Counted from the plan, conductor by conductor; prices are those that the job was begun with, made-up
        figures until the shop puts in its own. Luminaires and fans come from the owner, at no price here,
        until their line says what the shop pays for each.
      </p>
    </div>
  );
};
