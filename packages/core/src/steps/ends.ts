import { articleOf, type DeviceArticle } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import { PANEL, type Place } from '../model/ids.js';
import type { Job, Slot } from '../model/job.js';
import {
  endKey,
  placeOfEnd,
  type Cable,
  type End,
  type Joint,
  type Terminal,
  type Wiring,
} from '../model/wiring.js';

/** Screws by what they are for, as people call them. */
const SCREW_WORDS: Record<DeviceArticle['terminals'][number]['use'], string> = {
  line: 'line screw',
  load: 'load screw',
  common: 'dark COMMON screw',
  traveler: 'brass traveler screw',
  in: 'IN screw',
  out: 'OUT screw',
  hot: 'brass screw',
  neutral: 'silver screw',
  ground: 'green screw',
};

export const colourWord = (colour: Colour): string => colour.replace('-', ' ');

export const placeWord = (job: Job, place: Place): string =>
  place === PANEL ? 'panel' : (job.boxes.find((box) => box.id === place)?.name ?? place);

/** The other place of a cable, seen from one of its sides. */
export const otherPlace = (cable: Cable, side: End['side']): Place =>
  placeOfEnd(cable, side === 'from' ? 'to' : 'from');

/** A cable as it is told from its fellows in a box: its kind, and where it goes. */
export const cableWord = (job: Job, cable: Cable, side: End['side']): string =>
  `${articleOf(job.stock, 'cable', cable.article).name} to ${placeWord(job, otherPlace(cable, side))}`;

/** A conductor as it is told from its fellows in a box: its colour, its cable, and where that goes. */
export const endWord = (job: Job, wiring: Wiring, end: End): string => {
  const cable = wiring.cables.find((one) => one.id === end.cable);
  if (!cable) return colourWord(end.colour);
  const mark = wiring.marks.find((one) => endKey(one.end) === endKey(end));
  const marked = mark ? ` (marked ${mark.colour})` : '';
  return `${colourWord(end.colour)}${marked} of the ${cableWord(job, cable, end.side)}`;
};

/** Where each screw of a four-way sits, by how its pairs are laid out. */
const FOUR_WAY: Record<Slot['screws'], Record<string, string>> = {
  usual: { 'in 1': 'top left', 'in 2': 'top right', 'out 1': 'bottom left', 'out 2': 'bottom right' },
  otherwise: { 'in 1': 'top left', 'in 2': 'bottom left', 'out 1': 'top right', 'out 2': 'bottom right' },
};

/** A screw of a device in the words of whoever holds the device, by how its screws sit. */
const screwWord = (article: DeviceArticle, name: string, screws: Slot['screws']): string => {
  const use = article.terminals.find((one) => one.name === name)?.use ?? 'ground';
  if (article.letter === 'S4' && (use === 'in' || use === 'out')) {
    const where = FOUR_WAY[screws][name];
    return where ? `${SCREW_WORDS[use]}, ${where}` : SCREW_WORDS[use];
  }
  if (screws === 'otherwise' && use === 'common') return 'COMMON screw, the one that stands alone';
  if (screws === 'otherwise' && use === 'line') return 'LINE 1 screw';
  if (screws === 'otherwise' && use === 'load') return 'LINE 2 screw';
  const alike = article.terminals.filter((one) => one.use === use);
  const at = alike.findIndex((one) => one.name === name);
  return alike.length < 2 ? SCREW_WORDS[use] : `${SCREW_WORDS[use]}, ${['first', 'second'][at] ?? at + 1}`;
};

/** What a device is beside a switch. */
const DEVICE_WORDS: Partial<Record<DeviceArticle['role'], string>> = {
  dimmer: 'dimmer',
  timer: 'timer',
  occupancySensor: 'occupancy sensor',
  switchReceptacle: 'switch with receptacle',
};

export const deviceWord = (job: Job, wiring: Wiring, id: string): string => {
  const device = wiring.devices.find((one) => one.id === id);
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
  const slot = job.slots.find((one) => one.id === device.slot);
  const group = job.groups.find((one) => one.id === slot?.group)?.name;
  return group ? `${called} of ${group}` : `${called} ${beside.indexOf(device) + 1}`;
};

export const terminalWord = (job: Job, wiring: Wiring, terminal: Terminal): string => {
  if ('device' in terminal) {
    const device = wiring.devices.find((one) => one.id === terminal.device);
    if (!device) return terminal.name;
    const screws = job.slots.find((one) => one.id === device.slot)?.screws ?? 'usual';
    return screwWord(articleOf(job.stock, 'device', device.article), terminal.name, screws);
  }
  if ('luminaire' in terminal) {
    const name = job.luminaires.find((one) => one.id === terminal.luminaire)?.name ?? 'luminaire';
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
