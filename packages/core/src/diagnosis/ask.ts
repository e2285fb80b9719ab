import { placeKey, type TroublePlace } from '../faults/trouble.js';
import { effortOf, type Situation } from './effort.js';
import { ANY, predicted, type Model } from './model.js';
import { SHOWS, type Question } from './question.js';
import type { Scope } from './scope.js';

/** A hypothesis and how likely it is; shares need not sum to 1. */
export interface Weighed {
  model: Model;
  share: number;
}

/** A question with what it is worth: minutes that are still expected, it included, until the fault is seen, less what it tells of the fault itself. */
export interface Valued {
  question: Question;
  minutes: number;
  /** What it may come to: how likely each answer is, and where it would be looked for then, the likeliest first. */
  answers: { word: string; share: number; then: { place: TroublePlace; share: number }[] }[];
}

/** The question that looks at a place. */
export const lookAt = (scope: Scope, place: TroublePlace): Question => {
  switch (place.kind) {
    case 'box':
      return { kind: 'look', box: place.box };
    case 'panel':
      return { kind: 'panel', circuit: place.circuit };
    case 'breaker':
      return { kind: 'breaker', circuit: place.circuit };
    case 'lamp':
      return { kind: 'lamp', luminaire: place.luminaire, positions: scope.litAt(place.luminaire) };
  }
};

/** What each hypothesis says to a question, asked of each once. */
export class Asked {
  private readonly said = new Map<Question, Map<Model, string>>();

  constructor(private readonly scope: Scope) {}

  of(question: Question, model: Model): string {
    const known = this.said.get(question) ?? new Map<Model, string>();
    this.said.set(question, known);
    const said = known.get(model) ?? predicted(this.scope, model, question);
    known.set(model, said);
    return said;
  }

  /** Hypotheses by the answer that they expect. Those that expect nothing are in every part, each with its share of them. */
  parted(question: Question, held: readonly Weighed[]): Map<string, Weighed[]> {
    const parts = new Map<string, Weighed[]>();
    const any: Weighed[] = [];
    for (const one of held) {
      const said = this.of(question, one.model);
      if (said === ANY) any.push(one);
      else {
        const part = parts.get(said);
        if (part) part.push(one);
        else parts.set(said, [one]);
      }
    }
    if (parts.size === 0) return new Map([[ANY, [...held]]]);
    for (const part of parts.values())
      for (const one of any) part.push({ model: one.model, share: one.share / parts.size });
    return parts;
  }
}

/** Shares below this part of the whole are not reckoned with. */
const LEAST_SHARE = 1e-4;

/**
 * Minutes that are expected where one looks at one place after the other until the fault is seen, always at the one that shows most of what
 * is left for its minutes: of all orders the best where each place is looked at once (Smith's rule). This is what every question is held against.
 */
const inOrder = (held: readonly Weighed[], minutesAt: (place: string) => number): number => {
  const shares = new Map<string, number>();
  let lone = true;
  for (const { model, share } of held) {
    if (model.places.length > 1) lone = false;
    for (const place of model.places) shares.set(place, (shares.get(place) ?? 0) + share);
  }
  // Where nothing is wrong, everything is looked at in vain.
  const vain = held.reduce((sum, { model, share }) => sum + (model.places.length === 0 ? share : 0), 0);
  const order = [...shares].sort(([p, a], [q, b]) => b / minutesAt(q) - a / minutesAt(p));
  let [spent, minutes] = [0, 0];
  if (lone) {
    for (const [place, share] of order) {
      spent += minutesAt(place);
      minutes += share * spent;
    }
    return minutes + vain * spent;
  }
  const seen = new Set<Weighed>();
  for (const [place] of order) {
    spent += minutesAt(place);
    for (const one of held) {
      if (seen.has(one) || !one.model.places.includes(place)) continue;
      seen.add(one);
      minutes += one.share * spent;
    }
  }
  return minutes + vain * spent;
};

/** Who knows more of the fault before the box is open finds it there sooner: so many minutes for each bit that is known of it. */
const MINUTES_A_BIT = 1;

/** Where something may be wrong, the likeliest first; shares of all together. */
export const placesOf = (held: readonly Weighed[]): { place: TroublePlace; share: number }[] => {
  const whole = sumOf(held);
  const shares = new Map<string, { place: TroublePlace; share: number }>();
  for (const { model, share } of held)
    for (const place of model.hypothesis.places) {
      const before = shares.get(placeKey(place))?.share ?? 0;
      shares.set(placeKey(place), { place, share: before + share / whole });
    }
  return [...shares.values()].sort((a, b) => b.share - a.share);
};

const sumOf = (held: readonly Weighed[]): number => held.reduce((sum, { share }) => sum + share, 0);

/**
 * The questions in the order of their worth. Each is reckoned one step ahead: what it takes, and then the better of two plain ways for each answer
 * that it may have: looking at the likeliest places in turn at once, or after every set of handle positions that is left was tried
 * (a rollout: the plain way is never made worse by it).
 */
export const valued = (
  scope: Scope,
  situation: Situation,
  held: readonly Weighed[],
  questions: readonly Question[],
): Valued[] => {
  const whole = sumOf(held);
  const alive = held.filter(({ share }) => share > whole * LEAST_SHARE);
  const asked = new Asked(scope);
  const minutes = new Map<string, number>();
  for (const { model } of alive)
    for (const place of model.hypothesis.places) {
      const key = placeKey(place);
      if (!minutes.has(key)) minutes.set(key, effortOf(scope, situation, lookAt(scope, place)));
    }
  const minutesAt = (place: string) => minutes.get(place) ?? 1;
  const flips = questions.filter(({ kind }) => kind === 'flip');
  const least = Math.min(...flips.map((one) => effortOf(scope, situation, one)), 1);
  const signature = new Map<Model, string>(
    alive.map(({ model }) => [model, flips.map((flip) => asked.of(flip, model)).join('|')]),
  );
  const rest = (some: readonly Weighed[], left: number): number => {
    const plain = inOrder(some, minutesAt);
    if (left === 0) return plain;
    const parts = new Map<string, Weighed[]>();
    for (const one of some) {
      const key = signature.get(one.model) ?? '';
      const part = parts.get(key);
      if (part) part.push(one);
      else parts.set(key, [one]);
    }
    if (parts.size < 2) return plain;
    const flipped = [...parts.values()].reduce((sum, part) => sum + inOrder(part, minutesAt), 0);
    return Math.min(plain, sumOf(some) * left * least + flipped);
  };
  return questions
    .map((question): Valued => {
      const parts = asked.parted(question, alive);
      const left = question.kind === 'flip' ? flips.length - 1 : flips.length;
      const after = [...parts].reduce(
        (sum, [word, part]) => sum + (word === SHOWS[question.kind] ? 0 : rest(part, left)),
        0,
      );
      const bits = [...parts.values()].reduce((sum, part) => {
        const share = sumOf(part) / whole;
        return share > 0 ? sum - share * Math.log2(share) : sum;
      }, 0);
      return {
        question,
        minutes:
          effortOf(scope, situation, question) +
          after / Math.max(whole, 1e-12) -
          MINUTES_A_BIT * (question.kind === 'look' || question.kind === 'panel' ? 0 : bits),
        answers: [...parts]
          .map(([word, part]) => ({ word, share: sumOf(part) / whole, then: placesOf(part) }))
          .sort((a, b) => b.share - a.share),
      };
    })
    .sort((a, b) => a.minutes - b.minutes);
};
