import { articleOf, articlesOf, conductorsOf } from '../../model/articles.js';
import { isGroundColour } from '../../model/colours.js';
import { PANEL, UNKNOWN_PLACE, type JointId, type PigtailId, type Place } from '../../model/ids.js';
import { findCable, findDevice, findLuminaire } from '../../model/lookup.js';
import type { Awg } from '../../model/units.js';
import {
  endKey,
  placeOfEnd,
  terminalKey,
  type End,
  type Joint,
  type Member,
  type Terminal,
  type Wiring,
} from '../../model/wiring.js';
import type { Edited, EditParts, LooseWire, WiringEdit, WiringRefusal } from './edit.js';
import { done, refused } from './edit.js';

type Of<K extends WiringEdit['do']> = Extract<WiringEdit, { do: K }>;
type Found = { ok: true; at: Place } | { ok: false; refusal: WiringRefusal };

const missing = (
  what: Extract<WiringRefusal, { why: 'notThere' }>['what'],
): { ok: false; refusal: WiringRefusal } => ({
  ok: false,
  refusal: { why: 'notThere', what },
});
const found = (at: Place): Found => ({ ok: true, at });

export const wireKey = (wire: LooseWire): string =>
  'end' in wire ? endKey(wire.end) : 'pigtail' in wire ? `tail|${wire.pigtail}` : terminalKey(wire.lead);

/** A member of a splice as the wire that it is. */
const memberKey = (member: Member): string =>
  wireKey('pigtail' in member ? { pigtail: member.pigtail.id } : member);

const jointOf = (wiring: Wiring, id: string): Joint | undefined => wiring.joints.find((one) => one.id === id);

/** The splice that holds a wire; a piece of wire is always of one. */
export const jointOfWire = (wiring: Wiring, wire: LooseWire): Joint | undefined => {
  const key = wireKey(wire);
  return wiring.joints.find((joint) => joint.members.some((member) => memberKey(member) === key));
};

/** The place of what a wire can land on or be joined to. */
const placeOfTerminal = (wiring: Wiring, parts: EditParts, terminal: Terminal): Found => {
  if ('circuit' in terminal) return found(PANEL);
  if ('box' in terminal) return found(terminal.box);
  if ('luminaire' in terminal) {
    const luminaire = findLuminaire(parts, terminal.luminaire);
    return luminaire ? found(luminaire.box) : missing('luminaire');
  }
  const device = findDevice(wiring, terminal.device);
  if (!device) return missing('device');
  const article = articlesOf(parts.stock, 'device').find(({ id }) => id === device.article);
  return article?.terminals.some(({ name }) => name === terminal.name) ? found(device.box) : missing('screw');
};

const isLead = (wiring: Wiring, parts: EditParts, terminal: Terminal): boolean => {
  if (!('device' in terminal)) return false;
  const device = findDevice(wiring, terminal.device);
  if (!device) return false;
  const { terminals } = articleOf(parts.stock, 'device', device.article);
  return terminals.some(({ name, face }) => name === terminal.name && face.kind === 'lead');
};

export const placeOfWire = (wiring: Wiring, parts: EditParts, wire: LooseWire): Found => {
  if ('lead' in wire) return placeOfTerminal(wiring, parts, wire.lead);
  if ('pigtail' in wire) {
    const joint = jointOfWire(wiring, wire);
    return joint ? found(joint.box) : missing('tail');
  }
  const cable = findCable(wiring, wire.end.cable);
  if (!cable) return missing('cable');
  if (!conductorsOf(articleOf(parts.stock, 'cable', cable.article)).includes(wire.end.colour))
    return missing('conductor');
  return found(placeOfEnd(cable, wire.end.side));
};

/** A splice with other members has connectors that nobody has told of; one without a member that stays by itself is none. */
const withMembers = (joint: Joint, members: Member[]): Joint[] =>
  members.every((member) => 'pigtail' in member) ? [] : [{ ...joint, members, connectors: [] }];

/** Takes a wire off its screw and out of its splice. What is left of a splice of nothing but tails goes, and what they were on is bare. */
export const takenOff = (wiring: Wiring, wire: LooseWire): Wiring => {
  const key = wireKey(wire);
  const joints = wiring.joints.flatMap((joint) => {
    const members = joint.members.filter((member) => memberKey(member) !== key);
    return members.length === joint.members.length ? [joint] : withMembers(joint, members);
  });
  const tails = new Set(
    joints.flatMap((joint) =>
      joint.members.flatMap((member) => ('pigtail' in member ? [member.pigtail.id as string] : [])),
    ),
  );
  return {
    ...wiring,
    joints,
    landings: wiring.landings.filter(({ wire: one }) =>
      'end' in one ? endKey(one.end) !== key : tails.has(one.pigtail),
    ),
    unseen: wiring.unseen.filter((end) => endKey(end) !== key),
  };
};

