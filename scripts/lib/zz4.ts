import { readFileSync } from 'node:fs';
import { readJob, standardStock, leastChange, newBox, newRunFact } from '../../packages/core/src/index.js';
const demo = JSON.parse(readFileSync('demo/heron-yard.json', 'utf8'));
const r = readJob({ stock: standardStock(), ...demo });
if (!r.ok) throw new Error('x');
const L: Record<string, number> = { 'stair-foot': 96, 'stair-head': 120, 'stair-ceiling': 144 };
const t = Date.now();
const a = leastChange(r.job, {
  kind: 'moveSwitch',
  slot: 'stair-foot-slot' as never,
  place: {
    box: newBox({
      id: 'n2',
      name: 'n2',
      article: null,
      work: 'old',
      mount: 'wall',
      accessible: 'no',
      room: null,
    }),
    runs: Object.entries(L).map(([to, length]) => newRunFact({ between: ['n2', to] as never, length })),
  },
});
console.log(a.ok && a.value.cost.cost / 10000, Date.now() - t);
