/**
 * How soon wires that nobody knows are told, against one link at a time and every cable of every other box read for it, and against the least that
 * full search finds on few boxes. The house answers by a walk along the copper. Run by `npm run bench` and, at length, by `npm run prove`.
 */
import * as fc from 'fast-check';
import { LINK, READ, WALK } from '../../packages/core/src/identify/ask.js';
import { kindOf, tapeKey, type Stub } from '../../packages/core/src/identify/found.js';
import { identifyWires } from '../../packages/core/src/identify/identify.js';
import { anyUnknownWires, type HiddenWires } from '../../packages/core/test/support/unknownWires.js';
import { toldWrong, wiresRead } from '../../packages/core/test/support/wiresRead.js';
import { leastReadings } from './leastReadings.js';

const SEED = 2111;
const circuits = Number(process.argv[2] ?? 500);

/** One link at a time, on each cable in turn; every cable elsewhere that looks alike and is not known is read until it shows. */
const oneByOne = ({ found, cables }: HiddenWires): { readings: number; minutes: number } => {
  const known = new Set<string>();
  const mates = new Map<string, string>();
  for (const { a, b } of cables)
    if (typeof b !== 'string') {
      mates.set(tapeKey(a), tapeKey(b));
      mates.set(tapeKey(b), tapeKey(a));
    }
  let [readings, minutes] = [0, 0];
  for (const stub of found.stubs) {
    const key = tapeKey(stub);
    if (known.has(key)) continue;
    known.add(key);
    minutes += WALK + LINK;
    let at: Stub['box'] = stub.box;
    for (const other of found.stubs) {
      if (other.box === stub.box || known.has(tapeKey(other)) || kindOf(other) !== kindOf(stub)) continue;
      readings++;
      minutes += READ + (other.box === at ? 0 : WALK);
      at = other.box;
      if (mates.get(key) !== tapeKey(other)) continue;
      known.add(tapeKey(other));
      break;
    }
  }
  return { readings, minutes };
};

const middle = (all: readonly number[], share = 0.5): number =>
  [...all].sort((a, b) => a - b)[Math.floor((all.length - 1) * share)] ?? 0;

const all = fc.sample(anyUnknownWires(), { seed: SEED, numRuns: circuits });
const [mine, naive] = [
  [] as { readings: number; minutes: number }[],
  [] as { readings: number; minutes: number }[],
];
const counts = { rest: 0, far: 0, alike: 0, panel: 0, live: 0 };
const asked: number[] = [];
let [right, wrong, livePerFeed] = [0, 0, 0];
for (const hidden of all) {
  const { told, readings } = wiresRead(hidden);
  const faults = toldWrong(hidden, told);
  if (faults.length > 0) wrong++;
  else if (
    told.ends.every((one) => one.told.state !== 'open') &&
    (told.state === 'told') === (hidden.hot !== null)
  )
    right++;
  for (const { question } of readings) counts[question.kind]++;
  if (readings.some(({ question }) => question.kind === 'live')) livePerFeed++;
  let [minutes, links, at, far] = [0, '', '', 0];
  for (const { question } of readings) {
    if (question.kind !== 'far') continue;
    far++;
    const set = JSON.stringify([question.box, question.links]);
    if (set !== links) {
      minutes += WALK + question.links.length * LINK;
      [links, at] = [set, question.box];
    }
    minutes += READ + (question.at.box === at ? 0 : WALK);
    at = question.at.box;
  }
  mine.push({ readings: far, minutes });
  naive.push(oneByOne(hidden));
  for (let i = 0; i < readings.length; i++) {
    const began = performance.now();
    identifyWires(hidden.found, readings.slice(0, i), { isElectrician: true });
    asked.push(performance.now() - began);
  }
}
const line = (name: string, of: readonly { readings: number; minutes: number }[]) =>
  `  ${name}: readings with links median ${middle(of.map((one) => one.readings))}, 95th ${middle(
    of.map((one) => one.readings),
    0.95,
  )}; minutes median ${middle(of.map((one) => one.minutes)).toFixed(1)}, 95th ${middle(
    of.map((one) => one.minutes),
    0.95,
  ).toFixed(1)}`;
const lines = [
  `Wires that nobody knows, ${all.length} circuits of 2 to 6 boxes, up to ${Math.max(...all.map(({ found }) => found.stubs.length))} cables: all told right ${right}, wrong ${wrong}`,
  line('links in ways of their own', mine),
  line('one link at a time', naive),
  `  readings of each kind: no link ${counts.rest}, links ${counts.far}, wires alike ${counts.alike}, at the panel ${counts.panel}, live ${counts.live} (in ${livePerFeed} circuits)`,
  `  next reading: median ${middle(asked).toFixed(2)} ms, worst ${Math.max(...asked).toFixed(1)} ms`,
];
const BOXES = [
  [1, 1],
  [2, 1],
  [2, 2],
  [1, 1, 1],
  [2, 1, 1],
  [2, 2, 1],
  [3, 1, 1],
  [3, 2],
  [3, 3],
  [3, 2, 1],
  [2, 2, 2],
];
const gaps: { readings: number; minutes: number }[] = [];
for (const boxes of BOXES) {
  const stubs = boxes.flatMap((count, box) =>
    Array.from({ length: count }, (_, i): Stub => ({
      ...{
        box: `box-${box}` as Stub['box'],
        number: i + 1,
        wires: ['black', 'white'],
        ground: 'bare',
        loose: false,
      },
    })),
  );
  const found = leastReadings({ stubs });
  if (found)
    gaps.push({
      readings: found.mine.readings / found.least.readings - 1,
      minutes: found.mine.minutes / found.least.minutes - 1,
    });
}
const percent = (share: number) => `${(share * 100).toFixed(1)} %`;
const mean = (of: readonly number[]) => of.reduce((sum, one) => sum + one, 0) / of.length;
lines.push(
  `  against full search on ${gaps.length} cases of two and three boxes: minutes over the least mean ${percent(mean(gaps.map((one) => one.minutes)))}, worst ${percent(Math.max(...gaps.map((one) => one.minutes)))}; readings mean ${percent(mean(gaps.map((one) => one.readings)))}, worst ${percent(Math.max(...gaps.map((one) => one.readings)))}`,
);
process.stdout.write(`${lines.join('\n')}\n`);
if (wrong > 0) process.exitCode = 1;
