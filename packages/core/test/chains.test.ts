import {
  articleOf,
  moveGang,
  planJob,
  proveGroup,
  compile,
  settleChain,
  settledChain,
  wiringOrEmpty,
  type GroupId,
  type Job,
  type SlotId,
} from '../src/index.js';
import { jobOf } from './support/jobs.js';
import { twoCircuits } from './support/ruleCases/builders.js';

const G = 'g1' as GroupId;
const slot = (name: string) => `slot:${name}` as SlotId;
const chain = (...names: string[]) => names.map(slot);

/** Drafting letters of the devices at these boxes, as the job is planned. */
const letters = (asked: Job, boxes: readonly string[]): (string | null)[] => {
  const { job, circuits } = planJob(asked);
  expect(circuits.every(({ outcome }) => outcome.ok)).toBe(true);
  const wiring = wiringOrEmpty(job);
  const group = job.groups.find(({ id }) => id === G)!;
  const proof = proveGroup(job, wiring, compile(wiring, job), group);
  expect(proof.working).toBe(proof.positions);
  return boxes.map((box) => {
    const device = wiring.devices.find((one) => one.box === box);
    return device ? articleOf(job.stock, 'device', device.article).letter : null;
  });
};

test('whoever settles the order says which location is the four-way, and the light works from everywhere', () => {
  const job = jobOf({ runs: ['F-S2', 'S2-S1', 'S2-S3', 'S3-L'] });
  expect(settledChain(job, G)).toBeNull();
  const between = settleChain(job, G, chain('S1', 'S2', 'S3'));
  expect(settledChain(between, G)).toEqual(chain('S1', 'S2', 'S3'));
  expect(letters(between, ['S1', 'S2', 'S3'])).toEqual(['S3', 'S4', 'S3']);
  const first = settleChain(between, G, chain('S2', 'S1', 'S3'));
  expect(planJob(first).circuits[0]?.outcome.ok).toBe(false);
  expect(settleChain(first, G, null)).toEqual(job);
});

test('an order that is not of all switches of the group settles nothing', () => {
  const job = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
  expect(settleChain(job, G, chain('S1'))).toBe(job);
  expect(settleChain(job, G, chain('S1', 'S3'))).toBe(job);
  expect(settleChain(job, 'nobody' as GroupId, [])).toEqual(job);
});

test('gangs change places with their neighbours, and nothing else of the box moves', () => {
  const { job } = twoCircuits();
  const order = (one: Job) => [...one.slots].sort((a, b) => a.gang - b.gang).map(({ id }) => id as string);
  const [left, right] = order(job);
  const moved = moveGang(job, left as SlotId, 1);
  expect(order(moved)).toEqual([right, left]);
  expect(moveGang(moved, left as SlotId, -1)).toEqual(job);
  expect(moveGang(job, left as SlotId, -1)).toBe(job);
  expect(moveGang(job, 'nobody' as SlotId, 1)).toBe(job);
});
