import type { Drawing } from '../shapes';
import { sectionCanvas, type SectionView } from './canvas';
import { dimensions, legend } from './dimensions';
import { finished, lines, mulchAndFill, proposal, soil } from './ground';
import { dug, stem } from './stem';

export type { SectionView } from './canvas';

/**
 * The section through the stem at true scale: one scale across and down, never exaggerated. Roots below the collar are
 * drawn schematically until a dig maps them, and are labelled so.
 */
export function sectionDrawing(view: SectionView): Drawing {
  const canvas = sectionCanvas(view);
  const { after, shapes, width, height } = canvas;
  soil(canvas);
  mulchAndFill(canvas);
  if (after) finished(canvas);
  stem(canvas);
  dug(canvas);
  lines(canvas);
  if (!after) proposal(canvas);
  dimensions(canvas);
  legend(canvas);
  return { width, height, shapes };
}
