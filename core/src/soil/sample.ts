import { named } from '../vocabulary/quantities';
import { answerTo } from '../questions/question';
import type { Finding } from '../records';
import type { Texture } from '../vocabulary/textures';
import type { Quantity } from '../units/quantity';
import { densityLimits, fineDensity, GRAIN_DENSITY, porosityOf, type DensityLimits } from './density';
import { textureOf } from './texture';
import { soilWater } from './water';

/** Two cores side by side differ by about this much, kg/m3. Common practice, no source. */
export const DENSITY_ERROR = 50;
/** Organic matter where it was not tested, share. */
const USUAL_ORGANIC = 0.025;

export interface SoilSample {
  texture?: Texture;
  limits?: DensityLimits;
  density?: Quantity;
  porosity?: Quantity;
  /** Water between field capacity and wilting, as depth in a metre of soil. */
  available?: Quantity;
  /** What the density means for roots in this texture. */
  verdict?: 'open' | 'affected' | 'tight';
  /** What cannot be right, with field, value and what is allowed. */
  problems: string[];
}

/** What was found of the soil sample of a visit. */
export function sampleOf(findings: readonly Finding[]): SoilSample {
  const number = (key: string) => answerTo(findings, key)?.number;
  const [sand, clay] = [number('soil.sand'), number('soil.clay')];
  const organic = number('soil.organic') ?? USUAL_ORGANIC;
  const [mass, volume, stones] = [
    number('soil.coreMass'),
    number('soil.coreVolume'),
    number('soil.stones') ?? 0,
  ];
  const sample: SoilSample = { problems: [] };
  const attempt = (work: () => void) => {
    try {
      work();
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      sample.problems.push(error.message);
    }
  };
  if (sand !== undefined && clay !== undefined)
    attempt(() => {
      sample.texture = textureOf(sand, clay);
      sample.limits = densityLimits(sample.texture, clay);
      const { field, wilting } = soilWater(sand, clay, organic);
      sample.available = {
        ...named('availableWater'),
        value: field - wilting,
        dimension: 'short length',
        working: {
          formula: 'field capacity − wilting point, times 1 m',
          inputs: [
            { name: 'field capacity', value: field, dimension: 'share' },
            { name: 'wilting point', value: wilting, dimension: 'share' },
            { name: 'organic matter', value: organic, dimension: 'share' },
          ],
          source: 'Saxton & Rawls 2006, Soil Sci. Soc. Am. J. 70:1569',
          notes: number('soil.organic') === undefined ? ['Organic matter not tested: 2.5% taken.'] : [],
        },
      };
    });
  if (mass !== undefined && volume !== undefined)
    attempt(() => {
      const density = fineDensity({ mass: mass / 1000, volume: volume * 1e-6, stones: stones / 1000 });
      sample.density = {
        ...named('bulkDensity'),
        value: density,
        dimension: 'density',
        plusMinus: DENSITY_ERROR,
        working: {
          formula: '(mass − stones) / (volume − stones / 2.65 g/cm³)',
          inputs: [
            {
              name: 'dry mass per volume of the core',
              value: mass / 1000 / (volume * 1e-6),
              dimension: 'density',
            },
            { name: 'stones, share of the mass', value: stones / mass, dimension: 'share' },
            { name: 'density of the grains', value: GRAIN_DENSITY, dimension: 'density' },
          ],
          // From memory.
          source: 'USDA NRCS Soil Quality Test Kit Guide',
          notes: ['± is what two cores side by side differ by: common practice, no source.'],
        },
      };
      sample.porosity = {
        ...named('pores'),
        value: porosityOf(density),
        dimension: 'share',
        working: {
          formula: '1 − bulk density / 2.65 g/cm³',
          inputs: [{ name: 'bulk density', value: density, dimension: 'density' }],
          // From memory.
          source: 'USDA NRCS Soil Quality Test Kit Guide',
          notes: [],
        },
      };
      const { limits } = sample;
      if (limits)
        sample.verdict =
          density >= limits.stopped ? 'tight' : density >= limits.affected ? 'affected' : 'open';
    });
  return sample;
}
