import { useGesture } from '@use-gesture/react';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { BoxDrawing } from '@amber/core';
import { useSize } from '../parts/useSize.js';

export interface Size {
  width: number;
  height: number;
}

/** A look at a picture: pixels for each unit of it, and the point of it in the middle of the frame. */
export interface Look {
  scale: number;
  x: number;
  y: number;
}

/** So many times nearer than the whole at the most. */
const NEAREST = 6;
/** Where the whole would be smaller than this its letters cannot be read: it is then shown by its height, and moved. */
const READABLE = 0.62;

/** The scale at which the whole picture is seen. */
export const wholeScale = (frame: Size, picture: Size): number =>
  Math.min(frame.width / picture.width, frame.height / picture.height);

/** A look that shows nothing outside of the picture where that can be helped, and all of it in the middle where it fits. */
export const settled = ({ scale, x, y }: Look, frame: Size, picture: Size): Look => {
  const least = wholeScale(frame, picture);
  const now = Math.min(Math.max(scale, least), least * NEAREST);
  const along = (at: number, shown: number, all: number) =>
    shown >= all ? all / 2 : Math.min(Math.max(at, shown / 2), all - shown / 2);
  return {
    scale: now,
    x: along(x, frame.width / now, picture.width),
    y: along(y, frame.height / now, picture.height),
  };
};

/** The first look: the whole, or as high as the frame from the left where the whole could not be read. */
export const firstLook = (frame: Size, picture: Size): Look => {
  const least = wholeScale(frame, picture);
  const scale = least < READABLE ? Math.min(1, frame.height / picture.height) : least;
  return settled({ scale, x: 0, y: picture.height / 2 }, frame, picture);
};

/** `factor` nearer about a point of the picture, which stays where it is in the frame as long as the edges allow. */
export const nearer = (
  now: Look,
  factor: number,
  at: { x: number; y: number },
  frame: Size,
  picture: Size,
): Look => {
  const { scale } = settled({ ...now, scale: now.scale * factor }, frame, picture);
  const share = now.scale / scale;
  return settled(
    { scale, x: at.x - (at.x - now.x) * share, y: at.y - (at.y - now.y) * share },
    frame,
    picture,
  );
};

/** One box looked at from nearer: by the wheel, two fingers or keys; moved by dragging it. */
export const useZoom = (drawing: BoxDrawing) => {
  const ref = useRef<HTMLDivElement>(null);
  const frame = useSize(ref);
  const [moved, setMoved] = useState<Look | null>(null);
  useEffect(() => setMoved(null), [drawing.box]);
  const { width, height } = drawing;
  const look = frame && (moved ? settled(moved, frame, drawing) : firstLook(frame, drawing));
  const seen = useRef({ look, frame, drawing });
  useEffect(() => {
    seen.current = { look, frame, drawing };
  });
  const change = useCallback((to: (look: Look, frame: Size, picture: Size) => Look) => {
    const { look: now, frame: room, drawing: picture } = seen.current;
    if (now && room) setMoved(to(now, room, picture));
  }, []);
  const pointAt = useCallback(([clientX, clientY]: readonly [number, number]) => {
    const { look: now, frame: room } = seen.current;
    const rect = ref.current?.getBoundingClientRect();
    if (!now || !room || !rect) return null;
    return {
      x: now.x + (clientX - rect.left - room.width / 2) / now.scale,
      y: now.y + (clientY - rect.top - room.height / 2) / now.scale,
    };
  }, []);
  const zoom = useCallback(
    (factor: number, at: { x: number; y: number } | null = null) =>
      change((now, room, picture) => nearer(now, factor, at ?? now, room, picture)),
    [change],
  );
  /** By so many pixels of the screen. */
  const pan = useCallback(
    (dx: number, dy: number) =>
      change((now, room, picture) =>
        settled({ ...now, x: now.x + dx / now.scale, y: now.y + dy / now.scale }, room, picture),
      ),
    [change],
  );
  useGesture(
    {
      onDrag: ({ delta: [dx, dy], pinching }) => {
        if (!pinching) pan(-dx, -dy);
      },
      onWheel: ({ event, delta: [, dy] }) => {
        event.preventDefault();
        zoom(Math.exp(-dy / 400), pointAt([event.clientX, event.clientY]));
      },
      onPinch: ({ origin, delta: [by], offset: [scale], event }) => {
        event.preventDefault();
        if (scale !== 0 && by !== 0) zoom(scale / (scale - by), pointAt(origin));
      },
    },
    { target: ref, eventOptions: { passive: false }, drag: { filterTaps: true } },
  );
  const shown =
    look && frame ? { width: frame.width / look.scale, height: frame.height / look.scale } : drawing;
  const at = look ?? { x: width / 2, y: height / 2 };
  return {
    frame: ref,
    viewBox: [at.x - shown.width / 2, at.y - shown.height / 2, shown.width, shown.height]
      .map((one) => Math.round(one * 100) / 100)
      .join(' '),
    /** Is more to be seen beside it, above or below it? */
    hidden: { across: shown.width < width - 1, down: shown.height < height - 1 },
    closer: () => zoom(1.35),
    further: () => zoom(1 / 1.35),
    whole: () => change((_now, room, picture) => settled({ scale: 0, x: 0, y: 0 }, room, picture)),
    pan,
  };
};
