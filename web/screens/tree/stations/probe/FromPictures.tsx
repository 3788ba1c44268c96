import type { ProbePoint } from '@undrel/core/records';
import { bearingName } from '@undrel/core/questions';
import { outsideLimits } from '@undrel/core/units';
import { itemsBelow } from '../../../../protocol/item';
import { lengthTold, sectionSeen } from '../../../../protocol/pictures';
import { pictureWords } from '../../../../protocol/pictureWords';
import { newId } from '../../newId';
import type { StationProps } from '../../visitEntry';

const same = (a: ProbePoint, b: ProbePoint): boolean =>
  a.bearing === b.bearing && a.distance === b.distance && a.depth === b.depth && a.found === b.found;

/** Tops of roots in pictures of the stem laid bare, taken as readings of the rod. */
export function FromPictures(props: StationProps & { points: readonly ProbePoint[] }) {
  const { control, visitId, system, mayMeasure, points } = props;
  const sections = itemsBelow(control.items, 'picture', visitId).flatMap(({ values }) => {
    const roots = sectionSeen(values);
    return roots ? [{ picture: values, roots }] : [];
  });
  return sections.map(({ picture, roots }) => {
    const readings = roots.map(({ reading }) => reading);
    const missing = readings.filter((reading) => !points.some((point) => same(point, reading)));
    const problem = readings
      .flatMap(({ distance, depth }) => [
        outsideLimits('distance', distance, system),
        outsideLimits('probeDepth', depth, system),
      ])
      .find((says) => says !== undefined);
    return (
      <section
        key={picture.hash}
        className="border-l-[6px] border-todo pl-3 my-3"
        aria-label="From a picture"
      >
        <p>
          {pictureWords(picture)}:{' '}
          {roots
            .map(
              (r) =>
                `${bearingName(r.bearing)}: top of a root ${lengthTold(r.depth, system)} deep, ${lengthTold(r.distance, system)} out`,
            )
            .join('; ')}
        </p>
        {problem && (
          <p role="alert" className="wrong">
            {problem} Touch the picture again.
          </p>
        )}
        <button
          type="button"
          className="quiet"
          aria-pressed={missing.length === 0}
          disabled={!mayMeasure || problem !== undefined || missing.length === 0}
          onClick={() =>
            control.setAll(missing.map((values) => ({ kind: 'probe', id: newId(), parent: visitId, values })))
          }
        >
          {missing.length === 0 ? 'Depths are from this picture' : 'Take these depths'}
        </button>
      </section>
    );
  });
}
