import type { PictureAlignment, PictureMark } from '@undrel/core/records';
import type { Answer, Compared, Recovery, RemedyRecord } from '@undrel/core/recovery';
import type { LifeMark } from '../drawings/lifeLine';

/** A picture as it stands beside another. */
type Beside = {
  hash: string;
  width: number;
  height: number;
  on: string;
  caption: string;
  marks?: PictureMark[];
};

/** The same, seen from the same side at two visits. */
export interface PicturePair {
  about: string;
  before: Beside;
  after: Beside;
  /** Places that both show: in the later one, and in the earlier. */
  aligned?: Pick<PictureAlignment, 'here' | 'there'>;
  /** The cards in both aligned them; nobody touched anything. */
  byCards?: boolean;
}

/** A tree through time. */
export interface TreeTime {
  label: string;
  species: string;
  property: string;
  planted?: number;
  marks: LifeMark[];
  /** Undefined where nothing was done that a crown would show. */
  recovery?: Recovery;
  /** Shoots by year, where there is no treatment to tell of. */
  years: Recovery['years'];
  beside?: string;
  /** Years whose growing season was dry by the rain on its property. */
  dry: number[];
  pairs: PicturePair[];
  /** Days of its visits, oldest first. */
  visits: string[];
  /** Two of them side by side. */
  compared?: { before: string; after: string; rows: Compared[] };
}

/** How often each remedy worked over all trees of a firm. */
export interface FirmRecord {
  trees: number;
  /** How the trees stand, each once. */
  answers: Record<Answer, number>;
  records: RemedyRecord[];
}
