import { withPrunedWirings } from './wiring/pruned.js';
import { findBox, findCircuit, findFeed, findRoom, groupIdsOf, groupsOfCircuit } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import type { ArticleId, BoxId, CircuitId, FeedId, GroupId, Place, RoomId, SlotId } from '../model/ids.js';
import { isBetween, runFactOf, type Choice, type Circuit, type Job, type Run } from '../model/job.js';
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
import type { Answer, RoomKind } from '../model/place.js';
import { PANEL, isFarNode, placeOfNode } from '../model/ids.js';
import { orientTree } from '../planning/tree.js';

/** A place of a simple circuit, as the circuit panel edits it. */
export interface DraftPlace {
  /** The box; new places bring a fresh id. */
  box: BoxId;
  name: string;
  /** The box; null lets the program choose the cheapest that fits. */
  article: ArticleId | null;
  accessible: Answer;
  /** What stands there: a switch of the group, a luminaire of so many VA, or only splices. */
  holds: { kind: 'switch' } | { kind: 'luminaire'; va: number } | { kind: 'junction' };
  /** The place its cable comes from; null while no cable reaches it. */
  from: Place | null;
  /** Measured length of that cable in inches, or null. */
  length: number | null;
}

/**
 * One circuit with one control group, told place by place in the order of the run. `feedAt` is the panel (a home run
 * to the first place) or a box that an existing cable already feeds.
 */
export interface CircuitDraft {
  circuit: CircuitId;
  name: string;
  breaker: Circuit['breaker'];
  awg: Circuit['awg'];
  room: { name: string; kind: RoomKind; wholeFloorVisible: Answer };
  feedAt: Place;
  places: DraftPlace[];
}

const derived = (circuit: CircuitId, draft: CircuitDraft) => ({
  room: `room:${circuit}` as RoomId,
  group: `group:${circuit}` as GroupId,
  feed: `feed:${circuit}:${draft.feedAt}` as FeedId,
});

/** A run between places that a draft can tell. */
interface PlainRun {
  from: Place;
  to: BoxId;
}

const plainRuns = (runs: readonly Run[]): PlainRun[] | null =>
  runs.some(({ from, to }) => isFarNode(from) || isFarNode(to) || to === PANEL)
    ? null
    : runs.map(({ from, to }) => ({ from: placeOfNode(from), to: placeOfNode(to) as BoxId }));

/**
 * May this circuit be told as a draft: one switched group on its own boxes, one plain switch or luminaire to a box, no
 * return run?
 */
export const draftOf = (job: Job, circuit: CircuitId): CircuitDraft | null => {
  const found = findCircuit(job, circuit);
  const choice = job.choices.find((one) => one.circuit === circuit);
  const groups = groupsOfCircuit(job, circuit);
  const [group] = groups;
  const room = findRoom(job, group?.room);
  const feed = findFeed(job, choice?.feed);
  if (!found || !choice || !group || groups.length > 1 || !room || !feed) return null;
  if (group.control === 'hot') return null;
  const tree = orientTree(circuit, choice.runs, feed.at, []);
  const runs = plainRuns(tree.ok ? tree.value : choice.runs);
  if (!runs) return null;
  const boxes = [...new Set([...runs.map((run) => run.to), ...(feed.at === PANEL ? [] : [feed.at])])];
  const ordered = feed.at === PANEL ? boxes : [feed.at, ...boxes.filter((box) => box !== feed.at)];
  const onIt = new Set<string>([...ordered]);
  const strays = [...job.slots, ...job.luminaires].filter(
    (one) => one.group === group.id && !onIt.has(one.box),
  );
  const places: DraftPlace[] = [];
  for (const id of [...ordered, ...new Set(strays.map((one) => one.box))]) {
    const box = findBox(job, id);
    const slots = job.slots.filter((one) => one.box === id);
    const luminaires = job.luminaires.filter((one) => one.box === id);
    const [luminaire] = luminaires;
    const foreign =
      [...slots, ...luminaires].some((one) => one.group !== group.id) ||
      slots.some((slot) => slot.role !== 'switch' || slot.article !== null) ||
      luminaires.some((one) => one.unit !== 'luminaire' || one.partOf !== null);
    const comesFrom = runs.filter((run) => run.to === id);
    if (!box || foreign || slots.length + luminaires.length > 1 || comesFrom.length > 1) return null;
    const from = comesFrom[0]?.from ?? null;
    places.push({
      box: id,
      name: box.name,
      article: box.article,
      accessible: box.accessible,
      holds: luminaire
        ? { kind: 'luminaire', va: luminaire.va }
        : slots.length > 0
          ? { kind: 'switch' }
          : { kind: 'junction' },
      from,
      length: from === null ? null : lengthBetween(job, from, id),
    });
  }
  return {
    circuit,
    name: found.name,
    breaker: found.breaker,
    awg: found.awg,
    room: { name: room.name, kind: room.kind, wholeFloorVisible: room.wholeFloorVisible },
    feedAt: feed.at,
    places,
  };
};

