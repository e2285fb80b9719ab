import type { Job, WiringDoc } from '../model/job.js';
import { ofId } from '../model/records.js';
import { isSame } from '../model/same.js';
import { placeOfEnd, type Cable, type End, type Wiring } from '../model/wiring.js';

/** Lists of a wiring of which every item is at one place. Cables have two. */
type Listed = 'devices' | 'joints' | 'landings' | 'marks' | 'unseen' | 'luminaires';

/** Where the items of a document are: what has no place of its own is told by the cable, the slot or the luminaire that it is of. */
type PlaceOf = { [L in Listed]: (item: Wiring[L][number]) => string } & {
  end: (end: End) => string;
  slot: (id: string) => string;
  luminaire: (id: string) => string;
};

/** What is at a place that the document or the job does not tell of. */
const NOWHERE = '(nowhere)';

const placesIn = ({ wiring }: WiringDoc, job: Pick<Job, 'slots' | 'luminaires'>): PlaceOf => {
  const cables = new Map(wiring.cables.map((cable) => [cable.id as string, cable]));
  const tails = new Map(
    wiring.joints.flatMap(({ box, members }) =>
      members.flatMap((member) => ('pigtail' in member ? [[member.pigtail.id as string, box]] : [])),
    ) as [string, string][],
  );
  const slots = new Map(job.slots.map(({ id, box }) => [id as string, box]));
  const lights = new Map(job.luminaires.map(({ id, box }) => [id as string, box]));
  const end = ({ cable, side }: End): string => {
    const found = cables.get(cable);
    return found ? placeOfEnd(found, side) : NOWHERE;
  };
  return {
    ...{ end, slot: (id) => slots.get(id) ?? NOWHERE, luminaire: (id) => lights.get(id) ?? NOWHERE },
    devices: ({ box }) => box,
    joints: ({ box }) => box,
    landings: ({ wire }) => ('end' in wire ? end(wire.end) : (tails.get(wire.pigtail) ?? NOWHERE)),
    marks: ({ end: at }) => end(at),
    unseen: end,
    luminaires: ({ id }) => lights.get(id) ?? NOWHERE,
  };
};

const placesOfCable = ({ from, to, via }: Cable): string[] => [from, to, ...via.map(({ box }) => box)];

/** All that a document tells of one place: what is fitted and joined there, what comes into it, and how sure that is. */
export type Part = Pick<Wiring, Listed | 'cables'> &
  Pick<WiringDoc, 'assumedEnds' | 'stands'> & {
    articles: Wiring['boxes'][keyof Wiring['boxes']] | undefined;
    certainty: WiringDoc['certainty'][keyof WiringDoc['certainty']] | undefined;
    others: WiringDoc['others'][keyof WiringDoc['others']] | undefined;
    /** By cable: what its size was read from, and whose power is on it. */
    sizes: Record<string, unknown>;
    carries: Record<string, unknown>;
  };

const emptyPart = (): Part => ({
  ...{ devices: [], joints: [], landings: [], marks: [], unseen: [], luminaires: [], cables: [] },
  ...{ assumedEnds: [], stands: { slots: [], luminaires: [] } },
  ...{ articles: undefined, certainty: undefined, others: undefined, sizes: {}, carries: {} },
});

