import { assess } from '@undrel/core/assessment';
import type { Tree, Visit } from '@undrel/core/records';
import { plannedOf, plannedWork } from '@undrel/core/prescription';
import { sectionOf } from '@undrel/core/profile';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { sectionDrawing } from '../../drawings/section';
import type { Drawing, Shape } from '../../drawings/shapes';

/** A made-up buried stem. */
const TREE: Tree = { label: '', species: '', stemDiameter: 0.3 };
const VISIT: Visit = {
  date: '2026-05-01',
  findings: [],
  profiles: [0, 90, 180, 270].map((bearing) => ({
    bearing,
    mulch: [{ distance: 0, depth: 0.26 }],
    mulchEnds: 0.95,
    fill: [{ distance: 0, depth: 0.13 }],
  })),
  probes: [0, 90, 180, 270].map((bearing) => ({
    bearing,
    distance: 0.1,
    depth: 0.18,
    found: 'root',
    from: 'grade',
  })),
  decisions: [],
};

/** Labels, dimension lines and leaders. */
const isMeasure = (s: Shape): boolean =>
  s.as === 'text' || (s.as === 'marks' && s.tone === 'ink') || (s.as === 'line' && s.width < 1.5);

/** What the product computes and draws of it, without its labels. */
function drawn(): Drawing {
  const { profile, operations } = assess(TREE, [], VISIT);
  const drawing = sectionDrawing({
    section: sectionOf(profile, 90),
    profile,
    work: plannedWork(plannedOf(operations, { decisions: [] })),
    when: 'before',
    width: 800,
    height: 800,
    system: 'metric',
    compact: false,
    cornerTaken: true,
    topsoil: 0.12,
    refusal: 0.55,
  });
  return { ...drawing, shapes: drawing.shapes.filter((s) => !isMeasure(s)) };
}

let kept: Drawing | undefined;

/** The picture of the sign-in page, worked out once: whoever asks for that page has not signed in. */
export function BuriedStem() {
  kept ??= drawn();
  return <DrawingSvg drawing={kept} title="A buried stem" fill />;
}