const lengthBetween = (job: Job, x: Place, y: Place): number | null => runFactOf(job, x, y)?.length ?? null;

/** Takes a circuit and all that is only its own out of the job. Boxes that other circuits use stay. */
export const withoutCircuit = (job: Job, circuit: CircuitId): Job => {
  const groups = groupIdsOf(job, circuit);
  const rooms = new Set<string>(groupsOfCircuit(job, circuit).map((one) => one.room));
  const keptGroups = job.groups.filter((one) => !groups.has(one.id));
  const slots = job.slots.filter((one) => !groups.has(one.group));
  const luminaires = job.luminaires.filter((one) => !groups.has(one.group));
  const choices = job.choices.filter((one) => one.circuit !== circuit);
  const feeds = job.feeds.filter((one) => one.circuit !== circuit);
  const mine = new Set<string>(
    job.choices
      .filter((one) => one.circuit === circuit)
      .flatMap((choice) => choice.runs.flatMap((run) => [placeOfNode(run.from), placeOfNode(run.to)])),
  );
  for (const one of [...job.slots, ...job.luminaires]) if (groups.has(one.group)) mine.add(one.box);
  for (const feed of job.feeds) if (feed.circuit === circuit) mine.add(feed.at);
  const others = new Set<string>([
    ...[...slots, ...luminaires].map((one) => one.box),
    ...choices.flatMap((choice) =>
      choice.runs.flatMap((run) => [placeOfNode(run.from), placeOfNode(run.to)]),
    ),
    ...feeds.map((feed) => feed.at),
  ]);
  const boxes = job.boxes.filter((one) => !mine.has(one.id) || others.has(one.id));
  const left = new Set<string>([PANEL, ...boxes.map((one) => one.id)]);
  return withPrunedWirings({
    ...job,
    circuits: job.circuits.filter((one) => one.id !== circuit),
    groups: keptGroups,
    // A room that was measured stands, whatever it is lit by.
    rooms: job.rooms.filter(
      (one) =>
        one.outline !== null || !rooms.has(one.id) || keptGroups.some((group) => group.room === one.id),
    ),
    slots,
    luminaires,
    choices,
    feeds,
    boxes,
    runFacts: job.runFacts.filter(({ between: [a, b] }) => left.has(a) && left.has(b)),
    // Nothing of the circuit is left in the planned wiring; planning again makes it anew.
    wirings: job.wirings.filter((one) => one.kind !== 'planned'),
  });
};

/** A pinned order stays while it names each switch of the group once; pinned neutrals while their switches stand. */
const keptPins = (choice: Choice | undefined, group: GroupId, slots: readonly SlotId[]): Partial<Choice> => {
  const chain = ofId(choice?.chains, group);
  const chainStands = chain?.length === slots.length && chain.every((slot) => slots.includes(slot));
  const neutralsStand = choice?.neutralAt?.every((slot) => slots.includes(slot)) === true;
  return {
    ...(chainStands ? { chains: choice?.chains } : {}),
    ...(neutralsStand ? { neutralAt: choice?.neutralAt } : {}),
  };
};

