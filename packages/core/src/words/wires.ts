import { findCable, findDevice, findGroup, findLuminaire, findSlot } from '../model/lookup.js';
import { cableWord } from './cables.js';
import { articleOf, type DeviceArticle } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import { faceOf } from '../model/face.js';
import type { Job, Slot } from '../model/job.js';
import { endKey, type End, type Joint, type Terminal, type Wiring } from '../model/wiring.js';

export const colourWord = (colour: Colour): string => colour.replace('-', ' ');

/** A conductor as it is told from its fellows in a box: its colour, its cable, and where that goes. */
export const endWord = (job: Job, wiring: Wiring, end: End): string => {
  const cable = findCable(wiring, end.cable);
  if (!cable) return colourWord(end.colour);
  const mark = wiring.marks.find((one) => endKey(one.end) === endKey(end));
  const marked = mark ? ` (marked ${mark.colour})` : '';
  return `${colourWord(end.colour)}${marked} of the ${cableWord(job, wiring, cable, end.side)}`;
};

/**
 * A screw of a device in the words of whoever holds the device: what tells it from its fellows, and where it is. Line and load
 * are what its wire does, and stand in brackets: the two screws of a plain switch are alike.
 */
const screwWord = (article: DeviceArticle, name: string, screws: Slot['screws']): string => {
  const screw = faceOf(article, screws).find((one) => one.terminal === name);
  if (!screw) return name;
  const { use, place, mark } = screw;
  switch (use) {
    case 'ground':
      return 'green screw';
    case 'common':
      return screws === 'otherwise'
        ? `COMMON screw, the one that stands alone, ${place}`
        : `dark COMMON screw, ${place}`;
    case 'traveler':
      return `brass traveler screw, ${place}`;
    case 'in':
    case 'out':
      return `${mark} screw, ${place}`;
    case 'line':
    case 'load':
      return screws === 'otherwise'
        ? `screw marked ${mark}, ${place} (${use})`
        : `brass screw, ${place} (${use})`;
    case 'hot':
      return `brass screw, ${place} (hot)`;
    case 'neutral':
      return `silver screw, ${place}`;
  }
};

/** What a device is beside a switch. */
const DEVICE_WORDS: Partial<Record<DeviceArticle['role'], string>> = {
  dimmer: 'dimmer',
  timer: 'timer',
  occupancySensor: 'occupancy sensor',
  switchReceptacle: 'switch with receptacle',
};

export const deviceWord = (job: Job, wiring: Wiring, id: string): string => {
  const device = findDevice(wiring, id);
  if (!device) return 'device';
  const { letter, role } = articleOf(job.stock, 'device', device.article);
  const named = DEVICE_WORDS[role];
  const kind =
    letter === 'S4'
      ? 'four-way'
      : letter === 'S3'
        ? 'three-way'
        : letter === 'S'
          ? 'single-pole'
          : 'receptacle';
  const beside = wiring.devices.filter((one) => one.box === device.box);
  const called = named ? (letter === 'S' ? named : `${kind} ${named}`) : kind;
  if (beside.length < 2) return called;
  const slot = findSlot(job, device.slot);
  const group = findGroup(job, slot?.group)?.name;
  return group ? `${called} of ${group}` : `${called} ${beside.indexOf(device) + 1}`;
};

export const terminalWord = (job: Job, wiring: Wiring, terminal: Terminal): string => {
  if ('device' in terminal) {
    const device = findDevice(wiring, terminal.device);
    if (!device) return terminal.name;
    const screws = findSlot(job, device.slot)?.screws ?? 'usual';
    return screwWord(articleOf(job.stock, 'device', device.article), terminal.name, screws);
  }
  if ('luminaire' in terminal) {
    const name = findLuminaire(job, terminal.luminaire)?.name ?? 'luminaire';
    return `${terminal.name} of ${name}`;
  }
  if ('box' in terminal) return 'ground screw of the box';
  return `${terminal.name === 'hot' ? 'breaker' : `${terminal.name} bar`} of the panel`;
};

/** The splice that an end is in, and the terminal that it lands on; a ground left long has both. */
export const whereGoes = (wiring: Wiring, end: End): { joint: Joint | null; terminal: Terminal | null } => {
  const key = endKey(end);
  const joint = wiring.joints.find((one) =>
    one.members.some((member) => 'end' in member && endKey(member.end) === key),
  );
  const landing = wiring.landings.find(({ wire }) => 'end' in wire && endKey(wire.end) === key);
  return { joint: joint ?? null, terminal: landing?.terminal ?? null };
};
