'use client';

import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { useRouter } from 'next/navigation';
import type { Outline, TreeRow } from '../../protocol/grounds';
import { ScaleBarSvg } from '../../drawings/ScaleBarSvg';
import { planFrame, type PlanFrame } from '../../drawings/plan';
import { outlineLabels, type OutlineLabel } from '../../drawings/outlineLabels';
import { shortLabels } from '../../drawings/shortLabels';
import { UrgencyMark } from '../../ui/UrgencyMark';
import { usePreferences } from '../shell/preferences';
import { useMeasured } from '../../ui/useMeasured';

const FILL: Record<string, string> = {
  paving: 'var(--fill)',
  building: 'var(--hair)',
  path: 'none',
  kerb: 'none',
};

/** What is needed at a tree by the shape of its mark; a healthy reference is a hollow square. */
const Mark = ({ tree, r }: { tree: TreeRow; r: number }) =>
  tree.reference ? (
    <rect
      x={-r}
      y={-r}
      width={2 * r}
      height={2 * r}
      fill="var(--sheet)"
      stroke="var(--todo)"
      strokeWidth="3"
    />
  ) : (
    <UrgencyMark urgency={tree.triage.urgency} r={r} />
  );

const inWords = (t: TreeRow) =>
  `${t.label}: ${t.reference ? 'reference, ' : ''}${t.lastVisit ? t.triage.action : 'not visited'}`;

/** What is drawn before the size of the plan is known. */
const NOTHING: Pick<PlanViewProps, 'trees' | 'outlines'> = { trees: [], outlines: [] };

/** A mark under way; `at` is in metres once it has left its place. */
interface Drag {
  id: string;
  from: [number, number];
  at: [number, number] | undefined;
}

const DRAG_STARTS_PX = 6;
/** About how wide a letter of a label is, pixels. */
const LETTER = 7;

interface PlanViewProps {
  trees: readonly TreeRow[];
  outlines: readonly Outline[];
  marked: string | undefined;
  onMark: (id: string) => void;
  placing: string | undefined;
  onPlace: (id: string, x: number, y: number) => void;
  /** A mark was dragged with the mouse or a pen; on a touch screen the plan scrolls and trees are placed by row. */
  onMove?: (id: string, x: number, y: number) => void;
  /** In place of the mark for what is needed. */
  mark?: (tree: TreeRow, r: number) => ReactNode;
  /** In place of opening the tree's page. */
  onOpen?: (id: string) => void;
}

/**
 * The property in metres, trees placed, what is needed said by the shape of the mark. Drawn once its size is known: of
 * hundreds of trees a drawing at another size is work that nobody sees.
 */
export function PlanView(props: PlanViewProps) {
  const router = useRouter();
  const [ref, size, known] = useMeasured<HTMLDivElement>({ width: 640, height: 700 });
  const svg = useRef<SVGSVGElement>(null);
  const shown = known ? props : NOTHING;
  const { placed, frame, r, labels, short, whole, names } = useLayout(shown, size);
  const metresAt = (event: { clientX: number; clientY: number }): [number, number] => {
    const box = svg.current!.getBoundingClientRect();
    const [x, y] = frame.toMetres(event.clientX - box.left, event.clientY - box.top);
    return [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
  };
  const place = (event: PointerEvent<SVGSVGElement>) => {
    if (props.placing) props.onPlace(props.placing, ...metresAt(event));
  };
  const { take, carry, drop, leave, dragged, placeOf } = useDrag(props, frame, metresAt);
  const openTree = (id: string) => (props.onOpen ? props.onOpen(id) : router.push(`/trees/${id}`));
  const open = (event: KeyboardEvent, id: string) => {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      openTree(id);
    }
  };
  return (
    <div ref={ref} className="relative w-full h-full overflow-hidden bg-paper">
      {known && placed.length === 0 && shown.outlines.length === 0 && (
        <p className="told absolute top-6 left-6 right-6">
          Nothing is placed yet. Import a GeoJSON plan, or place a tree from its row.
        </p>
      )}
      <svg
        ref={svg}
        width={size.width}
        height={size.height}
        viewBox={`0 0 ${size.width} ${size.height}`}
        onPointerDown={place}
        className={props.placing ? 'cursor-crosshair' : ''}
        role="group"
        aria-label="Plan of the property"
      >
        {shown.outlines.map((o, i) => (
          <OutlineOnPlan key={i} outline={o} frame={frame} at={names[i]} />
        ))}
        {placed.map((t, i) => (
          <g
            key={t.id}
            transform={placeOf(t)}
            role="link"
            tabIndex={0}
            aria-label={inWords(t)}
            className="cursor-pointer"
            onPointerDown={(event) => take(event, t.id)}
            onPointerMove={carry}
            onPointerUp={drop}
            onPointerCancel={leave}
            onClick={() => !props.placing && !dragged.current && openTree(t.id)}
            onKeyDown={(event) => open(event, t.id)}
            onPointerEnter={() => props.onMark(t.id)}
            onFocus={() => props.onMark(t.id)}
          >
            <TreeOnPlan
              tree={t}
              frame={frame}
              r={r}
              marked={props.marked === t.id}
              mark={props.mark}
              name={labels ? (whole ? t.label : short.short[i]) : undefined}
            />
          </g>
        ))}
        <NorthMark size={size} />
        <ScaleBarSvg bar={frame.bar} height={size.height} />
      </svg>
    </div>
  );
}

