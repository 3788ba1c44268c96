import { LIMITS } from '@undrel/core/practice';
import { ROOM, type SoilMap } from '@undrel/core/soil';
import { along } from '@undrel/core/trenching';
import type { Push } from '@undrel/core/records';
import { formatValue, type UnitSystem } from '@undrel/core/units';

const CELLS = 34;
const SIZE = 300;
/** Depths at which the shade changes, m; tight is dark. */
const SHADES: readonly [upTo: number, tone: string][] = [
  [LIMITS.soilVeryTight.value, 'var(--buried)'],
  [ROOM, 'var(--clay)'],
  [Infinity, 'var(--topsoil)'],
];

/** Depth at which roots stop, about the tree: shaded where the readings tell it, blank where they do not. */
export function PushMap({
  map,
  pushes,
  stemRadius,
  system,
}: {
  map: SoilMap;
  pushes: readonly Push[];
  stemRadius: number;
  system: UnitSystem;
}) {
  const far = 1.25 * Math.max(1, ...pushes.map((p) => stemRadius + p.distance));
  const scale = SIZE / 2 / far;
  const step = (2 * far) / CELLS;
  const cells = Array.from({ length: CELLS * CELLS }, (_, i) => {
    const [x, y] = [-far + ((i % CELLS) + 0.5) * step, far - (Math.floor(i / CELLS) + 0.5) * step];
    return { x, y, there: map.at(x, y) };
  }).filter((c) => c.there !== undefined && Math.hypot(c.x, c.y) > stemRadius);
  const least = Math.min(...cells.map((c) => c.there!.error));
  const most = Math.max(...cells.map((c) => c.there!.error));
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const words = (from: number | undefined, upTo: number) =>
    from === undefined
      ? `under ${short(upTo)}`
      : upTo === Infinity
        ? `${short(from)} and more`
        : `${short(from)} to ${short(upTo)}`;
  const at = (x: number, y: number) => [SIZE / 2 + x * scale, SIZE / 2 - y * scale] as const;
  return (
    <figure className="my-2">
      <svg
        role="img"
        aria-label="Depth at which roots stop, about the tree, north up"
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="w-full max-w-[340px] border border-ink bg-paper"
      >
        {cells.map((c) => {
          const [px, py] = at(c.x, c.y);
          const shade = SHADES.find(([upTo]) => c.there!.value < upTo)!;
          // Smaller squares where the map knows less.
          const sure = most > least ? 1 - 0.6 * ((c.there!.error - least) / (most - least)) : 1;
          const side = step * scale * sure;
          return (
            <rect
              key={`${c.x} ${c.y}`}
              x={px - side / 2}
              y={py - side / 2}
              width={side}
              height={side}
              fill={shade[1]}
            />
          );
        })}
        <StemAndPushes stemRadius={stemRadius} scale={scale} pushes={pushes} at={at} />
        <text x={SIZE - 16} y="18" fontSize="13" textAnchor="middle" fill="var(--ink)">
          N
        </text>
      </svg>
      <MapLegend words={words} most={most} system={system} />
    </figure>
  );
}

function MapLegend({
  words,
  most,
  system,
}: {
  words: (from: number | undefined, upTo: number) => string;
  most: number;
  system: UnitSystem;
}) {
  return (
    <figcaption className="text-sm">
      {SHADES.map(([upTo, tone], k) => [tone, words(SHADES[k - 1]?.[0], upTo)] as const).map(
        ([tone, words]) => (
          <span key={words} className="inline-flex items-center gap-1.5 mr-3">
            <span
              aria-hidden="true"
              className="inline-block w-4 h-4 border border-ink"
              style={{ background: tone }}
            />
            {words}
          </span>
        ),
      )}
      <span className="block text-muted">
        Depth at which roots stop; small squares are less sure, by up to ±{' '}
        {formatValue(1.645 * most, 'short length', system)}; blank is not known. Crosses: pushes.
      </span>
    </figcaption>
  );
}

function StemAndPushes({
  stemRadius,
  scale,
  pushes,
  at,
}: {
  stemRadius: number;
  scale: number;
  pushes: readonly Push[];
  at: (x: number, y: number) => readonly [number, number];
}) {
  return (
    <>
      <circle
        cx={SIZE / 2}
        cy={SIZE / 2}
        r={Math.max(4, stemRadius * scale)}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      {pushes.map((p, i) => {
        const [ux, uy] = along(p.bearing);
        const r = stemRadius + p.distance;
        const [px, py] = at(r * ux, r * uy);
        return (
          <path
            key={i}
            d={`M${px - 4} ${py}h8M${px} ${py - 4}v8`}
            stroke="var(--ink)"
            strokeWidth="1.8"
            fill="none"
          />
        );
      })}
    </>
  );
}
