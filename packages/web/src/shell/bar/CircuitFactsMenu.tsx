import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { lazy, Suspense } from 'react';
import type { Circuit, Job } from '@amber/core';
import { Boundary } from '../../parts/Boundary.js';

const CircuitFacts = lazy(async () => ({
  default: (await import('../../panels/circuit/CircuitFacts.js')).CircuitFacts,
}));

/** Breaker and size of the circuit that is shown, and what else is known of it, from any screen. */
export const CircuitFactsMenu = ({ job, circuit }: { job: Job; circuit: Circuit }) => (
  <Popover>
    <PopoverButton
      title="Breaker, size and what else is known of the circuit"
      className="inline-flex min-h-10 items-center gap-1.5 rounded-md border border-edge bg-white px-2.5 text-[13.5px] whitespace-nowrap hover:bg-rail"
    >
      <span>
        <b>{circuit.breaker} A</b> · {circuit.awg} AWG
      </span>
      <ChevronDown size={15} aria-hidden="true" />
    </PopoverButton>
    <PopoverPanel
      anchor="bottom start"
      className="z-30 w-[min(24rem,calc(100vw-1rem))] rounded-lg border border-line bg-white p-4 shadow-lg"
    >
      <Boundary what="The circuit" of={circuit.id}>
        <Suspense fallback={<p className="text-[13px] text-quiet">Reading …</p>}>
          <CircuitFacts job={job} circuit={circuit} />
        </Suspense>
      </Boundary>
    </PopoverPanel>
  </Popover>
);
