import { articleOf, type DeviceArticle } from '../model/articles.js';
import { contentsIn, endsIn, staysShut } from '../model/boxState.js';
import { existingDocument } from '../model/existing.js';
import type { BoxId, DeviceId } from '../model/ids.js';
import { tailsOf } from '../model/inBox.js';
import { findLuminaire } from '../model/lookup.js';
import { isLuminaireReplaced } from '../model/there.js';
import type { Job } from '../model/job.js';
import { unknownCableEnds, withUnknownCables } from './unknownCables.js';
import {
  endKey,
  placeOfEnd,
  terminalKey,
  type Device,
  type End,
  type Joint,
  type Landing,
  type Terminal,
  type Wiring,
} from '../model/wiring.js';

/** What is joined with what in one box: each group of wires and screws, as a set of keys. Grounds are a group like any other. */
type Groups = Set<string>[];

const isOf = (wiring: Wiring, box: string) => {
  const joints = wiring.joints.filter((joint) => joint.box === box);
  const tails = new Map<string, Joint>(
    joints.flatMap((joint) => tailsOf(joint).map(({ id }) => [id as string, joint])),
  );
  const cables = new Map(wiring.cables.map((cable) => [cable.id as string, cable]));
  const landings = wiring.landings.filter(({ wire }) => {
    if (!('end' in wire)) return tails.has(wire.pigtail);
    const cable = cables.get(wire.end.cable);
    return cable !== undefined && placeOfEnd(cable, wire.end.side) === box;
  });
  return { joints, tails, landings };
};

const groupsIn = (
  wiring: Wiring,
  box: BoxId,
  name: (terminal: Terminal) => string,
  left: ReadonlySet<string>,
): Groups => {
  const { joints, tails, landings } = isOf(wiring, box);
  const of = new Map<Joint, Set<string>>(
    joints.map((joint) => [
      joint,
      new Set(
        joint.members.flatMap((member) =>
          'end' in member ? [endKey(member.end)] : 'lead' in member ? [name(member.lead)] : [],
        ),
      ),
    ]),
  );
  const direct = new Map<string, Set<string>>();
  for (const { wire, terminal } of landings) {
    const key = name(terminal);
    if (!('end' in wire)) {
      const joint = tails.get(wire.pigtail);
      if (joint) of.get(joint)?.add(key);
      continue;
    }
    // A ground left long is of its splice.
    const spliced = joints.find((joint) =>
      joint.members.some((member) => 'end' in member && endKey(member.end) === endKey(wire.end)),
    );
    const group = (spliced && of.get(spliced)) ?? direct.get(key) ?? new Set([key]);
    group.add(endKey(wire.end));
    group.add(key);
    if (!spliced) direct.set(key, group);
  }
  // A splice that ends on a screw that holds another wire is one with it.
  return merged(
    [...of.values(), ...direct.values()].map((group) => new Set([...group].filter((key) => !left.has(key)))),
  );
};

const merged = (groups: Groups): Groups => {
  const out: Groups = [];
  for (const group of groups) {
    const touching = out.filter((other) => [...group].some((key) => other.has(key)));
    const one = new Set([...group, ...touching.flatMap((other) => [...other])]);
    for (const other of touching) out.splice(out.indexOf(other), 1);
    out.push(one);
  }
  return out;
};

const textOf = (groups: Groups): string =>
  groups
    // A wire alone under a connector, and one in the air, are joined with nothing alike.
    .filter((group) => group.size > 1)
    .map((group) => [...group].sort().join(' '))
    .sort()
    .join('\n');

/** Ways to exchange the screws of a device that make no difference to what it does: its two plain screws, the travelers, the pairs. */
const exchanges = ({ terminals }: DeviceArticle): Map<string, string>[] => {
  const of = (use: string) => terminals.filter((one) => one.use === use).map(({ name }) => name);
  const swap = ([a, b]: string[]): [string, string][][] =>
    a && b
      ? [
          [],
          [
            [a, b],
            [b, a],
          ],
        ]
      : [[]];
  const [line] = of('line');
  const [load] = of('load');
  const plain = terminals.every(({ use }) => ['line', 'load', 'ground'].includes(use));
  const pairs = [
    plain && line && load ? swap([line, load]) : [[]],
    swap(of('traveler')),
    swap(of('in')),
    swap(of('out')),
  ];
  const combined = pairs.reduce<[string, string][][]>(
    (all, options) => all.flatMap((one) => options.map((option) => [...one, ...option])),
    [[]],
  );
  const [ins, outs] = [of('in'), of('out')];
  const turned = ins.length === 2 && outs.length === 2 ? [false, true] : [false];
  return turned.flatMap((turn) =>
    combined.map((pairsOf) => {
      const within = new Map(pairsOf);
      return new Map(
        terminals.map(({ name }) => {
          const now = within.get(name) ?? name;
          const across = turn ? (outs[ins.indexOf(now)] ?? ins[outs.indexOf(now)]) : undefined;
          return [name, across ?? now];
        }),
      );
    }),
  );
};

