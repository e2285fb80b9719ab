import {
  deviceTerminal,
  devicesByGang,
  findCable,
  findDevice,
  findGroup,
  findLuminaire,
  findSlot,
} from '../model/lookup.js';
import { cableWord } from './cables.js';
import { screwWord } from './screws.js';
import { articleOf, companionsIn, type DeviceArticle } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import type { Job, Luminaire } from '../model/job.js';
import { luminaireFace, type LuminaireFace } from '../model/luminaireFace.js';
import {
  endKey,
  type Device,
  type End,
  type Joint,
  type Lead,
  type Terminal,
  type Wiring,
} from '../model/wiring.js';

export const colourWord = (colour: Colour): string => colour.replace('-', ' ');

/** A conductor as it is told from its fellows in a box: its colour, its cable, and where that goes. */
export const endWord = (job: Job, wiring: Wiring, end: End): string => {
  const cable = findCable(wiring, end.cable);
  if (!cable) return colourWord(end.colour);
  const mark = wiring.marks.find((one) => endKey(one.end) === endKey(end));
  const marked = mark ? ` (marked ${mark.colour})` : '';
  return `${colourWord(end.colour)}${marked} of the ${cableWord(job, wiring, cable, end.side)}`;
};

/** What a device is beside a switch. */
const DEVICE_WORDS: Partial<Record<DeviceArticle['role'], string>> = {
  dimmer: 'dimmer',
  timer: 'timer',
  occupancySensor: 'occupancy sensor',
  switchReceptacle: 'switch with receptacle',
};

const LETTER_WORDS = { S: 'single-pole', S3: 'three-way', S4: 'four-way' } as const;

/** A device by its kind and, beside others, by what it controls; two alike of one group by where they stand. */
export const deviceWord = (job: Job, wiring: Wiring, id: string): string => {
  const device = findDevice(wiring, id);
  if (!device) return 'device';
  const kindWord = (one: Device): string => {
    const { letter, role } = articleOf(job.stock, 'device', one.article);
    const named = DEVICE_WORDS[role];
    const kind = letter === null ? 'receptacle' : LETTER_WORDS[letter];
    const word = named ? (letter === 'S' ? named : `${kind} ${named}`) : kind;
    // Two devices that go together are not taken one for the other.
    return companionsIn(job.stock).has(one.article) ? `companion of the ${word}` : word;
  };
  const beside = devicesByGang(job, wiring, device.box);
  if (beside.length < 2) return kindWord(device);
  const plain = (one: Device): string => {
    const group = findGroup(job, findSlot(job, one.slot)?.group)?.name;
    return group === undefined ? kindWord(one) : `${kindWord(one)} of ${group}`;
  };
  const word = plain(device);
  return beside.filter((one) => plain(one) === word).length > 1
    ? `${word}, gang ${beside.indexOf(device) + 1}`
    : word;
};

/** A screw of a luminaire: "silver screw (neutral)"; "green screw" for its ground. */
export const luminaireScrew = (
  job: Job,
  wiring: Wiring,
  luminaire: Luminaire,
  name: keyof LuminaireFace,
): string => {
  const part = luminaireFace(job, wiring, luminaire)[name];
  if (part.kind === 'lead') return `${name} lead`;
  return `${part.colour} screw${name === 'ground' ? '' : ` (${name})`}`;
};

export const terminalWord = (job: Job, wiring: Wiring, terminal: Terminal): string => {
  if ('device' in terminal) {
    const screw = deviceTerminal(job.stock, wiring, terminal);
    return screw ? screwWord(screw) : terminal.name;
  }
  if ('luminaire' in terminal) {
    const luminaire = findLuminaire(job, terminal.luminaire);
    if (!luminaire) return `${terminal.name} of luminaire`;
    return `${luminaireScrew(job, wiring, luminaire, terminal.name)} of ${luminaire.name}`;
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

/** Does an end serve something, on a screw or in a splice with another? One that is capped or in the air does not. */
export const isInUse = (wiring: Wiring, end: End): boolean => {
  const { joint, terminal } = whereGoes(wiring, end);
  return terminal !== null || (joint !== null && joint.members.length > 1);
};

/** A screw or lead with whose it is, so that two alike of one box are told apart: "green screw, low at the left, of the timer". */
export const screwOf = (job: Job, wiring: Wiring, terminal: Terminal): string => {
  const screw = terminalWord(job, wiring, terminal);
  return 'device' in terminal ? `${screw}, of the ${deviceWord(job, wiring, terminal.device)}` : screw;
};

/** A lead that is spliced: "black lead, low at the right (line), of the dimmer", "neutral lead of Shelf light". */
export const leadWord = (job: Job, wiring: Wiring, lead: Lead): string =>
  'luminaire' in lead
    ? `${lead.name} lead of ${findLuminaire(job, lead.luminaire)?.name ?? 'the luminaire'}`
    : screwOf(job, wiring, lead);
