import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { FindingList } from '../../panels/findings/FindingList.js';
import { Verdict } from '../../panels/findings/Verdict.js';
import { CircuitPanel } from '../../panels/circuit/CircuitPanel.js';
import { useAfterPaint } from '../../parts/useAfterPaint.js';
import { SafetyNote } from '../../parts/ui.js';
import { BoxFillList } from '../../panels/fill/BoxFillList.js';
import { StepsPanel } from '../../panels/steps/StepsPanel.js';
import type { Bench } from '../../wiring/useBench.js';

const tab =
  'min-h-12 flex-1 border-b-3 border-transparent px-2 text-[14px] font-semibold text-quiet hover:bg-rail data-selected:border-ink data-selected:text-ink';

/** The whole job is inspected once the bench can be used. */
const Inspection = ({ bench }: { bench: Bench }) => {
  const findings = useAfterPaint() ? bench.findings() : null;
  return (
    <>
      <Verdict bench={bench} findings={findings} />
      {findings ? <FindingList bench={bench} findings={findings} /> : null}
    </>
  );
};

/** Will it pass, does it fit, and what was asked. */
export const SidePanel = ({ bench }: { bench: Bench }) => (
  <aside
    aria-label="Check and circuit"
    className="flex shrink-0 flex-col border-line bg-sheet max-lg:border-t lg:min-h-0 lg:w-86 lg:border-l"
  >
    <TabGroup className="flex min-h-0 flex-1 flex-col">
      <TabList className="flex border-b border-line">
        <Tab className={tab}>Check</Tab>
        <Tab className={tab}>Steps</Tab>
        <Tab className={tab}>Box fill</Tab>
        <Tab className={tab}>Circuit</Tab>
      </TabList>
      <TabPanels className="min-h-0 flex-1 lg:overflow-y-auto">
        <TabPanel className="flex flex-col gap-4 p-4">
          <Inspection bench={bench} />
        </TabPanel>
        <TabPanel className="p-4">
          <StepsPanel bench={bench} />
        </TabPanel>
        <TabPanel className="p-4">
          <BoxFillList bench={bench} />
        </TabPanel>
        <TabPanel className="p-4">
          <CircuitPanel job={bench.job} circuit={bench.circuit} />
        </TabPanel>
      </TabPanels>
    </TabGroup>
    <SafetyNote className="shrink-0 border-t border-line px-4 py-3" />
  </aside>
);
