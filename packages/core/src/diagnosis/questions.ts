import type { BoxId } from '../model/ids.js';
import { ofId } from '../model/records.js';
import type { Compiled } from '../circuit/compile.js';
import type { Positions } from '../circuit/parts.js';
import { placeKey } from '../faults/trouble.js';
import { grayWalk } from '../proving/positions.js';
import { lookAt } from './ask.js';
import type { Situation } from './effort.js';
import { ANY, predicted, type Model } from './model.js';
import { onePerNet, probePoints, type ProbePoint } from './points.js';
import { questionKey, type Observation, type Question } from './question.js';
import type { Scope } from './scope.js';

/** Sets of positions of one group that are offered; of more handles the first of them. */
const MOST_SETS = 32;
/** Of the likeliest so many hypotheses readings are held against each other, and so many of these are offered. */
const LIKELIEST = 60;
const MOST_READINGS = 12;

/** Every set of positions of each group, the handles of the others as they are. */
export const flipsOf = (scope: Scope, { positions }: Situation, compiled: Compiled): Question[] => {
  const handles = scope.groups.flatMap(({ devices }) => devices);
  const now = Object.fromEntries(handles.map((id) => [id, ofId(positions, id) ?? 0]));
  const all = scope.groups.flatMap(({ devices }) =>
    grayWalk(compiled, devices)
      .slice(0, MOST_SETS)
      .map((set): Question => ({ kind: 'flip', positions: { ...now, ...set } })),
  );
  return [...new Map(all.map((one) => [questionKey(one), one])).values()];
};

/** Dead readings in the boxes that stand open, with the handles as they are and with each handle of the box moved. */
const readings = (
  scope: Scope,
  { positions, open }: Situation,
  compiled: Compiled,
  isLive: boolean,
): Question[] =>
  [...open].flatMap((id) => {
    const box = id as BoxId;
    const points = onePerNet(probePoints(scope, box), compiled);
    const here = scope.near.devices.filter((one) => one.box === box);
    const sets: Positions[] = [
      positions,
      ...here.flatMap((one) => {
        const count = compiled.devices.find((device) => device.id === one.id)?.positions.length ?? 1;
        const at = ofId(positions, one.id) ?? 0;
        return count > 1 ? [{ ...positions, [one.id]: (at + 1) % count }] : [];
      }),
    ];
    const isReturn = ({ key }: ProbePoint): boolean => {
      const net = compiled.netOf(key);
      return compiled.sources.some(({ neutral, ground }) => net === neutral || net === ground);
    };
    return points.flatMap((a, i) =>
      points.slice(i + 1).flatMap((b) => [
        ...sets.map((set): Question => ({ kind: 'continuity', box, a: a.key, b: b.key, positions: set })),
        // A live reading is one to a neutral or a ground, the handles as they are.
        ...(isLive && (isReturn(a) || isReturn(b))
          ? [{ kind: 'volts' as const, box, a: a.key, b: b.key, positions }]
          : []),
      ]),
    );
  });

/** What may be told though nobody asks for it, since it is a hint alone: a non-contact tester at each load, a switch that hums. */
export const hintsNow = (scope: Scope, observations: readonly Observation[]): Question[] => {
  const done = new Set(observations.map(({ question }) => questionKey(question)));
  const all: Question[] = [
    ...scope.luminaires.map((luminaire): Question => ({
      kind: 'hint',
      luminaire,
      positions: scope.litAt(luminaire),
    })),
    ...scope.groups.flatMap(({ devices }) => devices.map((device): Question => ({ kind: 'hums', device }))),
  ];
  return all.filter((one) => !done.has(questionKey(one)));
};

/** How much a question would tell of these hypotheses, in bits. */
const bitsOf = (
  scope: Scope,
  models: readonly { model: Model; share: number }[],
  question: Question,
): number => {
  const shares = new Map<string, number>();
  for (const { model, share } of models) {
    const said = predicted(scope, model, question);
    shares.set(said, (shares.get(said) ?? 0) + share);
  }
  const whole = [...shares.values()].reduce((sum, share) => sum + share, 0);
  return [...shares].reduce(
    (sum, [said, share]) => sum - (said === ANY ? 0 : (share / whole) * Math.log2(share / whole)),
    0,
  );
};

/** The readings that tell the most of the likeliest hypotheses: of very many, only these are reckoned through. */
const telling = (
  scope: Scope,
  held: readonly { model: Model; share: number }[],
  questions: readonly Question[],
): Question[] =>
  questions
    .map((question) => ({ question, bits: bitsOf(scope, held.slice(0, LIKELIEST), question) }))
    .filter(({ bits }) => bits > 0.01)
    .sort((a, b) => b.bits - a.bits)
    .slice(0, MOST_READINGS)
    .map(({ question }) => question);

/** Every question that may be asked now. What was asked, what cannot be, and a position that tripped the breaker are not among them. */
export const questionsNow = (
  scope: Scope,
  situation: Situation,
  { healthy, held }: { healthy: Compiled; held: readonly { model: Model; share: number }[] },
  observations: readonly Observation[],
  isElectrician: boolean,
): Question[] => {
  const done = new Set(observations.map(({ question }) => questionKey(question)));
  const isNew = (one: Question) => !done.has(questionKey(one));
  const places = new Map(
    held.flatMap(({ model: { hypothesis } }) => hypothesis.places.map((one) => [placeKey(one), one])),
  );
  const looks = [...places.values()].map((place) => lookAt(scope, place));
  const all = [
    ...flipsOf(scope, situation, healthy),
    ...looks.filter(({ kind }) => kind !== 'panel' || isElectrician),
  ].filter(isNew);
  const read = readings(scope, situation, healthy, isElectrician).filter(isNew);
  return [...all, ...telling(scope, held, read)];
};
