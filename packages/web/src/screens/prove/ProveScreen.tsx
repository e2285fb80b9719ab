import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import type { Circuit, GroupId, Job } from '@amber/core';
import { WhoWorksBar } from '../../onRecord/WhoWorks.js';
import { provePartIn, provePath } from '../../parts/paths.js';
import { SafetyNote, Select, SeverityMark } from '../../parts/ui.js';
import { subjectOf } from '../../store/review.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { positionsSet } from '../../store/wiringSlice.js';
import { BeforePower } from './BeforePower.js';
import { Bites } from './Bites.js';
import { FindFault } from './find/FindFault.js';
import { GroupTest } from './GroupTest.js';
import { Points } from './Points.js';
import { SignOffs } from './SignOffs.js';
import { useTried } from './useTried.js';
import { WhichWire } from './wires/WhichWire.js';

const tabLook =
  'min-h-12 shrink-0 border-b-3 border-transparent px-3 text-[14px] font-semibold text-quiet hover:bg-rail focus-visible:-outline-offset-3 data-selected:border-ink data-selected:text-ink';

const WIRING_WORDS = {
  planned: '',
  existing: ', as it is',
  found: ', as found',
  built: ', as built',
} as const;

/** Tabs by their place. */
const SHEET = 0;
const FIND = 1;
const WIRES = 2;
const TAB_OF = { find: FIND, wires: WIRES } as const;

/** Does it work? Each group on the shortest walk through the positions of its handles, points to touch, and who signs for it. */
export const ProveScreen = ({
  job: asked,
  circuit,
  wiring = null,
}: {
  job: Job;
  circuit: Circuit | null;
  /** Another wiring of the job than the planned one: as it is, as found, as built. */
  wiring?: string | null;
}) => {
  const dispatch = useAppDispatch();
  const review = subjectOf(asked, wiring);
  const isPlanned = review.kind === 'planned';
  const view = useTried(review, circuit?.id ?? null);
  const { sheet, stateOf } = view;
  const positions = useAppSelector((state) => state.wiring.positions);
  const [picked, setPicked] = useState<GroupId | null>(null);
  const asks = provePartIn(useLocation().search);
  const [tab, setTab] = useState<number>(asks === null ? SHEET : TAB_OF[asks]);
  const openIn = (id: GroupId) =>
    sheet.groups.find(({ group }) => group === id)?.rows.filter((row) => stateOf(row).state !== 'met')
      .length ?? 0;
  const group = sheet.groups.find((one) => one.group === picked) ?? sheet.groups[0];
  const left = sheet.groups.filter((one) => openIn(one.group) > 0).length;
  return (
    <TabGroup
      as="main"
      selectedIndex={tab}
      onChange={setTab}
      className="flex min-h-0 min-w-0 flex-1 flex-col print:block"
    >
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2 border-b border-line px-4 py-2">
        <div className="min-w-0 flex-1 basis-56">
          <h1 className="text-[17px] font-bold">
            {circuit ? `Prove ${circuit.name}` : 'Prove'}
            {isPlanned ? '' : WIRING_WORDS[review.kind]}
          </h1>
          <p role="status" className="text-[14px] text-quiet">
            {sheet.groups.length === 0
              ? 'Nothing that is switched is wired yet.'
              : left === 0
                ? 'Every group was tried in every position.'
                : sheet.groups.length === 1
                  ? 'Not proved yet.'
                  : `${left} of ${sheet.groups.length} groups are not proved yet.`}
            {view.waiting ? ' No connection: answers are kept here and sent when it is back.' : ''}
          </p>
          {circuit && review.job.circuits.length > 1 ? (
            <Link
              to={provePath(review.job.id, null, wiring)}
              className="inline-flex min-h-10 items-center text-[14px] font-semibold underline print:hidden"
            >
              The whole job
            </Link>
          ) : null}
        </div>
        <WhoWorksBar who={view.who} />
      </div>
      <TabList className="flex overflow-x-auto border-b border-line bg-sheet print:hidden">
        {[
          'Test sheet',
          'Find the fault',
          'Which wire is which',
          ...(isPlanned ? ['Before power'] : []),
          `Points to touch · ${sheet.points.length}`,
          ...(isPlanned ? ['Where it bites'] : []),
          'Sign',
        ].map((words) => (
          <Tab key={words.split(' ·')[0]} className={tabLook}>
            {words}
          </Tab>
        ))}
      </TabList>
      <TabPanels className="min-h-0 flex-1 overflow-y-auto">
        <TabPanel className="p-4">
          <div className="flex max-w-6xl flex-col gap-4">
            <p className="flex gap-2 rounded-md border border-caution p-2.5 text-[13.5px]">
              <SeverityMark severity="caution" />
              <span>
                Power is on for this sheet: every box closed, every plate on, nobody at the wires. If the
                breaker trips, leave it off and say so here; do not try that position again. To open a box:
                breaker off, locked or tagged, proved dead.
              </span>
            </p>
            {sheet.groups.length > 1 && group ? (
              <label className="block max-w-xl">
                <span className="mb-1 block text-[13px] font-semibold">Group</span>
                <Select
                  value={group.group}
                  onChange={(event) => setPicked(event.target.value as GroupId)}
                  className="min-h-12!"
                >
                  {sheet.groups.map((one) => (
                    <option key={one.group} value={one.group}>
                      {one.name}
                      {openIn(one.group) === 0 ? ' · proved' : ` · ${openIn(one.group)} open`}
                    </option>
                  ))}
                </Select>
              </label>
            ) : null}
            {group ? (
              <GroupTest
                key={group.group}
                view={view}
                group={group}
                positions={positions}
                onPositions={(next) => dispatch(positionsSet(next))}
                onFind={() => setTab(FIND)}
              />
            ) : (
              <p className="text-[15px]">Plan a circuit, and its test sheet stands here.</p>
            )}
          </div>
        </TabPanel>
        <TabPanel className="p-4">
          <FindFault view={view} circuit={circuit?.id ?? null} onMended={() => setTab(SHEET)} />
        </TabPanel>
        <TabPanel className="p-4">
          <WhichWire view={view} circuit={circuit?.id ?? null} />
        </TabPanel>
        {isPlanned ? (
          <TabPanel className="p-4">
            <BeforePower view={view} circuit={circuit?.id ?? null} />
          </TabPanel>
        ) : null}
        <TabPanel className="p-4">
          <Points view={view} />
        </TabPanel>
        {isPlanned ? (
          <TabPanel className="p-4">
            <Bites view={view} circuit={circuit} />
          </TabPanel>
        ) : null}
        <TabPanel className="p-4">
          <SignOffs view={view} circuit={circuit} />
        </TabPanel>
        <SafetyNote className="px-4 pb-4 print:hidden" />
      </TabPanels>
    </TabGroup>
  );
};