const everyWay = (job: Job, devices: readonly Device[]): Map<DeviceId, Map<string, string>>[] =>
  devices.reduce<Map<DeviceId, Map<string, string>>[]>(
    (all, { id, article }) =>
      all.flatMap((one) =>
        exchanges(articleOf(job.stock, 'device', article)).map((way) => new Map([...one, [id, way]])),
      ),
    [new Map<DeviceId, Map<string, string>>()],
  );

/** Is everything in a box joined as it was, but for exchanges that make no difference? */
const isAsItWas = (job: Job, there: Wiring, planned: Wiring, box: BoxId): boolean => {
  const cables = (wiring: Wiring) =>
    contentsIn(wiring, box)
      .cables.map(({ id, article, side }) => `${id} ${article} ${side}`)
      .sort()
      .join();
  if (cables(there) !== cables(planned)) return false;
  const devices = planned.devices.filter((one) => one.box === box);
  const fitted = (wiring: Wiring) =>
    wiring.devices
      .filter((one) => one.box === box)
      .map(({ id, article }) => `${id} ${article}`)
      .sort()
      .join();
  if (fitted(there) !== fitted(planned)) return false;
  // What nobody knows the way of is joined as it was, whatever it is.
  const strange = unknownCableEnds(job, there);
  const now = textOf(groupsIn(there, box, terminalKey, strange));
  return everyWay(job, devices).some((way) => {
    const renamed = (terminal: Terminal): string =>
      'device' in terminal
        ? terminalKey({ ...terminal, name: way.get(terminal.device)?.get(terminal.name) ?? terminal.name })
        : terminalKey(terminal);
    return textOf(groupsIn(planned, box, renamed, strange)) === now;
  });
};

/**
 * Puts back, box by box, what the existing wiring has where nothing is joined otherwise: such a box is not opened, and keeps its splices,
 * its tails, its marks and what nobody has looked at. In a box that is opened, a splice that holds what it held keeps its name too.
 */
export const settled = (job: Job, made: Wiring): Wiring => {
  const document = existingDocument(job);
  if (!document) return made;
  const planned = withUnknownCables(job, made);
  const there = document.wiring;
  const told = Object.keys(document.certainty) as BoxId[];
  const reached = new Set<string>(planned.cables.flatMap(({ from, to }) => [from, to]));
  const remade = new Set<string>(job.choices.flatMap(({ anew }) => anew ?? []));
  // Where a cable is made up anew its marks and colours count too, and no box at its ends is put back for being joined alike.
  const mended = new Set<string>(
    there.cables.filter(({ id }) => remade.has(id)).flatMap(({ from, to }) => [from, to]),
  );
  const differ = told.filter((box) => reached.has(box) && !staysShut(job, planned, box));
  const shut = differ.filter((box) => !mended.has(box) && isAsItWas(job, there, planned, box));
  const held = new Set<string>(planned.cables.map(({ id }) => id));
  const opened = differ.filter((box) => !shut.includes(box));
  const settledBoxes = opened.reduce(
    (wiring, box) => withOldSplices(there, withOldScrews(job, there, wiring, box), box),
    shut.reduce((wiring, box) => putBack(job, there, wiring, box, held), planned),
  );
  // A luminaire that hangs there stays the one that it is.
  const luminaires = there.luminaires.filter(({ id }) => {
    const one = findLuminaire(job, id);
    return one !== undefined && !isLuminaireReplaced(job, one);
  });
  return { ...settledBoxes, luminaires };
};

