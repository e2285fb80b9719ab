import fc from 'fast-check';
import {
  boxCandidates,
  countWalk,
  findingKey,
  inspectionBook,
  readiness,
  reviewJob,
  seenStates,
  setBoxArticles,
  setRunFact,
  siteItems,
  unseenBoxes,
  WALKS,
  walkThrough,
  type Job,
  type SiteItem,
  type SiteRecord,
} from '../src/index.js';
import { RULES } from '../src/code/rules.js';
import { anyFullJob } from './support/fullJobs.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

const whole = yard();

const seenRecord = ({ id, hash }: SiteItem, wiring: string): SiteRecord => ({
  ...{ id: `seen ${id}`, kind: 'seen', version: 1, retracts: null, by: 'RF', at: '2026-11-20T08:00:00.000Z' },
  about: { kind: 'fact', id, wiring: wiring as never, revision: 1, hash },
  body: { what: '' },
});

const record = (id: string, kind: SiteRecord['kind'], about: Partial<SiteRecord['about']>, body: object) =>
  ({
    ...{ id, kind, version: 1, retracts: null, by: 'RF', at: '2026-11-20T08:00:00.000Z' },
    about: { kind: 'job', id: 'yard', wiring: null, revision: null, hash: null, ...about },
    body,
  }) as SiteRecord;

test('both walks together meet every finding once, each place of a check by itself', () => {
  const jobs = [whole, ...fc.sample(anyFullJob, { seed: 1919, numRuns: 20 })];
  let items = 0;
  for (const [at, asked] of jobs.entries())
    naming(`job ${at}`, () => {
      const { job, wiring, findings } = reviewJob(asked);
      const stops = WALKS.flatMap((walk) => walkThrough(job, wiring, findings, walk)).flatMap(
        (room) => room.stops,
      );
      const met = stops.flatMap((stop) => [...stop.findings, ...stop.questions]).map(findingKey);
      const said = findings.filter(
        (one) => one.severity !== 'verify' || one.questions.length > 0 || one.assumed !== null,
      );
      expect([...met].sort()).toEqual(said.map(findingKey).sort());
      const places = stops.flatMap((stop) => stop.items);
      const wanted = findings
        .filter((one) => one.severity === 'verify' && one.questions.length === 0 && one.assumed === null)
        .reduce((sum, one) => sum + Math.max(1, one.places.length), 0);
      expect(places).toHaveLength(wanted);
      expect(new Set(places.map(({ id }) => id)).size).toBe(places.length);
      items += places.length;
    });
  expect(items).toBeGreaterThan(500);
});

test('boxes of one name are seen one by one', () => {
  const job = whole;
  const alike = { ...job, boxes: job.boxes.map((box) => ({ ...box, name: 'Switch' })) };
  const { wiring, findings } = reviewJob(alike);
  const of = (one: Job, what: string) => siteItems(one, wiring, findings).filter(({ rule }) => rule === what);
  expect(of(alike, 'free-conductor').length).toBe(
    siteItems(job, reviewJob(job).wiring, reviewJob(job).findings).filter(
      ({ rule }) => rule === 'free-conductor',
    ).length,
  );
  expect(of(alike, 'free-conductor').length).toBeGreaterThan(20);
});

