import { useRef, type PointerEvent } from 'react';
import type { PlanView } from '../../../drawings/planView';
import type { Point } from '../../../drawings/shapes';
import { moved, pinched, type Frame } from './lookedAt';

/** A press that moves less is a tap, px. */
const TAP = 5;

interface Press {
  from: Point;
  at: Point;
  view: PlanView;
  /** Point of the selected root that is held. */
  point: number | undefined;
  moved: boolean;
}

/** What is done by presses on the plan; places are points of the sheet, px. */
export interface Pressed {
  onLook: (view: PlanView) => void;
  onPoint: (index: number) => void;
  /** A point is dragged, and let go. */
  onDrag: (index: number, at: Point) => void;
  onDrop: () => void;
  onTap: (at: Point) => void;
}

/** Fingers and pointers on the plan: one moves it or a point, two make it larger, a short press is a tap. */
export function usePresses(
  frame: Frame,
  local: (event: { clientX: number; clientY: number }) => Point,
  { onLook, onPoint, onDrag, onDrop, onTap }: Pressed,
) {
  const presses = useRef(new Map<number, Press>());
  /** A finger that comes or goes: those that stay go on from where they are, or the plan would jump. */
  const rebase = () => {
    for (const held of presses.current.values()) Object.assign(held, { from: held.at, view: frame.view });
  };
  return {
    press: (event: PointerEvent, point: number | undefined) => {
      if (event.button !== 0) return;
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      const from = local(event);
      rebase();
      presses.current.set(event.pointerId, { from, at: from, view: frame.view, point, moved: false });
      if (point !== undefined) onPoint(point);
    },
    move: (event: PointerEvent) => {
      const held = presses.current.get(event.pointerId);
      if (!held) return;
      held.at = local(event);
      if (!held.moved && Math.hypot(held.at[0] - held.from[0], held.at[1] - held.from[1]) < TAP) return;
      held.moved = true;
      const [one, two] = [...presses.current.values()];
      if (one && two) onLook(pinched({ ...frame, view: one.view }, one, two));
      else if (held.point !== undefined) onDrag(held.point, held.at);
      else onLook(moved(held.view, held.from, held.at));
    },
    release: (event: PointerEvent) => {
      const held = presses.current.get(event.pointerId);
      presses.current.delete(event.pointerId);
      if (!held) return;
      rebase();
      if (held.point !== undefined) onDrop();
      else if (!held.moved) onTap(held.at);
    },
    cancel: (event: PointerEvent) => {
      presses.current.delete(event.pointerId);
    },
  };
}
