import fc from 'fast-check';
import {
  beginPlace,
  circuitBegun,
  distance,
  EVERYDAY,
  findPlans,
  jobSchema,
  latchSpot,
  layoutFaults,
  levelsOf,
  namedWays,
  newJob,
  reviewJob,
  standardStock,
  withChoice,
  type EverydayId,
  type EverydayPlace,
  type Job,
  type JobId,
  type RoomId,
} from '../src/index.js';

const IDS = Object.keys(EVERYDAY) as EverydayId[];
const placeOf = (id: EverydayId): EverydayPlace => EVERYDAY[id];
const empty = () => newJob('job' as JobId, 'Job', standardStock());
const begun = (place: EverydayId, into: Job = empty()) =>
  beginPlace(into, { place, stem: 'p', name: placeOf(place).rooms[0].name });

describe('an everyday place', () => {
  test.each(IDS)('%s stands as it says, and nothing of it is impossible', (id) => {
    const place = placeOf(id);
    const job = begun(id);
    expect(jobSchema.safeParse(job)).toMatchObject({ success: true });
    expect(layoutFaults(job)).toEqual([]);
    expect(job.groups.map(({ name }) => name)).toEqual(
      place.groups.length === 1 ? [place.rooms[0].name] : place.groups.map(({ name }) => name),
    );
    // Each switch stands at the latch of a door of its group, on that door's floor, and is called as the door is.
    place.groups.forEach((group, g) => {
      const slots = job.slots.filter((slot) => slot.group === job.groups[g]?.id);
      expect(slots).toHaveLength(group.doors.length);
      group.doors.forEach((index, i) => {
        const door = job.doors.find(({ name }) => name === place.doors[index]?.name);
        const box = job.boxes.find((one) => one.id === slots[i]?.box);
        const latch = door && latchSpot(job, door);
        expect(box?.name).toBe(door?.name);
        expect(latch && box?.at && distance(latch, box.at)).toBe(0);
        expect(box?.level).toBe(job.rooms.find((room) => room.id === door?.room)?.level);
      });
    });
    expect(job.luminaires).toHaveLength(place.groups.flatMap(({ lights }) => lights).length);
    expect(new Set(job.boxes.map(({ name }) => name)).size).toBe(job.boxes.length);
  });

  test.each(IDS)('%s is planned, and the first plan works from every position', (id) => {
    const job = begun(id);
    const circuit = circuitBegun('p');
    const [best] = findPlans(job, circuit).candidates;
    expect(best).toBeDefined();
    const wired = withChoice(job, circuit, best?.choice ?? { circuit, feed: 'none' as never, runs: [] });
    const review = reviewJob(wired);
    expect(review.proofs).toHaveLength(placeOf(id).groups.length);
    for (const { working, positions, of } of review.proofs) expect([working, positions]).toEqual([of, of]);
    expect(
      review.findings
        .filter((one) => one.severity === 'violation' && one.kind === 'rule')
        .map(({ rule }) => rule),
    ).toEqual([]);
    expect(namedWays(job, circuit).length).toBeGreaterThan(0);
  });

  test('a stair stands on two floors, and its cables are measured through both', () => {
    const job = begun('stair');
    expect(levelsOf(job)).toHaveLength(2);
    const [foot, head] = ['Stair foot', 'Stair head'].map((name) =>
      job.boxes.find((box) => box.name === name),
    );
    expect(foot?.level).not.toBe(head?.level);
    // Over the uppermost floor one is added.
    const up = job.rooms.find(({ name }) => name === 'Stair head');
    const over = beginPlace(job, { place: 'stair', stem: 'r', name: 'Loft stair', into: up?.id });
    expect(levelsOf(over).map(({ name }) => name)).toEqual(['Ground floor', 'Upper floor', 'Upper floor 2']);
    // On a job that has two floors, those are used.
    expect(levelsOf(beginPlace(job, { place: 'stair', stem: 'q', name: 'Back stair' }))).toHaveLength(2);
  });

  test('begun twice, or among others, nothing has a name that another has, and no room stands in another', () => {
    const once = begun('bedroom');
    expect(begun('bedroom', once)).toBe(once);
    const twice = beginPlace(begun('bedroom'), { place: 'bedroom', stem: 'q', name: 'Bedroom' });
    for (const list of [twice.rooms, twice.boxes, twice.circuits, twice.groups, twice.doors] as const)
      expect(new Set(list.map(({ name }) => name)).size).toBe(list.length);
    const spans = twice.rooms
      .map(({ outline }) => (outline ?? []).map(({ x }) => x))
      .map((xs) => [Math.min(...xs), Math.max(...xs)]);
    for (const [i, [left = 0]] of spans.entries())
      if (i > 0) expect(left).toBeGreaterThanOrEqual(spans[i - 1]?.[1] ?? 0);
  });

  test('in a measured room its walls and doors are used, in their order', () => {
    const measured = begun('room');
    const into = measured.rooms[0]?.id as RoomId;
    const job = beginPlace(measured, { place: 'hall', stem: 'q', name: 'Hall', into });
    expect(job.rooms).toHaveLength(1);
    expect(job.doors).toHaveLength(1);
    const slots = job.slots.filter(({ id }) => id.startsWith('q-'));
    // The first gangs with the switch that stands at the door, the second has no door and takes a free wall.
    expect(slots[0]?.box).toBe(measured.slots[0]?.box);
    expect(slots[1]?.box).not.toBe(measured.slots[0]?.box);
    expect(layoutFaults(job)).toEqual([]);
  });

  test('what is there already is bought by nobody, and a box that brings power is there', () => {
    const there = beginPlace(empty(), {
      ...{ place: 'hall', stem: 'p', name: 'Hall', isThere: true, power: 'luminaire' },
    });
    expect(new Set(there.boxes.map(({ work }) => work))).toEqual(new Set(['existing']));
    expect(there.feeds).toMatchObject([{ at: 'p-source', tap: 'luminaire' }]);
    // What else is on a circuit that is there nobody has said; a new one is for lights.
    expect(there.circuits[0]?.purpose).toBe('unknown');
    const fed = beginPlace(empty(), { place: 'hall', stem: 'p', name: 'Hall', power: 'junction' });
    expect([fed, begun('hall')].map(({ circuits }) => circuits[0]?.purpose)).toEqual(['unknown', 'lighting']);
    const off = begun('lightOff');
    // Its breaker is not called as the new room is: nobody is sent to the panel with that name.
    expect(off.circuits[0]?.name).toBe('Existing circuit at a receptacle');
    expect(there.circuits[0]?.name).toBe('Existing circuit at a luminaire');
    const thereFromPanel = beginPlace(empty(), {
      ...{ place: 'hall', stem: 'p', name: 'Hall', isThere: true, power: 'panel' },
    });
    expect(thereFromPanel.circuits[0]?.name).toBe('Existing circuit, Hall');
    expect(begun('hall').circuits[0]?.name).toBe(begun('hall').rooms[0]?.name);
    expect(off.feeds).toMatchObject([{ at: 'p-source', tap: 'receptacle', source: 'unknown' }]);
    expect(off.boxes.filter(({ work }) => work === 'existing').map(({ name }) => name)).toEqual([
      'Receptacle',
    ]);
  });

  test('whatever its measures, nothing stands outside or in another', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...IDS),
        fc.integer({ min: 60, max: 600 }),
        fc.integer({ min: 48, max: 600 }),
        (place, width, depth) => {
          const job = beginPlace(empty(), { place, stem: 'p', name: 'Here', width, depth });
          expect(jobSchema.safeParse(job).success).toBe(true);
          const [first] = placeOf(place).rooms;
          const isTight = width < first.width || depth < first.depth;
          // In a closet of a room a door may well open upon the switch of another: that is told, and nothing else is wrong.
          const said = layoutFaults(job).map(({ sentence }) => sentence);
          expect(said.filter((one) => !isTight || !one.includes('behind the open door'))).toEqual([]);
        },
      ),
      { seed: 23, numRuns: 120 },
    );
  });
});