test('what was seen falls open when its place changes, and nothing else does', () => {
  const before = reviewJob(whole);
  const items = siteItems(before.job, before.wiring, before.findings);
  const records = items.map((item) => seenRecord(item, before.id));
  const states = seenStates(records, { id: before.id, planned: true });
  expect(items.every((item) => states(item).state === 'done')).toBe(true);
  const { job, wiring } = before;
  const box = job.boxes.find(({ id, at }) => at !== null && items.some((one) => one.at.box === id));
  const other =
    box && boxCandidates(job, wiring, box.id).find(({ verdict, here }) => verdict === 'fits' && !here);
  const run = wiring.cables.find(({ id }) => items.some((one) => one.at.cable === id));
  if (!box || !other || !run) throw new Error('nothing to change');
  const raised = job.boxes.map((one) =>
    one === box && one.at ? { ...one, at: { ...one.at, z: one.at.z + 6 } } : one,
  );
  const changes: [what: string, changed: Job, place: string | undefined][] = [
    ['height', { ...job, boxes: raised }, box.id],
    ['article', setBoxArticles(job, box.id, other.articles), box.id],
    ['way', setRunFact(job, run.from, run.to, { access: 'attic' }), run.id],
  ];
  for (const [what, changed, place] of changes) {
    const after = reviewJob(changed);
    const now = siteItems(after.job, after.wiring, after.findings);
    const open = now.filter((item) => states(item).state === 'changed');
    expect([what, open.length > 0]).toEqual([what, true]);
    for (const { at } of open) {
      const cable = wiring.cables.find(({ id }) => id === at.cable);
      // A box that is moved takes its cables along.
      const touched = [at.box, at.cable, ...(what === 'height' ? [cable?.from, cable?.to] : [])];
      expect([what, touched]).toEqual([what, expect.arrayContaining([place])]);
    }
    // A check that comes new there, as along an attic, was never made.
    for (const { at, id } of now.filter((item) => states(item).state === 'open')) {
      expect([what, at.cable]).toEqual([what, place]);
      expect(items.some((one) => one.id === id)).toBe(false);
    }
  }
  // A record that was taken back is none.
  const [first] = items;
  if (!first) throw new Error('nothing to see');
  const back = record('r', 'retraction', {}, {});
  const undone = seenStates([...records, { ...back, retracts: `seen ${first.id}` }], {
    id: before.id,
    planned: true,
  });
  expect(undone(first).state).toBe('open');
  // Another wiring of the job is another matter.
  expect(seenStates(records, { id: 'built', planned: false })(first).state).toBe('open');
});

test('renaming changes nothing that was seen', () => {
  const before = reviewJob(whole);
  const items = siteItems(before.job, before.wiring, before.findings).filter(
    ({ at }) => at.box !== undefined && at.luminaire === undefined,
  );
  const states = seenStates(
    items.map((item) => seenRecord(item, before.id)),
    { id: before.id, planned: true },
  );
  const renamed = reviewJob({
    ...before.job,
    boxes: before.job.boxes.map((box) => ({ ...box, name: `New ${box.name}` })),
  });
  const now = siteItems(renamed.job, renamed.wiring, renamed.findings).filter(
    ({ at, rule }) =>
      at.box !== undefined &&
      at.luminaire === undefined &&
      items.some((one) => one.rule === rule && one.what === one.what),
  );
  const listed = now.filter(({ rule }) => rule === 'free-conductor' || rule === 'terminal-torque');
  expect(listed.length).toBeGreaterThan(20);
  for (const item of listed) expect(states(item).state).toBe('done');
});

test('ready is never approved, and nothing open is left out of the sentence', () => {
  const { job, wiring, findings } = reviewJob(whole);
  const items = siteItems(job, wiring, findings);
  const done = () => ({ state: 'done' as const, records: [] });
  const open = () => ({ state: 'open' as const, records: [] });
  const asked = readiness('roughIn', [countWalk(findings, items, 'roughIn', open)], {
    unseen: unseenBoxes(job, wiring).length,
    corrections: 1,
    isPlanned: true,
  });
  expect(asked.ready).toBe(false);
  expect(asked.sentence).toContain(
    `${items.filter(({ walk }) => walk === 'roughIn').length} things to see on site`,
  );
  expect(asked.sentence).toContain('1 correction of the inspector to clear');
  const nothing = countWalk([], [], 'final', done);
  const ready = readiness('final', [nothing], { unseen: 0, corrections: 0, isPlanned: true });
  expect(ready.ready).toBe(true);
  expect(`${asked.sentence} ${ready.sentence}`).not.toMatch(/approv|pass/i);
  expect(
    readiness('final', [{ ...nothing, changed: 1, toSee: 1 }], { unseen: 0, corrections: 0, isPlanned: true })
      .ready,
  ).toBe(false);
});

