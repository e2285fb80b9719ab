import {
  articlesOf,
  editWiring,
  existingDocument,
  leastChange,
  newRunFact,
  reviewJob,
  UNKNOWN_PLACE,
  wireAll,
  type Cable,
  type Job,
} from '../src/index.js';
import { yardFile } from './support/yard.js';
import { done, inLine, light, old, place, stepsAt } from './support/oldWork.js';

/** The pair with two wires of one switch exchanged. */
const crossed = (job: Job, box: string, a: string, b: string): Job => {
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  const device = document.wiring.devices.find((one) => one.box === box)?.id;
  const other = { [a]: b, [b]: a };
  const landings = document.wiring.landings.map((one) =>
    'device' in one.terminal && one.terminal.device === device && one.terminal.name in other
      ? { ...one, terminal: { ...one.terminal, name: other[one.terminal.name] ?? '' } }
      : one,
  );
  return { ...job, wirings: [{ ...document, wiring: { ...document.wiring, landings } }] };
};

test('a common on a traveler screw is mended in its own box, wire by wire, and nothing is bought', () => {
  const job = crossed(old(inLine), 'S2', 'common', 'traveler 1');
  const broken = reviewJob(job);
  expect(broken.proofs.some(({ working, positions }) => working < positions)).toBe(true);
  // No change starts from it; what it says is what there is to do.
  const swap = leastChange(job, { kind: 'bringNeutral', slot: 'slot:S2' as never });
  expect(swap.ok ? '' : swap.refusal.remedy).toContain('Mend what the check finds');
  const change = done(job, { kind: 'mend', circuit: 'c1' as never });
  expect(change.opened).toEqual(['S2']);
  expect([change.fresh, change.devices, change.drawnOut]).toEqual([[], [], []]);
  // Nothing but what a wire is wrapped in.
  expect(change.cost.material).toBeLessThan(1000);
  const [first, second] = change.moved;
  expect(change.moved).toHaveLength(2);
  expect([first?.from, second?.from]).toEqual([second?.to, first?.to]);
});

test('a return on the white is exchanged with the supply at both ends of the loop, and marked', () => {
  const job = old({ runs: ['F-L', 'L-S1'], neutralAt: [] });
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  // Hot comes down on the black, and back on the white.
  const swap = (colour: string) => (colour === 'black' ? 'white' : colour === 'white' ? 'black' : colour);
  const turned = <T extends { cable: string; colour: string }>(end: T): T =>
    end.cable.includes('L>S1') ? { ...end, colour: swap(end.colour) } : end;
  const wiring = {
    ...document.wiring,
    marks: [],
    joints: document.wiring.joints.map((joint) => ({
      ...joint,
      members: joint.members.map((one) => ('end' in one ? { end: turned(one.end) } : one)),
    })),
    landings: document.wiring.landings.map((one) =>
      'end' in one.wire ? { ...one, wire: { end: turned(one.wire.end) } } : one,
    ),
  };
  const bad: Job = { ...job, wirings: [{ ...document, wiring }] };
  const rules = (one: Job) =>
    reviewJob(one)
      .findings.filter(({ severity }) => severity === 'violation')
      .map(({ rule }) => rule);
  expect(rules(bad)).toContain('reidentified-white');
  const change = done(bad, { kind: 'mend', circuit: 'c1' as never });
  expect(change.opened.sort()).toEqual(['L', 'S1']);
  expect(change.fresh).toEqual([]);
  expect(
    change.moved
      .filter(({ to }) => to.endsWith('mark it black'))
      .map(({ box }) => box)
      .sort(),
  ).toEqual(['L', 'S1']);
  expect(rules(change.job)).not.toContain('reidentified-white');
});

test('where nothing that is joined otherwise helps, mending says so', () => {
  const outcome = leastChange(old(inLine, 'wall-1-22.5'), { kind: 'mend', circuit: 'c1' as never });
  expect(outcome.ok ? '' : outcome.refusal.title).toContain('Nothing that is joined otherwise mends');
});

