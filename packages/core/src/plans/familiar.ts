import { boxesOfCircuit, groupsOfCircuit, luminairesOfGroup, switchesOfGroup } from '../model/lookup.js';
import { PANEL, nodePlaceOf, returnPlaceOf, type BoxId, type GroupId, type TreePlace } from '../model/ids.js';
import type { Choice, Circuit, Feed, Job, Run } from '../model/job.js';
import { runLength } from '../materials/lengths.js';
import { switchedGroups } from '../search/orders.js';

/** The ways that everybody has drawn before; priced beside what the search finds. */
export const FAMILIAR = [
  ...(['atSwitch', 'atLast', 'atMiddle', 'atLight', 'between', 'returnRun', 'hub'] as const),
  ...(['sideBySide', 'oneCable'] as const),
] as const;
export type FamiliarId = (typeof FAMILIAR)[number];

export const FAMILIAR_TITLES: Record<FamiliarId, string> = {
  atSwitch: 'Power at the first switch, straight on to the lights',
  atLast: 'Power at the last switch, next to the light',
  atMiddle: 'Power at the middle switch, the others to either side',
  atLight: 'Power at the light, down to the switches',
  between: 'Light between the switches',
  returnRun: 'Power at the light, switch leg back by a cable of its own',
  hub: 'Every cable from the light box',
  sideBySide: 'Each group on cables of its own, side by side',
  oneCable: 'All groups on the same cables',
};

export interface FamiliarChoice {
  id: FamiliarId;
  choice: Choice;
}

/** Inches of a run; what nobody knows is as good as any other. */
const inches = (job: Job, a: TreePlace, b: TreePlace): number =>
  runLength(job, a as BoxId, b as BoxId).length ?? 0;

/** The shortest way through all of some boxes, from one place on; up to seven are tried in every order. */
const shortestWay = (job: Job, from: TreePlace, boxes: readonly BoxId[]): BoxId[] => {
  if (boxes.length > 7) {
    const next = [...boxes].sort((a, b) => inches(job, from, a) - inches(job, from, b))[0] as BoxId;
    const others = boxes.filter((box) => box !== next);
    return [next, ...shortestWay(job, next, others)];
  }
  let best: BoxId[] = [];
  let least = Infinity;
  const walk = (way: BoxId[], left: readonly BoxId[], length: number) => {
    if (length >= least) return;
    if (left.length === 0) {
      best = way;
      least = length;
    }
    for (const box of left)
      walk(
        [...way, box],
        left.filter((one) => one !== box),
        length + inches(job, way.at(-1) ?? from, box),
      );
  };
  walk([], boxes, 0);
  return best;
};

/** Runs from one place to the next. */
const chain = (places: readonly TreePlace[]): Run[] =>
  places.slice(1).map((to, i) => ({ from: places[i] ?? to, to }));

/** Beyond so many switched groups a circuit has no shape that anybody has drawn before. */
const MOST_GROUPS = 4;

/** The boxes of one group: of its switches, and of its luminaires where no switch of it stands. */
const boxesOfGroup = (job: Job, group: GroupId): { switches: BoxId[]; lights: BoxId[] } => {
  const switches = [...new Set(switchesOfGroup(job, group).map((slot) => slot.box))];
  const lights = [...new Set(luminairesOfGroup(job, group).map((one) => one.box))];
  return { switches, lights: lights.filter((box) => !switches.includes(box)) };
};

/**
 * The familiar ways of several groups, power at a box with switches of as many of them as can be: each group on by cables of its own, apart
 * from the others in every box but that one; or all of them on one chain of cables from switch box to switch box, the lights behind.
 */
const ofSeveral = (job: Job, circuit: Circuit, feed: Feed): FamiliarChoice[] => {
  const groups = groupsOfCircuit(job, circuit.id);
  const parts = groups.map(({ id }) => ({ id, ...boxesOfGroup(job, id) }));
  const boxes = boxesOfCircuit(job, circuit.id);
  const countIn = (box: BoxId) => parts.filter(({ switches }) => switches.includes(box)).length;
  const [entry] =
    feed.at === PANEL
      ? boxes
          .filter((box) => countIn(box) > 0)
          .sort((a, b) => countIn(b) - countIn(a) || inches(job, PANEL, a) - inches(job, PANEL, b))
      : [feed.at];
  if (entry === undefined || parts.some(({ switches, lights }) => switches.length + lights.length === 0))
    return [];
  const home: Run[] = feed.at === PANEL ? [{ from: PANEL, to: entry }] : [];
  const first = (box: BoxId) => parts.find((part) => [...part.switches, ...part.lights].includes(box))?.id;
  const nodeAt = (box: BoxId, group: GroupId): TreePlace =>
    box === entry || first(box) === group ? box : nodePlaceOf(box, group);
  const own = parts.flatMap(({ id, switches, lights }): Run[] => {
    const way = shortestWay(
      job,
      entry,
      switches.filter((box) => box !== entry),
    );
    const on = shortestWay(
      job,
      way.at(-1) ?? entry,
      lights.filter((box) => box !== entry),
    );
    return chain([entry, ...way.map((box) => nodeAt(box, id)), ...on.map((box) => nodeAt(box, id))]);
  });
  const apart = boxes.flatMap((box) =>
    parts
      .filter(
        ({ id, switches, lights }) =>
          box !== entry && [...switches, ...lights].includes(box) && first(box) !== id,
      )
      .map(({ id }) => ({ box, groups: [id] })),
  );
  const doors = [...new Set(parts.flatMap(({ switches }) => switches))].filter((box) => box !== entry);
  const along = shortestWay(job, entry, doors);
  const reached = new Set<BoxId>([entry, ...along]);
  const lit = parts.flatMap(({ switches, lights }): Run[] => {
    const from = [...along].reverse().find((box) => switches.includes(box)) ?? entry;
    const on = shortestWay(
      job,
      from,
      lights.filter((box) => !reached.has(box)),
    );
    for (const box of on) reached.add(box);
    return chain([from, ...on]);
  });
  const made = (id: FamiliarId, runs: Run[], more: Partial<Choice> = {}): FamiliarChoice => ({
    id,
    choice: { circuit: circuit.id, feed: feed.id, runs, ...more },
  });
  return [
    made('sideBySide', [...home, ...own], apart.length > 0 ? { apart } : {}),
    made('oneCable', [...home, ...chain([entry, ...along]), ...lit]),
  ];
};

