import fc from 'fast-check';
import {
  answerQuestion,
  compareEditions,
  findingKey,
  findingsByPlace,
  inspect,
  planJob,
  remediesFor,
  reviewJob,
  reviewWiring,
  wiringOrEmpty,
  type Finding,
  type Job,
  newWiringDoc,
} from '../src/index.js';
import { anyJob } from './support/arbitrary.js';
import { anyFault, withFault } from './support/faults.js';
import { anyFullJob } from './support/fullJobs.js';
import { jobOf, planned } from './support/jobs.js';
import { twoCircuits } from './support/ruleCases/builders.js';
import { forSamples } from './support/samples.js';
import { lying, standing } from './support/told.js';

const questions = (job: Job) =>
  reviewJob(job).findings.flatMap((one) => one.questions.map((q) => `${q.kind} ${q.of}`));

describe('what the job does not hold is asked once', () => {
  const tap = jobOf({ runs: ['J1-S1', 'S1-L'], feedAt: 'J1' });
  test('four rules want to know what else is on the circuit; one question stands for them', () => {
    const asked = reviewJob(tap).findings.filter((one) =>
      one.questions.some((question) => question.kind === 'circuit.purpose'),
    );
    expect(asked).toHaveLength(1);
    expect(asked[0]).toMatchObject({
      severity: 'verify',
      section: '210.52(B)(2), 210.11(C)(3), 210.11(C)(2), 210.11(C)(4)',
      at: { circuit: 'c1' },
      title: 'What else does the circuit Lights serve?',
    });
  });
  test('an answer settles it, one way or the other, and an answer that was not offered is refused', () => {
    const question = { kind: 'circuit.purpose', of: 'c1' } as const;
    expect(questions(answerQuestion(tap, question, 'general'))).not.toContain('circuit.purpose c1');
    const kitchen = reviewJob(answerQuestion(tap, question, 'smallAppliance')).findings;
    expect(kitchen.map((one) => one.rule)).toContain('small-appliance-circuit');
    expect(() => answerQuestion(tap, question, 'perhaps')).toThrow('does not answer');
  });
  test('whatever is answered first, the question is gone, on any random job', () => {
    let answered = 0;
    forSamples(anyFullJob, { seed: 77, numRuns: 22 }, (job) => {
      for (const { questions: open } of reviewJob(job).findings)
        for (const question of open) {
          const [option] = question.options;
          const after = answerQuestion(job, question, option?.value ?? '');
          expect(questions(after)).not.toContain(`${question.kind} ${question.of}`);
          answered += 1;
        }
    });
    expect(answered).toBeGreaterThan(40);
  });
});

describe('existing work', () => {
  /** An old loop without a neutral that nobody touches, beside a new light on the same feed. */
  const old = (existingEdition: Job['existingEdition']): Job => {
    const job = jobOf({ runs: ['F-L', 'L-S1'], neutralAt: [] });
    const there: Job = {
      ...job,
      existingEdition,
      boxes: job.boxes.map((box) => ({ ...box, work: 'existing' })),
    };
    return lying(standing(there), [
      { id: 'lies:L', article: '14-2', circuit: 'c1', between: ['panel', 'L'] },
      { id: 'lies:S1', article: '14-2', circuit: 'c1', between: ['L', 'S1'] },
    ]);
  };
  const neutral = (job: Job) => reviewJob(job).findings.find((one) => one.rule === 'neutral-at-switch');
  test('that met the code of its day is named as such', () => {
    expect(neutral(old(2008))).toMatchObject({ severity: 'caution', builtBy: 2008 });
  });
  test('that did not is a violation; where nobody knows, what would spare it is asked first', () => {
    expect(neutral(old(2011))).toMatchObject({ severity: 'violation', builtBy: null });
    const asked = neutral(old(null));
    expect(asked?.severity).toBe('verify');
    const answered = (asked?.questions ?? []).reduce(
      (job, question) => answerQuestion(job, question, question.kind === 'box.accessible' ? 'no' : 'none'),
      old(null),
    );
    expect(neutral(answered)).toMatchObject({ severity: 'violation', questions: [] });
    const spared = (asked?.questions ?? [])
      .filter(({ kind }) => kind === 'box.neutralException')
      .reduce((job, question) => answerQuestion(job, question, 'raceway'), old(null));
    expect(neutral(spared)).toBeUndefined();
  });
  test('a change to it brings the rules of today', () => {
    const job = old(2008);
    const opened = { ...job, slots: job.slots.map((slot) => ({ ...slot, comesNew: true })) };
    expect(neutral(opened)).toMatchObject({ severity: 'violation', builtBy: null });
  });
  test('a wiring kept as existing is judged by today, and by its day; a room may be older than the rest', () => {
    const { job, wiring } = planned(old(2008));
    const kept = { ...job, wirings: [newWiringDoc('old', 'existing', wiring)] };
    const said = (one: Job) =>
      reviewWiring(one, 'old')
        ?.findings.filter((finding) => finding.rule === 'neutral-at-switch')
        .map(({ severity, builtBy }) => [severity, builtBy]);
    expect(said(kept)).toEqual([['caution', 2008]]);
    expect(said({ ...kept, existingEdition: 2014 })).toEqual([['violation', null]]);
    const rooms = kept.rooms.map((room) => ({ ...room, builtBy: 1996 as const }));
    expect(said({ ...kept, existingEdition: 2014, rooms })).toEqual([['caution', 1996]]);
  });
  test('an unmarked white in a loop was lawful before 1999, and bringing the return on it never was', () => {
    const { job, wiring } = planned(jobOf({ runs: ['F-L', 'L-S1'], neutralAt: [], edition: 2023 }));
    const kept = (one: typeof wiring): Job => ({
      ...job,
      existingEdition: 1996,
      wirings: [newWiringDoc('old', 'existing', one)],
    });
    const whites = (one: Job) =>
      reviewWiring(one, 'old')
        ?.findings.filter((finding) => finding.rule === 'reidentified-white')
        .map(({ severity, builtBy }) => [severity, builtBy]);
    const unmarked = { ...wiring, marks: [] };
    expect(whites(kept(unmarked))).toEqual([['caution', 1996]]);
    expect(whites({ ...kept(unmarked), existingEdition: 2008 })).toEqual([['violation', null]]);
    const other = (colour: string) => (colour === 'white' ? 'black' : colour === 'black' ? 'white' : colour);
    const turned = JSON.parse(
      JSON.stringify(unmarked, (_key, value: unknown) =>
        typeof value === 'object' &&
        value !== null &&
        'cable' in value &&
        'colour' in value &&
        value.cable !== 'cable:c1:panel>L'
          ? { ...value, colour: other(String(value.colour)) }
          : value,
      ),
    ) as typeof wiring;
    expect(whites(kept(turned))).toEqual([['violation', null]]);
  });
});

