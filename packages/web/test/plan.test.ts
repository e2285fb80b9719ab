import {
  addCircuit,
  addLuminaire,
  addRoom,
  addSwitch,
  newJob,
  pointOn,
  standardStock,
  wallsOf,
  type Job,
} from '@amber/core';
import { freeOnWall } from '../src/plan/labels.js';
import { crowdedNames, LETTERS, linesOf } from '../src/plan/names.js';

/** Ids of the tests. */
const id = (text: string) => text as never;

/** A shed of 25 by 19 ft with switches along its upper wall, at so many inches from the left corner. */
const shed = (switches: number[]): Job => {
  let job = addRoom(newJob(id('shed'), 'Shed', standardStock()), {
    ...{
      id: id('r'),
      name: 'Shed',
      kind: 'storage',
      width: 300,
      depth: 228,
      at: { x: 0, y: 0 },
      level: null,
    },
  });
  job = addCircuit(job, { circuit: id('c'), group: id('g'), feed: id('f'), room: id('r'), name: 'Shed' });
  switches.forEach((x, i) => {
    job = addSwitch(job, { box: id(`s${i}`), slot: id(`slot${i}`), group: id('g'), at: { x, y: 0 } });
  });
  return addLuminaire(job, { box: id('l'), luminaire: id('lum'), group: id('g'), at: { x: 150, y: 110 } });
};

test('the length of a wall stands in its middle, and beside it where a box or a door is in the way', () => {
  const where = (job: Job, scale: number) => {
    const [room] = job.rooms;
    const upper = room && wallsOf(room).find((wall) => wall.inward.y > 0);
    if (!room || !upper) throw new Error('no upper wall');
    const at = freeOnWall(job, room, upper, scale);
    return { at, x: pointOn(upper, at).x, length: upper.length };
  };
  expect(where(shed([]), 2).at).toBe(150);
  const beside = where(shed([150]), 2);
  expect(Math.abs(beside.x - 150)).toBeGreaterThan(32);
  const door = { id: id('d'), name: 'Door', room: id('r'), wall: 0, offset: 130, width: 36 };
  const withDoor = { ...shed([]), doors: [{ ...door, hinge: 'start' as const, swings: 'in' as const }] };
  const past = where(withDoor, 2).at;
  expect(past < 130 || past > 166).toBe(true);
  // Where nothing is free it stays in the middle, under whatever is there.
  expect(where(shed([30, 90, 150, 210, 270]), 0.5).at).toBe(150);
});

test('names that would lie on each other take narrower lines, and long ones end in dots', () => {
  const view = { x: -60, y: -60, scale: 2 };
  const near = shed([120, 150]);
  const far = shed([40, 240]);
  const crowded = (job: Job) => [...crowdedNames(job, job.boxes, view)].sort();
  const named = (job: Job): Job => ({
    ...job,
    boxes: job.boxes.map((box) => ({ ...box, name: box.id === 'l' ? 'L' : `River door ${box.id}` })),
  });
  expect(crowded(named(near))).toEqual(['s0', 's1']);
  expect(crowded(named(far))).toEqual([]);
  expect(linesOf('Winch room door beside the old chart locker', LETTERS.usual)).toEqual([
    'Winch room door',
    'beside the old…',
  ]);
  expect(linesOf('Shed junction', LETTERS.narrow)).toEqual(['Shed', 'junction']);
  expect(linesOf('Schraubenschlüsselkasten', LETTERS.usual)).toEqual(['Schraubenschlüss…']);
});
