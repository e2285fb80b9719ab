import type {
  ArticleId,
  BoxId,
  CircuitId,
  FeedId,
  GroupId,
  LuminaireId,
  Place,
  SlotId,
} from '../model/ids.js';
import type { Run } from '../model/job.js';
import type { Awg } from '../model/units.js';
import type { Letter, Misfit } from './devices.js';

/** Why a circuit cannot be planned. Data only; `sayProblem` finds the words. */
export type PlanProblem =
  | { code: 'NoChoice'; circuit: CircuitId }
  | { code: 'TwoFeeds'; circuit: CircuitId; places: Place[] }
  | { code: 'TwoHomeRuns'; circuit: CircuitId; boxes: BoxId[] }
  | { code: 'RunWithinBox'; circuit: CircuitId; box: BoxId }
  /** A cable is led on from a box of other work, where a feed goes on beyond the plan. */
  | { code: 'ThroughOtherWork'; circuit: CircuitId; box: BoxId }
  | { code: 'NoGroup'; circuit: CircuitId }
  | { code: 'GroupWithoutSwitch'; circuit: CircuitId; group: GroupId }
  | { code: 'GroupWithoutLuminaire'; circuit: CircuitId; group: GroupId }
  | { code: 'SwitchOnHotGroup'; circuit: CircuitId; group: GroupId; box: BoxId }
  | { code: 'PartElsewhere'; circuit: CircuitId; luminaire: LuminaireId; box: BoxId }
  | { code: 'FeedOfAnotherCircuit'; circuit: CircuitId; feed: FeedId }
  | { code: 'FedByAnotherCircuit'; circuit: CircuitId; box: BoxId }
  | { code: 'TreeNotConnected'; circuit: CircuitId; feedAt: Place; unreached: BoxId[] }
  | { code: 'RingOfCables'; circuit: CircuitId; run: Run }
  | { code: 'ReturnWithoutLuminaire'; circuit: CircuitId; box: BoxId }
  /** Groups that a choice keeps apart in a box are not in it, or a run leads to a node that is not told of. */
  | { code: 'ApartDoesNotMatch'; circuit: CircuitId; box: BoxId }
  /** A light that is part of a fan is kept apart from it in their box. */
  | { code: 'PartApart'; circuit: CircuitId; luminaire: LuminaireId; box: BoxId }
  | { code: 'ForbiddenRun'; circuit: CircuitId; run: Run }
  | { code: 'ForcedRunMissing'; circuit: CircuitId; run: Run }
  | { code: 'RunTooWide'; circuit: CircuitId; run: Run; conductors: number; most: number }
  /** Cut and coil in inches. */
  | { code: 'LongerThanCoil'; circuit: CircuitId; run: Run; article: ArticleId; cut: number; coil: number }
  | { code: 'NoCableOfSize'; circuit: CircuitId; awg: Awg }
  | { code: 'ChainDoesNotMatch'; circuit: CircuitId; group: GroupId }
  | {
      code: 'NoDeviceInStock';
      circuit: CircuitId;
      slot: SlotId;
      box: BoxId;
      letter: Letter | null;
      role: string;
      amperes: number;
    }
  | {
      code: 'DeviceDoesNotSuit';
      circuit: CircuitId;
      slot: SlotId;
      box: BoxId;
      article: ArticleId;
      why: Misfit;
      letter: Letter | null;
      /** Terminals of the device that want a wire, grounds left out, and conductors that reach the location. */
      terminals: number;
      conductors: number;
    }
  | { code: 'TooManyDevices'; circuit: CircuitId; box: BoxId; gangs: number; devices: number }
  | { code: 'NoBoxFits'; circuit: CircuitId; box: BoxId; needed: number; largest: number; gangs: number }
  | { code: 'NoConnectorInStock'; circuit: CircuitId; box: BoxId; conductors: number };
