'use client';

import { type DigHead, type DugRoot, idOf, NEW_DIG, type RootKind } from '@undrel/core/records';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { DIG_QUESTIONS } from '@undrel/core/questions';
import { grownDig } from '@undrel/core/growth';
import { girdledShare, nextLabel } from '@undrel/core/roots';

import { writeLengths } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { Said } from '../../../ui/Said';
import { itemsBelow, type Item } from '../../../protocol/item';
import { useAwake } from '../../../ui/useAwake';
import { DRAWING_PANE, EntryColumn } from '../EntryColumn';
import { Entry } from '../../../ui/controls/Entry';
import { QuantityView } from '../../../ui/controls/QuantityView';
import { ONE_STEP } from '../../../device/store';
import { DigFacts } from '../dig/DigFacts';
import { DigFiles } from '../dig/DigFiles';
import { DigHeadline } from '../dig/DigHeadline';
import { DigPlanView } from '../dig/DigPlanView';
import { ForecastPart } from '../dig/ForecastPart';
import { planOf } from '../../../drawings/digSheet';
import { DigStem } from '../dig/DigStem';
import { DigYears, NowDrawn } from '../dig/WithPlan';
import { RootEditor } from '../dig/RootEditor';
import { RootNumbers } from '../dig/RootNumbers';
import { RootsAdvice } from '../dig/RootsAdvice';
import { useDig, useSame } from '../dig/useDig';
import { NewRoot } from '../dig/NewRoot';
import { PicturesUnder } from '../dig/PicturesUnder';
import { useShapes, type Shape } from '../dig/useShapes';
import { useTracing } from '../dig/useTracing';
import { broughtIn } from '../dig/broughtIn';
import { newId } from '../newId';
import { Questions } from '../asked/Questions';
import type { StationProps } from '../visitEntry';
import { treeHref } from '../../../protocol/treeHref';

const NO_CUTS = {};
/** Where the plan stands beside the entry: from `lg` on. */
const BESIDE = '(min-width: 64rem)';

const selectedLabelOf = (items: readonly Item[], id: string | undefined): string | undefined =>
  (items.find((i) => i.id === id)?.values as DugRoot | null | undefined)?.label;

