import {
  findPlans,
  leastSaid,
  planJob,
  wiredChoice,
  withChoice,
  type Candidate,
  type Job,
  type Judgement,
  type PlanSet,
} from '../src/index.js';
import { EVERYDAY } from './support/everyday.js';
import { yard } from './support/yard.js';

const runsOf = ({ choice }: Candidate): string[] =>
  choice.runs.map(({ from, to }) => [from, to].sort().join(' '));
const countOf = ({ measures }: Candidate, what: keyof Judgement) =>
  measures.judged.find((one) => one.what === what)?.count ?? 0;
const NEVER: (keyof Judgement)[] = [
  ...([
    'travelersThrough',
    'bothPairsInOneCable',
    'homeRunAtLuminaire',
    'homeRunAtLuminaireOutside',
  ] as const),
  ...([
    'withoutNeutral',
    'withoutNeutralInReach',
    'travelerOnWhite',
    'hotOnWhite',
    'fourConductors',
  ] as const),
];

/** What comes first is proved the least by cost and judgement, and has nothing of what a master does without where he can. */
const first = (set: PlanSet): Candidate => {
  const [best] = set.candidates;
  const profile = set.profiles.find(({ id }) => id === 'mastersChoice');
  expect(profile).toMatchObject({ letter: 'A', proved: true });
  if (!best) throw new Error('no plan');
  expect(NEVER.filter((what) => countOf(best, what) > 0)).toEqual([]);
  return best;
};

describe('rooms that everybody wires', () => {
  const plan = (name: keyof typeof EVERYDAY) => {
    const job: Job = EVERYDAY[name];
    return findPlans(job, job.circuits[0]!.id);
  };
  test('a garage with two doors: power at the near door, travelers from door to door, the lights behind the far one', () => {
    const set = plan('garage');
    const best = first(set);
    expect(best.entry).toBe('house-door');
    expect(runsOf(best)).toContain('house-door side-door');
    expect(set.paidFor).toMatch(/more than the cheapest, .: no travelers in luminaire or junction boxes/);
  });
  test('a bath with a fan and a light at the mirror: power at the two gangs by the door', () => {
    expect(first(plan('bath')).entry).toBe('bath-door');
  });
  test('a living room with three doors: a straight chain from door to door, and the light after the last', () => {
    const best = first(plan('living'));
    expect(best.entry).toBe('hall-door');
    expect(runsOf(best).sort()).toEqual([
      'hall-door panel',
      'hall-door porch-door',
      'kitchen-door middle',
      'kitchen-door porch-door',
    ]);
  });
  test('a kitchen with two doors and a light at the sink: travelers from door to door, the sink fed from a switch box', () => {
    const best = first(plan('kitchen'));
    expect(runsOf(best)).toContain('hall yard');
    // Either is a switch box, and within two dollars of the other.
    expect(['hall', 'by-the-sink']).toContain(best.entry);
    expect(runsOf(best)).toContain('by-the-sink over-the-sink');
  });
  test('a bedroom with its closet: power at the door', () => {
    expect(first(plan('bedroom')).entry).toBe('bedroom-door');
  });
});

describe('the boat yard', () => {
  const job = yard();
  const plan = (id: string) => findPlans(job, id as never);
  test('the passage: from end to end and back to the lights, $21.31 above the cheapest, and what that buys', () => {
    const set = plan('ropewalk-lights');
    const best = first(set);
    expect(runsOf(best)).toContain('creek-end yard-end');
    expect(set.paidFor).toBe(
      '$21.31 more than the cheapest, D: no travelers in luminaire or junction boxes, no run of four conductors, a neutral at every switch and no traveler on a white.',
    );
  });
  test('the long shed: switch to switch, and no traveler through the ridge', () => {
    const best = first(plan('long-shed-lights'));
    expect(runsOf(best).filter((run) => run.includes('ridge') && run.includes('switch'))).toHaveLength(1);
  });
  test.each([
    ['tar-store-light', 'tar-door'],
    ['galley-lights', 'galley-switches'],
    ['landing-lights', 'landing-switches'],
    ['slip-light', 'landing-switches'],
  ])('%s: power at the switches', (circuit, entry) => {
    expect(first(plan(circuit)).entry).toBe(entry);
  });
  test('the winch room: its old cables are kept, and where they end every way is tried', () => {
    const set = plan('winch-lights');
    expect(set.profiles.find(({ id }) => id === 'mastersChoice')).toMatchObject({
      proved: true,
      notTried: [],
    });
    expect(first(set).runs.some(({ existing }) => existing)).toBe(true);
  });
});

test('where no cable of four conductors is in the truck, no plan has one, and the least is proved without', () => {
  const job = yard();
  const without = { ...job, preferences: { ...job.preferences, wideCable: 'none' as const } };
  const set = findPlans(without, 'ropewalk-lights' as never);
  for (const plan of set.candidates) expect(plan.measures.busiest).toBeLessThan(4);
  expect(set.profiles.find(({ id }) => id === 'leastCost')).toMatchObject({ proved: true });
  const free = findPlans(job, 'ropewalk-lights' as never).candidates;
  expect(free.some(({ measures }) => measures.busiest > 3)).toBe(true);
});

test('what is chosen keeps what only the search could find, and leaves to the program what it finds by itself', () => {
  const garage: Job = EVERYDAY.garage;
  const circuit = garage.circuits[0]!.id;
  const { candidates } = findPlans(garage, circuit);
  for (const { choice } of candidates) {
    const kept = leastSaid(garage, circuit, choice);
    // It is planned as it was found, whatever was left out.
    const wired = (one: typeof choice) =>
      wiredChoice(planJob(withChoice(garage, circuit, one)).circuits, circuit);
    expect(wired(kept)).toEqual(wired(choice));
    expect(kept.runs).toEqual(choice.runs);
  }
  const [best] = candidates;
  expect(leastSaid(garage, circuit, best!.choice)).not.toHaveProperty('neutralAt');
  // So an answer that is given later is heard: with the floor not to be seen, each switch is asked for a neutral.
  const chosen = withChoice(garage, circuit, leastSaid(garage, circuit, best!.choice));
  const asked = {
    ...chosen,
    rooms: chosen.rooms.map((room) => ({
      ...room,
      kind: 'habitable' as const,
      wholeFloorVisible: 'no' as const,
    })),
  };
  expect(wiredChoice(planJob(asked).circuits, circuit)?.neutralAt?.length).toBe(2);
});
