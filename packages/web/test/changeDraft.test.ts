import { readFileSync } from 'node:fs';
import { emptyBoxes, leastChange, newJob, readJob, standardStock, type Circuit, type Job } from '@amber/core';
import { changeOf, hasExisting, startOf, type ChangeDraft } from '../src/panels/change/draft.js';

/** The winch room as it was found: one old switch on a loop from the ceiling box. */
const found = (): { job: Job; circuit: Circuit } => {
  const base = newJob('yard' as never, 'Yard', standardStock());
  const layout = JSON.parse(
    readFileSync(new URL('../../../demo/heron-yard.json', import.meta.url), 'utf8'),
  ) as Record<'boxes' | 'slots', { id: string }[]> & { wirings: { stands: { slots: string[] } }[] };
  const read = readJob({
    ...base,
    ...layout,
    boxes: layout.boxes.filter((box) => box.id !== 'slip-door-switch'),
    wirings: layout.wirings.map((one) => ({
      ...one,
      stands: { ...one.stands, slots: [...one.stands.slots, 'winch-slot'] },
    })),
    slots: layout.slots
      .filter((slot) => slot.id !== 'slip-door-slot')
      .map((slot) => (slot.id === 'winch-slot' ? { ...slot, article: 'single-pole-15' } : slot)),
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const circuit = read.job.circuits.find((one) => one.id === 'winch-lights');
  if (!circuit) throw new Error('no winch room');
  return { job: read.job, circuit };
};

const { job, circuit } = found();
const asked = (change: Partial<ChangeDraft>) =>
  changeOf(job, circuit, { ...startOf(job, circuit), ...change });
const place = (more: Partial<ChangeDraft['place']>) => ({ ...startOf(job, circuit).place, ...more });
const planned = (change: Partial<ChangeDraft>) => {
  const made = asked(change);
  if (!('change' in made)) throw new Error(made.missing);
  const outcome = leastChange(job, made.change);
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  return outcome.value;
};
const nameOf = (value: ReturnType<typeof planned>, box: string) =>
  value.job.boxes.find((one) => one.id === box)?.name;

test('a small job is offered where something is there, and not on a circuit that is all new', () => {
  expect(hasExisting(job, circuit)).toBe(true);
  const ropewalk = job.circuits.find((one) => one.id === 'ropewalk-lights');
  expect(ropewalk && hasExisting(job, ropewalk)).toBe(false);
});

test('the first switch and a dimmer stand in the form at first, and that can be planned', () => {
  const value = planned({});
  expect(value.opened.map((box) => nameOf(value, box))).toEqual(['Winch door']);
  expect(value.devices).toHaveLength(1);
});

test('where the layout asks for something that is not there, the form begins with that, and it is planned as it stands', () => {
  const stair = job.circuits.find(({ id }) => id === 'rope-stair-light');
  if (!stair) throw new Error('no stair');
  expect(startOf(job, stair).kind).toBe('replaceDevice');
  const more = {
    ...job,
    slots: job.slots.map((one) => (one.id === 'stair-foot-slot' ? { ...one, comesNew: true } : one)),
  };
  const start = startOf(more, stair);
  expect(start.kind).toBe('asAsked');
  const made = changeOf(more, stair, start);
  const outcome = 'change' in made ? leastChange(more, made.change) : null;
  if (!outcome?.ok) throw new Error('not planned');
  expect(outcome.value.opened).toEqual(['stair-foot']);
  expect(outcome.value.devices.map(({ slot }) => slot)).toEqual(['stair-foot-slot']);
});

test('what is still to be said is said: no run without a length, and to a feed from its own box', () => {
  expect(asked({ kind: 'addSwitch' })).toEqual({ missing: expect.stringContaining('from one box at least') });
  const reached = place({ lengths: { 'winch-ceiling': 200 } });
  expect(asked({ kind: 'takeOff', from: 'winch-switch' as never, place: reached })).toEqual({
    missing: 'Measure the run to where it goes.',
  });
  expect(asked({ slot: null })).toEqual({ missing: 'The circuit has no switch.' });
});

test('a new box takes its name and how it is set; a feed that goes on lies beyond the plan', () => {
  const added = planned({
    kind: 'addSwitch',
    place: place({ name: 'Slip door', work: 'old', lengths: { 'winch-switch': 258 } }),
  });
  expect(added.job.boxes.find((box) => box.name === 'Slip door')).toMatchObject({ work: 'old' });
  expect(added.job.runFacts).toContainEqual(expect.objectContaining({ length: 258 }));
  const onward = planned({
    ...{ kind: 'takeOff', from: 'winch-ceiling' as never, what: 'onward', va: 240 },
    place: place({ name: 'Chain locker', lengths: { 'winch-ceiling': 360 } }),
  });
  expect(onward.job.boxes.find((box) => box.name === 'Chain locker')).toMatchObject({ work: 'beyond' });
  expect(onward.job.luminaires.find((one) => one.name === 'Chain locker')).toMatchObject({
    va: 240,
    unit: 'onward',
  });
});

test('a box of the layout that holds nothing is offered, and taken as it stands', () => {
  const [switchBox] = job.boxes.filter((box) => box.id === 'winch-switch');
  if (!switchBox) throw new Error('no switch box');
  const drawn = { ...switchBox, id: 'spare' as never, name: 'Spare', article: null, work: 'new' as const };
  const at = { x: 552, y: 272, z: 48 };
  const withSpare = { ...job, boxes: [...job.boxes, { ...drawn, at }] };
  expect(emptyBoxes(withSpare).map((box) => box.name)).toContain('Spare');
  const start = startOf(withSpare, circuit);
  const made = changeOf(withSpare, circuit, {
    ...start,
    kind: 'addSwitch',
    place: { ...start.place, existing: 'spare' as never },
  });
  expect(made).toMatchObject({ change: { place: { box: { id: 'spare', at }, runs: [] } } });
});