test('of a job in which nothing is wired yet nothing is said to be ready', () => {
  const none = countWalk([], [], 'roughIn', () => ({ state: 'open', records: [] }));
  const said = readiness('roughIn', [none], { unseen: 0, corrections: 0, isPlanned: false });
  expect(said).toEqual({
    ready: false,
    sentence: 'Not ready for the rough-in inspection: nothing is wired yet.',
  });
});

test('what is wrong stays wrong, though an answer may settle it; what is only assumed is never ticked away', () => {
  const { job, wiring, findings } = reviewJob(whole);
  const stops = WALKS.flatMap((walk) => walkThrough(job, wiring, findings, walk)).flatMap(
    (room) => room.stops,
  );
  const asked = findings.filter((one) => one.severity !== 'verify' && one.questions.length > 0);
  expect(asked.length).toBeGreaterThan(0);
  for (const one of asked) expect(stops.some((stop) => stop.findings.includes(one))).toBe(true);
  const assumed = findings.filter((one) => one.assumed !== null);
  expect(assumed.length).toBeGreaterThan(0);
  const items = siteItems(job, wiring, findings);
  for (const one of assumed) {
    expect(stops.some((stop) => stop.findings.includes(one))).toBe(true);
    expect(items.some(({ what, at }) => what === one.what && at === one.at)).toBe(false);
    expect(unseenBoxes(job, wiring)).toContain(one.assumed);
  }
  const alone = readiness('final', [countWalk([], [], 'final', () => ({ state: 'open', records: [] }))], {
    ...{ unseen: 0, corrections: 0, isPlanned: true, within: 'Slip light' },
  });
  expect(alone.sentence).toContain('in Slip light alone');
});

test('what is made up is walked when the job makes it up', () => {
  const job = whole;
  const walks = (madeUp: Job['preferences']['madeUp']) => {
    const one = reviewJob({ ...job, preferences: { ...job.preferences, madeUp } });
    return new Set(one.findings.filter(({ rule }) => rule === 'reidentified-white').map(({ walk }) => walk));
  };
  expect([...walks('afterCheck')]).toEqual(['final']);
  expect([...walks('beforeCheck')]).toEqual(['roughIn']);
  expect(new Set(RULES.map(({ stage }) => stage))).toEqual(new Set(['roughIn', 'makeUp', 'final']));
});

test('the book of inspections: the last permit, corrections until they are cleared, and nothing that was taken back', () => {
  const correction = record(
    'c1',
    'correction',
    { kind: 'box', id: 'slip' },
    { walk: 'roughIn', text: 'A plate.' },
  );
  const records = [
    record('p1', 'permit', {}, { number: 'EL-1', authority: '' }),
    record('p2', 'permit', {}, { number: 'EL-2', authority: 'Harbour office' }),
    record('i1', 'inspection', {}, { walk: 'roughIn', state: 'held', on: '2026-11-20', note: 'One plate.' }),
    correction,
    record('c2', 'correction', { kind: 'box', id: 'slip' }, { walk: 'final', text: 'Wrong box.' }),
    { ...record('x', 'retraction', {}, {}), retracts: 'c2' },
  ];
  const open = inspectionBook(records);
  expect(open).toMatchObject({
    permit: { number: 'EL-2' },
    inspections: [{ walk: 'roughIn', on: '2026-11-20' }],
  });
  expect(open.corrections).toMatchObject([{ text: 'A plate.', cleared: null }]);
  const cleared = record('d', 'cleared', { kind: 'fact', id: 'c1' }, { how: 'Plated.' });
  expect(inspectionBook([...records, cleared]).corrections).toMatchObject([{ cleared: { how: 'Plated.' } }]);
});