/** Puts a drafted circuit into the job, in the place of the one with its id where there is one. */
export const withDraft = (job: Job, draft: CircuitDraft): Job => {
  const { circuit } = draft;
  const at = job.circuits.findIndex((one) => one.id === circuit);
  const base = withoutCircuit(job, circuit);
  const before = job.groups.find((one) => one.circuit === circuit);
  const ids = { ...derived(circuit, draft), ...(before ? { group: before.id, room: before.room } : {}) };
  const position = at < 0 ? base.circuits.length : at;
  const switches = draft.places.filter((place) => place.holds.kind === 'switch');
  const slotIn = (box: BoxId) => job.slots.find((one) => one.box === box)?.id ?? (`slot:${box}` as SlotId);
  const pinned = job.choices.find((one) => one.circuit === circuit);
  const slots = switches.map((place) => slotIn(place.box));
  const runs = draft.places.flatMap(({ from, box, length }) =>
    from === null || box === draft.feedAt ? [] : [{ from, to: box, length }],
  );
  // What the draft does not tell stays as it was.
  const was = <T extends { id: string }>(items: readonly T[], id: string) =>
    items.find((one) => one.id === id);
  const { name, breaker, awg } = draft;
  const lamps = draft.places.flatMap(({ box, name: lamp, holds }) => {
    if (holds.kind !== 'luminaire') return [];
    const before = job.luminaires.find((one) => one.box === box);
    const told = { name: lamp, box, group: ids.group, va: holds.va };
    return [
      before ? { ...before, ...told } : newLuminaire({ ...USUAL_LUMINAIRE, id: `luminaire:${box}`, ...told }),
    ];
  });
  const boxes = draft.places.map(({ box, name: place, article, accessible }) => {
    const told = { name: place, article, accessible };
    const before = was(job.boxes, box);
    return before ? { ...before, ...told } : newBox({ id: box, ...told });
  });
  const factOf = ({ from, to, length }: (typeof runs)[number]) => {
    const before = runFactOf(job, from, to);
    if (before) return [{ ...before, length }];
    return length === null ? [] : [newRunFact({ between: [from, to], length })];
  };
  const beforeCircuit = was(job.circuits, circuit);
  const beforeRoom = was(job.rooms, ids.room);
  const beforeFeed = was(job.feeds, ids.feed);
  return withPrunedWirings({
    ...base,
    // What is told of its boxes stays, where they do.
    wirings: job.wirings.filter((one) => one.kind !== 'planned'),
    circuits: [
      ...base.circuits.slice(0, position),
      beforeCircuit
        ? { ...beforeCircuit, name, breaker, awg }
        : newCircuit({ id: circuit, name, breaker, awg }),
      ...base.circuits.slice(position),
    ],
    rooms: [
      ...base.rooms.filter((room) => room.id !== ids.room),
      beforeRoom ? { ...beforeRoom, ...draft.room } : newRoom({ id: ids.room, ...draft.room }),
    ],
    groups: [
      ...base.groups,
      before
        ? { ...before, name, room: ids.room }
        : newGroup({ id: ids.group, name, circuit, room: ids.room }),
    ],
    feeds: [
      ...base.feeds,
      beforeFeed ? { ...beforeFeed, at: draft.feedAt } : newFeed({ id: ids.feed, circuit, at: draft.feedAt }),
    ],
    boxes: [...base.boxes, ...boxes],
    slots: [
      ...base.slots,
      ...switches.map(
        ({ box }) =>
          job.slots.find((one) => one.box === box) ??
          newSlot({ id: slotIn(box), box, gang: 0, group: ids.group }),
      ),
    ],
    luminaires: [...base.luminaires, ...lamps],
    runFacts: [
      ...base.runFacts.filter((fact) => !runs.some((run) => isBetween(fact, run.from, run.to))),
      ...runs.flatMap(factOf),
    ],
    choices: [
      ...base.choices,
      {
        circuit,
        feed: ids.feed,
        runs: runs.map(({ from, to }) => ({ from, to })),
        ...keptPins(pinned, ids.group, slots),
      },
    ],
  });
};
