import { digestOf } from '../model/digest.js';
import type { BoxId } from '../model/ids.js';
import type { Preferences } from '../model/preferences.js';

/** The parts of the work at one box. */
export const PHASES = [
  'mark',
  'rough',
  'roughCheck',
  'dead',
  'proof',
  'out',
  'prepare',
  'grounds',
  'neutrals',
  'hots',
  'devices',
  'luminaire',
  'check',
  'close',
  'prove',
] as const;
export type Phase = (typeof PHASES)[number];

export const PHASE_WORDS: Record<Phase, string> = {
  mark: 'Mark out and open',
  rough: 'Rough in',
  roughCheck: 'Rough-in check, before the wall is closed',
  dead: 'Power off',
  proof: 'Proved dead, nothing touched yet',
  out: 'What is there: what stays, what comes out',
  prepare: 'Make up: conductors',
  grounds: 'Make up: grounds, folded to the back',
  neutrals: 'Make up: neutrals',
  hots: 'Make up: hots, travelers and switch legs',
  devices: 'Trim: devices',
  luminaire: 'Luminaire',
  check: 'Read back, before it is folded',
  close: 'Fold and close',
  prove: 'Prove',
};

/** What has to be dead before anything else is done there comes first where something is there already. */
const FIRST_THERE: readonly Phase[] = ['dead', 'proof', 'out'];

/**
 * The order of the parts at a box that comes new, or at one where something is there that may be live; by the habit of the job boxes are
 * made up after the rough-in check, or before it.
 */
export const phasesAt = (isThere: boolean, madeUp: Preferences['madeUp']): readonly Phase[] => {
  const inOrder = isThere
    ? [...FIRST_THERE, ...PHASES.filter((phase) => !FIRST_THERE.includes(phase))]
    : PHASES;
  if (madeUp === 'afterCheck') return inOrder;
  const rest = inOrder.filter((phase) => phase !== 'roughCheck');
  const trim = rest.indexOf('devices');
  return [...rest.slice(0, trim), 'roughCheck', ...rest.slice(trim)];
};

/** One thing to do, told at three depths. */
export interface Step {
  /** The fact of the wiring that it is about: the same for the same work after planning again, whatever its words and its place. */
  id: string;
  /** Sum of all that it rests on, so that what was ticked and has changed since falls open again. */
  hash: string;
  phase: Phase;
  /** What to do, with colours, tags, screws, connectors, counts and lengths. */
  text: string;
  /** Why it works, or what goes wrong without it, in plain words. */
  why: string;
  /** The section behind it; null where it is craft alone. */
  section: string | null;
  /** What can hurt somebody at this very step. */
  caution: string | null;
  /** Key of the wire or splice that it is about; null where it is about none. */
  shows: string | null;
}

/** A step with what it rests on in the wiring: neither names nor words. */
export type DraftStep = Omit<Step, 'hash'> & { rests: unknown };

export const settledStep = ({ rests, ...step }: DraftStep): Step => ({ ...step, hash: digestOf(rests) });

/** The work order of one box. */
export interface BoxSteps {
  box: BoxId;
  steps: Step[];
  /** What is needed at hand. */
  tools: string[];
  /** What each cable of the box looks like at its other end. */
  otherEnds: {
    cable: string;
    place: string;
    /** What can hurt somebody who goes there. */
    caution: string | null;
    ends: { colour: string; goes: string }[];
  }[];
  /** What stands at the box itself, before any step. */
  cautions: string[];
}