describe('local amendments', () => {
  const job = jobOf({ runs: ['F-S1', 'S1-L'], breaker: 20, awg: 14 });
  const severities = (amendments: Job['amendments']) =>
    reviewJob({ ...job, amendments })
      .findings.filter((one) => one.rule === 'conductor-to-breaker')
      .map((one) => [one.severity, one.amendment]);
  const change = (scope: Job['amendments'][number]['scope']): Job['amendments'] => [
    {
      kind: 'severity',
      id: 'a1',
      scope,
      rule: 'conductor-to-breaker',
      severity: 'caution',
      note: 'By letter of the town.',
    },
  ];
  test('switch the severity of a rule where they apply, with their note', () => {
    const noted = ['caution', 'By letter of the town.'];
    expect(severities([])).toEqual([
      ['violation', null],
      ['violation', null],
    ]);
    expect(severities(change('job'))).toEqual([noted, noted]);
    expect(severities(change({ circuit: 'c1' as never }))).toEqual([noted, noted]);
    expect(severities(change({ box: 'L' as never }))).toEqual([['violation', null], noted]);
    expect(severities(change({ room: 'r1' as never }))).toEqual([noted, noted]);
  });
  test('a waived finding stays in sight, last', () => {
    const [first] = change('job');
    if (first?.kind !== 'severity') throw new Error('no severity');
    const { findings } = reviewJob({ ...job, amendments: [{ ...first, severity: 'waived' }] });
    expect(findings.at(-1)).toMatchObject({ rule: 'conductor-to-breaker', severity: 'waived' });
  });
  test('a rule of the user is a finding at its place', () => {
    const { findings } = reviewJob({
      ...job,
      amendments: [
        {
          kind: 'rule',
          id: 'tidal',
          scope: { box: 'S1' as never },
          severity: 'violation',
          title: 'No box below the flood mark',
          text: 'The town asks for 4 ft above the quay.',
        },
      ],
    });
    expect(findings.find((one) => one.rule === 'local:tidal')).toMatchObject({
      severity: 'violation',
      at: { box: 'S1' },
      title: 'No box below the flood mark',
    });
  });
});

test('two editions are compared on one wiring: what only one finds, and what both find otherwise', () => {
  const { job, wiring } = planned(
    jobOf({ runs: ['F-L', 'L-S1', 'S1-S2'], neutralAt: ['S1'], visible: 'yes', edition: 2023 }),
  );
  const { only, changed } = compareEditions(job, wiring, 2011, 2017);
  expect(only[0].map((one) => one.rule)).toEqual(['neutral-at-switch']);
  expect(only[1].map((one) => one.rule)).toEqual(['terminal-torque']);
  expect(changed).toEqual([]);
  const shared = twoCircuits();
  const sections = compareEditions(shared.job, shared.wiring, 2011, 2014).changed;
  expect(sections.map(([a, b]) => [a.rule, a.section, b.section])).toEqual([
    ['circuits-in-box', '', '200.4(B)'],
  ]);
  expect(compareEditions(job, wiring, 2020, 2020)).toEqual({ only: [[], []], changed: [] });
});

test('findings stand by place, the worst place first', () => {
  const { job, wiring, findings } = reviewJob(jobOf({ runs: ['F-S1', 'S1-L'], breaker: 20, awg: 14 }));
  const places = findingsByPlace(job, wiring, findings);
  expect(places.map((place) => place.name).slice(0, 2)).toEqual(['S1', 'L']);
  expect(places.at(-1)).toMatchObject({ kind: 'job', name: 'The whole job' });
  expect(places.flatMap((place) => place.findings)).toHaveLength(findings.length);
});

