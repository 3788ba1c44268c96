import { formatLength, METRES_PER_INCH, shortUnit, tidy, type UnitSystem } from './length';
import { ROOTS_STOP } from './pressure';
import { formatValue } from './quantity';

const MM_PER_METRE = 1000;

/**
 * Sentences of the core carry their lengths as marks in metres, and where roots stop as another, and are turned into the reader's units at the edge,
 * so that screen, report and command line say the same thing.
 */
export const shortMark = (metres: number): string => `{m:${metres.toFixed(4)}}`;
export const longMark = (metres: number): string => `{M:${metres.toFixed(4)}}`;

/** A root's diameter or a gap: to a millimetre. */
export const fineMark = (metres: number): string => `{f:${metres.toFixed(4)}}`;

/** Growth of a year: to a tenth of a millimetre, or a hundredth of an inch. */
export const ringMark = (metres: number): string => `{g:${metres.toFixed(5)}}`;

/** The resistance at which roots stop. */
export const rootsStopMark = '{rootsStop}';

const MARK = /\{(m|M|f|g):(-?\d+(?:\.\d+)?)\}/g;

/** Writes the marks of a sentence: short ones to 1 cm or 0.1 in (half-centimetre limits kept), long ones to 1 cm or 0.1 ft. */
export function writeLengths(sentence: string, system: UnitSystem): string {
  return sentence
    .replaceAll(rootsStopMark, ROOTS_STOP[system])
    .replace(MARK, (_, size: string, text: string) => {
      const metres = Number(text);
      if (size === 'M') {
        return formatValue(metres, 'long length', system);
      }
      if (size === 'g')
        return system === 'us'
          ? `${tidy(metres / METRES_PER_INCH, 2)} in`
          : `${tidy(metres * MM_PER_METRE, 1)} mm`;
      if (size === 'f')
        return formatLength(metres, shortUnit(system), system === 'us' ? 0.1 * METRES_PER_INCH : 0.001);
      const halves =
        Math.abs(metres * 200 - Math.round(metres * 200)) < 1e-6 && Math.round(metres * 200) % 2 !== 0;
      return formatLength(
        metres,
        shortUnit(system),
        system === 'us' ? 0.1 * METRES_PER_INCH : halves ? 0.001 : 0.01,
      );
    });
}
