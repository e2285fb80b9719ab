import {
  BUILT,
  drawMakeUp,
  habitsOf,
  judgeMakeUp,
  landedSince,
  MAKE_UP_LEVELS,
  plannedWiring,
  terminalKey,
  withDocument,
  type Job,
  type MakeUpLevel,
  type Wiring,
} from '../src/index.js';

const planned = (job: Job): Wiring => {
  const wiring = plannedWiring(job);
  if (!wiring) throw new Error('nothing is planned');
  return wiring;
};
const made = (job: Job, wiring: Wiring): Job => {
  const document = job.wirings.find(({ id }) => id === BUILT);
  if (!document) throw new Error('no bench');
  return withDocument(job, { ...document, wiring });
};

test('what is made up as the habits of the job have it gets no note', () => {
  for (const level of Object.keys(MAKE_UP_LEVELS) as MakeUpLevel[])
    for (const seed of [1, 2, 3]) {
      const { job } = drawMakeUp({ level, seed, edition: 2023 });
      expect([level, seed, habitsOf(made(job, planned(job)))]).toEqual([level, seed, []]);
    }
});

test('travelers turned at one switch work and pass, and are noted by colour, side and place; not where the shop minds none', () => {
  const { job } = drawMakeUp({ level: 'pairAtSwitch', seed: 2, edition: 2023 });
  const wiring = planned(job);
  const last = wiring.devices.at(-1);
  const on = (name: string) => terminalKey({ device: last?.id ?? ('' as never), name });
  const turned: Wiring = {
    ...wiring,
    landings: wiring.landings.map((one) => {
      const key = terminalKey(one.terminal);
      if (key === on('traveler 1'))
        return { ...one, terminal: { ...one.terminal, name: 'traveler 2' } as never };
      if (key === on('traveler 2'))
        return { ...one, terminal: { ...one.terminal, name: 'traveler 1' } as never };
      return one;
    }),
  };
  const right = made(job, turned);
  expect(judgeMakeUp(right).right).toBe(true);
  const notes = habitsOf(right);
  expect(notes.length).toBe(1);
  expect(notes[0]).toMatch(
    /^The (black|red|white) traveler is at the (left|right) at .+ and at the (left|right) at .+\. It works/,
  );
  for (const { name } of job.boxes.filter(({ id }) => wiring.devices.some(({ box }) => box === id)))
    expect(notes[0]).toContain(name);
  const any = { ...right, preferences: { ...right.preferences, travelers: 'any' as const } };
  expect(habitsOf(any)).toEqual([]);
});

test('a ground that went on last is noted from the order of the landings; ground first is not', () => {
  const { job } = drawMakeUp({ level: 'poleAtSwitch', seed: 1, edition: 2023 });
  const wiring = planned(job);
  const [device] = wiring.devices;
  const keys = (names: string[]) =>
    names.map((name) => terminalKey({ device: device?.id ?? ('' as never), name }));
  const right = made(job, wiring);
  expect(habitsOf(right, keys(['line', 'load', 'ground']))[0]).toMatch(
    /^The ground went on after the others at /,
  );
  expect(habitsOf(right, keys(['ground', 'line', 'load']))).toEqual([]);
  const bare = { ...wiring, landings: [] };
  expect(landedSince(bare, wiring).length).toBe(wiring.landings.length);
  expect(landedSince(wiring, bare)).toEqual([]);
});

test('a splice that nothing needs, and a mark too many, are noted', () => {
  const { job } = drawMakeUp({ level: 'poleAtSwitch', seed: 1, edition: 2023 });
  const wiring = planned(job);
  const [joint] = wiring.joints;
  if (!joint) throw new Error('no splice');
  const more = { ...wiring, joints: [...wiring.joints, { ...joint, id: 'more' as never }] };
  expect(habitsOf(made(job, more))).toEqual([
    expect.stringMatching(/^There is one splice more than it needs/),
  ]);
  const white = joint.members.flatMap((one) => ('end' in one ? [one.end] : []))[0];
  if (!white) throw new Error('no end');
  const marked = { ...wiring, marks: [...wiring.marks, { end: white, colour: 'black' as never }] };
  expect(habitsOf(made(job, marked))).toEqual([expect.stringMatching(/^More whites are marked/)]);
});
