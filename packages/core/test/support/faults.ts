import fc from 'fast-check';
import { faultsOf, withFault as patched, type AnywhereKind, type Wiring } from '../../src/index.js';

/** A fault that is yet to be picked out of those that a wiring can have. */
export interface AnyFault {
  kind: AnywhereKind;
  at: number;
}

export const anyFault: fc.Arbitrary<AnyFault> = fc.record({
  kind: fc.constantFrom('exchanged', 'loose', 'open', 'joined', 'mixed'),
  at: fc.nat(),
});

/** The wiring with the fault in it; as it is where it can have none of the kind. */
export const withFault = (wiring: Wiring, { kind, at }: AnyFault): Wiring => {
  const all = faultsOf(wiring, kind);
  const fault = all[at % Math.max(1, all.length)];
  const result = fault && patched(wiring, fault);
  return result?.ok ? result.value : wiring;
};
