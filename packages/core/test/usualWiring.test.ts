import {
  newWiringDoc,
  articleOf,
  assumedOf,
  assumeUsual,
  compile,
  conductorKey,
  evaluate,
  existingDocument,
  planJob,
  proveGroup,
  reviewWiring,
  rolesOf,
  signSeen,
  UNKNOWN_PLACE,
  usualWiring,
  withDocument,
  type Cable,
  type Job,
  type JudgedEdition,
  type UsualFacts,
  type Wiring,
} from '../src/index.js';
import { jobOf, planned, type Shorthand } from './support/jobs.js';
import { TEXTBOOK } from './support/textbookCases.js';

/** A job of before with the cables that lie there, and nothing told of what they are on. */
const old = (
  short: Shorthand,
  builtBy: JudgedEdition | null = 2008,
): { job: Job; cables: Cable[]; wiring: Wiring } => {
  const { job, wiring } = planned(jobOf(short));
  const bare = {
    ...job,
    existingEdition: builtBy,
    boxes: job.boxes.map((box) => ({ ...box, work: 'existing' as const })),
    choices: [],
    wirings: [],
  };
  const cables = wiring.cables.map((cable) => ({ ...cable, existing: true }));
  return { job: bare, cables, wiring };
};

const facts = (cables: readonly Cable[], more: Partial<UsualFacts> = {}): UsualFacts => ({
  circuit: 'c1' as UsualFacts['circuit'],
  cables,
  ...more,
});

const usual = (job: Job, asked: UsualFacts): Wiring => {
  const made = usualWiring(job, asked);
  if (!made.ok) throw new Error(made.why);
  return made.wiring;
};

const works = (job: Job, wiring: Wiring): string => {
  const compiled = compile(wiring, job);
  return job.groups
    .map((group) => proveGroup(job, wiring, compiled, group))
    .map(({ working, positions }) => `${working} of ${positions}`)
    .join();
};

/** What each conductor does, by cable and colour. */
const duties = (job: Job, wiring: Wiring): string[] => {
  const compiled = compile(wiring, job);
  const roles = rolesOf(compiled);
  return wiring.cables
    .map((cable) => {
      const { insulated } = articleOf(job.stock, 'cable', cable.article);
      const said = insulated.map(
        (colour) => `${colour} ${roles[compiled.netOf(conductorKey(cable.id, colour)) ?? -1]}`,
      );
      return `${cable.from}-${cable.to}: ${said.join(', ')}`;
    })
    .sort();
};

const widthsOf = ({ cables }: Wiring): string =>
  cables
    .map(({ from, to, article }) => `${from}-${to} ${article}`)
    .sort()
    .join();

test.each(TEXTBOOK)(
  '%s: what is usual for its cables is what the textbook has, and works',
  (_name, short) => {
    const { job, cables, wiring } = old(short);
    const made = usual(job, facts(cables));
    expect(works(job, made)).toBe(works(job, wiring));
    // The same cables may be those of two textbook cases, with the line end near or far.
    const turned = { ...short, ...(short.chain ? { chain: [...short.chain].reverse() } : {}) };
    const isPlanned = planJob(jobOf(turned)).circuits.every(({ outcome }) => outcome.ok);
    const sameCables = [
      ...TEXTBOOK.map(([, other]) => old(other)),
      ...(isPlanned ? [old(turned)] : []),
    ].filter((other) => widthsOf(other.wiring) === widthsOf(wiring));
    expect(sameCables.map((other) => duties(other.job, other.wiring))).toContainEqual(duties(job, made));
  },
);

