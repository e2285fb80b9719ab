import type { Content, TableCell } from 'pdfmake/interfaces.js';

/** A head of a section; each begins a page of its own. */
export const head = (text: string, first = false): Content => ({
  ...{ text, fontSize: 17, bold: true, margin: [0, 0, 0, 8] },
  pageBreak: first ? undefined : 'before',
});

export const subhead = (text: string): Content => ({
  text,
  fontSize: 11,
  bold: true,
  margin: [0, 5, 0, 2],
});

export const paragraph = (text: string, more: { bold?: boolean; fontSize?: number } = {}): Content => ({
  ...{ text, margin: [0, 0, 0, 4] },
  ...more,
});

/** Points: a square with the space behind it; small print below what is ticked, and behind it. */
export const TICK = 14;
export const SMALL = 7.5;
export const BEHIND = 7;

/** A small open square, to be ticked by hand; made anew each time, as a set document marks its parts. */
export const tick = (): Content & { width: number } => ({
  canvas: [{ type: 'rect', x: 0, y: 1, w: 8.5, h: 8.5, lineWidth: 0.9, lineColor: '#000' }],
  width: TICK,
});

/** A line that is ticked by hand, with what belongs to it below, and in small print behind it. */
export const ticked = (text: string, small = '', behind = '', fontSize = 9): Content => ({
  // A square never stands alone at the foot of a page.
  unbreakable: true,
  columnGap: 0,
  columns: [
    tick(),
    {
      stack: [
        {
          text: behind === '' ? text : [text, { text: `  ${behind}`, fontSize: BEHIND, color: '#444' }],
          fontSize,
        },
        ...(small === '' ? [] : [{ text: small, fontSize: SMALL, color: '#444' }]),
      ],
      width: '*',
    },
  ],
  margin: [0, 0, 0, 3],
});

/** A table with a ruled head that is repeated on each page; a number stands at the right of its column. */
export const table = (
  heads: readonly string[],
  rows: readonly (readonly (string | number | Content)[])[],
  widths: readonly (string | number)[],
): Content => ({
  table: {
    headerRows: 1,
    dontBreakRows: true,
    widths: [...widths],
    body: [
      heads.map((text): TableCell => ({ text, bold: true, fontSize: 8 })),
      ...rows.map((row) =>
        row.map((cell): TableCell =>
          typeof cell === 'number'
            ? { text: String(cell), alignment: 'right', fontSize: 8.5 }
            : typeof cell === 'string'
              ? { text: cell, fontSize: 8.5 }
              : (cell as TableCell),
        ),
      ),
    ],
  },
  layout: {
    hLineWidth: (i) => (i === 1 ? 1.2 : 0.4),
    vLineWidth: () => 0,
    hLineColor: () => '#000',
    paddingLeft: () => 2,
    paddingRight: () => 4,
    paddingTop: () => 2,
    paddingBottom: () => 2,
  },
  margin: [0, 0, 0, 6],
});

/** A picture as wide as it may be, and no higher. */
export const drawn = (
  { svg, width, height }: { svg: string; width: number; height: number },
  most: { width: number; height: number },
): Content => {
  const scale = Math.min(most.width / width, most.height / height, 1);
  return { svg, width: width * scale, height: height * scale, alignment: 'center', margin: [0, 2, 0, 6] };
};