describe('remedies', () => {
  const violations = (findings: readonly Finding[]) => {
    const keys = findings
      .filter((one) => one.severity === 'violation' || one.severity === 'unfinished')
      .map(findingKey);
    return keys.sort();
  };
  /** Everything offered clears its finding and adds no violation, by an inspection of its own. */
  const check = (job: Job, id: string | null, findings: readonly Finding[], offered: Map<string, number>) => {
    const before = violations(findings);
    for (const finding of findings.filter(
      (one) => one.severity === 'violation' || one.severity === 'caution',
    ))
      for (const remedy of remediesFor(job, id, finding)) {
        offered.set(finding.rule, (offered.get(finding.rule) ?? 0) + 1);
        const after =
          id === null
            ? reviewJob(remedy.job).findings
            : inspect(
                remedy.job,
                remedy.job.wirings.find((one) => one.id === id)?.wiring ?? wiringOrEmpty(job),
              );
        expect(after.map(findingKey)).not.toContain(findingKey(finding));
        const left = [...before];
        for (const key of violations(after)) {
          const at = left.indexOf(key);
          expect([finding.rule, key, at >= 0]).toEqual([finding.rule, key, true]);
          left.splice(at, 1);
        }
      }
  };

  test('of planned jobs with odd choices: each that is offered helps and harms nothing', () => {
    const offered = new Map<string, number>();
    forSamples(fc.tuple(anyJob, fc.nat(5)), { seed: 31, numRuns: 32 }, ([asked, odd]) => {
      const spoiled: Job = {
        ...asked,
        circuits: asked.circuits.map((one) => ({
          ...one,
          ...(odd === 0 ? { breaker: 20 as const, awg: 14 as const } : {}),
          afci: odd === 1 ? 'no' : 'yes',
        })),
        rooms: asked.rooms.map((room) => (odd === 1 ? { ...room, kind: 'bedroom' } : room)),
        boxes: asked.boxes.map((box) => ({
          ...box,
          ...(odd === 2 && box.id.startsWith('L') ? { article: 'pancake-6' as never } : {}),
          ...(odd === 3 ? { at: { x: 0, y: 0, z: 90 } } : {}),
        })),
        luminaires: asked.luminaires.map((one) => (odd === 4 ? { ...one, unit: 'fan' } : one)),
        slots: asked.slots.map((slot) =>
          odd === 4 && asked.slots.length === 1 ? { ...slot, role: 'dimmer' } : slot,
        ),
      };
      const { job, findings } = reviewJob(spoiled);
      check(job, null, findings, offered);
    });
    const rules = [
      'conductor-to-breaker',
      'arc-fault',
      'box-volume',
      'switch-height',
      'fan-support',
      'neutral-at-switch',
    ];
    for (const rule of rules) expect([rule, (offered.get(rule) ?? 0) > 0]).toEqual([rule, true]);
  });

  test('of wirings found with something wrong: each that is offered helps and harms nothing', () => {
    const offered = new Map<string, number>();
    forSamples(
      fc.tuple(
        fc.oneof(anyJob, anyFullJob),
        fc.array(anyFault, { minLength: 1, maxLength: 2 }),
        fc.boolean(),
      ),
      { seed: 32, numRuns: 60 },
      ([asked, faults, unmarked]) => {
        const { job } = planJob(asked);
        const sound = wiringOrEmpty(job);
        if (sound.landings.length === 0) return;
        const faulty = faults.reduce(withFault, sound);
        const wiring = unmarked ? { ...faulty, marks: [] } : faulty;
        const found: Job = { ...job, wirings: [newWiringDoc('found', 'found', wiring)] };
        check(found, 'found', inspect(found, wiring), offered);
      },
    );
    for (const rule of ['reidentified-white', 'splices'])
      expect([rule, (offered.get(rule) ?? 0) > 0]).toEqual([rule, true]);
  });

  test('a tail is spliced in where two wires share a screw', () => {
    const { job, wiring } = planned(jobOf({ runs: ['F-S1', 'S1-L1', 'L1-L2'] }));
    // At the switch both neutrals and nothing else are in one splice: land them on one screw of the luminaire instead.
    const shared = {
      ...wiring,
      landings: wiring.landings.map((landing) =>
        'device' in landing.terminal && landing.terminal.name === 'load'
          ? { ...landing, terminal: { ...landing.terminal, name: 'line' } }
          : landing,
      ),
    };
    const found: Job = { ...job, wirings: [newWiringDoc('found', 'found', shared)] };
    const finding = inspect(found, shared).find((one) => one.rule === 'one-wire-a-screw');
    if (!finding) throw new Error('not found');
    const [remedy] = remediesFor(found, 'found', finding);
    expect(remedy?.words).toBe('Splice them and land a tail');
    const mended = remedy?.job.wirings[0]?.wiring;
    expect(mended?.joints.some((joint) => joint.id.startsWith('S1/mended/'))).toBe(true);
  });
});
