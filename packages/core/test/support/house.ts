import {
  articleOf,
  type DeviceArticle,
  type DeviceId,
  type Positions,
  type Wiring,
} from '../../src/index.js';
import { breakersOf, type Parts } from '../../src/circuit/parts.js';
import { yokesOf } from '../../src/circuit/grounding.js';
import { solveCurrents } from '../../src/circuit/currents.js';
import { effortOf } from '../../src/diagnosis/effort.js';
import type { Asking, Diagnosis, Finder } from '../../src/diagnosis/finder.js';
import type { Observation, Question, Seen } from '../../src/diagnosis/question.js';
import type { Scope } from '../../src/diagnosis/scope.js';
import { withFault } from '../../src/faults/fault.js';
import { placeKey, placeOfTrouble, type Trouble } from '../../src/faults/trouble.js';
import { endKey } from '../../src/model/wiring.js';
import { touches, walks, type Pieces } from './walk.js';

/** A device of the stock with other contacts, as a thing of its own. */
const withContacts = (
  { wiring, parts }: Broken,
  id: DeviceId,
  change: (article: DeviceArticle) => DeviceArticle['positions'],
): Broken => {
  const device = wiring.devices.find((one) => one.id === id);
  if (!device) throw new Error(`no ${id}`);
  const article = articleOf(parts.stock, 'device', device.article);
  const made = { ...article, id: `broken ${id}` as never, positions: change(article) };
  return {
    parts: { ...parts, stock: [...parts.stock, made] },
    wiring: {
      ...wiring,
      devices: wiring.devices.map((one) => (one === device ? { ...one, article: made.id } : one)),
    },
  };
};

interface Broken {
  wiring: Wiring;
  parts: Parts;
}

/** What is wrong, done to the wiring and the parts themselves: the simulator is not asked. */
const broken = (whole: Broken, trouble: Trouble): Broken | null => {
  const { wiring, parts } = whole;
  switch (trouble.kind) {
    case 'wires': {
      const made = withFault(wiring, trouble.fault);
      return made.ok ? { wiring: made.value, parts } : null;
    }
    case 'stuck':
      return withContacts(whole, trouble.device, ({ positions }) =>
        positions.map((one) => ({ ...one, connected: positions[trouble.position]?.connected ?? [] })),
      );
    case 'worn':
      return withContacts(whole, trouble.device, ({ positions }) =>
        positions.map((one, i) => (i === trouble.position ? { ...one, connected: [] } : one)),
      );
    case 'otherDevice':
      return withContacts(whole, trouble.device, ({ positions }) =>
        positions.map((one, i) => ({ ...one, connected: trouble.contacts[i] ?? [] })),
      );
    case 'lampOut':
      return {
        wiring,
        parts: { ...parts, luminaires: parts.luminaires.filter(({ id }) => id !== trouble.luminaire) },
      };
    case 'breakerOff':
      return {
        parts,
        wiring: {
          ...wiring,
          landings: wiring.landings.filter(
            ({ terminal }) =>
              !('circuit' in terminal && terminal.circuit === trouble.circuit && terminal.name === 'hot'),
          ),
        },
      };
    case 'oldPattern': {
      const boxes = new Set<string>(trouble.boxes);
      const isHere = (box: string | undefined) => box !== undefined && boxes.has(box);
      const kept = wiring.joints.filter(({ box }) => !isHere(box));
      const tails = JSON.stringify(kept);
      return {
        parts,
        wiring: {
          ...wiring,
          joints: [...kept, ...trouble.instead.joints],
          landings: [
            ...wiring.landings.filter(({ wire }) =>
              'end' in wire
                ? !isHere(wiring.cables.find(({ id }) => id === wire.end.cable)?.[wire.end.side])
                : tails.includes(JSON.stringify(wire.pigtail)),
            ),
            ...trouble.instead.landings,
          ],
        },
      };
    }
    case 'otherwise':
      return null;
  }
};