/**
 * The familiar arrangements of a circuit, each the shortest way round: of one switched group the ways that everybody has drawn before, of
 * several the two that there are. A box that holds a switch and a luminaire counts as a switch box.
 */
export const familiarChoices = (job: Job, circuit: Circuit): FamiliarChoice[] => {
  const groups = groupsOfCircuit(job, circuit.id);
  const [only, ...others] = switchedGroups(job, circuit);
  const feed: Feed | undefined = job.feeds.find((one) => one.circuit === circuit.id);
  if (!only || !feed) return [];
  if (others.length > 0) return groups.length > MOST_GROUPS ? [] : ofSeveral(job, circuit, feed);
  if (groups.length > 1) return [];
  const { switches, lights } = boxesOfGroup(job, only.group.id);
  if (switches.length === 0 || lights.length === 0) return [];
  const start = feed.at;
  const fresh = (boxes: readonly BoxId[]) => boxes.filter((box) => box !== start);
  const made = (id: FamiliarId, runs: Run[]): FamiliarChoice => ({
    id,
    choice: { circuit: circuit.id, feed: feed.id, runs },
  });
  const straight = (first: readonly BoxId[], then: readonly BoxId[]): TreePlace[] => {
    const before = shortestWay(job, start, fresh(first));
    return [start, ...before, ...shortestWay(job, before.at(-1) ?? start, fresh(then))];
  };
  // Power that is at a luminaire already does not come to a switch first, nor the other way round.
  const atLight = lights.some((box) => box === start);
  const atSwitch = switches.some((box) => box === start);
  const found: FamiliarChoice[] = [];
  if (!atLight) found.push(made('atSwitch', chain(straight(switches, lights))));
  if (switches.length > 1 && start === PANEL) {
    // Seen from the lights: the last switch is the nearest to them.
    const [last] = shortestWay(job, lights[0] ?? start, switches);
    if (last !== undefined) {
      const before = switches.filter((box) => box !== last);
      found.push(
        made('atLast', [
          { from: start, to: last },
          ...chain([last, ...shortestWay(job, last, lights)]),
          ...chain([last, ...shortestWay(job, last, before)]),
        ]),
      );
    }
  }
  if (switches.length > 2 && start === PANEL) {
    const way = shortestWay(job, start, switches);
    const at = Math.floor(way.length / 2);
    const middle = way[at];
    const end = way.at(-1);
    if (middle !== undefined && end !== undefined)
      found.push(
        made('atMiddle', [
          { from: start, to: middle },
          ...chain([middle, ...way.slice(0, at).reverse()]),
          ...chain([middle, ...way.slice(at + 1)]),
          ...chain([end, ...shortestWay(job, end, lights)]),
        ]),
      );
  }
  if (!atSwitch) found.push(made('atLight', chain(straight(lights, switches))));
  if (switches.length > 1 && !atLight) {
    const way = shortestWay(job, start, fresh(switches));
    const head = way.slice(0, -1);
    const tail = way.slice(-1);
    const middle = shortestWay(job, head.at(-1) ?? start, fresh(lights));
    found.push(made('between', chain([start, ...head, ...middle, ...tail])));
  }
  const [hub, ...rest] = shortestWay(job, start, lights);
  if (hub !== undefined && (start === PANEL || start === hub)) {
    const home = start === PANEL ? [{ from: start, to: hub }] : [];
    const around = shortestWay(job, hub, switches);
    if (rest.length === 0)
      found.push(made('returnRun', [...home, ...chain([hub, ...around, returnPlaceOf(hub)])]));
    found.push(made('hub', [...home, ...[...switches, ...rest].map((to) => ({ from: hub, to }))]));
  }
  return found;
};
