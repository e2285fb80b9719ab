import { groupsOfCircuit } from '../model/lookup.js';
import { PANEL, returnPlaceOf, type BoxId, type TreePlace } from '../model/ids.js';
import type { Choice, Circuit, Feed, Job, Run } from '../model/job.js';
import { runLength } from '../materials/lengths.js';
import { switchedGroups } from '../search/orders.js';

/** The ways that everybody has drawn before; priced beside what the search finds. */
export const FAMILIAR = ['atSwitch', 'atLight', 'between', 'returnRun', 'hub'] as const;
export type FamiliarId = (typeof FAMILIAR)[number];

export const FAMILIAR_TITLES: Record<FamiliarId, string> = {
  atSwitch: 'Power at the first switch, straight on to the lights',
  atLight: 'Power at the light, down to the switches',
  between: 'Light between the switches',
  returnRun: 'Power at the light, switch leg back by a cable of its own',
  hub: 'Every cable from the light box',
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

/**
 * The familiar arrangements of a circuit of one switched group, each the shortest way round. None for circuits of several
 * groups, which have no familiar shape. A box that holds a switch and a luminaire counts as a switch box.
 */
export const familiarChoices = (job: Job, circuit: Circuit): FamiliarChoice[] => {
  const groups = groupsOfCircuit(job, circuit.id);
  const [only, ...others] = switchedGroups(job, circuit);
  const feed: Feed | undefined = job.feeds.find((one) => one.circuit === circuit.id);
  if (!only || others.length > 0 || groups.length > 1 || !feed) return [];
  const switches = [
    ...new Set(
      job.slots
        .filter((slot) => slot.group === only.group.id && slot.role !== 'receptacle')
        .map((slot) => slot.box),
    ),
  ];
  const lights = [
    ...new Set(job.luminaires.filter((one) => one.group === only.group.id).map((one) => one.box)),
  ].filter((box) => !switches.includes(box));
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
