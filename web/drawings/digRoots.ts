import type { RootKind } from '@undrel/core/records';
import { type RootPath } from '@undrel/core/roots';
import { hatch, type Point, type Shape, type Tone } from './shapes';
import { centreline, tubeOutline } from './tube';

interface Manner {
  fill: Tone;
  edge: Tone;
  width: number;
  dash?: [number, number];
  /** Strokes or dots over the fill, so that kinds are told apart without colour. */
  marks?: { step: number; stroke: Point };
  words: string;
}

/** How each kind is drawn: by fill, by line and by strokes, so that it is told in black and white as well. */
export const MANNERS: Record<RootKind, Manner> = {
  structural: { fill: 'root', edge: 'ink', width: 2, words: 'anchor' },
  girdling: { fill: 'squeeze', edge: 'harm', width: 2.4, words: 'girdling' },
  'root on root': {
    fill: 'squeeze',
    edge: 'harm',
    width: 1.6,
    marks: { step: 7, stroke: [4, 4] },
    words: 'root on root',
  },
  circling: { fill: 'sheet', edge: 'buried', width: 2, dash: [9, 4], words: 'circling' },
  adventitious: { fill: 'sheet', edge: 'buried', width: 1.4, dash: [3, 3], words: 'adventitious' },
  competing: {
    fill: 'sheet',
    edge: 'ink',
    width: 1.6,
    marks: { step: 7, stroke: [0.5, 0] },
    words: 'another tree’s',
  },
};

export function rootShapes(
  path: RootPath,
  to: (x: number, y: number) => Point,
  look: { manner: Manner; chosen: boolean; rotten: boolean; stays: boolean; seeThrough: boolean },
): Shape[] {
  const { manner, chosen } = look;
  const shapes: Shape[] = [];
  const edge = tubeOutline(path, to);
  if (!look.seeThrough) shapes.push({ as: 'area', points: edge, tone: chosen ? 'wash' : manner.fill });
  if (manner.marks && !look.seeThrough) {
    shapes.push({
      as: 'marks',
      segments: hatch(edge, manner.marks.step, manner.marks.stroke),
      tone: manner.edge,
      width: manner.marks.stroke[1] === 0 ? 1.8 : 0.9,
    });
  }
  // Over a picture the line has a light one beneath it: it is told from dark soil as well as from bright bark.
  if (look.seeThrough)
    shapes.push({ as: 'line', points: [...edge, edge[0]!], tone: 'paper', width: manner.width + 2.5 });
  shapes.push({
    as: 'line',
    points: [...edge, edge[0]!],
    tone: chosen ? 'todo' : manner.edge,
    width: chosen ? 3 : manner.width,
    dash: chosen ? undefined : manner.dash,
  });
  if (look.rotten)
    shapes.push({ as: 'line', points: centreline(path, to), tone: 'ink', width: 1, dash: [1, 4] });
  if (look.stays) shapes.push({ as: 'line', points: centreline(path, to), tone: 'ink', width: 3 });
  return shapes;
}
