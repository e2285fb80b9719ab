import { articleOf, conductorsOf } from '../model/articles.js';
import type { FacePart } from '../model/face.js';
import { isGroundColour, type Colour } from '../model/colours.js';
import type { BoxId, CircuitId } from '../model/ids.js';
import { isConnectorUntold, cablesIn, isJumper, type CableHere } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import {
  createUnknown,
  endKey,
  terminalKey,
  type End,
  type Joint,
  type Member,
  type Wiring,
} from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey, jointKey, pigtailKey } from '../circuit/keys.js';
import { rolesOf, type Role } from '../circuit/roles.js';
import { fixturesIn, type Fixture } from './fixtures.js';
import type { ConnectorFamily, DrawnWire } from './geometry.js';

/** A cable where it comes into the box. */
export interface Entry extends CableHere {
  id: string;
}

/** One connector of a splice, or a splice without one; also what ends in the air, and the screw of the box. */
export interface Unit {
  id: string;
  /** Units of one group stand beside each other, in their order. */
  group: string;
  kind: 'connector' | 'piece' | 'loose' | 'bond';
  /** Whether it stands over the devices or, as grounds do, below them. */
  low: boolean;
  role: Role;
  joint: Joint | null;
  /** The circuit whose hot or neutral it is. */
  circuit: CircuitId | null;
  family: ConnectorFamily | null;
  /** An old splice of which nobody has told what holds it. */
  untold?: boolean;
  name: string;
}

/** Where a wire of the box begins or ends. */
export type Spot =
  | { at: 'entry'; entry: string }
  | { at: 'unit'; unit: string }
  | { at: 'pin'; fixture: string; pin: string }
  | { at: 'air' };

export interface SceneWire {
  id: string;
  /** Key of the net lookup. */
  key: string;
  colour: Colour;
  mark: Colour | null;
  kind: DrawnWire['kind'];
  loose: DrawnWire['loose'];
  from: Spot;
  to: Spot;
}

/** All that is in one box, before anything has a place. */
export interface Scene {
  entries: Entry[];
  fixtures: Fixture[];
  units: Unit[];
  wires: SceneWire[];
}

/** Grounds, whether they lead back to the panel or not. */
const isOfGrounds = (joint: Joint, pinOf: (key: string) => FacePart | undefined): boolean =>
  joint.members.every((member) => {
    if ('end' in member) return isGroundColour(member.end.colour);
    if ('pigtail' in member) return isGroundColour(member.pigtail.colour);
    return 'luminaire' in member.lead
      ? member.lead.name === 'ground'
      : pinOf(terminalKey(member.lead))?.colour === 'green';
  });

/** Reads one box, splice by splice and conductor by conductor. */
class SceneReader {
  readonly #roles: readonly Role[];
  readonly #entries: Entry[];
  readonly #fixtures: Fixture[];
  readonly #pins: ReadonlyMap<string, { spot: Spot; part: FacePart }>;
  readonly #marks: ReadonlyMap<string, Colour>;
  readonly #landedOn = new Map<string, string[]>();
  readonly #joined = new Set<string>();
  readonly #units: Unit[] = [];
  readonly #wires: SceneWire[] = [];

