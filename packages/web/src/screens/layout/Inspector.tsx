import { findBox, findRoom } from '@amber/core';
import { Trash2 } from 'lucide-react';
import { memo } from 'react';
import type { Circuit, Job, LevelId, Spot } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { Button, SafetyNote } from '../../parts/ui.js';
import { BoxForm } from './BoxForm.js';
import { DoorForm } from './DoorForm.js';
import { removed } from './moving.js';
import { Overview } from './Overview.js';
import { PanelForm } from './PanelForm.js';
import { PictureForm, PictureTool } from './PictureTool.js';
import type { Placed } from './placing.js';
import { RoomForm } from './RoomForm.js';
import type { Pointing, Selected } from './selection.js';
import { BoxTool, FedTool, PanelTool } from './PlaceTools.js';
import { LuminaireTool, SwitchTool } from './GroupTools.js';
import { DoorTool, RoomTool } from './ToolPanel.js';

const TITLES = {
  select: '',
  room: 'Draw a room',
  door: 'Put in a door',
  switch: 'Switch locations',
  luminaire: 'Luminaires and fans',
  receptacle: 'A receptacle',
  onward: 'A feed that goes on',
  box: 'Existing boxes',
  panel: 'The panel',
  picture: 'A picture under the plan',
} as const;

const Selection = ({ job, selected }: { job: Job; selected: NonNullable<Selected> }) => {
  if (selected.kind === 'panel') return <PanelForm job={job} />;
  if (selected.kind === 'picture') {
    const picture = job.pictures.find((one) => one.id === selected.id);
    return picture ? <PictureForm key={picture.id} job={job} picture={picture} /> : null;
  }
  if (selected.kind === 'room') {
    const room = findRoom(job, selected.id);
    return room ? <RoomForm key={room.id} job={job} room={room} /> : null;
  }
  if (selected.kind === 'door') {
    const door = job.doors.find((one) => one.id === selected.id);
    return door ? <DoorForm key={door.id} job={job} door={door} /> : null;
  }
  const box = findBox(job, selected.id);
  return box ? <BoxForm key={box.id} job={job} box={box} /> : null;
};

/** What the tool in hand asks, what is selected, or what the plan holds. */
export const Inspector = memo(function Inspector({
  job,
  seen,
  circuit,
  pointing,
  inView,
  onPlaced,
  onShowLevel,
}: {
  job: Job;
  /** The job as the level that is looked at sees it: there the tools work. */
  seen: Job;
  circuit: Circuit | null;
  pointing: Pointing;
  inView: () => { at: Spot; wide: number };
  onPlaced: (placed: Placed | null) => void;
  onShowLevel: (level: LevelId) => void;
}) {
  const edit = useEdit();
  const { tool, selected, select } = pointing;
  const asked = { job: seen, pointing, onPlaced };
  const remove = () => {
    if (!selected) return;
    const { job: left, label } = removed(job, selected);
    edit(left, label);
    select(null);
  };
  return (
    <aside
      aria-label="What is on the plan"
      className="flex shrink-0 flex-col gap-4 border-line bg-sheet p-4 max-lg:border-t lg:w-86 lg:overflow-y-auto lg:border-l"
    >
      {tool === 'select' ? null : (
        <section aria-label={TITLES[tool]} className="flex flex-col gap-3">
          <h2 className="text-[15px] font-bold">{TITLES[tool]}</h2>
          {tool === 'room' ? <RoomTool {...asked} /> : null}
          {tool === 'door' ? <DoorTool {...asked} /> : null}
          {tool === 'switch' ? <SwitchTool {...asked} /> : null}
          {tool === 'luminaire' ? <LuminaireTool {...asked} /> : null}
          {tool === 'receptacle' || tool === 'onward' ? <FedTool key={tool} {...asked} tool={tool} /> : null}
          {tool === 'box' ? <BoxTool {...asked} /> : null}
          {tool === 'panel' ? <PanelTool {...asked} /> : null}
          {tool === 'picture' ? (
            <PictureTool job={job} seen={seen} pointing={pointing} inView={inView} onPlaced={onPlaced} />
          ) : null}
        </section>
      )}
      {selected ? (
        <section
          aria-label="Selected"
          className={`flex flex-col gap-3 ${tool === 'select' ? '' : 'border-t border-line pt-4'}`}
        >
          <Selection job={job} selected={selected} />
          <Button onClick={remove}>
            <Trash2 size={17} /> Remove
          </Button>
        </section>
      ) : tool === 'select' ? (
        <Overview job={job} circuit={circuit} pointing={pointing} onShowLevel={onShowLevel} />
      ) : null}
      <SafetyNote className="mt-auto border-t border-line pt-3" />
    </aside>
  );
});
