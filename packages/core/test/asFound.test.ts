import {
  cablesThere,
  assumeUsual,
  editDocument,
  endsIn,
  existingDocument,
  foundName,
  numbered,
  planJob,
  powerOf,
  putAt,
  reviewCircuit,
  reviewWiring,
  signSeen,
  tellPower,
  UNKNOWN_PLACE,
  whereIs,
  whereMayBe,
  wiresIn,
  withFoundCable,
  type BoxId,
  type Job,
  type WiringEdit,
} from '../src/index.js';
import { endKey } from '../src/model/wiring.js';
import { jobOf, planned } from './support/jobs.js';

const S1 = 'S1' as BoxId;

/** A pair of before, as is usual for its cables. */
const oldPair = (): Job => {
  const { job, wiring } = planned(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] }));
  const bare: Job = {
    ...job,
    boxes: job.boxes.map((box) => ({ ...box, work: 'existing' as const })),
    choices: [],
    wirings: [],
  };
  return assumeUsual(bare, {
    circuit: 'c1' as never,
    cables: wiring.cables.map((cable) => ({ ...cable, existing: true })),
  }).job;
};

const told = (job: Job) => {
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  return document;
};
const edited = (job: Job, edits: WiringEdit | WiringEdit[], at: BoxId | null = S1): Job => {
  const result = editDocument(job, told(job).id, edits, at);
  if (!result.ok) throw new Error(result.refusal.why);
  return result.job;
};

test('every place that a wire may be is offered once, and one that is taken is where the wire then is', () => {
  const job = oldPair();
  const { wiring } = told(job);
  for (const box of ['S1', 'S2', 'L'] as BoxId[])
    for (const { wire, words, key } of wiresIn(job, wiring, box)) {
      const options = whereMayBe(job, wiring, box, wire);
      expect(new Set(options.map((one) => one.key)).size).toBe(options.length);
      expect(new Set(options.map((one) => one.words)).size).toBe(options.length);
      expect(options.map((one) => one.key)).toContain(whereIs(wiring, wire));
      expect(options.map((one) => one.words).join()).not.toContain(`spliced with the ${words},`);
      for (const { put } of options) {
        const after = editDocument(job, told(job).id, { do: 'put', wire, to: put }, box);
        expect([key, after.ok]).toEqual([key, true]);
        if (!after.ok) continue;
        const now = whereIs(told(after.job).wiring, wire);
        const expected = typeof put === 'string' ? put : 'on' in put ? /^on / : /^in /;
        if (typeof expected === 'string') expect(now).toBe(expected);
        else expect(now).toMatch(expected);
      }
    }
});

test('what is tapped after a wire is where it goes: a screw, a splice, a wire of a splice, a wire alone', () => {
  const job = oldPair();
  const { wiring } = told(job);
  const red = wiresIn(job, wiring, S1).find(({ colour }) => colour === 'red');
  if (!red) throw new Error('no red');
  expect(putAt(job, wiring, S1, red.wire, 'device|device:slot:S1|common')).toEqual({
    on: { device: 'device:slot:S1', name: 'common' },
  });
  const neutrals = wiring.joints.find(
    ({ box, members }) => box === 'S1' && members.every((one) => 'end' in one && one.end.colour === 'white'),
  );
  if (!neutrals) throw new Error('no neutrals');
  expect(putAt(job, wiring, S1, red.wire, `joint|${neutrals.id}`)).toEqual({ into: neutrals.id });
  const [white] = neutrals.members;
  if (!white || !('end' in white)) throw new Error('no white');
  expect(putAt(job, wiring, S1, red.wire, `conductor|${white.end.cable}|white`)).toEqual({
    into: neutrals.id,
  });
  expect(putAt(job, wiring, S1, red.wire, 'device|device:slot:S2|common')).toBeNull();
});

test('a crossed pair that is entered wire by wire is found, and no box beside it changes', () => {
  const job = ['S1', 'S2', 'L'].reduce((one, box) => signSeen(one, 'existing', box as BoxId), oldPair());
  const { wiring } = told(job);
  const on = (name: string) => ({ on: { device: 'device:slot:S2' as never, name } });
  const at = (name: string) => {
    const landing = wiring.landings.find(
      ({ terminal }) =>
        'device' in terminal && terminal.device === 'device:slot:S2' && terminal.name === name,
    );
    if (!landing || !('end' in landing.wire)) throw new Error(`nothing on ${name}`);
    return { end: landing.wire.end };
  };
  const crossed = edited(
    job,
    [
      { do: 'put', wire: at('common'), to: on('traveler 1') },
      { do: 'put', wire: at('traveler 1'), to: on('common') },
    ],
    'S2' as BoxId,
  );
  const review = reviewWiring(crossed, 'existing');
  expect(review?.proofs.map(({ working, positions }) => working < positions)).toEqual([true]);
  expect(
    review?.findings.some(({ rule, severity }) => rule === 'group-works' && severity === 'violation'),
  ).toBe(true);
  expect(told(crossed).certainty).toMatchObject({ S1: 'seen', S2: 'partlySeen', L: 'seen' });
});

