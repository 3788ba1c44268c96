import type { ReactNode } from 'react';
import type { Dig, DugRoot } from '@undrel/core/records';
import type { GrownDig } from '@undrel/core/growth';
import type { NumberedCut } from '@undrel/core/pruning';
import type { DigReading } from '@undrel/core/roots';
import type { UnitSystem } from '@undrel/core/units';
import type { Point } from '../../../drawings/shapes';
import type { PictureBeneath } from './digPlanParts';

/** What the plan of a dig shows, and what is told of touches on it. */
export interface DigPlanProps {
  dig: Dig;
  reading: DigReading;
  grown: GrownDig;
  cuts: readonly NumberedCut[];
  selected: DugRoot | undefined;
  point: number | undefined;
  dbh: number | undefined;
  drip: number | undefined;
  system: UnitSystem;
  under?: PictureBeneath | undefined;
  /** Places that were touched for what is drawn now, metres. */
  touched: readonly Point[];
  /** Taps set points of the selected root, or of the shape that is drawn. */
  drawing: boolean;
  /** Points may be moved: the roots are shown as they are now and may be changed. */
  editable: boolean;
  onSelect: (label: string | undefined) => void;
  onPoint: (index: number | undefined) => void;
  onTap: (x: number, y: number) => void;
  /** The selected root while it is dragged, and once it is dropped. */
  onDrag: (root: DugRoot) => void;
  onDrop: (root: DugRoot) => void;
  children?: ReactNode;
}
