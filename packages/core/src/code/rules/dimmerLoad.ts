import { findSlot } from '../../model/lookup.js';
import { articleOf } from '../../model/articles.js';
import { defineRule, type Breach, type Fix } from '../rule.js';

interface Found {
  box: string;
  slot: string;
  load: 'motor' | 'receptacle';
}

/** 404.14(E), 110.3(B): a dimmer dims what it is listed for. */
export const dimmerLoad = defineRule<Found>({
  id: 'dimmer-load',
  stage: 'final',
  title: 'A dimmer controls the luminaires it is listed for, never a receptacle or a fan unless listed',
  rests: 'Listing of the device: permanently installed luminaires.',
  section: () => '404.14(E), 110.3(B)',
  severities: ['violation'],
  check: ({ job, wiring }) =>
    wiring.devices.flatMap((device): Breach<Found>[] => {
      const slot = findSlot(job, device.slot);
      const { role, alsoListedFor } = articleOf(job.stock, 'device', device.article);
      if (!slot || role !== 'dimmer') return [];
      const fan = job.luminaires.some(
        (one) => one.group === slot.group && (one.unit === 'fan' || one.unit === 'ventFan'),
      );
      const receptacle = job.slots.some((one) => one.group === slot.group && one.role === 'receptacle');
      const loads = [...(fan ? (['motor'] as const) : []), ...(receptacle ? (['receptacle'] as const) : [])];
      return loads
        .filter((load) => !alsoListedFor.includes(load))
        .map((load) => ({
          severity: 'violation',
          at: { box: device.box, device: device.id },
          data: { box: device.box, slot: slot.id, load },
        }));
    }),
  say: ({ box, load }, { place }) => ({
    where: place(box),
    what: `a dimmer on a ${load === 'motor' ? 'fan motor' : 'receptacle'}`,
    reason:
      load === 'motor'
        ? 'A motor on a dimmer made for lamps hums, overheats and takes the dimmer with it.'
        : 'Anything may be plugged in, and most of it is damaged by a dimmer, or damages it.',
    remedy: 'Use a plain switch here, or a control listed for this load.',
  }),
  fixes: ({ data: { slot } }): Fix[] => [
    {
      words: 'Use a plain switch',
      job: (job) => ({
        ...job,
        slots: job.slots.map((one) => (one.id === slot ? { ...one, role: 'switch', article: null } : one)),
      }),
    },
  ],
});