/** A splice that an edit makes is called by the wire that it was made for. */
const freshJoint = (wiring: Wiring, box: string, wire: LooseWire): JointId => {
  const stem = `${box}/${wireKey(wire).replace(/[^\w.:>/~-]/g, '-')}`;
  let id = stem;
  for (let n = 2; wiring.joints.some((joint) => joint.id === id); n++) id = `${stem}-${n}`;
  return id as JointId;
};

const memberOf = (wire: Exclude<LooseWire, { pigtail: unknown }>): Member =>
  'end' in wire ? { end: wire.end } : { lead: wire.lead };

/** A tail keeps to its splice: it is under a screw, or hangs in the air. */
const putTail = (wiring: Wiring, parts: EditParts, pigtail: PigtailId, to: Of<'put'>['to']): Edited => {
  const joint = jointOfWire(wiring, { pigtail });
  if (!joint) return refused({ why: 'notThere', what: 'tail' });
  const landings = wiring.landings.filter(({ wire }) => !('pigtail' in wire) || wire.pigtail !== pigtail);
  if (to === 'loose') return done({ ...wiring, landings });
  if (typeof to === 'string' || !('on' in to)) return refused({ why: 'tailStays' });
  const there = placeOfTerminal(wiring, parts, to.on);
  if (!there.ok) return refused(there.refusal);
  if (isLead(wiring, parts, to.on)) return refused({ why: 'leadOnScrew' });
  if (there.at !== joint.box) return refused({ why: 'otherBox', wire: joint.box, to: there.at });
  return done({ ...wiring, landings: [...landings, { wire: { pigtail }, terminal: to.on }] });
};

const join = (wiring: Wiring, joint: Joint, member: Member): Wiring => ({
  ...wiring,
  joints: wiring.joints.map((one) =>
    one.id === joint.id ? { ...joint, members: [...joint.members, member], connectors: [] } : one,
  ),
});

/** Where a wire is: its screw, its splice, alone, in the air, or not looked at. What it was on before it leaves. */
export const put = (wiring: Wiring, { wire, to }: Of<'put'>, parts: EditParts): Edited => {
  if ('pigtail' in wire) return putTail(wiring, parts, wire.pigtail, to);
  const here = placeOfWire(wiring, parts, wire);
  if (!here.ok) return refused(here.refusal);
  if (here.at === UNKNOWN_PLACE) return refused({ why: 'nobodyKnowsWhere' });
  const free = takenOff(wiring, wire);
  if (to === 'loose') return done(free);
  if (to === 'unseen')
    return 'end' in wire ? done({ ...free, unseen: [...free.unseen, wire.end] }) : done(free);
  if (typeof to === 'object' && 'on' in to) {
    if ('lead' in wire || isLead(wiring, parts, to.on)) return refused({ why: 'leadOnScrew' });
    const there = placeOfTerminal(wiring, parts, to.on);
    if (!there.ok) return refused(there.refusal);
    if (there.at !== here.at) return refused({ why: 'otherBox', wire: here.at, to: there.at });
    return done({ ...free, landings: [...free.landings, { wire: { end: wire.end }, terminal: to.on }] });
  }
  const box = here.at;
  if (box === PANEL) return refused({ why: 'inPanel' });
  if (to === 'alone') {
    const joint = { id: freshJoint(free, box, wire), box, members: [memberOf(wire)], connectors: [] };
    return done({ ...free, joints: [...free.joints, joint] });
  }
  if ('into' in to) {
    const joint = jointOf(wiring, to.into);
    if (!joint) return refused({ why: 'notThere', what: 'splice' });
    if (joint.box !== box) return refused({ why: 'otherBox', wire: box, to: joint.box });
    const left = jointOf(free, to.into);
    // Of a splice that it was of already, and of one that it alone kept together, nothing changes.
    return left === joint ? done(join(free, left, memberOf(wire))) : done(wiring);
  }
  const other = to.with;
  if (wireKey(other) === wireKey(wire)) return refused({ why: 'withItself' });
  const there = placeOfWire(wiring, parts, other);
  if (!there.ok) return refused(there.refusal);
  if (there.at !== box) return refused({ why: 'otherBox', wire: box, to: there.at });
  const spliced = jointOfWire(free, other);
  if (spliced) return done(join(free, spliced, memberOf(wire)));
  if ('pigtail' in other) return refused({ why: 'tailStays' });
  const apart = takenOff(free, other);
  const joint = {
    ...{ id: freshJoint(apart, box, wire), box, connectors: [] },
    members: [memberOf(wire), memberOf(other)],
  };
  return done({ ...apart, joints: [...apart.joints, joint] });
};

