import { memo, useCallback, useEffect, useState } from 'react';
import type { StationProgress } from '@undrel/core/assessment';
import { shootsIn } from '@undrel/core/history';
import type { Tree, Visit } from '@undrel/core/records';
import type { Twig } from '../../drawings/twigs';
import type { ReferenceShoots } from '../../protocol/reference';
import { DRAWING_PANE, EntryColumn } from './EntryColumn';
import { NextStep } from './NextStep';
import { SaveStateHere } from './SaveState';
import { Section } from './SectionLate';
import {
  CutPlan,
  Dig,
  OrderOfWorkView,
  SoilColumnsView,
  Station,
  StationHere,
  Trenches,
  TwigsView,
  VerdictDiagramView,
} from './stationsLate';
import type { StationKey, StationProps } from './visitEntry';

const NO_WORK = {};
const NONE: never[] = [];
/** A station whose code does not come holds up the drawing no longer than this, ms. Judgement. */
const LATEST_MS = 2000;

/** Shoots as they were read back at this visit, each by its own, and those of the healthy tree beside them. */
const twigsOf = (tree: Tree, visit: Visit, reference: ReferenceShoots | undefined): Twig[] =>
  [
    ...shootsIn(visit.findings).map((s, i) => ({
      name: i === 0 ? tree.label : `Shoot ${i + 1}`,
      values: s.values,
    })),
    ...(reference?.series ?? [])
      .filter((s) => s.of === 'shoot')
      .slice(0, 1)
      .map((s) => ({ name: reference!.label, values: s.values })),
  ].filter((t) => t.values.length > 0);

/** Whether a station has been here: typing comes before the drawing, which takes a phone longer to make than the fields. */
function useStationHere() {
  const [here, setHere] = useState(false);
  const isHere = useCallback(() => setHere(true), []);
  useEffect(() => {
    const timer = setTimeout(isHere, LATEST_MS);
    return () => clearTimeout(timer);
  }, [isHere]);
  return { here, isHere };
}

/** The open station: its drawing beside what is entered, or a plan that takes both. */
export const AtStation = memo(function AtStation({
  progress,
  ...props
}: StationProps & { station: StationKey; progress: readonly StationProgress[] }) {
  const { station, visitId, visit, system, treeId, goTo } = props;
  // The side and time that the section is seen from stay from one station to the next.
  const [bearing, setBearing] = useState(90);
  const [when, setWhen] = useState<'before' | 'after'>('before');
  const { here, isHere } = useStationHere();
  const foot = (
    <NextStep progress={progress} station={station} treeId={treeId} visitId={visitId} goTo={goTo}>
      <SaveStateHere system={system} />
    </NextStep>
  );
  switch (station) {
    case 'dig':
      return <Dig key={visitId} {...props} foot={foot} />;
    case 'trenches':
      return <Trenches key={visitId} {...props} foot={foot} />;
    case 'cuts':
      return <CutPlan key={visitId} {...props} foot={foot} />;
    default:
      return (
        <>
          <div className={DRAWING_PANE}>
            <Picture
              {...props}
              section={
                here && (
                  <Section
                    profile={props.profile}
                    work={props.glance?.work ?? NO_WORK}
                    tree={props.tree}
                    visit={visit}
                    events={props.events}
                    bearing={bearing}
                    onTurn={setBearing}
                    when={when}
                    onWhen={setWhen}
                    system={system}
                  />
                )
              }
            />
          </div>
          <EntryColumn foot={foot}>
            <StationHere value={isHere}>
              <Station key={`${visitId}.${station}`} {...props} station={station} />
            </StationHere>
          </EntryColumn>
        </>
      );
  }
});

/** What is drawn at a station: the section, or on the desk what it has nothing to say about. */
function Picture({ section, ...props }: StationProps & { station: StationKey; section: React.ReactNode }) {
  const { station, visit, judged, system } = props;
  // Its code comes after that of the fields.
  useEffect(() => Section.fetch(), []);
  if (station === 'soil' && (visit.soilLogs || visit.pushes))
    return (
      <SoilColumnsView
        logs={visit.soilLogs ?? NONE}
        elsewhere={props.referenceGround?.logs ?? NONE}
        pushes={visit.pushes ?? NONE}
        system={system}
      />
    );
  const twigs = station === 'crown' ? twigsOf(props.tree, visit, props.reference) : NONE;
  if (twigs.length > 0) return <TwigsView twigs={twigs} system={system} />;
  // What led to what, and what is done when.
  const picture =
    judged && station === 'verdict' ? (
      <VerdictDiagramView verdict={judged.verdict} firmTable={props.firmTable} system={system} />
    ) : judged && station === 'prescription' ? (
      <OrderOfWorkView {...props} judged={judged} />
    ) : undefined;
  return (
    <>
      {picture && <div className="hidden lg:block h-full">{picture}</div>}
      <div className={picture ? 'h-full lg:hidden' : 'h-full'}>{section}</div>
    </>
  );
}
