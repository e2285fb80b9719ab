import fc from 'fast-check';
import { countedWires, drawBox, fillOf, reviewJob, type Job } from '../src/index.js';
import { othersIn } from '../src/model/lying.js';
import { anyFullJob } from './support/fullJobs.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

const check = (asked: Job): number => {
  const { job, wiring, drawn } = reviewJob(asked);
  let lines = 0;
  for (const { id } of job.boxes) {
    const fill = fillOf(job, wiring, id);
    if (fill.unknown.length > 0 || fill.lines.length === 0) continue;
    const drawing = drawBox(job, wiring, id, { compiled: drawn });
    const told = new Set<string>();
    for (const line of fill.lines) {
      if (['clamps', 'supportFittings', 'terminalBlocks'].includes(line.what)) continue;
      const { wires, devices, drawn: count } = countedWires(job, wiring, drawing, line);
      lines += 1;
      const place = `${id} ${line.what} ${String(line.awg)}`;
      for (const key of wires) {
        expect([place, drawing.wires.some((wire) => wire.key === key)]).toEqual([place, true]);
        // Beyond four each ground counts once more, a quarter, and of thin leads four are free; every other wire is counted on one line.
        if (!['extraGrounds', 'fixtureWires', 'canopyLeads'].includes(line.what))
          expect([place, key, told.has(key)]).toEqual([place, key, false]);
        told.add(key);
      }
      // What was told of a box beside the plan is counted and not drawn.
      const beside = othersIn(job, id)?.conductors.filter((awg) => awg === line.awg).length ?? 0;
      if (line.what === 'conductors') expect([place, count + beside]).toEqual([place, line.count]);
      if (line.what === 'devices') expect(devices.size).toBeGreaterThan(0);
      const besides = othersIn(job, id)?.grounds.length ?? 0;
      if (line.what === 'grounds') expect(count + besides).toBeGreaterThan(0);
    }
    // Nothing that comes in with a cable is left out of the count.
    const entering = drawing.wires.filter(
      // The metal of a raceway grounds, and takes no room inside.
      ({ kind, colour }) => kind === 'conductor' && colour !== 'raceway',
    );
    for (const { key } of entering) expect([id, key, told.has(key)]).toEqual([id, key, true]);
  }
  return lines;
};

test('every line of a fill shows the wires that it counts, as many as it counts, and no wire is left out', () => {
  let lines = check(yard());
  for (const [at, job] of fc.sample(anyFullJob, { seed: 314, numRuns: 25 }).entries())
    naming(`job ${at}`, () => (lines += check(job)));
  expect(lines).toBeGreaterThan(200);
});
