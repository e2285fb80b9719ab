import { articleOf } from '../model/articles.js';
import type { DeviceId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { devicesByGang, findBox, findDevice, findGroup, findSlot } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';

/** A job and one wiring of it. */
interface Wired {
  job: Job;
  wiring: Wiring;
}

/** Where a handle is, and beside others in its box which of them: "Galley door, gang 2, Shelf light". */
export const handleName = (wired: Wired, id: DeviceId): string => {
  const device = findDevice(wired.wiring, id);
  if (!device) return id;
  const box = findBox(wired.job, device.box)?.name ?? device.box;
  const beside = devicesByGang(wired.job, wired.wiring, device.box);
  if (beside.length < 2) return box;
  const group = findGroup(wired.job, findSlot(wired.job, device.slot)?.group)?.name;
  return [box, `gang ${beside.indexOf(device) + 1}`, ...(group === undefined ? [] : [group])].join(', ');
};

/** What a position of a handle is called: "up", "on". */
export const positionName = ({ job, wiring }: Wired, id: DeviceId, at: number): string => {
  const device = findDevice(wiring, id);
  return (device && articleOf(job.stock, 'device', device.article).positions[at]?.name) ?? String(at);
};
