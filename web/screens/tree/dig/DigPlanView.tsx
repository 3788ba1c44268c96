'use client';

import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { DugRoot } from '@undrel/core/records';
import type { GrownDig } from '@undrel/core/growth';
import {
  insertPoint,
  movePoint,
  placed,
  readingAt,
  type DigReading,
  type PitFrame,
} from '@undrel/core/roots';
import { formatValue } from '@undrel/core/units';
import { digPlanDrawing, toDrawing, toMetres, type PlanView } from '../../../drawings/digPlan';
import { DrawingSvg } from '../../../drawings/DrawingSvg';
import type { Point } from '../../../drawings/shapes';
import { tubeOutline } from '../../../drawings/tube';
import { useMeasured } from '../../../ui/useMeasured';
import { Beneath, useFit } from './digPlanParts';
import type { DigPlanProps } from './digPlanProps';

const ZOOM_STEP = 1.25;
const [LEAST_SCALE, MOST_SCALE] = [40, 4000];
/** A press that moves less is a tap, px. */
const TAP = 5;

interface Press {
  id: number;
  from: Point;
  at: Point;
  view: PlanView;
  point: number | undefined;
  moved: boolean;
}

const clampScale = (scale: number) => Math.min(MOST_SCALE, Math.max(LEAST_SCALE, scale));

