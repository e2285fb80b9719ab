import { beginPlace, newJob, sketchPlace, standardStock, type Job, type JobId } from '../src/index.js';
import { yardFile } from './support/yard.js';

const empty = (): Job => newJob('job' as JobId, 'Job', standardStock());

test('nothing is drawn of what nobody has measured', () => {
  expect(sketchPlace(empty())).toBeNull();
});

test('walls, switches and luminaires stand where they are, from the upper left corner on', () => {
  const job = yardFile();
  const sketch = sketchPlace(job);
  const corners = job.rooms.flatMap(({ outline }) => outline ?? []);
  const [left, upper] = [Math.min(...corners.map(({ x }) => x)), Math.min(...corners.map(({ y }) => y))];
  expect(sketch?.rooms).toHaveLength(job.rooms.filter(({ outline }) => outline).length);
  expect(sketch?.rooms.flat().every(([x, y]) => x >= 0 && y >= 0)).toBe(true);
  const lit = job.boxes.find(({ id }) => id === job.luminaires[0]?.box)?.at;
  expect(sketch?.luminaires).toContainEqual([(lit?.x ?? 0) - left, (lit?.y ?? 0) - upper]);
  const boxes = new Set(job.slots.filter(({ role }) => role !== 'receptacle').map(({ box }) => box));
  expect(sketch?.switches).toHaveLength(boxes.size);
});

test('of several floors the one is drawn on which most stands, and nothing of the others', () => {
  const job = beginPlace(beginPlace(empty(), { place: 'stair', stem: 'a', name: 'Stair' }), {
    ...{ place: 'bath', stem: 'b', name: 'Bath' },
  });
  expect(sketchPlace(job)?.rooms).toHaveLength(2);
  expect(sketchPlace(job)?.luminaires).toHaveLength(4);
});
