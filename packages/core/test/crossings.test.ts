import { compile } from '../src/index.js';
import { edgeOf } from '../src/drawing/edges.js';
import { prepare } from '../src/drawing/prepared.js';
import { readScene } from '../src/drawing/scene.js';
import { crossingBound } from './support/crossingBound.js';
import { drawnBoxes } from './support/drawnBoxes.js';

test('wires cross little more often than they must: never below the bound of the box, on the mean near it', () => {
  let [crossings, bounds, judged] = [0, 0, 0];
  for (const { drawing, job, wiring, name } of drawnBoxes) {
    const scene = readScene(job, wiring, compile(wiring, job), drawing.box);
    const bound = crossingBound(
      prepare(
        scene,
        scene.entries.map(({ cable }) => edgeOf(job, cable)),
      ),
    );
    if (bound === null) continue;
    if (drawing.crossings < bound)
      throw new Error(`${name}: ${drawing.crossings} below the bound of ${bound}`);
    crossings += drawing.crossings;
    bounds += bound;
    judged += 1;
  }
  expect(judged).toBeGreaterThan(200);
  expect(bounds).toBeGreaterThan(0);
  expect(crossings / bounds).toBeLessThanOrEqual(1.3);
});
