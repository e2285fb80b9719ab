import { useState } from 'react';
import {
  evenSpots,
  feetInches,
  RECEPTACLE_HEIGHT,
  findCircuit,
  freeWallSpot,
  spotOn,
  wallsOf,
  type Job,
  type Room,
  type Spot,
} from '@amber/core';
import { PickField } from '../../parts/PickField.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { fedAt, ONWARD_VA, placedBy, type Placed } from './placing.js';
import type { Pointing, Power } from './selection.js';

/** For those who do not point: a room to put it in; from there it is moved with the arrow keys or by its fields. */
const InRoom = ({
  job,
  button,
  usual,
  spotIn,
  onSpot,
}: {
  job: Job;
  button: string;
  /** The room that is meant until another is picked; null for any. */
  usual: Room['id'] | null;
  spotIn: (room: Room) => Spot | null;
  onSpot: (spot: Spot) => void;
}) => {
  const rooms = job.rooms.filter((room) => room.outline !== null);
  const [id, setId] = useState<Room['id'] | null>(null);
  const room = rooms.find((one) => one.id === (id ?? usual)) ?? rooms[0];
  const spot = room && spotIn(room);
  if (!room) return null;
  return (
    <>
      <PickField label="Room" items={rooms} value={room.id} onPick={setId} />
      <Button look="main" disabled={!spot} onClick={() => spot && onSpot(spot)}>
        {button}
      </Button>
      <p className="text-[13px] text-quiet">Then drag it, or move it with the arrow keys.</p>
    </>
  );
};

/** The room of what is worked on. */
const roomInHand = (job: Job, { group }: Pointing): Room['id'] | null =>
  job.groups.find(({ id }) => id === group)?.room ?? null;

interface ToolProps {
  job: Job;
  pointing: Pointing;
  onPlaced: (placed: Placed | null) => void;
}

export const BoxTool = ({ job, pointing, onPlaced }: ToolProps) => (
  <>
    <p className="text-[14px]">Tap where the box is that is there already, or put it in a room.</p>
    <InRoom
      job={job}
      button="Put it in the middle"
      usual={roomInHand(job, pointing)}
      spotIn={(room) => evenSpots(room, 1, 1)[0] ?? null}
      onSpot={(spot) => onPlaced(placedBy('box', job, spot, pointing))}
    />
  </>
);

export const PanelTool = ({ job, pointing, onPlaced }: ToolProps) => (
  <>
    <p className="text-[14px]">
      Tap where the panel hangs, or put it in a room. Home runs are measured from it.
    </p>
    <InRoom
      job={job}
      button="Hang it on a wall"
      usual={null}
      spotIn={(room) => {
        const [wall] = wallsOf(room);
        return wall ? spotOn(wall, wall.length / 2) : null;
      }}
      onSpot={(spot) => onPlaced(placedBy('panel', job, spot, pointing))}
    />
  </>
);

const keyOf = (power: Power): string =>
  'group' in power ? `group ${power.group}` : `circuit ${power.circuit}`;

/** Where what is put down takes its power: never switched, or with a group. */
const PowerSelect = ({ job, pointing, words }: Pick<ToolProps, 'job' | 'pointing'> & { words: string }) => {
  const powers: { power: Power; words: string }[] = [
    ...job.circuits.map(({ id, name }) => ({ power: { circuit: id }, words: `Always hot, on ${name}` })),
    ...job.groups
      .filter(({ control }) => control === 'switched')
      .map(({ id, name, circuit }) => {
        const on = findCircuit(job, circuit)?.name;
        return {
          power: { group: id },
          words: `Switched with ${name}${on === undefined || on === name ? '' : `, ${on}`}`,
        };
      }),
  ];
  return (
    <Field label={words}>
      <Select
        value={pointing.power ? keyOf(pointing.power) : ''}
        onChange={(event) => {
          const picked = powers.find(({ power }) => keyOf(power) === event.target.value);
          if (picked) pointing.setPower(picked.power);
        }}
      >
        {powers.map((one) => (
          <option key={keyOf(one.power)} value={keyOf(one.power)}>
            {one.words}
          </option>
        ))}
      </Select>
    </Field>
  );
};

const FED = {
  receptacle: {
    tap: 'Tap the wall where it comes, or put it in a room.',
    power: 'Its power',
    after: `It is set ${feetInches(RECEPTACLE_HEIGHT)} above the floor; say otherwise in its form.`,
  },
  onward: {
    tap: 'Tap where the cable leaves for what this plan does not show: another room, a shed, a pump.',
    power: 'It goes on',
    after: `It is taken for ${ONWARD_VA} VA until its form says more. What it feeds there is not judged.`,
  },
} as const;

/** A receptacle, or a cable that goes on beyond the plan. */
export const FedTool = ({ job, pointing, onPlaced, tool }: ToolProps & { tool: 'receptacle' | 'onward' }) => {
  const { power } = pointing;
  const words = FED[tool];
  if (!power) return <p className="text-[14px]">A circuit is begun first: put in its switch.</p>;
  return (
    <>
      <PowerSelect job={job} pointing={pointing} words={words.power} />
      <p className="text-[14px]">{words.tap}</p>
      <InRoom
        job={job}
        button="Put it on a wall"
        usual={roomInHand(job, pointing)}
        spotIn={(room) => freeWallSpot(job, room)}
        onSpot={(spot) => onPlaced(fedAt(tool, job, power, spot))}
      />
      <p className="text-[13px] text-quiet">{words.after}</p>
    </>
  );
};
