import { saveBlob } from '../parts/saveFile.js';

const SVG = 'http://www.w3.org/2000/svg';

/** Properties that the stylesheet decides; in a file of its own a drawing has to carry them itself. */
const CARRIED = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'opacity',
  'font-size',
  'font-weight',
  'paint-order',
];

const SAFETY =
  'Work dead, prove it dead. This plans and checks; local amendments and the authority come first.';

/** A drawing on the screen, and the name that stands over it. */
export interface Drawn {
  drawing: SVGSVGElement;
  name: string;
}

const element = (kind: string, attributes: Record<string, string | number>, words = ''): SVGElement => {
  const made = document.createElementNS(SVG, kind);
  for (const [name, value] of Object.entries(attributes)) made.setAttribute(name, String(value));
  made.textContent = words;
  return made;
};

const text = (words: string, x: number, y: number, size: number, weight: number) =>
  element('text', { x, y, 'font-size': size, 'font-weight': weight, fill: '#20262d' }, words);

/** A copy of a drawing that needs no stylesheet. */
const inlined = (drawing: SVGSVGElement): SVGSVGElement => {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const [shown, copied] = [drawing.querySelectorAll('*'), copy.querySelectorAll('*')];
  shown.forEach((from, i) => {
    const to = copied[i];
    if (!to) return;
    const look = getComputedStyle(from);
    for (const name of CARRIED) to.setAttribute(name, look.getPropertyValue(name));
    to.removeAttribute('class');
    to.removeAttribute('tabindex');
  });
  copy.removeAttribute('class');
  return copy;
};

const HEAD = 34;
const FOOT = 26;
const NAME = 24;
const GAP = 20;
/** Boxes of a run stand in so many columns. */
const COLUMNS = 3;

/** Drawings as one file that stands for itself: its colours in it, the name above, the safety line below. */
export const standalone = (
  drawn: readonly Drawn[],
  title: string,
): { svg: string; width: number; height: number } => {
  const whole = element('svg', {
    xmlns: SVG,
    'font-family': 'Archivo, Arial, sans-serif',
  });
  let [x, y, tallest, width] = [0, HEAD, 0, 480];
  const parts = drawn.flatMap(({ drawing, name }, i) => {
    // What is looked at from nearer is saved whole.
    const size = { width: Number(drawing.dataset['width']), height: Number(drawing.dataset['height']) };
    if (i > 0 && i % COLUMNS === 0) [x, y, tallest] = [0, y + tallest + GAP, 0];
    const part = inlined(drawing);
    const frame = { x, y: y + NAME, ...size, viewBox: `0 0 ${size.width} ${size.height}` };
    for (const [key, value] of Object.entries(frame)) part.setAttribute(key, String(value));
    const label = text(name, x + 8, y + 15, 14, 700);
    x += size.width + GAP;
    tallest = Math.max(tallest, size.height + NAME);
    width = Math.max(width, x - GAP);
    return [label, part];
  });
  const height = y + tallest + FOOT;
  whole.setAttribute('viewBox', `0 0 ${width} ${height}`);
  whole.setAttribute('width', String(width));
  whole.setAttribute('height', String(height));
  whole.append(
    element('rect', { width, height, fill: '#fff' }),
    text(title, 8, 22, 16, 700),
    ...parts,
    text(SAFETY, 8, height - 9, 10, 400),
  );
  return { svg: new XMLSerializer().serializeToString(whole), width, height };
};

/** Pixels of a picture for each unit of the drawing, so that it prints sharp; fewer where it would be too large to make. */
const SHARP = 3;
const MOST_PIXELS = 40e6;

/** Saves drawings as SVG or PNG. Rejects where the browser cannot make the picture. */
export const savePicture = async (
  drawn: readonly Drawn[],
  title: string,
  kind: 'svg' | 'png',
): Promise<void> => {
  const { svg, width, height } = standalone(drawn, title);
  const name = `${title.replace(/[^\p{L}\p{N} _-]/gu, '').slice(0, 80)}.${kind}`;
  const file = new Blob([svg], { type: 'image/svg+xml' });
  if (kind === 'svg') return saveBlob(file, name);
  const url = URL.createObjectURL(file);
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const sharp = Math.min(SHARP, Math.sqrt(MOST_PIXELS / (width * height)));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(width * sharp);
    canvas.height = Math.round(height * sharp);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    const png = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (!png) throw new Error('The browser cannot make a picture of this size.');
    saveBlob(png, name);
  } finally {
    URL.revokeObjectURL(url);
  }
};
