import { spawnSync } from 'node:child_process';
import fc from 'fast-check';
import {
  compile,
  evaluate,
  everyPosition,
  planJob,
  spiceNetlist,
  wiringOrEmpty,
  type Job,
  type Wiring,
} from '../src/index.js';
import { anyJob } from './support/arbitrary.js';
import { anyFullJob } from './support/fullJobs.js';
import { withFault } from '../src/faults/fault.js';
import { faultsAtPanel, faultsIn } from '../src/faults/inBox.js';
import { forSamples } from './support/samples.js';

/** Runs a netlist in ngspice and gives the voltage of every node. */
const ngspice = (netlist: string): Map<string, number> => {
  const done = spawnSync('ngspice', ['-b'], { input: netlist, encoding: 'utf8', maxBuffer: 1 << 28 });
  if (done.error) throw done.error;
  const volts = new Map<string, number>();
  for (const line of done.stdout.split('\n')) {
    const match = /^\s*(n\d+)\s+([-+0-9.e]+)\s*$/.exec(line);
    if (match?.[1] && match[2]) volts.set(match[1], Number(match[2]));
  }
  if (volts.size === 0) throw new Error(`ngspice gave no voltages:\n${done.stdout}\n${done.stderr}`);
  return volts;
};

/** All handle positions of a job in one run: the nodes of each are told apart by a number of their own. */
const inOneRun = (netlists: readonly { text: string }[]): string =>
  [
    '* every position',
    ...netlists.flatMap(({ text }, i) =>
      text
        .split('\n')
        .filter((line) => /^[RV]/.test(line))
        .map((line) =>
          line
            .replace(/\$.*$/, '')
            .replace(/^([RV])(\d+)/, `$1${i}x$2`)
            .replace(/\bn(\d+)\b/g, `n${i + 1}000$1`),
        ),
    ),
    '.op',
    '.end',
    '',
  ].join('\n');

const compare = (job: Job, wiring: Wiring): number => {
  const compiled = compile(wiring, job);
  const positions = everyPosition(
    compiled,
    wiring.devices.map((device) => device.id),
  );
  const open = positions.filter((one) => evaluate(compiled, one).shorts.length === 0);
  if (open.length === 0) return 0;
  const netlists = open.map((one, i) => spiceNetlist(wiring, job, one, `position ${i}`));
  const volts = ngspice(inOneRun(netlists));
  let compared = 0;
  open.forEach((one, i) => {
    const at = (name: string) => volts.get(name.replace('n', `n${i + 1}000`)) ?? NaN;
    for (const { id, volts: ours } of evaluate(compiled, one).luminaires) {
      const nodes = netlists[i]?.luminaires.find((luminaire) => luminaire.id === id);
      const theirs = Math.abs(at(nodes?.hot ?? '') - at(nodes?.neutral ?? ''));
      expect({ id, ours, theirs, agree: Math.abs(theirs - ours) < 1.5 }).toEqual({
        id,
        ours,
        theirs,
        agree: true,
      });
      compared += 1;
    }
  });
  return compared;
};

test('a general circuit simulator agrees on every luminaire of random jobs in every position', () => {
  let compared = 0;
  forSamples(fc.oneof(anyJob, anyFullJob), { seed: 1205, numRuns: 70 }, (asked) => {
    const { job, circuits } = planJob(asked);
    if (circuits.every(({ outcome }) => outcome.ok)) compared += compare(job, wiringOrEmpty(job));
  });
  expect(compared).toBeGreaterThan(300);
}, 300_000);

test('and of over a hundred wirings with something wrong in them, of every kind that a finder holds possible', () => {
  let compared = 0;
  const kinds = new Map<string, number>();
  forSamples(
    fc.tuple(fc.oneof(anyJob, anyFullJob), fc.array(fc.nat(), { minLength: 8, maxLength: 8 })),
    { seed: 1206, numRuns: 115 },
    ([asked, picks]) => {
      const { job, circuits } = planJob(asked);
      if (!circuits.every(({ outcome }) => outcome.ok)) return;
      const wiring = wiringOrEmpty(job);
      const faults = [
        ...job.boxes.flatMap(({ id }) => faultsIn(wiring, id)),
        ...job.circuits.flatMap(({ id }) => faultsAtPanel(wiring, id)),
      ];
      // Those of a kind that was met the least come first: one kind has a hundred times as many places as another.
      const byKind = [...new Set(faults.map(({ kind }) => kind))].sort(
        (one, other) => (kinds.get(one) ?? 0) - (kinds.get(other) ?? 0),
      );
      for (const [i, kind] of byKind.slice(0, 4).entries()) {
        const own = faults.filter((one) => one.kind === kind);
        const fault = own[(picks[i] ?? 0) % own.length];
        const made = fault && withFault(wiring, fault);
        if (!made?.ok) continue;
        kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
        compared += compare(job, made.value);
      }
    },
  );
  expect([...kinds.values()].reduce((sum, count) => sum + count, 0)).toBeGreaterThan(120);
  expect(kinds.size).toBe(10);
  expect(compared).toBeGreaterThan(400);
}, 300_000);
