import { assumeUsual, newBox, newRunFact, signSeen, type Change, type Job } from '../../src/index.js';
import { jobOf, planned, type Shorthand } from './jobs.js';
import { oneOf, type Pick } from './picks.js';

/** Old work of the textbook, in boxes of any size, some of them seen and some assumed. */
export const anyOldWork = (short: Shorthand, pick: Pick): Job => {
  const { job, wiring } = planned(jobOf(short));
  const bare: Job = {
    ...job,
    existingEdition: oneOf(pick, [1996, 2008, 2017, null] as const),
    boxes: job.boxes.map((one) => ({
      ...one,
      work: 'existing' as const,
      article: (one.id.startsWith('S')
        ? oneOf(pick, ['wall-1-18', 'wall-1-20', 'wall-1-22.5'])
        : oneOf(pick, ['ceiling-20', 'ceiling-22.5'])) as never,
    })),
    choices: [],
    wirings: [],
  };
  const lies = { existing: true, lengthSource: 'measured' as const };
  const cables = wiring.cables.map((cable) => ({ ...cable, ...lies, length: 60 + 12 * pick(20) }));
  const { job: assumed } = assumeUsual(bare, { circuit: 'c1' as never, cables });
  return assumed.boxes.reduce((one, { id }) => (pick(4) > 0 ? signSeen(one, 'existing', id) : one), assumed);
};

const hung = { terminals: 'leads', leadAwg: 18, metal: true, pounds: 4, driverBox: null } as const;

export const anyChange = (job: Job, pick: Pick): Change => {
  const slot = oneOf(pick, job.slots);
  const boxes = job.boxes.filter(() => pick(3) > 0);
  const runsTo = (id: string) =>
    (boxes.length > 0 ? boxes : job.boxes).map((one) =>
      newRunFact({ between: [id, one.id], length: 48 + 12 * pick(30) }),
    );
  const placeAt = (id: string, mount: 'wall' | 'ceiling') => ({
    box: newBox({ id, name: id, article: null, work: 'old', mount, accessible: 'no', room: 'r1' }),
    runs: runsTo(id),
  });
  const place = placeAt('new', 'wall');
  const lightAt = placeAt('newlight', 'ceiling');
  const circuit = 'c1' as never;
  const group = 'g1' as never;
  const light = { ...hung, name: 'New light', unit: 'luminaire', va: 15 } as const;
  switch (pick(10)) {
    case 0:
    case 1:
      return {
        kind: 'replaceDevice',
        slot: slot.id,
        role: oneOf(pick, ['switch', 'dimmer', 'timer', 'occupancySensor']),
        article: null,
      };
    case 2:
      return { kind: 'addSwitch', group, place };
    case 3:
      return { kind: 'bringNeutral', slot: slot.id };
    case 4:
      return { kind: 'addLight', group, place: lightAt, hung: light };
    case 5:
      return { kind: 'moveSwitch', slot: slot.id, place };
    case 6:
      return { kind: 'removeSwitch', slot: slot.id };
    case 7:
      return {
        ...{ kind: 'replaceLuminaire', luminaire: oneOf(pick, job.luminaires).id },
        hung: { ...light, metal: pick(2) > 0, unit: oneOf(pick, ['luminaire', 'fan'] as const) },
      };
    case 8:
      return {
        ...{ kind: 'branch', from: oneOf(pick, job.boxes).id, circuit, hung: light, switchAt: place },
        lightAt: {
          ...lightAt,
          runs: [...lightAt.runs, newRunFact({ between: ['new', 'newlight'], length: 96 })],
        },
      };
    default:
      return {
        ...{ kind: 'takeOff', from: oneOf(pick, job.boxes).id, circuit, place },
        ...{ what: oneOf(pick, ['receptacle', 'onward'] as const), va: 60 },
      };
  }
};