/** Where everything stands on the plan, how large marks are, and which names find room. */
function useLayout(
  props: Pick<PlanViewProps, 'trees' | 'outlines'>,
  size: { width: number; height: number },
) {
  const { units } = usePreferences();
  const placed = useMemo(
    () => props.trees.filter((t) => t.x !== undefined && t.y !== undefined),
    [props.trees],
  );
  const frame = useMemo(
    () =>
      planFrame(
        [...placed.map((t): [number, number] => [t.x!, t.y!]), ...props.outlines.flatMap((o) => o.points)],
        size,
        units,
      ),
    [placed, props.outlines, size, units],
  );
  const nearest = useMemo(() => {
    let least = Infinity;
    for (let i = 0; i < placed.length && i < 300; i++) {
      for (let k = i + 1; k < placed.length && k < 300; k++) {
        least = Math.min(least, Math.hypot(placed[i]!.x! - placed[k]!.x!, placed[i]!.y! - placed[k]!.y!));
      }
    }
    return least * frame.scale;
  }, [placed, frame.scale]);
  const r = Math.max(5, Math.min(11, nearest * 0.36));
  const labels = nearest > 30;
  const short = useMemo(() => shortLabels(placed.map((t) => t.label)), [placed]);
  /** Whole names where the widest of them finds room beside its neighbour. */
  const whole = nearest > Math.max(0, ...placed.map((t) => t.label.length * LETTER)) + 8;
  const names = useMemo(
    () =>
      outlineLabels(
        props.outlines.map((o) => ({
          ...o,
          points: o.points.map(([x, y]): [number, number] => [frame.x(x), frame.y(y)]),
        })),
        LETTER,
        // Each mark, with its label above it where there is one.
        placed.map((t) => ({
          x: frame.x(t.x!),
          y: frame.y(t.y!) - (labels ? 10 : 0),
          width: 2 * r + (labels ? 12 : 2),
          height: 2 * r + (labels ? 22 : 2),
        })),
      ),
    [props.outlines, placed, frame, r, labels],
  );
  return { placed, frame, r, labels, short, whole, names };
}

