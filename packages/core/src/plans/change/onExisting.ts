import type { BoxId, CircuitId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { isGrave } from '../../code/rule.js';
import { reviewCircuit, reviewJob, type JobReview } from '../../review/reviewJob.js';
import { byItself } from './byItself.js';
import { withDevicesFreed } from './kinds.js';
import { keepingIn, type Keeping } from './keeping.js';
import { byCost, waysByCost, type Asked, type NoWay, type Tried } from './leastWays.js';
import { oneWay, wrongIn, wrongOf, type Way } from './oneWay.js';

/** So many ways are told beside each other. */
export const MOST_WAYS = 3;

/** What tells a way from another for whoever makes it: what is opened, bought and left. */
const kindOfWay = ({ change }: Way): string =>
  JSON.stringify([
    change.opened,
    change.devices.map(({ box, article }) => [box, article]),
    change.fresh.map(({ from, to, article }) => [from, to, article]),
    ...[change.idle, change.drawnOut.map(({ id }) => id)],
  ]);

/** What was found, the least first. */
export interface Ways {
  ok: true;
  ways: Way[];
  /** Why the first gives old cables up. */
  keeping: () => Keeping[];
  /** Are there more ways than were tried? Then what is called the least is the least that was found. */
  partial: boolean;
}

/** The rule of the box that a fan hangs on: it stays, whichever way is taken, so what is wrong with it tells no way from another. */
export const FAN_SUPPORT = 'fan-support';

const wrongByWay = (before: JobReview, way: Way, circuit: CircuitId, mending: boolean): number =>
  wrongOf(before, way, circuit, mending).filter(({ rule }) => rule !== FAN_SUPPORT).length;

/** The first so many ways: those by which nothing new is wrong, the cheapest first; then those by which least is. */
const ranked = (
  /** The cheapest first. */
  ways: Iterable<Tried>,
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
  {
    touched,
    ...asked
  }: Asked & {
    /** Boxes that the change is about: they are there with the circuit. */
    touched: readonly BoxId[];
  },
  /** So many at most, of `MOST_WAYS`. */
  most: number,
): Ways | { ok: false; why: NoWay } => {
  const standing = byItself(stood, circuit, touched);
  const before = reviewJob(standing);
  const found = waysByCost(before, changed(byItself(wanted, circuit, touched)), circuit, asked);
  const { mending, replaced } = asked;
  const all = reviewJob(stood);
  const jobs = changed(wanted).map((one) => withDevicesFreed(one, circuit));
  const cheapest = found.ways();
  const counted = mending ? wrongIn : wrongByWay;
  /** The best by themselves, and as they are on the whole job. */
  const heldOf = (count: number) => {
    const best = ranked(cheapest, (way) => counted(before, way, circuit, mending), count);
    const onWhole = best.flatMap(({ way: { variant, choice } }) => {
      const job = jobs[variant];
      const way = job && oneWay(all, job, choice, replaced, new Set());
      return way ? [{ ...way, variant, choice }] : [];
    });
    const held = ranked(byCost(onWhole), (way) => counted(all, way, circuit, mending), count);
    return { best, held };
  };
  const isAsGood = ({ best, held }: ReturnType<typeof heldOf>): boolean =>
    held.length === best.length && held.every(({ wrong }, i) => wrong === best[i]?.wrong);
  const few = heldOf(most);
  // What is otherwise on the whole job gives way to the next.
  const { best, held } = most < MOST_WAYS && !isAsGood(few) ? heldOf(MOST_WAYS) : few;
  if (best.length === 0) return { ok: false, why: found.whyNone() };
  const answer = (ways: typeof held): Ways => {
    const first = best.find(({ way }) => way.choice === ways[0]?.way.choice)?.way;
    return {
      ok: true,
      partial: found.isPartial(),
      ways: ways.slice(0, most).map(({ way }) => way),
      keeping: () => (first ? keepingIn(before, first, found.ways, circuit, mending) : []),
    };
  };
  if (!mending) return answer(held);
  const { findings, proofs } = reviewCircuit(all, circuit);
  const now = findings.filter(isGrave).length;
  const works = proofs.every((one) => one.working === one.positions);
  const mended = held.filter((one) => !works || one.wrong < now);
  return mended.length > 0 ? answer(mended) : { ok: false, why: 'notMended' };
};
