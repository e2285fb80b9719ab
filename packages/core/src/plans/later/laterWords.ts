import { findBox, findGroup, findLuminaire, findSlot, slotsInBox } from '../../model/lookup.js';
import type { Job } from '../../model/job.js';
import { dollars } from '../../model/units.js';
import type { Later } from './laters.js';
import type { LaterPrice } from './laterPrices.js';

const WORDS: Record<Later['what'], string> = {
  dimmer: 'a dimmer',
  sensor: 'a sensor',
  anotherSwitch: 'one more switch',
  receptacle: 'a receptacle',
  fan: 'a fan',
};

/** "a sensor"; where several switches stand in its box, with what this one controls: "a sensor for Pendants". */
export const sayLaterHere = (job: Job, later: Later): string => {
  if (!('slot' in later)) return WORDS.fan;
  const slot = findSlot(job, later.slot);
  const isOne = !slot || slotsInBox(job, slot.box).length < 2 || later.what === 'receptacle';
  return isOne ? WORDS[later.what] : `${WORDS[later.what]} for ${findGroup(job, slot.group)?.name ?? ''}`;
};

/** "a sensor at Yard door". */
export const sayLater = (job: Job, later: Later): string => {
  const at = 'slot' in later ? findSlot(job, later.slot)?.box : findLuminaire(job, later.luminaire)?.box;
  return `${sayLaterHere(job, later)} at ${findBox(job, at)?.name ?? ''}`;
};

/** What the prices of what comes later rest on. */
export const sayLaterRests = ({ routing }: Pick<Job, 'routing'>): string =>
  `Counted as if each plan were built and its walls closed: cable that is open now is fished, one more switch is ${Math.round(routing.runGuess / 12)} ft away, a receptacle 5 ft down the same bay. Patching and the fan itself are not in it. Nothing of this is proved.`;

/** What more is paid now and saved later, or the other way round, of two ways; null where there is nothing to choose between. */
export const saySaved = (
  job: Job,
  { more, other }: { more: number; other: string },
  later: Later,
  [ours, theirs]: readonly [LaterPrice, LaterPrice],
): string | null => {
  const when = `when ${sayLater(job, later)} comes`;
  const now =
    Math.abs(more) < 50
      ? `For the same money as ${other} now`
      : `${dollars(Math.abs(more))} ${more > 0 ? 'more' : 'less'} than ${other} now`;
  if (ours.ok && !theirs.ok)
    return `${now}; ${when}, it can be had here for ${dollars(ours.cost)}, and with ${other} not.`;
  if (!ours.ok || !theirs.ok) return null;
  const saved = theirs.cost - ours.cost;
  if (Math.abs(saved) < 10_000) return null;
  return `${now} ${saved > 0 ? 'saves' : 'costs'} ${dollars(Math.abs(saved))}${saved > 0 ? '' : ' more'} ${when}.`;
};
