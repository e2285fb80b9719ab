import type { BoxId, CircuitId, FeedId, GroupId, Place, SlotId } from '../model/ids.js';
import type { Run } from '../model/job.js';
import type { Awg } from '../model/units.js';

/** Why a circuit cannot be planned. Data only; `sayProblem` finds the words. */
export type PlanProblem =
  | { code: 'NoChoice'; circuit: CircuitId }
  | { code: 'NoGroup'; circuit: CircuitId }
  | { code: 'GroupWithoutSwitch'; circuit: CircuitId; group: GroupId }
  | { code: 'GroupWithoutLuminaire'; circuit: CircuitId; group: GroupId }
  | { code: 'FeedOfAnotherCircuit'; circuit: CircuitId; feed: FeedId }
  | { code: 'TreeNotConnected'; circuit: CircuitId; feedAt: Place; unreached: BoxId[] }
  | { code: 'RingOfCables'; circuit: CircuitId; run: Run }
  | { code: 'RunTooWide'; circuit: CircuitId; run: Run; conductors: number; most: number }
  | { code: 'NoCableOfSize'; circuit: CircuitId; awg: Awg }
  | { code: 'ChainDoesNotMatch'; circuit: CircuitId; group: GroupId }
  | { code: 'NoDeviceInStock'; circuit: CircuitId; slot: SlotId; letter: 'S' | 'S3' | 'S4'; amperes: number }
  | { code: 'TooManyDevices'; circuit: CircuitId; box: BoxId; gangs: number; devices: number }
  | { code: 'NoConnectorInStock'; circuit: CircuitId; box: BoxId; conductors: number };

/** An expected failure is a value with a named reason. */
export type Result<T, P> = { ok: true; value: T } | { ok: false; problems: P[] };

export const success = <T>(value: T): { ok: true; value: T } => ({ ok: true, value });
export const failure = <P>(...problems: P[]): { ok: false; problems: P[] } => ({ ok: false, problems });
