import type { DeviceId, LuminaireId } from '../model/ids.js';
import { ofId } from '../model/records.js';
import { terminalKey } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { evaluate, type State } from '../circuit/evaluate.js';
import type { Positions } from '../circuit/parts.js';
import type { UnionFind } from '../circuit/unionFind.js';
import type { Hypothesis } from '../faults/hypotheses.js';
import { compileBroken, placeKey } from '../faults/trouble.js';
import { deadCopper, twoPole } from '../meters/meters.js';
import type { Question } from './question.js';
import type { Scope } from './scope.js';

/** What is expected where nothing can be said: any answer. */
export const ANY = '?';

/** The answer to a flip in one text: each load of the circuit by its first letter, or that the breaker opens. */
export const TRIPPED = 'tripped';
const LETTERS = { lit: 'l', dim: 'm', dark: 'd', unknown: ANY } as const;

/** A hypothesis made into a wiring, and what it says to each question. What was asked once is remembered. */
export interface Model {
  hypothesis: Hypothesis;
  /** Keys of the places in which it is found. */
  places: readonly string[];
  /** Null where it says nothing of what would be seen. */
  compiled: Compiled | null;
  states: Map<string, State>;
  copper: Map<string, UnionFind>;
}

export const modelOf = ({ near, parts }: Scope, hypothesis: Hypothesis): Model | null => {
  const isOtherwise = hypothesis.troubles.some(({ kind }) => kind === 'otherwise');
  const compiled = isOtherwise ? null : compileBroken(near, parts, hypothesis.troubles);
  if (!isOtherwise && !compiled) return null;
  return {
    ...{ hypothesis, compiled, places: hypothesis.places.map(placeKey) },
    ...{ states: new Map(), copper: new Map() },
  };
};

const positionsKey = (compiled: Compiled, positions: Positions): string =>
  compiled.devices.map(({ id }) => ofId(positions, id) ?? 0).join();

const stateOf = (model: Model, compiled: Compiled, positions: Positions): State => {
  const key = positionsKey(compiled, positions);
  const known = model.states.get(key) ?? evaluate(compiled, positions);
  model.states.set(key, known);
  return known;
};

const copperOf = (model: Model, compiled: Compiled, positions: Positions): UnionFind => {
  const key = positionsKey(compiled, positions);
  const known = model.copper.get(key) ?? deadCopper(compiled, positions);
  model.copper.set(key, known);
  return known;
};

/** Does the breaker of the circuit open? A short opens it; where it also watches the neutral, current that comes back another way does. */
const trips = ({ circuit, watches, luminaires }: Scope, compiled: Compiled, state: State): boolean => {
  if (state.shorts.some((one) => one.circuit === circuit)) return true;
  if (!watches) return false;
  const drawing = new Set(state.luminaires.filter((one) => Math.abs(one.amperes) > 0.01).map(({ id }) => id));
  if (drawing.size === 0) return false;
  if (state.neutralsGrounded.includes(circuit)) return true;
  if (state.neutralsJoined.some((pair) => pair.includes(circuit))) return true;
  // What comes back by a ground or by the neutral of another circuit strays as well.
  const strange = new Set(compiled.sources.filter(({ id }) => id !== circuit).map(({ neutral }) => neutral));
  return compiled.luminaires.some(
    (one) =>
      drawing.has(one.id) &&
      luminaires.includes(one.id) &&
      [one.hot, one.neutral].some((net) => state.nets[net] === 'ground' || strange.has(net)),
  );
};

/** What the loads of the circuit do, load by load in the order of the scope, or that the breaker opens. */
const lightsOf = (scope: Scope, compiled: Compiled, state: State): string => {
  if (trips(scope, compiled, state)) return TRIPPED;
  const lights = new Map<LuminaireId, keyof typeof LETTERS>(
    state.luminaires.map(({ id, light }) => [id, light]),
  );
  return scope.luminaires.map((id) => LETTERS[lights.get(id) ?? 'dark']).join('');
};

