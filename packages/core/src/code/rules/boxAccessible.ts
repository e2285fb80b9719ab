import { defineRule, type Ask, type Breach } from '../rule.js';

/** 314.29: a box stays accessible; no splice is buried. A device or luminaire keeps its box in sight. */
export const boxAccessible = defineRule<{ box: string }>({
  id: 'box-accessible',
  stage: 'roughIn',
  title: 'A box with splices stays accessible',
  rests: 'Without removing a part of the building or its finish.',
  section: () => '314.29',
  severities: ['violation'],
  asks: ['box.staysAccessible'],
  check: ({ job, wiring }) =>
    job.boxes.flatMap((box): (Breach<{ box: string }> | Ask)[] => {
      const covered =
        wiring.devices.some((device) => device.box === box.id) ||
        job.luminaires.some((one) => one.box === box.id);
      const spliced = wiring.joints.some((joint) => joint.box === box.id);
      if (covered || !spliced || box.work === 'beyond' || box.staysAccessible === 'yes') return [];
      return box.staysAccessible === 'no'
        ? [{ severity: 'violation', at: { box: box.id }, data: { box: box.id } }]
        : [{ ask: 'box.staysAccessible', of: box.id }];
    }),
  say: ({ box }, { place }) => ({
    where: place(box),
    what: 'a junction would be buried',
    reason: 'A splice that fails behind finish is found by opening walls, or by fire.',
    remedy: 'Put the junction where a blank cover stays in reach, or splice in a box that is open anyway.',
  }),
});
