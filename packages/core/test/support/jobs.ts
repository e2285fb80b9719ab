import type * as z from 'zod';
import {
  jobShape,
  newJob,
  PANEL,
  planJob,
  returnPlaceOf,
  standardStock,
  wiringOrEmpty,
  type BoxId,
  type Circuit,
  type CircuitId,
  type Edition,
  type FeedId,
  type GroupId,
  type Job,
  type JobId,
  type Place,
  type SlotId,
  type TreePlace,
} from '../../src/index.js';

/** A circuit in shorthand: places are F (the panel), S1, S2 ... and L, L1, L2 ..., J1 ...; L' ends a return run. */
export interface Shorthand {
  runs: string[];
  edition?: Edition;
  /** Line end first. */
  chain?: string[];
  neutralAt?: string[];
  breaker?: Circuit['breaker'];
  awg?: Circuit['awg'];
  roomKind?: Job['rooms'][number]['kind'];
  visible?: 'yes' | 'no' | 'unknown';
  accessible?: 'yes' | 'no' | 'unknown';
  feedAt?: string;
  preferences?: Partial<Job['preferences']>;
}

const STOCK = standardStock();

const place = (name: string): Place => (name === 'F' ? PANEL : (name as BoxId));

/** L' is the far place of L, where a return run ends. */
const node = (name: string): TreePlace =>
  name.endsWith("'") ? returnPlaceOf(name.slice(0, -1) as BoxId) : place(name);

/** The big ceiling box and wall box, so that fill does not matter unless a test is about it. */
export const jobOf = (short: Shorthand): Job => {
  const circuit = 'c1' as CircuitId;
  const group = 'g1' as GroupId;
  const feed = 'f1' as FeedId;
  const names = [
    ...new Set([
      ...short.runs.flatMap((run) => run.replaceAll("'", '').split('-')),
      ...(short.feedAt ? [short.feedAt] : []),
    ]),
  ];
  const boxes = names.filter((name) => name !== 'F');
  const slot = (name: string) => `slot:${name}` as SlotId;
  const job = newJob('test' as JobId, 'Test', []);
  const parsed = jobShape.parse({
    ...job,
    edition: short.edition ?? 2023,
    preferences: { ...job.preferences, ...short.preferences },
    rooms: [
      {
        id: 'r1',
        name: 'Room',
        kind: short.roomKind ?? 'habitable',
        wholeFloorVisible: short.visible ?? 'no',
      },
    ],
    circuits: [
      { id: circuit, name: 'Lights', breaker: short.breaker ?? 15, awg: short.awg ?? 14, afci: 'yes' },
    ],
    feeds: [{ id: feed, circuit, at: place(short.feedAt ?? 'F') }],
    boxes: boxes.map((name) => ({
      id: name,
      name,
      article: name.startsWith('S') ? 'wall-1-22.5' : 'ceiling-22.5',
      accessible: short.accessible ?? 'no',
    })),
    slots: boxes
      .filter((name) => name.startsWith('S'))
      .map((name) => ({ id: slot(name), box: name, gang: 0, group })),
    luminaires: boxes
      .filter((name) => name.startsWith('L'))
      .map((name) => ({
        id: `lamp:${name}`,
        name,
        box: name,
        group,
        va: 60,
        terminals: 'leads',
        leadAwg: 18,
        metal: true,
      })),
    groups: [{ id: group, name: 'Lights', circuit, room: 'r1' }],
    choices: [
      {
        circuit,
        feed,
        runs: short.runs.map((run) => {
          const [from = '', to = ''] = run.split('-');
          return { from: node(from), to: node(to) };
        }),
        ...(short.chain ? { chains: { [group]: short.chain.map(slot) } } : {}),
        ...(short.neutralAt ? { neutralAt: short.neutralAt.map(slot) } : {}),
      },
    ],
  } satisfies z.input<typeof jobShape>);
  // The stock was checked when it was made, and checking it takes longer than all the rest.
  return { ...parsed, stock: STOCK };
};

/** Plans a job that must be plannable. */
export const planned = (job: Job) => {
  const { job: made, circuits } = planJob(job);
  for (const { outcome } of circuits) if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  return { job: made, wiring: wiringOrEmpty(made), circuits };
};

/** What each run carries: "S1-S2: black=H red=T0b white=T0a", insulated conductors in the cable's order. */
export const carriedOn = (job: Job): Record<string, Record<string, string>> => {
  const [plan] = planned(job).circuits;
  if (!plan?.outcome.ok) throw new Error('not planned');
  return Object.fromEntries(
    plan.outcome.value.runs.map(({ run, carried }) => [
      `${run.from === PANEL ? 'F' : run.from}-${run.to}`.replace('~return', "'"),
      Object.fromEntries(
        (carried?.colouring ?? []).map(({ colour, net }) => [colour, net?.id.split('/')[1] ?? 'spare']),
      ),
    ]),
  );
};

/** Insulated conductors on each run. */
export const widths = (job: Job): Record<string, number> =>
  Object.fromEntries(
    Object.entries(carriedOn(job)).map(([run, colours]) => [run, Object.keys(colours).length]),
  );