/** A mark carried by mouse or pen: from where it is taken until it is dropped. */
function useDrag(
  props: Pick<PlanViewProps, 'placing' | 'onMove'>,
  frame: ReturnType<typeof planFrame>,
  metresAt: (event: { clientX: number; clientY: number }) => [number, number],
) {
  const [drag, setDrag] = useState<Drag | undefined>(undefined);
  const dragged = useRef(false);
  const take = (event: PointerEvent<SVGGElement>, id: string) => {
    dragged.current = false;
    if (!props.onMove || props.placing || event.pointerType === 'touch' || event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    setDrag({ id, from: [event.clientX, event.clientY], at: undefined });
  };
  const carry = (event: PointerEvent<SVGGElement>) => {
    if (!drag) return;
    const far = Math.hypot(event.clientX - drag.from[0], event.clientY - drag.from[1]);
    if (drag.at === undefined && far < DRAG_STARTS_PX) return;
    dragged.current = true;
    setDrag({ ...drag, at: metresAt(event) });
  };
  const drop = () => {
    if (drag?.at) props.onMove?.(drag.id, ...drag.at);
    setDrag(undefined);
  };
  const placeOf = (t: TreeRow) => {
    const [x, y] = drag?.id === t.id && drag.at ? drag.at : [t.x!, t.y!];
    return `translate(${frame.x(x).toFixed(1)} ${frame.y(y).toFixed(1)})`;
  };
  return { take, carry, drop, leave: () => setDrag(undefined), dragged, placeOf };
}

/** An outline with its name. */
function OutlineOnPlan({
  outline,
  frame,
  at,
}: {
  outline: Outline;
  frame: ReturnType<typeof planFrame>;
  at: OutlineLabel | undefined;
}) {
  const d = outline.points
    .map(([x, y], k) => `${k === 0 ? 'M' : 'L'}${frame.x(x).toFixed(1)} ${frame.y(y).toFixed(1)}`)
    .join('');
  return (
    <g>
      <path
        d={outline.shape === 'area' ? `${d}Z` : d}
        fill={outline.shape === 'area' ? (FILL[outline.kind] ?? 'none') : 'none'}
        stroke="var(--muted)"
        strokeWidth={outline.kind === 'building' ? 2 : 1.2}
        strokeDasharray={outline.shape === 'line' ? '8 4' : undefined}
      />
      {at?.of && (
        <path
          d={`M${at.of.x.toFixed(1)} ${at.of.y.toFixed(1)}V${at.y.toFixed(1)}`}
          stroke="var(--muted)"
          strokeWidth="1"
        />
      )}
      {at && (
        <text
          transform={`translate(${at.x.toFixed(1)} ${at.y.toFixed(1)})${at.upright ? ' rotate(-90)' : ''}`}
          textAnchor="middle"
          dominantBaseline="middle"
          fontSize="13"
          fill="var(--ink)"
          stroke="var(--paper)"
          strokeWidth="3"
          paintOrder="stroke"
        >
          {outline.name}
        </text>
      )}
    </g>
  );
}

/** What is drawn where a tree stands. */
function TreeOnPlan({
  tree,
  frame,
  r,
  marked,
  mark,
  name,
}: {
  tree: TreeRow;
  frame: PlanFrame;
  r: number;
  marked: boolean;
  mark?: (tree: TreeRow, r: number) => ReactNode;
  /** What is written over it while it is not marked. */
  name: string | undefined;
}) {
  return (
    <>
      <title>{inWords(tree)}</title>
      {tree.error !== undefined && (
        <circle
          r={(tree.error * frame.scale).toFixed(1)}
          fill="none"
          stroke="var(--muted)"
          strokeDasharray="4 4"
          pointerEvents="none"
        />
      )}
      <circle r={Math.max(14, r)} fill="transparent" />
      {marked && <circle r={r + 5} fill="none" stroke="var(--todo)" strokeWidth="2.5" />}
      {mark ? mark(tree, r) : <Mark tree={tree} r={r} />}
      {(marked || name !== undefined) && (
        <text
          y={-r - 6}
          textAnchor="middle"
          fontSize="13"
          fontWeight={marked ? 700 : 400}
          fill="var(--ink)"
          stroke="var(--paper)"
          strokeWidth="3.5"
          paintOrder="stroke"
        >
          {marked ? tree.label : name}
        </text>
      )}
    </>
  );
}

function NorthMark({ size }: { size: { width: number; height: number } }) {
  return (
    <g transform={`translate(${size.width - 30} 20)`} aria-hidden="true">
      <path d="M0 34V0M-6 9 0 0l6 9" fill="none" stroke="var(--ink)" strokeWidth="2" />
      <text y="50" textAnchor="middle" fontSize="13" fill="var(--ink)">
        N
      </text>
    </g>
  );
}