test('no plan opens a box and leaves out a cable of which nobody knows where it leads', () => {
  const job = old(inLine, 'wall-1-22.5');
  const document = existingDocument(job);
  if (!document) throw new Error('no document');
  const stranger = {
    ...{ id: 'stranger', article: '14-2', from: 'S2', to: UNKNOWN_PLACE, via: [] },
    ...{ length: null, lengthSource: 'unknown', existing: true },
  } as unknown as Cable;
  const brought = editWiring(document.wiring, { do: 'bringIn', cable: stranger }, job);
  if (!brought.ok) throw new Error(JSON.stringify(brought));
  const strange: Job = { ...job, wirings: [{ ...document, wiring: brought.wiring }] };
  const swap = (slot: string) =>
    ({ kind: 'replaceDevice', slot: slot as never, role: 'dimmer', article: null }) as const;
  // Joined with nothing, it stays as it was found, in its box or beside a change of it.
  for (const slot of ['slot:S1', 'slot:S2']) {
    const { job: after, opened } = done(strange, swap(slot));
    const { wiring } = reviewJob(after);
    expect(wiring.cables.map(({ id }) => id)).toContain('stranger');
    expect(opened).toEqual([slot.slice('slot:'.length)]);
  }
  // Joined with the travelers' neighbours, whatever hangs on it hangs on them: its box is not planned.
  const splice = document.wiring.joints.find(
    ({ box, members }) => box === 'S2' && members.some((one) => 'end' in one && one.end.colour === 'white'),
  );
  if (!splice) throw new Error('no splice of neutrals');
  const onNeutral = editWiring(
    brought.wiring,
    {
      do: 'put',
      wire: { end: { cable: 'stranger' as never, side: 'from', colour: 'white' } },
      to: { into: splice.id },
    },
    job,
  );
  if (!onNeutral.ok) throw new Error(JSON.stringify(onNeutral));
  const joined: Job = { ...job, wirings: [{ ...document, wiring: onNeutral.wiring }] };
  const outcome = leastChange(joined, swap('slot:S2'));
  expect(outcome.ok ? '' : outcome.refusal.title).toContain('nobody knows where it leads');
  expect(done(joined, swap('slot:S1')).opened).toEqual(['S1']);
});

test('nothing is planned through aluminium or knob-and-tube: another cable, or the caution', () => {
  const job = old(inLine);
  const document = existingDocument(job);
  const copper = articlesOf(job.stock, 'cable').find(({ id }) => id === '14-2');
  if (!document || !copper) throw new Error('no document');
  const withStrange = (how: object, cable: string): Job => {
    const article = { ...copper, ...how, id: 'strange', name: 'Old wire' } as typeof copper;
    const now = <T extends { id: string }>(one: T) =>
      one.id === cable ? { ...one, article: article.id } : one;
    return {
      ...job,
      stock: [...job.stock, article],
      wirings: [{ ...document, wiring: { ...document.wiring, cables: document.wiring.cables.map(now) } }],
    };
  };
  const swap = { kind: 'replaceDevice', slot: 'slot:S2' as never, role: 'dimmer', article: null } as const;
  for (const how of [{ metal: 'aluminium' }, { sheath: 'knobAndTube' }])
    for (const cable of ['cable:c1:panel>S1', 'cable:c1:S2>L']) {
      const outcome = leastChange(withStrange(how, cable), swap);
      expect(outcome.ok ? '' : outcome.refusal.title).toContain('plans nothing through');
    }
  // The leg to the light goes by the new light's cables, and the old wire comes out of its boxes.
  const around = done(withStrange({ metal: 'aluminium' }, 'cable:c1:S2>L'), {
    ...{ kind: 'addLight', group: 'g1' as never, hung: light },
    place: place('L2', { L: 90, S2: 100 }, 'ceiling'),
  });
  expect(around.drawnOut.map(({ id }) => id)).toEqual(['cable:c1:S2>L']);
});

test('off an old receptacle the tails of it are counted in the splices, and both its halves are proved dead', () => {
  const outcome = leastChange(yardFile(), {
    ...{ kind: 'branch', from: 'net-outlet' as never, circuit: 'net-store-outlet' as never, hung: light },
    switchAt: {
      ...place('S9', { 'net-outlet': 114 }),
      box: { ...place('S9', {}).box, room: 'net-store' as never },
    },
    lightAt: {
      ...place('L9', { S9: 132 }, 'ceiling'),
      box: { ...place('L9', {}, 'ceiling').box, room: 'net-store' as never },
    },
  });
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  const steps = stepsAt(outcome.value.job, 'net-outlet');
  expect(steps.some((text) => /both halves of the receptacle/.test(text))).toBe(true);
  const hots = steps.find((text) => text.startsWith('Join the hots')) ?? '';
  expect(hots).toMatch(/3 in a .*tail to the brass screw/);
  expect(steps.join(' ')).not.toContain('a port more');
  expect(stepsAt(outcome.value.job, 'S9').join(' ')).not.toContain('halves');
});

