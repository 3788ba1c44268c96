import type { PointerEvent } from 'react';

/** Shares of width and height at which a pointer is on a picture, whatever room is left beside it in its place. */
export function placeOn(svg: SVGSVGElement, { clientX, clientY }: PointerEvent): [number, number] {
  const { width, height } = svg.viewBox.baseVal;
  const at = new DOMPoint(clientX, clientY).matrixTransform(svg.getScreenCTM()!.inverse());
  const share = (place: number, size: number) => Math.min(1, Math.max(0, place / size));
  return [share(at.x, width), share(at.y, height)];
}
