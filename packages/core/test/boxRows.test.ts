import {
  articleOf,
  boxCandidates,
  boxRow,
  fillOf,
  planJob,
  plannedWiring,
  sayMore,
  setBoxArticles,
  type BoxId,
  type Job,
} from '../src/index.js';
import { boxFill } from '../src/nec/boxFill.js';
import { contentsOf } from '../src/materials/boxContents.js';
import fc from 'fast-check';
import { anyFullJob } from './support/fullJobs.js';
import { jobOf } from './support/jobs.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

const planned = (asked: Job) => {
  const { job } = planJob(asked);
  const wiring = plannedWiring(job);
  if (!wiring) throw new Error('nothing is planned');
  return { job, wiring };
};

test('a row adds up: its parts are what it needs, and it takes so many cables more and not one beyond', () => {
  const jobs = [yard(), ...fc.sample(anyFullJob, { seed: 1981, numRuns: 25 })];
  let counted = 0;
  for (const [at, one] of jobs.entries())
    naming(`job ${at}`, () => {
      const { job, wiring } = planned(one);
      for (const { id } of job.boxes) {
        const row = boxRow(job, wiring, id);
        if (!row) throw new Error(`no row of ${id}`);
        const sum = Object.values(row.parts).reduce((all, part) => all + part, 0);
        expect(sum).toBe(row.fill.needed);
        expect(row.fill).toEqual(fillOf(job, wiring, id));
        if (row.more === null || row.more === 9 || row.fill.verdict === 'over') continue;
        counted += 1;
        const contents = contentsOf(job, wiring, id);
        const fits = (cables: number) =>
          boxFill(
            row.fill.available,
            {
              ...contents,
              conductors: [...contents.conductors, ...Array.from({ length: 2 * cables }, () => row.awg)],
              grounds: [...contents.grounds, ...Array.from({ length: cables }, () => row.awg)],
            },
            job.edition,
          ).verdict;
        expect([fits(row.more), fits(row.more + 1)]).toEqual(['fits', 'over']);
      }
    });
  expect(counted).toBeGreaterThan(60);
});

test('what is left is told in words, of what is not known nothing', () => {
  expect(sayMore({ left: 0, more: 0, awg: 14 })).toBe('no room for another 14/2');
  expect(sayMore({ left: 45_000, more: 1, awg: 12 })).toBe('room for one more 12/2');
  expect(sayMore({ left: 130_000, more: 3, awg: 14 })).toBe('room for 3 more 14/2');
  expect(sayMore({ left: -20_000, more: 0, awg: 14 })).toBe('too small by 2.0 in³');
  expect(sayMore({ left: 130_000, more: null, awg: 14 })).toBe('not known');
});

describe('boxes of the stock for a place', () => {
  const crowded = () => {
    const job = jobOf({ runs: ['F-S2', 'S2-S1', 'S2-S3', 'S3-L'], neutralAt: ['S2', 'S3'] });
    return planned(setBoxArticles(job, 'S2' as BoxId, ['wall-1-18' as never]));
  };
  test('each that suits is judged by what it would hold, from small to large; taking one makes it fit', () => {
    const { job, wiring } = crowded();
    expect(fillOf(job, wiring, 'S2' as BoxId).verdict).toBe('over');
    const all = boxCandidates(job, wiring, 'S2' as BoxId);
    const suited = all.filter(({ verdict }) => verdict !== 'unsuited');
    expect(all.slice(0, suited.length)).toEqual(suited);
    const here = suited.find((one) => one.here);
    expect(here).toMatchObject({ articles: ['wall-1-18'], verdict: 'tooSmall', why: '4.0 in³ too small' });
    const [best] = suited.filter(({ verdict }) => verdict === 'fits').sort((a, b) => a.price - b.price);
    if (!best) throw new Error('none fits');
    // Whatever is taken then holds just what it was said to hold.
    for (const one of suited.filter(({ articles }) => articles.length < 3)) {
      const taken = planned(setBoxArticles(job, 'S2' as BoxId, one.articles));
      const fill = fillOf(taken.job, taken.wiring, 'S2' as BoxId);
      if (one.articles.every((id) => !articleOf(job.stock, 'box', id).metal))
        expect([fill.needed, fill.available]).toEqual([one.needed, one.volume]);
      expect(fill.verdict).toBe(one.verdict === 'fits' ? 'fits' : 'over');
    }
    const free = planned(setBoxArticles(job, 'S2' as BoxId, null));
    expect(fillOf(free.job, free.wiring, 'S2' as BoxId).verdict).toBe('fits');
  });
  test('what does not suit says why, in numbers', () => {
    const { job, wiring } = crowded();
    const why = (box: string, article: string) =>
      boxCandidates(job, wiring, box as BoxId).find(({ articles }) => articles.join() === article)?.why;
    expect(why('S2', 'old-1-20')).toBe('for finished walls, and the framing is open');
    expect(why('S2', 'ceiling-20')).toBe('no place for a device');
    expect(why('S2', 'wall-2-32')).toBe('1 gang behind a blank');
    expect(why('L', 'wall-1-18')).toBe('1 gang, and no device stands here');
    expect(why('L', 'square-21')).toBe('square, and a luminaire hangs on a round ring');
    const heavy = { ...job, luminaires: job.luminaires.map((one) => ({ ...one, pounds: 65 })) };
    const there = planned(heavy);
    const light = boxCandidates(there.job, there.wiring, 'L' as BoxId);
    expect(light.find(({ articles }) => articles.join() === 'ceiling-20')?.why).toBe(
      'holds 50 lb of 65 needed',
    );
  });
  test('of a box that is there, or of other work, none is offered', () => {
    const { job, wiring } = crowded();
    for (const work of ['existing', 'beyond'] as const) {
      const there = { ...job, boxes: job.boxes.map((box) => ({ ...box, work })) };
      expect(boxCandidates(there, wiring, 'S2' as BoxId)).toEqual([]);
    }
  });
});

test('an extension stands among the candidates with what it adds, alone and under a ring, and is never set by the program', () => {
  const { job, wiring } = planned(yard());
  const door = boxCandidates(job, wiring, 'creek-end' as BoxId);
  const extended = door.filter(({ articles }) => articles.includes('extension-4' as never));
  const ringed = extended.find(({ articles }) => articles.join() === 'square-21,extension-4,ring-4-1');
  // 21.0 of the box, 21.0 of the extension, 3.5 of the ring (314.16(A)).
  expect(ringed).toMatchObject({ volume: 455_000, verdict: 'fits', gangs: 1 });
  expect(extended.find(({ articles }) => articles.join() === 'square-21,extension-4')?.why).toBe(
    'no place for a device',
  );
  const taken = planned(setBoxArticles(job, 'creek-end' as BoxId, ringed?.articles ?? []));
  expect(fillOf(taken.job, taken.wiring, 'creek-end' as BoxId)).toMatchObject({
    available: 455_000,
    verdict: 'fits',
  });
  for (const articles of Object.values(wiring.boxes))
    expect(articles.map((id) => articleOf(job.stock, 'box', id).part)).not.toContain('extension');
});
