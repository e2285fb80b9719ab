import {
  existingDocument,
  findRoom,
  ofId,
  changeBox,
  feetInches,
  gangInto,
  holdOf,
  setDistance,
  setHeight,
  type Box,
  type Hold,
  type Job,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { AnswerSelect } from '../../parts/AnswerSelect.js';
import { BoxSelect } from '../../parts/BoxSelect.js';
import { LengthInput, NameInput } from '../../parts/inputs.js';
import { Field, Select } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { CablesOf, DevicesOf } from './BoxContents.js';
import { AddLoad, LuminairesOf } from './LoadsOf.js';
import { ExistingFill } from '../../panels/fill/ExistingFill.js';
import { FaultsOf } from './FaultsOf.js';
import { FeedsOf } from './FeedsOf.js';
import { factsOfBox, SiteFacts } from './SiteFacts.js';
import { WhatIsThere } from './WhatIsThere.js';

const WORK: Record<Box['work'], string> = {
  new: 'new, nailed to framing',
  old: 'new, in a finished wall',
  existing: 'there already',
  beyond: 'of other work, beyond this plan',
};

const referenceWords = (job: Job, { reference }: Hold): string =>
  reference.kind === 'corner'
    ? 'From the corner'
    : `From the casing of ${job.doors.find((door) => door.id === reference.door)?.name ?? 'the door'}`;

/** The same as dropping it on another: its devices go into a switch box of the room, and its own box is gone. */
const GangInto = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  const others = job.boxes.filter(
    (one) => one.id !== box.id && one.room === box.room && job.slots.some((slot) => slot.box === one.id),
  );
  if (others.length === 0) return null;
  return (
    <Field label="Gang it into another box">
      <Select
        value=""
        onChange={(event) => {
          const into = others.find((one) => one.id === event.target.value);
          const ganged = into && gangInto(job, box.id, into.id);
          if (ganged) edit(ganged, `gang ${box.name} into ${into.name}`);
        }}
      >
        <option value="">on its own</option>
        {others
          .filter((one) => gangInto(job, box.id, one.id) !== null)
          .map((one) => (
            <option key={one.id} value={one.id}>
              into {one.name}
            </option>
          ))}
      </Select>
    </Field>
  );
};

/** A box: where it stands, what is in it, and what the rules have to know of it. */
export const BoxForm = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  const hold = holdOf(job, box);
  const room = findRoom(job, box.room);
  const devices = job.slots.filter((slot) => slot.box === box.id);
  const set = (change: Partial<Box>, what: string) =>
    edit(changeBox(job, box.id, change), `${what} of ${box.name}`);
  return (
    <>
      <h2 className="text-[15px] font-bold">
        {devices.length > 0 ? 'Switch box' : 'Box'}
        {room ? ` in ${room.name}` : ''}
      </h2>
      <FaultsOf job={job} of={(at) => 'box' in at && at.box === box.id} />
      <Field label="Name">
        <NameInput value={box.name} onChange={(name) => set({ name }, 'name')} />
      </Field>
      <div className="grid grid-cols-2 gap-3">
        {hold ? (
          <Field label={referenceWords(job, hold)}>
            <LengthInput
              value={Math.round(hold.distance * 16) / 16}
              onChange={(away) =>
                away !== null && edit(setDistance(job, box.id, away), `place of ${box.name}`)
              }
            />
          </Field>
        ) : null}
        <Field label="Height over the floor">
          <LengthInput
            value={box.at?.z ?? null}
            onChange={(z) => z !== null && edit(setHeight(job, box.id, z), `height of ${box.name}`)}
          />
        </Field>
      </div>
      <DevicesOf job={job} box={box} />
      {devices.length > 0 ? <GangInto job={job} box={box} /> : null}
      <LuminairesOf job={job} box={box} />
      <AddLoad job={job} box={box} />
      <Field label="The box is">
        <WordSelect words={WORK} value={box.work} onPick={(work) => work && set({ work }, 'work')} />
      </Field>
      <BoxSelect
        job={job}
        box={box.id}
        article={box.article}
        withDevices={devices.length > 0}
        onChange={(article) => set({ article }, 'box')}
      />
      {devices.length > 0 ? (
        <AnswerSelect
          label="Can a cable be added later without opening the wall?"
          hint="Decides whether a neutral is asked, 404.2(C)."
          value={box.accessible}
          onChange={(accessible) => set({ accessible }, 'access')}
        />
      ) : null}
      {box.work === 'existing' || job.feeds.some((feed) => feed.at === box.id) ? (
        <FeedsOf job={job} at={box.id} legend="Power is here already, and may feed" />
      ) : null}
      {box.work === 'existing' && ofId(existingDocument(job)?.certainty, box.id) === undefined ? (
        <ExistingFill job={job} box={box} />
      ) : null}
      <SiteFacts job={job} facts={factsOfBox(job, box)} />
      {box.work === 'existing' ? <WhatIsThere job={job} box={box} /> : null}
      {/* Where the wiring that is there tells of a box, its cables are told there and nowhere else. */}
      {ofId(existingDocument(job)?.certainty, box.id) === undefined ? <CablesOf job={job} box={box} /> : null}
      {box.at ? null : (
        <p className="text-[13px] text-quiet">
          It has no place on the plan yet. {feetInches(48)} is a usual height.
        </p>
      )}
    </>
  );
};
