import type { BoxId, GroupId, LuminaireId } from '../model/ids.js';
import type { Job, Luminaire } from '../model/job.js';
import { findBox, findLuminaire } from '../model/lookup.js';
import { newLuminaire } from '../model/newJob.js';

/** What hangs at a box, as it is asked for: its wires and what they meet follow from it, its weight does not. */
export type LoadKind = 'light' | 'lampholder' | 'recessed' | 'fan' | 'ventFan' | 'nightLight';

type Usual = Pick<Luminaire, 'unit' | 'terminals' | 'leadAwg' | 'metal' | 'driverBox' | 'va'>;

const USUAL: Usual = {
  ...{ unit: 'luminaire', terminals: 'leads', leadAwg: 18, metal: true, driverBox: null, va: 60 },
};

/**
 * As each usually comes; all of it can be told otherwise. The wiring space of a driver box is what is marked on it: until that is read it
 * is taken for less than one cable needs, so that nothing is passed for it. Volumes in ten-thousandths of a cubic inch.
 */
export const LOAD_KINDS: Record<LoadKind, Usual> = {
  light: USUAL,
  lampholder: { ...USUAL, terminals: 'screws', leadAwg: 14, metal: false },
  recessed: { ...USUAL, driverBox: 50_000, va: 15 },
  fan: { ...USUAL, unit: 'fan', va: 75 },
  ventFan: { ...USUAL, unit: 'ventFan', va: 40 },
  nightLight: { ...USUAL, unit: 'nightLight', va: 5 },
};

/** Of what kind a load is, by what is told of it. */
export const loadKindOf = ({
  unit,
  driverBox,
  terminals,
  metal,
}: Pick<Luminaire, 'unit' | 'driverBox' | 'terminals' | 'metal'>): LoadKind => {
  if (unit === 'fan' || unit === 'ventFan' || unit === 'nightLight') return unit;
  if (driverBox !== null) return 'recessed';
  return terminals === 'screws' && !metal ? 'lampholder' : 'light';
};

/**
 * One more load in a box, controlled by a group; as a part of another it shares that one's neutral and ground, as the light under a fan
 * does. The job as it is where there is no such box or no such whole in it.
 */
export const addLoad = (
  job: Job,
  load: {
    id: LuminaireId;
    name: string;
    box: BoxId;
    group: GroupId;
    kind: LoadKind;
    partOf: LuminaireId | null;
  },
): Job => {
  const { kind, ...told } = load;
  const whole = findLuminaire(job, load.partOf);
  const fits = load.partOf === null || (whole?.box === load.box && whole.partOf === null);
  if (!findBox(job, load.box) || !fits) return job;
  return {
    ...job,
    luminaires: [...job.luminaires, newLuminaire({ ...LOAD_KINDS[kind], ...told, pounds: null })],
  };
};
