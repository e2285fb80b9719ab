import { placeTag } from '../words/places.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import type { NetState, State } from '../circuit/evaluate.js';
import { circuitsByNet, type Role } from '../circuit/roles.js';
import type { Trace, TracePiece } from '../circuit/trace.js';
import { PANEL, type Place } from '../model/ids.js';
import { colourWord, screwOf, terminalWord } from '../words/wires.js';

/** What a conductor is for, in a word. */
export const ROLE_WORDS: Record<Role, string> = {
  hot: 'hot',
  neutral: 'neutral',
  ground: 'ground',
  traveler: 'traveler',
  switchLeg: 'switch leg',
  spare: 'spare',
  conflict: 'wrongly joined',
};

/** Whether it is live, in words. */
export const STATE_WORDS: Record<NetState, string> = {
  live: 'live now',
  backfed: 'live through a luminaire',
  unknown: 'not known: it may be live',
  neutral: 'not live now',
  ground: 'not live',
  dead: 'dead now',
  floating: 'dead now, joined to nothing',
};

/** A conductor that is followed: what it is, and where it goes, box by box from the panel. */
export interface SaidTrace {
  /** "black, River door to Yard door: traveler, live now though the luminaires are off" */
  sentence: string;
  /** Places on its way from the panel to where it was asked, with what it passes there. */
  way: { place: Place; what: string }[];
  /** Names of the luminaires that hang on it now, by either side. */
  loads: string[];
  /** Keys of all that is one piece of copper with it, for the picture. */
  keys: Set<string>;
}

const nameOf = (job: Job, wiring: Wiring, piece: TracePiece | undefined): string => {
  if (!piece) return '';
  if (piece.kind === 'conductor') {
    const { cable, colour } = piece;
    return `${colourWord(colour)}, ${placeTag(job, cable.from)} to ${placeTag(job, cable.to)}`;
  }
  if (piece.kind === 'splice') return `splice in ${placeTag(job, piece.joint.box)}`;
  if (piece.kind === 'pigtail') return `tail in ${placeTag(job, piece.box)}`;
  return `${terminalWord(job, wiring, piece.terminal)} at ${placeTag(job, piece.at)}`;
};

const stopOf = (job: Job, wiring: Wiring, piece: TracePiece): { place: Place; what: string } | null => {
  if (piece.kind === 'splice')
    return {
      place: piece.joint.box,
      what: piece.joint.members.length > 1 ? `splice of ${piece.joint.members.length}` : 'cap',
    };
  if (piece.kind !== 'terminal') return null;
  return { place: piece.at, what: screwOf(job, wiring, piece.terminal) };
};

/** Says what a conductor, tail, splice or terminal is, by its key. Null where the wiring holds no such piece. */
export const sayTrace = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  roles: readonly Role[],
  state: State,
  key: string,
  traced: Trace | null,
): SaidTrace | null => {
  const net = compiled.netOf(key);
  if (!traced || net === undefined) return null;
  const how = state.nets[net] ?? 'dead';
  const role = roles[net] ?? 'spare';
  // Of the circuits that it belongs to: others may be lit.
  const circuits = circuitsByNet(compiled)[net] ?? new Set<string>();
  const groups = new Set<string>(job.groups.filter((one) => circuits.has(one.circuit)).map((one) => one.id));
  const mine = new Set<string>(job.luminaires.filter((one) => groups.has(one.group)).map((one) => one.id));
  const dark = state.luminaires.every((one) => !mine.has(one.id) || one.light === 'dark');
  const though = (how === 'live' || how === 'backfed') && dark ? ' though the luminaires are off' : '';
  const start = traced.net.find((piece) => piece.key === key);
  const way = (traced.source?.path ?? [])
    .flatMap((piece) => stopOf(job, wiring, piece) ?? [])
    .filter((one, i, all) => i === 0 || one.place !== all[i - 1]?.place || one.what !== all[i - 1]?.what);
  const fromPanel = way.length > 1 && way.at(-1)?.place === PANEL ? [...way].reverse() : way;
  return {
    sentence: `${nameOf(job, wiring, start)}: ${ROLE_WORDS[role]}, ${STATE_WORDS[how]}${though}`,
    way: fromPanel,
    loads: job.luminaires.filter((one) => traced.loads.includes(one.id)).map((one) => one.name),
    keys: new Set(traced.net.map((piece) => piece.key)),
  };
};
