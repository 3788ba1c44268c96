import { homographyOf, type Point } from '@undrel/core/photogrammetry';

type Size = { width: number; height: number };

/**
 * How a picture is to be drawn, in the language of style sheets, so that places of it lie on places of another that is as
 * large as its frame.
 *
 * @param from @param to shares of width and height of either; @param own how large it is drawn, @param frame pixels
 * @returns undefined where three of the places lie on a line
 */
export function alignedBy(
  from: readonly Point[],
  to: readonly Point[],
  own: Size,
  frame: Size,
): string | undefined {
  const scaled = (points: readonly Point[], { width, height }: Size) =>
    points.map(([x, y]): Point => [x * width, y * height]);
  const map = homographyOf(scaled(from, own), scaled(to, frame));
  if (!map) return undefined;
  const [a, b, c, d, e, f, g, h, i] = map.map((v) => v / map[8]!) as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  return `matrix3d(${[a, d, 0, g, b, e, 0, h, 0, 0, 1, 0, c, f, 0, i].map((v) => v.toFixed(9)).join(',')})`;
}
