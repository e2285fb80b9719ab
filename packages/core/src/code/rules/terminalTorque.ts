import { newPlaces } from '../places.js';
import { defineSiteCheck } from '../rule.js';

/** 110.14(D), from 2017: terminals to their marked torque. */
export const terminalTorque = defineSiteCheck({
  id: 'terminal-torque',
  stage: 'final',
  title: 'Terminals tightened to their marked torque',
  rests: 'The torque marked on the device or in its instructions.',
  section: () => '110.14(D)',
  since: 2017,
  where: ({ job, wiring }) => {
    const withDevices = new Set(wiring.devices.map((device) => device.box));
    return newPlaces(job, wiring).flatMap((box) => (withDevices.has(box) ? [{ box }] : []));
  },
  why: 'By feel most screws are too loose, some are too tight; both end in heat.',
  look: 'Use a torque screwdriver.',
});
