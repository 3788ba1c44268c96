'use client';

import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
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
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { digPlanDrawing } from '../../../drawings/digPlan';
import { toDrawing, toMetres, type PlanView } from '../../../drawings/planView';
import { DrawingSvg } from '../../../drawings/DrawingSvg';
import type { Drawing, Point } from '../../../drawings/shapes';
import { useMeasured } from '../../../ui/useMeasured';
import { Beneath, MiddleCross, useFit, ZOOM_STEP, ZoomButtons } from './digPlanParts';
import type { DigPlanProps } from './digPlanProps';
import { rootAt, zoomed } from './lookedAt';
import { PointHandles } from './PointHandles';
import { usePresses } from './usePresses';

/** The plan of the dig: looked at by pinch, wheel, keys and buttons; the selected root is shaped on it. */
export function DigPlanView(props: DigPlanProps) {
  const { dig, reading, grown, selected, point, system, drawing, editable } = props;
  const [box, size, known] = useMeasured<HTMLDivElement>({ width: 632, height: 752 });
  const [looked, setLooked] = useState<PlanView | undefined>(undefined);
  const fit = useFit(reading, size);
  const view = looked ?? fit;
  const frame = { view, ...size };
  const pit: PitFrame = { dig, turn: reading.turn, outline: reading.outline };
  const { under } = props;
  const picture = useDrawn(props, view, size, known);
  const to = toDrawing(frame);
  const handles = selected && editable ? placed(dig, reading.turn, reading.outline, selected) : [];
  const local = (event: { clientX: number; clientY: number }): Point => {
    const edge = box.current!.getBoundingClientRect();
    return [event.clientX - edge.left, event.clientY - edge.top];
  };
  const zoom = (by: number, about: Point = [size.width / 2, size.height / 2]) =>
    setLooked(zoomed(frame, by, about));
  const presses = usePlanPresses(props, frame, pit, local, setLooked);
  const insert = (event: { clientX: number; clientY: number }) => {
    if (!selected || !editable || drawing) return;
    const [x, y] = toMetres(frame, local(event));
    const added = insertPoint(selected, pit, x, y);
    props.onDrop(added.root);
    props.onPoint(added.index);
  };
  const { keys, cross } = useKeys(props, view, setLooked, zoom);
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden bg-paper" data-testid="dig-plan">
      <div
        className={`absolute inset-0 touch-none ${drawing ? 'cursor-crosshair' : 'cursor-grab'}`}
        tabIndex={0}
        role="group"
        aria-label="Plan of the dig: arrow keys move it, plus and minus zoom, 0 shows all; while a root is drawn, Enter sets a point in the middle"
        onPointerDown={(event) => presses.press(event, undefined)}
        onPointerMove={presses.move}
        onPointerUp={presses.release}
        onPointerCancel={presses.cancel}
        onDoubleClick={insert}
        onWheel={(event) => zoom(event.deltaY < 0 ? 1.12 : 1 / 1.12, local(event))}
        onKeyDown={keys}
      >
        {under && <Beneath under={under} to={to} scale={view.scale} size={size} />}
        <DrawingSvg drawing={picture} title={inWords(reading, grown, system)} className="relative" />
        <svg
          className="absolute inset-0"
          width={size.width}
          height={size.height}
          aria-hidden={handles.length === 0}
        >
          <TouchedPlaces touched={props.touched} to={to} />
          {selected && (
            <PointHandles
              root={selected}
              places={handles.map((p) => to(p.x, p.y))}
              point={point}
              presses={presses}
              onPoint={props.onPoint}
              onDrop={props.onDrop}
            />
          )}
        </svg>
      </div>
      <ZoomButtons onZoom={zoom} onAll={() => setLooked(undefined)} />
      {drawing && cross && <MiddleCross size={size} />}
      {props.children}
    </div>
  );
}

