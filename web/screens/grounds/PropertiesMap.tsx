import { useRouter } from 'next/navigation';
import { besideMarks } from '../../drawings/besideMarks';
import { ScaleBarSvg } from '../../drawings/ScaleBarSvg';
import { planFrame } from '../../drawings/plan';
import type { PropertyRow } from '../../protocol/grounds';
import { useMeasured } from '../../ui/useMeasured';
import { usePreferences } from '../shell/preferences';

/** Of the map, its marks and its letters, pixels. */
const HEIGHT = 240;
const RADIUS = 7;
const LETTER = 8.2;
const LINE = 20;

const METRES_PER_DEGREE = 111_320;

/** Places on a plane about their middle, metres: good enough to see where they lie to one another. */
export function onPlane(
  places: readonly { latitude: number; longitude: number }[],
): [east: number, north: number][] {
  const mean = (of: (p: { latitude: number; longitude: number }) => number) =>
    places.reduce((sum, p) => sum + of(p) / places.length, 0);
  const [lat, lon] = [mean((p) => p.latitude), mean((p) => p.longitude)];
  const narrow = Math.cos((lat * Math.PI) / 180);
  return places.map((p) => [
    (p.longitude - lon) * narrow * METRES_PER_DEGREE,
    (p.latitude - lat) * METRES_PER_DEGREE,
  ]);
}

/** Where the properties lie to one another, north up; nothing where fewer than two places are noted. */
export function PropertiesMap({
  properties,
  late,
}: {
  properties: readonly PropertyRow[];
  /** Tasks that are late, by property. */
  late: ReadonlyMap<string, number>;
}) {
  const router = useRouter();
  const { units } = usePreferences();
  const [ref, size] = useMeasured<HTMLDivElement>({ width: 440, height: HEIGHT });
  const placed = properties.filter((p) => p.place !== null);
  if (placed.length < 2) return null;
  const points = onPlane(placed.map((p) => p.place!));
  const frame = planFrame(points, { width: size.width, height: HEIGHT }, units);
  const marks = points.map(([east, north]): [number, number] => [frame.x(east), frame.y(north)]);
  const labels = besideMarks(
    marks,
    placed.map((p) => p.name.length * LETTER),
    { width: size.width, height: HEIGHT },
    RADIUS,
    LINE,
  );
  return (
    <figure className="mt-6">
      <div ref={ref} className="border border-ink bg-paper" style={{ height: HEIGHT }}>
        <svg width={size.width} height={HEIGHT} role="group" aria-label="Where the properties lie">
          {placed.map((p, i) => {
            const [x, y] = marks[i]!;
            const label = labels[i]!;
            const count = late.get(p.id) ?? 0;
            const open = () => router.push(`/grounds/${p.id}`);
            return (
              <g
                key={p.id}
                role="link"
                tabIndex={0}
                aria-label={`${p.name}${count > 0 ? `, ${count} late` : ''}`}
                className="cursor-pointer"
                transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}
                onClick={open}
                onKeyDown={(event) => event.key === 'Enter' && open()}
              >
                <circle r="22" fill="transparent" />
                <circle
                  r="7"
                  fill={count > 0 ? 'var(--harm)' : 'var(--todo)'}
                  stroke="var(--ink)"
                  strokeWidth="1.5"
                />
                <text
                  x={label.x - x}
                  y={label.y - y}
                  dominantBaseline="middle"
                  fontSize="14"
                  fontWeight="600"
                  fill="var(--ink)"
                  stroke="var(--paper)"
                  strokeWidth="4"
                  paintOrder="stroke"
                >
                  {p.name}
                </text>
              </g>
            );
          })}
          <ScaleBarSvg bar={frame.bar} height={HEIGHT} />
        </svg>
      </div>
      <figcaption className="text-sm text-muted">
        Where they lie, north up; red where something is late.
      </figcaption>
    </figure>
  );
}
