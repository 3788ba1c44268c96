import type { KeyboardEvent } from 'react';
import { movePoint } from '@undrel/core/roots';
import type { DugRoot } from '@undrel/core/records';
import type { Point } from '../../../drawings/shapes';
import type { usePresses } from './usePresses';

/** The points of the selected root, to be moved by pointer or keys: half a centimetre or a degree a stroke. */
export function PointHandles({
  root,
  places,
  point,
  presses,
  onPoint,
  onDrop,
}: {
  root: DugRoot;
  /** Where its points stand on the sheet. */
  places: readonly Point[];
  point: number | undefined;
  presses: ReturnType<typeof usePresses>;
  onPoint: (index: number) => void;
  onDrop: (root: DugRoot) => void;
}) {
  const nudge = (event: KeyboardEvent, index: number) => {
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
    onDrop(movePoint(root, index, by[event.key]!));
  };
  return places.map(([x, y], i) => {
    const here = i === point;
    return (
      <g
        key={i}
        transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}
        role="button"
        tabIndex={0}
        aria-label={`Point ${i + 1} of root ${root.label}`}
        className="cursor-move"
        onPointerDown={(event) => presses.press(event, i)}
        onPointerMove={presses.move}
        onPointerUp={presses.release}
        onFocus={() => onPoint(i)}
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
  });
}
