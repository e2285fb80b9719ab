import fc from 'fast-check';
import type { SlotId } from '../src/model/ids.js';
import type { Job } from '../src/model/job.js';
import { findCircuit } from '../src/model/lookup.js';
import { bestWithNeutrals } from '../src/plans/neutralsChosen.js';
import { everySwitch } from '../src/plans/profiles.js';
import { NO_CONSTRAINTS } from '../src/search/orders.js';
import { mastersChoice } from '../src/search/prices/weights.js';
import { createSearch } from '../src/search/search.js';
import { forSamples } from './support/samples.js';
import { anySearchJob } from './support/searchJobs.js';
import { yard } from './support/yard.js';

const MOST = { mostSteps: 1e6 };

const everySet = (slots: readonly SlotId[]): SlotId[][] =>
  slots.reduce<SlotId[][]>((sets, slot) => [...sets, ...sets.map((set) => [...set, slot])], [[]]);

test('with neutrals that nobody asks for the best is the least over every set of switches, each searched by itself', () => {
  let [apart, compared] = [0, 0];
  forSamples(
    fc.record({
      job: anySearchJob({ places: 5, groups: 1, switches: 3 }),
      // Worth the more, the likelier at some of the switches.
      worth: fc.constantFrom(30_000, 60_000, 90_000, 130_000, 180_000, 240_000),
    }),
    { seed: 2811, numRuns: 38 },
    ({ job: drawn, worth }) => {
      const job: Job = {
        ...drawn,
        preferences: { ...drawn.preferences, neutral: 'byEdition' },
        // Where no rule asks for any.
        edition: 2023,
        rooms: drawn.rooms.map((room) => ({ ...room, kind: 'storage' })),
        judgement: { ...drawn.judgement, withoutNeutral: worth, withoutNeutralInReach: worth },
      };
      const [circuit] = job.circuits;
      if (!circuit) return;
      const open = everySwitch(job, circuit);
      const alone = everySet(open).map((neutralAt) => ({
        neutralAt,
        ...createSearch(job, circuit, {
          weights: mastersChoice(job),
          constraints: { ...NO_CONSTRAINTS, neutralAt },
        }).least(MOST),
      }));
      const least = alone.reduce((a, b) =>
        (b.best?.weight ?? Infinity) < (a.best?.weight ?? Infinity) ? b : a,
      );
      const found = bestWithNeutrals(job, circuit, NO_CONSTRAINTS, MOST, open);
      expect(found.best?.weight ?? null).toBe(least.best?.weight ?? null);
      if (!found.best) return;
      expect(found.proved).toBe(true);
      expect(found.bound).toBeLessThanOrEqual(found.best.weight);
      compared += 1;
      if (new Set(alone.map(({ best }) => best?.weight)).size > 1) apart += 1;
    },
  );
  expect(compared).toBeGreaterThan(8);
  // It matters which of them get one.
  expect(apart).toBeGreaterThan(4);
});

test('of four switches in ten places every set is tried where pains are taken, else none or all, and that is told', () => {
  const job = yard();
  const circuit = findCircuit(job, 'long-shed-lights');
  if (!circuit) throw new Error('The yard has a long shed.');
  const slots = everySwitch(job, circuit);
  const untold = (thorough: boolean) =>
    bestWithNeutrals(job, circuit, NO_CONSTRAINTS, { ...MOST, thorough }, slots).notTried.map(
      ({ what }) => what,
    );
  expect(slots).toHaveLength(4);
  expect(untold(true)).toEqual([]);
  expect(untold(false)).toEqual(['someNeutrals']);
});
