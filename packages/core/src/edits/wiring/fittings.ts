import { articlesOf, conductorsOf, type CableArticle } from '../../model/articles.js';
import { isGroundColour, type Colour } from '../../model/colours.js';
import { PANEL, UNKNOWN_PLACE, type BoxId, type Place } from '../../model/ids.js';
import { findCable, findDevice, findLuminaire } from '../../model/lookup.js';
import { placeOfEnd, type Cable, type End, type Wiring } from '../../model/wiring.js';
import { done, refused, type Edited, type EditParts, type WiringEdit } from './edit.js';
import { forgotten, takenOff } from './wires.js';

type Of<K extends WiringEdit['do']> = Extract<WiringEdit, { do: K }>;

const cableArticle = (parts: EditParts, id: string): CableArticle | undefined =>
  articlesOf(parts.stock, 'cable').find((one) => one.id === id);

const SIDES = ['from', 'to'] as const;

/** The ends of a cable of which it has to be said that nobody has looked: those that lie in a known place, the panel too. */
const unseenEnds = (cable: Cable, colours: readonly Colour[], sides: readonly End['side'][] = SIDES): End[] =>
  sides
    .filter((side) => placeOfEnd(cable, side) !== UNKNOWN_PLACE)
    .flatMap((side) => colours.map((colour) => ({ cable: cable.id, side, colour })));

export const bringIn = (wiring: Wiring, { cable }: Of<'bringIn'>, parts: EditParts): Edited => {
  const article = cableArticle(parts, cable.article);
  if (!article) return refused({ why: 'notThere', what: 'article' });
  if (findCable(wiring, cable.id)) return refused({ why: 'taken', what: 'cable' });
  if (cable.from === UNKNOWN_PLACE) return refused({ why: 'nowhere' });
  return done({
    ...wiring,
    cables: [...wiring.cables, cable],
    unseen: [...wiring.unseen, ...unseenEnds(cable, conductorsOf(article))],
  });
};

const endsOf = (cable: Cable, article: CableArticle, sides: readonly End['side'][] = SIDES): End[] =>
  sides.flatMap((side) => conductorsOf(article).map((colour) => ({ cable: cable.id, side, colour })));

export const takeOut = (wiring: Wiring, { cable: id }: Of<'takeOut'>, parts: EditParts): Edited => {
  const cable = findCable(wiring, id);
  const article = cable && cableArticle(parts, cable.article);
  if (!cable || !article) return refused({ why: 'notThere', what: 'cable' });
  const free = endsOf(cable, article).reduce(forgotten, wiring);
  return done({ ...free, cables: free.cables.filter((one) => one !== cable) });
};

/** The side that is a box comes first where one is; a cable from the panel starts there. */
const turned = (cable: Cable, from: Place, to: Place): Cable => ({ ...cable, from, to: to as BoxId });

export const lead = (wiring: Wiring, { cable: id, side, to }: Of<'lead'>, parts: EditParts): Edited => {
  const cable = findCable(wiring, id);
  const article = cable && cableArticle(parts, cable.article);
  if (!cable || !article) return refused({ why: 'notThere', what: 'cable' });
  const stays = placeOfEnd(cable, side === 'from' ? 'to' : 'from');
  if (stays === UNKNOWN_PLACE && to === UNKNOWN_PLACE) return refused({ why: 'nowhere' });
  if (stays === PANEL && to === PANEL) return refused({ why: 'inPanel' });
  const free = endsOf(cable, article, [side]).reduce(forgotten, wiring);
  // The panel is where a cable comes from, and what nobody knows is where it goes: the sides change where that asks for it.
  const swap = (side === 'to' && to === PANEL) || (side === 'from' && to === UNKNOWN_PLACE);
  const keeps = (one: End): End =>
    swap && one.cable === id ? { ...one, side: one.side === 'from' ? 'to' : 'from' } : one;
  const moved = swap
    ? to === PANEL
      ? turned(cable, PANEL, stays)
      : turned(cable, stays, UNKNOWN_PLACE)
    : { ...cable, [side]: to };
  const there = swap ? (side === 'from' ? 'to' : 'from') : side;
  return done({
    ...free,
    cables: free.cables.map((one) =>
      one === cable ? { ...moved, length: null, lengthSource: 'unknown' as const } : one,
    ),
    joints: free.joints.map((joint) =>
      swap && joint.members.some((member) => 'end' in member && member.end.cable === id)
        ? {
            ...joint,
            members: joint.members.map((member) => ('end' in member ? { end: keeps(member.end) } : member)),
          }
        : joint,
    ),
    landings: free.landings.map((one) =>
      'end' in one.wire ? { ...one, wire: { end: keeps(one.wire.end) } } : one,
    ),
    marks: free.marks.map((one) => ({ ...one, end: keeps(one.end) })),
    unseen: [...free.unseen.map(keeps), ...unseenEnds(moved, conductorsOf(article), [there])],
  });
};

