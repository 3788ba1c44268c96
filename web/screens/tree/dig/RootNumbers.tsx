'use client';

import type { Forecast } from '@undrel/core/growth';
import type { RootAdvice } from '@undrel/core/pruning';
import { rootShare, type DigReading, type RootReading } from '@undrel/core/roots';
import { formatQuantity, formatValue, tidy, type UnitSystem } from '@undrel/core/units';

const percent = (share: number): string => `${tidy(100 * share, share < 0.1 ? 1 : 0)}%`;

interface Crossed {
  other: number;
  under: boolean;
  angles: number[];
  seen: boolean;
}

/** The crossings of a root, one entry for each other root: roots that run along each other cross many times. */
function crossed(root: RootReading, index: number): Crossed[] {
  const list: Crossed[] = [];
  for (const { over, under, angle, seen } of root.crossings) {
    const [below, other] = [over !== index, over === index ? under : over];
    const known = list.find((c) => c.other === other && c.under === below);
    if (known) {
      known.angles.push(angle);
      known.seen &&= seen;
    } else list.push({ other, under: below, angles: [angle], seen });
  }
  return list;
}

interface RootNumbersProps {
  root: RootReading;
  reading: DigReading;
  advice: RootAdvice | undefined;
  forecast: Forecast | undefined;
  from: number;
  system: UnitSystem;
}

/** What was computed for a root, each with its name. */
function rowsOf({ root, reading, advice, forecast, from, system }: RootNumbersProps): [string, string][] {
  const length = (metres: number) => formatValue(metres, 'short length', system, 0.001);
  const { compression, clearance } = root;
  const index = reading.roots.indexOf(root);
  const labelOf = (i: number) => reading.roots[i]!.root.label;
  const touch = forecast?.touches.find((t) => t.label === root.root.label)?.year;
  const year = (y: number | undefined) => (y === undefined ? 'later' : String(Math.round(from + y)));
  return [
    [
      'Compresses',
      compression.share > 0
        ? `${formatQuantity(rootShare(root), system)} of the bark, ${compression.arcs.map((a) => `${Math.round(a.from % 360)}° to ${Math.round(a.to % 360)}°`).join(', ')}`
        : 'nothing today',
    ],
    ...(clearance === undefined
      ? []
      : ([
          [
            clearance > 0 ? 'Clear of the bark by' : 'In the bark by',
            `${length(Math.abs(clearance))}, at ${Math.round(root.nearestBearing!)}°`,
          ],
        ] as [string, string][])),
    ...(root.crossingAngle === undefined || compression.share === 0
      ? []
      : ([['Crosses the stem at', `${Math.round(root.crossingAngle)}° to its radius`]] as [
          string,
          string,
        ][])),
    ...(touch && compression.share === 0 && touch.p50 !== undefined
      ? ([['Begins to press in', `${year(touch.p50)} (${year(touch.p10)} to ${year(touch.p90)})`]] as [
          string,
          string,
        ][])
      : []),
    ...crossed(root, index).map(({ under, other, angles, seen }): [string, string] => [
      `${under ? 'Under' : 'Over'} ${labelOf(other)}`,
      `at ${[...new Set(angles.map(Math.round))].map((a) => `${a}°`).join(', ')}${seen ? '' : ', by depth'}`,
    ]),
    ...root.pressings
      .filter((p) => p.length > 0)
      .map((p): [string, string] => [
        `Presses on ${labelOf(p.a === index ? p.b : p.a)}`,
        `over ${length(p.length)}`,
      ]),
    ...(root.area === undefined
      ? []
      : ([
          [
            'Cross-section at the collar',
            `${system === 'us' ? `${tidy(root.area / 0.0254 ** 2, 1)} in²` : `${tidy(root.area * 1e4, 0)} cm²`}: ${percent(root.shareOfArea)} of all, ${percent(root.shareOfSector)} of its side`,
          ],
        ] as [string, string][])),
    ['Followed for', length(root.length)],
    ...(advice?.cuts ?? []).map((cut, i): [string, string] => [
      `Cut ${i + 1}`,
      `${Math.round(cut.bearing)}°, ${length(cut.fromBark)} from the bark, ${length(cut.diameter)} across${cut.timesDbh === undefined ? '' : `, ${tidy(cut.timesDbh, 1)} × DBH`}`,
    ]),
  ];
}

/** What was computed for one root, beside it. */
export function RootNumbers(props: RootNumbersProps) {
  const rows = rowsOf(props);
  return (
    <dl
      className="grid grid-cols-[auto_1fr] gap-x-3 text-sm mt-2"
      aria-label={`Numbers of root ${props.root.root.label}`}
    >
      {rows.map(([name, value], i) => (
        <div key={i} className="contents">
          <dt className="py-0.5">{name}</dt>
          <dd className="py-0.5 font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
