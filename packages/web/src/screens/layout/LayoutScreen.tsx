import { Image, MousePointer2 } from 'lucide-react';
import { useCallback, useState, type ComponentType, type KeyboardEvent } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import {
  addRoom,
  extentOf,
  findBox,
  unusedName,
  onLevel,
  placeBox,
  type RoomId,
  type Circuit,
  type Job,
  type LevelId,
  type Spot,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { useLevel } from '../../plan/useLevel.js';
import { fresh } from '../../parts/fresh.js';
import {
  DoorIcon,
  ExistingBoxIcon,
  LuminaireIcon,
  OnwardIcon,
  PanelIcon,
  ReceptacleIcon,
  RoomIcon,
  SwitchIcon,
  type IconProps,
} from '../../parts/tradeIcons.js';
import { LevelTabs } from '../../plan/LevelTabs.js';
import { useView } from '../../plan/useView.js';
import { Inspector } from './Inspector.js';
import { drawnRoom, nameOf, nudged, removed, type Drawn } from './moving.js';
import { PlanCanvas } from './PlanCanvas.js';
import { placedBy, type Placed } from './placing.js';
import type { Selected, Tool } from './selection.js';
import { useGrip } from './useGrip.js';
import { usePointing } from './usePointing.js';

const TOOL_LOOKS: Record<Tool, { icon: ComponentType<IconProps>; label: string; key: string }> = {
  select: { icon: MousePointer2, label: 'Select', key: 'v' },
  room: { icon: RoomIcon, label: 'Room', key: 'r' },
  door: { icon: DoorIcon, label: 'Door', key: 'd' },
  switch: { icon: SwitchIcon, label: 'Switch', key: 's' },
  luminaire: { icon: LuminaireIcon, label: 'Luminaire', key: 'l' },
  receptacle: { icon: ReceptacleIcon, label: 'Receptacle', key: 'o' },
  onward: { icon: OnwardIcon, label: 'Onward feed', key: 'n' },
  box: { icon: ExistingBoxIcon, label: 'Existing box', key: 'e' },
  panel: { icon: PanelIcon, label: 'Panel', key: 'p' },
  picture: { icon: Image, label: 'Picture', key: 'i' },
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
    className="flex shrink-0 overflow-x-auto border-b border-line bg-sheet px-2 print:hidden"
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

/** The level of what is selected; null for the panel where nobody has said, and where nothing is. */
const levelOf = (job: Job, selected: Selected): LevelId | null => {
  if (selected === null) return null;
  if (selected.kind === 'panel') return job.routing.panel?.level ?? null;
  const room = selected.kind === 'door' ? job.doors.find((one) => one.id === selected.id)?.room : selected.id;
  return [...job.rooms, ...job.boxes, ...job.pictures].find((one) => one.id === room)?.level ?? null;
};

/** Where what was put down stands, at its far corner: what is seen there is seen. */
const spotOf = ({ job, selected }: Placed): Spot | null => {
  if (selected?.kind === 'box') return findBox(job, selected.id)?.at ?? null;
  if (selected?.kind === 'room')
    return extentOf(job.rooms.find(({ id }) => id === selected.id)?.outline ?? [])?.most ?? null;
  return selected?.kind === 'panel' ? (job.routing.panel?.at ?? null) : null;
};

/** What is here and what controls what? A measured plan, with everything on it to be pointed at, dragged or typed. */
export const LayoutScreen = ({ job, circuit }: { job: Job; circuit: Circuit | null }) => {
  const edit = useEdit();
  const pointing = usePointing(job, circuit);
  const { tool, take, select, marks, setMarks } = pointing;
  const { level, seen, under, show } = useLevel(job, levelOf(job, pointing.selected));
  const put = useCallback(
    (placed: Placed | null) => {
      if (!placed) return;
      edit(
        onLevel(job, level, () => placed.job),
        placed.label,
      );
      select(placed.selected);
    },
    [edit, select, job, level],
  );
  const [drawn, setDrawn] = useState<Drawn | null>(null);
  const draw = (from: Spot, to: Spot, isDone: boolean) => {
    const room = drawnRoom(seen, from, to);
    setDrawn(isDone ? null : room);
    if (!isDone || !room) return;
    const id = fresh<RoomId>('room');
    const name = unusedName(
      'Room',
      job.rooms.map((one) => one.name),
    );
    put({
      job: addRoom(seen, { ...room, id, name, kind: 'unknown', level: null }),
      label: `draw ${name}`,
      selected: { kind: 'room', id },
    });
  };
  // An empty floor is seen as large as the whole house.
  const view = useView(
    seen.rooms.length > 0 ? seen : job,
    circuit,
    false,
    (spot) => {
      const { placing } = pointing;
      const waiting = placing === null ? undefined : findBox(job, placing);
      if (waiting) {
        edit(placeBox(job, waiting.id, level, spot), `place of ${waiting.name}`);
        pointing.place(null);
        select({ kind: 'box', id: waiting.id });
      } else if (tool === 'picture')
        setMarks(seen.pictures.length === 0 ? [] : [...marks.slice(marks.length > 1 ? 2 : 0), spot]);
      else if (tool === 'select' || tool === 'room') select(null);
      else put(placedBy(tool, seen, spot, pointing));
    },
    tool === 'room' ? draw : null,
  );
  /** What a form has put down is shown where it is. */
  const putInView = (placed: Placed | null) => {
    put(placed);
    const at = placed && spotOf(placed);
    if (at) view.follow(at);
  };
  const { draft, bind } = useGrip(job, level, view.spotAt, (grip) => {
    if (grip.kind !== 'wall') select(grip);
  });
  const onKey = (event: KeyboardEvent, grip: NonNullable<Selected>) => {
    const arrow = ARROWS[event.key];
    if (arrow) {
      event.preventDefault();
      select(grip);
      const inches = event.shiftKey ? 12 : 1;
      const by = { x: arrow.x * inches, y: arrow.y * inches };
      edit(
        onLevel(job, level, (here) => nudged(here, grip, by)),
        `move ${nameOf(job, grip)}`,
      );
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
    setDrawn(null);
    take('select');
    select(null);
  });
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:grid lg:grid-cols-[minmax(0,1fr)_auto] lg:grid-rows-[auto_minmax(0,1fr)] lg:overflow-hidden">
      <section aria-label="What the plan is worked with" className="lg:col-span-2">
        <Toolbar tool={tool} take={take} />
      </section>
      <main className="flex min-w-0 flex-col max-lg:h-[62vh] max-lg:shrink-0 lg:min-h-0">
        <h1 className="sr-only">Layout of {job.name}</h1>
        <PlanCanvas
          job={draft ?? seen}
          under={under}
          circuit={circuit}
          view={view}
          bind={bind}
          pointing={pointing}
          drawn={drawn}
          onKey={onKey}
        >
          <LevelTabs
            job={job}
            level={level}
            onShow={(id) => {
              select(null);
              show(id);
            }}
          />
        </PlanCanvas>
      </main>
      <Inspector
        job={job}
        seen={seen}
        circuit={circuit}
        pointing={pointing}
        inView={view.frame}
        onPlaced={putInView}
        onShowLevel={show}
      />
    </div>
  );
};
