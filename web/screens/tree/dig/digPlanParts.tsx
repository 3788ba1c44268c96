'use client';

import type { PlanSquare } from '@undrel/core/photogrammetry';
import { useRef } from 'react';
import type { DigReading } from '@undrel/core/roots';
import { fittingView, type PlanView } from '../../../drawings/digPlan';
import type { Point } from '../../../drawings/shapes';

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
