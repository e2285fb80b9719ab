import type { Job, Luminaire } from '../model/job.js';
import { findLuminaire } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import type { LabourEstimate } from '../materials/labourOf.js';
import { isIn, type OrderPart } from './part.js';

/** Luminaires of one kind that are hung. */
export interface Hung {
  name: string;
  luminaires: Luminaire[];
  /** Ten-thousandths of a dollar for each, where the shop brings them; null where the owner does. */
  each: number | null;
}

const UNITS: Record<Luminaire['unit'], string> = {
  luminaire: 'Luminaire',
  fan: 'Fan',
  ventFan: 'Ventilating fan',
  nightLight: 'Night light',
  onward: 'Onward feed',
};

const PLACES: Partial<Record<Luminaire['suitedTo'], string>> = {
  damp: 'for damp places',
  wet: 'for wet places',
};

/** What has to be looked for on the shelf: "Fan with 1 light, 95 VA", "Luminaire, 60 VA, on screws, for wet places". */
const kindOf = (job: Job, one: Luminaire): string => {
  const parts = job.luminaires.filter(({ partOf }) => partOf === one.id);
  const va = parts.reduce((sum, part) => sum + part.va, one.va);
  const lights = parts.length === 0 ? '' : ` with ${parts.length} ${parts.length === 1 ? 'light' : 'lights'}`;
  return [
    `${UNITS[one.unit]}${lights}`,
    `${va} VA`,
    ...(one.terminals === 'screws' ? ['on screws'] : []),
    ...(PLACES[one.suitedTo] === undefined ? [] : [PLACES[one.suitedTo]]),
  ].join(', ');
};

/**
 * The luminaires and fans that the work hangs, kind by kind. The plan names no article of them, and in most houses the owner picks them: they
 * come from the owner until the job tells what the shop pays for one of the kind.
 */
export const luminairesHung = (job: Job, { lines }: LabourEstimate, part: OrderPart | null): Hung[] => {
  const kinds = new Map<string, Hung>();
  for (const id of lines.find(({ work }) => work === 'luminaire')?.at ?? []) {
    const one = findLuminaire(job, id);
    if (!one) continue;
    const name = kindOf(job, one);
    const kind = kinds.get(name) ?? { name, luminaires: [], each: null };
    kind.each ??= ofId(job.order.luminaires, one.id) ?? null;
    if (isIn(part, one.box)) kind.luminaires.push(one);
    kinds.set(name, kind);
  }
  return [...kinds.values()]
    .filter(({ luminaires }) => luminaires.length > 0)
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
};
