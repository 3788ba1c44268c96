import type { Point } from './shapes';

/** Where the plan is looked at: metres at the middle of the picture, and pixels for a metre. */
export interface PlanView {
  x: number;
  y: number;
  scale: number;
}

/** A view in a picture of some size, pixels. */
export interface Framed {
  view: PlanView;
  width: number;
  height: number;
}

/** Places of the plan on the drawing: north is up. */
export const toDrawing =
  ({ view, width, height }: Framed) =>
  (x: number, y: number): Point => [
    width / 2 + (x - view.x) * view.scale,
    height / 2 - (y - view.y) * view.scale,
  ];

/** And back to metres. */
export const toMetres = ({ view, width, height }: Framed, [px, py]: Point): [number, number] => [
  view.x + (px - width / 2) / view.scale,
  view.y - (py - height / 2) / view.scale,
];
