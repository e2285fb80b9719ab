import type { BoxId } from '../../model/ids.js';
import { yokeGrounds } from '../../circuit/grounding.js';
import { hookOn, type Attachment } from '../../planning/boxNodes.js';
import { deviceIdOf } from '../../planning/makeUp.js';
import type { Fitting } from '../../planning/devices.js';
import type { PriceTables } from './priceTables.js';
import type { Settled } from '../problem.js';
import type { Hooked } from './splices.js';

/** Terminals and leads at one node, sorted by what they belong to. */
export interface Here {
  /** By net class; null where the class has nothing here. */
  classes: (Hooked | null)[];
  ground: Hooked;
  /** The same without what the screws to a bonded box ground. */
  groundBonded: Hooked;
}

/** Is that the ground of a device which the screws to a bonded box ground? */
export const byScrews = (
  { job, background }: PriceTables,
  fittings: readonly Fitting[],
  { to }: Attachment,
): boolean => {
  if (job.preferences.boxBonding !== 'selfGroundingYoke' || !('device' in to)) return false;
  const fitting = fittings.find(({ slot }) => deviceIdOf(slot.id) === to.device);
  const article = fitting ? fitting.article : background.article(to.device);
  return article !== null && yokeGrounds(article, 'metal');
};

export const hook = (tables: PriceTables, settled: Settled, at: readonly Attachment[]): Here => {
  const classes: (Hooked | null)[] = settled.classes.map(() => null);
  const ground: Hooked = { terminals: [], leads: [] };
  const groundBonded: Hooked = { terminals: [], leads: [] };
  for (const one of at) {
    const { net } = one;
    if (net !== 'ground') {
      const index = settled.classes.findIndex((one) => one.nets[0]?.id === net.id);
      if (index >= 0) hookOn((classes[index] ??= { terminals: [], leads: [] }), one);
      continue;
    }
    hookOn(ground, one);
    if (!byScrews(tables, settled.fittings, one)) hookOn(groundBonded, one);
  }
  return { classes, ground, groundBonded };
};

export const bonding = ({ terminals, leads }: Hooked, box: BoxId): Hooked => ({
  terminals: [...terminals, { to: { box, name: 'ground' }, twin: null }],
  leads,
});