/** Amperes above which a breaker opens at once. */
const SHORT = 200;

/** What is one piece of copper with the power off, found by walking from piece to piece: handles as they are, neutrals and grounds met at the service. */
const reaches = ({ wiring, parts }: Broken, positions: Positions, from: string, to: string): boolean =>
  walks(
    [
      ...touches(wiring),
      ...wiring.devices.flatMap(({ id, article }) => {
        const { positions: all, bridged } = articleOf(parts.stock, 'device', article);
        return [...(all[positions[id] ?? 0]?.connected ?? []), ...bridged].map(([a, b]): Pieces => [
          `device|${id}|${a}`,
          `device|${id}|${b}`,
        ]);
      }),
      ...yokesOf(wiring, parts).flatMap(({ key, groundedBy }): Pieces[] =>
        groundedBy ? [[key, `box|${groundedBy}|ground`]] : [],
      ),
      ...breakersOf(wiring, parts).flatMap((id): Pieces[] => [
        [`circuit|${id}|neutral`, 'service'],
        [`circuit|${id}|ground`, 'service'],
      ]),
    ],
    from,
    to,
  );

/**
 * A house with something wrong in it. It answers what is asked by nodal analysis and by walking along the copper, and never says what is wrong;
 * null where the wiring cannot have it.
 */
export const houseWith = (
  scope: Scope,
  troubles: readonly Trouble[],
): { answer: (question: Question) => Observation['answer'] } | null => {
  const whole: Broken = { wiring: scope.near, parts: scope.parts };
  const made = troubles.reduce<Broken | null>((one, trouble) => one && broken(one, trouble), whole);
  if (!made) return null;
  const places = new Set(troubles.map((one) => placeKey(placeOfTrouble(scope.near, one))));
  const home = scope.near.landings.find(
    ({ terminal }) => 'circuit' in terminal && terminal.circuit === scope.circuit && terminal.name === 'hot',
  );
  const look = (
    { wiring, parts }: Broken,
    positions: Positions,
    tester: readonly [string, string] | null = null,
  ): { tripped: boolean; seen: Record<string, Seen>; voltsAt: (key: string) => number | undefined } => {
    const { amperes, luminaireVolts, voltsAt } = solveCurrents(wiring, parts, positions, tester);
    const at = (circuit: string, name: 'hot' | 'neutral') =>
      wiring.landings.reduce((sum, { wire, terminal }) => {
        if (!('circuit' in terminal) || terminal.circuit !== circuit || terminal.name !== name) return sum;
        return sum + ('end' in wire ? (amperes.get(wire.end.cable)?.get(wire.end.colour) ?? 0) : 0);
      }, 0);
    // The breaker of another circuit that this shorts is open by now.
    const other = parts.circuits.find(({ id }) => id !== scope.circuit && Math.abs(at(id, 'hot')) > SHORT);
    const dark = other && broken({ wiring, parts }, { kind: 'breakerOff', circuit: other.id });
    if (dark) return look(dark, positions, tester);
    // A breaker that watches the neutral opens where more than a little does not come back by it.
    const strays = scope.watches && Math.abs(at(scope.circuit, 'hot') + at(scope.circuit, 'neutral')) > 0.006;
    const tripped = Math.abs(at(scope.circuit, 'hot')) > SHORT || strays;
    const seen = Object.fromEntries(
      scope.luminaires.map((id): [string, Seen] => {
        const share = (luminaireVolts.get(id) ?? 0) / 120;
        return [id, share < 0.02 ? 'dark' : share < 0.9 ? 'dim' : 'lit'];
      }),
    );
    return { tripped, seen, voltsAt };
  };
  const keyOfEnd = (key: string): string => {
    const [kind, cable, colour] = key.split('|');
    return kind === 'conductor' ? endKey({ cable, side: 'from', colour } as never) : key;
  };
  return {
    answer: (question) => {
      const is = (word: string) => ({ kind: 'is' as const, word });
      switch (question.kind) {
        case 'flip': {
          const { tripped, seen } = look(made, question.positions);
          return tripped ? { kind: 'tripped' } : { kind: 'lights', seen };
        }
        case 'look':
          return is(places.has(`box|${question.box}`) ? 'other' : 'asDrawn');
        case 'panel':
          return is(places.has(`panel|${question.circuit}`) ? 'other' : 'asDrawn');
        case 'breaker':
          return is(places.has(`breaker|${question.circuit}`) ? 'off' : 'on');
        case 'lamp': {
          if (!places.has(`lamp|${question.luminaire}`)) return is('same');
          const mended = troubles
            .filter((one) => one.kind !== 'lampOut' || one.luminaire !== question.luminaire)
            .reduce<Broken | null>((one, trouble) => one && broken(one, trouble), whole);
          if (!mended) return is('same');
          const { tripped, seen } = look(mended, question.positions);
          return is(!tripped && seen[question.luminaire] === 'lit' ? 'helped' : 'same');
        }
        case 'hint': {
          const { tripped, voltsAt } = look(made, question.positions);
          const sides = ['hot', 'neutral'].map((name) =>
            Math.abs(voltsAt(`luminaire|${question.luminaire}|${name}`) ?? 0),
          );
          return tripped ? { kind: 'cannot' } : is(sides.some((volts) => volts > 50) ? 'glows' : 'dark');
        }
        case 'hums':
          return { kind: 'cannot' };
        case 'continuity':
          return is(reaches(made, question.positions, question.a, question.b) ? 'yes' : 'no');
        case 'volts': {
          const [a, b] = [keyOfEnd(question.a), keyOfEnd(question.b)];
          const { tripped, voltsAt } = look(made, question.positions, [a, b]);
          if (tripped || !home) return { kind: 'cannot' };
          const volts = Math.abs((voltsAt(a) ?? 0) - (voltsAt(b) ?? 0));
          return is(volts <= 12 ? '0' : volts <= 100 ? 'between' : '120');
        }
      }
    },
  };
};

