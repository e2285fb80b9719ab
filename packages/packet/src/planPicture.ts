import { findBox, PANEL, type Box, type Job, type Wiring } from '@amber/core';
import { createSpots, type Patch } from './freeSpots.js';
import { element, grounded, picture, words } from './svg.js';

interface Spot {
  x: number;
  y: number;
}

const WIDE = 720;
const MARGIN = 40;

/** Boxes whose marks tell what they are: a switch box by its letter S, a luminaire by a crossed circle, else a square. */
const mark = (job: Job, box: Box, { x, y }: Spot): string => {
  const slots = job.slots.filter((slot) => slot.box === box.id);
  const letter = slots.some(({ role }) => role !== 'receptacle') ? 'S' : slots.length > 0 ? 'R' : null;
  const isLight = job.luminaires.some((one) => one.box === box.id && one.unit !== 'onward');
  const open = { fill: '#fff', stroke: '#000', 'stroke-width': 1.3 };
  if (letter !== null)
    return (
      element('circle', { cx: x, cy: y, r: 6.5, ...open }) +
      words(x, y + 3.5, letter, { size: 9, bold: true })
    );
  if (isLight)
    return (
      element('circle', { cx: x, cy: y, r: 6.5, ...open }) +
      element('path', { d: `M${x - 4.5} ${y - 4.5}l9 9m0 -9l-9 9`, ...open })
    );
  return element('rect', { x: x - 5, y: y - 5, width: 10, height: 10, ...open });
};

const outlined = ({ outline }: Job['rooms'][number], at: (spot: Spot) => Spot): string =>
  outline
    ? element('path', {
        d: `${outline
          .map(at)
          .map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`)
          .join('')}Z`,
        ...{ fill: 'none', stroke: '#000', 'stroke-width': 2.2 },
      })
    : '';

/** Where the name of a room may stand: along its lower wall, else its upper one. */
const nameSpots = (outline: readonly Spot[], wide: number): Patch[] => {
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)];
  const [left, right] = [Math.min(...xs) + wide + 4, Math.max(...xs) - wide - 4];
  return [Math.max(...ys) - 10, Math.min(...ys) + 11].flatMap((y) =>
    [(left + right) / 2, left, right].map((x) => ({ x, y, wide, high: 7 })),
  );
};

const dashed = (from: Spot, to: Spot): string =>
  element('path', {
    d: `M${from.x} ${from.y}L${to.x} ${to.y}`,
    ...{ stroke: '#000', 'stroke-width': 1, 'stroke-dasharray': '5 3', fill: 'none' },
  });

/** The number of a cable in a ring. */
const ring = ({ x, y }: Spot, number: number): string =>
  element('circle', { cx: x, cy: y, r: 7, fill: '#fff', stroke: '#000', 'stroke-width': 1 }) +
  words(x, y + 3, String(number), { size: 8.5, bold: true });

/** Size of the names of boxes. */
const NAME = 7.5;

/** One floor, as a job that holds nothing of the others, with its rooms, boxes and new runs, each run with the number of its cable; null where nothing of it is measured. */
export const planPicture = (
  floor: Job,
  wiring: Wiring,
  numbers: ReadonlyMap<string, number>,
): { svg: string; width: number; height: number } | null => {
  const { rooms } = floor;
  const boxes = floor.boxes.filter(({ at }) => at !== null);
  const panel = floor.routing.panel?.at ?? null;
  const known: Spot[] = [
    ...rooms.flatMap(({ outline }) => outline ?? []),
    ...boxes.flatMap(({ at }) => at ?? []),
    ...(panel ? [panel] : []),
  ];
  if (known.length === 0) return null;
  const [xs, ys] = [known.map(({ x }) => x), known.map(({ y }) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const scale = Math.min(
    (WIDE - 2 * MARGIN) / Math.max(1, Math.max(...xs) - left),
    640 / Math.max(1, Math.max(...ys) - top),
  );
  const at = ({ x, y }: Spot): Spot => ({ x: MARGIN + (x - left) * scale, y: MARGIN + (y - top) * scale });
  const height = 2 * MARGIN + (Math.max(...ys) - top) * scale;
  const placeOf = (place: string): Spot | null => {
    if (place === PANEL) return panel && at(panel);
    const box = findBox(floor, place);
    return box?.at && boxes.includes(box) ? at(box.at) : null;
  };
  const runs = wiring.cables.flatMap((cable) => {
    const [a, b] = [placeOf(cable.from), placeOf(cable.to)];
    if (cable.existing || (!a && !b)) return [];
    // What leads to another floor leaves upward.
    const [from, to] = [
      a ?? { x: (b?.x ?? 0) + 14, y: (b?.y ?? 0) - 30 },
      b ?? { x: (a?.x ?? 0) + 14, y: (a?.y ?? 0) - 30 },
    ];
    return [{ number: numbers.get(cable.id) ?? 0, from, to }];
  });
  const spots = createSpots();
  for (const box of boxes) if (box.at) spots.take({ ...at(box.at), wide: 7, high: 7 });
  if (panel) spots.take({ ...at(panel), wide: 9, high: 6 });
  const rings = runs.map(({ number, from, to }) => {
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
    const aside = { x: -(to.y - from.y) / length, y: (to.x - from.x) / length };
    const along = [0, 14, -14].flatMap((off) =>
      [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8].map((share) => ({
        x: from.x + (to.x - from.x) * share + aside.x * off,
        y: from.y + (to.y - from.y) * share + aside.y * off,
        ...{ wide: 7.5, high: 7.5 },
      })),
    );
    const spot = spots.place(along) ?? from;
    return ring(spot, number);
  });
  const titles = rooms.map(({ outline, name }) => {
    const spot = outline && spots.place(nameSpots(outline.map(at), name.length * 3));
    return spot ? words(spot.x, spot.y + 3.5, name, { size: 10, fill: '#555' }) : '';
  });
  const names = [
    ...boxes.flatMap((box) => (box.at ? [{ spot: at(box.at), name: box.name }] : [])),
    ...(panel ? [{ spot: at(panel), name: 'panel' }] : []),
  ].map(({ spot: { x, y }, name }) => {
    const wide = (name.length * NAME * 0.56 + 3) / 2;
    const spot = spots.place(
      [
        { x, y: y + 13 },
        { x, y: y - 12 },
        { x: x + wide + 9, y },
        { x: x - wide - 9, y },
        { x: x + wide, y: y + 14 },
        { x: x - wide, y: y + 14 },
        { x: x + wide, y: y - 14 },
        { x: x - wide, y: y - 14 },
      ].map((one) => ({ ...one, wide, high: NAME * 0.6 })),
    );
    return spot === null ? '' : grounded(spot.x, spot.y + NAME * 0.35, name, { size: NAME });
  });
  const inside =
    rooms.map((room) => outlined(room, at)).join('') +
    titles.join('') +
    runs.map(({ from, to }) => dashed(from, to)).join('') +
    boxes.map((box) => (box.at ? mark(floor, box, at(box.at)) : '')).join('') +
    (panel
      ? element('rect', { x: at(panel).x - 8, y: at(panel).y - 5, width: 16, height: 10, fill: '#000' })
      : '') +
    names.join('') +
    rings.join('');
  return { svg: picture(WIDE, height, inside), width: WIDE, height };
};
