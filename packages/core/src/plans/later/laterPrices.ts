import { articleOf } from '../../model/articles.js';
import type { CircuitId } from '../../model/ids.js';
import type { Choice, Job } from '../../model/job.js';
import { findBox, findLuminaire } from '../../model/lookup.js';
import { offersOfStock } from '../../materials/boxChoice.js';
import { reviewJob } from '../../review/reviewJob.js';
import { leastChange } from '../change/leastChange.js';
import { FAN_SUPPORT } from '../change/onExisting.js';
import { withChoice } from '../withChoice.js';
import { asBuilt } from './asBuilt.js';
import { changeOf, type Later } from './laters.js';

/** What something that comes later costs under one way: money in ten-thousandths of a dollar; or why it cannot be had there. */
export type LaterPrice =
  | {
      ok: true;
      cost: number;
      minutes: number;
      /** Feet of cable that come new, and boxes that are opened. */
      feet: number;
      opened: number;
      /** What today's rules then ask beyond that, in words. */
      asks: string[];
    }
  | { ok: false; why: string };

const BOX_VOLUME = 'box-volume';

/** A box of the stock for a fan in a finished ceiling, with its minutes; null where the stock has none. */
const fanBox = (job: Job): { cost: number; minutes: number } | null => {
  const [found] = offersOfStock(job.stock)
    .filter(
      ({ articles, gangs }) => gangs === 0 && articles.every((one) => one.fanRated && one.work === 'old'),
    )
    .map(({ price }) => price);
  const minutes = job.labour.box.old;
  return found === undefined ? null : { cost: found + (minutes * job.labour.rate) / 60, minutes };
};

const onFanBox = (built: Job, later: Later): boolean => {
  const box = 'luminaire' in later ? findBox(built, findLuminaire(built, later.luminaire)?.box) : undefined;
  if (!box?.article) return true;
  return [box.article, ...box.sections].every((id) => articleOf(built.stock, 'box', id).fanRated);
};

/** Prices of what may come under one way of a circuit: the way is built once, and each change planned on it. */
export const laterPricesOf = (
  job: Job,
  circuit: CircuitId,
  choice: Choice,
): ((later: Later) => LaterPrice) => {
  const built = asBuilt(withChoice(job, circuit, choice));
  const gravest = (one: Job) =>
    reviewJob(one)
      .findingsOn(circuit)
      .filter(({ severity }) => severity === 'violation');
  const before = new Set(gravest(built).map(({ rule }) => rule));
  return (later) => {
    const change = changeOf(built, later);
    if (!change) return { ok: false, why: 'It is not there any more.' };
    const outcome = leastChange(built, change, 1);
    if (!outcome.ok) return { ok: false, why: `${outcome.refusal.title}.` };
    const { cost, asks, opened, runs } = outcome.value;
    const swap = onFanBox(built, later) ? { cost: 0, minutes: 0 } : fanBox(built);
    if (!swap) return { ok: false, why: 'The stock has no box for a fan in a finished ceiling.' };
    const broken = asks.filter(
      ({ rule, severity }) =>
        severity === 'violation' && !before.has(rule) && !(rule === FAN_SUPPORT && 'luminaire' in later),
    );
    const [full] = broken.filter(({ rule }) => rule === BOX_VOLUME);
    if (full) return { ok: false, why: `A box would be too small: ${full.title}.` };
    return {
      ok: true,
      cost: cost.cost + swap.cost,
      minutes: cost.minutes + swap.minutes,
      feet: runs.filter(({ existing }) => !existing).reduce((sum, { feet }) => sum + (feet ?? 0), 0),
      opened: opened.filter((box) => findBox(built, box) !== undefined).length,
      asks: broken.map(({ title }) => title),
    };
  };
};

/** What may come, with its price under each of several ways; null where it is not worked out yet. */
export interface LaterRow {
  later: Later;
  prices: (LaterPrice | null)[];
}

/** Prices of each of these under each way. `onProgress` gets what is known after each. */
export const laterTable = (
  job: Job,
  circuit: CircuitId,
  choices: readonly Choice[],
  laters: readonly Later[],
  onProgress?: (soFar: LaterRow[]) => void,
  mayGoOn: () => boolean = () => true,
): LaterRow[] => {
  const pricesBy = choices.map((choice) => laterPricesOf(job, circuit, choice));
  const rows = laters.map((later): LaterRow => ({ later, prices: choices.map(() => null) }));
  for (const row of rows)
    for (const [way, price] of pricesBy.entries()) {
      if (!mayGoOn()) return rows;
      row.prices[way] = price(row.later);
      onProgress?.(rows.map((one) => ({ ...one, prices: [...one.prices] })));
    }
  return rows;
};