test('a cable that nobody followed is drawn with the circuit whose box it comes into, and planning does not use it', () => {
  const before = oldPair();
  const [cable] = told(before).wiring.cables;
  if (!cable) throw new Error('no cable');
  const stray = { ...cable, id: 'stray' as never, from: S1, to: UNKNOWN_PLACE };
  const job = edited(before, { do: 'bringIn', cable: stray });
  expect(cablesThere(job).map(({ id }) => id)).not.toContain('stray');
  expect(endsIn(job, told(job).wiring, 'S1').filter((end) => end.cable === 'stray')).toHaveLength(3);
  const review = reviewWiring(job, 'existing');
  if (!review) throw new Error('no review');
  expect(reviewCircuit(review, 'c1' as never).cables).toContain('stray');
  const copy = planJob(job).job.wirings.find(({ kind }) => kind === 'planned')?.wiring;
  expect(copy?.cables.map(({ id }) => id)).toContain('stray');
});

test('whose power comes from the panel is told, and taken back to not known', () => {
  const job = oldPair();
  const feed = told(job).wiring.cables.find(({ from }) => from === 'panel');
  if (!feed) throw new Error('no feed');
  expect(powerOf(told(job).wiring, feed.id)).toBe('c1');
  const untold = edited(job, tellPower(job, told(job).wiring, feed.id, null), null);
  expect(powerOf(told(untold).wiring, feed.id)).toBeUndefined();
  expect(told(untold).wiring.unseen.filter((end) => end.cable === feed.id)).toHaveLength(3);
  const again = edited(untold, tellPower(untold, told(untold).wiring, feed.id, 'c1' as never), null);
  const landed = (one: Job) =>
    told(one)
      .wiring.landings.filter(({ terminal }) => 'circuit' in terminal)
      .map(({ wire, terminal }) => ['end' in wire ? endKey(wire.end) : '', JSON.stringify(terminal)])
      .sort();
  expect(landed(again)).toEqual(landed(job));
});

test('a cable as it was found goes into the stock once, with its colours as they are', () => {
  const job = oldPair();
  const found = {
    awg: 14 as const,
    insulated: numbered(['black', 'black', 'white']) ?? [],
    ground: 'none' as const,
    metal: 'copper' as const,
    sheath: 'cloth' as const,
  };
  const one = withFoundCable(job, found);
  const two = withFoundCable(one.job, found);
  expect([two.article, two.job.stock.length]).toEqual([one.article, job.stock.length + 1]);
  expect(foundName(found)).toBe('14 AWG black, black 2, white; no ground, cloth-covered');
  expect(numbered(['red', 'red', 'red', 'red'])).toBeNull();
});

test('a luminaire that is told of for the first time is there, and its box stays shut', () => {
  const job = oldPair();
  const document = told(job);
  const lead = document.wiring.joints.find(
    ({ box, members }) => box === 'L' && members.some((one) => 'lead' in one && one.lead.name === 'hot'),
  );
  if (!lead) throw new Error('no splice with the hot lead');
  const [lamp] = job.luminaires;
  if (!lamp) throw new Error('no luminaire');
  // Nothing was told of it yet, and the layout took it for new.
  const without = (members: typeof lead.members) => members.filter((one) => !('lead' in one));
  const fresh: Job = {
    ...job,
    luminaires: job.luminaires.map((one) => ({ ...one, comesNew: true })),
    wirings: [
      {
        ...document,
        wiring: {
          ...document.wiring,
          joints: document.wiring.joints.map((joint) =>
            joint.box === 'L' ? { ...joint, members: without(joint.members) } : joint,
          ),
        },
      },
    ],
  };
  const put: WiringEdit = {
    do: 'put',
    wire: { lead: { luminaire: lamp.id, name: 'hot' } },
    to: { into: lead.id },
  };
  const now = edited(fresh, put, 'L' as BoxId);
  expect(now.luminaires.map(({ comesNew }) => comesNew)).toEqual([false]);
  // Taken off its wire and told again, it is there again.
  const replaced = { ...now, luminaires: now.luminaires.map((one) => ({ ...one, comesNew: true })) };
  const again = edited(replaced, { ...put, to: 'loose' }, 'L' as BoxId);
  expect(edited(again, put, 'L' as BoxId).luminaires[0]?.comesNew).toBe(false);
});
