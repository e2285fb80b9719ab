import { memo, useMemo } from 'react';
import type { BoxId, Choice, Circuit, Job, LaidRun } from '@amber/core';
import { useNarrow } from '../../parts/useNarrow.js';
import { labelOf } from '../../plan/labels.js';
import { JACKET_PAINT } from '../../parts/jackets.js';
import { crowdedNames } from '../../plan/names.js';
import { PlaceLabel } from '../../plan/PlaceLabel.js';
import { halfWidth, markOf } from '../../plan/marks.js';
import { PanelMark, PlaceMark } from '../../plan/placeMarks.js';
import { FootGrid, PlanRooms } from '../../plan/PlanRooms.js';
import { boxesOf, toPixel } from '../../plan/view.js';
import { LevelTabs } from '../../plan/LevelTabs.js';
import { useLevel } from '../../plan/useLevel.js';
import { useView } from '../../plan/useView.js';
import { ZoomButtons } from '../../plan/ZoomButtons.js';
import { ChangeKey, GoneLine, JacketKey, OpenedRing } from './changeMarks.js';
import { drawGone, drawRuns, keyOfRun, type DrawnRun } from './routes.js';

/** Wider than the cable by its edge on both sides, pixels. */
const EDGE = 2.6;
const sheathWidth = (insulated: number): number => 4 + insulated * 1.5;

/** A cable in its jacket, wider with each conductor in it; one that lies there already has a broken edge. */
const RunLines = ({ drawn, picked, onPick }: { drawn: DrawnRun; picked: boolean; onPick: () => void }) => {
  const { insulated, existing, jacket } = drawn.run;
  const width = sheathWidth(insulated);
  return (
    <g data-item="run" onClick={onPick} className="cursor-pointer" fill="none" strokeLinejoin="round">
      <path d={drawn.path} stroke="transparent" strokeWidth="20" />
      {picked ? <path d={drawn.path} stroke="var(--color-line)" strokeWidth="17" /> : null}
      <path
        d={drawn.path}
        stroke="var(--color-ink)"
        strokeWidth={width + EDGE}
        strokeDasharray={existing ? '9 4' : undefined}
      />
      <path d={drawn.path} stroke={JACKET_PAINT[jacket]} strokeWidth={width} />
    </g>
  );
};

const RunLabel = ({
  drawn: { label, text, run },
  picked,
  onPick,
}: {
  drawn: DrawnRun;
  picked: boolean;
  onPick: () => void;
}) =>
  label ? (
    <g
      data-item="run"
      transform={`translate(${label.x} ${label.y})`}
      onClick={onPick}
      className="cursor-pointer"
    >
      {label.from ? (
        <path d={`M0 0L${label.from.x - label.x} ${label.from.y - label.y}`} stroke="var(--color-ink)" />
      ) : null}
      <rect
        x={-text.length * 3.5 - 7}
        y="-10"
        width={text.length * 7 + 14}
        height="20"
        rx="4"
        fill={JACKET_PAINT[run.jacket]}
        stroke="var(--color-ink)"
        strokeWidth={picked ? 2.4 : 1.1}
      />
      <text y="4" textAnchor="middle" fontSize="12" fontWeight="650">
        {text}
      </text>
    </g>
  ) : null;

export const isRun = (run: LaidRun, picked: LaidRun | null): boolean =>
  picked !== null && keyOfRun(run) === keyOfRun(picked);

/** Below so many pixels for an inch the names of boxes would cover the runs. */
const NAMED_FROM = 1;

/** What the key at the lower edge takes, pixels. */
const BELOW = 36;

/** What is drawn: a plan, or what a change comes to. */
export interface Drawn {
  label: string;
  runs: readonly LaidRun[];
  /** The box that power enters, where the job does not say. */
  entry: BoxId | null;
  /** By which switches of three or more stand at the ends, where it is not the job's own. */
  choice: Choice | undefined;
  /** Of a change: boxes that are opened, and the runs of old cables that come out. */
  opened?: readonly BoxId[];
  out?: readonly { from: string; to: string }[];
}

