import { articleOf } from './articles.js';
import type { FacePart } from './face.js';
import type { Job, Luminaire } from './job.js';
import type { Wiring } from './wiring.js';

export type LuminaireFace = Record<'hot' | 'neutral' | 'ground', FacePart>;

const spot = (side: FacePart['side'], height: number) => ({ side, height, marked: null });
const lead = (
  colour: 'black' | 'white' | 'bare' | 'blue',
  side: FacePart['side'],
  height: number,
): FacePart => ({
  ...{ kind: 'lead', colour, awg: 18, ...spot(side, height) },
});
const STRAP: FacePart = { kind: 'screw', colour: 'green', ...spot('left', 85) };

/** A luminaire of which nobody has named the article: leads of the usual colours, or the screws of a lampholder (200.10(C)). */
const USUAL: Record<Luminaire['terminals'], LuminaireFace> = {
  leads: {
    hot: lead('black', 'right', 35),
    neutral: lead('white', 'left', 35),
    ground: lead('bare', 'left', 85),
  },
  screws: {
    hot: { kind: 'screw', colour: 'brass', ...spot('right', 40) },
    neutral: { kind: 'screw', colour: 'silver', ...spot('left', 40) },
    ground: STRAP,
  },
};

/** The lead of a light under a fan; of several, one below the other. */
export const lightLead = (nth: number): FacePart => lead('blue', 'right', Math.min(100, 55 + 15 * nth));

/** What a luminaire has for its wires: of its article where one is fitted, or the usual. */
export const luminaireFace = (job: Job, wiring: Wiring, one: Luminaire): LuminaireFace => {
  const fitted = wiring.luminaires.find(({ id }) => id === one.id);
  const usual = { ...USUAL[one.terminals], ...(one.strap ? { ground: STRAP } : {}) };
  if (!fitted) return usual;
  const { terminals } = articleOf(job.stock, 'luminaire', fitted.article);
  return { hot: terminals.hot, neutral: terminals.neutral, ground: terminals.ground ?? usual.ground };
};
