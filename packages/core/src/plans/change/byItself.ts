import { lyingCables } from '../../model/lying.js';
import { PANEL, type BoxId, type CircuitId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { boxesOfCircuit, groupIdsOf } from '../../model/lookup.js';
import { withPrunedWirings } from '../../edits/wiring/pruned.js';
import { emptyBoxes } from '../../search/orders.js';

/** The circuits of which boxes meet those of one, and of those in turn; the one among them. */
const meeting = (job: Job, circuit: CircuitId, boxes: ReadonlySet<string>): Set<CircuitId> => {
  const of = new Map(
    job.circuits.map(({ id }) => [
      id,
      [
        ...boxesOfCircuit(job, id),
        ...lyingCables(job)
          .filter((cable) => cable.circuit === id)
          .flatMap(({ between }) => between),
      ].filter((place) => place !== PANEL),
    ]),
  );
  const met = new Set<CircuitId>([circuit]);
  const held = new Set<string>([...boxes, ...(of.get(circuit) ?? [])]);
  for (let grew = true; grew;) {
    grew = false;
    for (const [id, places] of of)
      if (!met.has(id) && places.some((place) => held.has(place))) {
        met.add(id);
        for (const place of places) held.add(place);
        grew = true;
      }
  }
  return met;
};

/**
 * A job with what meets one circuit alone, so that ways to change it are worked out in a fraction of the time: circuits whose boxes meet,
 * their boxes and the empty ones, and the cables between these. What comes of it is held against the whole job afterwards.
 */
export const byItself = (job: Job, circuit: CircuitId, touched: readonly BoxId[]): Job => {
  const met = meeting(job, circuit, new Set<string>(touched));
  const groups = new Set<string>([...met].flatMap((id) => [...groupIdsOf(job, id)]));
  const isOf = ({ group }: { group: string }) => groups.has(group);
  const held = new Set<string>([
    ...touched,
    ...emptyBoxes(job).map(({ id }) => id),
    ...[...met].flatMap((id) => boxesOfCircuit(job, id)),
    ...lyingCables(job)
      .filter(({ circuit: of }) => of !== null && met.has(of))
      .flatMap(({ between }) => between),
  ]);
  const isHeld = (place: string) => place === PANEL || held.has(place);
  return withPrunedWirings({
    ...job,
    circuits: job.circuits.filter(({ id }) => met.has(id)),
    feeds: job.feeds.filter((feed) => met.has(feed.circuit)),
    groups: job.groups.filter(({ id }) => groups.has(id)),
    slots: job.slots.filter(isOf),
    luminaires: job.luminaires.filter(isOf),
    boxes: job.boxes.filter(({ id }) => held.has(id)),
    runFacts: job.runFacts.filter(({ between }) => between.every(isHeld)),
    choices: job.choices.filter((choice) => met.has(choice.circuit)),
    wirings: job.wirings.filter(({ kind }) => kind === 'existing'),
  });
};