/** Troubles that come and go: a contact that is bad, before it fails for good. */
const COMES_AND_GOES = new Set(['loose', 'open', 'worn']);

export const comesAndGoes = ({ hypothesis }: Pick<Model, 'hypothesis'>): boolean =>
  hypothesis.troubles.some((one) => COMES_AND_GOES.has(one.kind === 'wires' ? one.fault.kind : one.kind));

/** A bad contact in the box of a device is heard and felt there. */
const humsAt = ({ near }: Scope, model: Model, device: DeviceId): boolean => {
  const box = near.devices.find(({ id }) => id === device)?.box;
  return box !== undefined && comesAndGoes(model) && model.places.includes(placeKey({ kind: 'box', box }));
};

/** What a non-contact tester does at a luminaire: what hangs in the air may be charged by what is beside it, so of that nothing is said. */
const hintAt = (scope: Scope, compiled: Compiled, state: State, luminaire: LuminaireId): string => {
  if (trips(scope, compiled, state)) return ANY;
  // The wires that come in, whether or not a lamp joins them.
  const kinds = (['hot', 'neutral'] as const).map(
    (name) => state.nets[compiled.netOf(terminalKey({ luminaire, name })) ?? -1],
  );
  if (kinds.some((kind) => kind === 'live' || kind === 'backfed')) return 'glows';
  return kinds.every((kind) => kind === 'neutral' || kind === 'ground') ? 'dark' : ANY;
};

const VOLT_WORDS: readonly [most: number, word: string][] = [
  [12, '0'],
  [100, 'between'],
  [Infinity, '120'],
];

/** What a hypothesis says would be the answer to a question; `ANY` where it says nothing. */
export const predicted = (scope: Scope, model: Model, question: Question): string => {
  const { compiled, hypothesis, places } = model;
  const has = (key: string): boolean => places.includes(key);
  switch (question.kind) {
    case 'look':
      return has(placeKey({ kind: 'box', box: question.box })) ? 'other' : 'asDrawn';
    case 'panel':
      return has(placeKey({ kind: 'panel', circuit: question.circuit })) ? 'other' : 'asDrawn';
    case 'breaker':
      return has(placeKey({ kind: 'breaker', circuit: question.circuit })) ? 'off' : 'on';
    case 'lamp': {
      if (!has(placeKey({ kind: 'lamp', luminaire: question.luminaire }))) return 'same';
      const without = hypothesis.troubles.filter(
        (one) => one.kind !== 'lampOut' || one.luminaire !== question.luminaire,
      );
      const whole = compileBroken(scope.near, scope.parts, without);
      const light =
        whole &&
        evaluate(whole, question.positions).luminaires.find(({ id }) => id === question.luminaire)?.light;
      return light === 'lit' ? 'helped' : 'same';
    }
    default:
  }
  if (!compiled) return ANY;
  if (question.kind === 'hums') return humsAt(scope, model, question.device) ? 'yes' : 'no';
  if (question.kind === 'hint')
    return hintAt(scope, compiled, stateOf(model, compiled, question.positions), question.luminaire);
  if (question.kind === 'flip')
    return lightsOf(scope, compiled, stateOf(model, compiled, question.positions));
  const [a, b] = [question.a, question.b].map((key) => compiled.netOf(key));
  if (a === undefined || b === undefined) return ANY;
  if (question.kind === 'continuity') {
    const sets = copperOf(model, compiled, question.positions);
    if (sets.find(a) === sets.find(b)) return 'yes';
    const unknown = new Set(compiled.unknown.map((net) => sets.find(net)));
    return unknown.has(sets.find(a)) && unknown.has(sets.find(b)) ? ANY : 'no';
  }
  const state = stateOf(model, compiled, question.positions);
  if (trips(scope, compiled, state)) return ANY;
  const { volts } = twoPole(state, a, b);
  return volts === null ? ANY : (VOLT_WORDS.find(([most]) => volts <= most)?.[1] ?? ANY);
};
