import fc from 'fast-check';
import {
  articleOf,
  articlesOf,
  assumedOf,
  compile,
  conductorsOf,
  drawBox,
  editDocument,
  editWiring,
  evaluate,
  existingDocument,
  newWiringDoc,
  planJob,
  readJob,
  sayWiringRefusal,
  signSeen,
  UNKNOWN_PLACE,
  wiringOrEmpty,
  withDocument,
  type BoxId,
  type Job,
  type LooseWire,
  type Put,
  type Wiring,
  type WiringEdit,
} from '../src/index.js';
import { endKey, placeOfEnd, terminalKey, type End } from '../src/model/wiring.js';
import { anyFullJob } from './support/fullJobs.js';
import { jobOf, planned } from './support/jobs.js';
import { picking, type Pick } from './support/picks.js';

const deepFrozen = <T extends object>(value: T): T => {
  for (const one of Object.values(value))
    if (typeof one === 'object' && one !== null) deepFrozen(one as object);
  return Object.freeze(value);
};

const endsOf = (job: Job, wiring: Wiring): End[] =>
  wiring.cables.flatMap(({ id, article }) =>
    conductorsOf(articleOf(job.stock, 'cable', article)).flatMap((colour) =>
      (['from', 'to'] as const).map((side) => ({ cable: id, side, colour })),
    ),
  );

/** Any edit at all: of what is there, of what is not, into the right box and into another. */
const anyEdit = (job: Job, wiring: Wiring, pick: Pick): WiringEdit => {
  const one = <T>(list: readonly T[]): T => {
    const found = list[pick(Math.max(1, list.length))];
    if (found === undefined) throw new Error('nothing to pick from');
    return found;
  };
  const ends = endsOf(job, wiring);
  const leads = wiring.joints.flatMap(({ members }) =>
    members.flatMap((member) => ('lead' in member ? [member.lead] : [])),
  );
  const tails = wiring.joints.flatMap(({ members }) =>
    members.flatMap((member) => ('pigtail' in member ? [member.pigtail.id] : [])),
  );
  const screws = [
    ...wiring.devices.flatMap(({ id, article }) =>
      articleOf(job.stock, 'device', article).terminals.map(({ name }) => ({ device: id, name })),
    ),
    ...job.luminaires.flatMap(({ id }) =>
      (['hot', 'neutral', 'ground'] as const).map((name) => ({ luminaire: id, name })),
    ),
    ...job.circuits.map(({ id }) => ({ circuit: id, name: 'hot' as const })),
    ...job.boxes.map(({ id }) => ({ box: id, name: 'ground' as const })),
  ];
  const wire = (): LooseWire => {
    const kind = pick(8);
    if (kind === 0 && tails.length > 0) return { pigtail: one(tails) };
    if (kind === 1 && leads.length > 0) return { lead: one(leads) };
    return { end: one(ends) };
  };
  const to = (): Put => {
    const kind = pick(6);
    if (kind === 0) return { on: one(screws) };
    if (kind === 1) return { into: one(wiring.joints).id };
    if (kind === 2) return { with: wire() };
    return (['alone', 'loose', 'unseen'] as const)[kind - 3] ?? 'loose';
  };
  const cable = one(wiring.cables);
  const articles = articlesOf(job.stock, 'cable');
  switch (pick(16)) {
    case 0:
      return { do: 'loopGround', end: one(ends), on: one(screws) };
    case 1:
      return { do: 'tail', from: one(wiring.joints).id, to: one(screws), colour: 'black' };
    case 2:
      return tails.length > 0
        ? { do: 'takeTail', pigtail: one(tails) }
        : { do: 'put', wire: wire(), to: to() };
    case 3:
      return { do: 'mark', end: one(ends), colour: one(['black', 'red', null] as const) };
    case 4:
      return {
        do: 'bringIn',
        cable: { ...cable, id: `extra-${pick(1000)}` as never, article: one(articles).id },
      };
    case 5:
      return { do: 'takeOut', cable: cable.id };
    case 6:
      return {
        do: 'lead',
        cable: cable.id,
        side: one(['from', 'to'] as const),
        to: one([...job.boxes.map(({ id }) => id), 'panel' as const, UNKNOWN_PLACE]),
      };
    case 7:
      return { do: 'cableIs', cable: cable.id, article: one(articles).id };
    case 8:
      return wiring.devices.length > 0
        ? { do: 'fit', device: { ...one(wiring.devices), article: one(articlesOf(job.stock, 'device')).id } }
        : { do: 'put', wire: wire(), to: to() };
    case 9:
      return wiring.devices.length > 0
        ? { do: 'remove', device: one(wiring.devices).id }
        : { do: 'put', wire: wire(), to: to() };
    case 10:
      return { do: 'boxIs', box: one(job.boxes).id, articles: [one(articlesOf(job.stock, 'box')).id] };
    default:
      return { do: 'put', wire: wire(), to: to() };
  }
};

