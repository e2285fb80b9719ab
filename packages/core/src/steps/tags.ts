import type { Compiled } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import type { Role } from '../circuit/roles.js';
import { articleOf } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import type { CableHere } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { colourWord } from '../words/wires.js';

/** Travelers of a cable by the two switches that they run between, in words. */
const travelerPairs = (
  { devices }: Compiled,
  travelers: readonly { colour: Colour; net: number }[],
): string[][] => {
  const pairs = new Map<string, string[]>();
  for (const { colour, net } of travelers) {
    const between = devices
      .filter(({ switched }) => switched.includes(net))
      .map(({ id }) => id)
      .sort()
      .join();
    pairs.set(between, [...(pairs.get(between) ?? []), colourWord(colour)]);
  }
  return [...pairs.values()];
};

/** What the tag of a cable goes on once the sheath is off: its hots, both travelers among them, and where circuits meet its neutral. */
export const taggedOf = (
  job: Job,
  cable: CableHere['cable'],
  compiled: Compiled,
  roles: readonly Role[],
  circuitsMeet: boolean,
): string => {
  const { insulated } = articleOf(job.stock, 'cable', cable.article);
  const netOf = (colour: (typeof insulated)[number]) => compiled.netOf(conductorKey(cable.id, colour)) ?? -1;
  const of = (role: Role) =>
    insulated.filter((colour) => roles[netOf(colour)] === role).map((colour) => colourWord(colour));
  const pairs = travelerPairs(
    compiled,
    insulated
      .filter((colour) => roles[netOf(colour)] === 'traveler')
      .map((colour) => ({ colour, net: netOf(colour) })),
  );
  const parts = [
    ...of('hot').map((colour) => `its hot, the ${colour}`),
    ...(pairs.length > 1
      ? [`each pair of travelers by itself, ${pairs.map((pair) => pair.join(' with ')).join(', and ')}`]
      : pairs.map((pair) =>
          pair.length > 1 ? `both travelers, ${pair.join(' and ')}` : `its traveler, the ${pair.join('')}`,
        )),
    ...of('switchLeg').map((colour) => `its switch leg, the ${colour}`),
    ...(circuitsMeet ? of('neutral').map((colour) => `its neutral, the ${colour}`) : []),
  ];
  return parts.length > 0 ? parts.join('; ') : 'its conductors';
};

/** Is the tag to stay on the switch leg, for whoever opens the box next? */
export const legTag = (job: Job, said: string): string =>
  job.preferences.switchLegs === 'tagged' && said.includes('switch leg')
    ? ' Leave it on the switch leg when the box is closed.'
    : '';
