'use client';

import { useMemo, useState } from 'react';
import type { Site, Tree, TrenchDesign } from '@undrel/core/records';
import { obstacleKind } from '@undrel/core/practice';
import type { House } from '@undrel/core/house';
import { fixedPoints, marksHold, orderOfWork, tapesFor, unsurePlace } from '@undrel/core/trenching';
import { formatQuantity, formatValue, writeLengths } from '@undrel/core/units';
import { useToday, useVisitAsked } from '../../device/along/keptPage';
import { useCase } from '../../device/useCase';
import { itemsBelow, visitFrom } from '../../protocol/item';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { trenchDrawing } from '../../drawings/trenchPlan';
import { useMeasured } from '../../ui/useMeasured';
import { usePreferences } from '../shell/preferences';
import { SheetBar } from './SheetBar';
import { useLaidOut } from '../tree/trenches/useTrenches';

export interface TrenchSheetProps {
  treeId: string;
  items: string;
  visitId: string;
  property: string;
  house: House;
  site: Site;
  /** Who is signed in, for what is kept on the device. */
  person: string;
  today: string;
  /** The season that is shown first. */
  season: number;
}

const NONE: TrenchDesign = {};

/** One sheet for the crew: the spokes of a season with their tapes, what they take, the order of work and its hold points. */
export function TrenchSheet(props: TrenchSheetProps) {
  const { treeId, site, house } = props;
  const today = useToday(props.today, treeId);
  const { units: system } = usePreferences();
  const { items } = useCase(treeId, props.items, props.person);
  const visitId = useVisitAsked(props.visitId, items);
  const tree = items.find((i) => i.kind === 'tree')!.values as Tree;
  const visit = useMemo(() => {
    const item = itemsBelow(items, 'visit', treeId).find((v) => v.id === visitId)!;
    return visitFrom(items, item);
  }, [items, treeId, visitId]);
  const { trenches, problem } = useLaidOut({ tree, visit, site, house }, visit.trenches ?? NONE);
  const [asked, setSeason] = useState(props.season);
  const [figure, size] = useMeasured<HTMLElement>({ width: 520, height: 520 });
  const kinds = useMemo(() => new Map(site.things.map((t) => [t.name, t.kind])), [site]);
  const plan = trenches?.plan;
  const season = Math.min(asked, plan?.seasons ?? 1);
  const spokes = plan?.spokes.filter((s) => s.season === season) ?? [];
  const tapes =
    plan && tree.position
      ? tapesFor(
          spokes,
          fixedPoints(tree.position, site.things, site.others, (k) => obstacleKind(k).utility === true),
        )
      : undefined;
  const stem = (tree.stemDiameter ?? tree.dbh ?? 0) / 2;
  const long = (metres: number) => formatValue(metres, 'long length', system, 0.01);
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const marks = marksHold(visit.trenches?.marked, today);
  const quantities = trenches ? (trenches.bySeason[season - 1] ?? trenches.quantities) : [];
  return (
    <div className="min-h-dvh flex flex-col">
      <SheetBar
        label={tree.label}
        sheet="trenches, crew sheet"
        back={{ href: `/trees/${treeId}?station=trenches`, label: 'Trenches' }}
      />
      <main className="px-4 lg:px-8 py-4 max-w-[1100px] w-full mx-auto">
        {problem && (
          <p role="alert" className="wrong">
            The trenches could not be planned: {problem}
          </p>
        )}
        {!plan && !problem && <p role="status">Laying out…</p>}
        {plan && (
          <>
            <header className="border-b-2 border-ink pb-2 mb-3">
              <h1>
                {tree.label}: {spokes.length} {spokes.length === 1 ? 'trench' : 'trenches'}
                {plan.seasons > 1 && `, season ${season} of ${plan.seasons}`}
              </h1>
              <p className="text-muted">
                {props.property}, {tree.species}; as measured {visit.date}
                {visit.by && ` by ${visit.by}`}. Each {short(plan.rules.width)} wide and{' '}
                {short(plan.rules.depth)} deep. Bearings from true north.
              </p>
              {plan.seasons > 1 && (
                <div role="group" aria-label="Season" className="flex flex-wrap gap-1.5 mt-2 print:hidden">
                  {Array.from({ length: plan.seasons }, (_, i) => (
                    <button
                      key={i}
                      type="button"
                      aria-pressed={season === i + 1}
                      className={`min-h-[44px] px-4 border border-muted ${season === i + 1 ? 'bg-ink text-sheet' : 'bg-sheet'}`}
                      onClick={() => setSeason(i + 1)}
                    >
                      Season {i + 1}
                    </button>
                  ))}
                </div>
              )}
            </header>
            <p
              className={`border-[3px] px-3 py-2 mb-3 text-lg font-bold ${marks.holds ? 'border-ink' : 'border-harm'}`}
              data-testid="marks"
            >
              {marks.says}
            </p>
            {tree.position?.error !== undefined && (
              <p className="border-[3px] border-harm px-3 py-2 mb-3 text-lg font-bold first-letter:uppercase">
                {writeLengths(unsurePlace(tree.position.error), system)}.
              </p>
            )}
            <div className="grid lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] print:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-4 items-start">
              <figure ref={figure}>
                <DrawingSvg
                  drawing={trenchDrawing({
                    plan: { ...plan, spokes, seasons: 1 },
                    kinds,
                    stemRadius: stem || undefined,
                    selected: undefined,
                    system,
                    width: size.width,
                    height: size.width,
                  })}
                  title="Plan of the trenches of this season, numbered"
                  className="w-full h-auto border border-ink"
                />
                <figcaption className="text-sm text-muted">True scale, north up.</figcaption>
              </figure>
              <div>
                <table className="w-full" aria-label="Trenches by tape">
                  <thead>
                    <tr>
                      <th scope="col">no.</th>
                      <th scope="col" className="text-right">
                        bearing
                      </th>
                      <th scope="col" className="text-right">
                        bark to start
                      </th>
                      <th scope="col" className="text-right">
                        to end
                      </th>
                      <th scope="col" className="text-right">
                        steps
                      </th>
                    </tr>
                  </thead>
                  <tbody>
                    {spokes.map((s) => (
                      <tr key={s.label}>
                        <td className="py-1.5 font-semibold">
                          {s.label}
                          {s.bridges.length > 0 && (
                            <span className="block text-sm font-normal">
                              leave root {s.bridges.join(', ')} whole
                            </span>
                          )}
                        </td>
                        <td className="num text-right">{Math.round(s.bearing)}°</td>
                        <td className="num text-right whitespace-nowrap">{long(s.from - stem)}</td>
                        <td className="num text-right whitespace-nowrap">{long(s.to - stem)}</td>
                        <td className="num text-right">{s.steps || ''}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
                {tapes ? (
                  <>
                    <h2 className="mt-4">By two tapes</h2>
                    <p className="text-sm">
                      I: {tapes.points[0].name}. II: {tapes.points[1].name}.
                    </p>
                    <table className="w-full" aria-label="Ends by two tapes">
                      <thead>
                        <tr>
                          <th scope="col">no.</th>
                          <th scope="col" className="text-right">
                            start I
                          </th>
                          <th scope="col" className="text-right">
                            II
                          </th>
                          <th scope="col" className="text-right">
                            end I
                          </th>
                          <th scope="col" className="text-right">
                            II
                          </th>
                        </tr>
                      </thead>
                      <tbody>
                        {tapes.spokes.map((t) => (
                          <tr key={t.label}>
                            <td className="font-semibold py-1">{t.label}</td>
                            {[...t.inner, ...t.outer].map((d, i) => (
                              <td key={i} className="num text-right whitespace-nowrap">
                                {long(d)}
                              </td>
                            ))}
                          </tr>
                        ))}
                      </tbody>
                    </table>
                  </>
                ) : (
                  <p className="told mt-3">
                    No two fixed points near by meet squarely enough for tapes: work by bearing and distance
                    from the bark.
                  </p>
                )}
              </div>
            </div>
            <div className="grid lg:grid-cols-2 print:grid-cols-2 gap-4 mt-4">
              <section>
                <h2>What it takes</h2>
                <dl className="grid grid-cols-[1fr_auto] gap-x-3">
                  {quantities.map((q) => (
                    <div key={q.name} className="contents">
                      <dt className="py-0.5">{q.name}</dt>
                      <dd className="num text-right">{formatQuantity(q, system)}</dd>
                    </div>
                  ))}
                </dl>
              </section>
              <section>
                <h2>In this order</h2>
                <ol className="list-decimal pl-5">
                  {orderOfWork({ ...plan, spokes }).map((step) => (
                    <li key={step.says} className="py-0.5">
                      {step.hold && <strong className="text-harm">Hold: </strong>}
                      {writeLengths(step.says, system)}
                      {step.hold && (
                        <span className="block border-b border-ink w-56 h-7 mb-1 text-sm text-muted">
                          signed
                        </span>
                      )}
                    </li>
                  ))}
                </ol>
                <p className="text-sm text-muted mt-2">
                  Local codes, permits and licensed practice come first.
                </p>
              </section>
            </div>
          </>
        )}
      </main>
    </div>
  );
}