test('a draft is assumed: nothing of it is known before somebody has looked, and all of it where every box was signed', () => {
  const { job, cables } = old({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
  const { job: assumed, why } = assumeUsual(job, facts(cables));
  const document = existingDocument(assumed);
  if (!document) throw new Error('no document');
  expect(why).toBeNull();
  expect(document.certainty).toEqual({ S1: 'assumed', S2: 'assumed', L: 'assumed' });
  const strict = compile(document.wiring, assumed, assumedOf(document));
  expect(evaluate(strict, {}).luminaires.map(({ light }) => light)).toEqual(['unknown']);
  expect(
    reviewWiring(assumed, document.id)?.findings.filter(({ severity }) => severity === 'violation'),
  ).toEqual([]);
  const seen = ['S1', 'S2', 'L'].reduce((one, box) => signSeen(one, document.id, box as never), assumed);
  const known = reviewWiring(seen, document.id);
  expect(evaluate(known?.compiled ?? strict, {}).luminaires.map(({ light }) => light)).not.toContain(
    'unknown',
  );
});

test('power from where nobody knows is not known either, and no cable is made up', () => {
  const { job, cables } = old({ runs: ['F-L', 'L-S1'], neutralAt: [] });
  const stray = cables.map((cable) =>
    cable.from === 'panel' ? { ...cable, from: cable.to, to: UNKNOWN_PLACE } : cable,
  );
  const made = usual(job, facts(stray));
  expect(made.cables).toHaveLength(2);
  expect(evaluate(compile(made, job), {}).luminaires.map(({ light }) => light)).toEqual(['unknown']);
  expect(usualWiring(job, facts(cables.filter(({ from }) => from !== 'panel')))).toEqual({
    ok: false,
    why: 'noSupply',
  });
});

test('whites are marked where the edition of the day asked for it', () => {
  const marks = (builtBy: JudgedEdition | null) => {
    const { job, cables } = old({ runs: ['F-L', 'L-S1'], neutralAt: [] }, builtBy);
    return usual(job, facts(cables)).marks.length;
  };
  expect([marks(1996), marks(null), marks(2008)]).toEqual([0, 0, 2]);
});

describe('patterns of old', () => {
  const loop = { runs: ['F-L', 'L-S1'], neutralAt: [] };
  const inLine = { runs: ['F-S1', 'S1-S2', 'S2-L'] };
  const rules = (job: Job, wiring: Wiring) => {
    const document = newDoc(wiring);
    const kept = withDocument(job, document);
    return (reviewWiring(kept, 'existing')?.findings ?? [])
      .filter(({ severity }) => severity === 'violation')
      .map(({ rule, what }) => `${rule}: ${what}`);
  };
  const newDoc = (wiring: Wiring) => newWiringDoc('existing', 'existing', wiring);

  test('the return on the white works, and is found', () => {
    const { job, cables } = old(loop);
    const made = usual(job, facts(cables, { habit: 'returnOnWhite' }));
    expect(works(job, made)).toBe('2 of 2');
    expect(rules(job, made).join()).toContain('reidentified-white: the white is the switch leg');
  });
  test('hot and neutral switched at the travelers is found by its name, and never called working', () => {
    const { job, cables } = old(inLine);
    // Both switches have hot and neutral, the lamp a leg from each common: /3 between, /2 to the lamp.
    const wide = cables.map((cable) =>
      cable.to === 'S2' ? { ...cable, article: '14-3' as Cable['article'] } : cable,
    );
    const made = usual(job, facts(wide, { habit: 'switchedNeutral' }));
    expect(rules(job, made).join()).toContain('old-pattern: hot and neutral are switched at the travelers');
    expect(works(job, made)).toBe('0 of 4');
  });
  test('a neutral borrowed of another circuit is found by its name', () => {
    const { job, cables } = old(inLine);
    const circuits = [...job.circuits, { ...job.circuits[0], id: 'c2', name: 'Stair' }] as Job['circuits'];
    const two = { ...job, circuits };
    const other: Cable = { ...(cables[0] as Cable), id: 'other' as never, from: 'panel', to: 'L' as never };
    const made = usual(
      two,
      facts(cables, { habit: 'borrowedNeutral', borrowed: { circuit: 'c2' as never, cable: other } }),
    );
    expect(works(two, made)).toBe('4 of 4');
    expect(rules(two, made).join()).toContain('borrowed-neutral');
  });
  test('a hot that goes along with the travelers and returns elsewhere is found by its name', () => {
    const { job, cables } = old({ runs: ['F-S1', 'S1-S2', 'S2-L'], neutralAt: ['S1'] });
    const circuits = [...job.circuits, { ...job.circuits[0], id: 'c2', name: 'Stair' }] as Job['circuits'];
    const two = { ...job, circuits };
    const other: Cable = { ...(cables[0] as Cable), id: 'other' as never, from: 'panel', to: 'L' as never };
    const made = usual(
      two,
      facts(cables, { habit: 'hotAlong', borrowed: { circuit: 'c2' as never, cable: other } }),
    );
    expect(rules(two, made).join()).toContain(
      'old-pattern: an always-hot conductor goes along with the travelers',
    );
  });
});
