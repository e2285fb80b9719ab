import { ofId } from '../model/records.js';
import type { CircuitId, DeviceId, GroupId, SlotId } from '../model/ids.js';
import type { Group, Job } from '../model/job.js';
import { plannedWiring } from '../model/job.js';
import { emptyWiring, type Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { evaluate, type Short } from '../circuit/evaluate.js';
import type { Positions } from '../circuit/parts.js';
import { countOf, positionsOf, somePositions } from './positions.js';
import { createSweep, DARK, LIT, SHELL_LIVE } from '../circuit/sweep.js';
import { mayBeSwayedBy, positionsOfOthers, swayedBy, type Watched } from './swaying.js';

/** The switches of a group: the devices on its slots that are no receptacles. */
export const devicesOfGroup = (job: Job, wiring: Wiring, group: GroupId): DeviceId[] => {
  const slots = new Set<string>(
    job.slots.filter((slot) => slot.group === group && slot.role !== 'receptacle').map((slot) => slot.id),
  );
  return wiring.devices
    .filter((device) => device.slot !== null && slots.has(device.slot))
    .map((one) => one.id);
};

export interface GroupProof {
  group: GroupId;
  /** Sets of handle positions that were tried, and how many there are: of more than ten handles a sample is tried. */
  positions: number;
  of: number;
  /** Positions from which moving any one handle changes the light, with nothing shorted and no shell live, whatever handles of other groups do. */
  working: number;
}

type Light = 'lit' | 'dark' | 'wrong' | 'tripped';

/** The receptacles of a group, each with the nets of its hot slots. */
export const outletsOf = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  group: GroupId,
): { slot: SlotId; nets: readonly number[] }[] =>
  job.slots
    .filter((slot) => slot.group === group && slot.role === 'receptacle')
    .flatMap(({ id }) => {
      const device = wiring.devices.find(({ slot }) => slot === id);
      const found = compiled.devices.find((one) => one.id === device?.id);
      return found ? [{ slot: id, nets: found.outlets }] : [];
    });

/** Does a short open the breaker of this circuit? One of another leaves it be. */
export const concerns = (short: Short, circuit: CircuitId): boolean =>
  short.circuit === circuit || (short.to === 'otherHot' && short.other === circuit);

/** How the loads of a group stand in given positions: all lit, all dark, anything else, or dark since their breaker trips. */
const lightOf = (
  compiled: Compiled,
  circuit: CircuitId,
  mine: ReadonlySet<string>,
  outlets: readonly number[],
): ((positions: Positions) => Light) => {
  const sweep = createSweep(compiled);
  const lights = new Uint8Array(compiled.luminaires.length);
  const indices = compiled.luminaires.flatMap((one, i) => (mine.has(one.id) ? [i] : []));
  return (positions) => {
    const verdict = sweep(
      compiled.devices.map((device) => ofId(positions, device.id) ?? 0),
      lights,
    );
    if (indices.length + outlets.length === 0) return 'wrong';
    const state = verdict === 'settled' && outlets.length === 0 ? null : evaluate(compiled, positions);
    if (state?.shorts.some((short) => concerns(short, circuit))) return 'tripped';
    const seen = new Set(
      state === null
        ? indices.map((i) => lights[i])
        : [
            ...state.luminaires
              .filter((one) => mine.has(one.id))
              .map((one) =>
                one.shellLive || one.light === 'dim' || one.light === 'unknown'
                  ? SHELL_LIVE
                  : one.light === 'lit'
                    ? LIT
                    : DARK,
              ),
            ...outlets.map((net) => (state.nets[net] === 'live' ? LIT : DARK)),
          ],
    );
    if (seen.size !== 1 || seen.has(SHELL_LIVE)) return 'wrong';
    return seen.has(LIT) ? 'lit' : 'dark';
  };
};

/** Is it known of all loads of a group whether they have power, whatever its handles do? Not where wires that nobody has looked at have a say. */
export const isSeen = (job: Job, wiring: Wiring, compiled: Compiled, group: Group): boolean => {
  if (compiled.unknown.length === 0) return true;
  const { own, mine, outlets } = watchedOf(job, wiring, compiled, group);
  return somePositions(compiled, own, { most: MOST_SWAYED }).every((positions) => {
    const { luminaires, nets } = evaluate(compiled, positions);
    return (
      luminaires.every(({ id, light }) => !mine.has(id) || light !== 'unknown') &&
      outlets.every((net) => nets[net] !== 'unknown')
    );
  });
};

/** What is never switched works where it hangs on a breaker and on the neutral of the same circuit. */
const proveHot = (job: Job, wiring: Wiring, compiled: Compiled, group: Group): GroupProof => {
  const source = compiled.sources.find((one) => one.id === group.circuit);
  const slots = new Set<string>(job.slots.filter((slot) => slot.group === group.id).map((slot) => slot.id));
  const fed = (hots: readonly number[], neutrals: readonly number[]) =>
    hots.length > 0 &&
    hots.every((net) => net === source?.hot) &&
    neutrals.every((net) => net === source?.neutral);
  const luminaires = job.luminaires
    .filter((one) => one.group === group.id)
    .map((one) => compiled.luminaires.find(({ id }) => id === one.id));
  const receptacles = wiring.devices
    .filter(({ slot }) => slot !== null && slots.has(slot))
    .map((one) => compiled.devices.find(({ id }) => id === one.id));
  const works =
    luminaires.every((one) => one && fed([one.hot], [one.neutral])) &&
    receptacles.every((one) => one && fed(one.outlets, one.neutrals));
  return { group: group.id, positions: 1, of: 1, working: works ? 1 : 0 };
};

