import { articlesOf, type Article } from '../model/articles.js';
import type { Wiring } from '../model/wiring.js';

/**
 * A wiring with a fault in it as it would look: a splice that the fault has changed is in a connector of the kind that it was made up with, one
 * that takes as many wires.
 */
export const asItLooks = (before: Wiring, after: Wiring, stock: readonly Article[]): Wiring => {
  const connectors = articlesOf(stock, 'connector');
  const old = new Map(before.joints.map((one) => [one.id, one]));
  return {
    ...after,
    joints: after.joints.map((joint) => {
      const count = joint.members.length;
      if (joint.connectors.length > 0 || count < 2) return joint;
      const was =
        old.get(joint.id)?.connectors[0] ??
        before.joints.find((one) => one.box === joint.box && one.connectors.length > 0)?.connectors[0];
      const known = connectors.find(({ id }) => id === was?.article);
      const fits = [known, ...connectors.filter(({ family }) => family === known?.family)].find(
        (one) => one && one.conductors[0] <= count && count <= one.conductors[1],
      );
      return fits
        ? {
            ...joint,
            connectors: [{ article: fits.id, members: joint.members.map((_, i) => i), jumperEnds: 0 }],
          }
        : joint;
    }),
  };
};