/** What the plan shows, said. */
function inWords({ roots, anchorage }: DigReading, { share }: GrownDig, system: UnitSystem): string {
  return [
    `Plan of the dig with ${roots.length} roots; ${Math.round(100 * share)}% of the bark is compressed.`,
    ...roots.map(
      ({ root, compression, clearance }) =>
        `${root.label}, ${root.kind}${compression.share > 0 ? `, presses on ${Math.round(100 * compression.share)}%` : clearance === undefined ? '' : `, clear by ${formatValue(Math.max(0, clearance), 'short length', system)}`}.`,
    ),
    `${anchorage.sound} sound anchors.`,
  ].join(' ');
}

/** What a press on the plan means: a root chosen or drawn on, a point carried, or the plan moved. */
function usePlanPresses(
  props: DigPlanProps,
  frame: Parameters<typeof usePresses>[0],
  pit: PitFrame,
  local: Parameters<typeof usePresses>[1],
  setLooked: (view: PlanView) => void,
) {
  const { reading, grown, selected, drawing } = props;
  const shaped = useRef<DugRoot | undefined>(undefined);
  return usePresses(frame, local, {
    onLook: setLooked,
    onPoint: props.onPoint,
    onDrag: (index, at) => {
      if (!selected) return;
      const root = movePoint(selected, index, readingAt(pit, ...toMetres(frame, at)));
      shaped.current = root;
      props.onDrag(root);
    },
    onDrop: () => {
      if (shaped.current) props.onDrop(shaped.current);
      shaped.current = undefined;
    },
    onTap: (at) => {
      if (!drawing) {
        const found = rootAt(frame, grown.paths, at);
        return props.onSelect(found === undefined ? undefined : reading.roots[found]!.root.label);
      }
      // While a root is drawn, the plan stays where it is.
      setLooked(frame.view);
      props.onTap(...toMetres(frame, at));
    },
  });
}

/** The drawing, made anew only where something of it has changed; nothing before its size is known. */
function useDrawn(
  props: DigPlanProps,
  view: PlanView,
  size: { width: number; height: number },
  known: boolean,
): Drawing {
  const { dig, reading, grown, selected, system } = props;
  const compact = size.width < 520;
  const seeThrough = props.under !== undefined;
  return useMemo(() => {
    if (!known) return { ...size, shapes: [] };
    return digPlanDrawing({
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
    });
  }, [
    reading,
    grown,
    view,
    size,
    known,
    system,
    selected?.label,
    props.dbh,
    props.drip,
    dig.decay,
    dig.barriers,
    props.cuts,
    compact,
    seeThrough,
  ]);
}

/** The plan by keys: moved, zoomed, and drawn on under a cross in its middle, where Enter sets a point. */
function useKeys(
  { drawing, onTap, onSelect }: Pick<DigPlanProps, 'drawing' | 'onTap' | 'onSelect'>,
  view: PlanView,
  setLooked: (view: PlanView | undefined) => void,
  zoom: (by: number) => void,
) {
  const [cross, setCross] = useState(false);
  const keys = (event: KeyboardEvent) => {
    if (drawing && event.target === event.currentTarget) {
      if (event.key.startsWith('Arrow')) setCross(true);
      if (event.key === 'Enter') {
        event.preventDefault();
        setCross(true);
        return onTap(view.x, view.y);
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
      Escape: () => onSelect(undefined),
    };
    if (event.target !== event.currentTarget || !go[event.key]) return;
    event.preventDefault();
    go[event.key]!();
  };
  return { keys, cross };
}

function TouchedPlaces({ touched, to }: { touched: readonly Point[]; to: (x: number, y: number) => Point }) {
  return (
    <>
      {touched.map(([x, y], i) => (
        <circle
          key={`touched ${i}`}
          cx={to(x, y)[0]}
          cy={to(x, y)[1]}
          r={5}
          className="fill-todo stroke-sheet"
          strokeWidth={2}
        />
      ))}
    </>
  );
}
