import { findDevice, findGroup, findSlot } from '../model/lookup.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import type { Role } from '../circuit/roles.js';

/** A traveler by its group and by which pair of that group it is of, counted from the side of the feed. */
export interface NamedTraveler {
  group: string;
  pair: number;
}

type CompiledDevice = Compiled['devices'][number];

/** The devices of a group from where power enters on, each next one reached by a traveler. */
const alongChain = (devices: readonly CompiledDevice[], roles: readonly Role[]): CompiledDevice[] => {
  const isFed = (one: CompiledDevice) => one.switched.some((net) => roles[net] === 'hot');
  const travelers = (one: CompiledDevice) => one.switched.filter((net) => roles[net] === 'traveler');
  const order: CompiledDevice[] = [];
  for (const start of [...devices].sort((a, b) => Number(isFed(b)) - Number(isFed(a)))) {
    const queue = [start];
    for (let one = queue.shift(); one; one = queue.shift()) {
      if (order.includes(one)) continue;
      order.push(one);
      const nets = new Set(travelers(one));
      queue.push(
        ...devices.filter((other) => !order.includes(other) && travelers(other).some((net) => nets.has(net))),
      );
    }
  }
  return order;
};

/** Names of the travelers by their net: "Pendants, pair 1". */
export const travelerNames = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  roles: readonly Role[],
): Map<number, NamedTraveler> => {
  const byGroup = new Map<string, CompiledDevice[]>();
  for (const device of compiled.devices) {
    const slot = findSlot(job, findDevice(wiring, device.id)?.slot);
    const group = findGroup(job, slot?.group)?.name ?? 'switches';
    byGroup.set(group, [...(byGroup.get(group) ?? []), device]);
  }
  const names = new Map<number, NamedTraveler>();
  for (const [group, devices] of byGroup) {
    const order = alongChain(devices, roles);
    const pairs: string[] = [];
    for (const device of order)
      for (const net of device.switched) {
        if (roles[net] !== 'traveler' || names.has(net)) continue;
        const touched = order.filter((one) => one.switched.includes(net)).map((one) => one.id);
        const key = touched.sort().join(' ');
        if (!pairs.includes(key)) pairs.push(key);
        names.set(net, { group, pair: pairs.indexOf(key) + 1 });
      }
  }
  return names;
};

export const sayTraveler = ({ group, pair }: NamedTraveler): string => `${group}, pair ${pair}`;
