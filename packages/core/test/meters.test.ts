import fc from 'fast-check';
import {
  continuity,
  evaluate,
  highImpedance,
  nonContact,
  outletTester,
  reviewJob,
  twoPole,
  type Compiled,
  type End,
} from '../src/index.js';
import { compile } from '../src/circuit/compile.js';
import { conductorKey } from '../src/circuit/keys.js';
import { solveCurrents } from '../src/circuit/currents.js';
import { withFault } from '../src/faults/fault.js';
import { endKey, terminalKey } from '../src/model/wiring.js';
import { anyFullJob } from './support/fullJobs.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

const { job, wiring, drawn } = reviewJob(yard());
const net = (compiled: Compiled, key: string): number => {
  const found = compiled.netOf(key);
  if (found === undefined) throw new Error(`no net of ${key}`);
  return found;
};
const conductor = (cable: string, colour: string) => `conductor|${cable}|${colour}`;

test('a two-pole tester reads what nodal analysis finds with the tester in it, from every conductor to every neutral and ground', () => {
  for (const [i, asked] of fc.sample(anyFullJob, { seed: 12, numRuns: 6 }).entries())
    naming(`job ${i}`, () => {
      const review = reviewJob(asked);
      const state = evaluate(review.drawn, {});
      // A breaker that opens is no part of nodal analysis.
      if (state.shorts.length > 0) return;
      const [source] = review.drawn.sources;
      if (!source) return;
      for (const cable of review.wiring.cables.slice(0, 6))
        for (const colour of ['black', 'white', 'red', 'bare'] as const) {
          const at = review.drawn.netOf(conductorKey(cable.id, colour));
          if (at === undefined) continue;
          for (const name of ['neutral', 'ground'] as const) {
            const end = endKey({ cable: cable.id, side: 'from', colour });
            const bar = terminalKey({ circuit: source.id, name });
            const { voltsAt } = solveCurrents(review.wiring, review.job, {}, [end, bar]);
            const { volts } = twoPole(state, at, source[name]);
            if (volts === null) continue;
            const found = Math.abs((voltsAt(end) ?? 0) - (voltsAt(bar) ?? 0));
            expect([colour, name, Math.round(found / 10)]).toEqual([colour, name, Math.round(volts / 10)]);
          }
        }
    });
});

test('an open traveler beside a live one: ghost volts on the meter of high impedance, a glow on the non-contact tester, nothing on the two-pole tester', () => {
  // A pair of which one traveler is live, the other open at both ends in this position.
  const cable = 'cable:ropewalk-lights:creek-end>first-bay';
  const state = evaluate(drawn, {});
  const found = (['black', 'red'] as const).map((colour) => ({
    colour,
    kind: state.nets[net(drawn, conductor(cable, colour))],
  }));
  const open = found.find(({ kind }) => kind === 'floating');
  const live = found.find(({ kind }) => kind === 'live');
  expect([open?.kind, live?.kind]).toEqual(['floating', 'live']);
  const end = (colour: string): End => ({ cable, side: 'from', colour }) as never;
  const neutral = net(drawn, terminalKey({ circuit: 'ropewalk-lights' as never, name: 'neutral' }));
  const at = net(drawn, conductor(cable, open?.colour ?? ''));
  expect(highImpedance(wiring, job, drawn, state, [at, neutral]).volts).toBeGreaterThan(20);
  expect(twoPole(state, at, neutral).volts).toBe(0);
  expect(nonContact(wiring, job, drawn, state, end(open?.colour ?? ''))).toBe('glows');
  expect(nonContact(wiring, job, drawn, state, end('white'))).toBe('silent');
  expect(nonContact(wiring, job, drawn, state, end(live?.colour ?? ''))).toBe('glows');
});

test('a continuity tester refuses what is live, and reads through the bond at the service when it is dead', () => {
  const cable = 'cable:ropewalk-lights:panel>creek-end';
  const [black, white, bare] = ['black', 'white', 'bare'].map((colour) =>
    net(drawn, conductor(cable, colour)),
  );
  if (black === undefined || white === undefined || bare === undefined) throw new Error('no cable');
  const state = evaluate(drawn, {});
  expect(continuity(drawn, {}, state, [black, white])).toBe('refused');
  expect(continuity(drawn, {}, null, [white, bare])).toBe('yes');
  expect(continuity(drawn, {}, null, [black, white])).toBe('no');
  const unknown = drawn.unknown[0];
  if (unknown !== undefined) expect(continuity(drawn, {}, null, [black, unknown])).toBe('no');
});

test('a receptacle tester is blind to neutral and ground exchanged, and tells the rest', () => {
  const device = wiring.devices.find(({ box }) => box === 'net-outlet' || box.includes('net'));
  if (!device) throw new Error('no receptacle');
  const on = (name: string) => terminalKey({ device: device.id, name });
  const landed = wiring.landings.filter(
    ({ terminal }) => 'device' in terminal && terminal.device === device.id,
  );
  const wireOf = (use: string) => {
    const article = job.stock.find(({ id }) => id === device.article);
    const names = article?.kind === 'device' ? article.terminals.filter((one) => one.use === use) : [];
    const found = landed.find(({ terminal }) => names.some(({ name }) => terminal.name === name));
    if (!found) throw new Error(`nothing on ${use}`);
    return found;
  };
  const [hot, neutral, ground] = ['hot', 'neutral', 'ground'].map(wireOf);
  if (!hot || !neutral || !ground) throw new Error('no wires');
  const read = (made: typeof wiring) => {
    const compiled = compile(made, job);
    const slots = [hot, neutral, ground].map(({ terminal }) => net(compiled, on(terminal.name)));
    return outletTester(evaluate(compiled, {}), {
      ...{ hot: slots[0] ?? 0, neutral: slots[1] ?? 0, ground: slots[2] ?? 0 },
    });
  };
  const faulty = (fault: Parameters<typeof withFault>[1]) => {
    const made = withFault(wiring, fault);
    if (!made.ok) throw new Error(made.problems.join());
    return read(made.value);
  };
  expect(read(wiring)).toBe('right');
  expect(faulty({ kind: 'exchanged', a: neutral.wire, b: ground.wire })).toBe('right');
  expect(faulty({ kind: 'exchanged', a: hot.wire, b: neutral.wire })).toBe('hotNeutralExchanged');
  expect(faulty({ kind: 'exchanged', a: hot.wire, b: ground.wire })).toBe('hotGroundExchanged');
  expect(faulty({ kind: 'loose', wire: hot.wire })).toBe('noHot');
  expect(faulty({ kind: 'loose', wire: neutral.wire })).toBe('noNeutral');
  expect(faulty({ kind: 'loose', wire: ground.wire })).toBe('noGround');
});
