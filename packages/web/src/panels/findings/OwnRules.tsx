import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { amendmentsMissing, withAmendmentsOf, type Circuit, type Job } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { plural } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { useCatalogQuery } from '../../server/api.js';
import { RuleForm, type LocalRule, type RuleScope } from './RuleForm.js';

/** The scopes that a rule may have, as values of a select. */
const scopesOf = (job: Job, circuit: Circuit | null): RuleScope[] => [
  ['job', 'The whole job', 'job'],
  ...(circuit
    ? [[`circuit ${circuit.id}`, `Circuit ${circuit.name}`, { circuit: circuit.id }] as RuleScope]
    : []),
  ...job.rooms.map((room): RuleScope => [`room ${room.id}`, `Room ${room.name}`, { room: room.id }]),
  ...job.boxes.map((box): RuleScope => [`box ${box.id}`, `Box ${box.name}`, { box: box.id }]),
];

/** Rules of the local authority that the code does not have: the user's own, with their place and how grave they are. */
export const OwnRules = ({ job, circuit }: { job: Job; circuit: Circuit | null }) => {
  const edit = useEdit();
  const own = job.amendments.filter((one): one is LocalRule => one.kind === 'rule');
  const { data: catalog } = useCatalogQuery();
  const missing = catalog ? amendmentsMissing(job, catalog.defaults) : [];
  return (
    <Disclosure as="section" className="border-t border-line">
      <DisclosureButton className="group flex min-h-11 w-full items-center gap-2 text-left font-bold">
        <span className="flex-1">Local rules · {own.length}</span>
        <ChevronDown className="size-4 group-data-open:rotate-180" aria-hidden="true" />
      </DisclosureButton>
      <DisclosurePanel className="flex flex-col gap-3 pb-3">
        <p className="text-[13.5px]">
          What the local authority asks beside the code. It stands among the findings where it applies.
        </p>
        {catalog && missing.length > 0 ? (
          <div className="flex flex-wrap items-center gap-2 text-[13.5px]">
            <p className="min-w-0 flex-1">
              The shop has {plural(missing.length, 'local amendment')} that this job has not, or otherwise.
            </p>
            <Button
              onClick={() => edit(withAmendmentsOf(job, catalog.defaults), 'local amendments of the shop')}
            >
              Take the shop’s
            </Button>
          </div>
        ) : null}
        {own.map((one) => (
          <div key={one.id} className="flex items-start gap-2">
            <p className="min-w-0 flex-1 font-semibold break-words">{one.title}</p>
            <Button
              look="bare"
              onClick={() =>
                edit(
                  { ...job, amendments: job.amendments.filter((other) => other.id !== one.id) },
                  'no local rule',
                )
              }
            >
              Take out
            </Button>
          </div>
        ))}
        <RuleForm
          scopes={scopesOf(job, circuit)}
          onAdd={(rule) => edit({ ...job, amendments: [...job.amendments, rule] }, 'local rule')}
        />
      </DisclosurePanel>
    </Disclosure>
  );
};
