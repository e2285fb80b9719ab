import { isReturn, PANEL, placeOfNode, type BoxId, type Place, type TreePlace } from '../model/ids.js';
import type { Circuit, Job } from '../model/job.js';
import type { Judgement } from '../model/judgement.js';
import type { Wiring } from '../model/wiring.js';
import { fillOf } from '../materials/boxContents.js';
import { roomForCable } from '../nec/room.js';
import {
  CABLES_IN_SMALL,
  homeRunAt,
  isHomeRun,
  kindOfBox,
  ofColours,
  ofCrossing,
  withoutNeutralAt,
} from '../planning/judged.js';
import type { PlannedCircuit } from '../planning/planCircuit.js';
import type { ColouredRun } from '../planning/arrange.js';
import type { Net } from '../planning/nets.js';

/** One thing that a master pays for in a plan: how often, at what price, and where. */
export interface Judged {
  what: keyof Judgement;
  count: number;
  /** Ten-thousandths of a dollar each. */
  each: number;
  at: Place[];
}

/**
 * What a master would pay for in a planned circuit beside material and labour: read off its runs, its boxes and their fill, apart from the
 * search, which has the same in its price tables.
 */
export const judgedPlan = (
  job: Job,
  wiring: Wiring,
  circuit: Circuit,
  { feed, runs, arrangement }: PlannedCircuit,
): Judged[] => {
  const found = new Map<keyof Judgement, Judged>();
  const add = (what: keyof Judgement, at: Place, count = 1): void => {
    if (count === 0) return;
    const known = found.get(what) ?? { what, count: 0, each: job.judgement[what], at: [] };
    known.count += count;
    if (!known.at.includes(at)) known.at.push(at);
    found.set(what, known);
  };
  const each = (counted: Partial<Record<keyof Judgement, number>>, at: Place): void => {
    for (const [what, count] of Object.entries(counted) as [keyof Judgement, number][]) add(what, at, count);
  };
  for (const { run, nets, carried, existing } of runs) {
    const at = placeOfNode(run.to);
    each(ofCrossing(nets), at);
    if (!existing && carried) each(ofColours(carried.colouring), at);
    if (isHomeRun(run)) {
      const box = placeOfNode(run.from === PANEL ? run.to : run.from) as BoxId;
      const what = homeRunAt(job, kindOfBox(job, circuit, box), box);
      if (what !== null) add(what, box);
    }
  }
  const nodes = [...new Set<TreePlace>([feed.at, ...runs.flatMap(({ run }) => [run.from, run.to])])].filter(
    (node) => node !== PANEL,
  );
  const touching = (node: TreePlace): ColouredRun[] =>
    runs.filter(({ run }) => run.from === node || run.to === node);
  const isFed = (node: TreePlace) => node === feed.at;
  const endsOf = (node: TreePlace, is: (net: Net) => boolean): number =>
    touching(node).filter(({ nets }) => nets.some(is)).length;
  for (const node of nodes) {
    const box = placeOfNode(node) as BoxId;
    const kind = kindOfBox(job, circuit, box);
    if (kind.passing)
      for (const [group, chain] of Object.entries(arrangement.chains))
        for (let step = 0; step + 1 < chain.length; step++)
          if (endsOf(node, ({ id }) => id === `${group}/T${step}a`) > 1) add('travelersThrough', box);
    const fed = isFed(node) ? 1 : 0;
    if (kind.luminaire && endsOf(node, (net) => net.kind === 'hot') + fed > 1)
      add('hotThroughLuminaire', box);
    if (!isReturn(node) && kind.switches && endsOf(node, (net) => net.kind === 'neutral') + fed === 0)
      add(withoutNeutralAt(job, box), box);
  }
  for (const box of new Set(nodes.map((node) => placeOfNode(node) as BoxId))) {
    const kind = kindOfBox(job, circuit, box);
    const cables = runs.filter(
      ({ run, existing }) => !existing && [run.from, run.to].some((node) => placeOfNode(node) === box),
    ).length;
    if (kind.small && cables > CABLES_IN_SMALL) add('cableBeyondThree', box, cables - CABLES_IN_SMALL);
    if (kind.shared) add('secondCircuit', box);
    const { needed, available, unknown } = fillOf(job, wiring, box);
    if (available !== null && unknown.length === 0 && available - needed < roomForCable(circuit.awg))
      add('littleRoom', box);
  }
  const entry = feed.at === PANEL ? entryOf(runs) : feed.at;
  const isFourWay = Object.values(arrangement.chains).some((chain) =>
    chain.some((slot, at) => {
      const box = job.slots.find(({ id }) => id === slot)?.box;
      return at > 0 && at < chain.length - 1 && box === entry;
    }),
  );
  if (isFourWay && entry !== null) add('powerIntoFourWay', entry);
  return [...found.values()];
};

const entryOf = (runs: readonly ColouredRun[]): Place | null => {
  const home = runs.find(({ run }) => isHomeRun(run))?.run;
  return home ? placeOfNode(home.from === PANEL ? home.to : home.from) : null;
};

/** Money of all of it, ten-thousandths of a dollar. */
export const priceOfPlan = (judged: readonly Judged[]): number =>
  judged.reduce((sum, { count, each }) => sum + count * each, 0);
