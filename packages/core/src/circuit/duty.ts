import { articleOf } from '../model/articles.js';
import type { Cable, Wiring } from '../model/wiring.js';
import type { Compiled } from './compile.js';
import { conductorKey } from './keys.js';
import { cappedIn } from './leftLive.js';
import type { Parts } from './parts.js';
import { rolesOf, type Role } from './roles.js';

const DUTIES: Record<Role, string | null> = {
  hot: 'hot',
  neutral: null,
  ground: null,
  traveler: 'travelers',
  switchLeg: 'switch leg',
  spare: null,
  conflict: 'wrongly joined',
};

/** What a cable is for, in a word or two: "travelers", "hot and switch leg", "unused". Told from the nets on it alone. */
export const createDuty = (wiring: Wiring, parts: Parts, compiled: Compiled): ((cable: Cable) => string) => {
  const roles = rolesOf(compiled);
  const capped = cappedIn(wiring);
  return ({ id, article }) => {
    const conductors = articleOf(parts.stock, 'cable', article).insulated.map((colour) =>
      conductorKey(id, colour),
    );
    if (conductors.every((key) => capped.has(key))) return 'unused';
    const on = conductors.flatMap((key) => {
      const net = compiled.netOf(key);
      return net === undefined ? [] : [roles[net] ?? 'spare'];
    });
    const said = (['hot', 'traveler', 'switchLeg', 'conflict'] as const)
      .filter((role) => on.includes(role))
      .map((role) => DUTIES[role]);
    return said.length > 0 ? said.join(' and ') : on.includes('neutral') ? 'neutral' : 'unused';
  };
};
