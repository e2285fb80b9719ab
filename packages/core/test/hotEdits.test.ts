import {
  addLuminaire,
  addOnwardFeed,
  addReceptacle,
  beginPlace,
  articlesAt,
  feetInches,
  findPlans,
  newJob,
  planJob,
  reviewJob,
  sayProblem,
  standardStock,
  withChoice,
  type CeilingLoad,
  type Job,
  type JobId,
} from '../src/index.js';

const begun = (): Job =>
  beginPlace(newJob('house' as JobId, 'House', standardStock()), { place: 'room', stem: 'p', name: 'Den' });
const circuitOf = (job: Job) => {
  const [circuit] = job.circuits;
  const [group] = job.groups;
  if (!circuit || !group) throw new Error('nothing is begun');
  return { circuit: circuit.id, group: group.id };
};
const wired = (job: Job): Job => {
  const { circuit } = circuitOf(job);
  const [first] = findPlans(job, circuit).candidates;
  if (!first) throw new Error('no way to wire it');
  return withChoice(job, circuit, first.choice);
};

test('a receptacle is live whatever the switches do, one of a group goes with it; what goes on is fed, and bought by nobody', () => {
  const job = begun();
  const { circuit, group } = circuitOf(job);
  const hot = { circuit, hotGroup: 'hot' as never };
  const room = job.rooms[0]?.id;
  const receptacle = addReceptacle(job, {
    ...{ box: 'r' as never, slot: 'rs' as never, at: { x: 20, y: 0 }, from: hot },
  });
  const half = addReceptacle(receptacle, {
    ...{ box: 'r2' as never, slot: 'rs2' as never, at: { x: 60, y: 0 }, from: { group } },
  });
  const all = addOnwardFeed(half, {
    ...{ box: 'on' as never, luminaire: 'onl' as never, at: { x: 90, y: 0 }, from: hot, va: 300 },
  });
  expect(all.groups.filter(({ control }) => control === 'hot')).toEqual([
    expect.objectContaining({ circuit, room, control: 'hot' }),
  ]);
  expect(feetInches(all.boxes.find(({ id }) => id === 'r')?.at?.z ?? 0)).toBe('1\'-4"');
  const { job: planned, wiring, proofs, findings } = reviewJob(wired(all));
  expect(planned.boxes.map(({ id }) => id)).toEqual(expect.arrayContaining(['r', 'r2', 'on']));
  expect(proofs.map(({ working, of }) => working === of)).not.toContain(false);
  for (const box of ['r', 'r2', 'on'])
    expect(wiring.cables.some(({ from, to }) => from === box || to === box)).toBe(true);
  expect(findings.filter(({ severity }) => severity === 'violation').map(({ title }) => title)).toEqual([]);
});

test('what takes its power from a circuit or a group that is not there changes nothing', () => {
  const job = begun();
  const none = { circuit: 'nobody' as never, hotGroup: 'hot' as never };
  const at = { x: 20, y: 0 };
  expect(addReceptacle(job, { box: 'r' as never, slot: 's' as never, at, from: none })).toBe(job);
  expect(
    addOnwardFeed(job, {
      ...{ box: 'o' as never, luminaire: 'l' as never, at, va: 1, from: { group: 'nobody' as never } },
    }),
  ).toBe(job);
});

test('a fan hangs in a box that is made to hold one, and asks how heavy it is; a recessed light brings its own', () => {
  const job = begun();
  const { group } = circuitOf(job);
  const hang = (kind: CeilingLoad): Job =>
    addLuminaire(job, {
      ...{ box: kind as never, luminaire: `${kind}-l` as never, group, at: { x: 40, y: 60 }, kind },
    });
  const fan = reviewJob(wired(hang('fan')));
  expect(fan.job.boxes.at(-1)?.name).toBe('Fan');
  const held = articlesAt(fan.wiring, 'fan').map((id) => fan.job.stock.find((one) => one.id === id)?.name);
  expect(held.join(' ')).toMatch(/fan/i);
  expect(fan.findings.flatMap(({ questions }) => questions.map(({ kind, of }) => `${kind} ${of}`))).toContain(
    'luminaire.pounds fan-l',
  );
  // Until what is marked on its driver box is read there is no way, and that is why.
  const recessed = hang('recessed');
  expect(findPlans(recessed, circuitOf(recessed).circuit)).toMatchObject({
    candidates: [],
    refusals: [{ title: 'The driver box of Recessed light has no room for one cable' }],
  });
  const read: Job = {
    ...recessed,
    luminaires: recessed.luminaires.map((one) =>
      one.driverBox === null ? one : { ...one, driverBox: 170_000 },
    ),
  };
  const { wiring } = reviewJob(wired(read));
  expect(articlesAt(wiring, 'recessed')).toEqual([]);
});

test('no cable is led through what a feed goes on to: there it ends, in every plan', () => {
  const job = begun();
  const { circuit } = circuitOf(job);
  // In the middle of the room, where it would shorten every way.
  const at = { x: 60, y: 60 };
  const onward = addOnwardFeed(job, {
    ...{ box: 'on' as never, luminaire: 'onl' as never, at, va: 300 },
    from: { circuit, hotGroup: 'hot' as never },
  });
  const found = findPlans(onward, circuit);
  expect(found.candidates.length).toBeGreaterThan(1);
  for (const { choice, sketch } of found.candidates) {
    const ends = choice.runs.filter(({ from, to }) => from === 'on' || to === 'on');
    expect(ends).toHaveLength(1);
    expect(sketch?.nodes.filter(({ sign }) => sign === 'onward')).toHaveLength(1);
  }
  expect(found.profiles.every(({ gap }) => gap === 0)).toBe(true);
  const [best] = found.candidates;
  if (!best) throw new Error('no plan');
  // Said by hand it is refused, with the reason.
  const run = best.choice.runs.find(({ to }) => to !== 'on');
  const through = {
    ...best.choice,
    runs: best.choice.runs.map((one) => (one === run ? { from: 'on' as never, to: one.to } : one)),
  };
  const outcome = planJob(withChoice(onward, circuit, through)).circuits[0]?.outcome;
  if (!outcome || outcome.ok) throw new Error('it was planned');
  const said = outcome.problems.map((problem) => sayProblem(onward, problem).what);
  expect(said).toContain('A cable is led on from Onward feed, which is other work');
});
