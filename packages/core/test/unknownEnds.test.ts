import fc from 'fast-check';
import {
  articleOf,
  compile,
  conductorKey,
  conductorsOf,
  createTracer,
  drawBox,
  evaluate,
  makeUpSteps,
  planJob,
  readJob,
  reviewWiring,
  rolesOf,
  sayTrace,
  truthTable,
  UNKNOWN_PLACE,
  wiringOrEmpty,
  writeJobFile,
  newWiringDoc,
  type CableId,
  type Job,
  type Wiring,
} from '../src/index.js';
import { createSweep } from '../src/circuit/sweep.js';
import { endKey, type End, type Landing } from '../src/model/wiring.js';
import { anyFullJob } from './support/fullJobs.js';
import { picking, type Pick } from './support/picks.js';
import { jobOf, planned } from './support/jobs.js';

/** A wiring of which some ends are not known: what was joined or landed there is taken out. */
const partlyKnown = (wiring: Wiring, pick: Pick): { wiring: Wiring; unknown: End[] } => {
  const ends = wiring.landings.flatMap(({ wire, terminal }) =>
    'end' in wire && !('circuit' in terminal) ? [wire.end] : [],
  );
  const unknown = ends.filter(() => pick(4) === 0).slice(0, 3);
  const keys = new Set(unknown.map(endKey));
  const landings = wiring.landings.filter(({ wire }) => !('end' in wire) || !keys.has(endKey(wire.end)));
  return { wiring: { ...wiring, landings, unseen: unknown }, unknown };
};

const landingOf = ({ landings }: Wiring, end: End): Landing[] =>
  landings.filter(({ wire }) => 'end' in wire && endKey(wire.end) === endKey(end));

/** Every way in which the unknown ends may be joined: to a hot, to a neutral, to nothing, or to the screw that they were on. */
const completions = (wiring: Wiring, unknown: readonly End[], circuit: string, whole: Wiring): Wiring[] =>
  unknown.reduce<Wiring[]>(
    (all, end) =>
      all.flatMap((one) =>
        (['hot', 'neutral', null, 'own'] as const).map((name): Wiring => {
          if (name === 'own') return { ...one, landings: [...one.landings, ...landingOf(whole, end)] };
          const landing: Landing[] =
            name === null ? [] : [{ wire: { end }, terminal: { circuit: circuit as never, name } }];
          return { ...one, landings: [...one.landings, ...landing] };
        }),
      ),
    [{ ...wiring, unseen: [] }],
  );

test('what is called dead, neutral or live is so in every way the unknown ends may be joined; what may be live is called unknown', () => {
  const jobs = fc.sample(anyFullJob, { seed: 511, numRuns: 40 });
  let [unknowns, liveOnes] = [0, 0];
  jobs.forEach((asked, i) => {
    const { job } = planJob(asked);
    const [circuit] = job.circuits;
    const { wiring, unknown } = partlyKnown(wiringOrEmpty(job), picking(70 + i));
    if (unknown.length === 0 || !circuit) return;
    const compiled = compile(wiring, job);
    const positions = Object.fromEntries(compiled.devices.map(({ id }, d) => [id, (i + d) % 2]));
    const state = evaluate(compiled, positions);
    const keys = [
      ...wiring.cables.flatMap(({ id, article }) =>
        conductorsOf(articleOf(job.stock, 'cable', article)).map((colour) => `conductor|${id}|${colour}`),
      ),
      ...wiring.devices.flatMap(({ id, article }) =>
        articleOf(job.stock, 'device', article).terminals.map(({ name }) => `device|${id}|${name}`),
      ),
    ];
    const wasLive = new Set<string>();
    const otherwise: string[] = [];
    for (const whole of completions(wiring, unknown, circuit.id, wiringOrEmpty(job))) {
      const known = compile(whole, job);
      const seen = evaluate(known, positions);
      // A breaker that trips makes everything dead: what nobody may rely on.
      if (seen.shorts.length > 0) continue;
      for (const key of keys) {
        const now = seen.nets[known.netOf(key) ?? -1];
        const said = state.nets[compiled.netOf(key) ?? -1];
        if (now === 'live' || now === 'backfed') wasLive.add(key);
        const isLive = now === 'live' || now === 'backfed';
        if (said === 'live' && now !== 'live')
          otherwise.push(`${key} is called live and is ${now ?? 'nothing'}`);
        if (isLive && (said === 'dead' || said === 'floating' || said === 'ground'))
          otherwise.push(`${key} is called ${said} and is ${now}`);
      }
    }
    expect(otherwise).toEqual([]);
    for (const key of keys)
      if (state.nets[compiled.netOf(key) ?? -1] === 'unknown') {
        unknowns += 1;
        liveOnes += wasLive.has(key) ? 1 : 0;
      }
  });
  expect(unknowns).toBeGreaterThan(30);
  // Unknown is not said for fear: most of it is live in some way.
  expect(liveOnes / unknowns).toBeGreaterThan(0.6);
});

