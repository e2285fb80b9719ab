import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import {
  eraWord,
  openQuestions,
  reviewCircuit,
  siteItems,
  unseenBoxes,
  walkThrough,
  type Circuit,
  type Finding,
  type Job,
  type Walk,
} from '@amber/core';
import { Boundary } from '../../parts/Boundary.js';
import { checkPath } from '../../parts/paths.js';
import { SafetyNote } from '../../parts/ui.js';
import { useAfterPaint } from '../../parts/useAfterPaint.js';
import { reviewOf } from '../../store/review.js';
import { useFindingAction } from '../../panels/findings/useFindingAction.js';
import { Editions } from './Editions.js';
import { Inspections } from './Inspections.js';
import { Questions } from './Questions.js';
import { RoomIndex } from './RoomIndex.js';
import { ReadinessCards } from './Readiness.js';
import { Sheet } from './Sheet.js';
import { useSite } from './useSite.js';
import { Walls } from './walls/Walls.js';
import { WalkView } from './WalkView.js';

const tabLook =
  'min-h-12 shrink-0 border-b-3 border-transparent px-3 text-[14px] font-semibold text-quiet hover:bg-rail focus-visible:-outline-offset-3 data-selected:border-ink data-selected:text-ink';

const TABS = [
  'Walk',
  'Questions',
  'Editions and local rules',
  'Permit and inspections',
  'Photographs',
  'Sheet',
] as const;
const NONE: readonly Finding[] = [];

/** Will it pass? The job as an inspector walks it, what is asked, by which rules, and what is on record of it. */
export const CheckScreen = ({ job: asked, circuit }: { job: Job; circuit: Circuit | null }) => {
  const review = reviewOf(asked);
  const { job, wiring } = review;
  // To inspect takes longer than all the rest: the screen stands first.
  const painted = useAfterPaint();
  const part = useMemo(() => (circuit ? reviewCircuit(review, circuit.id) : null), [review, circuit]);
  const findings = painted ? (part ?? review).findings : NONE;
  const site = useSite(job, review.id);
  const [walk, setWalk] = useState<Walk>('roughIn');
  const [tab, setTab] = useState(0);
  const [depth, setDepth] = useState(0);
  const onAction = useFindingAction(job);
  const unseen = unseenBoxes(job, wiring).filter((box) => part === null || part.boxes.has(box));
  const isPlanned = (part ?? wiring).cables.length > 0;
  const items = useMemo(() => siteItems(job, wiring, findings), [job, wiring, findings]);
  const rooms = useMemo(
    () => walkThrough(job, wiring, findings, walk, items),
    [job, wiring, findings, walk, items],
  );
  const open = openQuestions(findings)
    .flatMap(({ alike }) => alike)
    .reduce((sum, { asked: of }) => sum + of.length, 0);
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden print:block print:overflow-visible">
      <aside
        aria-label="Ready for the inspector"
        className="flex shrink-0 flex-col gap-3 border-line bg-rail p-4 max-lg:border-b lg:w-84 lg:overflow-y-auto lg:border-r print:hidden"
      >
        <div>
          <h1 className="text-[17px] font-bold">{circuit ? `Check of ${circuit.name}` : 'Check'}</h1>
          <p className="text-[13.5px] text-quiet">By {eraWord(job.edition)}. The authority decides.</p>
          {circuit && job.circuits.length > 1 ? (
            <Link
              to={checkPath(job.id)}
              className="inline-flex min-h-10 items-center text-[14px] font-semibold underline"
            >
              The whole job
            </Link>
          ) : null}
        </div>
        {painted ? (
          <ReadinessCards
            {...{ findings, items, site, walk, unseen, isPlanned }}
            circuit={circuit?.name ?? null}
            onPick={(one) => {
              setWalk(one);
              setTab(0);
            }}
          />
        ) : (
          // The room that the cards will take, above the walk: it stays where it is.
          <p className="text-quiet max-lg:min-h-55">Inspecting …</p>
        )}
        {tab === 0 && rooms.length > 1 ? <RoomIndex rooms={rooms} site={site} /> : null}
        <SafetyNote className="mt-auto pt-2 max-lg:hidden" />
      </aside>
      <TabGroup
        as="main"
        selectedIndex={tab}
        onChange={setTab}
        className="flex min-w-0 flex-1 flex-col lg:min-h-0"
      >
        <TabList className="flex overflow-x-auto border-b border-line bg-sheet print:hidden">
          {TABS.map((words) => (
            <Tab key={words} className={tabLook}>
              {words === 'Questions' && open > 0 ? `${words} · ${open}` : words}
            </Tab>
          ))}
        </TabList>
        <TabPanels className="min-h-0 flex-1 lg:overflow-y-auto print:overflow-visible">
          {painted ? (
            [
              <WalkView
                key="walk"
                {...{ job, findings, rooms, site, walk, unseen, depth, onAction }}
                circuit={circuit?.id ?? null}
                onDepth={setDepth}
              />,
              <Questions key="questions" job={job} findings={findings} />,
              <Editions key="editions" {...{ job, wiring, circuit, findings }} />,
              <Inspections key="inspections" job={job} site={site} />,
              <Walls key="walls" {...{ job, wiring, site }} />,
              <Sheet
                key="sheet"
                {...{ job, wiring, findings, items, site }}
                circuits={circuit ? new Set([circuit.id]) : null}
              />,
            ].map((panel, i) => (
              <TabPanel
                key={panel.key}
                tabIndex={-1}
                className="mx-auto max-w-4xl p-4 print:max-w-none print:p-0"
              >
                <Boundary what={TABS[i] ?? ''} of={job.id}>
                  {panel}
                </Boundary>
              </TabPanel>
            ))
          ) : (
            <p className="p-6 text-quiet">Inspecting …</p>
          )}
        </TabPanels>
        <SafetyNote className="border-t border-line p-4 lg:hidden print:hidden" />
      </TabGroup>
    </div>
  );
};
