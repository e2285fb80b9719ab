import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { readJob, standardStock, writeJobFile } from '@amber/core';
import { run } from '../src/run.js';

const demo = () => {
  const file = fileURLToPath(new URL('../../../demo/heron-yard.json', import.meta.url));
  const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.job;
};

const amber = (args: string[], text = writeJobFile(demo())) => {
  const out: string[] = [];
  const error: string[] = [];
  const code = run(args, {
    read: (file) => {
      if (file === 'missing.json') throw new Error('no such file');
      return text;
    },
    out: (line) => out.push(line),
    error: (line) => error.push(line),
  });
  return { code, out: out.join('\n'), error: error.join('\n') };
};

test('simulate gives the truth table', () => {
  const { code, out } = amber(['simulate']);
  expect(code).toBe(0);
  expect(out).toContain('Ropewalk: Creek end, Yard end');
  expect(out).toContain('up   up    First bay lit, Middle bay lit, Last bay lit');
  expect(out).toContain('down up    First bay dark, Middle bay dark, Last bay dark');
});

test('fill gives the worksheet, and 1 where a box is too full', () => {
  const { code, out } = amber(['fill']);
  expect(code).toBe(0);
  expect(out).toContain('Middle bay: 18.0 of 20.0 in³');
  expect(out).toContain('8 conductors, 14 AWG: 8 x 2.0 = 16.0  314.16(B)(1)');
  const job = demo();
  const small = {
    ...job,
    boxes: job.boxes.map((box) => ({ ...box, article: box.id === 'middle-bay' ? 'pancake-6' : box.article })),
  };
  expect(amber(['fill'], JSON.stringify(small))).toMatchObject({
    code: 1,
    out: expect.stringContaining('TOO FULL'),
  });
});

test('netlist gives one for every set of positions of the whole job', () => {
  const { code, out } = amber(['netlist']);
  expect(code).toBe(0);
  expect(out.match(/^\.op$/gm)).toHaveLength(8);
  expect(out).toContain(
    '* Heron Yard: device:creek-switch up, device:yard-switch down, device:tar-switch up',
  );
});

test('inspect tells findings with section and remedy, as data too', () => {
  expect(amber(['inspect']).out).toContain('CAUTION 200.7(C)(1) Last bay to Yard end');
  const { code, out } = amber(['inspect', '--json']);
  expect(code).toBe(0);
  expect(JSON.parse(out)).toEqual([
    expect.objectContaining({ rule: 'reidentified-white', severity: 'caution' }),
  ]);
});

test('a planned job is a job file that plans to itself', () => {
  const first = amber(['plan']).out;
  expect(amber(['plan'], first).out).toBe(first);
});

test('bad input ends with 2, path and sentence', () => {
  expect(amber(['validate'], '{')).toMatchObject({
    code: 2,
    error: expect.stringContaining('This is not JSON'),
  });
  expect(amber(['validate'], JSON.stringify({ ...demo(), boxes: [] }))).toMatchObject({
    code: 2,
    error: expect.stringContaining('slots.0.box: there is no box "creek-end"'),
  });
  expect(amber(['fill', 'missing.json'])).toMatchObject({
    code: 2,
    error: 'missing.json cannot be read: no such file',
  });
  expect(amber(['dance']).code).toBe(2);
});
