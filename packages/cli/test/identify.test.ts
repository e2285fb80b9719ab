import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { readJob, standardStock, writeJobFile } from '@amber/core';
import { run } from '../src/run.js';

const demo = (): string => {
  const file = fileURLToPath(new URL('../../../demo/heron-yard.json', import.meta.url));
  const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return writeJobFile(read.job);
};

const identify = (...args: string[]) => {
  const [out, error] = [[] as string[], [] as string[]];
  const code = run(['identify', '--circuit', 'Rope stair', ...args], {
    read: demo,
    out: (line) => out.push(line),
    error: (line) => error.push(line),
  });
  return { code, out: out.join('\n'), error: error.join('\n') };
};

const COMES = [
  ...['--comes', 'Stair ceiling: black white bare; black white bare'],
  ...['--comes', 'Stair foot: black black red bare; black white bare'],
  ...['--comes', 'Stair head: black black red bare'],
];
const read = (...answers: string[]) => answers.flatMap((one) => ['--read', one]);

test('identify tells what is done before, asks reading by reading, and leaves the feed to an electrician', () => {
  const first = identify(...COMES);
  expect(first.code).toBe(0);
  expect(first.out).toMatch(/Before the first reading, in every box:[^]*prove every wire dead/);
  expect(first.out).toContain(
    'Stair foot: 1, cable: black, black 2, red, bare; 2, cable: black, white, bare',
  );
  const rest = ['none', 'none', 'none'];
  const links = identify(...COMES, ...read(...rest));
  expect(links.out).toMatch(/At Stair (ceiling|foot): join .* of cable \d by a link/);
  expect(links.out).not.toContain('Before the first reading');
  const { ends, state } = JSON.parse(
    identify('--json', ...COMES, ...read(...rest, 'black to white', 'black to red')).out,
  ) as { state: string; ends: { stub: { box: string; number: number }; told: { state: string } }[] };
  expect(state).toBe('open');
  expect(ends.map(({ told }) => told.state)).toEqual(['cable', 'elsewhere', 'cable', 'cable', 'cable']);
  const open = identify(...COMES, ...read(...rest, 'black to white', 'black to red'));
  expect(open.out).toContain('an electrician reads that, at the panel or live');
  const known = identify(
    '--electrician',
    ...COMES,
    ...read(...rest, 'black to white', 'black to red', 'none', 'continuity'),
  );
  expect(known.out).toContain('Stair foot, cable 2: black: switch leg; white: hot, re-identified');
  expect(known.out).toContain('Stair ceiling, cable 2: It brings the power; black is hot.  Tag: FEED');
});

test('identify says what is wrong with what it was told, and how it is told', () => {
  const bad: [string[], RegExp][] = [
    [[], /Tell what comes into each box with --comes/],
    [['--comes', 'Stair foot'], /tell it as BOX: WIRES/],
    [['--comes', 'Cellar: black'], /the job has no box "Cellar"; it has "Creek end"/],
    [['--comes', 'Stair foot: blck white'], /"blck white" is no list of wires/],
    [['--comes', 'Stair foot: black', '--comes', 'Stair foot: red'], /this box was told already/],
    [
      [...COMES, ...read('maybe')],
      /that is no answer to what is asked then; there are "cable 1: black to white"/,
    ],
    [
      ['--comes', 'Stair foot: black white', ...read('none', 'none')],
      /nothing more is asked after 1 readings/,
    ],
  ];
  for (const [args, message] of bad) {
    const { code, error } = identify(...args);
    expect([code, error]).toEqual([2, expect.stringMatching(message)]);
  }
});
