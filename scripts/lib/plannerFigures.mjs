import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import {
  createSearch,
  findPlans,
  leastCost,
  mastersChoice,
  newBox,
  newCircuit,
  newFeed,
  newGroup,
  newJob,
  newLuminaire,
  newRoom,
  newSlot,
  NO_CONSTRAINTS,
  standardStock,
} from '@amber/core';
import { say } from './say.mjs';

const STOCK = standardStock();

/** A job of one circuit: groups of so many switches and luminaires each, at random places of a floor. */
export const randomJob = (seed, { places, groups, switches }) => {
  const random = xoroshiro128plus(seed);
  const pick = (count) => uniformInt(random, 0, count - 1);
  const fedAtBox = pick(2) === 0;
  const names = [];
  const groupIds = Array.from({ length: groups }, (_, g) => `g${g}`);
  const slots = groupIds.flatMap((group, g) =>
    Array.from({ length: switches ?? 1 + pick(4) }, (_, i) => {
      names.push([`S${g}.${i}`, 48]);
      return newSlot({ id: `s${g}.${i}`, box: `S${g}.${i}`, gang: 0, group });
    }),
  );
  const rest = places - names.length - (fedAtBox ? 1 : 0);
  const luminaires = Array.from({ length: Math.max(groups, rest) }, (_, l) => {
    names.push([`L${l}`, 96]);
    return newLuminaire({
      ...{ id: `l${l}`, name: `Luminaire ${l}`, box: `L${l}`, group: `g${l % groups}`, va: 20 },
      ...{ terminals: 'leads', leadAwg: 18, metal: true },
    });
  });
  if (fedAtBox) names.push(['J', 96]);
  const job = newJob(`random-${seed}`, 'Random', STOCK);
  return {
    ...job,
    routing: { ...job.routing, panel: { level: null, at: { x: -120, y: 0, z: 60 } } },
    rooms: [
      newRoom({ id: 'r', name: 'Room', kind: 'habitable', wholeFloorVisible: pick(2) === 0 ? 'yes' : 'no' }),
    ],
    circuits: [newCircuit({ id: 'c', name: 'Lights', breaker: 15, awg: 14, afci: 'yes' })],
    groups: groupIds.map((id) => newGroup({ id, name: id, circuit: 'c', room: 'r' })),
    boxes: names.map(([id, z]) =>
      newBox({
        id,
        name: id,
        article: null,
        accessible: 'no',
        at: { x: 12 * pick(40), y: 12 * pick(25), z },
      }),
    ),
    slots,
    luminaires,
    feeds: [newFeed({ id: 'f', circuit: 'c', at: fedAtBox ? 'J' : 'panel' })],
  };
};

/** A job of one circuit from the panel: two groups at the same doors, and luminaires of either, at random places of a floor. */
export const sharedJob = (seed, { doors, lights }) => {
  const random = xoroshiro128plus(seed);
  const pick = (count) => uniformInt(random, 0, count - 1);
  const base = randomJob(seed, { places: 4, groups: 2, switches: 1 });
  const place = (id, z) =>
    newBox({ id, name: id, article: null, accessible: 'no', at: { x: 12 * pick(40), y: 12 * pick(25), z } });
  const at = Array.from({ length: doors }, (_, i) => `S${i}`);
  const lit = Array.from({ length: lights }, (_, i) => `L${i}`);
  return {
    ...base,
    boxes: [...at.map((id) => place(id, 48)), ...lit.map((id) => place(id, 96))],
    slots: at.flatMap((box) =>
      ['g0', 'g1'].map((group, gang) => newSlot({ id: `${box}.${group}`, box, gang, group })),
    ),
    luminaires: lit.map((box, i) =>
      newLuminaire({
        ...{ id: `l${i}`, name: box, box, group: `g${i % 2}`, va: 20 },
        ...{ terminals: 'leads', leadAwg: 18, metal: true },
      }),
    ),
    feeds: [newFeed({ id: 'f', circuit: 'c', at: 'panel' })],
  };
};

/** Two groups at the same doors, each on cables of its own where that is less: nodes are boxes and groups that may stay apart. */
const sameDoors = (size, aim, count = 9) => {
  const runs = Array.from({ length: count }, (_, i) =>
    searched(sharedJob(i + 1, size), { mostSteps: 8_000_000 }),
  );
  const whole = runs.map((one) => one.whole);
  line(
    `plans: 2 groups, ${size.doors} doors, ${size.lights} lights, ${2 * size.doors + size.lights} nodes`,
    `median ${median(whole).toFixed(0).padStart(7)} ms   worst ${Math.max(...whole)
      .toFixed(0)
      .padStart(7)} ms   aim ${aim}; ` +
      `${runs.filter((one) => one.proved).length} of ${count} proved, gap at most ${Math.max(...runs.map((one) => one.gap)).toFixed(1)} %; ` +
      `first answer worst ${Math.max(...runs.map((one) => one.first)).toFixed(0)} ms`,
  );
};

/** All that is told of a circuit of several groups: every profile, entry and familiar way. */
const wholeList = (places, groups, aim) => {
  const runs = [1, 2].map((seed) => {
    const job = randomJob(seed, { places, groups, switches: 2 });
    const began = performance.now();
    const { profiles } = findPlans(job, job.circuits[0].id);
    return {
      whole: performance.now() - began,
      gap: profiles.find(({ id }) => id === 'leastCost')?.gap ?? Infinity,
    };
  });
  line(
    `plans: the whole list of ${groups} groups, ${places} places`,
    `${runs.map((one) => `${(one.whole / 1000).toFixed(1)} s, least cost with a gap of ${one.gap.toFixed(1)} %`).join('; ')}   aim ${aim}`,
  );
};

