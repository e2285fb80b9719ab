import type { Spot } from '@amber/core';

/** Where a pointer is in a drawing, in the drawing's own units: it may be shown smaller, with room at its sides. */
export const spotIn = (
  drawing: SVGGraphicsElement,
  { clientX, clientY }: { clientX: number; clientY: number },
): Spot => {
  const shown = drawing.getScreenCTM();
  if (!shown) return { x: 0, y: 0 };
  const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(shown.inverse());
  return { x, y };
};
