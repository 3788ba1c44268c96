'use client';

import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { along, openedShare, type PlannedSpoke, type TrenchPlan } from '@undrel/core/trenching';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { DrawingSvg } from '../../../drawings/DrawingSvg';
import { toDrawing, toMetres } from '../../../drawings/planView';
import { trenchDrawing, trenchView } from '../../../drawings/trenchPlan';
import { useMeasured } from '../../../ui/useMeasured';
import type { Drawing, Point } from '../../../drawings/shapes';

export type Drawn = readonly [x: number, y: number];

/** Bearing of a point in metres, whole degrees. */
const bearingTo = (x: number, y: number): number =>
  (Math.round((Math.atan2(x, y) * 180) / Math.PI) + 360) % 360;

interface TrenchPlanViewProps {
  plan: TrenchPlan;
  kinds: ReadonlyMap<string, string>;
  stemRadius: number | undefined;
  selected: string | undefined;
  system: UnitSystem;
  editable: boolean;
  onSelect: (label: string | undefined) => void;
  /** A spoke is turned to another bearing, and stays there. */
  onTurn: (spoke: PlannedSpoke, bearing: number) => void;
  /** Points of something that is being drawn, m from the stem; set while drawing. */
  drawn: readonly Drawn[] | undefined;
  onDrawn: (points: readonly Drawn[]) => void;
}

/** The site with its spokes; a spoke is turned by its outer end, with the pointer or the arrow keys. */
export function TrenchPlanView(props: TrenchPlanViewProps) {
  const { plan, kinds, system, selected, editable } = props;
  const [box, size, known] = useMeasured<HTMLDivElement>({ width: 632, height: 752 });
  const view = trenchView(plan, size.width, size.height);
  const to = toDrawing({ view, ...size });
  const picture = useMemo(
    (): Drawing =>
      known
        ? trenchDrawing({ plan, kinds, stemRadius: props.stemRadius, selected, system, ...size })
        : { ...size, shapes: [] },
    [plan, kinds, props.stemRadius, selected, system, size, known],
  );
  const placeOf = (event: { clientX: number; clientY: number }) => {
    const edge = box.current!.getBoundingClientRect();
    return toMetres({ view, ...size }, [event.clientX - edge.left, event.clientY - edge.top]);
  };
  const { held, turning } = useTurning(props, (event) => bearingTo(...placeOf(event)));
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden bg-paper" data-testid="trench-plan">
      <DrawingSvg drawing={picture} title={inWords(plan, system)} />
      <svg className="absolute inset-0" width={size.width} height={size.height}>
        {plan.spokes.map((spoke) => {
          const bearing = held?.label === spoke.label ? held.bearing : spoke.bearing;
          const [ux, uy] = along(bearing);
          const [x, y] = to(spoke.to * ux, spoke.to * uy);
          const [x0, y0] = to(spoke.from * ux, spoke.from * uy);
          return (
            <g key={spoke.label}>
              {held?.label === spoke.label && (
                <line
                  x1={x0}
                  y1={y0}
                  x2={x}
                  y2={y}
                  stroke="var(--todo)"
                  strokeWidth="3"
                  strokeDasharray="4 4"
                />
              )}
              <g
                transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}
                role="button"
                tabIndex={0}
                aria-label={`Trench ${spoke.label} at ${Math.round(bearing)}°${editable ? ': arrow keys turn it' : ''}`}
                aria-pressed={selected === spoke.label}
                className={editable ? 'cursor-move touch-none' : ''}
                {...turning(spoke)}
              >
                <circle r="22" fill="transparent" />
                <circle
                  r={selected === spoke.label ? 8 : 5}
                  fill={selected === spoke.label ? 'var(--todo)' : 'var(--sheet)'}
                  stroke="var(--todo)"
                  strokeWidth="2"
                />
              </g>
            </g>
          );
        })}
      </svg>
      {props.drawn && (
        <DrawHere size={size} placeOf={placeOf} onDrawn={props.onDrawn} drawn={props.drawn} to={to} />
      )}
    </div>
  );
}

function inWords({ spokes, layout, obstacles }: TrenchPlan, system: UnitSystem): string {
  return [
    `Plan of the trenches: ${spokes.length} radial trenches open ${Math.round(100 * openedShare({ layout }))}% of the compacted soil.`,
    ...spokes.map(
      (s) =>
        `Trench ${s.label} at ${Math.round(s.bearing)}° from ${formatValue(s.from, 'long length', system)} to ${formatValue(s.to, 'long length', system)}, ended by ${s.limit}.`,
    ),
    `${obstacles.length} things to keep clear of.`,
  ].join(' ');
}

/** A spoke turned by its end: carried round, or by arrow keys. */
function useTurning(
  { editable, onSelect, onTurn }: Pick<TrenchPlanViewProps, 'editable' | 'onSelect' | 'onTurn'>,
  bearingAt: (event: PointerEvent) => number,
) {
  const [held, setHeld] = useState<{ label: string; bearing: number } | undefined>(undefined);
  const moved = useRef(false);
  const keys = (event: KeyboardEvent, spoke: PlannedSpoke) => {
    const by: Record<string, number> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 };
    const step = by[event.key];
    if (!step || !editable) return;
    event.preventDefault();
    onTurn(spoke, (Math.round(spoke.bearing) + step + 360) % 360);
  };
  const turning = (spoke: PlannedSpoke) => ({
    onFocus: () => onSelect(spoke.label),
    onKeyDown: (event: KeyboardEvent) => keys(event, spoke),
    onPointerDown: (event: PointerEvent) => {
      onSelect(spoke.label);
      if (!editable || event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      moved.current = false;
      setHeld({ label: spoke.label, bearing: spoke.bearing });
    },
    onPointerMove: (event: PointerEvent) => {
      if (held?.label !== spoke.label) return;
      moved.current = true;
      setHeld({ label: spoke.label, bearing: bearingAt(event) });
    },
    onPointerUp: () => {
      if (held && moved.current && held.bearing !== Math.round(spoke.bearing)) onTurn(spoke, held.bearing);
      setHeld(undefined);
    },
    onPointerCancel: () => setHeld(undefined),
  });
  return { held, turning };
}

/** Where something is drawn: pressed at each of its corners. */
function DrawHere({
  size,
  placeOf,
  onDrawn,
  drawn,
  to,
}: {
  size: { width: number; height: number };
  placeOf: (event: { clientX: number; clientY: number }) => [number, number];
  onDrawn: (points: readonly Drawn[]) => void;
  drawn: readonly Drawn[];
  to: (x: number, y: number) => Point;
}) {
  return (
    <svg
      className="absolute inset-0 cursor-crosshair touch-none"
      width={size.width}
      height={size.height}
      role="application"
      aria-label="Draw on the plan: press at each corner"
      data-testid="draw-here"
      onPointerDown={(event) => {
        const [x, y] = placeOf(event);
        onDrawn([...drawn, [Number(x.toFixed(2)), Number(y.toFixed(2))]]);
      }}
    >
      <polyline
        points={drawn.map(([x, y]) => to(x, y).join(',')).join(' ')}
        fill="none"
        stroke="var(--harm)"
        strokeWidth="3"
      />
      {drawn.map(([x, y], i) => {
        const [px, py] = to(x, y);
        return <circle key={i} cx={px} cy={py} r="6" fill="var(--harm)" />;
      })}
    </svg>
  );
}
