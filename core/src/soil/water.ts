/** What a soil holds of water, as shares of its volume, and how fast it drains when full. */
export interface SoilWater {
  wilting: number;
  field: number;
  saturation: number;
  /** Saturated conductivity, m/s. */
  conductivity: number;
}

const MM_PER_HOUR = 1e-3 / 3600;

/**
 * Water held by texture and organic matter.
 *
 * Source: Saxton & Rawls 2006, Soil Sci. Soc. Am. J. 70:1569.
 *
 * @param sand share of the fine earth, 0 to 1
 * @param clay share of the fine earth, 0 to 1
 * @param organic organic matter, share of mass, 0 to 0.08: what the regression was made for
 * @throws RangeError beyond that
 */
export function soilWater(sand: number, clay: number, organic = 0.025): SoilWater {
  if (!(organic >= 0 && organic <= 0.08))
    throw new RangeError(`Organic matter ${(100 * organic).toFixed(1)}%: the formula holds for 0 to 8%.`);
  if (!(sand >= 0 && clay >= 0 && sand + clay <= 1 + 1e-9))
    throw new RangeError(
      `Sand ${Math.round(100 * sand)}% and clay ${Math.round(100 * clay)}%: together at most 100%; silt is the rest.`,
    );
  if (!(clay <= 0.6)) throw new RangeError(`Clay ${Math.round(100 * clay)}%: the formula holds up to 60%.`);
  const [s, c, om] = [sand, clay, 100 * organic];
  const t1500 = -0.024 * s + 0.487 * c + 0.006 * om + 0.005 * s * om - 0.013 * c * om + 0.068 * s * c + 0.031;
  const wilting = t1500 + 0.14 * t1500 - 0.02;
  const t33 = -0.251 * s + 0.195 * c + 0.011 * om + 0.006 * s * om - 0.027 * c * om + 0.452 * s * c + 0.299;
  const field = t33 + 1.283 * t33 ** 2 - 0.374 * t33 - 0.015;
  const ts33 = 0.278 * s + 0.034 * c + 0.022 * om - 0.018 * s * om - 0.027 * c * om - 0.584 * s * c + 0.078;
  const s33 = ts33 + 0.636 * ts33 - 0.107;
  const saturation = field + s33 - 0.097 * s + 0.043;
  const b = (Math.log(1500) - Math.log(33)) / (Math.log(field) - Math.log(wilting));
  return {
    wilting,
    field,
    saturation,
    conductivity: 1930 * (saturation - field) ** (3 - 1 / b) * MM_PER_HOUR,
  };
}