/** One plan drawn over the layout: which cable goes where, and how much of it. */
export const PlanOverlay = memo(function PlanOverlay({
  job,
  circuit,
  plan,
  picked,
  onPick,
}: {
  job: Job;
  circuit: Circuit;
  plan: Drawn | null;
  picked: LaidRun | null;
  onPick: (run: LaidRun | null) => void;
}) {
  const mine = useMemo(() => boxesOf(job, circuit.id), [job, circuit.id]);
  const usual = job.boxes.find((box) => mine.has(box.id) && box.at)?.level ?? null;
  const { level, seen: floor, show } = useLevel(job, usual);
  const here = new Set(floor.boxes.map((box) => box.id));
  const narrow = useNarrow();
  const seen = useView(job, circuit, true, () => onPick(null), null, narrow ? 0 : BELOW);
  const { ref, view, size } = seen;
  const runs = plan?.runs;
  const shown = useMemo(
    () =>
      job.boxes.filter(
        (box) => mine.has(box.id) || runs?.some((run) => run.from === box.id || run.to === box.id),
      ),
    [job, mine, runs],
  );
  const crowded = view ? crowdedNames(job, shown, view) : null;
  const out = plan?.out;
  const gone = useMemo(() => (view && out ? drawGone(job, view, out) : []), [job, view, out]);
  const drawn = useMemo(
    () => (view && runs ? drawRuns(job, view, runs, shown) : []),
    [job, view, runs, shown],
  );
  return (
    <div className="plan-frame relative min-h-72 flex-1 overflow-hidden bg-paper">
      <svg
        ref={ref}
        viewBox={size ? `0 0 ${size.width} ${size.height}` : undefined}
        role="img"
        aria-label={plan ? `${plan.label} over the layout` : 'The layout'}
        className="drawing absolute inset-0 size-full cursor-grab touch-none select-none"
      >
        {view && size ? (
          <>
            <FootGrid view={view} {...size} />
            <PlanRooms job={floor} view={view} />
            {gone.map(({ key, path }) => (
              <GoneLine key={key} path={path} />
            ))}
            {drawn.map((one) => (
              <RunLines
                key={one.key}
                drawn={one}
                picked={isRun(one.run, picked)}
                onPick={() => onPick(one.run)}
              />
            ))}
            {job.routing.panel ? (
              <g
                transform={`translate(${toPixel(view, job.routing.panel.at).x} ${toPixel(view, job.routing.panel.at).y})`}
              >
                <PanelMark />
              </g>
            ) : null}
            {shown.map((box) => {
              if (!box.at) return null;
              const mark = markOf(job, box, plan?.choice);
              const { x, y } = toPixel(view, box.at);
              const label = labelOf(job, box, halfWidth(mark));
              return (
                // What is on another floor is there too, faint: runs lead to it.
                <g
                  key={box.id}
                  transform={`translate(${x} ${y})`}
                  opacity={here.has(box.id) ? undefined : 0.4}
                >
                  {plan?.opened?.includes(box.id) ? <OpenedRing half={halfWidth(mark)} /> : null}
                  <PlaceMark mark={{ ...mark, fed: mark.fed || plan?.entry === box.id }} selected={false} />
                  {view.scale >= NAMED_FROM ? (
                    <PlaceLabel name={box.name} label={label} crowded={crowded?.has(box.id) ?? false} />
                  ) : null}
                </g>
              );
            })}
            {drawn.map((one) => (
              <RunLabel
                key={one.key}
                drawn={one}
                picked={isRun(one.run, picked)}
                onPick={() => onPick(one.run)}
              />
            ))}
          </>
        ) : null}
      </svg>
      {plan?.opened ? <ChangeKey hasOut={gone.length > 0} /> : <JacketKey runs={runs ?? []} />}
      <LevelTabs job={job} level={level} onShow={show} />
      <ZoomButtons {...seen} />
    </div>
  );
});
