import type { ArticleId, BoxId, CircuitId, GroupId, LuminaireId, SlotId } from '../../model/ids.js';
import type { Box, Luminaire, RunFact, Slot } from '../../model/job.js';

/** A place that comes new, or a box of the layout with nothing in it yet; and what is known of the runs to it. */
export interface NewPlace {
  box: Box;
  runs: RunFact[];
}

/** What of a luminaire is bought and hung; load in volt-amperes, weight in pounds or null while nobody knows. */
export type Hung = Pick<
  Luminaire,
  'name' | 'unit' | 'va' | 'terminals' | 'leadAwg' | 'metal' | 'pounds' | 'driverBox'
>;

/** A change of existing work. */
export type Change =
  | { kind: 'replaceDevice'; slot: SlotId; role: Slot['role']; article: ArticleId | null }
  /** A single-pole becomes a pair, a pair gets a four-way: between the old switches or beyond them. */
  | { kind: 'addSwitch'; group: GroupId; place: NewPlace }
  | { kind: 'addLight'; group: GroupId; place: NewPlace; hung: Hung }
  | { kind: 'bringNeutral'; slot: SlotId }
  /** Off a box that is there: a receptacle, or a feed that goes on beyond the plan, of so many volt-amperes. */
  | {
      kind: 'takeOff';
      from: BoxId;
      circuit: CircuitId;
      place: NewPlace;
      what: 'receptacle' | 'onward';
      va: number;
    }
  /** A light with a switch of its own off a receptacle, a switch or a junction that is there. */
  | {
      kind: 'branch';
      from: BoxId;
      circuit: CircuitId;
      switchAt: NewPlace;
      lightAt: NewPlace;
      hung: Hung;
    }
  /** The same switch at another place; its old box keeps what has to stay spliced there. */
  | { kind: 'moveSwitch'; slot: SlotId; place: NewPlace }
  | { kind: 'removeSwitch'; slot: SlotId }
  | { kind: 'replaceLuminaire'; luminaire: LuminaireId; hung: Hung }
  /** What the job asks of a circuit that is there, and nothing besides. */
  | { kind: 'asAsked'; circuit: CircuitId }
  /** What the inspection finds in a circuit, mended by the least that is made otherwise. */
  | { kind: 'mend'; circuit: CircuitId };
