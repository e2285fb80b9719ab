import { digestOf } from '../model/digest.js';
import type { BoxId } from '../model/ids.js';

/** The parts of the work at one box, in their order. */
export const PHASES = [
  'dead',
  'proof',
  'cables',
  'grounds',
  'neutrals',
  'hots',
  'check',
  'devices',
  'close',
] as const;
export type Phase = (typeof PHASES)[number];

export const PHASE_WORDS: Record<Phase, string> = {
  dead: 'Before the box is opened',
  proof: 'Box open, nothing touched yet',
  cables: 'Cables into the box',
  grounds: 'Grounds, folded to the back',
  neutrals: 'Neutrals',
  hots: 'Hots, travelers and switch legs',
  check: 'Before it is folded',
  devices: 'Devices and luminaires',
  close: 'Fold and close',
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
