/** How long changes of the demo's old work take to be planned, and what they come to. Run by `npm run bench`. */
import { readFileSync } from 'node:fs';
import {
  dollars,
  leastChange,
  newBox,
  newRunFact,
  planJob,
  readJob,
  standardStock,
  wireAll,
  type Change,
} from '@amber/core';

const file = process.argv[2] ?? '';
const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
if (!read.ok) throw new Error('The demo is no job.');
const job = planJob(wireAll(read.job)).job;

const place = (lengths: Record<string, number>) => ({
  box: newBox({ id: 'new', name: 'New', article: null, work: 'old', mount: 'wall', accessible: 'no' }),
  runs: Object.entries(lengths).map(([to, length]) => newRunFact({ between: ['new', to], length })),
});
const stair = { 'stair-foot': 96, 'stair-head': 120, 'stair-ceiling': 144 };
const slot = (id: string) => ({ slot: id as never });
const CHANGES: [string, Change][] = [
  ['a switch for its like', { kind: 'replaceDevice', ...slot('loft-slot'), role: 'switch', article: null }],
  ['a timer on an old loop', { kind: 'replaceDevice', ...slot('loft-slot'), role: 'timer', article: null }],
  ['a third location', { kind: 'addSwitch', group: 'stair-group' as never, place: place(stair) }],
  ['a switch moved', { kind: 'moveSwitch', ...slot('stair-foot-slot'), place: place(stair) }],
  ['a location taken away', { kind: 'removeSwitch', ...slot('stair-head-slot') }],
  ['what the check finds', { kind: 'mend', circuit: 'rope-stair-light' as never }],
];
for (const [name, change] of CHANGES) {
  const began = performance.now();
  const outcome = leastChange(job, change);
  const took = performance.now() - began;
  const said = outcome.ok
    ? `${dollars(outcome.value.cost.cost)}, ${outcome.value.opened.length} boxes, ${1 + outcome.others.length} ways`
    : outcome.refusal.title;
  console.log(`${`core: change, ${name}`.padEnd(52)} ${took.toFixed(0).padStart(7)} ms   ${said}`);
}
