'use client';
import { useRef, type PointerEvent } from 'react';

/** How far a line is dragged sideways for one level, in CSS px. */
const STEP = 28;

/** Dragging a line sideways changes its level, one for each step; the keys and buttons do the same (WCAG 2.5.7). */
export function useLevelDrag(onStep: (index: number, by: 1 | -1) => void) {
  const from = useRef<{ index: number; x: number } | null>(null);
  return (index: number) => ({
    onPointerDown(event: PointerEvent<HTMLElement>) {
      if (event.button !== 0) return;
      from.current = { index, x: event.clientX };
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove(event: PointerEvent<HTMLElement>) {
      if (from.current?.index !== index) return;
      const moved = event.clientX - from.current.x;
      if (Math.abs(moved) < STEP) return;
      from.current.x += Math.sign(moved) * STEP;
      onStep(index, moved > 0 ? 1 : -1);
    },
    onPointerUp() {
      from.current = null;
    },
    onPointerCancel() {
      from.current = null;
    },
  });
}
