import { findDevice } from '../../model/lookup.js';
import { defineGrounding } from './ungrounded.js';

/** 404.9(B), 250.146: the yoke of a device is grounded by its green screw, or by its screws to a grounded metal box. */
export const yokeGrounded = defineGrounding({
  id: 'yoke-grounded',
  stage: 'final',
  title: 'The yoke of a device is grounded',
  rests: 'By the ground conductor, or by metal screws to a grounded metal box.',
  section: () => '404.9(B), 250.146',
  boxOf: (part, { wiring }) => ('device' in part ? (findDevice(wiring, part.device)?.box ?? null) : null),
  what: (part, { wiring, place }) => {
    const device = 'device' in part ? findDevice(wiring, part.device) : undefined;
    return `The device in ${place(device?.box ?? '')}`;
  },
  reason: 'A fault in the device makes yoke, plate screws and a metal plate live.',
  remedy: 'Land a tail from the splice of grounds on the green screw.',
  withoutGround:
    'Where a device is replaced and no ground is there, the code has exceptions (nonmetallic plate, ground-fault protection): see which applies.',
});