/** How a fault was looked for in a house, question by question. */
export interface Search {
  observations: Observation[];
  last: Diagnosis;
  /** Boxes opened, readings made live, and minutes by the finder's own reckoning. */
  opened: number;
  live: number;
  minutes: number;
}

const MOST_ASKED = 80;

/** Asks what the finder asks until it is found, or nothing is left to ask; `wrong` turns some answers into others. */
export const searched = (
  finder: Finder,
  house: { answer: (question: Question) => Observation['answer'] },
  {
    asking = {},
    wrong = (answer) => answer,
  }: {
    asking?: Partial<Asking>;
    wrong?: (answer: Observation['answer'], question: Question) => Observation['answer'];
  } = {},
): Search => {
  const observations: Observation[] = [];
  let [positions, opened, live, minutes] = [asking.positions ?? {}, 0, 0, 0];
  for (;;) {
    const last = finder.at(observations, {
      ...{ history: 'new' as const, isElectrician: true, ...asking, positions },
    });
    const question = last.again?.question ?? last.questions[0]?.question;
    if (
      last.state === 'found' ||
      last.state === 'nothingSeen' ||
      !question ||
      observations.length >= MOST_ASKED
    )
      return { observations, last, opened, live, minutes };
    const open = new Set(
      observations.flatMap((one) => (one.question.kind === 'look' ? [one.question.box] : [])),
    );
    minutes += effortOf(finder.scope, { positions, open }, question);
    if (question.kind === 'look') opened++;
    if (question.kind === 'volts') live++;
    if (question.kind === 'flip' || question.kind === 'lamp')
      positions = { ...positions, ...question.positions };
    observations.push({ question, answer: wrong(house.answer(question), question) });
  }
};
