import {
  feetInches,
  levelsOf,
  levelView,
  newJob,
  reviewJob,
  siteItems,
  standardStock,
  wireAll,
  type JobId,
} from '@amber/core';
import { hallBegun } from '../../core/test/support/hall.js';
import { yard } from '../../core/test/support/yard.js';
import { ALL_SECTIONS, packetDocument, type Asked, type Section } from '../src/index.js';
import { materialOf } from '../src/asked.js';
import { heightOfText } from '../src/measured.js';
import { planPicture } from '../src/planPicture.js';
import { escaped } from '../src/svg.js';

const review = reviewJob(yard());
const asked = (more: Partial<Asked> = {}): Asked => ({
  ...{ review, records: [], sections: ALL_SECTIONS, paper: 'letter', state: 'revision 3', circuit: null },
  made: new Date('2026-01-05T08:00:00Z'),
  ...more,
});
const told = (section: Section, more: Partial<Asked> = {}): string =>
  JSON.stringify(packetDocument(asked({ sections: [section], ...more })).content);

const levels = levelsOf(review.job);
const floors = levels.length > 0 ? levels.map(({ id }) => levelView(review.job, id)) : [review.job];
const { numbers } = materialOf(asked());

/** Circles of a picture by their radius. */
const circles = (svg: string, radius: string) =>
  [...svg.matchAll(new RegExp(`<circle cx="([\\d.]+)" cy="([\\d.]+)" r="${radius}"`, 'g'))].map(
    ([, x, y]) => ({ x: Number(x), y: Number(y) }),
  );

test('the printed plan of each floor names every box that is placed, and rings the number of every new cable of it', () => {
  let ringed = 0;
  for (const floor of floors) {
    const picture = planPicture(floor, review.wiring, numbers);
    const placed = floor.boxes.filter(({ at }) => at !== null);
    if (placed.length === 0) continue;
    const svg = picture?.svg ?? '';
    for (const { name } of placed) expect(svg).toContain(`>${escaped(name)}<`);
    const here = new Set<string>(placed.map(({ id }) => id));
    const cables = review.wiring.cables.filter(
      ({ from, to, existing }) => !existing && (here.has(from) || here.has(to)),
    );
    for (const { id } of cables) expect(svg).toContain(`>${numbers.get(id)}<`);
    const rings = circles(svg, '7');
    expect(rings.length).toBeGreaterThanOrEqual(cables.length);
    ringed += rings.length;
    expect(svg).not.toMatch(/NaN|undefined/);
  }
  expect(ringed).toBeGreaterThan(20);
});

test('no number on the plan hides another, nor the mark of a box', () => {
  for (const floor of floors) {
    const { svg = '' } = planPicture(floor, review.wiring, numbers) ?? {};
    const rings = circles(svg, '7');
    const marks = circles(svg, '6\\.5');
    const apart = (a: { x: number; y: number }, b: { x: number; y: number }) =>
      Math.hypot(a.x - b.x, a.y - b.y);
    // Two whose edges touch can both be read; one whose middle is covered cannot.
    rings.forEach((ring, i) => {
      for (const other of rings.slice(i + 1)) expect(apart(ring, other)).toBeGreaterThan(7);
      for (const mark of marks) expect(apart(ring, mark)).toBeGreaterThan(6.5);
    });
  }
});

test('a floor of which nothing is measured has no picture', () => {
  const empty = newJob('empty' as JobId, 'Empty', standardStock());
  expect(planPicture(empty, reviewJob(empty).wiring, new Map())).toBeNull();
});

test('a length that is taken from a room that nobody has measured says so where the cable is cut, until it is', () => {
  const hall = wireAll(hallBegun());
  const rough = { review: reviewJob(hall) };
  const measured = {
    review: reviewJob({ ...hall, rooms: hall.rooms.map((room) => ({ ...room, rough: false })) }),
  };
  const { cuts } = materialOf(asked(rough));
  expect(cuts.length).toBeGreaterThan(2);
  const count = (text: string, word: string) => text.split(word).length - 1;
  expect(count(told('cuts', rough), 'ROUGH: measure first')).toBe(cuts.length);
  expect(count(told('brief', rough), ', ROUGH')).toBe(cuts.length);
  expect(told('cover', rough)).toContain('Measure before you cut.');
  expect(told('takeOff', rough)).toContain('it rests on rooms that nobody has measured');
  for (const section of ['cuts', 'brief', 'cover', 'takeOff'] as const)
    expect(told(section, measured)).not.toMatch(/ROUGH|nobody has measured/);
  expect(count(told('cuts', measured), 'by the plan')).toBe(cuts.length);
  for (const { length } of cuts)
    expect(told('cuts', measured)).toContain(feetInches(length?.cut ?? 0).replace('"', '\\"'));
});

test('everything that is to be seen on site has a square on one of the two walks', () => {
  const text = told('checks');
  const items = siteItems(review.job, review.wiring, review.findings);
  expect(items.length).toBeGreaterThan(20);
  for (const { look } of items) expect(text).toContain(JSON.stringify(look).slice(1, -1));
  expect(text).toContain('It approves nothing: the authority decides.');
  expect(text.match(/VIOLATION: /g)?.length ?? 0).toBeGreaterThanOrEqual(
    review.findings.some(({ severity }) => severity === 'violation') ? 1 : 0,
  );
});

test('how high a text stands grows as it is set narrower, and with its size', () => {
  const run = {
    text: 'Fold the grounds to the back of the box, and tighten the splice. '.repeat(4),
    size: 9,
  };
  const heights = [500, 250, 120, 60].map((width) => heightOfText([run], width));
  expect(heights).toEqual([...heights].sort((a, b) => a - b));
  expect(new Set(heights).size).toBe(4);
  expect(heightOfText([{ text: 'Grounds', size: 9 }], 500)).toBeLessThan(12);
  expect(heightOfText([{ ...run, size: 12 }], 250)).toBeGreaterThan(heightOfText([run], 250));
});
