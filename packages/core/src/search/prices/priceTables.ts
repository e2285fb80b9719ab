import { isDeviceKept } from '../../model/there.js';
import { lyingCables } from '../../model/lying.js';
import { boxesOfCircuit } from '../../model/lookup.js';
import { PANEL, type BoxId, type Place } from '../../model/ids.js';
import type { Circuit, Job } from '../../model/job.js';
import { cablesFor } from '../../planning/carriers.js';
import { articleOf, type CableArticle } from '../../model/articles.js';
import { backgroundOf, type Background } from './background.js';
import { createMemo, type Memo } from '../../model/memo.js';
import type { PricedApart, Room, Weights } from './weights.js';
import { loadCodesOf, type LoadCodes, type LoadSize } from './loadCodes.js';
import { junctionsOf, switchedGroups } from '../orders.js';
import type { Carried, NodePrice, RunTable, Way } from './prices.js';
import { mostApart } from '../nodes.js';
import { splicesOf, type Splices } from './splices.js';
import { stationOf, type Station, type StationOf } from './stations.js';

/**
 * What all orders of one circuit have in common under one weighing. Nothing in it changes; what follows from it is worked out once,
 * whichever order asks first.
 */
export interface PriceTables {
  readonly job: Job;
  readonly circuit: Circuit;
  readonly weights: Weights;
  /** Are runs offered whose length is a guess? */
  readonly mayGuess: boolean;
  readonly background: Background;
  readonly cables: readonly CableArticle[];
  readonly splices: Splices;
  /** How what comes to a node is written as one number. */
  readonly codes: LoadCodes;
  readonly station: (asked: StationOf) => Station | null;
  /** What was worked out for one order and serves the next, by what it hangs on. */
  readonly known: {
    readonly nodes: Memo<NodePrice>;
    readonly resting: Memo<number>;
    readonly ways: Memo<Way | null>;
    readonly runs: Memo<RunTable>;
    /** By the kinds of the net classes and the cables offered, and by the classes that are carried. */
    readonly carried: Memo<Map<number, Carried | null>>;
    /** What is thought of runs, by the net classes and whether the cable is new. */
    readonly judged: Memo<Map<number, number>>;
  };
}

/** What the loads of a circuit have to hold. Hot and neutral are two classes; each switch brings another. */
const loadSizeOf = (job: Job, circuit: Circuit, cables: readonly CableArticle[]): LoadSize => {
  const feeds = job.feeds.filter((feed) => feed.circuit === circuit.id);
  const places = new Set<Place>([
    ...boxesOfCircuit(job, circuit.id),
    ...junctionsOf(job),
    ...feeds.flatMap((feed) => (feed.at === PANEL ? [] : [feed.at])),
  ]);
  const lying = (box: Place) =>
    lyingCables(job)
      .filter((cable) => cable.circuit === circuit.id && cable.between.includes(box as BoxId))
      .reduce((sum, { article }) => sum + articleOf(job.stock, 'cable', article).insulated.length, 0);
  return {
    classes: 2 + mostApart(job, circuit, boxesOfCircuit(job, circuit.id)),
    widest: Math.max(1, ...cables.map((one) => one.insulated.length)),
    existing: Math.max(0, ...[...places].map(lying)),
    // One to each other node: of each place, of groups that stay apart there, of a return run; and one from the panel.
    runs: places.size + 1 + switchedGroups(job, circuit).reduce((sum, { slots }) => sum + slots.length, 0),
  };
};

export const priceTablesOf = (
  job: Job,
  circuit: Circuit,
  weights: Weights,
  room: Room = {},
  mayGuess = true,
  pricedApart?: PricedApart,
): PriceTables => {
  const background = backgroundOf(job, circuit);
  const cables = cablesFor(job, circuit);
  const codes = loadCodesOf(loadSizeOf(job, circuit, cables));
  const stations = createMemo<Station | null>();
  return {
    job,
    circuit,
    weights,
    mayGuess,
    background,
    cables,
    // Each run brings an end of a net, and the feed another.
    splices: splicesOf(job, circuit.awg, weights, codes.mostRuns + 1),
    codes,
    station: (asked) => {
      const devices = asked.fittings.map(
        (one) => `${one.article?.id}${isDeviceKept(job, one.slot) ? '*' : ''}`,
      );
      return stations.get([asked.box, asked.fed, asked.resting ?? false, devices.sort()], () =>
        stationOf(job, circuit, background, weights, room, asked, pricedApart),
      );
    },
    known: {
      nodes: createMemo(),
      resting: createMemo(),
      ways: createMemo(),
      runs: createMemo(),
      carried: createMemo(),
      judged: createMemo(),
    },
  };
};
