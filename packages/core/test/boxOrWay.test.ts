import {
  boxOrWay,
  estimate,
  findBox,
  fillOf,
  plannedWiring,
  reviewJob,
  setBoxArticles,
  ungang,
  withoutCircuit,
  type Article,
  type ArticleId,
  type BoxId,
  type Job,
  type SlotId,
} from '../src/index.js';
import { smallerBox } from '../src/check/smallerBox.js';
import { yard } from './support/yard.js';

/** Three of its circuits, for what is planned again many times. */
const few = ((whole: Job) =>
  whole.circuits
    .filter(({ id }) => !['galley-lights', 'ropewalk-lights', 'tar-store-light'].includes(id))
    .reduce((job, { id }) => withoutCircuit(job, id), whole))(yard());

const box = (id: string) => id as BoxId;
let count = 0;
const freshBox = () => box(`fresh-${++count}`);

const costOf = (job: Job): number => {
  const { job: planned, wiring, drawn } = reviewJob(job);
  return estimate(planned, wiring, drawn).cost;
};

test('another box, another way and other gangs of the galley door: each holds what comes to it, and costs what it is said to', () => {
  const job = few;
  const asked = ['galley-switches', 'creek-end'].map(box);
  const all = asked.map((id) => boxOrWay(job, id, freshBox));
  expect(new Set(all.flat().map(({ kind }) => kind))).toEqual(new Set(['box', 'gangs', 'way']));
  const now = costOf(job);
  for (const [at, found] of all.entries())
    for (const { job: changed, outcome, left, made } of found) {
      const { job: planned, wiring } = reviewJob(changed);
      const fill = fillOf(planned, wiring, asked[at] as BoxId);
      expect(fill.verdict).toBe('fits');
      expect(left).toBe((fill.available ?? 0) - fill.needed);
      expect(made).not.toBe('');
      if (outcome.cost !== null) expect(costOf(changed) - now).toBe(outcome.cost);
      // Every switch still switches.
      expect(reviewJob(changed).proofs.every(({ working, positions }) => working === positions)).toBe(true);
    }
  for (const found of all) {
    const costs = found.map(({ outcome }) => outcome.cost ?? Infinity);
    expect([...costs].sort((a, b) => a - b)).toEqual(costs);
  }
});

test('devices are parted into a box of their own, and made one again', () => {
  const job = few;
  const parted = boxOrWay(job, box('galley-switches'), freshBox).find(({ words }) =>
    words.startsWith('Shelf light in'),
  );
  if (!parted) throw new Error('not offered');
  const made = parted.job.boxes.find(({ id }) => !findBox(job, id));
  if (!made) throw new Error('no box was made');
  const again = boxOrWay(parted.job, box('galley-switches'), freshBox).find(({ words }) =>
    words.includes(made.name),
  );
  if (!again) throw new Error('not offered again');
  expect(again.words).toMatch(/^One box with .*, 8" away$/);
  expect(again.job.slots.filter((slot) => slot.box === 'galley-switches')).toHaveLength(2);
  expect(findBox(again.job, made.id)).toBeUndefined();
  expect(again.outcome.cost).toBeLessThan(0);
});

test('a box that is parted off in a finished wall is for a finished wall too', () => {
  const job = few;
  const slot = job.slots.find((one) => one.box === 'galley-switches')?.id as SlotId;
  const finished = {
    ...job,
    boxes: job.boxes.map((one) =>
      one.id === 'galley-switches' ? { ...one, work: 'old' as const, material: 'metal' as const } : one,
    ),
  };
  expect(findBox(ungang(finished, slot, box('own')), box('own'))).toMatchObject({
    work: 'old',
    material: 'metal',
  });
});

test('of a box that is there, and of none, nothing is offered', () => {
  expect(boxOrWay(yard(), box('winch-ceiling'), freshBox)).toEqual([]);
  expect(boxOrWay(yard(), box('nowhere'), freshBox)).toEqual([]);
});

test('a wide device that fills a box is offered in one gang, where the stock has such a one', () => {
  const job = few;
  const slot = job.slots.find((one) => one.box === 'tar-door');
  const plain = job.stock.find((one) => one.kind === 'device' && one.letter === 'S' && one.role === 'switch');
  if (!slot || plain?.kind !== 'device') throw new Error('no such switch');
  const wide: Article = { ...plain, id: 'wide-switch' as ArticleId, name: 'Wide switch', gangs: 2 };
  const crowded = setBoxArticles(
    {
      ...job,
      stock: [...job.stock, wide],
      slots: job.slots.map((one) => (one.id === slot.id ? { ...one, article: wide.id } : one)),
    },
    slot.box,
    ['wall-1-18'] as ArticleId[],
  );
  const { offers } = smallerBox(crowded, slot.box, ['wall-1-18'] as ArticleId[]);
  const narrow = offers.find(({ words }) => words.endsWith('which takes one gang'));
  expect(narrow?.words).toBe(`${plain.name}, which takes one gang`);
  const after = narrow && plannedWiring(reviewJob(narrow.job).job);
  expect(after?.devices.find((one) => one.box === slot.box)?.article).toBe(plain.id);
});
