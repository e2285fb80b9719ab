import fc from 'fast-check';
import { JOB_FORMAT } from '../src/model/job.js';
import {
  feetInches,
  parseFeetInches,
  parseJobFile,
  readJob,
  writeJobFile,
  cubicInches,
} from '../src/index.js';
import { draftOf, planJob, withDraft, withoutCircuit, type CircuitDraft } from '../src/index.js';
import { anyJob } from './support/arbitrary.js';
import { jobOf, planned } from './support/jobs.js';
import { yard } from './support/yard.js';

const good = () => planned(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] })).job;
const faults = (document: unknown) => {
  const read = readJob(document);
  return read.ok ? [] : read.faults;
};

test('a written job file reads back as the same job', () =>
  fc.assert(
    fc.property(anyJob, (asked) => {
      const { job } = planJob(asked);
      expect(parseJobFile(writeJobFile(job))).toEqual({ ok: true, job });
    }),
    { seed: 7, numRuns: 60 },
  ));

test('names hold any Unicode and are not touched', () => {
  const name = '<script>alert(1)</script> Лодочная мастерская 船小屋 🛶';
  const read = readJob({ ...good(), name });
  expect(read.ok && read.job.name).toBe(name);
});

describe('a bad file is refused with its path and a sentence', () => {
  test('not JSON', () => {
    const read = parseJobFile('{ "format": 1,');
    expect(read.ok ? [] : read.faults).toEqual([
      { path: 'file', message: expect.stringMatching(/^This is not JSON: /) },
    ]);
  });
  test.each([[null], [[]], [42], ['text']])('not an object: %j', (document) => {
    expect(faults(document)[0]?.message).toContain('not a job file');
  });
  test('a later version', () => {
    expect(faults({ ...good(), format: JOB_FORMAT + 1 })).toEqual([
      {
        path: 'format',
        message: `This job file has format ${JOB_FORMAT + 1}; this program reads up to ${JOB_FORMAT}. Open it with a later version of the program.`,
      },
    ]);
  });
  test('a dangling id', () => {
    const job = good();
    const boxes = job.boxes.filter((box) => box.id !== 'S2');
    expect(faults({ ...job, boxes, wirings: [] })).toEqual(
      expect.arrayContaining([{ path: 'slots.1.box', message: 'there is no box "S2"' }]),
    );
  });
  test('a 12-digit length', () => {
    const [fault] = faults({ ...good(), runFacts: [{ between: ['panel', 'S1'], length: 123456789012 }] });
    expect(fault?.path).toBe('runFacts.0.length');
    expect(fault?.message).toMatch(/12000/);
  });
  test('a name of 201 characters', () => {
    expect(faults({ ...good(), name: 'x'.repeat(201) })[0]?.path).toBe('name');
    expect(faults({ ...good(), name: '🛶'.repeat(200) })).toEqual([]);
    expect(faults({ ...good(), name: '🛶'.repeat(201) })[0]?.path).toBe('name');
  });
  test('an end joined twice', () => {
    const job = good();
    const [document] = job.wirings;
    const [landing] = document!.wiring.landings;
    const wiring = { ...document!.wiring, landings: [...document!.wiring.landings, landing] };
    expect(faults({ ...job, wirings: [{ ...document, wiring }] })[0]?.message).toContain(
      'joined or landed twice',
    );
  });
  test('a terminal that the device does not have', () => {
    const job = JSON.parse(
      JSON.stringify(good()).replace('"name":"traveler 1"}}', '"name":"traveler 9"}}'),
    ) as unknown;
    expect(faults(job)[0]?.message).toContain('has no terminal "traveler 9"');
  });
});

