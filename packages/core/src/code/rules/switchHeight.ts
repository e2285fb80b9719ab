import { feetInches } from '../../model/units.js';
import { defineRule, type Breach, type Fix } from '../rule.js';

/** Highest centre of a handle in its highest position, inches above the floor. */
const HIGHEST = 79;
/** From the centre of the box to that of a handle that is up, inches. */
const HANDLE_UP = 0.5;
const USUAL = 48;

/** 404.8(A): the centre of the handle at its highest is not above 6 ft 7 in. */
export const switchHeight = defineRule<{ box: string; height: number }>({
  id: 'switch-height',
  stage: 'roughIn',
  title: 'No handle above 6 ft 7 in',
  rests: 'Centre of the handle in its highest position, above the floor or platform.',
  section: () => '404.8(A)',
  severities: ['violation'],
  check: ({ job, wiring, compiled }) => {
    const switches = new Set(compiled.devices.filter((one) => one.positions.length > 1).map((one) => one.id));
    return job.boxes.flatMap((box): Breach<{ box: string; height: number }>[] => {
      const has = wiring.devices.some((device) => device.box === box.id && switches.has(device.id));
      const height = (box.at?.z ?? 0) + HANDLE_UP;
      if (!has || height <= HIGHEST) return [];
      return [{ severity: 'violation', at: { box: box.id }, data: { box: box.id, height } }];
    });
  },
  say: ({ box, height }, { place }) => ({
    where: place(box),
    what: `the handle is ${feetInches(height)} above the floor`,
    reason: 'In an emergency everybody has to reach it.',
    remedy: `Set the box at ${feetInches(HIGHEST - HANDLE_UP)} or lower.`,
  }),
  fixes: ({ at }): Fix[] => [
    {
      words: `Set it at ${feetInches(USUAL)}`,
      job: (job) => ({
        ...job,
        boxes: job.boxes.map((box) =>
          box.id === at.box && box.at ? { ...box, at: { ...box.at, z: USUAL } } : box,
        ),
      }),
    },
  ],
});
