/**
 * Lengths as people type them. SI inside: every parsed value is in metres, and remembers how finely it was
 * stated, so that it is never shown more exactly than it was measured.
 *
 * Sources: international inch, 1 in = 25.4 mm exactly (1959 agreement).
 */
export const METRES_PER_INCH = 0.0254;
export const METRES_PER_FOOT = 0.3048;

export type UnitSystem = 'metric' | 'us';
export type LengthUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft';

export const METRES_PER: Record<LengthUnit, number> = {
  mm: 0.001,
  cm: 0.01,
  m: 1,
  in: METRES_PER_INCH,
  ft: METRES_PER_FOOT,
};

export type ParsedLength =
  | { ok: true; metres: number; resolution: number; unit: LengthUnit }
  | { ok: false; reason: string };

const UNIT_WORDS: Record<string, LengthUnit> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  '”': 'in',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '′': 'ft',
  '’': 'ft',
};

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const AMOUNT = String.raw`\d+\s*[- ]\s*\d+\s*/\s*\d+|\d+\s*/\s*\d+|\d*[.,]?\d+|\d+[.,]`;
const UNIT = String.raw`mm|cm|m|inches|inch|in|feet|foot|ft|["″”'′’]`;
const SINGLE = new RegExp(`^([-−+]?)(${AMOUNT})\\s*(${UNIT})?\\.?$`, 'i');
const FEET_AND_INCHES = new RegExp(
  `^([-−+]?)(\\d+)\\s*(?:ft|feet|foot|['′’])\\s*(${AMOUNT})\\s*(?:in|inch|inches|["″”])?\\.?$`,
  'i',
);

/** `12.5`, `12,5`, `1/2` or `3 1/2` as a number with the step it was stated to; null when it reads two ways. */
function amount(text: string): { value: number; step: number } | null {
  const fraction = /^(?:(\d+)\s*[- ]\s*)?(\d+)\s*\/\s*(\d+)$/.exec(text.trim());
  if (fraction) {
    const denominator = Number(fraction[3]);
    if (denominator === 0) return null;
    return { value: Number(fraction[1] ?? 0) + Number(fraction[2]) / denominator, step: 1 / denominator };
  }
  if (/^[1-9]\d{0,2},\d{3}$/.test(text)) return null;
  const plain = text.replace(',', '.');
  const decimals = plain.split('.')[1]?.length ?? 0;
  return { value: Number(plain), step: 10 ** -decimals };
}

/**
 * Reads a length.
 *
 * @param text what was typed: `3 1/2 in`, `3.5"`, `9cm`, `0,09 m`, `2 ft 4`
 * @param shownUnit the unit printed beside the field, used for a bare number; without it a bare number is refused
 * @returns metres, the resolution in metres that the text implies, and the unit; or the reason it was refused
 * @example parseLength('2 ft 4') // { ok: true, metres: 0.7112, resolution: 0.0254, unit: 'ft' }
 */
export function parseLength(text: string, shownUnit?: LengthUnit): ParsedLength {
  let clean = text.trim();
  for (const [sign, written] of Object.entries(VULGAR)) clean = clean.replace(sign, ` ${written}`);
  clean = clean.replace(/\s+/g, ' ').trim();
  if (clean === '') return { ok: false, reason: 'Nothing was typed.' };

  const both = FEET_AND_INCHES.exec(clean);
  if (both) {
    const inches = amount(both[3]!);
    if (!inches) return { ok: false, reason: `“${text}” reads two ways; write the inches with a point.` };
    if (inches.value >= 12) return { ok: false, reason: `“${text}” has 12 inches or more after the feet.` };
    const sign = both[1] === '-' || both[1] === '−' ? -1 : 1;
    return {
      ok: true,
      metres: exact(sign * (Number(both[2]) * METRES_PER_FOOT + inches.value * METRES_PER_INCH)),
      resolution: inches.step * METRES_PER_INCH,
      unit: 'ft',
    };
  }

  const one = SINGLE.exec(clean);
  if (!one)
    return { ok: false, reason: `“${text}” is not a length; write for example 9 cm, 0.09 m or 3 1/2 in.` };
  const read = amount(one[2]!);
  if (!read) {
    return {
      ok: false,
      reason: `“${text}” reads two ways: a decimal comma or thousands. Write it with a point.`,
    };
  }
  const unit = one[3] ? UNIT_WORDS[one[3].toLowerCase()] : shownUnit;
  if (!unit) return { ok: false, reason: `“${text}” has no unit; add mm, cm, m, in or ft.` };
  const sign = one[1] === '-' || one[1] === '−' ? -1 : 1;
  return {
    ok: true,
    metres: exact(sign * read.value * METRES_PER[unit]),
    resolution: read.step * METRES_PER[unit],
    unit,
  };
}

/** Whole nanometres: what was typed as 35 cm is 0.35 m, not its neighbour in binary. */
const exact = (metres: number): number => Math.round(metres * 1e9) / 1e9;

/** The unit a short length (depth, clearance, extension) is shown in. */
export const shortUnit = (system: UnitSystem): LengthUnit => (system === 'us' ? 'in' : 'cm');
/** The unit a long length (ring radius, height) is shown in. */
export const longUnit = (system: UnitSystem): LengthUnit => (system === 'us' ? 'ft' : 'm');

/** Decimal places that say no more than `resolution` (same unit as the number shown), between 0 and 3. */
export function decimalsFor(resolution: number): number {
  if (!(resolution > 0)) return 0;
  return Math.min(3, Math.max(0, Math.ceil(-Math.log10(resolution) - 1e-9)));
}

/**
 * A length as text.
 *
 * @param metres the value
 * @param unit unit to show
 * @param resolution metres; the figure is rounded so that its last digit is not finer than this
 * @example formatLength(0.178, 'cm', 0.001) // '17.8 cm'
 */
export function formatLength(metres: number, unit: LengthUnit, resolution = METRES_PER[unit]): string {
  const step = resolution / METRES_PER[unit];
  // Half an inch is worth one decimal; a step of 1/16 in two would claim more than a tape gives.
  const decimals = unit === 'in' ? Math.min(1, decimalsFor(step)) : decimalsFor(step);
  return `${tidy(metres / METRES_PER[unit], decimals)} ${unit}`;
}

/** Figures to which programs agree that take a logarithm or a root each in its own way. */
const AGREED_FIGURES = 12;

/** toFixed without a negative zero, and the same wherever it was computed: half a step is half a step on server and phone. */
export function tidy(value: number, decimals: number): string {
  const text = Number(value.toPrecision(AGREED_FIGURES)).toFixed(decimals);
  return Number(text) === 0 ? text.replace('-', '') : text;
}

/** A length that was measured on a plan or a picture, as fine as a tape reads. */
export const toMillimetre = (metres: number): number => Math.round(metres * 1000) / 1000;