/** The conductors of one cable kind taken for those of another: like colours first, the others in their order; grounds for grounds. */
const recoloured = (before: CableArticle, after: CableArticle): Map<Colour, Colour> => {
  const [old, fresh] = [conductorsOf(before), conductorsOf(after)];
  const taken = new Map<Colour, Colour>(old.filter((one) => fresh.includes(one)).map((one) => [one, one]));
  const pair = (isMine: (colour: Colour) => boolean) => {
    const left = fresh.filter((one) => isMine(one) && ![...taken.values()].includes(one));
    for (const one of old.filter((colour) => isMine(colour) && !taken.has(colour))) {
      const next = left.shift();
      if (next) taken.set(one, next);
    }
  };
  pair((colour) => !isGroundColour(colour));
  pair(isGroundColour);
  return taken;
};

export const cableIs = (
  wiring: Wiring,
  { cable: id, article: next }: Of<'cableIs'>,
  parts: EditParts,
): Edited => {
  const cable = findCable(wiring, id);
  const before = cable && cableArticle(parts, cable.article);
  if (!cable || !before) return refused({ why: 'notThere', what: 'cable' });
  const after = cableArticle(parts, next);
  if (!after) return refused({ why: 'notThere', what: 'article' });
  const names = recoloured(before, after);
  const gone = endsOf(cable, before).filter(({ colour }) => !names.has(colour));
  const free = gone.reduce(forgotten, wiring);
  const named = (end: End): End =>
    end.cable === id ? { ...end, colour: names.get(end.colour) ?? end.colour } : end;
  const known = new Set(names.values());
  const fresh = conductorsOf(after).filter((colour) => !known.has(colour));
  return done({
    ...free,
    cables: free.cables.map((one) => (one === cable ? { ...cable, article: after.id } : one)),
    joints: free.joints.map((joint) => ({
      ...joint,
      members: joint.members.map((member) => ('end' in member ? { end: named(member.end) } : member)),
    })),
    landings: free.landings.map((one) =>
      'end' in one.wire ? { ...one, wire: { end: named(one.wire.end) } } : one,
    ),
    marks: free.marks
      .map((one) => ({ ...one, end: named(one.end) }))
      .filter(({ end }) => end.cable !== id || !isGroundColour(end.colour)),
    unseen: [...free.unseen.map(named), ...unseenEnds(cable, fresh)],
  });
};

export const fit = (wiring: Wiring, { device }: Of<'fit'>, parts: EditParts): Edited => {
  const article = articlesOf(parts.stock, 'device').find((one) => one.id === device.article);
  if (!article) return refused({ why: 'notThere', what: 'article' });
  const old = findDevice(wiring, device.id);
  if (!old) return done({ ...wiring, devices: [...wiring.devices, device] });
  if (old.box !== device.box) return refused({ why: 'taken', what: 'device' });
  const was = articlesOf(parts.stock, 'device').find((one) => one.id === old.article);
  // What is a screw on one and a lead on the other holds its wire in another way.
  const keeps = new Set(
    article.terminals
      .filter(({ name, face }) =>
        was?.terminals.some((one) => one.name === name && one.face.kind === face.kind),
      )
      .map(({ name }) => name),
  );
  const bare = withoutWires(wiring, device.id, keeps);
  return done({ ...bare, devices: bare.devices.map((one) => (one.id === device.id ? device : one)) });
};

/** The wiring with nothing on the screws and leads of a device, but for those that are kept. */
const withoutWires = (wiring: Wiring, device: string, keeps: ReadonlySet<string>): Wiring => {
  const leads = wiring.joints.flatMap(({ members }) =>
    members.flatMap((member) =>
      'lead' in member &&
      'device' in member.lead &&
      member.lead.device === device &&
      !keeps.has(member.lead.name)
        ? [member.lead]
        : [],
    ),
  );
  const free = leads.reduce((left, one) => takenOff(left, { lead: one }), wiring);
  return {
    ...free,
    landings: free.landings.filter(
      ({ terminal }) => !('device' in terminal) || terminal.device !== device || keeps.has(terminal.name),
    ),
  };
};

export const remove = (wiring: Wiring, { device }: Of<'remove'>): Edited => {
  if (!findDevice(wiring, device)) return refused({ why: 'notThere', what: 'device' });
  const bare = withoutWires(wiring, device, new Set());
  return done({ ...bare, devices: bare.devices.filter((one) => one.id !== device) });
};

export const boxIs = (wiring: Wiring, { box, articles }: Of<'boxIs'>, parts: EditParts): Edited => {
  const boxes = articlesOf(parts.stock, 'box');
  if (!articles.every((id) => boxes.some((one) => one.id === id)))
    return refused({ why: 'notThere', what: 'article' });
  return done({ ...wiring, boxes: { ...wiring.boxes, [box]: [...articles] } });
};

export const luminaireIs = (
  wiring: Wiring,
  { luminaire, article }: Of<'luminaireIs'>,
  parts: EditParts,
): Edited => {
  if (!findLuminaire(parts, luminaire)) return refused({ why: 'notThere', what: 'luminaire' });
  if (article !== null && !articlesOf(parts.stock, 'luminaire').some((one) => one.id === article))
    return refused({ why: 'notThere', what: 'article' });
  const others = wiring.luminaires.filter((one) => one.id !== luminaire);
  return done({
    ...wiring,
    luminaires: article === null ? others : [...others, { id: luminaire, article }],
  });
};
