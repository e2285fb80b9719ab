import type { Luminaire } from '../model/job.js';
import type { LuminaireState } from '../circuit/evaluate.js';

/** What is seen of a load, by what it is. */
export const LIGHT_WORDS: Record<Luminaire['unit'], Record<LuminaireState['light'], string>> = {
  luminaire: { lit: 'lit', dim: 'dim, in series', dark: 'dark', unknown: 'not known' },
  nightLight: { lit: 'lit', dim: 'dim, in series', dark: 'dark', unknown: 'not known' },
  fan: { lit: 'runs', dim: 'runs weak, in series', dark: 'stands', unknown: 'not known' },
  ventFan: { lit: 'runs', dim: 'runs weak, in series', dark: 'stands', unknown: 'not known' },
  onward: { lit: 'fed', dim: 'fed through a load', dark: 'not fed', unknown: 'not known' },
};
