'use client';

import { fixedPoints, tapesFor, type PlannedSpoke, type Tapes } from '@undrel/core/trenching';
import type { Site, Tree } from '@undrel/core/records';
import { obstacleKind } from '@undrel/core/practice';
import { formatValue, type UnitSystem } from '@undrel/core/units';

/** Where the trenches run, for whoever lays them out with tapes. */
export function TrenchTapes({
  tree,
  site,
  spokes,
  stem,
  system,
}: {
  tree: Tree;
  site: Site;
  spokes: PlannedSpoke[];
  stem: number;
  system: UnitSystem;
}) {
  const tapes =
    tree.position &&
    tapesFor(
      spokes,
      fixedPoints(tree.position, site.things, site.others, (k) => obstacleKind(k).utility === true),
    );
  const long = (metres: number) => formatValue(metres, 'long length', system, 0.01);
  return (
    <>
      <TapeTable spokes={spokes} long={long} stem={stem} />
      {tapes ? (
        <TwoTapes tapes={tapes} long={long} />
      ) : (
        <p className="told mt-3">
          No two fixed points near by meet squarely enough for tapes: work by bearing and distance from the
          bark.
        </p>
      )}
    </>
  );
}

/** Each trench by bearing and tape. */
function TapeTable({
  spokes,
  long,
  stem,
}: {
  spokes: PlannedSpoke[];
  long: (metres: number) => string;
  stem: number;
}) {
  return (
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
                <span className="block text-sm font-normal">leave root {s.bridges.join(', ')} whole</span>
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
  );
}

/** Both ends of each trench by tapes from two fixed points. */
function TwoTapes({ tapes, long }: { tapes: Tapes; long: (metres: number) => string }) {
  return (
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
  );
}
