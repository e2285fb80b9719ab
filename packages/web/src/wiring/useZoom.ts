import { useGesture } from '@use-gesture/react';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { BoxDrawing } from '@amber/core';

interface Window {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Never nearer than this. */
const NEAREST = 6;

/** A window on a picture, `factor` nearer about a point of it; the whole of it at the furthest. */
export const nearer = (now: Window, whole: Window, factor: number, at: { x: number; y: number }): Window => {
  const width = Math.min(whole.width, Math.max(whole.width / NEAREST, now.width / factor));
  const height = (width / whole.width) * whole.height;
  const share = width / now.width;
  return within({ x: at.x - (at.x - now.x) * share, y: at.y - (at.y - now.y) * share, width, height }, whole);
};

/** The window moved so that it shows nothing outside of the picture. */
export const within = ({ x, y, width, height }: Window, whole: Window): Window => ({
  x: Math.min(Math.max(x, whole.x), whole.x + whole.width - width),
  y: Math.min(Math.max(y, whole.y), whole.y + whole.height - height),
  width,
  height,
});

/** One box looked at from nearer: by the wheel, two fingers or keys; moved by dragging it. */
export const useZoom = (drawing: BoxDrawing) => {
  const frame = useRef<HTMLDivElement>(null);
  const [moved, setMoved] = useState<Window | null>(null);
  useEffect(() => setMoved(null), [drawing.box]);
  const { width, height } = drawing;
  const whole = { x: 0, y: 0, width, height };
  const now = moved ?? whole;
  const seen = useRef({ now, whole });
  useEffect(() => {
    seen.current = { now, whole };
  });
  const pointAt = useCallback(([clientX, clientY]: readonly [number, number]) => {
    const matrix = frame.current?.querySelector<SVGSVGElement>('svg.drawing')?.getScreenCTM()?.inverse();
    const { now: view } = seen.current;
    if (!matrix) return { x: view.x + view.width / 2, y: view.y + view.height / 2 };
    return new DOMPoint(clientX, clientY).matrixTransform(matrix);
  }, []);
  const zoom = useCallback((factor: number, at?: { x: number; y: number }) => {
    const { now: view, whole: all } = seen.current;
    const next = nearer(view, all, factor, at ?? { x: view.x + view.width / 2, y: view.y + view.height / 2 });
    setMoved(next.width >= all.width ? null : next);
  }, []);
  const pan = useCallback((dx: number, dy: number) => {
    const { now: view, whole: all } = seen.current;
    if (view.width < all.width) setMoved(within({ ...view, x: view.x + dx, y: view.y + dy }, all));
  }, []);
  useGesture(
    {
      onDrag: ({ delta: [dx, dy], pinching }) => {
        const scale = frame.current?.querySelector<SVGSVGElement>('svg.drawing')?.getScreenCTM()?.a ?? 1;
        if (!pinching) pan(-dx / scale, -dy / scale);
      },
      onWheel: ({ event, delta: [, dy] }) => {
        event.preventDefault();
        zoom(Math.exp(-dy / 400), pointAt([event.clientX, event.clientY]));
      },
      onPinch: ({ origin, delta: [change], offset: [scale], event }) => {
        event.preventDefault();
        if (scale !== 0 && change !== 0) zoom(scale / (scale - change), pointAt(origin));
      },
    },
    { target: frame, eventOptions: { passive: false }, drag: { filterTaps: true } },
  );
  return {
    frame,
    /** Null for the whole picture. */
    window: moved,
    closer: () => zoom(1.35),
    further: () => zoom(1 / 1.35),
    whole: () => setMoved(null),
    pan,
  };
};
