/** How wide the signs of the face are, from the space to the tilde, in thousandths of its size. */
const WIDE = [
  286, 360, 414, 754, 572, 855, 702, 247, 351, 351, 450, 754, 286, 325, 286, 303, 572, 572, 572, 572, 572,
  572, 572, 572, 572, 572, 303, 303, 754, 754, 754, 478, 900, 615, 617, 628, 693, 568, 518, 697, 677, 265,
  265, 590, 501, 776, 673, 708, 542, 708, 625, 571, 549, 659, 615, 890, 616, 549, 616, 351, 303, 351, 754,
  450, 450, 551, 571, 495, 571, 554, 316, 571, 570, 250, 250, 521, 250, 876, 570, 550, 571, 571, 370, 469,
  353, 570, 532, 736, 532, 532, 472, 572, 303, 572, 754,
];
/** Of any other sign: as wide as the widest of these. */
const OTHER = 900;
/** How far its lines stand apart, of its size, before they are set wider or closer. */
const LINE = 1.164;

/** Of a packet, where nothing else is said. */
export const LINE_HEIGHT = 1.12;

const widthOf = (word: string, size: number): number =>
  ([...word].reduce((sum, sign) => sum + (WIDE[(sign.codePointAt(0) ?? 0) - 32] ?? OTHER), 0) * size) / 1000;

/** How high a text stands that is wrapped at a width, points; its words are of one size or more, its lines so many times as far apart. */
export const heightOfText = (
  runs: readonly { text: string; size: number }[],
  width: number,
  lineHeight = LINE_HEIGHT,
): number => {
  let [lines, at] = [1, 0];
  for (const { text, size } of runs)
    for (const word of text.split(/\s+/)) {
      const wide = widthOf(word, size);
      if (at > 0 && at + wide > width) [lines, at] = [lines + 1, 0];
      at += wide + widthOf(' ', size);
    }
  return lines * LINE * lineHeight * Math.max(...runs.map(({ size }) => size));
};
