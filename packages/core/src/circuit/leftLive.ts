import { articleOf } from '../model/articles.js';
import { isNeutralColour } from '../model/colours.js';
import { PANEL, type BoxId } from '../model/ids.js';
import type { Cable, Wiring } from '../model/wiring.js';
import type { Compiled } from './compile.js';
import { conductorKey } from './keys.js';
import type { Parts } from './parts.js';
import { circuitsByNet } from './roles.js';

/** A conductor that lies there and that nothing uses, live from a breaker all the same. */
export interface LeftLive {
  cable: Cable;
  box: BoxId;
  /** The breaker it is live from. */
  breaker: string;
  /** All of the cable, or a spare conductor of it. */
  whole: boolean;
}

/** Conductors that are joined to nothing: capped alone. */
export const cappedIn = (wiring: Wiring): ReadonlySet<string> =>
  new Set(
    wiring.joints.flatMap(({ members: [only, ...others] }) =>
      only && others.length === 0 && 'end' in only ? [conductorKey(only.end.cable, only.end.colour)] : [],
    ),
  );

/** Cables from the panel that lie there and that nothing uses, or of which a hot is not used: live until somebody takes them off. */
export const leftLive = (wiring: Wiring, { stock }: Pick<Parts, 'stock'>, compiled: Compiled): LeftLive[] => {
  const byNet = circuitsByNet(compiled);
  const capped = cappedIn(wiring);
  return wiring.cables
    .filter((cable) => cable.existing && cable.from === PANEL)
    .flatMap((cable): LeftLive[] => {
      const { insulated } = articleOf(stock, 'cable', cable.article);
      const keyOf = (colour: (typeof insulated)[number]) => conductorKey(cable.id, colour);
      const hots = insulated.filter((colour) => !isNeutralColour(colour) && capped.has(keyOf(colour)));
      const breakers = new Set(
        hots.flatMap((colour) => [...(byNet[compiled.netOf(keyOf(colour)) ?? -1] ?? [])]),
      );
      const whole = insulated.every((colour) => capped.has(keyOf(colour)));
      return [...breakers].map((breaker) => ({ cable, box: cable.to, breaker, whole }));
    });
};
