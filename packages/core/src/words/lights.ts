import type { Luminaire } from '../model/job.js';
import type { LuminaireState } from '../circuit/evaluate.js';
import { listed } from './lists.js';

/** Is it a motor, which has no lamp to be changed? */
export const isFan = (load: Pick<Luminaire, 'unit'> | undefined): boolean =>
  load?.unit === 'fan' || load?.unit === 'ventFan';

/** What several do: in one word where all do the same, else each by its name. Empty where there is none. */
export const sayEach = (seen: readonly { name: string; words: string }[]): string => {
  const kinds = [...new Set(seen.map(({ words }) => words))];
  if (kinds.length < 2) return kinds.join('');
  return kinds
    .map((kind) => `${listed(seen.filter(({ words }) => words === kind).map(({ name }) => name))} ${kind}`)
    .join('; ');
};

/** What is seen of a load, by what it is. */
export const LIGHT_WORDS: Record<Luminaire['unit'], Record<LuminaireState['light'], string>> = {
  luminaire: { lit: 'lit', dim: 'dim, in series', dark: 'dark', unknown: 'not known' },
  nightLight: { lit: 'lit', dim: 'dim, in series', dark: 'dark', unknown: 'not known' },
  fan: { lit: 'runs', dim: 'runs weak, in series', dark: 'stands', unknown: 'not known' },
  ventFan: { lit: 'runs', dim: 'runs weak, in series', dark: 'stands', unknown: 'not known' },
  onward: { lit: 'fed', dim: 'fed through a load', dark: 'not fed', unknown: 'not known' },
};