/** The dig: its plan in the middle, its roots, forecast and advice beside it. */
export function Dig({ foot, ...station }: StationProps & { foot: ReactNode }) {
  const { control, visitId, visit, treeId, tree, system, mayMeasure } = station;
  useAwake();
  const [selectedId, setSelectedId] = useState<string | undefined>(undefined);
  const [point, setPoint] = useState<number | undefined>(undefined);
  const [drawing, setDrawing] = useState(false);
  const [large, setLarge] = useState(false);
  const [shaped, setShaped] = useState<{ id: string; root: DugRoot } | undefined>(undefined);
  const [year, setYear] = useState(0);
  const [scenario, setScenario] = useState(0);
  const work = useDig(station, shaped, selectedLabelOf(control.items, selectedId));
  const { dig, reading, advice, stem } = work;
  const rootItems = itemsBelow(control.items, 'root', visitId);
  const selectedItem = rootItems.find((r) => r.id === selectedId);
  const selected = shaped && shaped.id === selectedId ? shaped.root : selectedItem?.values;
  const selectedReading = reading.roots.find((r) => r.root === selected);
  const thisYear = Number(visit.date.slice(0, 4));
  const chosen = work.scenarios[Math.min(scenario, work.scenarios.length - 1)];
  const grown = useMemo(
    () => grownDig(reading, year, stem, year === 0 ? NO_CUTS : (chosen?.cuts ?? NO_CUTS)),
    [reading, year, stem, chosen],
  );
  const frame = { dig, turn: reading.turn, outline: reading.outline };
  const pictures = useSame(itemsBelow(control.items, 'picture', visitId).map((p) => p.values));
  const labels = rootItems.map((r) => r.values.label);
  const headItem = control.items.find((i) => i.kind === 'dig' && i.parent === visitId);
  const head = (headItem?.values ?? NEW_DIG) as DigHead;
  const editable = mayMeasure && year === 0;

  const select = (label: string | undefined) => {
    setSelectedId(rootItems.find((r) => r.values.label === label)?.id);
    setPoint(undefined);
    setDrawing(false);
    shapes.end();
  };
  const save = (id: string, root: DugRoot | null, field: string = ONE_STEP) => {
    setShaped(undefined);
    if (!headItem?.values) control.set('dig', idOf('dig', visitId), visitId, NEW_DIG, ONE_STEP);
    control.set('root', id, visitId, root, field);
  };
  /** Where the plan stands above the entry, it is opened to draw on, and closed when that is done. */
  const showPlan = () => setLarge(!matchMedia(BESIDE).matches);
  const begin = (kind: RootKind, draw: boolean) => {
    const id = newId();
    const label = nextLabel(labels);
    save(id, { label, kind, start: kind === 'competing' ? 'outside' : 'stem', points: [] });
    shapes.end();
    setSelectedId(id);
    setPoint(undefined);
    setDrawing(draw);
    setYear(0);
    if (draw) showPlan();
  };
  const tracing = useTracing({ pictures, tree, dig, frame, save });
  const shapes = useShapes({
    control,
    visitId,
    tree,
    head,
    reading,
    roots: rootItems,
    system,
    onGround: tracing.onGround,
  });
  const latest = useRef(rootItems);
  useEffect(() => {
    latest.current = rootItems;
  });
  const drawShape = (shape: Shape) => {
    select(undefined);
    setYear(0);
    shapes.begin(shape);
    showPlan();
  };
  const tap = (x: number, y: number) => {
    if (shapes.drawing) return shapes.touch([x, y]);
    if (!selectedItem) return;
    const { id } = selectedItem;
    tracing.tap(id, () => latest.current.find((r) => r.id === id)?.values, [x, y]);
    setPoint(tracing.under ? undefined : selected?.points.length);
  };
  const bringIn = (roots: DugRoot[], radii?: DigHead['radii']) =>
    control.setAll(broughtIn(visitId, headItem?.values as DigHead | undefined, labels, roots, radii));
  const turnYear = useCallback((next: number) => setYear(next), []);
  const anyRoot = advice.roots.length > 0;
  const unfinished = rootItems.filter((r) => r.values.points.length === 0 && r.id !== selectedId);

  return (
    <>
      <div className={`flex flex-col bg-paper ${large ? 'fixed inset-0 z-20' : DRAWING_PANE}`}>
        <div className="flex-1 min-h-0">
          <DigPlanView
            dig={dig}
            reading={reading}
            grown={grown}
            cuts={year === 0 ? work.cuts : []}
            selected={selected}
            point={point}
            under={tracing.under}
            touched={shapes.touched}
            dbh={tree.dbh ?? tree.stemDiameter}
            drip={tree.crownRadius}
            system={system}
            drawing={(drawing || shapes.drawing) && editable}
            editable={editable}
            onSelect={select}
            onPoint={setPoint}
            onTap={tap}
            onDrag={(root) => selectedId && setShaped({ id: selectedId, root })}
            onDrop={(root) => selectedId && save(selectedId, root)}
          >
            <button
              type="button"
              aria-pressed={large}
              className="lg:hidden absolute right-2 bottom-2 min-h-[44px] px-3 border border-ink bg-sheet"
              onClick={() => setLarge(!large)}
            >
              {large ? 'Back to the entry' : 'Large plan'}
            </button>
            {drawing && editable && selected && (
              <NowDrawn
                onDone={() => {
                  setDrawing(false);
                  setLarge(false);
                }}
              >
                Tap along root {selected.label}.
              </NowDrawn>
            )}
            {shapes.drawing && editable && (
              <NowDrawn
                onDone={() => {
                  shapes.end();
                  setLarge(false);
                }}
              >
                {shapes.says}
              </NowDrawn>
            )}
          </DigPlanView>
        </div>
        {reading.roots.length > 0 && (
          <DigYears from={thisYear} year={year} share={grown.share} onYear={setYear} />
        )}
      </div>
      <EntryColumn foot={foot}>
        <Entry>
          <h1>Dig</h1>
          {reading.roots.length === 0 ? (
            <p className="text-muted my-2">
              Lay the collar open all round, then map each root: draw it on the plan, or type its points.
              Roots stay moist and shaded meanwhile.
            </p>
          ) : (
            <DigHeadline
              quantityShare={<QuantityView quantity={girdledShare(reading)} system={system} big />}
              forecast={work.forecast}
              from={thisYear}
            />
          )}
          {reading.roots.length > 0 && (
            <Said
              className="my-1"
              problem={
                reading.problems.length > 0 &&
                reading.problems.map((p, i) => (
                  <p key={i}>
                    {p.root && <strong>Root {p.root}: </strong>}
                    {writeLengths(p.message, system)}
                  </p>
                ))
              }
              told={
                year > 0 && (
                  <>
                    The plan shows {thisYear + year}.{' '}
                    <button type="button" className="link" onClick={() => setYear(0)}>
                      Back to the day of the dig
                    </button>
                  </>
                )
              }
            />
          )}
          {mayMeasure && <NewRoot onBegin={begin} />}
          {mayMeasure && (
            <PicturesUnder
              pictures={pictures}
              href={treeHref(treeId, { page: 'pictures', visit: visitId, alone: station.alone })}
              choice={tracing.choice}
              underlay={tracing.underlay}
              stemKnown={reading.outline.from !== 'nothing'}
              system={system}
              onChange={tracing.setChoice}
            />
          )}
          {selectedItem && selected && (
            <RootEditor
              key={selectedItem.id}
              root={selected}
              others={rootItems.filter((r) => r.id !== selectedItem.id).map((r) => r.values)}
              point={point}
              frame={frame}
              north={dig.north}
              measuredFrom={dig.measuredFrom}
              system={system}
              disabled={!mayMeasure}
              newLabel={nextLabel(labels)}
              onPoint={setPoint}
              onChange={(root, field) => save(selectedItem.id, tracing.edited(selected, root), field)}
              onSplit={([first, second]) => {
                control.setAll([
                  { kind: 'root', id: selectedItem.id, parent: visitId, values: first },
                  { kind: 'root', id: newId(), parent: visitId, values: second },
                ]);
                setPoint(undefined);
              }}
              onJoin={(root, gone) => {
                const other = rootItems.find((r) => r.values.label === gone)!;
                control.setAll([
                  { kind: 'root', id: selectedItem.id, parent: visitId, values: root },
                  { kind: 'root', id: other.id, parent: visitId, values: null },
                ]);
              }}
              onRemove={() => {
                save(selectedItem.id, null);
                setSelectedId(undefined);
              }}
            >
              {selectedReading && (
                <RootNumbers
                  root={selectedReading}
                  reading={reading}
                  advice={advice.roots.find((r) => r.label === selected.label)}
                  forecast={work.forecast}
                  from={thisYear}
                  system={system}
                />
              )}
            </RootEditor>
          )}
          <RootsAdvice
            advice={advice}
            reading={reading}
            unfinished={unfinished.map((r) => r.values.label)}
            chosen={selected?.label}
            system={system}
            onSelect={select}
          />
          <details className="mt-3 border-t border-ink">
            <summary className="min-h-[44px] flex items-center cursor-pointer font-semibold">
              Seen in the pit
            </summary>
            <Questions {...station} questions={DIG_QUESTIONS} />
          </details>
          <details className="mt-3 border-t border-ink">
            <summary className="min-h-[44px] flex items-center cursor-pointer font-semibold">
              Stem, tape and compass
            </summary>
            <DigStem
              head={head}
              system={system}
              disabled={!mayMeasure}
              onChange={(next, field) => control.set('dig', idOf('dig', visitId), visitId, next, field)}
              onDraw={drawShape}
            />
          </details>
          {anyRoot && (
            <p className="mt-3">
              <PageLink className="act" href={`/trees/${treeId}/crew?visit=${visitId}`}>
                Crew sheet
              </PageLink>
            </p>
          )}
          <DigFiles
            name={`${tree.label} dig ${visit.date}`}
            dig={dig}
            reading={reading}
            drawing={() => planOf(work, tree, system, { width: 900, height: 900 })}
            disabled={!mayMeasure}
            onRoots={bringIn}
          />
          {/* Last, for its figures come late: what can be pressed above stays where it is. */}
          {anyRoot && (
            <>
              <ForecastPart
                system={system}
                work={work}
                from={thisYear}
                year={year}
                onYear={turnYear}
                scenario={scenario}
                onScenario={setScenario}
              />
              <DigFacts work={work} tree={tree} system={system} from={thisYear} />
            </>
          )}
        </Entry>
      </EntryColumn>
    </>
  );
}