export const loopGround = (wiring: Wiring, { end, on }: Of<'loopGround'>, parts: EditParts): Edited => {
  const here = placeOfWire(wiring, parts, { end });
  if (!here.ok) return refused(here.refusal);
  if (!isGroundColour(end.colour)) return refused({ why: 'onlyGrounds', colour: end.colour });
  const there = placeOfTerminal(wiring, parts, on);
  if (!there.ok) return refused(there.refusal);
  if (here.at === UNKNOWN_PLACE) return refused({ why: 'nobodyKnowsWhere' });
  if (there.at !== here.at) return refused({ why: 'otherBox', wire: here.at, to: there.at });
  const key = endKey(end);
  return done({
    ...wiring,
    landings: [
      ...wiring.landings.filter(({ wire }) => !('end' in wire) || endKey(wire.end) !== key),
      { wire: { end }, terminal: on },
    ],
    unseen: wiring.unseen.filter((one) => endKey(one) !== key),
  });
};

/** The size of a tail: of the thickest wire in its splice (240.4(D)). */
const sizeIn = (wiring: Wiring, parts: EditParts, joint: Joint): Awg => {
  const sizes = joint.members.flatMap((member): Awg[] => {
    if ('pigtail' in member) return [member.pigtail.awg];
    if ('lead' in member) return [];
    const cable = findCable(wiring, member.end.cable);
    return cable ? [articleOf(parts.stock, 'cable', cable.article).awg] : [];
  });
  return sizes.reduce<Awg>((thick, awg) => (awg < thick ? awg : thick), sizes[0] ?? 14);
};

export const tail = (wiring: Wiring, { from, to, colour }: Of<'tail'>, parts: EditParts): Edited => {
  const joint = jointOf(wiring, from);
  if (!joint) return refused({ why: 'notThere', what: 'splice' });
  const there = placeOfTerminal(wiring, parts, to);
  if (!there.ok) return refused(there.refusal);
  if (isLead(wiring, parts, to)) return refused({ why: 'leadOnScrew' });
  if (there.at !== joint.box) return refused({ why: 'otherBox', wire: joint.box, to: there.at });
  const stem = `${from}>${terminalKey(to).replace(/[^\w.:>/~-]/g, '-')}`;
  let id = stem;
  const taken = (one: string) => jointOfWire(wiring, { pigtail: one as PigtailId }) !== undefined;
  for (let n = 2; taken(id); n++) id = `${stem}-${n}`;
  const pigtail = { id: id as PigtailId, colour, awg: sizeIn(wiring, parts, joint) };
  return done({
    ...join(wiring, joint, { pigtail }),
    landings: [...wiring.landings, { wire: { pigtail: pigtail.id }, terminal: to }],
  });
};

export const takeTail = (wiring: Wiring, { pigtail }: Of<'takeTail'>): Edited =>
  jointOfWire(wiring, { pigtail })
    ? done(takenOff(wiring, { pigtail }))
    : refused({ why: 'notThere', what: 'tail' });

export const mark = (wiring: Wiring, { end, colour }: Of<'mark'>, parts: EditParts): Edited => {
  const here = placeOfWire(wiring, parts, { end });
  if (!here.ok) return refused(here.refusal);
  if (isGroundColour(end.colour) && colour !== null)
    return refused({ why: 'takesNoMark', colour: end.colour });
  const key = endKey(end);
  const others = wiring.marks.filter((one) => endKey(one.end) !== key);
  return done({ ...wiring, marks: colour === null ? others : [...others, { end, colour }] });
};

/** Everything that was told of an end is forgotten. */
export const forgotten = (wiring: Wiring, end: End): Wiring => {
  const key = endKey(end);
  const free = takenOff(wiring, { end });
  return { ...free, marks: free.marks.filter((one) => endKey(one.end) !== key) };
};
