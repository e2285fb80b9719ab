import { drawBox, evaluate, lookOf, type BoxDrawing, type BoxId, type ReviewedWiring } from '@amber/core';
import { element, picture, words } from './svg.js';

type Points = BoxDrawing['wires'][number]['points'];
type Fixture = BoxDrawing['fixtures'][number];
type Pin = Fixture['pins'][number];
type Hung = Extract<Fixture['item'], { kind: 'luminaire' }>;

const INK = '#111';
const path = (points: Points): string =>
  points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('');

/** A wire with its insulation and a gap around it where it passes over another; what nobody knows is broken. */
const copper = (points: Points, colour: string, broken: boolean): string => {
  const { paint, outline } = lookOf(colour as Parameters<typeof lookOf>[0]);
  const line = (stroke: string, wide: number, dash?: string) =>
    element('path', {
      ...{ d: path(points), fill: 'none', stroke, 'stroke-width': wide },
      ...{ 'stroke-linejoin': 'round', 'stroke-dasharray': dash },
    });
  return line('#fff', 10) + line(outline, 6) + line(paint, 4, broken ? '9 5' : undefined);
};

const labelled = ({ x, y }: { x: number; y: number }, code: string): string => {
  const wide = Math.max(22, code.length * 8.4 + 3);
  return (
    element('rect', {
      ...{ x: x - wide / 2, y: y - 8, width: wide, height: 16, rx: 3 },
      ...{ fill: '#fff', stroke: INK, 'stroke-width': 0.9 },
    }) + words(x, y + 4.5, code, { size: 12, bold: true })
  );
};

const wire = (
  { points, colour, mark, band, labels, loose }: BoxDrawing['wires'][number],
  unknown: boolean,
): string => {
  const code = lookOf(colour).code;
  const marked = mark && band ? labelled({ x: band.x, y: band.y }, `${lookOf(mark).code} tape`) : '';
  return (
    copper(points, colour, unknown || loose === 'unseen') +
    marked +
    labels.map((at) => labelled(at, code)).join('')
  );
};

const lined = (lines: readonly string[], x: number, top: number, step: number, size: number): string =>
  lines
    .map((line, i) => words(x, top + i * step, line, { size: i === 0 ? size + 1 : size, bold: i === 0 }))
    .join('');

const sheath = ({ x, y, width, height, lines, edge, existing }: BoxDrawing['cables'][number]): string =>
  element('rect', {
    ...{ x, y, width, height, rx: 7, fill: '#fff', stroke: INK, 'stroke-width': 1.5 },
    'stroke-dasharray': existing ? '7 3' : undefined,
  }) +
  lined(lines, x + width / 2, edge === 'top' ? y + height - 12 - (lines.length - 1) * 14 : y + 20, 14, 12.5);

const connector = ({ x, y, width, height, lines, form }: BoxDrawing['connectors'][number]): string =>
  element('rect', {
    ...{ x, y, width, height, rx: 4, fill: '#fff', stroke: INK, 'stroke-width': 1.5 },
    'stroke-dasharray': form === 'connector' ? undefined : '6 3',
  }) +
  lines
    .map((line, i) =>
      words(x + width / 2, y + height / 2 - ((lines.length - 1) * 13) / 2 + 4 + i * 13, line, { size: 12 }),
    )
    .join('');

/** Screws have their colour in words where print has none: dark filled, brass and silver open, green barred. */
const SCREWS = { brass: '#e9d9a5', dark: '#222', silver: '#fff', green: '#7fb08e' } as const;
const SCREW_CODE = { brass: 'brass', dark: 'dark', silver: 'silver', green: 'green' } as const;

const pin = ({ x, y, part }: Pin): string => {
  const left = part.side === 'left';
  const marked = part.marked ?? (part.kind === 'screw' ? SCREW_CODE[part.colour] : null);
  const at =
    part.kind === 'screw'
      ? element('circle', { cx: x, cy: y, r: 8, fill: SCREWS[part.colour], stroke: INK, 'stroke-width': 1.3 })
      : element('rect', {
          x: x - 5,
          y: y - 5,
          width: 10,
          height: 10,
          rx: 2,
          fill: lookOf(part.colour).paint,
          stroke: INK,
        });
  return (
    at +
    (marked === null
      ? ''
      : words(x + (left ? 11 : -11), y + 4, marked, { size: 11, anchor: left ? 'start' : 'end' }))
  );
};

