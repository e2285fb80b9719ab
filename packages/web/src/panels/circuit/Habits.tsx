import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ChevronRight } from 'lucide-react';
import { departsIn, type Job, type Preferences } from '@amber/core';
import { plural } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { useCatalogQuery } from '../../server/api.js';
import { useEdit } from '../../store/review.js';
import { HabitsForm } from './HabitsForm.js';

/** Where a job departs from the habits of the shop, and the way back; nothing where it does not, or where the shop is not reached. */
const Departs = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const { data: catalog } = useCatalogQuery();
  const departs = catalog ? departsIn(job, catalog.defaults).length : 0;
  if (!catalog || departs === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-2 text-[13.5px]">
      <p className="min-w-0 flex-1">This job departs from the shop in {plural(departs, 'habit')}.</p>
      <Button
        onClick={() => edit({ ...job, preferences: catalog.defaults.preferences }, 'habits of the shop')}
      >
        Take the shop’s again
      </Button>
    </div>
  );
};

/** How things are made up on this job, where good electricians differ: each choice changes steps, drawing, stock and price. */
export const Habits = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const set = (more: Partial<Preferences>, what: string) =>
    edit({ ...job, preferences: { ...job.preferences, ...more } }, `habit: ${what}`);
  return (
    <Disclosure as="section" aria-label="Habits of this job" className="border-t border-line pt-3">
      <DisclosureButton className="group flex min-h-11 w-full items-center gap-2 text-left text-[15px] font-bold">
        <ChevronRight size={17} className="group-data-open:rotate-90" /> Habits of this job
      </DisclosureButton>
      <DisclosurePanel className="flex flex-col gap-3">
        <p className="text-[13px] text-quiet">
          Where good electricians differ. They hold for the whole job; steps, drawings, order and price
          follow.
        </p>
        <Departs job={job} />
        <HabitsForm preferences={job.preferences} onSet={set} />
      </DisclosurePanel>
    </Disclosure>
  );
};
