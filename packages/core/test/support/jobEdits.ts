import {
  addSwitch,
  answerQuestion,
  changeBox,
  removeRoom,
  reviewJob,
  setRunFact,
  withoutBox,
  withoutCircuit,
  withoutGroup,
  type BoxId,
  type Job,
} from '../../src/index.js';

export type Edit = (job: Job, pick: (count: number) => number) => Job;

const boxAt = (job: Job, pick: (count: number) => number): BoxId =>
  job.boxes[pick(job.boxes.length)]?.id as BoxId;

/** What people do to a job, and what nobody does in one step but a merge could. */
export const EDITS: Record<string, Edit> = {
  name: (job) => ({ ...job, name: `${job.name} again` }),
  preferences: (job) => ({
    ...job,
    preferences: { ...job.preferences, sparePort: !job.preferences.sparePort },
  }),
  box: (job, pick) => changeBox(job, boxAt(job, pick), { name: 'Loft hatch', accessible: 'yes' }),
  withoutBox: (job, pick) => withoutBox(job, boxAt(job, pick)),
  withoutGroup: (job, pick) => withoutGroup(job, job.groups[pick(job.groups.length)]?.id as never),
  withoutCircuit: (job, pick) => withoutCircuit(job, job.circuits[pick(job.circuits.length)]?.id as never),
  withoutRoom: (job, pick) => removeRoom(job, job.rooms[pick(job.rooms.length)]?.id as never),
  run: (job, pick) =>
    job.boxes.length < 2
      ? job
      : setRunFact(
          job,
          boxAt(job, () => 0),
          boxAt(job, pick),
          { length: 12 * pick(60) },
        ),
  addSwitch: (job, pick) =>
    job.groups.length === 0
      ? job
      : addSwitch(job, {
          ...{ box: `new-${pick(1000)}` as never, slot: `new-slot-${pick(1000)}` as never },
          ...{ group: job.groups[0]?.id as never, at: { x: 12, y: 24 } },
        }),
  answer: (job) => {
    const question = reviewJob(job).findings.flatMap((one) => one.questions)[0];
    const value = question?.options[0]?.value;
    return question && value !== undefined ? answerQuestion(job, question, value) : job;
  },
  order: (job) => ({ ...job, boxes: [...job.boxes].reverse(), slots: [...job.slots].reverse() }),
  price: (job) => ({
    ...job,
    stock: job.stock.map((one, i) => (i % 7 === 0 ? { ...one, price: one.price + 1 } : one)),
  }),
};
