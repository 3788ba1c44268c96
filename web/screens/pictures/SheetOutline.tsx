import { pictureMarks } from '../../drawings/pictureMarks';

const RADIUS = 9;

/** The corners of a sheet that were touched, and the edges between them. */
export function SheetOutline({
  picture,
  corners,
}: {
  picture: { width: number; height: number };
  corners: readonly (readonly [number, number])[];
}) {
  const { width, height } = pictureMarks(picture);
  const places = corners.map(([x, y]) => [x * width, y * height] as const);
  const edge = places.map(([x, y]) => `${x},${y}`).join(' ');
  return (
    <g fill="none" stroke="var(--todo)" strokeWidth={3}>
      {places.length === 4 ? <polygon points={edge} /> : <polyline points={edge} />}
      {places.map(([x, y], i) => (
        <circle key={i} cx={x} cy={y} r={RADIUS} stroke="var(--paper)" fill="var(--todo)" />
      ))}
    </g>
  );
}