test('a wire that feeds two devices is told as spliced with both, not as on the lead of the one that comes new', () => {
  const job = yardFile();
  const pendants = job.slots.find(({ box, role }) => box === 'galley-switches' && role === 'switch');
  if (!pendants) throw new Error('no switch of the pendants');
  const outcome = leastChange(wireAll(job), {
    ...{ kind: 'replaceDevice', slot: pendants.id, role: 'dimmer', article: null },
  });
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  const hot = outcome.value.moved.find(({ wire }) => wire.startsWith('black of the 14/2 to panel'));
  expect(hot?.to).toMatch(/^a splice with .*of the dimmer of Pendants and .*of the timer of Shelf light$/);
});

test('an old loop is kept beside a new cable where both fit: its white is a neutral then, and its marking comes off at both ends', () => {
  const job = old({ runs: ['F-L', 'L-S1'], neutralAt: [] });
  const measured: Job = { ...job, runFacts: [newRunFact({ between: ['L', 'S1'], length: 120 })] };
  const change = done(measured, {
    ...{ kind: 'replaceDevice', slot: 'slot:S1' as never, role: 'timer', article: null },
  });
  expect(change.drawnOut).toEqual([]);
  expect(change.fresh.map(({ article }) => article)).toEqual(['14-2']);
  const { wiring, findings } = reviewJob(change.job);
  expect(wiring.marks).toEqual([]);
  expect(findings.filter(({ severity }) => severity === 'violation')).toEqual([]);
  for (const [box, far] of [
    ['L', 'S1'],
    ['S1', 'L'],
  ] as const) {
    const steps = stepsAt(change.job, box).filter((text) => text.includes('marking off'));
    expect(steps).toEqual([
      `Take the black marking off the white of the 14/2 to ${far} (switch leg), here and wherever it shows: it is no hot now.`,
    ]);
    const white = change.moved.filter(
      (one) => one.box === box && one.wire.startsWith('white (marked black)'),
    );
    expect(white.map(({ to }) => to)).toEqual([expect.stringMatching(/; take its marking off$/)]);
  }
});

test('of an old loop that nobody has looked at any marking comes off, where its white is the neutral then', () => {
  const job = wireAll(yardFile());
  const off = (box: string) => stepsAt(job, box).filter((text) => text.includes('marking off'));
  expect(off('winch-switch')).toEqual([
    'Take any marking off the white of the 14/2 to Winch ceiling, here and wherever it shows: it is no hot now.',
  ]);
  expect(off('winch-ceiling')).toHaveLength(1);
  // The feed was no loop, and what comes new is marked by nobody.
  expect(off('slip-door-switch')).toEqual([]);
  expect(off('winch-ceiling').join()).not.toContain('to panel');
});

test('every wire of a cable that comes out is told where it was, its ground too', () => {
  // No room for a second cable.
  const job = old({ runs: ['F-L', 'L-S1'], neutralAt: [] }, 'steel-1-12.5-clamps-outside');
  const measured: Job = { ...job, runFacts: [newRunFact({ between: ['L', 'S1'], length: 120 })] };
  const change = done(measured, {
    kind: 'replaceDevice',
    slot: 'slot:S1' as never,
    role: 'timer',
    article: null,
  });
  expect(change.drawnOut).toHaveLength(1);
  const out = change.moved.filter(({ to }) => to === 'its cable is taken out');
  expect(out.map(({ box, wire }) => [box, wire.split(' ')[0]]).sort()).toEqual([
    ['L', 'bare'],
    ['L', 'black'],
    ['L', 'white'],
    ['S1', 'bare'],
    ['S1', 'black'],
    ['S1', 'white'],
  ]);
  expect(out.find(({ box, wire }) => box === 'L' && wire.startsWith('bare'))?.from).toBe(
    'the splice of grounds',
  );
});