/** The plan of the dig: looked at by pinch, wheel, keys and buttons; the selected root is shaped on it. */
export function DigPlanView(props: DigPlanProps) {
  const { dig, reading, grown, selected, point, system, drawing, editable } = props;
  const [box, size] = useMeasured<HTMLDivElement>({ width: 632, height: 752 });
  const [looked, setLooked] = useState<PlanView | undefined>(undefined);
  const fit = useFit(reading, size);
  const view = looked ?? fit;
  const frame = { view, ...size };
  const pit: PitFrame = { dig, turn: reading.turn, outline: reading.outline };
  const presses = useRef(new Map<number, Press>());
  const shaped = useRef<DugRoot | undefined>(undefined);
  const compact = size.width < 520;
  const { under } = props;
  const seeThrough = under !== undefined;
  const [cross, setCross] = useState(false);
  const picture = useMemo(
    () =>
      digPlanDrawing({
        reading,
        ...grown,
        view,
        ...size,
        system,
        selected: selected?.label,
        dbh: props.dbh,
        drip: props.drip,
        decay: dig.decay,
        barriers: dig.barriers,
        cuts: props.cuts,
        compact,
        seeThrough,
      }),
    [
      reading,
      grown,
      view,
      size,
      system,
      selected?.label,
      props.dbh,
      props.drip,
      dig.decay,
      dig.barriers,
      props.cuts,
      compact,
      seeThrough,
    ],
  );
  const to = toDrawing(frame);
  const handles = selected && editable ? placed(dig, reading.turn, reading.outline, selected) : [];
  const local = (event: { clientX: number; clientY: number }): Point => {
    const edge = box.current!.getBoundingClientRect();
    return [event.clientX - edge.left, event.clientY - edge.top];
  };
  const zoom = (by: number, [px, py]: Point = [size.width / 2, size.height / 2]) => {
    const scale = clampScale(view.scale * by);
    const [x, y] = toMetres(frame, [px, py]);
    setLooked({
      scale,
      x: x - (px - size.width / 2) / scale,
      y: y + (py - size.height / 2) / scale,
    });
  };
  /** A finger that comes or goes: those that stay go on from where they are, or the plan would jump. */
  const rebase = () => {
    for (const held of presses.current.values()) Object.assign(held, { from: held.at, view });
  };
  const press = (event: PointerEvent, at: number | undefined) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    const from = local(event);
    rebase();
    presses.current.set(event.pointerId, {
      id: event.pointerId,
      from,
      at: from,
      view,
      point: at,
      moved: false,
    });
    if (at !== undefined) props.onPoint(at);
  };
  const move = (event: PointerEvent) => {
    const held = presses.current.get(event.pointerId);
    if (!held) return;
    held.at = local(event);
    const [dx, dy] = [held.at[0] - held.from[0], held.at[1] - held.from[1]];
    if (!held.moved && Math.hypot(dx, dy) < TAP) return;
    held.moved = true;
    const [one, two] = [...presses.current.values()];
    if (one && two) {
      const gap = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);
      const scale = clampScale(one.view.scale * (gap(one.at, two.at) / Math.max(1, gap(one.from, two.from))));
      const middle: Point = [(one.from[0] + two.from[0]) / 2, (one.from[1] + two.from[1]) / 2];
      const now: Point = [(one.at[0] + two.at[0]) / 2, (one.at[1] + two.at[1]) / 2];
      const [x, y] = toMetres({ ...frame, view: one.view }, middle);
      setLooked({
        scale,
        x: x - (now[0] - size.width / 2) / scale,
        y: y + (now[1] - size.height / 2) / scale,
      });
      return;
    }
    if (held.point !== undefined && selected) {
      const root = movePoint(selected, held.point, readingAt(pit, ...toMetres(frame, held.at)));
      shaped.current = root;
      props.onDrag(root);
    } else {
      setLooked({
        scale: held.view.scale,
        x: held.view.x - dx / held.view.scale,
        y: held.view.y + dy / held.view.scale,
      });
    }
  };
  const release = (event: PointerEvent) => {
    const held = presses.current.get(event.pointerId);
    presses.current.delete(event.pointerId);
    if (!held) return;
    rebase();
    if (held.point !== undefined) {
      if (shaped.current) props.onDrop(shaped.current);
      shaped.current = undefined;
      return;
    }
    if (held.moved) return;
    const place = toMetres(frame, held.at);
    if (drawing) {
      // While a root is drawn, the plan stays where it is.
      setLooked(view);
      props.onTap(...place);
    } else props.onSelect(rootAt(held.at));
  };
  const rootAt = (at: Point): string | undefined => {
    for (let i = reading.roots.length - 1; i >= 0; i--) {
      const edge = tubeOutline(grown.paths[i]!, to);
      let inside = false;
      for (let a = 0, b = edge.length - 1; a < edge.length; b = a++) {
        const [[xa, ya], [xb, yb]] = [edge[a]!, edge[b]!];
        if (ya > at[1] !== yb > at[1] && at[0] < ((xb - xa) * (at[1] - ya)) / (yb - ya) + xa)
          inside = !inside;
      }
      if (inside) return reading.roots[i]!.root.label;
    }
    return undefined;
  };
  const insert = (event: { clientX: number; clientY: number }) => {
    if (!selected || !editable || drawing) return;
    const [x, y] = toMetres(frame, local(event));
    const added = insertPoint(selected, pit, x, y);
    props.onDrop(added.root);
    props.onPoint(added.index);
  };
  const keys = (event: KeyboardEvent) => {
    // Drawn by keys: the plan is moved under a cross in its middle, and Enter sets a point there.
    if (drawing && event.target === event.currentTarget) {
      if (event.key.startsWith('Arrow')) setCross(true);
      if (event.key === 'Enter') {
        event.preventDefault();
        setCross(true);
        return props.onTap(view.x, view.y);
      }
    }
    const step = (drawing ? 8 : 60) / view.scale;
    const go: Record<string, () => void> = {
      '+': () => zoom(ZOOM_STEP),
      '=': () => zoom(ZOOM_STEP),
      '-': () => zoom(1 / ZOOM_STEP),
      '0': () => setLooked(undefined),
      ArrowLeft: () => setLooked({ ...view, x: view.x - step }),
      ArrowRight: () => setLooked({ ...view, x: view.x + step }),
      ArrowUp: () => setLooked({ ...view, y: view.y + step }),
      ArrowDown: () => setLooked({ ...view, y: view.y - step }),
      Escape: () => props.onSelect(undefined),
    };
    if (event.target !== event.currentTarget || !go[event.key]) return;
    event.preventDefault();
    go[event.key]!();
  };
  const nudge = (event: KeyboardEvent, index: number) => {
    const root = selected!;
    const at = root.points[index]!;
    const by: Record<string, Partial<typeof at>> = {
      ArrowUp: { distance: at.distance + 0.005 },
      ArrowDown: { distance: at.distance - 0.005 },
      ArrowLeft: { bearing: (at.bearing + 359) % 360 },
      ArrowRight: { bearing: (at.bearing + 1) % 360 },
    };
    if (!by[event.key]) return;
    event.preventDefault();
    event.stopPropagation();
    props.onDrop(movePoint(root, index, by[event.key]!));
  };
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden bg-paper" data-testid="dig-plan">
      <div
        className={`absolute inset-0 touch-none ${drawing ? 'cursor-crosshair' : 'cursor-grab'}`}
        tabIndex={0}
        role="group"
        aria-label="Plan of the dig: arrow keys move it, plus and minus zoom, 0 shows all; while a root is drawn, Enter sets a point in the middle"
        onPointerDown={(event) => press(event, undefined)}
        onPointerMove={move}
        onPointerUp={release}
        onPointerCancel={(event) => presses.current.delete(event.pointerId)}
        onDoubleClick={insert}
        onWheel={(event) => zoom(event.deltaY < 0 ? 1.12 : 1 / 1.12, local(event))}
        onKeyDown={keys}
      >
        {under && <Beneath under={under} to={to} scale={view.scale} size={size} />}
        <DrawingSvg drawing={picture} title={inWords(reading, grown)} className="relative" />
        <svg
          className="absolute inset-0"
          width={size.width}
          height={size.height}
          aria-hidden={handles.length === 0}
        >
          {props.touched.map(([x, y], i) => (
            <circle
              key={`touched ${i}`}
              cx={to(x, y)[0]}
              cy={to(x, y)[1]}
              r={5}
              className="fill-todo stroke-sheet"
              strokeWidth={2}
            />
          ))}
          {handles.map((p, i) => {
            const [x, y] = to(p.x, p.y);
            const here = i === point;
            return (
              <g
                key={i}
                transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}
                role="button"
                tabIndex={0}
                aria-label={`Point ${i + 1} of root ${selected!.label}`}
                className="cursor-move"
                onPointerDown={(event) => press(event, i)}
                onPointerMove={move}
                onPointerUp={release}
                onFocus={() => props.onPoint(i)}
                onKeyDown={(event) => nudge(event, i)}
                onDoubleClick={(event) => event.stopPropagation()}
              >
                <circle r="22" fill="transparent" />
                <circle
                  r={here ? 9 : 7}
                  fill={here ? 'var(--todo)' : 'var(--sheet)'}
                  stroke="var(--todo)"
                  strokeWidth="2.5"
                />
                {i === 0 && <circle r="2.5" fill={here ? 'var(--sheet)' : 'var(--todo)'} />}
              </g>
            );
          })}
        </svg>
      </div>
      <div className="absolute left-2 top-2 flex flex-col" role="group" aria-label="Zoom">
        {(
          [
            ['+', 'Zoom in', () => zoom(ZOOM_STEP)],
            ['−', 'Zoom out', () => zoom(1 / ZOOM_STEP)],
            ['○', 'Show all', () => setLooked(undefined)],
          ] as const
        ).map(([sign, label, act]) => (
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
      {drawing && cross && (
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
      )}
      {props.children}
    </div>
  );

  function inWords({ roots, anchorage }: DigReading, { share }: GrownDig): string {
    return [
      `Plan of the dig with ${roots.length} roots; ${Math.round(100 * share)}% of the bark is compressed.`,
      ...roots.map(
        ({ root, compression, clearance }) =>
          `${root.label}, ${root.kind}${compression.share > 0 ? `, presses on ${Math.round(100 * compression.share)}%` : clearance === undefined ? '' : `, clear by ${formatValue(Math.max(0, clearance), 'short length', system)}`}.`,
      ),
      `${anchorage.sound} sound anchors.`,
    ].join(' ');
  }
}
