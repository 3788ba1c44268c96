import {
  formatLength,
  METRES_PER,
  parseLength,
  type LengthUnit,
  type ParsedLength,
  type UnitSystem,
} from './length';
import { formatValue } from './quantity';

/**
 * What each measured length may be. `max` is refused beyond; `ask` is possible but more often a slip of the unit,
 * so the program asks. All in metres. Common practice, no source: set well outside anything met on a planted tree.
 */
export const LENGTH_LIMITS = {
  mulchDepth: { name: 'Mulch depth', min: 0, max: 1.5, ask: 0.8 },
  mulchEnds: { name: 'Mulch ends at', min: 0, max: 15, ask: 6 },
  fillDepth: { name: 'Soil added', min: 0, max: 3, ask: 1.2 },
  distance: { name: 'Distance from the bark', min: 0, max: 15, ask: 5 },
  probeDepth: { name: 'Depth to the first root', min: -0.5, max: 1.5, ask: 0.9 },
  stemDiameter: { name: 'Stem diameter at the base', min: 0.005, max: 4, ask: 1.5 },
  dbh: { name: 'DBH', min: 0.003, max: 4, ask: 1.5 },
  potWall: { name: 'Wall of the pot, from the centre of the stem', min: 0.01, max: 1.5, ask: 0.8 },
  potWidth: { name: 'Width of the pot', min: 0.05, max: 2, ask: 1 },
  probeSinks: { name: 'Depth the probe sinks', min: 0, max: 1.5, ask: 0.6 },
  height: { name: 'Tree height', min: 0.2, max: 90, ask: 45 },
  waterFall: { name: 'Fall of the water', min: 0, max: 2, ask: 1 },
  siteDistance: { name: 'Distance from the stem', min: 0, max: 60, ask: 30 },
  holeRadius: { name: 'Radius of the planting hole', min: 0.1, max: 5, ask: 3 },
  crownRadius: { name: 'Crown radius', min: 0.1, max: 30, ask: 15 },
  twigExtension: { name: 'Twig extension', min: 0, max: 3, ask: 1.2 },
  ringWidth: { name: 'Ring width', min: 0.00005, max: 0.05, ask: 0.025 },
  leafLength: { name: 'Leaf length', min: 0.002, max: 1, ask: 0.4 },
  topsoil: { name: 'Topsoil thickness', min: 0, max: 1.5, ask: 0.8 },
  layer: { name: 'Depth of the layer', min: 0.01, max: 2, ask: 1.5 },
  refusal: { name: 'Rod stops at', min: 0, max: 2, ask: 1.5 },
  woundHeight: { name: 'Height above grade', min: 0, max: 10, ask: 3 },
  wires: { name: 'Height of the wires', min: 2, max: 60, ask: 25 },
  mulchRoom: { name: 'Room for the mulch ring', min: 0.1, max: 15, ask: 8 },
  rootDistance: { name: 'Root, distance', min: -1, max: 8, ask: 3 },
  rootDepth: { name: 'Root, depth of its top', min: -0.6, max: 2, ask: 1 },
  rootDiameter: { name: 'Root diameter', min: 0.001, max: 0.8, ask: 0.3 },
  printedSide: { name: 'Black square of a card', min: 0.05, max: 0.12, ask: 0.1 },
  knownLength: { name: 'Length in the picture', min: 0.02, max: 5, ask: 3 },
  embedded: { name: 'Grown in', min: 0, max: 0.5, ask: 0.15 },
  farthest: { name: 'Followed to', min: 0, max: 40, ask: 15 },
  ringsOver: { name: 'Rings counted over', min: 0.001, max: 0.4, ask: 0.15 },
  outlineRadius: { name: 'Radius of the stem', min: 0.003, max: 2, ask: 0.75 },
  outlineDiameter: { name: 'Diameter of the stem', min: 0.006, max: 4, ask: 1.5 },
  buttressReach: { name: 'Buttress, reach', min: 0.002, max: 1, ask: 0.4 },
  buttressWidth: { name: 'Buttress, width', min: 0.01, max: 2, ask: 0.8 },
  decayHeight: { name: 'Decay, height', min: 0, max: 6, ask: 2 },
  decayDepth: { name: 'Decay, sounded depth', min: 0, max: 1, ask: 0.4 },
  barrier: { name: 'Inside diameter', min: 0.01, max: 6, ask: 3 },
  pitRadius: { name: 'Radius of the pit', min: 0.1, max: 8, ask: 4 },
  position: { name: 'Position', min: -20000, max: 20000, ask: 20000 },
  positionError: { name: 'Error of the position', min: 0, max: 200, ask: 30 },
} as const;

export type LengthField = keyof typeof LENGTH_LIMITS;

export type CheckedLength =
  | { state: 'ok'; metres: number; resolution: number }
  | { state: 'ask'; metres: number; resolution: number; message: string; suggestion?: string }
  | { state: 'wrong'; message: string; suggestion?: string };

const SMALLER: Partial<Record<LengthUnit, LengthUnit>> = { m: 'cm', cm: 'mm', ft: 'in' };

/** The typed text with the next smaller unit, when that would make the value ordinary. */
function meantSmaller(text: string, read: ParsedLength & { ok: true }, ask: number): string | undefined {
  const smaller = SMALLER[read.unit];
  if (!smaller) return undefined;
  const bare = text.trim().replace(/[a-z"'″”′’.\s]+$/i, '');
  const again = parseLength(bare, smaller);
  return again.ok && again.metres <= ask ? `${bare} ${smaller}` : undefined;
}

/**
 * Reads a length for a named field and holds it against what that field may be.
 *
 * @param field one of {@link LENGTH_LIMITS}
 * @param shownUnit unit printed beside the field
 * @returns metres; or a question with the likely meaning; or an error that names field, value and range
 */
export function readLength(field: LengthField, text: string, shownUnit: LengthUnit): CheckedLength {
  const limit = LENGTH_LIMITS[field];
  const read = parseLength(text, shownUnit);
  if (!read.ok) return { state: 'wrong', message: `${limit.name}: ${read.reason}` };
  const bound = (metres: number) => `${Number((metres / METRES_PER[shownUnit]).toFixed(2))} ${shownUnit}`;
  const range = `${bound(limit.min)} to ${bound(limit.max)}`;
  const suggestion = read.metres > limit.ask ? meantSmaller(text, read, limit.ask) : undefined;
  if (read.metres < limit.min || read.metres > limit.max) {
    const hint = suggestion ? ` Was ${suggestion} meant?` : '';
    return {
      state: 'wrong',
      message: `${limit.name}: ${text.trim()} is outside ${range}.${hint}`,
      suggestion,
    };
  }
  if (read.metres > limit.ask) {
    return {
      state: 'ask',
      metres: read.metres,
      resolution: read.resolution,
      message: `${limit.name}: ${formatLength(read.metres, shownUnit)} is unusual.${suggestion ? ` Was ${suggestion} meant?` : ''}`,
      suggestion,
    };
  }
  return { state: 'ok', metres: read.metres, resolution: read.resolution };
}

/** What is wrong with a length that was measured and not typed, in words: its field, its value and what is allowed. */
export function outsideLimits(field: LengthField, metres: number, system: UnitSystem): string | undefined {
  const { name, min, max } = LENGTH_LIMITS[field];
  if (metres >= min && metres <= max) return undefined;
  const say = (value: number) => formatValue(value, 'short length', system, 0.001);
  return `${name}: ${say(metres)} is outside ${say(min)} to ${say(max)}.`;
}
