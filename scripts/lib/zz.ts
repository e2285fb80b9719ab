import { readFileSync } from 'node:fs';
import {
  readJob,
  standardStock,
  wireAll,
  leastChange,
  newBox,
  newRunFact,
  planJob,
  type Change,
  type Job,
} from '../../packages/core/src/index.js';
const demo = JSON.parse(readFileSync('demo/heron-yard.json', 'utf8'));
const r = readJob({ stock: standardStock(), ...demo });
if (!r.ok) throw new Error(JSON.stringify(r.faults));
const job = r.job;
const place = (id: string, mount: any, lengths: Record<string, number>) => ({
  box: newBox({ id, name: id, article: null, work: 'old', mount, accessible: 'no', room: null }),
  runs: Object.entries(lengths).map(([to, length]) => newRunFact({ between: [id, to] as never, length })),
});
const hung = {
  name: 'New light',
  unit: 'luminaire',
  va: 15,
  terminals: 'leads',
  leadAwg: 18,
  metal: true,
  pounds: 4,
} as const;
for (const c of ['sail-loft-light', 'rope-stair-light', 'net-store-outlet']) {
  const groups = job.groups.filter((g) => g.circuit === c);
  const ids = new Set(groups.map((g) => g.id));
  const slots = job.slots.filter((s) => ids.has(s.group));
  const lums = job.luminaires.filter((s) => ids.has(s.group));
  const boxes = [...new Set([...slots, ...lums].map((x) => x.box))];
  console.log(
    '==',
    c,
    boxes.join(),
    slots.map((s) => s.id + '@' + s.box + ':' + s.role).join(),
    lums.map((l) => l.id + '@' + l.box).join(),
  );
  const L = Object.fromEntries(boxes.map((b, i) => [b, 96 + 24 * i]));
  const changes: Change[] = [];
  const g = groups.find((x) => x.control === 'switched');
  if (g) {
    changes.push({ kind: 'addLight', group: g.id, place: place('n1', 'ceiling', L), hung });
    const s = slots.filter((x) => x.role !== 'receptacle');
    for (const one of s) {
      changes.push({ kind: 'moveSwitch', slot: one.id, place: place('n2', 'wall', L) });
      changes.push({ kind: 'removeSwitch', slot: one.id });
    }
    for (const l of lums)
      changes.push({
        kind: 'replaceLuminaire',
        luminaire: l.id,
        hung: { ...hung, unit: 'fan', pounds: 30, va: 80 },
      });
  }
  changes.push({
    kind: 'branch',
    from: boxes[0]!,
    circuit: c as never,
    switchAt: place('n3', 'wall', L),
    lightAt: { ...place('n4', 'ceiling', { n3: 100 } as never), box: place('n4', 'ceiling', {}).box },
    hung,
  });
  changes.push({ kind: 'mend', circuit: c as never });
  for (const ch of changes) {
    const t = Date.now();
    const o = leastChange(job, ch);
    if (!o.ok) {
      console.log(ch.kind, 'REFUSED', o.refusal.title, '|', o.refusal.reason, Date.now() - t);
      continue;
    }
    for (const v of [o.value]) {
      console.log(
        ch.kind,
        '$' + (v.cost.cost / 10000).toFixed(2),
        'opened',
        v.opened.join(),
        'fresh',
        v.fresh.map((x) => x.article + ':' + x.from + '>' + x.to).join(),
        'idle',
        v.idle.join(),
        'out',
        v.drawnOut.map((x) => x.id).join(),
        'dev',
        v.devices.map((d) => d.article + '@' + d.box).join(),
        'devout',
        v.devicesOut.map((d) => d.article + '@' + d.box).join(),
        'lum',
        v.luminaires.map((x) => x.id).join(),
        'look',
        v.lookFirst.join(),
        'retest',
        v.retest.join(),
        'viol',
        v.asks
          .filter((a) => a.severity === 'violation')
          .map((a) => a.rule)
          .join(),
        'ways',
        1 + o.others.length,
        Date.now() - t + 'ms',
      );
      if (process.argv[2] === ch.kind)
        for (const m of v.moved) console.log('   ', m.box, '|', m.wire, '|', m.from, '->', m.to);
    }
  }
}
