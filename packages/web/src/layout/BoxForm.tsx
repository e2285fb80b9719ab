import {
  addFeed,
  changeBox,
  feetInches,
  gangInto,
  holdOf,
  setDistance,
  setHeight,
  withoutFeed,
  type Box,
  type Feed,
  type FeedId,
  type Hold,
  type Job,
} from '@amber/core';
import { useEdit } from '../editing/review.js';
import { AnswerSelect } from '../shared/AnswerSelect.js';
import { BoxSelect } from '../shared/BoxSelect.js';
import { LengthInput, NameInput } from '../shared/inputs.js';
import { Field, Select } from '../shared/ui.js';
import { WordSelect } from '../shared/WordSelect.js';
import { CablesOf, DevicesOf, LuminairesOf } from './BoxContents.js';
import { FaultsOf } from './FaultsOf.js';
import { fresh } from '../shared/fresh.js';
import { factsOfBox, SiteFacts } from './SiteFacts.js';

const WORK: Record<Box['work'], string> = {
  new: 'new, nailed to framing',
  old: 'new, in a finished wall',
  existing: 'there already',
  beyond: 'of other work, beyond this plan',
};

const TAPS: Record<Feed['tap'], string> = {
  junction: 'from a splice',
  receptacle: 'from a receptacle',
  switch: 'from a switch box',
  luminaire: 'from a luminaire box',
};

const referenceWords = (job: Job, { reference }: Hold): string =>
  reference.kind === 'corner'
    ? 'From the corner'
    : `From the casing of ${job.doors.find((door) => door.id === reference.door)?.name ?? 'the door'}`;

/** May circuits be fed from here? An existing box, or one with a switch or luminaire that a cable already reaches. */
const Feeds = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] font-semibold">Power is here already, and may feed</legend>
      {job.circuits.map((circuit) => {
        const feed = job.feeds.find((one) => one.circuit === circuit.id && one.at === box.id);
        const last = feed && job.feeds.filter((one) => one.circuit === circuit.id).length === 1;
        return (
          <div key={circuit.id}>
            <label className="flex min-h-10 items-center gap-2.5">
              <input
                type="checkbox"
                className="size-5 accent-ink"
                checked={feed !== undefined}
                disabled={last}
                onChange={() =>
                  edit(
                    feed
                      ? withoutFeed(job, feed.id)
                      : addFeed(job, { id: fresh<FeedId>('feed'), circuit: circuit.id, at: box.id }),
                    `power of ${circuit.name} at ${box.name}`,
                  )
                }
              />
              {circuit.name}
              {last ? <span className="text-[12.5px] text-quiet">its only feed</span> : null}
            </label>
            {feed ? (
              <WordSelect
                aria-label={`What is tapped for ${circuit.name}`}
                words={TAPS}
                value={feed.tap}
                onPick={(tap) =>
                  tap &&
                  edit(
                    { ...job, feeds: job.feeds.map((one) => (one.id === feed.id ? { ...one, tap } : one)) },
                    `tap of ${circuit.name} at ${box.name}`,
                  )
                }
              />
            ) : null}
          </div>
        );
      })}
    </fieldset>
  );
};

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
  const room = job.rooms.find((one) => one.id === box.room);
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
        <Feeds job={job} box={box} />
      ) : null}
      <SiteFacts job={job} facts={factsOfBox(job, box)} />
      <CablesOf job={job} box={box} />
      {box.at ? null : (
        <p className="text-[13px] text-quiet">
          It has no place on the plan yet. {feetInches(48)} is a usual height.
        </p>
      )}
    </>
  );
};
