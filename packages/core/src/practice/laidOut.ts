import { addPlace, newDraft, newPlace } from '../edits/draftEdits.js';
import { withDraft, type CircuitDraft } from '../edits/circuitDraft.js';
import {
  nodePlaceOf,
  PANEL,
  placeOfNode,
  type BoxId,
  type CircuitId,
  type FeedId,
  type GroupId,
  type LuminaireId,
  type SlotId,
  type TreePlace,
} from '../model/ids.js';
import { choiceSchema, type Circuit, type Job } from '../model/job.js';
import {
  newBox,
  newCircuit,
  newFeed,
  newGroup,
  newLuminaire,
  newRoom,
  newRunFact,
  newSlot,
  USUAL_LUMINAIRE,
} from '../model/newJob.js';
import type { LaidAt, OneGroup, SeveralGroups } from './levels.js';
import type { picking } from './picking.js';

export const ROOMS = [
  'Net loft',
  'Bunk room',
  'Sail room',
  'Pantry',
  'Oar shed',
  'Chart room',
  'Slip office',
];
const DOORS = ['Creek door', 'Yard door', 'Stove end', 'Ladder head'];
const LIGHTS = ['Ridge light', 'Bench light', 'Stair light', 'Porch light'];

/** The first circuit of every exercise. */
export const CIRCUIT = 'practice' as CircuitId;
type Picking = ReturnType<typeof picking>;
/** Measured, so that no length on the board is a guess; inches. */
const someLength = (pick: Picking, feet: number): number => 72 + 12 * pick.upTo(feet);

/** Every third circuit is one of 20 A. */
const someSupply = (pick: Picking): Pick<Circuit, 'breaker' | 'awg'> =>
  pick.upTo(3) === 0 ? { breaker: 20, awg: 12 } : { breaker: 15, awg: 14 };

/** One group in a run from place to place. */
export const oneGroup = (shape: OneGroup, room: string, pick: Picking, empty: Job): Job => {
  const { switches, powerAt, more, withoutNeutral } = shape;
  let next = 0;
  const freshBox = () => `practice-${++next}` as BoxId;
  const bare = newDraft({ circuit: CIRCUIT, name: room, switches, powerAt, freshBox });
  const doors = pick.some(DOORS, switches);
  const lights = pick.some(LIGHTS, 1 + more);
  const named = bare.places.map((place) => ({
    ...place,
    name: (place.holds.kind === 'switch' ? doors.shift() : lights.shift()) ?? place.name,
    // A neutral may be left out where it could be brought later without opening the wall.
    accessible: withoutNeutral ? ('yes' as const) : ('no' as const),
    length: someLength(pick, 20),
  }));
  const told: CircuitDraft = {
    ...bare,
    ...someSupply(pick),
    room: { name: room, kind: 'habitable', wholeFloorVisible: 'yes' },
    places: named,
  };
  const draft = lights.reduce(
    (all, name) =>
      addPlace(all, { ...newPlace(freshBox(), 'luminaire', name, PANEL), length: someLength(pick, 10) }),
    told,
  );
  const job = withDraft(empty, draft);
  if (!withoutNeutral) return job;
  return { ...job, slots: job.slots.map((slot) => ({ ...slot, neutral: 'none' as const })) };
};

/** Several groups whose switches share boxes, cables as they are laid. */
export const severalGroups = (
  { boxes, circuits }: SeveralGroups,
  name: string,
  pick: Picking,
  empty: Job,
): Job => {
  const doors = pick.some(DOORS, boxes.filter((one) => one === 'door').length);
  const lights = pick.some(LIGHTS, boxes.filter((one) => one === 'light').length);
  const placed = boxes.map((kind, i) =>
    newBox({
      id: `practice-${i + 1}` as BoxId,
      name: (kind === 'door' ? doors.shift() : lights.shift()) ?? '',
      article: null,
      accessible: 'no',
    }),
  );
  const boxAt = (i: number): BoxId => placed[i]?.id ?? ('' as BoxId);
  const room = newRoom({ id: 'room', name, kind: 'habitable', wholeFloorVisible: 'no' });
  const gangs = new Map<BoxId, number>();
  const gang = (box: BoxId): number => {
    const taken = gangs.get(box) ?? 0;
    gangs.set(box, taken + 1);
    return taken;
  };
  const told = circuits.map(({ groups, runs }, c) => {
    const circuit = (c === 0 ? CIRCUIT : `${CIRCUIT}-${c + 1}`) as CircuitId;
    const groupAt = (i: number) => `${circuit}-group-${i + 1}` as GroupId;
    const feed = newFeed({ id: `${circuit}-feed` as FeedId, circuit, at: PANEL });
    const place = (at: LaidAt): TreePlace =>
      at === 'panel'
        ? PANEL
        : typeof at === 'number'
          ? boxAt(at)
          : nodePlaceOf(boxAt(at.box), groupAt(at.apart));
    const ends = runs.flat().filter((at) => typeof at === 'object');
    const apart = [...new Map(ends.map((at) => [at.box, at])).values()].map((at) => ({
      box: boxAt(at.box),
      groups: [groupAt(at.apart)],
    }));
    return {
      circuit: newCircuit({
        id: circuit,
        name: circuits.length > 1 ? `${name}, circuit ${c + 1}` : name,
        ...someSupply(pick),
      }),
      feed,
      groups: groups.map(({ light }, i) =>
        newGroup({ id: groupAt(i), name: placed[light]?.name ?? '', circuit, room: room.id }),
      ),
      slots: groups.flatMap(({ switches }, i) =>
        switches.map((at) =>
          newSlot({
            id: `${circuit}-slot-${i + 1}-${at + 1}` as SlotId,
            box: boxAt(at),
            gang: gang(boxAt(at)),
            group: groupAt(i),
          }),
        ),
      ),
      luminaires: groups.map(({ light }, i) =>
        newLuminaire({
          ...USUAL_LUMINAIRE,
          id: `${circuit}-light-${i + 1}` as LuminaireId,
          name: placed[light]?.name ?? '',
          box: boxAt(light),
          group: groupAt(i),
        }),
      ),
      choice: {
        ...{ circuit, feed: feed.id },
        runs: runs.map(([from, to]) => ({ from: place(from), to: place(to) })),
        ...(apart.length > 0 ? { apart } : {}),
      },
    };
  });
  const between = new Map(
    told
      .flatMap(({ choice }) => choice.runs)
      .map(({ from, to }) => [placeOfNode(from), placeOfNode(to)] as const)
      .map((ends) => [ends.join(), ends]),
  );
  return {
    ...empty,
    rooms: [room],
    boxes: placed,
    circuits: told.map(({ circuit }) => circuit),
    feeds: told.map(({ feed }) => feed),
    groups: told.flatMap(({ groups }) => groups),
    slots: told.flatMap(({ slots }) => slots),
    luminaires: told.flatMap(({ luminaires }) => luminaires),
    choices: told.map(({ choice }) => choiceSchema.parse(choice)),
    runFacts: [...between.values()].map(([from, to]) =>
      newRunFact({ between: [from, to], length: someLength(pick, 20) }),
    ),
  };
};
