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

const text = (words: string, x: number, y: number, size: number, weight: number) => {
  const node = document.createElementNS('http://www.w3.org/2000/svg', 'text');
  node.setAttribute('x', String(x));
  node.setAttribute('y', String(y));
  node.setAttribute('font-size', String(size));
  node.setAttribute('font-weight', String(weight));
  node.setAttribute('fill', '#20262d');
  node.textContent = words;
  return node;
};

/** A drawing as a file that stands for itself: its colours in it, the name above, the safety line below. */
export const standalone = (
  drawing: SVGSVGElement,
  title: string,
): { svg: string; width: number; height: number } => {
  const { width, height } = drawing.viewBox.baseVal;
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
  const [head, foot] = [34, 26];
  const whole = height + head + foot;
  const wide = Math.max(width, 480);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('viewBox', `0 ${-head} ${wide} ${whole}`);
  copy.setAttribute('width', String(wide));
  copy.setAttribute('height', String(whole));
  copy.setAttribute('font-family', 'Archivo, Arial, sans-serif');
  copy.removeAttribute('class');
  copy.prepend(text(title, 8, -12, 16, 700));
  copy.append(text(SAFETY, 8, height + 17, 10, 400));
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  Object.entries({ x: 0, y: -head, width: wide, height: whole, fill: '#fff' }).forEach(([name, value]) =>
    ground.setAttribute(name, String(value)),
  );
  copy.prepend(ground);
  return { svg: new XMLSerializer().serializeToString(copy), width: wide, height: whole };
};

const download = (blob: Blob, name: string) => {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
};

/** Pixels of a picture for each unit of the drawing, so that it prints sharp. */
const SHARP = 3;

/** Saves a drawing as SVG or PNG. Rejects where the browser cannot make the picture. */
export const savePicture = async (
  drawing: SVGSVGElement,
  title: string,
  kind: 'svg' | 'png',
): Promise<void> => {
  const { svg, width, height } = standalone(drawing, title);
  const name = `${title.replace(/[^\p{L}\p{N} _-]/gu, '').slice(0, 80)}.${kind}`;
  const file = new Blob([svg], { type: 'image/svg+xml' });
  if (kind === 'svg') return download(file, name);
  const url = URL.createObjectURL(file);
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = width * SHARP;
    canvas.height = height * SHARP;
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    const png = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (!png) throw new Error('The browser cannot make a picture of this size.');
    download(png, name);
  } finally {
    URL.revokeObjectURL(url);
  }
};
