import { lyingCables } from '../../model/lying.js';
import { articleOf } from '../../model/articles.js';
import type { BoxId, CircuitId, SlotId } from '../../model/ids.js';
import type { Choice, Job } from '../../model/job.js';
import { isGrave } from '../../code/rule.js';
import { isBeyond } from '../../nec/strangeWire.js';
import { choiceThere } from '../../planning/choiceThere.js';
import { boxesJoinedToUnknown } from '../../planning/unknownCables.js';
import { reviewCircuit, reviewJob } from '../../review/reviewJob.js';
import { byItself } from './byItself.js';
import { choicesFor } from './choices.js';
import { withDevicesFreed } from './kinds.js';
import { keepingIn, type Keeping } from './keeping.js';
import { oneWay, wrongIn, type Way } from './oneWay.js';

/** What a change asks for on what is there, beside the job as it is wanted. */
export interface Asked {
  /** Devices that are bought, be they of the kind that is there. */
  replaced: readonly SlotId[];
  /** Switches that get the neutral whatever the code asks. */
  neutralAt: readonly SlotId[];
  /** Boxes that the change is about: they are there with the circuit. */
  touched: readonly BoxId[];
  /** Is what the inspection finds now to be mended? Then conductors may leave what they are on, and what was wrong before counts. */
  mending: boolean;
}

/** Why there is no way, where that is known. */
export type NoWay = 'leadsWhoKnows' | 'beyond' | 'notMended' | 'none';

/** What tells a way from another for whoever makes it: what is opened, bought and left. */
const kindOfWay = ({ change }: Way): string =>
  JSON.stringify([
    change.opened,
    change.devices.map(({ box, article }) => [box, article]),
    change.fresh.map(({ from, to, article }) => [from, to, article]),
    ...[change.idle, change.drawnOut.map(({ id }) => id)],
  ]);

/** A way with how it was had: the changed job that it is of, by number, and its choice. */
interface Tried extends Way {
  variant: number;
  choice: Choice;
}

/** What was found, the least first. */
export interface Ways {
  ok: true;
  ways: Way[];
  keeping: Keeping[];
  /** Are there more ways than were tried? Then what is called the least is the least that was found. */
  partial: boolean;
}

const byCost = (ways: readonly Tried[]): Tried[] =>
  [...ways].sort(
    (a, b) => a.change.cost.cost - b.change.cost.cost || a.change.opened.length - b.change.opened.length,
  );

/** The first so many ways: those by which nothing new is wrong, the cheapest first; then those by which least is. */
const ranked = (
  /** The cheapest first. */
  ways: readonly Tried[],
  wrong: (way: Way) => number,
  most: number,
): { way: Tried; wrong: number }[] => {
  const seen = new Set<string>();
  const clean: { way: Tried; wrong: number }[] = [];
  const others: { way: Tried; wrong: number }[] = [];
  // To inspect takes longer than to plan, so it ends as soon as enough are found.
  for (const way of ways) {
    const kind = kindOfWay(way);
    // One that is clean, and does the same for no more, is there already.
    if (seen.has(`0 ${kind}`)) continue;
    const one = { way, wrong: wrong(way) };
    const key = `${one.wrong} ${kind}`;
    if (seen.has(key)) continue;
    seen.add(key);
    (one.wrong === 0 ? clean : others).push(one);
    if (clean.length === most) break;
  }
  return [...clean, ...others.sort((a, b) => a.wrong - b.wrong)].slice(0, most);
};

/**
 * The ways to make a change of a circuit that is told of, the least first. A way that cannot be made, that needs a cable of unknown length,
 * or that would part what hangs on a cable of which nobody knows where it leads, is none. They are worked out on the circuit with those that it
 * meets, and the best held against the whole job.
 */
export const waysOnExisting = (
  /** The job in which the circuit stands, and with all that is wanted of it before this change. */
  { stood, wanted }: { stood: Job; wanted: Job },
  /** The job as it is asked for, in each way in which it may be had. */
  changed: (job: Job) => Job[],
  circuit: CircuitId,
  { replaced, neutralAt, mending, touched }: Asked,
  most: number,
): Ways | { ok: false; why: NoWay } => {
  const standing = byItself(stood, circuit, touched);
  const there = choiceThere(standing, circuit);
  const before = reviewJob(standing);
  const strange = boxesJoinedToUnknown(standing);
  const ways: Tried[] = [];
  let leadsWhoKnows = false;
  let partial = false;
  const leaveOut = () => (partial = true);
  const isBeyondUs = lyingCables(standing).some(
    (cable) => cable.circuit === circuit && isBeyond(articleOf(standing.stock, 'cable', cable.article)),
  );
  changed(byItself(wanted, circuit, touched)).forEach((one, variant) => {
    const bare = withDevicesFreed(one, circuit);
    const [tried, met] = [new Set<string>(), new Set<string>()];
    for (const choice of choicesFor(bare, circuit, there, { neutralAt, mending }, leaveOut)) {
      const key = JSON.stringify(choice);
      if (tried.has(key)) continue;
      tried.add(key);
      const way = oneWay(before, bare, choice, replaced, met);
      if (way?.change.opened.some((box) => strange.has(box))) leadsWhoKnows = true;
      else if (way) ways.push({ ...way, variant, choice });
    }
  });
  const cheapest = byCost(ways);
  const best = ranked(cheapest, (way) => wrongIn(before, way, circuit, mending), most);
  if (best.length === 0)
    return { ok: false, why: leadsWhoKnows ? 'leadsWhoKnows' : isBeyondUs ? 'beyond' : 'none' };
  const all = reviewJob(stood);
  const jobs = changed(wanted).map((one) => withDevicesFreed(one, circuit));
  const onWhole = best.flatMap(({ way: { variant, choice } }) => {
    const job = jobs[variant];
    const way = job && oneWay(all, job, choice, replaced, new Set());
    return way ? [{ ...way, variant, choice }] : [];
  });
  const held = ranked(byCost(onWhole), (way) => wrongIn(all, way, circuit, mending), most);
  const answer = (all: typeof held): Ways => {
    const first = best.find(({ way }) => way.choice === all[0]?.way.choice)?.way;
    return {
      ok: true,
      partial,
      ways: all.map(({ way }) => way),
      keeping: first ? keepingIn(before, first, cheapest, circuit, mending) : [],
    };
  };
  if (!mending) return answer(held);
  const { findings, proofs } = reviewCircuit(all, circuit);
  const now = findings.filter(isGrave).length;
  const works = proofs.every((one) => one.working === one.positions);
  const mended = held.filter((one) => !works || one.wrong < now);
  return mended.length > 0 ? answer(mended) : { ok: false, why: 'notMended' };
};
