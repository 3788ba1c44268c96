import type { PlannedWork } from '@undrel/core/prescription';
import type { Profile, Section } from '@undrel/core/profile';
import type { DugSection } from '@undrel/core/roots';
import type { UnitSystem } from '@undrel/core/units';
import type { Shape, Tone } from '../shapes';

export interface SectionView {
  section: Section;
  profile: Profile;
  /** The work that is to be drawn: as a proposal before, as done after. */
  work: PlannedWork;
  when: 'before' | 'after';
  width: number;
  height: number;
  system: UnitSystem;
  /** Fewer and shorter labels. */
  compact: boolean;
  /** Whether something else lies over the upper right corner. */
  cornerTaken: boolean;
  topsoil?: number;
  refusal?: number;
  fillNote?: string;
  /** Roots of a dig where the section meets them; without one roots are drawn schematically. */
  dug?: DugSection;
}

/** What every part of the picture draws with: the one scale, where grade is, and the shapes and labels so far. */
export type SectionCanvas = ReturnType<typeof sectionCanvas>;

export function sectionCanvas(view: SectionView) {
  const { section, profile, width, height, compact, system } = view;
  const after = view.when === 'after';
  const plan = view.work;
  const r = section.stemRadius;
  const sides = [section.left, section.right];
  const edge = Math.max(0, ...sides.flatMap((s) => s.mulch.map((p) => p.x)));
  const collar = Math.max(0, ...sides.map((s) => s.collarDepth ?? 0));
  const onBark = Math.max(0, ...sides.map((s) => s.onBark));
  const reach = Math.max(
    0.8,
    4 * r,
    edge + 0.2,
    (plan.bowlRadius ?? 0) + 0.15,
    after ? (plan.ring ?? 0) + 0.15 : 0,
  );
  const up = Math.max(0.3, onBark + 0.25);
  const down = Math.max(0.5, collar + 0.3, (plan.floor ?? 0) + 0.25, (view.refusal ?? 0) + 0.15);
  const scale = Math.min(width / (2 * reach), height / (up + down));
  const ground = Math.round(scale * up + (height - scale * (up + down)) * 0.55);
  const X = (x: number) => width / 2 + x * scale;
  const Y = (z: number) => ground - z * scale;
  const wide = width / 2 / scale;
  const deep = (height - ground) / scale;
  const shapes: Shape[] = [];
  const labels: { y: number; text: string; tone: Tone; strong?: boolean }[] = [];
  const font = compact ? 13 : 14;
  /** Where the flare ends, from the centre, and how thick the root is that leaves it; schematic. */
  const flareEnd = 1.55 * r + 0.02;
  const rootThickness = (x: number) =>
    Math.max(0.022, 0.5 * r * (1 - (0.8 * Math.max(0, x - flareEnd)) / Math.max(0.1, wide - flareEnd)));

  return {
    view,
    section,
    profile,
    width,
    height,
    compact,
    system,
    after,
    plan,
    r,
    sides,
    edge,
    collar,
    onBark,
    scale,
    ground,
    X,
    Y,
    wide,
    deep,
    shapes,
    labels,
    font,
    flareEnd,
    rootThickness,
  };
}
