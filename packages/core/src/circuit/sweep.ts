import type { Compiled } from './compile.js';

/** What a sweep says of one luminaire: dark, fully lit, or its shell is live. */
export const DARK = 0;
export const LIT = 1;
export const SHELL_LIVE = 2;

/** What a sweep says of one set of positions. Only the first answers for the luminaires. */
export type SweepVerdict = 'settled' | 'shorted' | 'notSettled';

const LIVE = 1;
const RETURN = 2;

/**
 * Evaluates many handle positions of one compiled wiring with nothing allocated between them. It settles every state
 * in which each luminaire hangs on the breaker, on the return or in the air; where current might pass through
 * luminaires in series it says so, and `evaluate` has to judge. `positions` and `lights` go by the order of the
 * compiled devices and luminaires.
 */
export const createSweep = (
  compiled: Compiled,
): ((positions: ArrayLike<number>, lights: Uint8Array) => SweepVerdict) => {
  const nets = compiled.netCount;
  const parent = new Int32Array(nets);
  const apart = Int32Array.from({ length: nets }, (_, i) => i);
  const flags = new Uint8Array(nets);
  const across = new Uint8Array(nets);
  const contacts = compiled.devices.map((device) =>
    device.positions.map((pairs) => Int32Array.from(pairs.flat())),
  );
  const isPartlyKnown = compiled.unknown.length > 0;
  const lampHot = Int32Array.from(compiled.luminaires, (one) => one.hot);
  const lampNeutral = Int32Array.from(compiled.luminaires, (one) => one.neutral);
  const sourceHot = Int32Array.from(compiled.sources, (one) => one.hot);
  const sourceReturn = Int32Array.from(compiled.sources.flatMap((one) => [one.neutral, one.ground]));

  const find = (net: number): number => {
    let at = net;
    let up = parent[at] ?? at;
    while (up !== at) {
      const above = parent[up] ?? up;
      parent[at] = above;
      at = above;
      up = parent[at] ?? at;
    }
    return at;
  };

  return (positions, lights) => {
    // What nobody knows has to be judged with all that follows from it.
    if (isPartlyKnown) return 'notSettled';
    parent.set(apart);
    for (let d = 0; d < contacts.length; d++) {
      const pairs = contacts[d]?.[positions[d] ?? 0];
      if (!pairs) continue;
      for (let i = 0; i + 1 < pairs.length; i += 2) parent[find(pairs[i] ?? 0)] = find(pairs[i + 1] ?? 0);
    }
    flags.fill(0);
    across.fill(0);
    for (let i = 0; i < sourceReturn.length; i++) {
      const root = find(sourceReturn[i] ?? 0);
      flags[root] = (flags[root] ?? 0) | RETURN;
    }
    for (let i = 0; i < sourceHot.length; i++) {
      const root = find(sourceHot[i] ?? 0);
      // Two breakers on one piece of copper: which of them opens has to be judged.
      if (((flags[root] ?? 0) & LIVE) !== 0) return 'notSettled';
      flags[root] = (flags[root] ?? 0) | LIVE;
      if (flags[root] === (LIVE | RETURN)) return 'shorted';
    }
    for (let i = 0; i < lampHot.length; i++) {
      const hotRoot = find(lampHot[i] ?? 0);
      const neutralRoot = find(lampNeutral[i] ?? 0);
      const hot = flags[hotRoot] ?? 0;
      const neutral = flags[neutralRoot] ?? 0;
      lights[i] = neutral === LIVE ? SHELL_LIVE : hot === LIVE && neutral === RETURN ? LIT : DARK;
      if (hotRoot === neutralRoot || (hot !== 0 && neutral !== 0)) continue;
      if (hot === 0 && neutral === 0) return 'notSettled';
      // A set in the air, reached through luminaires from both sides, carries current.
      const floating = hot === 0 ? hotRoot : neutralRoot;
      across[floating] = (across[floating] ?? 0) | hot | neutral;
      if (across[floating] === (LIVE | RETURN)) return 'notSettled';
    }
    return 'settled';
  };
};
