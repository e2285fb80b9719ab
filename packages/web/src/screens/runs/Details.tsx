import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { lazy, Suspense } from 'react';
import type { Candidate, Circuit, FoundPlans, Job, LaidRun } from '@amber/core';
import { AllCircuits } from './AllCircuits.js';
import { Asked } from './Asked.js';
import { LaterPrices } from './LaterPrices.js';
import { NamedWays } from './NamedWays.js';
import { PlanFacts } from './PlanFacts.js';
import { Sought } from './Sought.js';

/** Charts bring a library of their own, and wait until somebody looks at them. */
const Compare = lazy(() => import('./Compare.js').then((module) => ({ default: module.Compare })));

const tab =
  'min-h-11 shrink-0 border-b-3 border-transparent px-3 text-[14px] font-semibold text-quiet hover:bg-rail data-selected:border-ink data-selected:text-ink';

/** Under the plan: the numbers of the one that is looked at, how it compares, what was sought, and what is asked. */
export const Details = ({
  job,
  circuit,
  found,
  plan,
  picked,
  onPickRun,
  onPickPlan,
  onChoose,
}: {
  job: Job;
  circuit: Circuit;
  found: FoundPlans;
  plan: Candidate | null;
  picked: LaidRun | null;
  onPickRun: (run: LaidRun) => void;
  onPickPlan: (letter: string) => void;
  onChoose: (plan: Candidate) => void;
}) => (
  <TabGroup className="flex flex-col border-t border-line bg-sheet max-lg:order-last lg:h-66 lg:shrink-0">
    <TabList className="flex shrink-0 overflow-x-auto border-b border-line px-1">
      <Tab className={tab}>{plan ? `Plan ${plan.letter}` : 'Plan'}</Tab>
      <Tab className={tab}>Compare</Tab>
      <Tab className={tab}>Named ways</Tab>
      <Tab className={tab}>Later</Tab>
      <Tab className={tab}>What was sought</Tab>
      <Tab className={tab}>What is asked</Tab>
      <Tab className={tab}>All circuits</Tab>
    </TabList>
    <TabPanels className="min-h-0 flex-1 p-4 lg:overflow-y-auto">
      <TabPanel>
        {plan ? (
          <PlanFacts job={job} plan={plan} picked={picked} onPickRun={onPickRun} />
        ) : (
          <p>There is no plan.</p>
        )}
      </TabPanel>
      <TabPanel>
        {plan ? (
          <Suspense fallback={<p className="text-quiet">Drawing …</p>}>
            <Compare job={job} found={found} plan={plan} onPick={onPickPlan} />
          </Suspense>
        ) : (
          <p>There is no plan.</p>
        )}
      </TabPanel>
      <TabPanel>
        <NamedWays
          job={job}
          found={found}
          letter={plan?.letter ?? null}
          onPick={onPickPlan}
          onChoose={onChoose}
        />
      </TabPanel>
      <TabPanel>
        <LaterPrices job={job} circuit={circuit} found={found} />
      </TabPanel>
      <TabPanel>
        <Sought found={found} />
      </TabPanel>
      <TabPanel>
        <Asked job={job} circuit={circuit} found={found} />
      </TabPanel>
      <TabPanel>
        <AllCircuits job={job} />
      </TabPanel>
    </TabPanels>
  </TabGroup>
);
