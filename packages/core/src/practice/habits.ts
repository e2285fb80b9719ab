import { BUILT } from '../edits/wiring/documents.js';
import { articleOf } from '../model/articles.js';
import { hueOf } from '../model/colours.js';
import type { Job } from '../model/job.js';
import { findSlot } from '../model/lookup.js';
import { terminalKey, type Device, type Wiring } from '../model/wiring.js';
import { wiringOrEmpty } from '../proving/works.js';
import { listed } from '../words/lists.js';
import { placeName } from '../words/places.js';

/** A colour as it is seen. */
type Seen = ReturnType<typeof hueOf>;

/** The colour of what is landed on a terminal; a tail has that of its own. */
const colourOn = (wiring: Wiring, key: string): Seen | null => {
  const landing = wiring.landings.find(({ terminal }) => terminalKey(terminal) === key);
  if (!landing) return null;
  const { wire } = landing;
  if ('end' in wire) return hueOf(wire.end.colour);
  for (const { members } of wiring.joints)
    for (const member of members)
      if ('pigtail' in member && member.pigtail.id === wire.pigtail) return hueOf(member.pigtail.colour);
  return null;
};

/** On which side of a switch each traveler is, by its colour; of one without travelers nothing. */
const travelersOf = (job: Job, wiring: Wiring, device: Device): Map<Seen, 'left' | 'right'> => {
  const { terminals } = articleOf(job.stock, 'device', device.article);
  return new Map(
    terminals.flatMap(({ name, use, face }) => {
      if (!['traveler', 'in', 'out'].includes(use)) return [];
      const colour = colourOn(wiring, terminalKey({ device: device.id, name }));
      return colour === null ? [] : [[colour, face.side] as const];
    }),
  );
};

/** Same colour on the same side at every switch of a group, where that is how the shop works. */
const ofTravelers = (job: Job, wiring: Wiring): string[] => {
  if (job.preferences.travelers !== 'sameSide') return [];
  return job.groups.flatMap(({ id }) => {
    const switches = wiring.devices
      .filter(({ slot }) => findSlot(job, slot)?.group === id)
      .map((device) => ({ device, sides: travelersOf(job, wiring, device) }))
      .filter(({ sides }) => sides.size > 1);
    const [first, ...others] = switches;
    if (!first) return [];
    return others.flatMap(({ device, sides }) => {
      const turned = [...sides].filter(([colour, side]) => {
        const there = first.sides.get(colour);
        return there !== undefined && there !== side;
      });
      const [one] = turned;
      const there = one && first.sides.get(one[0]);
      return one && there
        ? [
            `The ${one[0]} traveler is at the ${there} at ${placeName(job, first.device.box)} and at the ${one[1]} at ${placeName(job, device.box)}. It works; the same colour on the same side is found again without a tester.`,
          ]
        : [];
    });
  });
};

/** Splices and marks beyond those that are needed. */
const ofMore = (job: Job, wiring: Wiring): string[] => {
  const planned = wiringOrEmpty(job);
  const splices = ({ joints }: Wiring): number => joints.filter(({ members }) => members.length > 1).length;
  const [more, marks] = [splices(wiring) - splices(planned), wiring.marks.length - planned.marks.length];
  return [
    ...(more > 0
      ? [
          `There ${more === 1 ? 'is one splice' : `are ${more} splices`} more than it needs; each is one more that may come loose.`,
        ]
      : []),
    ...(marks > 0
      ? [
          'More whites are marked as hots than need be: where a black or a red is free, a white stays a neutral.',
        ]
      : []),
  ];
};

/** What was landed on a switch before its ground was, where the shop lands the ground first. */
const ofOrder = (job: Job, wiring: Wiring, order: readonly string[]): string[] => {
  if (job.preferences.firstOnDevice !== 'ground') return [];
  const late = wiring.devices.filter((device) => {
    const { terminals } = articleOf(job.stock, 'device', device.article);
    const at = (isGround: boolean): number[] =>
      terminals
        .filter(({ use }) => (use === 'ground') === isGround)
        .map(({ name }) => order.indexOf(terminalKey({ device: device.id, name })))
        .filter((i) => i >= 0);
    const [ground] = at(true);
    return ground !== undefined && at(false).some((i) => i < ground);
  });
  const places = [...new Set(late.map(({ box }) => placeName(job, box)))];
  return places.length === 0
    ? []
    : [
        `The ground went on after the others at ${listed(places)}. Ground first: it is the first to hold and the last to come off.`,
      ];
};

/** Terminals on which something is landed that was not there before, by their keys. */
export const landedSince = (before: Wiring, after: Wiring): string[] => {
  const had = new Set(before.landings.map(({ terminal }) => terminalKey(terminal)));
  return after.landings.map(({ terminal }) => terminalKey(terminal)).filter((key) => !had.has(key));
};

/**
 * Notes on habit to a circuit that is made up rightly, by the schools of the job's preferences; nothing of it is wrong. `order`: keys of terminals as they
 * were landed on, one after the other, as far as somebody watched.
 */
export const habitsOf = (job: Job, order: readonly string[] = []): string[] => {
  const wiring = job.wirings.find(({ id }) => id === BUILT)?.wiring;
  return wiring ? [...ofTravelers(job, wiring), ...ofMore(job, wiring), ...ofOrder(job, wiring, order)] : [];
};
