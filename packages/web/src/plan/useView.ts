import { useGesture } from '@use-gesture/react';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Circuit, Job, Spot } from '@amber/core';
import { useSize } from '../parts/useSize.js';
import { fitted, toPixel, toPlan, zoomed, type View } from './view.js';

/**
 * Pan by dragging the ground, zoom by wheel or two fingers. The whole plan is shown until somebody moves it, and again when
 * it is asked for.
 */
export const useView = (
  job: Job,
  circuit: Circuit | null,
  withPanel: boolean,
  onTap: (spot: Spot) => void,
  /** What a drag over the ground draws, from one spot to another; null where it moves the plan. */
  onDraw: ((from: Spot, to: Spot, isDone: boolean) => void) | null = null,
  /** Pixels at the lower edge that something else lies on. */
  below = 0,
) => {
  const ref = useRef<SVGSVGElement>(null);
  const size = useSize(ref);
  const [moved, setMoved] = useState<View | null>(null);
  /** All of the plan was asked for, and not the part that the circuit takes. */
  const [whole, setWhole] = useState(false);
  const view = moved ?? (size ? fitted(job, whole ? null : circuit, withPanel, size, below) : null);
  const circuitId = circuit?.id;
  useEffect(() => {
    setMoved(null);
    setWhole(false);
  }, [circuitId]);
  const seen = useRef(view);
  useEffect(() => {
    seen.current = view;
  }, [view]);
  const pixelAt = useCallback(([clientX, clientY]: readonly [number, number]): Spot => {
    const rect = ref.current?.getBoundingClientRect();
    return { x: clientX - (rect?.left ?? 0), y: clientY - (rect?.top ?? 0) };
  }, []);
  const zoom = useCallback((factor: number, at: Spot) => {
    if (seen.current) setMoved(zoomed(seen.current, factor, at));
  }, []);
  useGesture(
    {
      onDrag: ({ event, delta: [dx, dy], tap, xy, initial, last, canceled, pinching, cancel }) => {
        // What stands on the ground looks after itself.
        if (!(event.target instanceof Element) || event.target.closest('[data-item]')) return cancel();
        const now = seen.current;
        // What was being drawn with one finger is given up for the second.
        if (onDraw && now && (pinching || canceled))
          onDraw(toPlan(now, pixelAt(xy)), toPlan(now, pixelAt(xy)), true);
        if (pinching || !now) return;
        if (tap) onTap(toPlan(now, pixelAt(xy)));
        else if (onDraw && !canceled) onDraw(toPlan(now, pixelAt(initial)), toPlan(now, pixelAt(xy)), last);
        else setMoved({ ...now, x: now.x - dx / now.scale, y: now.y - dy / now.scale });
      },
      onWheel: ({ event, delta: [, dy] }) => {
        event.preventDefault();
        zoom(Math.exp(-dy / 400), pixelAt([event.clientX, event.clientY]));
      },
      onPinch: ({ origin, delta: [change], offset: [scale], event }) => {
        event.preventDefault();
        if (scale !== 0 && change !== 0) zoom(scale / (scale - change), pixelAt(origin));
      },
    },
    {
      target: ref,
      eventOptions: { passive: false },
      drag: { filterTaps: true },
      pinch: { preventDefault: true },
    },
  );
  /** A part of the plan that is seen, with a margin: its upper left corner and its width, inches. */
  const frame = useCallback((): { at: Spot; wide: number } => {
    const now = seen.current;
    const wide = (ref.current?.clientWidth ?? 0) / (now?.scale ?? 1);
    return { at: { x: (now?.x ?? 0) + wide / 8, y: (now?.y ?? 0) + wide / 10 }, wide: (wide * 3) / 4 };
  }, []);
  const middle = { x: (size?.width ?? 0) / 2, y: (size?.height ?? 0) / 2 };
  return {
    ref,
    view,
    size,
    /** Where a pointer is on the plan. */
    spotAt: (xy: readonly [number, number]): Spot | null => (view ? toPlan(view, pixelAt(xy)) : null),
    frame,
    closer: () => zoom(1.3, middle),
    further: () => zoom(1 / 1.3, middle),
    fit: () => {
      setWhole(true);
      setMoved(null);
    },
    /** Shows a spot, with all of the plan around it where it is not seen. */
    follow: (spot: Spot) => {
      if (!view || !size) return;
      const { x, y } = toPixel(view, spot);
      if (x > 0 && y > 0 && x < size.width && y < size.height) return;
      setWhole(true);
      setMoved(null);
    },
  };
};
