import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  FORMATS,
  planJob,
  plannedWiring,
  readJob,
  standardStock,
  withoutCircuit,
  writeJobFile,
} from '@amber/core';
import { run } from '../src/run.js';

/** The two circuits of the demo whose way is chosen in its file. */
const demo = () => {
  const file = fileURLToPath(new URL('../../../demo/heron-yard.json', import.meta.url));
  const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const unwired = read.job.circuits.filter(
    ({ id }) => !read.job.choices.some((choice) => choice.circuit === id),
  );
  return unwired.reduce((job, { id }) => withoutCircuit(job, id), read.job);
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

test('inspect tells findings by place, with section and remedy, as data too', () => {
  const { out } = amber(['inspect']);
  expect(out).toMatch(/^Yard end\n {2}CAUTION 200\.7\(C\)\(1\) Last bay to Yard end/m);
  expect(out).toMatch(/^The whole job\n {2}VERIFY 300\.14 /m);
  const data = amber(['inspect', '--json']);
  expect(data.code).toBe(0);
  expect(JSON.parse(data.out)).toContainEqual(
    expect.objectContaining({ rule: 'reidentified-white', severity: 'caution' }),
  );
});

test('inspect by another edition, and compare two', () => {
  expect(amber(['inspect']).out).toContain('110.14(D)');
  expect(amber(['inspect', '--edition', '2014']).out).not.toContain('110.14(D)');
  const { code, out } = amber(['compare', '--with', '2014']);
  expect(code).toBe(0);
  expect(out).toMatch(/^Only by 2023:\n {2}VERIFY 110\.14\(D\) /);
  expect(amber(['compare', '--edition', '2017', '--with', '2017']).out).toBe(
    '2017 and 2017 say the same of this job.',
  );
  expect(amber(['compare'])).toMatchObject({ code: 2, error: expect.stringContaining('--with') });
  expect(amber(['inspect', '--edition', '1999'])).toMatchObject({
    code: 2,
    error:
      'There is no edition "1999"; there are 1959, 1984, 1996, 2008, 2011, 2014, 2017, 2020, 2023, 2026.',
  });
});

test('a planned job is a job file that plans to itself', () => {
  const first = amber(['plan']).out;
  expect(amber(['plan'], first).out).toBe(first);
});

test('takeoff gives materials, cuts with both tags, coils, minutes and cost', () => {
  const { code, out } = amber(['takeoff']);
  expect(code).toBe(0);
  expect(out).toMatch(/14\/3 +33 +ft +\$0\.75 +\$24\.75/);
  expect(out).toContain('tag at Creek end: to First bay, 14/3, Ropewalk');
  expect(out).toContain('white (marked) traveler Ropewalk');
  expect(out).toContain('14/4: 2 cuts, 28\'-0" of 250 ft, buy by the foot, $33.60');
  expect(out).toMatch(/Cost \$\d+\.\d\d$/);
  const data = FORMATS.takeoff.schema.parse(JSON.parse(amber(['takeoff', '--json']).out));
  const sum = data.takeOff.lines.reduce((total, line) => total + line.total, 0);
  expect(data.cost).toBe(sum + data.labour.total);
});

test('takeoff ends with 1 where a circuit cannot be planned, and says which lengths are a guess', () => {
  const job = demo();
  const loose = {
    ...job,
    runFacts: [],
    boxes: demo().boxes.map((box) => ({ ...box, at: null })),
    choices: job.choices.slice(1),
  };
  const { code, out } = amber(['takeoff'], JSON.stringify(loose));
  expect(code).toBe(1);
  expect(out).toContain('a guess: measure before you cut');
  // A home run is never free: what nobody knows is counted at a guess, and said to be one.
  expect(out).toContain(`(guessed: run 50'-0"`);
  expect(out).toContain(`(guessed: run 20'-0"`);
  expect(out).not.toContain('Not counted, for want of a length');
});

const worksheet = {
  worksheet: 1,
  name: 'Yard door',
  edition: 2017,
  sections: [
    { name: 'Steel square 4 x 1 1/2', volume: 210_000 },
    { name: 'Plaster ring', volume: 35_000 },
  ],
  contents: {
    conductors: Array<number>(8).fill(12),
    grounds: [12, 12, 12, 12, 12, 12],
    yokes: [{ gangs: 1, awg: 12 }],
    internalClamps: true,
  },
};

test('fill takes a worksheet that stands alone, with its ring, by its edition', () => {
  // 8 + 1 + 2 + 1 allowances of 2.25; from 2020 on the two grounds beyond four add a half.
  const before = amber(['fill'], JSON.stringify(worksheet));
  expect(before).toMatchObject({
    code: 1,
    out: expect.stringContaining('Yard door (2017): 27.0 of 24.5 in³'),
  });
  const later = amber(['fill'], JSON.stringify({ ...worksheet, edition: 2020 }));
  expect(later.out).toContain('28.125 of 24.5 in³, TOO FULL');
  const roomy = { ...worksheet, sections: [{ name: 'Steel square 4 x 2 1/8', volume: 303_000 }] };
  expect(amber(['fill'], JSON.stringify(roomy)).code).toBe(0);
});

test('a misspelled field of a worksheet is refused, not left out of the fill', () => {
  const { conductors, ...rest } = worksheet.contents;
  const wrong = { ...worksheet, contents: { ...rest, conductor: conductors } };
  expect(amber(['fill'], JSON.stringify(wrong))).toMatchObject({
    code: 2,
    error: 'contents.conductor: the format has no field "conductor" here; check the spelling',
  });
});

test('--wiring judges what stands on site: a found wiring with its commons and travelers exchanged', () => {
  const job = planJob(demo()).job;
  const wiring = plannedWiring(job);
  if (!wiring) throw new Error('not planned');
  const found = {
    ...wiring,
    landings: wiring.landings.map((landing) => {
      const { terminal } = landing;
      if (!('device' in terminal) || terminal.device !== 'device:yard-switch') return landing;
      const swapped = { common: 'traveler 1', 'traveler 1': 'common' }[terminal.name];
      return swapped ? { ...landing, terminal: { ...terminal, name: swapped } } : landing;
    }),
  };
  const text = JSON.stringify({
    ...job,
    wirings: [...job.wirings, { id: 'wiring:found', kind: 'found', wiring: found }],
  });
  expect(amber(['simulate'], text).code).toBe(0);
  expect(amber(['simulate', '--wiring', 'wiring:found'], text).code).toBe(1);
  expect(amber(['inspect', '--wiring', 'wiring:found'], text).out).toContain(
    '  VIOLATION Ropewalk: works in 1 of 4 positions',
  );
  expect(amber(['inspect', '--wiring', 'nowhere'], text)).toMatchObject({
    code: 2,
    error:
      'The job has no wiring "nowhere"; it has "existing" (existing), "wiring:planned" (planned), "wiring:found" (found).',
  });
});

test('--group narrows simulate and netlist, and an unknown one is told', () => {
  const { out } = amber(['simulate', '--group', 'Tar store']);
  expect(out).not.toContain('Ropewalk');
  expect(amber(['netlist', '--group', 'tar-group']).out.match(/^\.op$/gm)).toHaveLength(2);
  expect(amber(['netlist', '--group', 'Sail loft'])).toMatchObject({
    code: 2,
    error: 'The job has no control group "Sail loft"; it has "Ropewalk", "Tar store".',
  });
});

test('every report is of its published format', () => {
  for (const name of ['simulate', 'fill', 'takeoff', 'netlist', 'inspect', 'validate'] as const) {
    const read = FORMATS[name].schema.safeParse(JSON.parse(amber([name, '--json']).out));
    expect([name, read.error?.issues]).toEqual([name, undefined]);
  }
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

test('plan searches the ways to wire a circuit, tells why the first is the best, and refuses a circuit that is not there', () => {
  const { code, out } = amber(['plan', '--circuit', 'Ropewalk']);
  expect(code).toBe(0);
  expect(out).toMatch(/^plan +cost +material/);
  expect(out).toMatch(/^A +\$[\d.]+ .*Creek end +Master’s choice/m);
  expect(out).toMatch(
    /^A: \$21\.31 more than the cheapest, D: no travelers in luminaire or junction boxes, .* a neutral at every switch/m,
  );
  expect(out).toMatch(/^A costs \$[\d.]+ more than B: /m);
  expect(out).toMatch(/^Master’s choice: .*: proved$/m);
  expect(out).toMatch(/^Least cost: .*: proved$/m);
  const { candidates } = JSON.parse(amber(['plan', '--circuit', 'Ropewalk', '--json']).out) as {
    candidates: {
      measures: { cost: number; judged: { count: number; each: number }[]; violations: number };
    }[];
  };
  const worth = candidates
    .filter((one) => one.measures.violations === 0)
    .map(({ measures }) =>
      measures.judged.reduce((sum, { count, each }) => sum + count * each, measures.cost),
    );
  expect(worth).toEqual([...worth].sort((a, b) => a - b));
  expect(amber(['plan', '--circuit', 'Attic'])).toMatchObject({
    code: 2,
    error: 'The job has no circuit "Attic"; it has "Ropewalk", "Tar store".',
  });
});

/** The whole yard, with its old work. */
const yard = () => {
  const file = fileURLToPath(new URL('../../../demo/heron-yard.json', import.meta.url));
  const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return writeJobFile(read.job);
};

test('change tells the least change of old work: what is opened, bought, moved, and what to look at first', () => {
  const { code, out } = amber(['change', '--kind', 'mend', '--circuit', 'Rope stair'], yard());
  expect(code).toBe(0);
  expect(out).toContain('The least change: $32.59');
  expect(out).toContain('Opened: Stair ceiling, Stair foot. New boxes: none. Shut: Stair head.');
  expect(out).toMatch(/Stair foot: white of the 14\/2 to Stair ceiling was on .*mark it black/);
  const nothing = amber(['change', '--kind', 'as-asked', '--circuit', 'Rope stair'], yard());
  expect([nothing.code, nothing.out]).toEqual([
    1,
    expect.stringContaining('Nothing is asked of Rope stair that is not there'),
  ]);
  const away = amber(['change', '--kind', 'remove-switch', '--at', 'Stair head'], yard());
  expect(away.out).toContain('Look first into Stair head');
  expect(away.out).toMatch(/Stair head: .* is usually on dark screw/);
});

test('change takes the runs that were measured, and says what it lacks', () => {
  const branch = ['change', '--kind', 'branch', '--circuit', 'Net store', '--at', 'Net outlet'];
  const runs = ['--run', 'Net outlet=12-6', '--light-run', 'switch=9', '--name', 'Net light'];
  const made = amber([...branch, ...runs], yard());
  expect(made.out).toContain('New boxes: Net light, Net light, light');
  expect(made.out).toContain('New: 14/2, Net outlet to Net light');
  for (const [args, said] of [
    [branch, 'Remedy: Measure the runs'],
    [[...branch, '--run', 'Net outlet'], 'write BOX=LENGTH'],
    [[...branch, '--run', 'Quay=3'], 'The job has no box "Quay"'],
    [['change', '--circuit', 'Net store'], 'Name the change by --kind'],
    [['change', '--kind', 'remove-switch', '--at', 'Net outlet'], 'There is no switch in Net outlet'],
    [['change', '--kind', 'add-light', '--run', 'Net outlet=3'], 'needs --circuit'],
    [
      ['change', '--kind', 'replace-device', '--at', 'Stair head', '--role', 'bell'],
      'There is no role "bell"',
    ],
  ] as const) {
    const { code, out, error } = amber([...args], yard());
    expect(`${out}${error}`).toContain(said);
    expect(code).toBeGreaterThan(0);
  }
});

test('inspect by walk: what stands against it first, then what is seen then', () => {
  const rough = amber(['inspect', '--walk', 'rough']);
  expect(rough.out).toMatch(/^Not ready for the rough-in inspection: .*things to see on site\./);
  expect(rough.out).toContain('300.14');
  expect(rough.out).not.toContain('110.14(D)');
  const final = JSON.parse(amber(['inspect', '--walk', 'final', '--json']).out) as { walk: string }[];
  expect(final.length).toBeGreaterThan(0);
  expect(new Set(final.map(({ walk }) => walk))).toEqual(new Set(['final']));
  expect(amber(['inspect', '--walk', 'noon'])).toMatchObject({
    code: 2,
    error: 'There is no walk "noon"; there are rough and final.',
  });
});

test('fill tells the smallest box of the stock for each place where it is asked', () => {
  const { out } = amber(['fill', '--smallest']);
  expect(out).toMatch(/Smallest of the stock that suits and holds it: .*\d in³ left\./);
  const data: unknown = JSON.parse(amber(['fill', '--smallest', '--json']).out);
  expect(FORMATS.fill.schema.safeParse(data).success).toBe(true);
  expect(amber(['fill']).out).not.toContain('Smallest');
});

test('testsheet walks each group with one handle at a time, and says what is touched by whom', () => {
  const { code, out } = amber(['testsheet', '--circuit', 'ropewalk-lights']);
  expect(code).toBe(0);
  expect(out).toMatch(/^Power is on for this: .*leave it off/);
  expect(out).toMatch(/ 1 {2}every handle in its first position +expect lit/);
  expect(out.match(/ (Creek|Yard) end to (up|down) +expect (lit|dark)/g)).toHaveLength(3);
  expect(out).toContain('qualified people alone');
  const { groups, points } = JSON.parse(amber(['testsheet', '--json', '--group', 'Ropewalk']).out) as {
    groups: { steps: { moves: object[] }[] }[];
    points: object[];
  };
  expect(groups).toHaveLength(1);
  expect(groups[0]?.steps.map(({ moves }) => moves.length)).toEqual([0, 1, 1, 1]);
  expect(points).toEqual([]);
});

test('diagnose asks for what tells the most, hears what was seen in the order it was told, and names what is no answer', () => {
  const diagnose = (...seen: string[]) =>
    amber(['diagnose', '--circuit', 'Ropewalk', ...seen.flatMap((one) => ['--seen', one])]);
  const first = diagnose();
  expect(first.code).toBe(0);
  expect(first.out).toMatch(/Move nothing: look at it as it is\.\n.*--seen "up,up=\.\.\."/);
  const { out } = diagnose(
    'up,up=lit',
    'up,down=lit',
    'down,up=dark',
    'down,down=dark',
    'look Yard end=other',
  );
  expect(out).toContain('Seen: Creek end up and Yard end down: all lit.');
  expect(out).toContain('It is at Yard end.');
  expect(out).toMatch(
    /Yard end: the black of the 14\/3 to Last bay and the white .* under the other’s screw/,
  );
  expect(out).toMatch(/Put the black of the 14\/3 to Last bay under the dark screw/);
  // A lamp that is out stands first where it alone is dark.
  const lamp = JSON.parse(
    amber([
      ...['diagnose', '--json', '--circuit', 'Ropewalk', '--history', 'old'],
      ...['--seen', 'up,up=First bay dark; Middle bay lit; Last bay lit'],
    ]).out,
  ) as { places: { name: string }[] };
  expect(lamp.places[0]?.name).toBe('the lamp of First bay');
  const hinted = diagnose('up,up=tripped later', 'hums Yard end=yes');
  expect(hinted.out).toContain('Seen: The switch at Yard end hums, crackles or grows warm: yes.');
  expect(hinted.out).toContain('the breaker tripped after a while.');
  const bad: [string, RegExp][] = [
    ['up=lit', /nothing is asked so\. The handles are Creek end, Yard end, in this order/],
    ['up,up=green', /"green" is no answer to that\. Tell lit, dim, dark, flickers, tripped or/],
    ['look Yard end=maybe', /There are asDrawn, other and cannot/],
    ['up,up', /tell it as QUESTION=ANSWER/],
  ];
  for (const [seen, message] of bad) {
    const { code, error } = diagnose(seen);
    expect([code, error]).toEqual([2, expect.stringMatching(message)]);
  }
  expect(amber(['diagnose']).error).toMatch(/Name the circuit that does not work/);
  expect(amber(['diagnose', '--circuit', 'Ropewalk', '--history', 'lately']).error).toMatch(
    /there are new, old/,
  );
});
