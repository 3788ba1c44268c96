'use client';

import { idOf } from '@undrel/core/records';
import { type ReactNode } from 'react';
import { DIG_QUESTIONS } from '@undrel/core/questions';
import { girdledShare, nextLabel } from '@undrel/core/roots';

import { writeLengths } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { Said } from '../../../ui/Said';
import { useAwake } from '../../../ui/useAwake';
import { DRAWING_PANE, EntryColumn } from '../EntryColumn';
import { Entry } from '../../../ui/controls/Entry';
import { QuantityView } from '../../../ui/controls/QuantityView';
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
import { NewRoot } from '../dig/NewRoot';
import { PicturesUnder } from '../dig/PicturesUnder';
import { newId } from '../newId';
import { Questions } from '../asked/Questions';
import type { StationProps } from '../visitEntry';
import { treeHref } from '../../../protocol/treeHref';
import { useDigHand, type DigHand } from '../dig/useDigHand';

/** The dig: its plan in the middle, its roots, forecast and advice beside it. */
export function Dig({ foot, ...station }: StationProps & { foot: ReactNode }) {
  useAwake();
  const hand = useDigHand(station);
  const { mayMeasure } = station;
  return (
    <>
      <DigPane hand={hand} />
      <EntryColumn foot={foot}>
        <Entry>
          <h1>Dig</h1>
          <DigToldFirst hand={hand} />
          {mayMeasure && <NewRoot onBegin={hand.begin} />}
          {mayMeasure && <TracedOn hand={hand} />}
          <RootInHand hand={hand} />
          <DigRest hand={hand} />
        </Entry>
      </EntryColumn>
    </>
  );
}

/** The plan, as it stood or will stand, with what is drawn on it. */
function DigPane({ hand }: { hand: DigHand }) {
  const {
    station,
    work,
    tracing,
    shapes,
    grown,
    selected,
    selectedId,
    point,
    year,
    large,
    drawing,
    editable,
    thisYear,
  } = hand;
  const { tree, system } = station;
  const { dig, reading } = work;
  return (
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
          onSelect={hand.select}
          onPoint={hand.setPoint}
          onTap={hand.tap}
          onDrag={(root) => selectedId && hand.setShaped({ id: selectedId, root })}
          onDrop={(root) => selectedId && hand.save(selectedId, root)}
        >
          <button
            type="button"
            aria-pressed={large}
            className="lg:hidden absolute right-2 bottom-2 min-h-[44px] px-3 border border-ink bg-sheet"
            onClick={() => hand.setLarge(!large)}
          >
            {large ? 'Back to the entry' : 'Large plan'}
          </button>
          {drawing && editable && selected && (
            <NowDrawn
              onDone={() => {
                hand.setDrawing(false);
                hand.setLarge(false);
              }}
            >
              Tap along root {selected.label}.
            </NowDrawn>
          )}
          {shapes.drawing && editable && (
            <NowDrawn
              onDone={() => {
                shapes.end();
                hand.setLarge(false);
              }}
            >
              {shapes.says}
            </NowDrawn>
          )}
        </DigPlanView>
      </div>
      {reading.roots.length > 0 && (
        <DigYears from={thisYear} year={year} share={grown.share} onYear={hand.setYear} />
      )}
    </div>
  );
}

/** How much of the bark is pressed, and what the readings contradict. */
function DigToldFirst({ hand }: { hand: DigHand }) {
  const { work, year, thisYear, setYear } = hand;
  const { system } = hand.station;
  const { reading } = work;
  return (
    <>
      {reading.roots.length === 0 ? (
        <p className="text-muted my-2">
          Lay the collar open all round, then map each root: draw it on the plan, or type its points. Roots
          stay moist and shaded meanwhile.
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
    </>
  );
}

/** Pictures with marker cards, for roots to be traced on. */
function TracedOn({ hand }: { hand: DigHand }) {
  const { station, tracing, pictures, work } = hand;
  const { treeId, visitId, alone, system } = station;
  const { reading } = work;
  return (
    <PicturesUnder
      pictures={pictures}
      href={treeHref(treeId, { page: 'pictures', visit: visitId, alone })}
      choice={tracing.choice}
      underlay={tracing.underlay}
      stemKnown={reading.outline.from !== 'nothing'}
      system={system}
      onChange={tracing.setChoice}
    />
  );
}

/** The root that is chosen: its readings, what they come to, and what becomes of it. */
function RootInHand({ hand }: { hand: DigHand }) {
  const { station, work, tracing, rootItems, selectedItem, selected, point, frame, thisYear } = hand;
  const { control, visitId, system, mayMeasure } = station;
  const { dig, reading, advice } = work;
  if (!selectedItem || !selected) return null;
  const selectedReading = reading.roots.find((r) => r.root === selected);
  return (
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
      newLabel={nextLabel(hand.labels)}
      onPoint={hand.setPoint}
      onChange={(root, field) => hand.save(selectedItem.id, tracing.edited(selected, root), field)}
      onSplit={([first, second]) => {
        control.setAll([
          { kind: 'root', id: selectedItem.id, parent: visitId, values: first },
          { kind: 'root', id: newId(), parent: visitId, values: second },
        ]);
        hand.setPoint(undefined);
      }}
      onJoin={(root, gone) => {
        const other = rootItems.find((r) => r.values.label === gone)!;
        control.setAll([
          { kind: 'root', id: selectedItem.id, parent: visitId, values: root },
          { kind: 'root', id: other.id, parent: visitId, values: null },
        ]);
      }}
      onRemove={() => {
        hand.save(selectedItem.id, null);
        hand.choose(undefined);
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
  );
}

/** What is advised, what else was seen, and what comes of it over the years. */
function DigRest({ hand }: { hand: DigHand }) {
  const {
    station,
    work,
    rootItems,
    selectedId,
    selected,
    head,
    year,
    turnYear,
    scenario,
    setScenario,
    thisYear,
  } = hand;
  const { control, visitId, visit, treeId, tree, system, mayMeasure } = station;
  const { dig, reading, advice } = work;
  const anyRoot = advice.roots.length > 0;
  const unfinished = rootItems.filter((r) => r.values.points.length === 0 && r.id !== selectedId);
  return (
    <>
      <RootsAdvice
        advice={advice}
        reading={reading}
        unfinished={unfinished.map((r) => r.values.label)}
        chosen={selected?.label}
        system={system}
        onSelect={hand.select}
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
          onDraw={hand.drawShape}
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
        onRoots={hand.bringIn}
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
    </>
  );
}
