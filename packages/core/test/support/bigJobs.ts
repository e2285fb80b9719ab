import fc from 'fast-check';
import type * as z from 'zod';
import {
  jobShape,
  newJob,
  standardStock,
  type ArticleId,
  type BoxId,
  type CircuitId,
  type FeedId,
  type GroupId,
  type Job,
  type JobId,
} from '../../src/index.js';
import type { LuminaireId, Place, RoomId, SlotId } from '../../src/index.js';

const STOCK = standardStock();
const WALLS = ['W1', 'W2', 'W3'];
const CEILINGS = ['C1', 'C2', 'C3'];

const anyGroup = fc.record({
  circuit: fc.integer({ min: 0, max: 1 }),
  switches: fc.array(fc.nat({ max: WALLS.length - 1 }), { minLength: 1, maxLength: 3 }),
  luminaires: fc.array(fc.nat({ max: CEILINGS.length - 1 }), { minLength: 1, maxLength: 2 }),
});

/**
 * Jobs of one to three groups on one or two circuits that share multi-gang boxes and luminaire boxes: several switches
 * of a group may stand in one box, two circuits may meet in any box.
 */
export const anyBigJob: fc.Arbitrary<Job> = fc
  .record({
    groups: fc.array(anyGroup, { minLength: 1, maxLength: 3 }),
    parents: fc.array(fc.nat(), { minLength: 16, maxLength: 16 }),
    order: fc.array(fc.nat(), { minLength: 16, maxLength: 16 }),
    feedInBox: fc.boolean(),
    steel: fc.boolean(),
    every: fc.boolean(),
    visible: fc.boolean(),
    sizes: fc.tuple(fc.boolean(), fc.boolean()),
  })
  .map((r): Job => {
    const circuitOf = (i: number) => `c${i}` as CircuitId;
    const used = [...new Set(r.groups.map((group) => group.circuit))].sort();
    const groups = r.groups.map((group, i) => ({
      id: `g${i}` as GroupId,
      name: `Group ${i}`,
      circuit: circuitOf(group.circuit),
      room: 'r' as RoomId,
    }));
    const gangs = new Map<string, number>();
    const slots = r.groups.flatMap((group, i) =>
      group.switches.map((wall, k) => {
        const box = WALLS[wall] ?? 'W1';
        const gang = gangs.get(box) ?? 0;
        gangs.set(box, gang + 1);
        return { id: `s${i}.${k}` as SlotId, box: box as BoxId, gang, group: `g${i}` as GroupId };
      }),
    );
    const luminaires = r.groups.flatMap((group, i) =>
      group.luminaires.map((ceiling, k) => ({
        id: `l${i}.${k}` as LuminaireId,
        name: `Luminaire ${i}.${k}`,
        box: (CEILINGS[ceiling] ?? 'C1') as BoxId,
        group: `g${i}` as GroupId,
        va: 20 + 10 * k,
        terminals: k === 0 ? ('leads' as const) : ('screws' as const),
        leadAwg: 18 as const,
        metal: i !== 1,
      })),
    );
    const ofCircuit = (circuit: string) => {
      const ids = new Set<string>(
        groups.filter((group) => group.circuit === circuit).map((group) => group.id),
      );
      return [
        ...new Set([...slots, ...luminaires].filter((one) => ids.has(one.group)).map((one) => one.box)),
      ];
    };
    const boxes = [...new Set([...slots, ...luminaires].map((one) => one.box))];
    const shuffled = (names: BoxId[], offset: number) =>
      names
        .map((name, i) => ({ name, key: r.order[(i + offset) % r.order.length] ?? 0 }))
        .sort((a, b) => a.key - b.key)
        .map(({ name }) => name);
    const plans = used.map((index) => {
      const circuit = circuitOf(index);
      const names = shuffled(ofCircuit(circuit), index * 5);
      const all: Place[] = r.feedInBox ? names : ['panel', ...names];
      const runs = all.slice(1).map((to, i) => ({
        // The panel gives one cable a circuit.
        from:
          all[
            i === 0
              ? 0
              : Math.max(all[0] === 'panel' ? 1 : 0, (r.parents[(i + index * 7) % 16] ?? 0) % (i + 1))
          ] ?? 'panel',
        to: to as BoxId,
      }));
      return { circuit, feed: { id: `f${index}` as FeedId, circuit, at: all[0] ?? 'panel' }, runs };
    });
    const job = newJob('big' as JobId, 'Big', STOCK);
    return jobShape.parse({
      ...job,
      preferences: { ...job.preferences, neutral: r.every ? 'everySwitch' : 'byEdition' },
      rooms: [
        { id: 'r' as RoomId, name: 'Room', kind: 'habitable', wholeFloorVisible: r.visible ? 'yes' : 'no' },
      ],
      circuits: used.map((index) => {
        const heavy = r.sizes[index as 0 | 1];
        return {
          id: circuitOf(index),
          name: `Circuit ${index}`,
          breaker: heavy ? 20 : 15,
          awg: heavy ? 12 : 14,
        };
      }),
      feeds: plans.map((plan) => plan.feed),
      boxes: boxes.map((id) => ({
        id,
        name: id,
        article: (id.startsWith('W') ? 'wall-deep' : r.steel ? 'octagon-21.5' : 'ceiling-22.5') as ArticleId,
        accessible: 'no',
      })),
      // A box for any number of devices, so that gangs do not decide here.
      stock: [
        ...STOCK,
        {
          kind: 'box',
          id: 'wall-deep' as ArticleId,
          name: '8-gang steel',
          volume: 2_000_000,
          gangs: 8,
          metal: r.steel,
          internalClamps: r.steel,
          work: 'new',
        },
      ],
      slots,
      luminaires,
      groups,
      choices: plans.map(({ circuit, feed, runs }) => ({ circuit, feed: feed.id, runs })),
    } satisfies z.input<typeof jobShape>);
  });
