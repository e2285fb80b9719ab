import {
  DoorOpen,
  LampCeiling,
  MousePointer2,
  PanelTop,
  SquareDashed,
  SquarePlus,
  ToggleLeft,
  type LucideIcon,
} from 'lucide-react';
import { useCallback, type KeyboardEvent } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Circuit, Job, Spot } from '@amber/core';
import { useEdit } from '../editing/review.js';
import { useView } from '../plan/useView.js';
import { Inspector } from './Inspector.js';
import { nameOf, nudged, removed } from './moving.js';
import { PlanCanvas } from './PlanCanvas.js';
import { placedBy, type Placed } from './placing.js';
import type { Selected, Tool } from './selection.js';
import { useGrip } from './useGrip.js';
import { usePointing } from './usePointing.js';

const TOOL_LOOKS: Record<Tool, { icon: LucideIcon; label: string; key: string }> = {
  select: { icon: MousePointer2, label: 'Select', key: 'v' },
  room: { icon: SquarePlus, label: 'Room', key: 'r' },
  door: { icon: DoorOpen, label: 'Door', key: 'd' },
  switch: { icon: ToggleLeft, label: 'Switch', key: 's' },
  luminaire: { icon: LampCeiling, label: 'Luminaire', key: 'l' },
  box: { icon: SquareDashed, label: 'Existing box', key: 'e' },
  panel: { icon: PanelTop, label: 'Panel', key: 'p' },
};

const ARROWS: Record<string, Spot> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

const Toolbar = ({ tool, take }: { tool: Tool; take: (tool: Tool) => void }) => (
  <div
    role="toolbar"
    aria-label="Tools"
    className="flex shrink-0 overflow-x-auto border-b border-line bg-sheet px-2"
  >
    {(Object.entries(TOOL_LOOKS) as [Tool, (typeof TOOL_LOOKS)[Tool]][]).map(
      ([one, { icon: Icon, label, key }]) => (
        <button
          key={one}
          type="button"
          aria-pressed={tool === one}
          title={`${label} (${key.toUpperCase()})`}
          onClick={() => take(one)}
          className={`flex min-h-11 shrink-0 items-center gap-2 border-b-3 px-3 text-[14px] font-semibold ${
            tool === one ? 'border-ink' : 'border-transparent text-quiet hover:bg-rail'
          }`}
        >
          <Icon size={18} aria-hidden="true" />
          {label}
        </button>
      ),
    )}
  </div>
);

/** What is here and what controls what? A measured plan, with everything on it to be pointed at, dragged or typed. */
export const LayoutScreen = ({ job, circuit }: { job: Job; circuit: Circuit | null }) => {
  const edit = useEdit();
  const pointing = usePointing(job, circuit);
  const { tool, take, select, group } = pointing;
  const put = useCallback(
    (placed: Placed | null) => {
      if (!placed) return;
      edit(placed.job, placed.label);
      select(placed.selected);
    },
    [edit, select],
  );
  const view = useView(job, circuit, false, (spot) => {
    if (tool === 'select' || tool === 'room') select(null);
    else put(placedBy(tool, job, spot, group));
  });
  const { shown, bind } = useGrip(job, view.spotAt, (grip) => {
    if (grip.kind !== 'wall') select(grip);
  });
  const onKey = (event: KeyboardEvent, grip: NonNullable<Selected>) => {
    const arrow = ARROWS[event.key];
    if (arrow) {
      event.preventDefault();
      select(grip);
      const inches = event.shiftKey ? 12 : 1;
      edit(nudged(job, grip, { x: arrow.x * inches, y: arrow.y * inches }), `move ${nameOf(job, grip)}`);
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      const { job: left, label } = removed(job, grip);
      edit(left, label);
      select(null);
    }
  };
  useHotkeys(
    Object.values(TOOL_LOOKS).map((one) => one.key),
    (_event, { keys }) => {
      const found = (Object.keys(TOOL_LOOKS) as Tool[]).find((one) => TOOL_LOOKS[one].key === keys?.[0]);
      if (found) take(found);
    },
    // The key is not to be the first letter of what is typed next.
    { preventDefault: true },
  );
  useHotkeys('escape', () => {
    take('select');
    select(null);
  });
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 flex-col max-lg:h-[62vh] max-lg:shrink-0 lg:min-h-0 lg:flex-1">
        <h1 className="sr-only">Layout of {job.name}</h1>
        <Toolbar tool={tool} take={take} />
        <PlanCanvas job={shown} circuit={circuit} view={view} bind={bind} pointing={pointing} onKey={onKey} />
      </main>
      <Inspector job={job} circuit={circuit} pointing={pointing} onPlaced={put} />
    </div>
  );
};
