import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { Link } from 'react-router';
import { dollars, sayRough, type Circuit, type Job } from '@amber/core';
import { InitialsField } from '../../onRecord/Initials.js';
import { plural } from '../../parts/format.js';
import { orderPath } from '../../parts/paths.js';
import { SafetyNote } from '../../parts/ui.js';
import { Buy } from './Buy.js';
import { Cost } from './Cost.js';
import { Cuts } from './Cuts.js';
import { Packet } from './Packet.js';
import { Tags } from './Tags.js';
import { useOrder, type OrderView } from './useOrder.js';

const tabLook =
  'min-h-12 shrink-0 border-b-3 border-transparent px-3 text-[14px] font-semibold text-quiet hover:bg-rail focus-visible:-outline-offset-3 data-selected:border-ink data-selected:text-ink';

/** What there is to buy and what it comes to, in a sentence: the answer first, and what it does not hold. */
const summary = ({ list, part }: OrderView): string => {
  const { lines, total, unpriced, unmeasured, guessed, rough } = list;
  if (lines.length === 0) return 'Nothing is planned yet that has to be bought.';
  const left = lines.filter(({ buy, delivered }) => delivered < buy).length;
  const missing = [
    ...(unpriced.length > 0 ? [`${plural(unpriced.length, 'line')} without a price`] : []),
    ...(unmeasured.length > 0 ? [`${plural(unmeasured.length, 'run')} without a length`] : []),
  ];
  const about = guessed.length + rough.length > 0 ? 'about ' : '';
  const sum =
    missing.length > 0
      ? `${about}${dollars(total)} without ${missing.join(' and ')}`
      : `${about}${dollars(total)} at the counter`;
  const come = part !== null ? '' : left === 0 ? ', all here' : `, ${left} to come`;
  return `${plural(lines.length, 'line')}${come}: ${sum}.`;
};

/** What do I buy, cut and carry, and what is it worth? */
export const OrderScreen = ({ job: asked, circuit }: { job: Job; circuit: Circuit | null }) => {
  const view = useOrder(asked, circuit);
  const { job, cuts } = view;
  const done = cuts.filter((cut) => view.stateOf(cut).pulled === 'done').length;
  const tabs = [
    'Buy',
    cuts.length > 0 ? `Cut and pull · ${done} of ${cuts.length}` : 'Cut and pull',
    'Tags',
    'Labour and cost',
    'Packet',
  ];
  return (
    <TabGroup as="main" className="flex min-h-0 min-w-0 flex-1 flex-col print:block">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2 border-b border-line px-4 py-2 print:hidden">
        <div className="min-w-0 flex-1 basis-64">
          <h1 className="text-[17px] font-bold">{circuit ? `Order of ${circuit.name}` : 'Order'}</h1>
          <p role="status" className="text-[14px] text-quiet">
            {summary(view)}
            {circuit
              ? ' Boxes that it shares with others are counted whole; what is in the truck, and what came, is told for the whole job.'
              : ''}
          </p>
          {view.list.rough.length > 0 ? (
            <p className="text-[14px] font-semibold text-caution">
              {sayRough(job, view.list.rough)} Measure before you buy or cut.
            </p>
          ) : null}
          {circuit && job.circuits.length > 1 ? (
            <Link
              to={orderPath(job.id)}
              className="inline-flex min-h-10 items-center text-[14px] font-semibold underline"
            >
              The whole job
            </Link>
          ) : null}
        </div>
        <InitialsField initials={view.initials} onChange={view.setInitials} />
      </div>
      <TabList className="flex overflow-x-auto border-b border-line bg-sheet print:hidden">
        {tabs.map((words) => (
          <Tab key={words.split(' ·')[0]} className={tabLook}>
            {words}
          </Tab>
        ))}
      </TabList>
      <TabPanels className="min-h-0 flex-1 overflow-y-auto print:overflow-visible">
        <TabPanel className="p-4">
          <Buy view={view} />
        </TabPanel>
        <TabPanel className="p-4">
          <Cuts view={view} />
        </TabPanel>
        <TabPanel className="p-4">
          <Tags view={view} />
        </TabPanel>
        <TabPanel className="p-4">
          <Cost view={view} />
        </TabPanel>
        <TabPanel className="p-4">
          <Packet view={view} circuit={circuit} />
        </TabPanel>
        <SafetyNote className="px-4 pb-4 print:hidden" />
      </TabPanels>
    </TabGroup>
  );
};
