import type { Compiled } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import type { Role } from '../circuit/roles.js';
import { articleOf } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import type { CableHere } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { findGroup, findLuminaire } from '../model/lookup.js';
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

/** " of Pendants" for a switch leg that leads to what this group controls; nothing where that is not told. */
const groupOn = (job: Job, { luminaires }: Compiled, net: number): string => {
  const mine = luminaires.filter(({ hot }) => hot === net).map(({ id }) => findLuminaire(job, id)?.group);
  const names = [...new Set(mine)].flatMap((group) => findGroup(job, group)?.name ?? []);
  return names.length === 1 ? ` of ${names[0] ?? ''}` : '';
};

/** What the tag of a cable goes on once the sheath is off: its hots, both travelers among them, and where neutrals are not all one its neutral. */
export const taggedOf = (
  job: Job,
  cable: CableHere['cable'],
  compiled: Compiled,
  roles: readonly Role[],
  /** Circuits meet in its box, or neutrals of one circuit stay apart there. */
  neutralsTold: boolean,
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
  const legs = insulated
    .map((colour) => ({ colour, net: netOf(colour) }))
    .filter(({ net }) => roles[net] === 'switchLeg');
  const parts = [
    ...of('hot').map((colour) => `its hot, the ${colour}`),
    ...(pairs.length > 1
      ? [`each pair of travelers by itself, ${pairs.map((pair) => pair.join(' with ')).join(', and ')}`]
      : pairs.map((pair) =>
          pair.length > 1 ? `both travelers, ${pair.join(' and ')}` : `its traveler, the ${pair.join('')}`,
        )),
    ...legs.map(({ colour, net }) =>
      legs.length > 1
        ? `the switch leg${groupOn(job, compiled, net)}, the ${colourWord(colour)}`
        : `its switch leg, the ${colourWord(colour)}`,
    ),
    ...(neutralsTold ? of('neutral').map((colour) => `its neutral, the ${colour}`) : []),
  ];
  return parts.length > 0 ? parts.join('; ') : 'its conductors';
};

/** Is the tag to stay on the switch leg, for whoever opens the box next? */
export const legTag = (job: Job, said: string): string =>
  job.preferences.switchLegs === 'tagged' && said.includes('switch leg')
    ? ' Leave it on the switch leg when the box is closed.'
    : '';
