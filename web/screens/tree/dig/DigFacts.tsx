import { SECTORS } from '@undrel/core/questions';
import type { Tree } from '@undrel/core/records';
import { potInWords, potOutgrown } from '@undrel/core/roots';
import { formatValue, writeLengths, type UnitSystem } from '@undrel/core/units';
import type { DigWork } from './useDig';

/** What holds, what is near, the old pot: the smaller answers. */
export function DigFacts({
  work,
  tree,
  system,
  from,
}: {
  work: DigWork;
  tree: Tree;
  system: UnitSystem;
  from: number;
}) {
  const { reading, forecast } = work;
  const { anchorage, pot, byLayer } = reading;
  const about = (year: number | undefined) =>
    year === undefined ? 'not within 30 years' : `about ${Math.round(from + year)}`;
  const rows: [string, string][] = [
    [
      'Sound anchors',
      `${anchorage.sound}${anchorage.largestGap ? `, largest gap ${Math.round(anchorage.largestGap.degrees)}° from ${Math.round(anchorage.largestGap.from)}°` : ''}`,
    ],
    [
      'Without an anchor',
      anchorage.sectorsWithout.length === 0
        ? 'no side'
        : anchorage.sectorsWithout.map((s) => SECTORS[s]).join(', '),
    ],
    [
      'Compressed, by depth',
      byLayer
        .map((l, i) => ({ ...l, from: i === 0 ? 0 : byLayer[i - 1]!.to }))
        .filter((l) => l.share > 0.0005)
        .map(
          (l) =>
            `${l.to === Infinity ? `below ${formatValue(l.from, 'short length', system)}` : `to ${formatValue(l.to, 'short length', system)}`}: ${Math.round(100 * l.share)}%`,
        )
        .join(', ') || 'nowhere',
    ],
    ...(pot
      ? ([
          [
            'Old pot',
            writeLengths(potInWords(pot, potOutgrown(pot, work.dig.roots, from, tree.plantedYear)), system),
          ],
        ] as [string, string][])
      : []),
    ...(forecast?.buries ?? [])
      .filter((b) => b.year.p50 !== undefined && b.year.p50 <= 15)
      .map((b): [string, string] => [
        `${b.a} and ${b.b}`,
        b.year.p50 === 0 ? 'press on each other now' : `press on each other in ${about(b.year.p50)}`,
      ]),
    ...(forecast?.barriers ?? []).map((b): [string, string] => [
      b.kind,
      b.year.p50 === undefined ? about(undefined) : `reached in ${about(b.year.p50)}`,
    ]),
    ...(forecast?.arcsJoin !== undefined
      ? ([['Arcs run together', about(forecast.arcsJoin)]] as [string, string][])
      : []),
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-3 border-t border-hair">
      {rows.map(([name, value], i) => (
        <div key={i} className="contents">
          <dt className="text-muted py-1 border-b border-hair">{name}</dt>
          <dd className="py-1 border-b border-hair">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
