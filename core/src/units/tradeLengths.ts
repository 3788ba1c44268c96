import { METRES_PER_INCH, type UnitSystem } from './length';

const CM_PER_INCH = 100 * METRES_PER_INCH;

/** Inches as they are spoken of: to a quarter below two, to a half below a foot, whole from there. */
const spoken = (centimetres: number): string => {
  const inches = centimetres / CM_PER_INCH;
  const step = inches < 2 ? 0.25 : inches < 12 ? 0.5 : 1;
  return String(Math.round(inches / step) * step);
};

/**
 * A rule of thumb in the units of whoever reads it: "2-5 cm proud" is "0.75-2 in proud". For words of the practice alone,
 * which are as round as that; what was measured is marked and written exactly, and what somebody wrote stays as it is.
 */
export const tradeLengths = (words: string, system: UnitSystem): string =>
  system === 'metric'
    ? words
    : words
        .replace(
          /(\d+(?:\.\d+)?)(?:(-| to )(\d+(?:\.\d+)?))? cm\b/g,
          (_, from: string, between: string | undefined, to: string | undefined) =>
            `${spoken(Number(from))}${between && to ? `${between}${spoken(Number(to))}` : ''} in`,
        )
        .replace(/\bseveral cm\b/g, 'some inches');