/** A box that is not opened, as it was. */
const putBack = (job: Job, there: Wiring, wiring: Wiring, box: BoxId, held: ReadonlySet<string>): Wiring => {
  const [old, fresh] = [isOf(there, box), isOf(wiring, box)];
  const mine = new Set(endsIn(job, there, box).map(endKey));
  const drop = new Set<Landing>(fresh.landings);
  const keeps = (end: End) => mine.has(endKey(end)) && held.has(end.cable);
  return {
    ...wiring,
    boxes: { ...wiring.boxes, ...(there.boxes[box] ? { [box]: there.boxes[box] } : {}) },
    joints: [...wiring.joints.filter((joint) => joint.box !== box), ...old.joints],
    landings: [...wiring.landings.filter((one) => !drop.has(one)), ...old.landings],
    marks: [
      ...wiring.marks.filter(({ end }) => !mine.has(endKey(end))),
      ...there.marks.filter(({ end }) => keeps(end)),
    ],
    unseen: [...wiring.unseen.filter((end) => !mine.has(endKey(end))), ...there.unseen.filter(keeps)],
  };
};

/**
 * In a box that is opened, each device with its wires on the screws that they are on now, as far as it makes no difference: of two
 * travelers neither is moved for the other.
 */
const withOldScrews = (job: Job, there: Wiring, wiring: Wiring, box: BoxId): Wiring => {
  const screwOf = (all: readonly Landing[], device: DeviceId) =>
    new Map(
      all.flatMap(({ wire, terminal }) =>
        'end' in wire && 'device' in terminal && terminal.device === device
          ? [[endKey(wire.end), terminal.name] as const]
          : [],
      ),
    );
  const renamed = new Map<DeviceId, Map<string, string>>();
  for (const { id, article } of wiring.devices.filter((one) => one.box === box)) {
    if (!there.devices.some((one) => one.id === id && one.article === article)) continue;
    const [old, now] = [screwOf(there.landings, id), screwOf(wiring.landings, id)];
    const stay = (way: ReadonlyMap<string, string>) =>
      [...now].filter(([wire, name]) => old.get(wire) === way.get(name)).length;
    const [plain, ...others] = exchanges(articleOf(job.stock, 'device', article));
    const best = others.reduce((kept, way) => (kept && stay(way) <= stay(kept) ? kept : way), plain);
    if (best && best !== plain) renamed.set(id, best);
  }
  if (renamed.size === 0) return wiring;
  const named = <T extends Terminal>(terminal: T): T =>
    'device' in terminal
      ? { ...terminal, name: renamed.get(terminal.device)?.get(terminal.name) ?? terminal.name }
      : terminal;
  return {
    ...wiring,
    landings: wiring.landings.map((one) => ({ ...one, terminal: named(one.terminal) })),
    joints: wiring.joints.map((joint) =>
      joint.box === box
        ? {
            ...joint,
            members: joint.members.map((one) => ('lead' in one ? { lead: named(one.lead) } : one)),
          }
        : joint,
    ),
  };
};

/** The splices of a box by what each holds and where its tails go, as a text. */
const splicesByText = (wiring: Wiring, box: BoxId): Map<string, Joint> => {
  const { joints, landings } = contentsIn(wiring, box);
  const landed = new Map(
    landings.flatMap(({ wire, terminal }) =>
      'pigtail' in wire ? [[wire.pigtail as string, terminalKey(terminal)] as const] : [],
    ),
  );
  return new Map(joints.map((joint) => [spliceText(joint, landed), joint]));
};

const spliceText = (joint: Joint, landed: ReadonlyMap<string, string>): string =>
  joint.members
    .map((member) =>
      'end' in member
        ? endKey(member.end)
        : 'lead' in member
          ? terminalKey(member.lead)
          : `tail to ${landed.get(member.pigtail.id) ?? 'nothing'}`,
    )
    .sort()
    .join('\n');

/** In a box that is opened, a splice that holds what it held stays as it is: nobody parts it, and it keeps its name. */
const withOldSplices = (there: Wiring, wiring: Wiring, box: BoxId): Wiring => {
  const old = splicesByText(there, box);
  const pairs = [...splicesByText(wiring, box)].flatMap(([text, joint]) => {
    const before = old.get(text);
    return before ? [{ joint, before }] : [];
  });
  if (pairs.length === 0) return wiring;
  const now = new Map(pairs.map(({ joint, before }) => [joint, before]));
  const gone = new Set<string>(pairs.flatMap(({ joint }) => tailsOf(joint).map(({ id }) => id)));
  const back = new Set<string>(pairs.flatMap(({ before }) => tailsOf(before).map(({ id }) => id)));
  return {
    ...wiring,
    joints: wiring.joints.map((joint) => now.get(joint) ?? joint),
    landings: [
      ...wiring.landings.filter(({ wire }) => !('pigtail' in wire) || !gone.has(wire.pigtail)),
      ...there.landings.filter(({ wire }) => 'pigtail' in wire && back.has(wire.pigtail)),
    ],
  };
};
