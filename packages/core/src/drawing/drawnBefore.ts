import type { Article } from '../model/articles.js';
import type { BoxId } from '../model/ids.js';
import type { BoxDrawing } from './geometry.js';

/** So many states of a box are remembered: as it is, as planned, before and after an edit that is taken back. */
const KEPT = 6;
const known = new WeakMap<readonly Article[], Map<BoxId, Map<string, BoxDrawing>>>();

/**
 * The drawing of a box as it was made for the same content, else made now: a wire that moves in one box leaves all others as they are, and what
 * shows them need not look twice. `content` tells all that is drawn but what the articles of the stock say.
 */
export const drawnBefore = (
  stock: readonly Article[],
  box: BoxId,
  content: string,
  draw: () => BoxDrawing,
): BoxDrawing => {
  const ofStock = known.get(stock) ?? new Map<BoxId, Map<string, BoxDrawing>>();
  known.set(stock, ofStock);
  const ofBox = ofStock.get(box) ?? new Map<string, BoxDrawing>();
  ofStock.set(box, ofBox);
  const drawing = ofBox.get(content) ?? draw();
  // What was asked for last is forgotten last.
  ofBox.delete(content);
  ofBox.set(content, drawing);
  const [oldest] = ofBox.keys();
  if (ofBox.size > KEPT && oldest !== undefined) ofBox.delete(oldest);
  return drawing;
};
