import type { Picture, PictureCards } from '@undrel/core/records';
import { pictureMarks } from '../../drawings/pictureMarks';
import { Label } from './Label';

/** The cards that were found in a picture, by number, and the places of the bark that were touched. */
export function CardOutlines({
  picture,
  cards,
}: {
  picture: Pick<Picture, 'width' | 'height'>;
  cards: PictureCards;
}) {
  const { width, height } = pictureMarks(picture);
  const at = ([x, y]: readonly [number, number]) => `${x * width},${y * height}`;
  return (
    <g fill="none" stroke="var(--todo)" strokeWidth={3}>
      {cards.found.map(({ id, corners }) => {
        const top = Math.min(...corners.map((c) => c[1]));
        const middle = corners.reduce((sum, c) => sum + c[0], 0) / corners.length;
        return (
          <g key={id}>
            <polygon points={corners.map(at).join(' ')} />
            <Label x={middle * width} y={top * height - 14} anchor="middle">
              {id}
            </Label>
          </g>
        );
      })}
      {(cards.bark ?? []).map(([x, y], i) => (
        <circle
          key={i}
          cx={x * width}
          cy={y * height}
          r={8}
          stroke="var(--paper)"
          strokeWidth={2}
          fill="var(--harm)"
        />
      ))}
    </g>
  );
}