const pair = () => planned(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] }));
const withStray = (): { job: Job; wiring: Wiring } => {
  const { job, wiring } = pair();
  const cable = wiring.cables.find((one) => one.from === 'S1' && one.to === 'S2');
  if (!cable) throw new Error('no cable');
  const stray = { ...cable, id: 'stray' as CableId, to: UNKNOWN_PLACE };
  return { job, wiring: { ...wiring, cables: [...wiring.cables, stray] } };
};

test('a cable to a place that nobody knows is never drawn dead, and no position is called working for it', () => {
  const { job, wiring } = withStray();
  const compiled = compile(wiring, job);
  const state = evaluate(compiled, {});
  const nets = ['black', 'red', 'white', 'bare'].map(
    (colour) => state.nets[compiled.netOf(`conductor|stray|${colour}`) ?? -1],
  );
  expect(nets).toEqual(['unknown', 'unknown', 'unknown', 'unknown']);
  const { wires, connectors } = drawBox(job, wiring, 'S1' as never);
  expect(wires.filter((one) => one.key.includes('stray')).map((one) => one.loose)).toEqual(
    Array(4).fill('loose'),
  );
  expect(connectors.filter((one) => one.form === 'air')).toHaveLength(4);
  // The sweep leaves to the whole simulator what is not known.
  const sweep = createSweep(compiled);
  expect(sweep([0, 0], new Uint8Array(1))).toBe('notSettled');
});

test('metal in a box of which a wire was not looked at is not said to be ungrounded, and not to be grounded', () => {
  const { job, wiring } = pair();
  const ofGrounds = (seen: Wiring) => {
    const review = reviewWiring(
      { ...job, wirings: [...job.wirings, newWiringDoc('as-found', 'found', seen)] },
      'as-found',
    );
    return review?.findings
      .filter(({ rule, at }) => rule === 'yoke-grounded' && at.box === 'S1')
      .map(({ severity, what, remedy }) => [
        severity,
        /not known/.test(what),
        remedy.startsWith('Look first'),
      ]);
  };
  const green = wiring.landings.filter(
    ({ terminal }) =>
      'device' in terminal && terminal.device === 'device:slot:S1' && terminal.name === 'ground',
  );
  expect(green).toHaveLength(1);
  const bare = { ...wiring, landings: wiring.landings.filter((one) => !green.includes(one)) };
  expect(ofGrounds(wiring)).toEqual([]);
  expect(ofGrounds(bare)).toEqual([['violation', false, false]]);
  const { wiring: strayed } = withStray();
  const end: End = { cable: 'stray' as CableId, side: 'from', colour: 'bare' };
  const unseen = { ...bare, cables: strayed.cables, unseen: [end] };
  expect(ofGrounds(unseen)).toEqual([['verify', true, true]]);
});

