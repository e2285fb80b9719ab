import { articlesOf } from '../../model/articles.js';
import type { Wiring } from '../../model/wiring.js';
import { done, refused, type Edited, type EditParts, type WiringEdit } from './edit.js';
import { boxIs, bringIn, cableIs, fit, lead, luminaireIs, remove, takeOut } from './fittings.js';
import { loopGround, mark, put, tail, takeTail } from './wires.js';

type Of<K extends WiringEdit['do']> = Extract<WiringEdit, { do: K }>;

const connectors = (wiring: Wiring, edit: Of<'connectors'>, parts: EditParts): Edited => {
  const joint = wiring.joints.find((one) => one.id === edit.joint);
  if (!joint) return refused({ why: 'notThere', what: 'splice' });
  const stock = articlesOf(parts.stock, 'connector');
  const known = edit.connectors.every(
    ({ article, members }) =>
      stock.some(({ id }) => id === article) && members.every((index) => index < joint.members.length),
  );
  if (!known) return refused({ why: 'notThere', what: 'article' });
  return done({
    ...wiring,
    joints: wiring.joints.map((one) => (one === joint ? { ...one, connectors: edit.connectors } : one)),
  });
};

type Editor<K extends WiringEdit['do']> = (wiring: Wiring, edit: Of<K>, parts: EditParts) => Edited;

const EDITORS: { [K in WiringEdit['do']]: Editor<K> } = {
  ...{ put, loopGround, tail, takeTail, mark },
  ...{ bringIn, takeOut, lead, cableIs, fit, remove, boxIs, luminaireIs, connectors },
};

/**
 * One thing about a wiring told otherwise, or why it cannot be. Gives a new wiring; the one that was given stays as it is, so to take an
 * edit back is to have kept it. Articles and luminaires are those of `parts`.
 */
export const editWiring = (wiring: Wiring, edit: WiringEdit, parts: EditParts): Edited =>
  (EDITORS[edit.do] as Editor<WiringEdit['do']>)(wiring, edit, parts);
