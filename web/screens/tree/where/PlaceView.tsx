'use client';

import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Site, Tree } from '@undrel/core/records';
import { longMark, writeLengths, type UnitSystem } from '@undrel/core/units';
import { planFrame, type PlanFrame } from '../../../drawings/plan';
import { shortLabels } from '../../../drawings/shortLabels';
import { ScaleBarSvg } from '../../../drawings/ScaleBarSvg';
import { useMeasured } from '../../../ui/useMeasured';

const HEIGHT = 240;
/** A mark nearer to the edge than this has no room for its label, px. */
const EDGE = 16;
/** About the tree at least, m. */
const ABOUT = 8;
const STEPS: Record<string, [number, number]> = {
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
};
const toTenth = (metres: number) => Math.round(metres * 10) / 10;

/** A tree on its plan with what lies and stands about it; the ring holds it in 95 of 100. Its mark is dragged, by thumb too. */
export function PlaceView(props: {
  label: string;
  position: NonNullable<Tree['position']>;
  site: Site;
  system: UnitSystem;
  onMove?: (x: number, y: number, byKey: boolean) => void;
}) {
  const { position, site, onMove } = props;
  const [ref, size] = useMeasured<HTMLDivElement>({ width: 420, height: HEIGHT });
  const svg = useRef<SVGSVGElement>(null);
  const [dragged, setDragged] = useState<[number, number] | undefined>(undefined);
  const frame = useMemo(() => {
    const about = Math.max(ABOUT, 1.2 * (position.error ?? 0));
    const corners = [-about, about].flatMap((d): [number, number][] => [
      [position.x + d, position.y],
      [position.x, position.y + d],
    ]);
    return planFrame(corners, { width: size.width, height: HEIGHT }, props.system);
  }, [position.x, position.y, position.error, size.width, props.system]);
  const { short } = useMemo(() => shortLabels(site.others.map((o) => o.label)), [site.others]);
  const [x, y] = dragged ?? [position.x, position.y];
  const carry = (event: PointerEvent<SVGGElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const box = svg.current!.getBoundingClientRect();
    const [east, north] = frame.toMetres(event.clientX - box.left, event.clientY - box.top);
    setDragged([toTenth(east), toTenth(north)]);
  };
  const drop = () => {
    if (dragged) onMove?.(...dragged, false);
    setDragged(undefined);
  };
  const step = (event: KeyboardEvent) => {
    const by = STEPS[event.key];
    if (!by || !onMove) return;
    event.preventDefault();
    const far = event.shiftKey ? 1 : 0.1;
    onMove(toTenth(position.x + far * by[0]), toTenth(position.y + far * by[1]), true);
  };
  return (
    <div
      ref={ref}
      className="relative bg-paper border border-hair my-2 overflow-hidden"
      style={{ height: HEIGHT }}
    >
      <svg ref={svg} width={size.width} height={HEIGHT} role="group" aria-label={`Plan about ${props.label}`}>
        <ThingsAbout site={site} frame={frame} size={size} short={short} />
        <g
          transform={`translate(${frame.x(x).toFixed(1)} ${frame.y(y).toFixed(1)})`}
          tabIndex={onMove ? 0 : undefined}
          role={onMove ? 'button' : 'img'}
          aria-label={
            onMove
              ? writeLengths(
                  `${props.label}: drag, or arrow keys by ${longMark(0.1)}, with Shift by ${longMark(1)}`,
                  props.system,
                )
              : props.label
          }
          className={onMove ? 'cursor-grab touch-none' : undefined}
          onPointerDown={(event) => {
            if (!onMove || event.button !== 0) return;
            event.currentTarget.setPointerCapture(event.pointerId);
          }}
          onPointerMove={carry}
          onPointerUp={drop}
          onPointerCancel={() => setDragged(undefined)}
          onKeyDown={step}
        >
          <TreeMark position={position} frame={frame} label={props.label} />
        </g>
        <ScaleBarSvg bar={frame.bar} height={HEIGHT} />
      </svg>
    </div>
  );
}

/** What else the plan has about the tree. */
function ThingsAbout({
  site,
  frame,
  size,
  short,
}: {
  site: Site;
  frame: PlanFrame;
  size: { width: number; height: number };
  short: string[];
}) {
  return (
    <>
      {site.things.map((o, i) => (
        <path
          key={i}
          d={
            o.points
              .map(
                ([px, py], k) => `${k === 0 ? 'M' : 'L'}${frame.x(px).toFixed(1)} ${frame.y(py).toFixed(1)}`,
              )
              .join('') + (o.shape === 'area' ? 'Z' : '')
          }
          fill={o.shape === 'area' ? 'var(--fill)' : 'none'}
          stroke="var(--muted)"
          strokeDasharray={o.shape === 'line' ? '8 4' : undefined}
        >
          <title>{o.name}</title>
        </path>
      ))}
      {site.others.map((o, i) => (
        <g key={o.label} transform={`translate(${frame.x(o.x).toFixed(1)} ${frame.y(o.y).toFixed(1)})`}>
          <circle r="6" fill="none" stroke="var(--ink)" strokeWidth="1.5" />
          {frame.x(o.x) > EDGE && frame.x(o.x) < size.width - EDGE && (
            <text y="-10" textAnchor="middle" fontSize="13" fill="var(--muted)">
              {short[i]}
            </text>
          )}
        </g>
      ))}
    </>
  );
}

/** The tree itself, with the ring its place may be off by. */
function TreeMark({
  position,
  frame,
  label,
}: {
  position: NonNullable<Tree['position']>;
  frame: PlanFrame;
  label: string;
}) {
  return (
    <>
      {position.error !== undefined && (
        <circle
          r={position.error * frame.scale}
          fill="var(--todo)"
          fillOpacity="0.08"
          stroke="var(--todo)"
          strokeWidth="1.5"
          strokeDasharray="6 4"
          pointerEvents="none"
        />
      )}
      <circle r="24" fill="transparent" />
      <circle r="8" fill="var(--todo)" />
      <text
        y="26"
        textAnchor="middle"
        fontSize="14"
        fontWeight="700"
        fill="var(--ink)"
        stroke="var(--paper)"
        strokeWidth="3"
        paintOrder="stroke"
      >
        {label}
      </text>
    </>
  );
}
