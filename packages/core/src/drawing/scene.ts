import { articleOf, conductorsOf } from '../model/articles.js';
import type { FacePart } from '../model/face.js';
import { isGroundColour, type Colour } from '../model/colours.js';
import type { BoxId, CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import {
  createUnknown,
  endKey,
  terminalKey,
  type Cable,
  type End,
  type Joint,
  type Wiring,
} from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey, jointKey, pigtailKey } from '../circuit/keys.js';
import { rolesOf, type Role } from '../circuit/roles.js';
import { fixturesIn, type Fixture } from './fixtures.js';
import type { ConnectorFamily, DrawnWire } from './geometry.js';

/** A cable where it comes into the box. */
export interface Entry {
  id: string;
  cable: Cable;
  end: End['side'];
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

const entriesIn = (wiring: Wiring, box: BoxId): Entry[] =>
  wiring.cables.flatMap((cable) =>
    (['to', 'from'] as const)
      .filter((end) => (end === 'from' ? cable.from : cable.to) === box)
      .map((end) => ({ id: `${cable.id} ${end}`, cable, end })),
  );

/** A piece of wire between screws is no splice: it is drawn as a bend of that wire. */
const isPiece = (joint: Joint): boolean =>
  joint.connectors.length === 0 && joint.members.every((member) => 'pigtail' in member);

/** Grounds, whether they lead back to the panel or not. */
const isOfGrounds = (joint: Joint, pinOf: (key: string) => FacePart | undefined): boolean =>
  joint.members.every((member) => {
    if ('end' in member) return isGroundColour(member.end.colour);
    if ('pigtail' in member) return isGroundColour(member.pigtail.colour);
    return 'luminaire' in member.lead
      ? member.lead.name === 'ground'
      : pinOf(terminalKey(member.lead))?.colour === 'green';
  });

/** Reads one box from the wiring: nothing here knows what kind of circuit it is. */
export const readScene = (job: Job, wiring: Wiring, compiled: Compiled, box: BoxId): Scene => {
  const roles = rolesOf(compiled);
  const entries = entriesIn(wiring, box);
  const fixtures = fixturesIn(job, wiring, box);
  const joints = wiring.joints.filter((joint) => joint.box === box);
  const entryOf = new Map(entries.map((one) => [one.id, one]));
  const pinOf = new Map(
    fixtures.flatMap(({ id, pins }) =>
      pins.map(({ key }) => [key, { at: 'pin', fixture: id, pin: key } as const] as const),
    ),
  );
  const bond = terminalKey({ box, name: 'ground' });
  const marks = new Map(wiring.marks.map(({ end, colour }) => [endKey(end), colour as Colour]));
  const isUnknown = createUnknown(wiring);
  const units: Unit[] = [];
  const wires: SceneWire[] = [];
  const partOf = (key: string) => fixtures.flatMap((one) => one.pins).find((one) => one.key === key)?.part;
  const circuitAt = (key: string, role: Role): CircuitId | null => {
    const net = compiled.netOf(key);
    const source = compiled.sources.find((one) =>
      role === 'neutral' ? one.neutral === net : role === 'hot' && one.hot === net,
    );
    return source?.id ?? null;
  };
  const roleAt = (key: string): Role => roles[compiled.netOf(key) ?? -1] ?? 'spare';

  /** What a landing leads to in this box; null where that is elsewhere. */
  const landingSpot = (key: string): Spot | null => {
    if (key !== bond) return pinOf.get(key) ?? null;
    if (!units.some((one) => one.kind === 'bond'))
      units.push({
        ...{ id: 'bond', group: 'bond', kind: 'bond', low: true, role: 'ground' },
        ...{ joint: null, circuit: null, family: null, name: 'box' },
      });
    return { at: 'unit', unit: 'bond' };
  };
  const ofEnd = (end: End) => ({
    key: conductorKey(end.cable, end.colour),
    colour: end.colour,
    mark: marks.get(endKey(end)) ?? null,
    kind: 'conductor' as const,
    loose: null,
  });

  const landedOn = new Map<string, string[]>();
  for (const { wire, terminal } of wiring.landings) {
    const key = 'end' in wire ? endKey(wire.end) : pigtailKey(wire.pigtail);
    landedOn.set(key, [...(landedOn.get(key) ?? []), terminalKey(terminal)]);
  }
  const spotsOf = (key: string): { spot: Spot; on: string }[] =>
    (landedOn.get(key) ?? []).flatMap((on) => {
      const spot = landingSpot(on);
      return spot ? [{ spot, on }] : [];
    });

  const joined = new Set<string>();
  for (const joint of joints) {
    const key = jointKey(joint.id);
    const role = roleAt(key);
    const piece = isPiece(joint);
    const grounds = role !== 'conflict' && isOfGrounds(joint, partOf);
    const chain = joint.connectors.length > 0 ? joint.connectors : [null];
    chain.forEach((connector, i) => {
      const article = connector && articleOf(job.stock, 'connector', connector.article);
      units.push({
        ...{ id: `${joint.id}#${i}`, group: joint.id, kind: piece ? 'piece' : 'connector', role, joint },
        ...{ low: !piece && (role === 'ground' || grounds), family: article?.family ?? null },
        circuit: circuitAt(key, role),
        name: article?.name ?? 'no connector',
      });
    });
    joint.members.forEach((member, index) => {
      const held = joint.connectors.findIndex((one) => one.members.includes(index));
      const unit: Spot = { at: 'unit', unit: `${joint.id}#${Math.max(0, held)}` };
      if ('end' in member) {
        const entry = entryOf.get(`${member.end.cable} ${member.end.side}`);
        if (!entry) return;
        joined.add(endKey(member.end));
        const from: Spot = { at: 'entry', entry: entry.id };
        wires.push({ id: `${joint.id}#${index}`, ...ofEnd(member.end), from, to: unit });
        // A ground left long goes on from its splice.
        for (const { spot, on } of spotsOf(endKey(member.end)))
          wires.push({
            id: `${joint.id}#${index}>${on}`,
            ...ofEnd(member.end),
            kind: 'tail',
            from: unit,
            to: spot,
          });
        return;
      }
      if ('lead' in member) {
        const to = pinOf.get(terminalKey(member.lead));
        const part = to && partOf(to.pin);
        if (!to || !part) return;
        wires.push({
          ...{ id: `${joint.id}#${index}`, key: terminalKey(member.lead), mark: null, loose: null },
          ...{ colour: part.kind === 'lead' ? part.colour : 'black', kind: 'lead', from: unit, to },
        });
        return;
      }
      const tail = {
        ...{ key: pigtailKey(member.pigtail.id), colour: member.pigtail.colour, mark: null },
        ...{ kind: 'tail' as const, from: unit },
      };
      const spots = spotsOf(tail.key);
      if (spots.length === 0)
        wires.push({ ...tail, id: `${joint.id}#${index}`, loose: 'loose', to: { at: 'air' } });
      for (const { spot, on } of spots)
        wires.push({ ...tail, id: `${joint.id}#${index}>${on}`, loose: null, to: spot });
    });
  }
  for (const entry of entries)
    for (const colour of conductorsOf(articleOf(job.stock, 'cable', entry.cable.article))) {
      const end: End = { cable: entry.cable.id, side: entry.end, colour };
      if (joined.has(endKey(end))) continue;
      const from: Spot = { at: 'entry', entry: entry.id };
      const spots = spotsOf(endKey(end));
      for (const { spot, on } of spots)
        wires.push({ id: `${endKey(end)}>${on}`, ...ofEnd(end), from, to: spot });
      // The metal of a raceway that meets no metal box ends at its fitting.
      if (spots.length > 0 || colour === 'raceway') continue;
      const id = endKey(end);
      units.push({
        ...{
          id,
          group: id,
          kind: 'loose',
          low: false,
          role: roleAt(ofEnd(end).key),
          joint: null,
          circuit: null,
          family: null,
        },
        name: isUnknown(end) ? 'not looked at' : 'loose',
      });
      wires.push({
        ...{ id, ...ofEnd(end), loose: isUnknown(end) ? 'unseen' : 'loose', from },
        to: { at: 'unit', unit: id },
      });
    }
  return { entries, fixtures, units, wires };
};