test('what nobody knows is said in findings, steps and traces by words, and is a step of its own', () => {
  const { job, wiring } = withStray();
  const kept = { ...job, wirings: [...job.wirings, newWiringDoc('as-found', 'found', wiring)] };
  const review = reviewWiring(kept, 'as-found');
  if (!review) throw new Error('no review');
  const compiled = compile(wiring, job);
  const { steps, otherEnds } = makeUpSteps(job, wiring, compiled, 'S1' as never);
  const key = conductorKey('stray' as CableId, 'black');
  const trace = createTracer(wiring, job, {})(key);
  const said = sayTrace(job, wiring, compiled, rolesOf(compiled), evaluate(compiled, {}), key, trace);
  const texts = [
    ...review.findings.flatMap(({ title, reason, remedy }) => [title, reason, remedy]),
    ...steps.map((one) => one.text),
    ...otherEnds.flatMap(({ cable, place }) => [cable, place]),
    said?.sentence ?? '',
  ];
  expect(texts.filter((text) => /undefined|place~unknown/.test(text))).toEqual([]);
  expect(said?.sentence).toContain('not known: it may be live');
  const capped = steps.filter((one) => one.id.includes('/loose/'));
  expect(capped.map((one) => one.text)).toContainEqual(
    expect.stringMatching(/^Cap the black of the 14\/3 to place not known/),
  );
  // An end that nobody has looked at is found out first, and taken for live.
  const end = { cable: 'stray' as CableId, side: 'from' as const, colour: 'black' as const };
  const unseen = makeUpSteps(job, { ...wiring, unseen: [end] }, compiled, 'S1' as never).steps.find((one) =>
    one.id.endsWith(`/loose/${endKey(end)}`),
  );
  expect(unseen).toMatchObject({ phase: 'proof', caution: expect.stringContaining('Take it for live') });
});

test('a luminaire whose wire nobody has followed is neither lit nor dark', () => {
  const { job, wiring } = pair();
  const [group] = job.groups;
  const end = wiring.landings.flatMap(({ wire, terminal }) =>
    'end' in wire && 'device' in terminal && terminal.name === 'common' && wire.end.cable.includes('S2>L')
      ? [wire.end]
      : [],
  )[0];
  if (!end || !group) throw new Error('no switch leg');
  const partly: Wiring = {
    ...wiring,
    landings: wiring.landings.filter(({ wire }) => !('end' in wire) || endKey(wire.end) !== endKey(end)),
    unseen: [end],
  };
  const table = truthTable(job, partly, compile(partly, job), group);
  expect(new Set(table.rows.flatMap((row) => row.lights))).toEqual(new Set(['unknown']));
  const drawn = drawBox(job, partly, 'S2' as never).wires.find(
    (one) => one.key === `conductor|${end.cable}|${end.colour}`,
  );
  expect(drawn?.loose).toBe('unseen');
});

test('what is partly known is kept in a file and read again; an end that is joined cannot be unseen', () => {
  const { job, wiring } = withStray();
  const found = {
    ...newWiringDoc('as-found', 'existing', wiring),
    certainty: { S1: 'seen' as const, S2: 'assumed' as const },
  };
  const kept = { ...job, wirings: [...job.wirings, found] };
  const again = readJob(JSON.parse(writeJobFile(kept)));
  expect(again).toEqual({ ok: true, job: kept });
  const [landing] = wiring.landings.flatMap(({ wire }) => ('end' in wire ? [wire.end] : []));
  const odd = {
    ...found,
    basedOn: 'nowhere',
    certainty: { nobox: 'seen' },
    wiring: { ...wiring, unseen: [landing] },
  };
  const refused = readJob({ ...kept, wirings: [...job.wirings, odd] });
  expect(refused.ok ? [] : refused.faults.map((one) => one.path)).toEqual([
    'wirings.1.basedOn',
    'wirings.1.certainty.nobox',
    'wirings.1.wiring.unseen.0',
  ]);
});
