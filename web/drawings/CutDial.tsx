'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { sectorBearing, SECTORS } from '@undrel/core/questions';

const R = 40;
const at = (bearing: number, radius: number): [number, number] => [
  radius * Math.sin((bearing * Math.PI) / 180),
  -radius * Math.cos((bearing * Math.PI) / 180),
];

function arc(from: number, to: number, inner: number, outer: number): string {
  const [a, b, c, d] = [at(from, outer), at(to, outer), at(to, inner), at(from, inner)];
  const p = ([x, y]: [number, number]) => `${x.toFixed(2)} ${y.toFixed(2)}`;
  return `M${p(a)}A${outer} ${outer} 0 0 1 ${p(b)}L${p(c)}A${inner} ${inner} 0 0 0 ${p(d)}Z`;
}

/**
 * Flare by sector as a ring, and the line along which the section is cut. Turned by dragging, or by the arrow keys in
 * steps of 5 degrees.
 */
export function CutDial(props: {
  bearing: number;
  onTurn: (bearing: number) => void;
  sectors: readonly (boolean | undefined)[];
  /** Its width and height; they may follow its place without being measured. */
  className: string;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const turnTo = (bearing: number) => props.onTurn(((Math.round(bearing) % 360) + 360) % 360);
  const drag = (event: PointerEvent) => {
    if (event.buttons === 0 || !svg.current) return;
    const box = svg.current.getBoundingClientRect();
    const dx = event.clientX - box.left - box.width / 2;
    const dy = event.clientY - box.top - box.height / 2;
    turnTo(Math.round((Math.atan2(dx, -dy) * 180) / Math.PI / 5) * 5);
  };
  const key = (event: KeyboardEvent) => {
    const step = { ArrowRight: 5, ArrowUp: 5, ArrowLeft: -5, ArrowDown: -5, PageUp: 45, PageDown: -45 }[
      event.key
    ];
    if (step === undefined) return;
    event.preventDefault();
    turnTo(props.bearing + step);
  };
  const [hx, hy] = at(props.bearing, R + 5);
  const [tx, ty] = at(props.bearing + 180, R - 12);
  return (
    <svg
      ref={svg}
      role="slider"
      tabIndex={0}
      aria-label="Section cut along bearing"
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={props.bearing}
      aria-valuetext={`${props.bearing} degrees`}
      viewBox="-60 -60 120 120"
      className={`touch-none cursor-grab select-none ${props.className}`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drag(event);
      }}
      onPointerMove={drag}
      onKeyDown={key}
    >
      <text x="0" y="-47.5" textAnchor="middle" fontSize="15" fontWeight="700" fill="var(--ink)">
        N
      </text>
      {SECTORS.map((sector, i) => {
        const seen = props.sectors[i];
        const middle = sectorBearing(i);
        const tone = seen === false ? 'var(--buried)' : seen ? 'var(--sheet)' : 'none';
        return (
          <path
            key={sector}
            d={arc(middle - 22.5, middle + 22.5, 28, R)}
            fill={tone}
            stroke="var(--ink)"
            strokeWidth="1.2"
            strokeDasharray={seen === undefined ? '2 2' : undefined}
          />
        );
      })}
      <line x1={tx} y1={ty} x2={hx} y2={hy} stroke="var(--todo)" strokeWidth="2.5" />
      <circle cx={hx} cy={hy} r="9" fill="var(--todo)" />
    </svg>
  );
}