  constructor(
    readonly job: Job,
    readonly wiring: Wiring,
    readonly compiled: Compiled,
    readonly box: BoxId,
  ) {
    this.#roles = rolesOf(compiled);
    this.#entries = cablesIn(wiring, box).map((one) => ({ ...one, id: `${one.cable.id} ${one.side}` }));
    this.#fixtures = fixturesIn(job, wiring, box);
    this.#pins = new Map(
      this.#fixtures.flatMap(({ id, pins }) =>
        pins.map(({ key, part }) => [key, { spot: { at: 'pin', fixture: id, pin: key }, part }] as const),
      ),
    );
    this.#marks = new Map(wiring.marks.map(({ end, colour }) => [endKey(end), colour]));
    for (const { wire, terminal } of wiring.landings) {
      const key = 'end' in wire ? endKey(wire.end) : pigtailKey(wire.pigtail);
      this.#landedOn.set(key, [...(this.#landedOn.get(key) ?? []), terminalKey(terminal)]);
    }
  }

  read(): Scene {
    for (const joint of this.wiring.joints) if (joint.box === this.box) this.#readJoint(joint);
    const isUnknown = createUnknown(this.wiring);
    for (const entry of this.#entries)
      for (const colour of conductorsOf(articleOf(this.job.stock, 'cable', entry.cable.article))) {
        const end: End = { cable: entry.cable.id, side: entry.side, colour };
        if (!this.#joined.has(endKey(end))) this.#readEnd(entry, end, isUnknown(end));
      }
    return { entries: this.#entries, fixtures: this.#fixtures, units: this.#units, wires: this.#wires };
  }

  #roleAt(key: string): Role {
    return this.#roles[this.compiled.netOf(key) ?? -1] ?? 'spare';
  }

  #circuitAt(key: string, role: Role): CircuitId | null {
    const net = this.compiled.netOf(key);
    const source = this.compiled.sources.find((one) =>
      role === 'neutral' ? one.neutral === net : role === 'hot' && one.hot === net,
    );
    return source?.id ?? null;
  }

  /** Where the landings of a wire lead to in this box; none for what is elsewhere. */
  #spotsOf(wire: string): { spot: Spot; on: string }[] {
    return (this.#landedOn.get(wire) ?? []).flatMap((on) => {
      const spot =
        on === terminalKey({ box: this.box, name: 'ground' }) ? this.#bond() : this.#pins.get(on)?.spot;
      return spot ? [{ spot, on }] : [];
    });
  }

  #bond(): Spot {
    if (!this.#units.some((one) => one.kind === 'bond'))
      this.#units.push({
        ...{ id: 'bond', group: 'bond', kind: 'bond', low: true, role: 'ground' },
        ...{ joint: null, circuit: null, family: null, name: 'box' },
      });
    return { at: 'unit', unit: 'bond' };
  }

  #ofEnd(end: End): Omit<SceneWire, 'id' | 'from' | 'to'> {
    return {
      key: conductorKey(end.cable, end.colour),
      colour: end.colour,
      mark: this.#marks.get(endKey(end)) ?? null,
      kind: 'conductor',
      loose: null,
    };
  }

  #readJoint(joint: Joint): void {
    const key = jointKey(joint.id);
    const role = this.#roleAt(key);
    // A jumper is no splice: it is drawn as a bend of that wire.
    const piece = isJumper(joint);
    const grounds = role !== 'conflict' && isOfGrounds(joint, (pin) => this.#pins.get(pin)?.part);
    const chain = joint.connectors.length > 0 ? joint.connectors : [null];
    const untold = isConnectorUntold(this.wiring, joint);
    chain.forEach((connector, i) => {
      const article = connector && articleOf(this.job.stock, 'connector', connector.article);
      this.#units.push({
        ...{ id: `${joint.id}#${i}`, group: joint.id, kind: piece ? 'piece' : 'connector', role, joint },
        ...{ low: !piece && (role === 'ground' || grounds), family: article?.family ?? null },
        circuit: this.#circuitAt(key, role),
        name: article?.name ?? (untold ? 'connector not told' : 'no connector'),
        ...(untold ? { untold } : {}),
      });
    });
    joint.members.forEach((member, index) => {
      const held = joint.connectors.findIndex((one) => one.members.includes(index));
      const unit: Spot = { at: 'unit', unit: `${joint.id}#${Math.max(0, held)}` };
      this.#readMember(member, `${joint.id}#${index}`, unit);
    });
  }

  #readMember(member: Member, id: string, unit: Spot): void {
    const air: Spot = { at: 'air' };
    if ('end' in member) {
      const entry = this.#entries.find(
        ({ cable, side }) => cable.id === member.end.cable && side === member.end.side,
      );
      const wire = this.#ofEnd(member.end);
      this.#joined.add(endKey(member.end));
      // What a splice is said to hold and is not in this box hangs from it in the air.
      if (entry) this.#wires.push({ ...wire, id, from: { at: 'entry', entry: entry.id }, to: unit });
      else this.#wires.push({ ...wire, id, kind: 'tail', loose: 'loose', from: unit, to: air });
      // A ground left long goes on from its splice.
      for (const { spot, on } of this.#spotsOf(endKey(member.end)))
        this.#wires.push({ ...wire, id: `${id}>${on}`, kind: 'tail', from: unit, to: spot });
      return;
    }
    if ('lead' in member) {
      const key = terminalKey(member.lead);
      const pin = this.#pins.get(key);
      const colour = pin?.part.kind === 'lead' ? pin.part.colour : 'black';
      const lead = { id, key, colour, mark: null, kind: 'lead' as const, from: unit };
      this.#wires.push(pin ? { ...lead, loose: null, to: pin.spot } : { ...lead, loose: 'loose', to: air });
      return;
    }
    const key = pigtailKey(member.pigtail.id);
    const tail = { key, colour: member.pigtail.colour, mark: null, kind: 'tail' as const, from: unit };
    const spots = this.#spotsOf(key);
    if (spots.length === 0) this.#wires.push({ ...tail, id, loose: 'loose', to: air });
    for (const { spot, on } of spots) this.#wires.push({ ...tail, id: `${id}>${on}`, loose: null, to: spot });
  }

  /** A conductor that is in no splice: on a screw, or in the air. */
  #readEnd(entry: Entry, end: End, unknown: boolean): void {
    const from: Spot = { at: 'entry', entry: entry.id };
    const wire = this.#ofEnd(end);
    const id = endKey(end);
    const spots = this.#spotsOf(id);
    for (const { spot, on } of spots) this.#wires.push({ ...wire, id: `${id}>${on}`, from, to: spot });
    // The metal of a raceway that meets no metal box ends at its fitting.
    if (spots.length > 0 || end.colour === 'raceway') return;
    this.#units.push({
      ...{ id, group: id, kind: 'loose', low: false, role: this.#roleAt(wire.key) },
      ...{ joint: null, circuit: null, family: null, name: unknown ? 'not looked at' : 'loose' },
    });
    this.#wires.push({
      ...wire,
      id,
      loose: unknown ? 'unseen' : 'loose',
      from,
      to: { at: 'unit', unit: id },
    });
  }
}

/** Reads one box from the wiring: nothing here knows what kind of circuit it is. */
export const readScene = (job: Job, wiring: Wiring, compiled: Compiled, box: BoxId): Scene =>
  new SceneReader(job, wiring, compiled, box).read();
