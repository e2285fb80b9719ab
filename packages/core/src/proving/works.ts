import type { DeviceId, GroupId } from '../model/ids.js';
import type { Group, Job } from '../model/job.js';
import { plannedWiring } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { evaluate, type Positions } from '../circuit/evaluate.js';

/** Every combination of handle positions of these devices, the others in their first. */
export const everyPosition = (compiled: Compiled, devices: readonly DeviceId[]): Positions[] =>
  devices.reduce<Positions[]>(
    (all, id) => {
      const count = compiled.devices.find((device) => device.id === id)?.positions.length ?? 1;
      return all.flatMap((one) =>
        Array.from({ length: count }, (_, position) => ({ ...one, [id]: position })),
      );
    },
    [{}],
  );

/** The devices that stand on the slots of a group. */
export const devicesOfGroup = (job: Job, wiring: Wiring, group: GroupId): DeviceId[] => {
  const slots = new Set<string>(job.slots.filter((slot) => slot.group === group).map((slot) => slot.id));
  return wiring.devices
    .filter((device) => device.slot !== null && slots.has(device.slot))
    .map((one) => one.id);
};

export interface GroupProof {
  group: GroupId;
  positions: number;
  /** Positions from which moving any one handle changes the light, with nothing shorted and no shell live. */
  working: number;
}

/** Does the group do what a group is for, from every set of handle positions? */
export const proveGroup = (job: Job, wiring: Wiring, compiled: Compiled, group: Group): GroupProof => {
  const devices = devicesOfGroup(job, wiring, group.id);
  const luminaires = new Set<string>(
    job.luminaires.filter((luminaire) => luminaire.group === group.id).map((luminaire) => luminaire.id),
  );
  const light = (positions: Positions): 'lit' | 'dark' | null => {
    const state = evaluate(compiled, positions);
    const mine = state.luminaires.filter((one) => luminaires.has(one.id));
    const [first] = mine;
    if (!first || first.light === 'dim' || state.shorts.length > 0) return null;
    if (mine.some((one) => one.light !== first.light || one.shellLive)) return null;
    return first.light;
  };
  const all = everyPosition(compiled, devices);
  const working = all.filter((positions) => {
    const now = light(positions);
    return (
      now !== null &&
      devices.length > 0 &&
      devices.every((id) => {
        const count = compiled.devices.find((device) => device.id === id)?.positions.length ?? 1;
        const next = light({ ...positions, [id]: ((positions[id] ?? 0) + 1) % count });
        return next !== null && next !== now;
      })
    );
  });
  return { group: group.id, positions: all.length, working: working.length };
};

/** The planned wiring of the job, or an empty one before anything was planned. */
export const wiringOrEmpty = (job: Job): Wiring =>
  plannedWiring(job) ?? { boxes: {}, devices: [], cables: [], joints: [], landings: [], marks: [] };
