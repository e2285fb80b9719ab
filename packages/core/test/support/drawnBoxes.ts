import fc from 'fast-check';
import {
  compile,
  drawBox,
  planJob,
  UNKNOWN_PLACE,
  wiringOrEmpty,
  type BoxDrawing,
  type Job,
  type Wiring,
} from '../../src/index.js';
import { anyJob } from './arbitrary.js';
import { fourGangJob } from './fourGang.js';
import { anyFullJob } from './fullJobs.js';
import { picking, type Pick } from './picks.js';

/** A box of a random wiring as it is drawn, planned or spoiled. */
export interface Drawn {
  drawing: BoxDrawing;
  job: Job;
  wiring: Wiring;
  /** Seed and number of what it was made from. */
  name: string;
}

/**
 * A wiring as somebody may find it: wires on one another's screws, two on one screw, ends in the air, ends that nobody has looked at,
 * a cable to a place that nobody knows.
 */
export const spoiled = (job: Job, wiring: Wiring, pick: Pick): Wiring => {
  const boxOf = ({ terminal }: Wiring['landings'][number]): string | undefined => {
    if ('device' in terminal) return wiring.devices.find((one) => one.id === terminal.device)?.box;
    if ('luminaire' in terminal) return job.luminaires.find((one) => one.id === terminal.luminaire)?.box;
    return 'box' in terminal ? terminal.box : undefined;
  };
  const landings = [...wiring.landings];
  const unseen: Wiring['unseen'] = [];
  for (let i = 0; i < 12 && landings.length > 1; i++) {
    const [a, b] = [pick(landings.length), pick(landings.length)];
    const [first, second] = [landings[a], landings[b]];
    if (!first || !second || boxOf(first) === undefined || boxOf(first) !== boxOf(second)) continue;
    switch (pick(4)) {
      case 0:
        landings[a] = { ...first, terminal: second.terminal };
        landings[b] = { ...second, terminal: first.terminal };
        break;
      case 1:
        landings[a] = { ...first, terminal: second.terminal };
        break;
      case 2:
        landings.splice(a, 1);
        break;
      default:
        landings.splice(a, 1);
        if ('end' in first.wire) unseen.push(first.wire.end);
    }
  }
  const [cable] = wiring.cables;
  const stray =
    cable && cable.from !== 'panel' && pick(2) === 0
      ? [{ ...cable, id: `${cable.id}~stray` as never, to: UNKNOWN_PLACE }]
      : [];
  return { ...wiring, landings, unseen, cables: [...wiring.cables, ...stray] };
};

const drawnOf = (job: Job, wiring: Wiring, name: string): Drawn[] => {
  const compiled = compile(wiring, job);
  return job.boxes.map((box) => ({
    ...{ drawing: drawBox(job, wiring, box.id, { compiled }), job, wiring },
    name: `${name}, box ${box.id}`,
  }));
};

const TIMES = Number(process.env['TWIN_TIMES'] ?? 1);
const JOBS = [
  ...fc.sample(anyJob, { seed: 300, numRuns: 25 * TIMES }).map((job, i) => ({ job, name: `plain ${i}` })),
  ...fc.sample(anyFullJob, { seed: 301, numRuns: 20 * TIMES }).map((job, i) => ({ job, name: `full ${i}` })),
];

/** Cases that once failed, and the crowded box that a desk has to show. */
const NAMED = [
  ...fc
    .sample(anyFullJob, { seed: 901, numRuns: 106 })
    .slice(-1)
    .map((job) => ({
      ...{ job, name: 'chained grounds beside the screw of a metal box' },
    })),
  { job: fourGangJob(), name: 'four gangs, two circuits' },
  {
    job: fourGangJob({ connectors: 'twistOn', groundConnectors: 'crimp' }),
    name: 'four gangs, crimped grounds',
  },
];

/** The boxes of random wirings: of one circuit and of several, up to four gangs, with old colours; planned, and spoiled. */
export const drawnBoxes: Drawn[] = [...JOBS, ...NAMED].flatMap(({ job: asked, name }, i) => {
  const { job } = planJob(asked);
  const wiring = wiringOrEmpty(job);
  return [
    ...drawnOf(job, wiring, name),
    ...drawnOf(job, spoiled(job, wiring, picking(1000 + i)), `${name}, spoiled`),
  ];
});
