import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { grownDig } from '@undrel/core/growth';
import { idOf, NEW_DIG, type DigHead, type DugRoot, type RootKind } from '@undrel/core/records';
import { nextLabel } from '@undrel/core/roots';
import { ONE_STEP } from '../../../device/store';
import type { CaseHand } from '../../../device/useCase';
import { itemsBelow } from '../../../protocol/item';
import { newId } from '../newId';
import type { StationProps } from '../visitEntry';
import { broughtIn } from './broughtIn';
import { useSame } from '../../../device/useSame';
import { useDig, type DigWork } from './useDig';
import { useShapes, type Shape } from './useShapes';
import { useTracing } from './useTracing';

const NO_CUTS = {};
/** Where the plan stands beside the entry: from `lg` on. */
const BESIDE = '(min-width: 64rem)';

/** The root that is chosen, and its point; while it is dragged, as it is dragged. */
function useChosenRoot(control: CaseHand, visitId: string) {
  const [selectedId, setSelectedId] = useState<string | undefined>(undefined);
  const [point, setPoint] = useState<number | undefined>(undefined);
  const [drawing, setDrawing] = useState(false);
  const [shaped, setShaped] = useState<{ id: string; root: DugRoot } | undefined>(undefined);
  const rootItems = itemsBelow(control.items, 'root', visitId);
  const selectedItem = rootItems.find((r) => r.id === selectedId);
  /** Chooses a root, or none; it is drawn where it is new. */
  const choose = (id: string | undefined, draw = false) => {
    setSelectedId(id);
    setPoint(undefined);
    setDrawing(draw);
  };
  return {
    rootItems,
    labels: rootItems.map((r) => r.values.label),
    selectedId,
    selectedItem,
    selected: shaped && shaped.id === selectedId ? shaped.root : selectedItem?.values,
    shaped,
    setShaped,
    point,
    setPoint,
    drawing,
    setDrawing,
    choose,
  };
}

/** The year for which the plan is shown, and how the roots stand then. */
function useYearShown({ reading, stem, scenarios }: DigWork) {
  const [year, setYear] = useState(0);
  const [scenario, setScenario] = useState(0);
  const chosen = scenarios[Math.min(scenario, scenarios.length - 1)];
  const grown = useMemo(
    () => grownDig(reading, year, stem, year === 0 ? NO_CUTS : (chosen?.cuts ?? NO_CUTS)),
    [reading, year, stem, chosen],
  );
  const turnYear = useCallback((next: number) => setYear(next), []);
  return { year, setYear, turnYear, scenario, setScenario, grown };
}

/** A dig in hand: what is read and chosen, and all that is done to it. */
export function useDigHand(station: StationProps) {
  const { control, visitId, visit, tree, system, mayMeasure } = station;
  const chosen = useChosenRoot(control, visitId);
  const { rootItems, labels, selectedItem, selected, choose, setPoint, setShaped } = chosen;
  const [large, setLarge] = useState(false);
  const work = useDig(station, chosen.shaped, selectedItem?.values.label);
  const { dig, reading } = work;
  const time = useYearShown(work);
  const frame = { dig, turn: reading.turn, outline: reading.outline };
  const pictures = useSame(itemsBelow(control.items, 'picture', visitId).map((p) => p.values));
  const headItem = control.items.find((i) => i.kind === 'dig' && i.parent === visitId);
  const head = (headItem?.values ?? NEW_DIG) as DigHead;
  const save = (id: string, root: DugRoot | null, field: string = ONE_STEP) => {
    setShaped(undefined);
    if (!headItem?.values) control.set('dig', idOf('dig', visitId), visitId, NEW_DIG, ONE_STEP);
    control.set('root', id, visitId, root, field);
  };
  const tracing = useTracing({ pictures, tree, dig, frame, save });
  const { onGround } = tracing;
  const shapes = useShapes({ control, visitId, tree, head, reading, roots: rootItems, system, onGround });
  const select = (label: string | undefined) => {
    choose(rootItems.find((r) => r.values.label === label)?.id);
    shapes.end();
  };
  /** Where the plan stands above the entry, it is opened to draw on, and closed when that is done. */
  const showPlan = () => setLarge(!matchMedia(BESIDE).matches);
  const begin = (kind: RootKind, draw: boolean) => {
    const id = newId();
    save(id, {
      label: nextLabel(labels),
      kind,
      start: kind === 'competing' ? 'outside' : 'stem',
      points: [],
    });
    shapes.end();
    choose(id, draw);
    time.setYear(0);
    if (draw) showPlan();
  };
  const drawShape = (shape: Shape) => {
    select(undefined);
    time.setYear(0);
    shapes.begin(shape);
    showPlan();
  };
  const latest = useRef(rootItems);
  useEffect(() => {
    latest.current = rootItems;
  });
  const tap = (x: number, y: number) => {
    if (shapes.drawing) return shapes.touch([x, y]);
    if (!selectedItem) return;
    const { id } = selectedItem;
    tracing.tap(id, () => latest.current.find((r) => r.id === id)?.values, [x, y]);
    setPoint(tracing.under ? undefined : selected?.points.length);
  };
  const bringIn = (roots: DugRoot[], radii?: DigHead['radii']) =>
    control.setAll(broughtIn(visitId, headItem?.values as DigHead | undefined, labels, roots, radii));
  const editable = mayMeasure && time.year === 0;
  const thisYear = Number(visit.date.slice(0, 4));
  return {
    ...{ station, work, tracing, shapes, pictures, frame, head, editable, thisYear },
    ...chosen,
    ...time,
    ...{ large, setLarge, select, save, begin, drawShape, tap, bringIn },
  };
}

export type DigHand = ReturnType<typeof useDigHand>;
