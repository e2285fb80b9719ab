import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { sayPlaces, type Finding } from '@amber/core';
import type { Subject } from '../../wiring/useSubject.js';

/** What only eyes and hands on site can tell, folded until it is wanted. */
export const SiteChecks = ({
  subject: { job, wiring },
  findings,
}: {
  subject: Subject;
  findings: readonly Finding[];
}) => (
  <Disclosure as="section" className="border-t border-line">
    <DisclosureButton className="group flex min-h-11 w-full items-center gap-2 text-left font-bold">
      <span className="flex-1">To verify on site · {findings.length}</span>
      <ChevronDown className="size-4 group-data-open:rotate-180" aria-hidden="true" />
    </DisclosureButton>
    <DisclosurePanel>
      <ul className="flex flex-col gap-2.5 pb-3">
        {findings.map((one) => (
          <li key={`${one.rule} ${one.title}`}>
            <p className="font-semibold">
              {one.title}
              <span className="text-[13px] font-normal text-quiet"> · {one.section}</span>
            </p>
            <p className="text-[13.5px]">{one.reason}</p>
            <p className="text-[13.5px] text-quiet">
              {`${one.remedy} ${sayPlaces(job, wiring, one)}`.trim()}
            </p>
          </li>
        ))}
      </ul>
    </DisclosurePanel>
  </Disclosure>
);
