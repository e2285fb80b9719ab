import { lazy, useEffect, useState } from 'react';
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import type { Finding } from '@amber/core';
import { foldedOf } from '../../panels/findings/grouping.js';
import { Verdict } from '../../panels/findings/Verdict.js';
import { SafetyLine } from '../../parts/ui.js';
import { Boundary } from '../../parts/Boundary.js';
import { useInspected } from '../../wiring/useInspected.js';
import { usePlannedChange } from '../../wiring/usePlannedChange.js';
import { useAppSelector } from '../../store/store.js';
import type { Subject } from '../../wiring/useSubject.js';

import { AfterTelling } from './AfterTelling.js';
import { StepsHere } from './StepsHere.js';

/** What is not needed to use the bench is loaded after it: the findings once it is drawn, a tab when it is opened. */
const FindingList = lazy(async () => ({
  default: (await import('../../panels/findings/FindingList.js')).FindingList,
}));
const BoxFillList = lazy(async () => ({
  default: (await import('../../panels/fill/BoxFillList.js')).BoxFillList,
}));
const AsFoundPanel = lazy(async () => ({
  default: (await import('../../panels/asFound/AsFoundPanel.js')).AsFoundPanel,
}));
const ChangeParts = lazy(async () => ({
  default: (await import('../../panels/change/ChangeParts.js')).ChangeParts,
}));
const MetersPanel = lazy(async () => ({
  default: (await import('../../panels/meters/MetersPanel.js')).MetersPanel,
}));
const CircuitPanel = lazy(async () => ({
  default: (await import('../../panels/circuit/CircuitPanel.js')).CircuitPanel,
}));

const tabLook =
  'min-h-12 flex-1 border-b-3 border-transparent px-1 text-[14px] whitespace-nowrap font-semibold text-quiet hover:bg-rail data-selected:border-ink data-selected:text-ink';

/** What stands against it, as the tab says it; nothing while it is not inspected yet. */
const standing = (findings: readonly Finding[] | null): string => {
  const count = foldedOf(findings ?? []).roots.filter(
    ({ severity }) => severity === 'violation' || severity === 'caution',
  ).length;
  return count === 0 ? '' : ` · ${count}`;
};

/** Will it pass, does it fit, and what was asked. */
export const SidePanel = ({ subject }: { subject: Subject }) => {
  /** The circuit that can be changed here. */
  const changes = subject.readOnly ? null : subject.circuit;
  const told = subject.readOnly;
  /** What stands is not made up again, so it has no steps. */
  const hasSteps = subject.kind !== 'existing';
  /** Place of the steps among the tabs: of a wiring that is told, telling comes first. */
  const steps = told ? 2 : 1;
  const change = usePlannedChange(subject);
  const { now, last } = useInspected(subject);
  const [tab, setTab] = useState(0);
  const step = useAppSelector((state) => state.wiring.step);
  const positions = useAppSelector((state) => state.wiring.positions);
  useEffect(() => {
    if (step !== null && hasSteps) setTab(steps);
  }, [step, steps, hasSteps]);
  return (
    <aside
      aria-label="Check and circuit"
      className="flex shrink-0 flex-col border-line bg-sheet max-lg:border-t lg:min-h-0 lg:w-86 lg:border-l"
    >
      <TabGroup selectedIndex={tab} onChange={setTab} className="flex min-h-0 flex-1 flex-col">
        <TabList className="flex border-b border-line">
          {told ? <Tab className={tabLook}>What is there</Tab> : null}
          <Tab className={tabLook}>Check{standing(now ?? last)}</Tab>
          {hasSteps ? <Tab className={tabLook}>Steps</Tab> : null}
          {change ? <Tab className={tabLook}>Change</Tab> : null}
          <Tab className={tabLook}>Box fill</Tab>
          <Tab className={tabLook}>Meters</Tab>
          {changes ? <Tab className={tabLook}>Circuit</Tab> : null}
        </TabList>
        <TabPanels className="min-h-0 flex-1 lg:overflow-y-auto">
          {told ? (
            <TabPanel className="p-4">
              <Boundary what="What is there" of={subject.wiringId}>
                <AsFoundPanel subject={subject} answer={<AfterTelling subject={subject} />} />
              </Boundary>
            </TabPanel>
          ) : null}
          <TabPanel className="flex flex-col gap-4 p-4">
            <Verdict subject={subject} findings={now} />
            {last ? (
              <Boundary what="The findings" of={subject.wiringId}>
                {/* What was found before a change stands until it is inspected anew: what is answered in it keeps its place. */}
                <div
                  aria-busy={now === null}
                  className={now === null ? 'pointer-events-none opacity-60' : ''}
                >
                  <FindingList subject={subject} findings={now ?? last} />
                </div>
              </Boundary>
            ) : null}
          </TabPanel>
          {hasSteps ? (
            <TabPanel className="p-4">
              <StepsHere subject={subject} />
            </TabPanel>
          ) : null}
          {change ? (
            <TabPanel className="flex flex-col gap-2.5 p-4">
              <Boundary what="The change" of={subject.wiringId}>
                <ChangeParts job={subject.job} wiring={subject.wiring} change={change} />
              </Boundary>
            </TabPanel>
          ) : null}
          <TabPanel className="p-4">
            <Boundary what="The box fill" of={subject.wiringId}>
              <BoxFillList subject={subject} />
            </Boundary>
          </TabPanel>
          <TabPanel className="p-4">
            <Boundary what="The meters" of={subject.wiringId}>
              <MetersPanel subject={subject} positions={positions} />
            </Boundary>
          </TabPanel>
          {changes ? (
            <TabPanel className="p-4">
              <Boundary what="The circuit" of={changes.id}>
                <CircuitPanel job={subject.job} circuit={changes} />
              </Boundary>
            </TabPanel>
          ) : null}
        </TabPanels>
      </TabGroup>
      <SafetyLine className="shrink-0 border-t border-line px-4 py-1" />
    </aside>
  );
};