/** Where every end is: the wires that it is joined with, and its screw. The slow twin of the two relations. */
const whereabouts = (job: Job, wiring: Wiring): Map<string, string> => {
  const memberKeyOf = (member: Wiring['joints'][number]['members'][number]) =>
    'end' in member ? endKey(member.end) : 'pigtail' in member ? member.pigtail.id : terminalKey(member.lead);
  return new Map(
    endsOf(job, wiring).map((end) => {
      const key = endKey(end);
      const joint = wiring.joints.find(({ members }) => members.some((one) => memberKeyOf(one) === key));
      const landing = wiring.landings.find(({ wire }) => 'end' in wire && endKey(wire.end) === key);
      const seen = wiring.unseen.some((one) => endKey(one) === key) ? 'unseen' : '';
      const fellows =
        joint?.members
          .map(memberKeyOf)
          .filter((one) => one !== key)
          .sort()
          .join() ?? '-';
      return [key, `${joint ? 'in' : ''} ${fellows} ${landing ? terminalKey(landing.terminal) : ''} ${seen}`];
    }),
  );
};

const jobs = fc.sample(
  anyFullJob.map((asked) => planJob(asked).job).filter((job) => wiringOrEmpty(job).cables.length > 1),
  { seed: 1601, numRuns: 40 },
);

test('any sequence of edits leaves a wiring that compiles, is simulated, drawn and kept in a file; what was before stays as it was', () => {
  let [made, refused] = [0, 0];
  jobs.forEach((job, i) => {
    const pick = picking(1600 + i);
    const before = deepFrozen(wiringOrEmpty(job));
    const text = JSON.stringify(before);
    let wiring: Wiring = before;
    for (let step = 0; step < 30; step++) {
      if (wiring.cables.length === 0 || wiring.joints.length === 0) break;
      const result = editWiring(wiring, anyEdit(job, wiring, pick), job);
      if (result.ok) made += 1;
      else {
        refused += 1;
        expect(sayWiringRefusal(job, result.refusal)).toMatch(/^[A-Z].{20,}\.$/);
      }
      wiring = result.ok ? deepFrozen(result.wiring) : wiring;
      const state = evaluate(compile(wiring, job), {});
      expect(state.nets.length).toBeGreaterThan(0);
    }
    expect(JSON.stringify(before)).toBe(text);
    const [box] = job.boxes;
    if (box) drawBox(job, wiring, box.id);
    const kept = readJob({ ...job, wirings: [...job.wirings, newWiringDoc('late', 'found', wiring)] });
    expect(kept.ok ? [] : kept.faults).toEqual([]);
  });
  expect(made).toBeGreaterThan(500);
  expect(refused).toBeGreaterThan(100);
});

test('a wire that is put somewhere is there, and no other wire has moved', () => {
  let tried = 0;
  jobs.forEach((job, i) => {
    const pick = picking(7100 + i);
    const wiring = wiringOrEmpty(job);
    for (let step = 0; step < 30 && wiring.joints.length > 0; step++) {
      const edit = anyEdit(job, wiring, pick);
      if (edit.do !== 'put' || !('end' in edit.wire)) continue;
      const result = editWiring(wiring, edit, job);
      if (!result.ok) continue;
      const key = endKey(edit.wire.end);
      const [old, now] = [whereabouts(job, wiring), whereabouts(job, result.wiring)];
      const mine = now.get(key) ?? '';
      if (edit.to === 'loose') expect(mine).toBe(' -  ');
      if (edit.to === 'unseen') expect(mine).toBe(' -  unseen');
      if (edit.to === 'alone') expect(mine).toBe('in   ');
      if (typeof edit.to === 'object' && 'on' in edit.to) expect(mine).toBe(` - ${terminalKey(edit.to.on)} `);
      const partner =
        typeof edit.to === 'object' && 'with' in edit.to && 'end' in edit.to.with
          ? endKey(edit.to.with.end)
          : null;
      if (partner !== null) expect(mine.split(' ')[1]?.split(',')).toContain(partner);
      const without = (text: string) =>
        text
          .split(' ')
          .map((part) =>
            part
              .split(',')
              .filter((one) => one !== key)
              .join(),
          )
          .join(' ');
      for (const [other, text] of old)
        if (other !== key && other !== partner && !text.includes('tail') && now.has(other))
          expect([other, without(now.get(other) ?? '')]).toEqual([other, without(text)]);
      tried += 1;
    }
  });
  expect(tried).toBeGreaterThan(150);
});

const pair = () => planned(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] }));
const S1 = 'S1' as BoxId;

const asExisting = (job: Job, wiring: Wiring, sure: 'assumed' | 'seen') =>
  withDocument(job, {
    ...newWiringDoc('existing', 'existing', wiring),
    certainty: { ['S1' as BoxId]: sure, ['S2' as BoxId]: 'seen', ['L' as BoxId]: 'seen' },
  });

const statesOf = (job: Job) => {
  const document = existingDocument(job);
  if (!document) throw new Error('no existing wiring');
  const compiled = compile(document.wiring, job, assumedOf(document));
  return { compiled, nets: evaluate(compiled, {}).nets, document };
};

