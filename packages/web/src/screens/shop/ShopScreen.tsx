import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { Undo2 } from 'lucide-react';
import { Opening } from '../../parts/Boundary.js';
import { plural } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { useCatalogQuery } from '../../server/api.js';
import { sayFailed, type Failed } from '../../server/client.js';
import { Articles } from './Articles.js';
import { Begins } from './Begins.js';
import { InAndOut } from './InAndOut.js';
import { LocalCode } from './LocalCode.js';
import { Units } from './Units.js';
import { useShop } from './useShop.js';

const tabLook =
  'min-h-12 shrink-0 border-b-3 border-transparent px-3 text-[14px] font-semibold text-quiet hover:bg-rail focus-visible:-outline-offset-3 data-selected:border-ink data-selected:text-ink';

/** What the shop plans and prices with: new jobs take it, and each job keeps what it was priced with. */
export const ShopScreen = () => {
  const { data: catalog, error, refetch } = useCatalogQuery();
  const shop = useShop();
  if (!catalog)
    return error ? (
      <div role="alert" className="mx-auto max-w-md p-10">
        <h1 className="text-xl font-bold">The shop cannot be opened now</h1>
        <p className="mt-2 mb-5">{sayFailed(error as Failed)}</p>
        <Button look="main" onClick={() => void refetch()}>
          Try again
        </Button>
      </div>
    ) : (
      <Opening />
    );
  const absent = catalog.articles.filter((one) => one.absent).length;
  return (
    <TabGroup as="main" className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-4 py-2">
        <div className="min-w-0 flex-1 basis-64">
          <h1 className="text-[17px] font-bold">Shop</h1>
          <p className="text-[14px] text-quiet">
            {plural(catalog.articles.length, 'article')}
            {absent > 0 ? `, ${absent} not to be had` : ''}. New jobs take it as it stands; a job keeps what
            it was priced with.
          </p>
        </div>
        {shop.last ? (
          <Button onClick={() => void shop.undo()}>
            <Undo2 size={17} /> Undo: {shop.last.words}
          </Button>
        ) : null}
      </div>
      {shop.trouble === null ? null : (
        <p role="alert" className="border-b border-violation bg-sheet px-4 py-2 text-[14px] text-violation">
          {shop.trouble}
        </p>
      )}
      <TabList className="flex overflow-x-auto border-b border-line bg-sheet">
        {['Articles', 'Labour and judgement', 'New jobs', 'Local code', 'Table in and out'].map((words) => (
          <Tab key={words} className={tabLook}>
            {words}
          </Tab>
        ))}
      </TabList>
      <TabPanels className="min-h-0 flex-1 overflow-y-auto">
        <TabPanel className="p-4">
          <Articles articles={catalog.articles} shop={shop} />
        </TabPanel>
        <TabPanel className="p-4">
          <Units catalog={catalog} shop={shop} />
        </TabPanel>
        <TabPanel className="p-4">
          <Begins catalog={catalog} shop={shop} />
        </TabPanel>
        <TabPanel className="p-4">
          <LocalCode catalog={catalog} shop={shop} />
        </TabPanel>
        <TabPanel className="p-4">
          <InAndOut articles={catalog.articles} shop={shop} />
        </TabPanel>
      </TabPanels>
    </TabGroup>
  );
};
