import {
  addLevel,
  addLuminaire,
  addPicture,
  addRoom,
  addSwitch,
  addCircuit,
  changeLevel,
  estimateRun,
  findPlans,
  jobSchema,
  labourOf,
  layoutFaults,
  levelView,
  moveBox,
  moveRoom,
  newJob,
  notchCorner,
  onLevel,
  planJob,
  removeLevel,
  removePicture,
  scalePicture,
  setWallFact,
  standardStock,
  wiringOrEmpty,
  type Job,
} from '../src/index.js';
import { wayOf } from '../src/materials/lengths.js';

/** Ids of the tests; the boundary check sees that all of them lead somewhere. */
const id = (text: string) => text as never;
const sound = (job: Job) => expect(jobSchema.safeParse(job).error?.issues ?? []).toEqual([]);
const room = (name: string, width: number, depth: number, at: { x: number; y: number } | null = null) => ({
  id: id(name),
  name,
  kind: 'storage' as const,
  ...{ width, depth, at, level: null },
});

/** A workshop of 20 by 12 ft with one switch and one luminaire. */
const shop = (): Job => {
  let job = addRoom(newJob(id('shop'), 'Shop', standardStock()), room('r', 240, 144));
  job = addCircuit(job, { circuit: id('c'), group: id('g'), feed: id('f'), room: id('r'), name: 'Shop' });
  job = addSwitch(job, { box: id('s'), slot: id('slot'), group: id('g'), at: { x: 0, y: 60 } });
  job = addLuminaire(job, { box: id('l'), luminaire: id('lum'), group: id('g'), at: { x: 120, y: 60 } });
  return { ...job, routing: { ...job.routing, panel: { level: null, at: { x: -60, y: 0, z: 60 } } } };
};

/** The shop with a loft over it, and a second luminaire of the group there, right over the first. */
const withLoft = (): Job => {
  let job = addLevel(shop(), id('up'), id('ground'), 'Loft');
  job = onLevel(job, id('up'), (seen) => addRoom(seen, room('loft', 200, 144, { x: 0, y: 0 })));
  return onLevel(job, id('up'), (seen) =>
    addLuminaire(seen, { box: id('l2'), luminaire: id('lum2'), group: id('g'), at: { x: 120, y: 60 } }),
  );
};

test('a second level makes one of what is there, and what is drawn on it stays apart from what is underneath', () => {
  const job = withLoft();
  sound(job);
  expect(job.levels.map(({ name, elevation }) => [name, elevation])).toEqual([
    ['Ground floor', 0],
    ['Loft', 108],
  ]);
  expect(levelView(job, id('ground')).boxes.map((box) => box.id)).toEqual(['s', 'l']);
  expect(job.luminaires.map((one) => one.name)).toEqual(['Luminaire', 'Luminaire 2']);
  expect(levelView(job, id('up'))).toMatchObject({
    rooms: [{ id: 'loft' }],
    // The one underneath is called Luminaire already.
    boxes: [{ id: 'l2', room: 'loft', level: 'up', name: 'Luminaire 2' }],
    routing: { panel: null },
  });
  // Both luminaires are over one spot of the plan, on two floors: that is no fault.
  expect(layoutFaults(job)).toEqual([]);
  const moved = onLevel(job, id('up'), (seen) => moveBox(seen, id('l2'), { x: 60, y: 40 }));
  expect(moved.boxes.map((box) => box.id)).toEqual(job.boxes.map((box) => box.id));
  expect(moved.boxes.filter((box) => box.id !== 'l2')).toEqual(job.boxes.filter((box) => box.id !== 'l2'));
  expect(moved.routing.panel).toEqual(job.routing.panel);
  // A room on the upper floor takes its own boxes along and no others.
  const shifted = onLevel(job, id('up'), (seen) => moveRoom(seen, id('loft'), { x: 12, y: 0 }));
  expect(shifted.boxes.find((box) => box.id === 'l2')?.at?.x).toBe(132);
  expect(shifted.boxes.find((box) => box.id === 'l')?.at?.x).toBe(120);
});

test('a run to another level is as long as the two heights are apart, and a level may be moved up', () => {
  const job = withLoft();
  // Ceiling of the shop at 96 in, of the loft at 108 + 96.
  expect(estimateRun(job, id('l'), id('l2'))).toBe(108);
  const higher = changeLevel(job, id('up'), { elevation: 132 });
  expect(estimateRun(higher, id('l'), id('l2'))).toBe(132);
  const plans = findPlans(job, id('c'), { mostSteps: 100_000 });
  expect(plans.refusals).toEqual([]);
  expect(plans.candidates.length).toBeGreaterThan(0);
});

