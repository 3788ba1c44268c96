import { layerDepths } from '@undrel/core/photogrammetry';
import type { Picture } from '@undrel/core/records';
import { pictureMarks } from '../../drawings/pictureMarks';
import { Label } from './Label';

const RADIUS = 9;

/** The rod, tape or stem that gives the scale from end to end, and the layers touched beside it. */
export function BarOutline({
  picture,
  ends,
}: {
  picture: Pick<Picture, 'width' | 'height' | 'bar' | 'face' | 'section'>;
  ends: readonly (readonly [number, number])[];
}) {
  const { width, height } = pictureMarks(picture);
  const places = ends.map(([x, y]) => [x * width, y * height] as const);
  const layers = picture.face ?? [];
  const right =
    picture.bar && picture.face && !('problem' in layerDepths(picture, picture.bar, picture.face));
  return (
    <g fill="none" stroke="var(--todo)" strokeWidth={3}>
      <polyline points={places.map((p) => p.join()).join(' ')} />
      {places.map(([x, y], i) => (
        <circle key={i} cx={x} cy={y} r={RADIUS} stroke="var(--paper)" fill="var(--todo)" />
      ))}
      {(picture.section ?? []).map(([x, y], i) => (
        <g key={`root ${i}`}>
          <line x1={x * width - 40} x2={x * width + 40} y1={y * height} y2={y * height} />
          <Label x={x * width} y={y * height - 14} anchor="middle">
            {i < 2 ? 'grade' : String(i - 1)}
          </Label>
        </g>
      ))}
      {layers.map(([x, y], i) => (
        <g key={i} stroke={right ? 'var(--todo)' : 'var(--harm)'}>
          <line x1={x * width - 60} x2={x * width + 60} y1={y * height} y2={y * height} />
          {i === 0 && (
            <Label x={x * width - 70} y={y * height + 10} anchor="end">
              grade
            </Label>
          )}
        </g>
      ))}
    </g>
  );
}