const watchedOf = (job: Job, wiring: Wiring, compiled: Compiled, { id }: Group): Watched => ({
  own: devicesOfGroup(job, wiring, id),
  mine: new Set(job.luminaires.filter(({ group }) => group === id).map((one) => one.id)),
  outlets: outletsOf(job, wiring, compiled, id).flatMap(({ nets }) => nets),
});

/** More positions of its own handles than these tell nothing more of whether others sway a group. */
const MOST_SWAYED = 64;

/** Handles of other groups on which the loads of a group hang; of one that is wired rightly there are none. */
export const handlesThatSway = (job: Job, wiring: Wiring, compiled: Compiled, group: Group): DeviceId[] => {
  const watched = watchedOf(job, wiring, compiled, group);
  const others = mayBeSwayedBy(compiled, watched);
  if (others.length === 0) return [];
  const own = somePositions(compiled, watched.own, { most: MOST_SWAYED });
  return swayedBy(compiled, others, own, (positions) => {
    const { luminaires, nets, shorts } = evaluate(compiled, positions);
    // What trips its breaker darkens it, and is told of whoever trips it.
    if (shorts.some((short) => concerns(short, group.circuit))) return '';
    return [
      ...luminaires.filter(({ id }) => watched.mine.has(id)).map(({ light }) => light),
      ...watched.outlets.map((net) => nets[net] === 'live'),
    ].join();
  });
};

/** Does the group do what a group is for, from every set of handle positions, whatever the handles of others do? */
export const proveGroup = (job: Job, wiring: Wiring, compiled: Compiled, group: Group): GroupProof => {
  if (group.control === 'hot') return proveHot(job, wiring, compiled, group);
  const watched = watchedOf(job, wiring, compiled, group);
  const { own: devices, mine, outlets } = watched;
  const light = lightOf(compiled, group.circuit, mine, outlets);
  const others = positionsOfOthers(compiled, mayBeSwayedBy(compiled, watched));
  const all = somePositions(compiled, devices);
  const key = (positions: Positions) => devices.map((id) => ofId(positions, id) ?? 0).join();
  const known = new Map<string, Light>();
  const lightAt = (positions: Positions): Light => {
    const at = key(positions);
    const before = known.get(at);
    if (before) return before;
    const now = light(positions);
    // Where the handle of another trips the breaker, that other is told of it.
    const seen = new Set(
      others.map((rest) => light({ ...rest, ...positions })).filter((one) => one !== 'tripped'),
    );
    const found = now !== 'tripped' && seen.size === 1 && seen.has(now) ? now : 'wrong';
    known.set(at, found);
    return found;
  };
  const working = all.filter((positions) => {
    const now = lightAt(positions);
    return (
      now !== 'wrong' &&
      devices.length > 0 &&
      devices.every((id) => {
        const moved = { ...positions, [id]: ((ofId(positions, id) ?? 0) + 1) % countOf(compiled, id) };
        const next = lightAt(moved);
        return next !== 'wrong' && next !== now;
      })
    );
  });
  return {
    group: group.id,
    positions: all.length,
    of: positionsOf(compiled, devices),
    working: working.length,
  };
};

/**
 * Does moving any handle turn the luminaires of a group on or off from every position, though the shell of one is live in some? To whoever
 * tries it, it works.
 */
export const switchesWithShellLive = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  group: Group,
): boolean => {
  const devices = devicesOfGroup(job, wiring, group.id);
  const mine = new Set<string>(job.luminaires.filter((one) => one.group === group.id).map(({ id }) => id));
  const luminairesAt = (positions: Positions) =>
    evaluate(compiled, positions).luminaires.filter(({ id }) => mine.has(id));
  const lightAt = (positions: Positions): string =>
    [...new Set(luminairesAt(positions).map(({ light }) => light))].join();
  const all = somePositions(compiled, devices);
  return (
    devices.length > 0 &&
    all.some((positions) => luminairesAt(positions).some(({ shellLive }) => shellLive)) &&
    all.every((positions) => {
      const now = lightAt(positions);
      const other = { lit: 'dark', dark: 'lit' }[now];
      return devices.every((id) => {
        const moved = { ...positions, [id]: ((ofId(positions, id) ?? 0) + 1) % countOf(compiled, id) };
        return other !== undefined && lightAt(moved) === other;
      });
    })
  );
};

/** The planned wiring of the job, or an empty one before anything was planned. */
export const wiringOrEmpty = (job: Job): Wiring => plannedWiring(job) ?? emptyWiring();
