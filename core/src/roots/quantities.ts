import { named } from '../vocabulary/quantities';
import type { Quantity } from '../units/quantity';
import { BASE_DIAMETERS, TOUCH_TOLERANCE } from './compression';
import type { DigReading, RootReading } from './reading';

/** A ± that would be shown as nothing is left out. */
const SHOWN = 0.005;
const between = (spread: number) => (spread < SHOWN ? {} : { plusMinus: spread });

const BETWEEN_READINGS =
  'The ± is what lies between the readings: how far the share would be another if each root ran straight from reading to reading instead of in a smooth curve. More readings make it smaller.';

/** Share of the circumference that one root compresses, with its working. */
export const rootShare = ({ root, compression, spread }: RootReading): Quantity => ({
  key: 'barkSqueezedByRoot',
  name: `Bark compressed by root ${root.label}`,
  value: compression.share,
  ...between(spread),
  dimension: 'share',
  working: {
    formula:
      'arc length of the bark for which the straight line from the centre of the stem passes within the root’s radius of its centreline, by the circumference',
    inputs: [
      { name: 'readings along the root', value: root.points.length, dimension: 'count' },
      { name: 'nearer than this counts as touching', value: TOUCH_TOLERANCE, dimension: 'short length' },
    ],
    source: 'geometry; tolerance: common practice, no source',
    notes: [BETWEEN_READINGS],
  },
});

const STEM_FROM: Record<DigReading['outline']['from'], string> = {
  'stem diameter': 'round, from the stem diameter',
  'two diameters': 'an oval, from two diameters',
  radii: 'smooth through the radii',
  nothing: 'not measured',
};

/** Share of the circumference that is compressed now, with its working. */
export const girdledShare = ({ share, spread, roots, outline }: DigReading): Quantity => ({
  ...named('barkSqueezed'),
  value: share,
  ...between(spread),
  dimension: 'share',
  working: {
    formula:
      'arc length of the bark for which the straight line from the centre of the stem passes within a root’s radius of its centreline, all roots together, by the circumference',
    inputs: [
      { name: 'circumference', value: outline.circumference, dimension: 'long length' },
      { name: 'roots', value: roots.length, dimension: 'count' },
      {
        name: 'roots that press',
        value: roots.filter((r) => r.compression.share > 0).length,
        dimension: 'count',
      },
      { name: 'nearer than this counts as touching', value: TOUCH_TOLERANCE, dimension: 'short length' },
    ],
    source: 'geometry; tolerance: common practice, no source',
    notes: [
      `Outline of the stem: ${STEM_FROM[outline.from]}.`,
      ...(spread < SHOWN ? [] : [BETWEEN_READINGS]),
      `A root that grows from the stem counts from where it comes clear of the bark, at the latest ${BASE_DIAMETERS} of its diameters along.`,
    ],
  },
});
