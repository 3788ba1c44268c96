'use client';

import type { PlanSquare } from '@undrel/core/photogrammetry';
import { useRef } from 'react';
import type { DigReading } from '@undrel/core/roots';
import { fittingView } from '../../../drawings/digPlan';
import type { PlanView } from '../../../drawings/planView';
import type { Point } from '../../../drawings/shapes';

/** How much nearer or farther one press of a key or button is. */
export const ZOOM_STEP = 1.25;

/** The view that shows all; it stays while roots are shaped, and follows when one is added or the window changes. */
export function useFit(reading: DigReading, size: { width: number; height: number }): PlanView {
  const key = `${reading.roots.length} ${size.width} ${size.height}`;
  const kept = useRef<{ key: string; view: PlanView } | undefined>(undefined);
  if (kept.current?.key !== key) kept.current = { key, view: fittingView(reading, size.width, size.height) };
  return kept.current.view;
}

/** A picture under the plan: where it lies, and how strong it is. */
export interface PictureBeneath {
  href: string;
  square: PlanSquare;
  strength: number;
}

/** A picture at true scale beneath the plan; the plan is moved over it without its being drawn anew. */
export function Beneath({
  under: { href, square, strength },
  to,
  scale,
  size,
}: {
  under: PictureBeneath;
  to: (x: number, y: number) => Point;
  scale: number;
  size: { width: number; height: number };
}) {
  const [left, top] = to(square.x - square.half, square.y + square.half);
  const side = 2 * square.half * scale;
  return (
    <svg className="absolute inset-0" width={size.width} height={size.height} aria-hidden="true">
      <image href={href} x={left} y={top} width={side} height={side} opacity={strength} />
    </svg>
  );
}

/** Looked at nearer, farther, or whole. */
export function ZoomButtons({ onZoom, onAll }: { onZoom: (by: number) => void; onAll: () => void }) {
  const acts = [
    ['+', 'Zoom in', () => onZoom(ZOOM_STEP)],
    ['−', 'Zoom out', () => onZoom(1 / ZOOM_STEP)],
    ['○', 'Show all', onAll],
  ] as const;
  return (
    <div className="absolute left-2 top-2 flex flex-col" role="group" aria-label="Zoom">
      {acts.map(([sign, label, act]) => (
        <button
          key={label}
          type="button"
          aria-label={label}
          onClick={act}
          className="w-12 h-12 -mt-px border border-ink bg-sheet text-xl leading-none"
        >
          {sign}
        </button>
      ))}
    </div>
  );
}

/** The middle of the plan, where Enter sets a point while a root is drawn by keys. */
export function MiddleCross({ size }: { size: { width: number; height: number } }) {
  return (
    <svg
      aria-hidden="true"
      className="absolute pointer-events-none"
      style={{ left: size.width / 2 - 14, top: size.height / 2 - 14 }}
      width={28}
      height={28}
    >
      <path d="M14 0V28M0 14H28" stroke="var(--paper)" strokeWidth={5} />
      <path d="M14 0V28M0 14H28" stroke="var(--todo)" strokeWidth={2} />
    </svg>
  );
}