const options = (job, weighing) => ({
  ...{ weights: weighing(job), constraints: NO_CONSTRAINTS },
});

/** One search: milliseconds to the first answer and to the end, whether it was proved, and the gap in percent. */
export const searched = (
  job,
  { mostSteps = 30_000_000, seconds = Infinity, weighing = leastCost, thorough = false } = {},
) => {
  const began = performance.now();
  let first = Infinity;
  const { best, bound, proved } = createSearch(job, job.circuits[0], options(job, weighing)).least({
    ...{ mostSteps, thorough },
    onBetter: () => (first = Math.min(first, performance.now() - began)),
    mayGoOn: () => performance.now() - began < seconds * 1000,
  });
  return {
    first,
    whole: performance.now() - began,
    proved,
    weight: best?.weight ?? Infinity,
    gap: best ? ((best.weight - bound) / bound) * 100 : Infinity,
  };
};

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const line = (name, text) => say(`${name.padEnd(52)} ${text}`);

/** One group, one profile: 30 random jobs of a size. */
const oneGroup = (places, aim, weighing = leastCost, count = 30) => {
  // The first searches of a process wait for the compiler; these are not counted.
  for (let seed = 9901; seed < 9931; seed++)
    searched(randomJob(seed, { places: Math.min(places, 10), groups: 1 }));
  const runs = Array.from({ length: count }, (_, i) =>
    searched(randomJob(i + 1, { places, groups: 1 }), { weighing }),
  );
  const whole = runs.map((one) => one.whole);
  const first = runs.map((one) => one.first);
  const proved = runs.filter((one) => one.proved).length;
  line(
    `plans: one group, ${places} places${weighing === leastCost ? '' : ', with judgement'}`,
    `median ${median(whole).toFixed(0).padStart(7)} ms   worst ${Math.max(...whole)
      .toFixed(0)
      .padStart(7)} ms   aim ${aim}; ` +
      `${proved} of ${count} proved; first answer median ${median(first).toFixed(0)} ms, worst ${Math.max(...first).toFixed(0)} ms`,
  );
};

const gaps = () => {
  const four = Array.from({ length: 5 }, (_, i) =>
    searched(randomJob(i + 1, { places: 12, groups: 4, switches: 2 }), {
      mostSteps: 20_000_000,
      seconds: 5,
      thorough: true,
    }),
  );
  line(
    'plans: 4 groups, 12 places, 5 s',
    `gap median ${median(four.map((one) => one.gap)).toFixed(1)} %   worst ${Math.max(...four.map((one) => one.gap)).toFixed(1)} %   aim under 3 %; ${four.filter((one) => one.proved).length} of 5 proved`,
  );
  const job = randomJob(3, { places: 40, groups: 8, switches: 2 });
  const short = searched(job, { mostSteps: Infinity, seconds: 5, thorough: true });
  const long = searched(job, { mostSteps: Infinity, seconds: 60, thorough: true });
  line(
    'plans: 8 groups, 40 places',
    `after 5 s ${((short.weight / long.weight - 1) * 100).toFixed(2)} % above what 60 s reach; gap to the bound ${short.gap.toFixed(0)} % (${(short.whole / 1000).toFixed(1)} s with it), ${long.gap.toFixed(0)} %   aim 10 %, then 5 %`,
  );
};

/**
 * Memory of a process that searches one of the largest jobs to its end or limit, beyond one that only loads the program.
 * Its heap is held to 110 MB; a search that needs more would break off.
 */
const memory = () => {
  const self = fileURLToPath(import.meta.url);
  const resident = (what) =>
    Number(
      spawnSync('node', ['--max-old-space-size=110', '--max-semi-space-size=4', self, what], {
        encoding: 'utf8',
      })
        .stdout.trim()
        .split('\n')
        .at(-1),
    ) / 1024;
  const [idle, busy] = [resident('--idle'), resident('--busy')];
  line(
    'plans: memory of a search of 15 places',
    `${(busy - idle).toFixed(0)} MB beyond ${idle.toFixed(0)} MB   aim under 120 MB`,
  );
};

export const plannerFigures = () => {
  oneGroup(8, 'median 20, worst 100 ms');
  oneGroup(12, 'median 200, worst 1000 ms');
  oneGroup(15, 'median 1000, worst 5000 ms');
  oneGroup(8, 'median 20, worst 100 ms', mastersChoice);
  oneGroup(12, 'median 200, worst 1000 ms', mastersChoice);
  oneGroup(15, 'median 1000, worst 5000 ms', mastersChoice);
  oneGroup(17, 'median 5000 ms', leastCost, 9);
  sameDoors({ doors: 2, lights: 4 }, 'median 100 ms');
  sameDoors({ doors: 3, lights: 6 }, 'median 1000 ms');
  sameDoors({ doors: 3, lights: 9 }, 'worst 10 s, or a gap under 3 %');
  wholeList(14, 4, '10 s');
  wholeList(20, 7, '20 s');
  gaps();
  memory();
};

const [, , what] = process.argv;
if (what === '--idle' || what === '--busy') {
  if (what === '--busy') searched(randomJob(6, { places: 15, groups: 1, switches: 4 }));
  process.stdout.write(`${process.resourceUsage().maxRSS}\n`);
}
