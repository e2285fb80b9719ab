import { boxesOfCircuit, extentOf, PANEL, type Circuit, type Job, type Spot } from '@amber/core';
import type { Size } from '../parts/useSize.js';

/** How a plan is seen: the point at the upper left of the picture, inches, and pixels for each inch. */
export interface View {
  x: number;
  y: number;
  scale: number;
}

export const toPixel = ({ x, y, scale }: View, spot: Spot): Spot => ({
  x: (spot.x - x) * scale,
  y: (spot.y - y) * scale,
});

export const toPlan = ({ x, y, scale }: View, pixel: Spot): Spot => ({
  x: x + pixel.x / scale,
  y: y + pixel.y / scale,
});

const SCALES = { least: 0.15, most: 12 } as const;

/** Zoomed by a factor, with one pixel of the picture staying where it is. */
export const zoomed = (view: View, factor: number, at: Spot): View => {
  const scale = Math.max(SCALES.least, Math.min(SCALES.most, view.scale * factor));
  const fixed = toPlan(view, at);
  return { x: fixed.x - at.x / scale, y: fixed.y - at.y / scale, scale };
};

/** Boxes that a circuit reaches or may be fed at. */
export const boxesOf = (job: Job, circuit: Circuit['id']): Set<string> =>
  new Set([
    ...boxesOfCircuit(job, circuit),
    ...job.feeds.filter((feed) => feed.circuit === circuit).map((feed) => feed.at),
  ]);

/** Everything of a job that has a place on the plan; of one circuit, where that has any. */
const spotsOf = (job: Job, circuit: Circuit | null, withPanel: boolean): Spot[] => {
  const mine = circuit ? boxesOf(job, circuit.id) : null;
  const boxes = job.boxes.filter((box) => box.at && (!mine || mine.has(box.id)));
  if (mine && boxes.length === 0) return spotsOf(job, null, withPanel);
  const rooms = job.rooms.filter(
    (room) =>
      !mine ||
      boxes.some((box) => box.room === room.id) ||
      job.groups.some((group) => group.circuit === circuit?.id && group.room === room.id),
  );
  const fromPanel =
    !circuit || (withPanel && job.feeds.some((feed) => feed.circuit === circuit.id && feed.at === PANEL));
  return [
    ...rooms.flatMap((room) => room.outline ?? []),
    ...boxes.flatMap((box) => box.at ?? []),
    ...(fromPanel && job.routing.panel ? [job.routing.panel.at] : []),
  ];
};

/** Pixels around the plan for names and handles. */
const MARGIN = { x: 136, y: 84 };
/** What an empty plan shows, inches. */
const EMPTY = { least: { x: -24, y: -24 }, most: { x: 264, y: 192 } };

/** The whole plan in the middle of the picture, or the part of it that one circuit takes, with the way to the panel or without. */
export const fitted = (
  job: Job,
  circuit: Circuit | null,
  withPanel: boolean,
  { width, height: whole }: Size,
  /** Pixels at the lower edge that something else lies on. */
  below = 0,
): View => {
  const height = whole - below;
  const { least, most } = extentOf(spotsOf(job, circuit, withPanel)) ?? EMPTY;
  const margin = { x: Math.min(MARGIN.x, width / 6), y: Math.min(MARGIN.y, height / 8) };
  const scale = Math.max(
    SCALES.least,
    Math.min(
      4,
      (width - 2 * margin.x) / Math.max(12, most.x - least.x),
      (height - 2 * margin.y) / Math.max(12, most.y - least.y),
    ),
  );
  return {
    x: (least.x + most.x - width / scale) / 2,
    y: (least.y + most.y - height / scale) / 2,
    scale,
  };
};
