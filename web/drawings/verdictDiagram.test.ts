import { CAUSE_KEYS } from '@undrel/core/vocabulary';
import { verdictMap } from '@undrel/core/diagnosis';
import { assess } from '@undrel/core/assessment';
import { signsOf } from '../../core/tests/signs';
import { collarAt, visitOn } from '../../core/tests/visits';
import type { Shape } from './shapes';
import { mapInWords, verdictDiagram } from './verdictDiagram';

const TREE = { label: 'Linden 1', species: 'Tilia cordata', plantedYear: 2012, stock: 'container' as const };
const SIZE = { width: 632, height: 752 };
const boxes = (shapes: readonly Shape[]) =>
  shapes.flatMap((s) => (s.as === 'area' && s.tone === 'sheet' ? [s.points] : []));

test.each(CAUSE_KEYS)(
  '%s: every cause and mechanism has a box of its own, within the drawing, with its chance',
  (cause) => {
    const visit = visitOn('2026-06-01', signsOf(cause), { probes: collarAt(0.18) });
    const map = verdictMap(assess(TREE, [], visit, {}, undefined, [visit]).verdict);
    const { shapes } = verdictDiagram(map, 'metric', SIZE);
    const drawn = boxes(shapes);
    expect(drawn.length).toBe(map.nodes.length);
    for (const points of drawn)
      for (const [x, y] of points) {
        expect(x >= 0 && x <= SIZE.width).toBe(true);
        expect(y >= 0 && y <= SIZE.height).toBe(true);
      }
    // Boxes do not lie over one another.
    drawn.forEach((a, i) =>
      drawn.slice(i + 1).forEach((b) => {
        const apart =
          a[1]![0] <= b[0]![0] || b[1]![0] <= a[0]![0] || a[2]![1] <= b[0]![1] || b[2]![1] <= a[0]![1];
        expect(apart).toBe(true);
      }),
    );
    const said = shapes.flatMap((s) => (s.as === 'text' ? [s.text] : [])).join(' ');
    for (const n of map.nodes) {
      expect(said).toContain(n.label.split(' ')[0]!);
      expect(mapInWords(map)).toContain(n.label);
    }
  },
);
