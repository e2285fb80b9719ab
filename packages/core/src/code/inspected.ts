import type { CableId, CircuitId, Place } from '../model/ids.js';
import type { InSteps } from '../model/inSteps.js';
import type { Job, JudgedEdition } from '../model/job.js';
import { stepwise } from '../model/lazily.js';
import type { Cable, Wiring } from '../model/wiring.js';
import { createCableCurrents, netCurrent } from '../circuit/cableCurrents.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { evaluate, type State } from '../circuit/evaluate.js';
import type { Positions } from '../circuit/parts.js';
import { circuitsByCable, circuitsByNet, rolesOf, type Role } from '../circuit/roles.js';
import { everyPosition, somePositions } from '../proving/positions.js';
import { devicesOfGroup } from '../proving/works.js';
import { placeName, runName } from '../words/places.js';

/** Handle positions and what the wiring does in them. */
interface Tried {
  positions: Positions;
  state: State;
}

/** What every rule reads: the job, the wiring, and what the simulator knows of it. */
export interface Inspected {
  job: Job;
  wiring: Wiring;
  edition: JudgedEdition;
  compiled: Compiled;
  roles: readonly Role[];
  circuits: readonly ReadonlySet<string>[];
  /** Nets that may be joined to what nobody has looked at: what is not on them may be on them all the same. */
  unknown: ReadonlySet<number>;
  /** Works out one piece more of what is computed at the first call; false once nothing of it is left. */
  prepare: () => boolean;
  /** The name of a box, or "the panel". */
  place: (id: string) => string;
  /** "Yard door to Stove end". */
  runOf: (cable: Cable) => string;
  circuitsOfCable: (cable: CableId) => CircuitId[];
  /** Handle positions with what the wiring does in each; computed at the first call. */
  states: () => Tried[];
  /** The most that does not come back in its own cable in any of those positions, amperes. */
  worstNetCurrents: () => Map<CableId, number>;
}

/** Up to so many positions every combination is tried; beyond, each group with the handles of the others up. */
const EVERY_POSITION_UP_TO = 256;

/**
 * Groups act on the sum of currents one beside the other, so where there are too many combinations each is moved alone.
 */
const positionsOf = (job: Job, wiring: Wiring, compiled: Compiled): Positions[] => {
  const all = compiled.devices.reduce((product, one) => product * one.positions.length, 1);
  if (all <= EVERY_POSITION_UP_TO)
    return everyPosition(
      compiled,
      compiled.devices.map((device) => device.id),
    );
  return job.groups.flatMap((group) =>
    somePositions(compiled, devicesOfGroup(job, wiring, group.id), { most: EVERY_POSITION_UP_TO }),
  );
};

/** So many positions are tried at a time, by who does other things between. */
const AT_A_TIME = 8;

function* tryAll(compiled: Compiled, asked: readonly Positions[]): InSteps<Tried[]> {
  const tried: Tried[] = [];
  for (const positions of asked) {
    tried.push({ positions, state: evaluate(compiled, positions) });
    if (tried.length % AT_A_TIME === 0) yield;
  }
  return tried;
}

function* worstOf(job: Job, wiring: Wiring, tried: readonly Tried[]): InSteps<Map<CableId, number>> {
  const currentsIn = createCableCurrents(wiring, job);
  const worst = new Map<CableId, number>();
  for (const [at, { positions, state }] of tried.entries()) {
    if (at % AT_A_TIME === 0) yield;
    // Behind an open breaker no current flows; the short is told by itself.
    if (state.shorts.length > 0) continue;
    for (const [cable, conductors] of currentsIn(positions, state))
      worst.set(cable, Math.max(worst.get(cable) ?? 0, netCurrent(conductors)));
  }
  return worst;
}

/** Prepares a wiring for inspection by an edition: compiles it once for all rules. */
export const inspectedOf = (job: Job, wiring: Wiring, edition: JudgedEdition): Inspected => {
  const compiled = compile(wiring, job);
  const circuits = circuitsByNet(compiled);
  const byCable = circuitsByCable(wiring, job, compiled, circuits);
  const states = stepwise(() => tryAll(compiled, positionsOf(job, wiring, compiled)));
  const worst = stepwise(() => worstOf(job, wiring, states.value()));
  return {
    job,
    wiring,
    edition,
    compiled,
    roles: rolesOf(compiled),
    circuits,
    unknown: new Set(compiled.unknown),
    place: (id) => placeName(job, id as Place),
    runOf: (cable) => runName(job, cable),
    circuitsOfCable: (cable) => [...(byCable.get(cable) ?? [])] as CircuitId[],
    prepare: () => states.step() || worst.step(),
    states: states.value,
    worstNetCurrents: worst.value,
  };
};
