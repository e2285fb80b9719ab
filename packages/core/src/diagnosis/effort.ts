import { ofId } from '../model/records.js';
import { findBox, findLuminaire } from '../model/lookup.js';
import type { Positions } from '../circuit/parts.js';
import { isHigh } from '../words/cautions.js';
import type { Question } from './question.js';
import type { Scope } from './scope.js';

/**
 * What it takes to answer, in minutes; danger is told in minutes too, so that a live reading comes last. Made up, in the order of the trade:
 * handles are free and safe, then the lamp and the breaker, then a dead box, at last what is live.
 */
const MINUTES = {
  flip: 0.2,
  walk: 0.1,
  breaker: 1.5,
  lamp: 4,
  look: 7,
  ladder: 5,
  panel: 30,
  continuity: 2,
  volts: 5,
  hint: 1,
  hums: 0.2,
  danger: 10,
} as const;

/** What is known of the work while the fault is looked for. */
export interface Situation {
  /** The handles as they are. */
  positions: Positions;
  /** Boxes that stand open, dead and proved so. */
  open: ReadonlySet<string>;
}

const ladder = ({ job }: Scope, box: string | undefined): number => {
  const at = findBox(job, box);
  return at && isHigh(at) ? MINUTES.ladder : 0;
};

/** Minutes to open a box and look at all that is in it. */
const opening = (scope: Scope, box: string): number => MINUTES.look + ladder(scope, box);

/** Handles that have to be moved to come to these positions. */
export const moved = (scope: Scope, { positions }: Situation, to: Positions): number =>
  scope.groups
    .flatMap(({ devices }) => devices)
    .filter((id) => (ofId(positions, id) ?? 0) !== (ofId(to, id) ?? 0)).length;

export const effortOf = (scope: Scope, situation: Situation, question: Question): number => {
  const into = (box: string) => (situation.open.has(box) ? 0 : opening(scope, box));
  switch (question.kind) {
    case 'flip':
      return MINUTES.walk + MINUTES.flip * moved(scope, situation, question.positions);
    case 'breaker':
      return MINUTES.breaker;
    case 'lamp':
      return MINUTES.lamp + ladder(scope, findLuminaire(scope.job, question.luminaire)?.box);
    case 'look':
      return opening(scope, question.box);
    case 'panel':
      return MINUTES.panel;
    case 'continuity':
      return into(question.box) + MINUTES.continuity;
    case 'volts':
      return into(question.box) + MINUTES.volts + MINUTES.danger;
    case 'hint':
      return MINUTES.hint + ladder(scope, findLuminaire(scope.job, question.luminaire)?.box);
    case 'hums':
      return MINUTES.hums;
  }
};
