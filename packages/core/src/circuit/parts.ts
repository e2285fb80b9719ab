import type { Article } from '../model/articles.js';
import {
  UNNAMED_BREAKER,
  type BoxId,
  type CircuitId,
  type DeviceId,
  type LuminaireId,
} from '../model/ids.js';
import type { Awg } from '../model/units.js';
import type { Wiring } from '../model/wiring.js';

/** What the simulator has to know beside the wiring: the articles, the loads, the sources. A job is one. */
export interface Parts {
  stock: readonly Article[];
  luminaires: readonly {
    id: LuminaireId;
    box: BoxId;
    va: number;
    leadAwg: Awg;
    metal: boolean;
    partOf: LuminaireId | null;
  }[];
  circuits: readonly { id: CircuitId; breaker: number }[];
}

/** Handle position by device; a device not named is in its first position. */
export type Positions = Readonly<Record<DeviceId, number>>;

/** The breakers that a wiring may be fed from: those of the circuits, and the unnamed one where something lands on it. */
export const breakersOf = (wiring: Wiring, { circuits }: Pick<Parts, 'circuits'>): CircuitId[] => {
  const isUnnamed = wiring.landings.some(
    ({ terminal }) => 'circuit' in terminal && terminal.circuit === UNNAMED_BREAKER,
  );
  return [...circuits.map((one) => one.id), ...(isUnnamed ? [UNNAMED_BREAKER] : [])];
};

/** Whose neutral and ground a load hangs on: a light that is part of a fan has none of its own. */
export const carrierOf = ({ id, partOf }: Parts['luminaires'][number]): LuminaireId => partOf ?? id;
