import { createFinder } from '../diagnosis/finder.js';
import { ANY, modelOf, predicted, TRIPPED, type Model } from '../diagnosis/model.js';
import type { Observation, Question, Reply, Seen } from '../diagnosis/question.js';
import type { Scope } from '../diagnosis/scope.js';
import { sayObservation } from '../diagnosis/words.js';
import type { Positions } from '../circuit/parts.js';
import { reviewJob } from '../review/reviewJob.js';
import type { HiddenFault } from './hiddenFault.js';

/** How the fault finder of the program finds what is hidden, asking as it would ask somebody at the handles. */
export interface FinderWay {
  /** What it asks and what is answered, in its order. */
  steps: string[];
  opened: number;
  found: boolean;
}

const SEEN_BY: Record<string, Seen> = { l: 'lit', m: 'dim', d: 'dark' };

/** What somebody would answer who stands in the house that has the fault. */
const answerIn = (scope: Scope, house: Model, question: Question): Reply => {
  const said = predicted(scope, house, question);
  if (said === TRIPPED) return { kind: 'tripped', when: 'atOnce' };
  if (said === ANY) return { kind: 'cannot' };
  if (question.kind !== 'flip') return { kind: 'is', word: said };
  const seen = scope.luminaires.flatMap((id, i) => {
    const word = SEEN_BY[said[i] ?? ''];
    return word ? [[id, word] as const] : [];
  });
  return { kind: 'lights', seen: Object.fromEntries(seen) };
};

/** It gives up after so many questions. */
const MOST_ASKED = 40;

/** The finder looks for a hidden fault, dead readings and looks alone: nobody is asked for a live one. Null where the house cannot be told. */
export const finderWay = ({ job, circuit, fault, box }: HiddenFault): FinderWay | null => {
  const review = reviewJob(job);
  const finder = createFinder(review, circuit);
  const { scope } = finder;
  const house = modelOf(scope, {
    troubles: [{ kind: 'wires', fault, at: { box } }],
    weight: 1,
    places: [{ kind: 'box', box }],
  });
  if (!house) return null;
  const observations: Observation[] = [];
  let positions: Positions = {};
  let found = false;
  while (observations.length < MOST_ASKED) {
    const now = finder.at(observations, { positions, history: 'new', isElectrician: false });
    found = now.state === 'found';
    const question = now.again?.question ?? now.questions[0]?.question;
    if (now.state !== 'looking' || !question) break;
    if ('positions' in question) positions = question.positions;
    observations.push({ question, answer: answerIn(scope, house, question) });
  }
  const looked = new Set(
    observations.flatMap(({ question }) => (question.kind === 'look' ? [question.box] : [])),
  );
  return {
    steps: observations.map((one) => sayObservation(review, scope, one)),
    opened: looked.size,
    found,
  };
};