test('what is only assumed is never live, dead or neutral as a fact; told wire by wire it becomes known', () => {
  const { job, wiring } = pair();
  const assumed = asExisting(job, wiring, 'assumed');
  const { compiled, nets, document } = statesOf(assumed);
  const ends = endsOf(job, wiring).filter((end) => {
    const cable = wiring.cables.find(({ id }) => id === end.cable);
    return cable && placeOfEnd(cable, end.side) === 'S1';
  });
  for (const end of ends) {
    const cable = wiring.cables.find(({ id }) => id === end.cable);
    const net = compiled.netOf(`conductor|${end.cable}|${end.colour}`) ?? -1;
    // From the panel it is known as far as the box; what leaves the box is not.
    if (cable?.from !== 'panel') expect([end.colour, nets[net]]).toEqual([end.colour, 'unknown']);
  }
  // Exchanging two assumed travelers changes nothing that is known.
  const travelers = wiring.landings.filter(
    ({ terminal }) =>
      'device' in terminal && terminal.device === 'device:slot:S1' && terminal.name.startsWith('traveler'),
  );
  const [a, b] = travelers;
  if (!a || !b) throw new Error('no travelers');
  const crossed = wiring.landings.map((one) =>
    one === a ? { ...a, terminal: b.terminal } : one === b ? { ...b, terminal: a.terminal } : one,
  );
  const other = statesOf(asExisting(job, { ...wiring, landings: crossed }, 'assumed'));
  for (const end of endsOf(job, wiring)) {
    const key = `conductor|${end.cable}|${end.colour}`;
    expect(other.nets[other.compiled.netOf(key) ?? -1]).toBe(nets[compiled.netOf(key) ?? -1]);
  }

  // One wire is looked at: it is known, the others of the box are not yet.
  const [hot] = ends.filter(({ colour, side }) => colour === 'black' && side === 'to');
  if (!hot) throw new Error('no feed');
  const landing = wiring.landings.find(({ wire }) => 'end' in wire && endKey(wire.end) === endKey(hot));
  const edit: WiringEdit = {
    do: 'put',
    wire: { end: hot },
    to: landing ? { on: landing.terminal } : 'loose',
  };
  const loosened = editDocument(assumed, document.id, { do: 'put', wire: { end: hot }, to: 'loose' }, S1);
  if (!loosened.ok) throw new Error('refused');
  const told = editDocument(loosened.job, document.id, edit, S1);
  if (!told.ok) throw new Error('refused');
  const partly = existingDocument(told.job);
  expect(partly?.certainty[S1]).toBe('partlySeen');
  expect(partly?.assumedEnds.map(endKey)).not.toContain(endKey(hot));
  expect(partly?.assumedEnds).toHaveLength(ends.length - 1);
  const signed = existingDocument(signSeen(told.job, document.id, S1));
  expect([signed?.certainty[S1], signed?.assumedEnds]).toEqual(['seen', []]);
});

test('a box that was signed as seen is open again when it is told otherwise', () => {
  const { job, wiring } = pair();
  const seen = asExisting(job, wiring, 'seen');
  const [end] = endsOf(job, wiring).filter(({ colour }) => colour === 'red');
  if (!end) throw new Error('no red');
  const result = editDocument(
    seen,
    'existing',
    { do: 'put', wire: { end: { ...end, side: 'from' } }, to: 'loose' },
    S1,
  );
  if (!result.ok) throw new Error('refused');
  expect(existingDocument(result.job)?.certainty).toMatchObject({ S1: 'partlySeen', S2: 'seen', L: 'seen' });
});

test('what cannot be is refused with what to do; what is merely wrong is kept', () => {
  const { job, wiring } = pair();
  const say = (edit: WiringEdit) => {
    const result = editWiring(wiring, edit, job);
    return result.ok ? null : sayWiringRefusal(job, result.refusal);
  };
  const cable = wiring.cables.find(({ from, to }) => from === 'S1' && to === 'S2');
  if (!cable) throw new Error('no cable');
  const red: End = { cable: cable.id, side: 'from', colour: 'red' };
  expect(
    say({ do: 'put', wire: { end: red }, to: { on: { device: 'device:slot:S2' as never, name: 'common' } } }),
  ).toContain('Choose something of the same box');
  expect(say({ do: 'put', wire: { end: { ...red, colour: 'blue' } }, to: 'loose' })).toContain(
    'no conductor of that colour',
  );
  expect(say({ do: 'put', wire: { end: red }, to: { with: { end: red } } })).toContain(
    'not joined with itself',
  );
  expect(say({ do: 'mark', end: { ...red, colour: 'bare' }, colour: 'red' })).toContain('250.119');
  // Two wires on a screw, and a cable that comes back to its box, are found like that.
  expect(
    say({ do: 'put', wire: { end: red }, to: { on: { device: 'device:slot:S1' as never, name: 'common' } } }),
  ).toBeNull();
  expect(say({ do: 'lead', cable: cable.id, side: 'to', to: S1 })).toBeNull();
});