test('a level goes away when nothing stands on it, and not before', () => {
  const job = withLoft();
  expect(removeLevel(job, id('up'))).toBe(job);
  const empty = addLevel(job, id('attic'), id('unused'), 'Attic');
  expect(empty.levels.map((one) => one.id)).toEqual(['ground', 'up', 'attic']);
  const left = removeLevel(empty, id('attic'));
  expect(left.levels.map((one) => one.id)).toEqual(['ground', 'up']);
  sound(left);
});

test('a job of one floor is changed as it always was', () => {
  const job = shop();
  expect(levelView(job, null)).toBe(job);
  expect(onLevel(job, null, (seen) => moveRoom(seen, id('r'), { x: 5, y: 5 }))).toEqual(
    moveRoom(job, id('r'), { x: 5, y: 5 }),
  );
});

test('two points and a length scale a picture about the first of them', () => {
  const hash = 'a'.repeat(64);
  const asked = { id: id('p'), name: 'Survey', hash, width: 800, height: 500 };
  const job = addPicture(shop(), { ...asked, at: { x: 10, y: 20 }, wide: 400 });
  sound(job);
  const [from, to] = [
    { x: 110, y: 20 },
    { x: 210, y: 20 },
  ];
  // What was 100 in on the plan is 25 ft: three times as large.
  const [picture] = scalePicture(job, id('p'), [from, to], 300).pictures;
  expect(picture?.inchesPerPixel).toBeCloseTo(1.5);
  expect(picture?.at).toEqual({ x: 110 - 300, y: 20 });
  // The pixel under the first point is the same as before.
  expect((from.x - (picture?.at.x ?? 0)) / (picture?.inchesPerPixel ?? 1)).toBeCloseTo((110 - 10) / 0.5);
  expect(scalePicture(job, id('p'), [from, from], 300)).toBe(job);
  expect(removePicture(job, id('p')).pictures).toEqual([]);
});

test('a wall says how runs in it go; of two walls the one that takes longer decides, and a run of its own over both', () => {
  const two = addSwitch(shop(), { box: id('s2'), slot: id('slot2'), group: id('g'), at: { x: 240, y: 60 } });
  const left = 3;
  const right = 1;
  const fished = setWallFact(two, id('r'), { wall: left, route: null, access: 'fished' });
  sound(fished);
  expect(wayOf(fished, id('s'), id('l'))).toEqual({ route: 'over', access: 'fished' });
  expect(wayOf(fished, id('s2'), id('l'))).toEqual({ route: 'over', access: 'open' });
  const both = setWallFact(fished, id('r'), { wall: right, route: 'under', access: 'basement' });
  expect(wayOf(both, id('s'), id('s2')).access).toBe('fished');
  expect(wayOf(both, id('s2'), id('l')).route).toBe('under');
  const crossed = setWallFact(both, id('r'), { wall: left, route: 'through', access: 'fished' });
  // One wall asks for under, the other for through: the job decides.
  expect(wayOf(crossed, id('s'), id('s2')).route).toBe('over');
  const known = { ...crossed, runFacts: [runFact('s', 's2')] };
  expect(wayOf(known, id('s'), id('s2'))).toEqual({ route: 'under', access: 'attic' });
  // Said again with neither, it is left to the job.
  expect(setWallFact(fished, id('r'), { wall: left, route: null, access: null }).rooms[0]?.walls).toEqual([]);
  // Fishing takes more minutes for each foot.
  const minutes = (job: Job) => {
    const planned = planJob({ ...job, choices: [choice] }).job;
    return labourOf(planned, wiringOrEmpty(planned)).minutes;
  };
  expect(minutes(fished)).toBeGreaterThan(minutes(two));
  // A corner cut out before a wall moves its number on.
  const cut = notchCorner(fished, id('r'), 1, 60, 60);
  expect(cut.rooms[0]?.walls).toEqual([{ wall: 5, route: null, access: 'fished' }]);
  expect(wayOf(cut, id('s'), id('l')).access).toBe('fished');
});

const runFact = (a: string, b: string): Job['runFacts'][number] => ({
  between: [id(a), id(b)],
  length: null,
  rule: null,
  route: 'under',
  access: 'attic',
  openings: 0,
  closeHoles: 0,
});

const choice: Job['choices'][number] = {
  circuit: id('c'),
  feed: id('f'),
  runs: [
    { from: id('panel'), to: id('s') },
    { from: id('s'), to: id('l') },
    { from: id('l'), to: id('s2') },
  ],
};
