import { findCableThere } from '../model/lying.js';
import { articleOf } from '../model/articles.js';
import { PANEL, type Place } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { ofId } from '../model/records.js';
import { circuitName } from '../model/lookup.js';
import { placeOfEnd, type Cable, type End, type Wiring } from '../model/wiring.js';
import { groupsByNet } from './groupsByNet.js';
import { placeTag, runName } from './places.js';
import { compile } from '../circuit/compile.js';
import { createDuty } from '../circuit/duty.js';
import { conductorKey } from '../circuit/keys.js';
import { circuitsByCable } from '../circuit/roles.js';

/** The other place of a cable, seen from one of its sides. */
export const otherPlace = (cable: Cable, side: End['side']): Place =>
  placeOfEnd(cable, side === 'from' ? 'to' : 'from');

/** The number that was printed on the tags of a cable; null while none was. */
export const tagNumberOf = ({ order }: Pick<Job, 'order'>, cable: Pick<Cable, 'id'>): number | null =>
  ofId(order.numbers, cable.id) ?? null;

/**
 * A feed that the job tells of without its cable: power arrives there, but nobody has said by which cable or from where, so
 * none is named.
 */
export const isUntoldFeed = (job: Job, cable: Cable): boolean =>
  cable.existing && cable.from === PANEL && !findCableThere(job, cable.id);

/** A cable by its kind and where it goes. */
const plainWord = (job: Job, cable: Cable, side: End['side']): string =>
  isUntoldFeed(job, cable)
    ? 'supply cable as found'
    : `${articleOf(job.stock, 'cable', cable.article).name} to ${placeTag(job, otherPlace(cable, side))}`;

interface Named {
  cable: Cable;
  side: End['side'];
  plain: string;
  /** What tells it from another of the same plain name; empty where it has that name alone. */
  told: string;
}

const keyOf = (cable: string, side: string): string => `${cable} ${side}`;

/** Cables between the same two places are told by circuit, then by the groups that they serve where that tells each, by duty, by number. */
const tellApart = (same: readonly Named[], words: readonly ((one: Named) => string)[]): void => {
  const [word, ...others] = words;
  if (same.length < 2 || !word) return;
  const said = same.map(word);
  if (new Set(said).size > 1)
    same.forEach((one, i) => (one.told = [one.told, said[i]].filter((part) => part !== '').join(', ')));
  for (const each of new Set(said))
    tellApart(
      same.filter((_, i) => said[i] === each),
      others,
    );
};

const namesOf = (job: Job, wiring: Wiring): Map<string, Named> => {
  const named = wiring.cables.flatMap((cable) =>
    (['from', 'to'] as const).map((side): Named => ({
      cable,
      side,
      plain: plainWord(job, cable, side),
      told: '',
    })),
  );
  const alike = new Map<string, Named[]>();
  for (const one of named) {
    // Of whatever kind: once the sheath is off, its tag is all that is left to read.
    const other = isUntoldFeed(job, one.cable) ? one.plain : otherPlace(one.cable, one.side);
    const key = `${placeOfEnd(one.cable, one.side)} ${other}`;
    alike.set(key, [...(alike.get(key) ?? []), one]);
  }
  const doubles = [...alike.values()].filter((same) => same.length > 1);
  if (doubles.length > 0) {
    const compiled = compile(wiring, job);
    const circuits = circuitsByCable(wiring, job, compiled);
    const duty = createDuty(wiring, job, compiled);
    const groups = groupsByNet(job, wiring, compiled);
    const groupsOn = ({ id, article }: Cable) =>
      new Set(
        articleOf(job.stock, 'cable', article).insulated.flatMap((colour) => [
          ...(groups[compiled.netOf(conductorKey(id, colour)) ?? -1] ?? []),
        ]),
      );
    for (const same of doubles) {
      const served = same.map(({ cable }) => [...groupsOn(cable)].sort().join(' and '));
      const byGroup = !served.includes('') && new Set(served).size === same.length;
      const groupOf = (one: Named) => served[same.indexOf(one)] ?? '';
      tellApart(same, [
        ({ cable }) => [...(circuits.get(cable.id) ?? [])].map((id) => circuitName(job, id)).join(' and '),
        ...(byGroup ? [groupOf] : []),
        ({ cable }) => duty(cable),
        groupOf,
        (one) => `number ${same.indexOf(one) + 1}`,
      ]);
    }
  }
  return new Map(named.map((one) => [keyOf(one.cable.id, one.side), one]));
};

/** A job and a wiring are never mutated, so the names of its cables are found once. */
const known = new WeakMap<Job, WeakMap<Wiring, Map<string, Named>>>();

const nameOf = (job: Job, wiring: Wiring, cable: Cable, side: End['side']): Named => {
  const ofJob = known.get(job) ?? new WeakMap<Wiring, Map<string, Named>>();
  known.set(job, ofJob);
  const names = ofJob.get(wiring) ?? namesOf(job, wiring);
  ofJob.set(wiring, names);
  return names.get(keyOf(cable.id, side)) ?? { cable, side, plain: plainWord(job, cable, side), told: '' };
};

/** What tells a cable from another of the same kind that goes to the same place: its circuit, its duty; empty where none does. */
export const cableTold = (job: Job, wiring: Wiring, cable: Cable, side: End['side']): string =>
  nameOf(job, wiring, cable, side).told;

/** A cable as it is told from its fellows in a box: its kind, where it goes, and where that is not enough its circuit and duty. */
export const cableWord = (job: Job, wiring: Wiring, cable: Cable, side: End['side']): string => {
  const { plain, told } = nameOf(job, wiring, cable, side);
  return told === '' ? plain : `${plain} (${told})`;
};

/** A run by its ends, and where two cables lie between these, by what tells the one from the other: "Yard door to Stove end (Long shed)". */
export const runTold = (job: Job, wiring: Wiring, cable: Cable): string => {
  const told = cableTold(job, wiring, cable, 'to');
  return `${runName(job, cable)}${told === '' ? '' : ` (${told})`}`;
};