/** A document place by place. A cable is at every place that it comes to, so that one which changes changes all of them. */
export const partsOf = (document: WiringDoc, job: Pick<Job, 'slots' | 'luminaires'>): Map<string, Part> => {
  const { wiring } = document;
  const at = placesIn(document, job);
  const parts = new Map<string, Part>();
  const part = (place: string): Part => {
    const found = parts.get(place) ?? emptyPart();
    parts.set(place, found);
    return found;
  };
  for (const one of wiring.devices) part(at.devices(one)).devices.push(one);
  for (const one of wiring.joints) part(at.joints(one)).joints.push(one);
  for (const one of wiring.landings) part(at.landings(one)).landings.push(one);
  for (const one of wiring.marks) part(at.marks(one)).marks.push(one);
  for (const one of wiring.unseen) part(at.unseen(one)).unseen.push(one);
  for (const one of wiring.luminaires) part(at.luminaires(one)).luminaires.push(one);
  for (const cable of wiring.cables)
    for (const place of new Set(placesOfCable(cable))) {
      const here = part(place);
      here.cables.push(cable);
      here.sizes[cable.id] = ofId(document.sizesFrom, cable.id);
      here.carries[cable.id] = ofId(document.carries, cable.id);
    }
  for (const [box, articles] of Object.entries(wiring.boxes)) part(box).articles = articles;
  for (const [box, sure] of Object.entries(document.certainty)) part(box).certainty = sure;
  for (const [box, others] of Object.entries(document.others)) part(box).others = others;
  for (const end of document.assumedEnds) part(at.end(end)).assumedEnds.push(end);
  for (const id of document.stands.slots) part(at.slot(id)).stands.slots.push(id);
  for (const id of document.stands.luminaires) part(at.luminaire(id)).stands.luminaires.push(id);
  return parts;
};

/** Does a place hold the same, in whatever order it is told? */
const isSamePart = (a: Part | undefined, b: Part | undefined): boolean => {
  if (!a || !b) return isSame(a ?? emptyPart(), b ?? emptyPart());
  const sorted = (part: Part) =>
    Object.fromEntries(
      Object.entries(part).map(([key, value]) => [
        key,
        Array.isArray(value) && key !== 'articles' ? value.map((one) => JSON.stringify(one)).sort() : value,
      ]),
    );
  return isSame(a, b) || isSame(sorted(a), sorted(b));
};

/** Places of which two states of a document tell otherwise. */
export const placesChanged = (
  before: ReadonlyMap<string, Part>,
  after: ReadonlyMap<string, Part>,
): Set<string> =>
  new Set(
    [...new Set([...before.keys(), ...after.keys()])].filter(
      (place) => !isSamePart(before.get(place), after.get(place)),
    ),
  );

/** What is told under a name of its place, for those of which it is. */
const byPlace = <V>(
  parts: ReadonlyMap<string, Part>,
  what: (part: Part) => V | undefined,
): Record<string, V> =>
  Object.fromEntries(
    [...parts].flatMap(([place, part]) => {
      const value = what(part);
      return value === undefined ? [] : [[place, value]];
    }),
  );

/** A document put together of what is told of each place. What is told of none of them is that of `like`. */
export const ofParts = (like: WiringDoc, parts: ReadonlyMap<string, Part>): WiringDoc => {
  const all = [...parts.values()];
  const every = <L extends Listed>(list: L) => all.flatMap((part) => part[list] as Wiring[L][number][]);
  const told = <V>(what: 'sizes' | 'carries'): Record<string, V> =>
    Object.fromEntries(
      all
        .flatMap((part) => Object.entries(part[what]) as [string, V][])
        .filter(([, one]) => one !== undefined),
    );
  return {
    ...like,
    certainty: byPlace(parts, ({ certainty }) => certainty),
    others: byPlace(parts, ({ others }) => others),
    assumedEnds: all.flatMap((part) => part.assumedEnds),
    sizesFrom: told('sizes'),
    carries: told('carries'),
    stands: {
      slots: all.flatMap(({ stands }) => stands.slots),
      luminaires: all.flatMap(({ stands }) => stands.luminaires),
    },
    wiring: {
      boxes: byPlace(parts, ({ articles }) => articles),
      devices: every('devices'),
      // Each stands at every place that it comes to.
      cables: [...new Map(all.flatMap((part) => part.cables).map((cable) => [cable.id, cable])).values()],
      joints: every('joints'),
      landings: every('landings'),
      marks: every('marks'),
      unseen: every('unseen'),
      luminaires: every('luminaires'),
    },
  };
};
