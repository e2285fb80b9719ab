/** The forms of standard metal boxes in Table 314.16(A). */
export const STANDARD_FORMS = ['round', 'square', 'device', 'masonry'] as const;
export type StandardForm = (typeof STANDARD_FORMS)[number];

/** A standard metal box of Table 314.16(A): trade size in inches, the least volume in ten-thousandths of a cubic inch (masonry: of each gang). */
export interface StandardBox {
  form: StandardForm;
  width: number;
  height: number;
  depth: number;
  volume: number;
}

const rows = (
  form: StandardForm,
  height: number,
  width: number,
  ...sizes: readonly (readonly [depth: number, volume: number])[]
): StandardBox[] =>
  sizes.map(([depth, volume]) => ({ form, width, height, depth, volume: Math.round(volume * 10_000) }));

export const STANDARD_BOXES: readonly StandardBox[] = [
  ...rows('round', 4, 4, [1.25, 12.5], [1.5, 15.5], [2.125, 21.5]),
  ...rows('square', 4, 4, [1.25, 18], [1.5, 21], [2.125, 30.3]),
  ...rows('square', 4.6875, 4.6875, [1.25, 25.5], [1.5, 29.5], [2.125, 42]),
  ...rows('device', 3, 2, [1.5, 7.5], [2, 10], [2.25, 10.5], [2.5, 12.5], [2.75, 14], [3.5, 18]),
  ...rows('device', 4, 2.125, [1.5, 10.3], [1.875, 13], [2.125, 14.5]),
  ...rows('masonry', 3.75, 2, [2.5, 14], [3.5, 21]),
];

/** A box measured inside is taken for a standard one that differs by no more than this, inches. */
const NEAR = 3 / 16;

/**
 * The standard metal box that one measured inside may be counted as, by form and its width, height and depth in inches, whichever way it is
 * turned; of two as near the smaller, and of depths the one that it surely has. Null where it is near none: then its volume is not known.
 * Source: Table 314.16(A); a nonmetallic box is counted by its marking alone.
 */
export const standardBoxOf = (
  form: StandardForm,
  { width, height, depth }: Pick<StandardBox, 'width' | 'height' | 'depth'>,
): StandardBox | null => {
  const [short, long] = [Math.min(width, height), Math.max(width, height)];
  const near = STANDARD_BOXES.filter(
    (one) =>
      one.form === form &&
      Math.abs(one.width - short) <= NEAR &&
      Math.abs(one.height - long) <= NEAR &&
      Math.abs(one.depth - depth) <= NEAR,
  );
  return near.reduce<StandardBox | null>(
    (least, one) => (least === null || one.volume < least.volume ? one : least),
    null,
  );
};
