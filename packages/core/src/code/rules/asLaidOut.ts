import { articleOf, type DeviceRole } from '../../model/articles.js';
import { findSlot } from '../../model/lookup.js';
import type { Job } from '../../model/job.js';
import type { Cable, Device, Wiring } from '../../model/wiring.js';
import { defineRule, type Breach } from '../rule.js';

type Found =
  | { kind: 'withinBox'; cable: Cable }
  | { kind: 'role'; device: Device; laidOut: DeviceRole; fitted: DeviceRole };

const ROLE: Record<DeviceRole, string> = {
  switch: 'a switch',
  dimmer: 'a dimmer',
  timer: 'a timer',
  occupancySensor: 'an occupancy sensor',
  receptacle: 'a receptacle',
  switchReceptacle: 'a switch with a receptacle',
};

/** Does another device of its group ask for this one as its companion? Then it takes the place of the switch. */
const isAskedFor = (job: Job, wiring: Wiring, { slot, article }: Device): boolean => {
  const group = findSlot(job, slot)?.group;
  return wiring.devices.some(
    (other) =>
      group !== undefined &&
      findSlot(job, other.slot)?.group === group &&
      articleOf(job.stock, 'device', other.article).companion === article,
  );
};

/** What a wiring tells against the layout, or against itself: kept as it was told, and said at the spot. */
export const asLaidOut = defineRule<Found>({
  id: 'as-laid-out',
  stage: 'roughIn',
  title: 'The wiring tells the same as the layout',
  rests: 'The kind of each device against its place on the layout; no cable has both its ends in one box.',
  section: () => '',
  severities: ['caution'],
  check: ({ job, wiring }) => [
    ...wiring.cables
      .filter(({ from, to }) => from === to)
      .map((cable): Breach<Found> => ({
        ...{ severity: 'caution', at: { cable: cable.id, box: cable.to } },
        data: { kind: 'withinBox', cable },
      })),
    ...wiring.devices.flatMap((device): Breach<Found>[] => {
      const slot = findSlot(job, device.slot);
      const { role } = articleOf(job.stock, 'device', device.article);
      if (!slot || slot.role === role || isAskedFor(job, wiring, device)) return [];
      return [
        {
          ...{ severity: 'caution', at: { box: device.box, device: device.id } },
          data: { kind: 'role', device, laidOut: slot.role, fitted: role },
        },
      ];
    }),
  ],
  say: (data, { place }) =>
    data.kind === 'withinBox'
      ? {
          where: place(data.cable.to),
          what: 'a cable has both its ends in this box',
          reason: 'Then it brings nothing anywhere. More likely one of its ends was taken for another.',
          remedy: 'Look where its far end comes out, and say so; or say that nobody knows.',
        }
      : {
          where: place(data.device.box),
          what: `the layout has ${ROLE[data.laidOut]} here, the wiring ${ROLE[data.fitted]}`,
          reason: 'One of the two was told wrongly, or the device was changed since.',
          remedy: 'Look which is in the wall, and put the other right.',
        },
});
