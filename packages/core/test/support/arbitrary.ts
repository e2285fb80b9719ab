import fc from 'fast-check';
import type { ArticleId, Job } from '../../src/index.js';
import { jobOf } from './jobs.js';

/** Any tree over up to four switches, three luminaires and a junction box, with any chain and any neutrals. */
export const anyJob: fc.Arbitrary<Job> = fc
  .record({
    switches: fc.integer({ min: 1, max: 4 }),
    luminaires: fc.integer({ min: 1, max: 3 }),
    junctions: fc.integer({ min: 0, max: 1 }),
    shuffle: fc.array(fc.nat(), { minLength: 8, maxLength: 8 }),
    parents: fc.array(fc.nat(), { minLength: 8, maxLength: 8 }),
    neutrals: fc.option(fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }), { nil: undefined }),
    chain: fc.option(fc.array(fc.nat(), { minLength: 4, maxLength: 4 }), { nil: undefined }),
    fromBox: fc.boolean(),
    metal: fc.array(fc.boolean(), { minLength: 8, maxLength: 8 }),
    screws: fc.boolean(),
    connectors: fc.constantFrom('lever', 'pushIn', 'twistOn' as const),
    edition: fc.constantFrom(2011, 2014, 2017, 2020, 2023),
    heavy: fc.boolean(),
  })
  .map((r) => {
    const names = [
      ...Array.from({ length: r.switches }, (_, i) => `S${i + 1}`),
      ...Array.from({ length: r.luminaires }, (_, i) => `L${i + 1}`),
      ...Array.from({ length: r.junctions }, (_, i) => `J${i + 1}`),
    ]
      .map((name, i) => ({ name, key: r.shuffle[i] ?? 0 }))
      .sort((a, b) => a.key - b.key)
      .map(({ name }) => name);
    const all = r.fromBox ? names : ['F', ...names];
    // The panel gives one cable a circuit; every other place hangs on any earlier one.
    const parent = (i: number) =>
      all[i === 1 ? 0 : (r.parents[i] ?? 0) % i || (all[0] === 'F' ? 1 : 0)] ?? '';
    const switches = names.filter((name) => name.startsWith('S'));
    const job = jobOf({
      runs: all.slice(1).map((name, i) => `${parent(i + 1)}-${name}`),
      edition: r.edition,
      visible: r.parents[7] && r.parents[7] % 2 ? 'yes' : 'no',
      breaker: r.heavy ? 20 : 15,
      awg: r.heavy ? 12 : 14,
      ...(r.fromBox ? { feedAt: names[0] ?? '' } : {}),
      ...(r.neutrals ? { neutralAt: switches.filter((_, i) => r.neutrals?.[i]) } : {}),
      ...(r.chain
        ? {
            chain: switches
              .map((name, i) => ({ name, key: r.chain?.[i] ?? 0 }))
              .sort((a, b) => a.key - b.key)
              .map(({ name }) => name),
          }
        : {}),
      preferences: { connectors: r.connectors },
    });
    return {
      ...job,
      boxes: job.boxes.map((box, i) =>
        r.metal[i]
          ? { ...box, article: (box.name.startsWith('S') ? 'steel-1-18' : 'octagon-21.5') as ArticleId }
          : box,
      ),
      luminaires: job.luminaires.map((one, i) => ({
        ...one,
        terminals: r.screws ? ('screws' as const) : ('leads' as const),
        metal: r.metal[i] ?? true,
      })),
    };
  });
