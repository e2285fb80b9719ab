import type { BoxId } from '../model/ids.js';
import type { Wiring } from '../model/wiring.js';
import { contentsIn } from '../model/boxState.js';
import { compile } from '../circuit/compile.js';
import { evaluate } from '../circuit/evaluate.js';
import { usualWiring } from '../existing/usualWiring.js';
import { weightOfPattern, type History, type Hypothesis } from '../faults/hypotheses.js';
import { madeUpInstead, OLD_PATTERNS } from '../faults/trouble.js';
import { grayWalk } from '../proving/positions.js';
import type { Scope } from './scope.js';

/** What is joined and landed in a box, its own names of splices and connectors left out. */
const madeUp = (wiring: Wiring, box: BoxId): string => {
  const { joints, landings } = contentsIn(wiring, box);
  return JSON.stringify([
    joints
      .map(({ members }) => members.map((one) => JSON.stringify('pigtail' in one ? 'tail' : one)).sort())
      .sort(),
    landings.map(({ wire, terminal }) => JSON.stringify(['end' in wire ? wire : 'tail', terminal])).sort(),
  ]);
};

/** Does it do what it should, made up so? Every handle changes its lights from every position, and nothing opens the breaker. */
const doesItsWork = ({ parts, groups, job }: Scope, wiring: Wiring): boolean => {
  const compiled = compile(wiring, parts);
  if (groups.length === 0) return false;
  return groups.every(({ devices, name }) => {
    const group = job.groups.find((one) => one.name === name)?.id;
    const own = new Set<string>(job.luminaires.filter((one) => one.group === group).map(({ id }) => id));
    const seen = grayWalk(compiled, devices).map((positions) => {
      const { luminaires, shorts } = evaluate(compiled, positions);
      const lights = new Set(luminaires.filter(({ id }) => own.has(id)).map(({ light }) => light));
      return shorts.length === 0 && lights.size === 1 ? ([...lights][0] ?? '') : '';
    });
    return seen.every((light, i) => ['lit', 'dark'].includes(light) && light !== seen[i - 1]);
  });
};

/**
 * The circuit made up in the ways of old times that work and are dangerous (`faults/trouble.ts`), on the same cables, where all of them lie there
 * already: each is found in any box that is otherwise in it. None for new work.
 */
export const oldPatternsOf = (scope: Scope, history: History): Hypothesis[] => {
  const { job, near, circuit, boxes, assumed } = scope;
  const here = new Set<string>(boxes);
  const cables = near.cables.filter(({ from, to }) => here.has(from) || here.has(to));
  if (weightOfPattern(history, false) === 0 || cables.length === 0) return [];
  if (!cables.every(({ existing }) => existing)) return [];
  return OLD_PATTERNS.flatMap((habit): Hypothesis[] => {
    const usual = usualWiring(job, { circuit, cables, boxes, habit });
    if (!usual.ok) return [];
    const { wiring } = usual;
    const other = boxes.filter((box) => madeUp(wiring, box) !== madeUp(near, box));
    const isFitted = other.every(
      (box) =>
        JSON.stringify(
          wiring.devices
            .filter((one) => one.box === box)
            .map(({ id }) => id)
            .sort(),
        ) ===
        JSON.stringify(
          near.devices
            .filter((one) => one.box === box)
            .map(({ id }) => id)
            .sort(),
        ),
    );
    if (other.length === 0 || !isFitted) return [];
    const parts = other.map((box) => contentsIn(wiring, box));
    const instead = {
      joints: parts.flatMap(({ joints }) => joints),
      landings: parts.flatMap(({ landings }) => landings),
    };
    const isAssumed = other.some((box) => assumed.has(box));
    const trouble = { kind: 'oldPattern' as const, habit, boxes: other, instead };
    // The pattern works, or nobody would have left it so; cables with too few wires for it do not carry it.
    if (!doesItsWork(scope, madeUpInstead(near, trouble))) return [];
    return [
      {
        troubles: [trouble],
        weight: weightOfPattern(history, isAssumed),
        places: other.map((box) => ({ kind: 'box', box })),
      },
    ];
  });
};