/** What hangs on a box by its form; what only goes on from there is no luminaire, and is drawn as none. */
const hung = (form: Hung['form'], x: number, y: number): string =>
  form === 'onward'
    ? words(x, y + 4, 'goes on', { size: 12, bold: true })
    : element('circle', { cx: x, cy: y, r: 16, fill: 'none', stroke: INK, 'stroke-width': 1.6 }) +
      element('path', {
        d: `M${x - 11} ${y - 11}l22 22m0 -22l-22 22`,
        ...{ stroke: INK, 'stroke-width': 1.6, fill: 'none' },
      }) +
      (form === 'fan' ? words(x, y + 32, 'fan', { size: 11, bold: true }) : '');

const fixture = ({ x, y, width, height, title, pins, item }: Fixture): string => {
  const middle = x + width / 2;
  const body =
    item.kind === 'device'
      ? element('rect', {
          x: middle - 14,
          y: y - 6,
          width: 28,
          height: height + 12,
          rx: 5,
          fill: '#ddd',
          stroke: INK,
        }) +
        element('rect', { x, y, width, height, rx: 8, fill: '#fff', stroke: INK, 'stroke-width': 1.8 }) +
        (item.article.letter === null
          ? ''
          : element('rect', {
              x: middle - 21,
              y: y + height * 0.46 - 25,
              width: 42,
              height: 50,
              rx: 4,
              fill: '#eee',
              stroke: INK,
            }) + words(middle, y + height * 0.46 + 4, item.article.letter, { size: 13, bold: true }))
      : element('rect', { x, y, width, height, rx: 10, fill: '#fff', stroke: INK, 'stroke-width': 1.8 }) +
        hung(item.form, middle, y + height / 2);
  return (
    title
      .map((line, i) => words(middle, y - 11 - (title.length - 1 - i) * 14, line, { size: 13, bold: true }))
      .join('') +
    body +
    pins.map(pin).join('')
  );
};

/** The green screw of a metal box, told by its word. */
const boxScrew = (x: number, y: number): string =>
  element('circle', { cx: x, cy: y, r: 7, fill: '#fff', stroke: INK, 'stroke-width': 1.6 }) +
  element('path', { d: `M${x - 4} ${y}h8m-4 -4v8`, stroke: INK, 'stroke-width': 1.2, fill: 'none' }) +
  words(x + 12, y + 4, 'green, of the box', { size: 11, anchor: 'start' });

/** A box opened up as it is seen from the front, for print: colours by letters, screws by words, nothing told by colour alone. */
export const boxPicture = (
  { job, wiring, compiled, drawn }: ReviewedWiring,
  id: BoxId,
): { svg: string; width: number; height: number; unknown: boolean } => {
  const drawing = drawBox(job, wiring, id, { compiled: drawn });
  const { x, y, width, height, form } = drawing.enclosure;
  const bond = drawing.bond;
  // What is only assumed of an old box is told to nobody as known.
  const { nets } = evaluate(compiled, {});
  const isUnknown = (key: string): boolean => (nets[compiled.netOf(key) ?? -1] ?? 'unknown') === 'unknown';
  const inside =
    element('rect', {
      ...{ x, y, width, height, rx: form === 'round' ? Math.min(80, width / 2, height / 2) : 12 },
      ...{ fill: 'none', stroke: INK, 'stroke-width': 2.5 },
    }) +
    (bond ? boxScrew(bond.x + bond.width / 2 - 8, bond.y + bond.height / 2) : '') +
    drawing.jumpers.map(({ points, colour, key }) => copper(points, colour, isUnknown(key))).join('') +
    drawing.wires.map((one) => wire(one, isUnknown(one.key))).join('') +
    drawing.cables.map(sheath).join('') +
    drawing.connectors.map(connector).join('') +
    drawing.fixtures.map(fixture).join('');
  return {
    svg: picture(drawing.width, drawing.height, inside),
    ...{ width: drawing.width, height: drawing.height },
    unknown: drawing.wires.some(({ key }) => isUnknown(key)),
  };
};
