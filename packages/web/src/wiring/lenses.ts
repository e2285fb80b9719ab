import {
  circuitsByNet,
  conductorKey,
  createCableCurrents,
  ROLE_WORDS,
  sayTraveler,
  travelerNames,
  type DrawnWire,
  type Positions,
} from '@amber/core';
import type { Lens } from '../store/wiringSlice.js';
import type { Subject } from './useSubject.js';

/** How a wire stands under a lens: faint or not, and words that take the place of its colour label. */
export interface Seen {
  faint: boolean;
  label: string | null;
}

export const LENS_WORDS: Record<Lens, string> = {
  live: 'Live',
  current: 'Current',
  use: 'Use',
  circuit: 'Circuit',
};

const PLAIN: Seen = { faint: false, label: null };
/** Amperes below this are none. */
const NO_CURRENT = 0.005;

type Look = (wire: DrawnWire) => Seen;

/** Conductors in which current flows now, with its amperes; what joins them is plain, the rest faint. */
const currents = (subject: Subject, positions: Positions): Look => {
  const flows = createCableCurrents(subject.wiring, subject.job)(positions, subject.state);
  const amperes = new Map<string, number>();
  const carrying = new Set<number>();
  for (const [cable, byColour] of flows)
    for (const [colour, current] of byColour) {
      const key = conductorKey(cable, colour);
      const much = Math.abs(current);
      amperes.set(key, much);
      if (much < NO_CURRENT) continue;
      const net = subject.compiled.netOf(key);
      if (net !== undefined) carrying.add(net);
    }
  return ({ key }) => {
    const much = amperes.get(key);
    // A tail or lead has no figure of its own: it goes with its net.
    if (much === undefined) return { faint: !carrying.has(subject.compiled.netOf(key) ?? -1), label: null };
    if (much < NO_CURRENT) return { faint: true, label: null };
    return { faint: false, label: `${much < 0.1 ? much.toFixed(2) : much.toFixed(1)} A` };
  };
};

const uses = ({ job, wiring, compiled, roles }: Subject): Look => {
  const travelers = travelerNames(job, wiring, compiled, roles);
  return ({ key }) => {
    const net = compiled.netOf(key) ?? -1;
    const role = roles[net] ?? 'spare';
    const traveler = travelers.get(net);
    return { faint: role === 'ground', label: traveler ? sayTraveler(traveler) : ROLE_WORDS[role] };
  };
};

const circuits = ({ compiled, circuit, job }: Subject): Look => {
  const byNet = circuitsByNet(compiled);
  return ({ key }) => {
    const on = byNet[compiled.netOf(key) ?? -1] ?? new Set<string>();
    const names = job.circuits.flatMap((one, i) => (on.has(one.id) ? [`C${i + 1}`] : []));
    return { faint: circuit !== null && !on.has(circuit.id), label: names.join('+') || '–' };
  };
};

/** What a lens makes of every wire. */
export const lookThrough = (lens: Lens, subject: Subject, positions: Positions): Look =>
  lens === 'current'
    ? currents(subject, positions)
    : lens === 'use'
      ? uses(subject)
      : lens === 'circuit'
        ? circuits(subject)
        : () => PLAIN;