describe('feet and inches', () => {
  test.each([
    ['8\'-6"', 102],
    ['8\' 6 1/2"', 102.5],
    ["8.5'", 102],
    ['102"', 102],
    ['8', 96],
    ['1/2"', 0.5],
    ['6 3/16"', 6.1875],
    ['12 ft 3 in', 147],
    ["0'", 0],
    ['8-6', 102],
    ["8'6", 102],
    ['8-6 1/2', 102.5],
    ['8 1/2 ft', 102],
    ['102 in', 102],
    ['4ft 6in', 54],
    ['4 Ft. 6 1/2 In.', 54.5],
    ['54in', 54],
    ['4 1/2', 54],
    ['4 feet', 48],
    ['1.2 m', 47.25],
    ['1,2m', 47.25],
    ['259 cm', 101.9375],
    ['2591mm', 102],
  ])('%s', (text, inches) => expect(parseFeetInches(text)).toBe(inches));
  test.each([
    [''],
    ['abc'],
    ["-3'"],
    ['1/0"'],
    ["1001'"],
    ["8'6'"],
    ['123456789012'],
    ['8-'],
    ['8/0 ft'],
    ['8 6'],
    ['4 1/0'],
    ['8 miles'],
    ['400 m'],
    ['ft'],
  ])('%j is no length', (text) => expect(parseFeetInches(text)).toBeNull());
  test('what is written reads back, to the sixteenth', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 192_000 }), (sixteenths) => {
        expect(parseFeetInches(feetInches(sixteenths / 16))).toBe(sixteenths / 16);
      }),
      { seed: 11, numRuns: 500 },
    ));
  test('volumes keep what they need and no more', () => {
    expect([200_000, 177_500, 225_000].map(cubicInches)).toEqual(['20.0 in³', '17.75 in³', '22.5 in³']);
  });
});

describe('the circuit draft', () => {
  test('a job taken as a draft and put back is the same circuit', () =>
    fc.assert(
      fc.property(anyJob, (asked) => {
        const job = planJob(asked).job;
        const draft = draftOf(job, 'c1' as never);
        expect(draft).not.toBeNull();
        const back = planJob(withDraft(job, draft as CircuitDraft));
        expect(back.circuits[0]?.outcome.ok).toBe(planJob(asked).circuits[0]?.outcome.ok);
        expect(draftOf(back.job, 'c1' as never)).toEqual(draft);
        expect(readJob(back.job).ok).toBe(true);
      }),
      { seed: 5, numRuns: 150 },
    ));
  test('taking a circuit out leaves nothing of it behind', () => {
    const empty = withoutCircuit(good(), 'c1' as never);
    expect([
      empty.circuits,
      empty.groups,
      empty.rooms,
      empty.boxes,
      empty.slots,
      empty.luminaires,
      empty.feeds,
      empty.choices,
    ]).toEqual(Array.from({ length: 8 }, () => []));
    expect(readJob(planJob(empty).job).ok).toBe(true);
  });
});

test('what is wrong with the text of a file is told with its line, and by the name of what it is about', () => {
  const text = writeJobFile(yard());
  const lineWith = (what: string, after: string) => {
    const lines = text.split('\n');
    const from = lines.findIndex((line) => line.includes(after));
    return lines.findIndex((line, i) => i >= from && line.includes(what)) + 1;
  };
  const faultsIn = (changed: string) => {
    const read = parseJobFile(changed);
    if (read.ok) throw new Error('nothing is wrong with it');
    return read.faults;
  };
  const height = lineWith('"z":', '"id": "tar-door"');
  const wrong = text
    .split('\n')
    .map((line, i) => (i === height - 1 ? line.replace(/:.*/, ': "high"') : line));
  expect(faultsIn(wrong.join('\n'))).toEqual([
    {
      path: expect.stringMatching(/^boxes\.\d+\.at\.z$/) as string,
      message: `Line ${height}, the box "Tar store door", its "at.z": it should be a number; it is the text "high"`,
    },
  ]);
  const cut = text.slice(0, text.indexOf('"id": "tar-door"'));
  expect(faultsIn(cut)[0]?.message).toMatch(
    new RegExp(`^This is not JSON: in line ${cut.split('\n').length}, .* cut off on its way\\.$`),
  );
  const comma = text.replace('"id": "tar-door",', '"id": "tar-door"');
  expect(faultsIn(comma)[0]?.message).toContain('a comma is missing before this');
  expect(faultsIn('%PDF-1.7')[0]?.message).toContain('ends in .json; one from a colleague ends in .zip');
  expect(faultsIn(' ')[0]?.message).toBe('This is not JSON: the file is empty.');
  // What no one thing holds is told without a place, what is misspelled where it stands.
  expect(faultsIn(text.replace('"rooms"', '"romos"')).map(({ message }) => message)).toEqual(
    expect.arrayContaining([expect.stringContaining('the format has no field "romos" here')]),
  );
});
