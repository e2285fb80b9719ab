import { reviewJob } from '@amber/core';
import { yard } from '../../core/test/support/yard.js';
import { strip } from '../src/strips.js';

const review = reviewJob(yard());
const of = (id: string) => {
  const circuit = review.job.circuits.find((one) => one.id === id);
  if (!circuit) throw new Error(`no ${id}`);
  return strip(review, circuit, {});
};
const OVER = /d="M[\d.]+ [\d.]+V([\d.]+)H[\d.]+V[\d.]+"/g;

test('a printed run that leads back goes over the places between, inside its picture, and its letters with it', () => {
  const { svg, height } = of('winch-lights');
  const levels = [...svg.matchAll(OVER)].map(([, y]) => Number(y));
  // The two wires of the cable back to the ceiling.
  expect(levels).toHaveLength(2);
  const boxes = [
    ...svg.matchAll(/<rect x="[\d.]+" y="([\d.]+)" width="[\d.]+" height="([\d.]+)" rx="4"/g),
  ].map(([, y]) => Number(y));
  expect(boxes.length).toBeGreaterThan(2);
  for (const level of levels) {
    expect(level).toBeGreaterThan(4);
    expect(level).toBeLessThan(Math.min(...boxes));
    // A letter of the wire stands on it.
    expect(svg).toContain(`y="${level - 4}" width="18" height="8"`);
  }
  expect(height).toBeGreaterThan(of('ropewalk-lights').height);
});

test('where no run leads back every wire goes straight', () => {
  expect([...of('ropewalk-lights').svg.matchAll(OVER)]).toEqual([]);
});
