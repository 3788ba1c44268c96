import { PRACTICE } from '../practice/limit';
import { named, type QuantityKey } from '../vocabulary/quantities';
import {
  COMPRESSORS,
  DIG_RATES,
  LIMITS,
  TRENCH_LIMITS,
  type SchoolInForce,
  type SoilToDig,
} from '../practice';
import type { Quantity, Working, WorkingInput } from '../units/quantity';
import type { TrenchPlan } from './plan';

/** Air that a nozzle asks for, m3/s in cubic feet a minute. */
const CUBIC_FEET_A_MINUTE = 1 / (0.3048 ** 3 / 60);

/** Share of compost in what goes back. */
export const compostShare = (rules: TrenchPlan['rules'], fill: SchoolInForce): number =>
  fill.key === 'compost' ? 1 : fill.key === 'half' ? rules.compost : 0.5;

/**
 * What the trenches of one season, or of all, come to: the whole is the sum of its seasons, each with a set-up and with
 * bags of its own.
 *
 * @param soil how the ground was found: tight where nothing says that it is open
 */
export function trenchQuantities(
  { spokes, rules }: Pick<TrenchPlan, 'spokes' | 'rules'>,
  fill: SchoolInForce,
  soil: SoilToDig,
  season?: number,
): Quantity[] {
  const dug = spokes.filter((s) => season === undefined || s.season === season);
  const length = dug.reduce((sum, s) => sum + s.length, 0);
  const volume = length * rules.width * rules.depth;
  const settled = TRENCH_LIMITS.settlement.value;
  const filled = volume * (1 + settled);
  const shareOfCompost = compostShare(rules, fill);
  const compost = filled * shareOfCompost;
  const native = filled - compost;
  const heap = volume * LIMITS.soilSwell.value;
  const rate = DIG_RATES[rules.school][soil];
  const seasons = [...new Set(dug.map((s) => s.season))];
  const setUp = LIMITS.setUpHours.value * seasons.length;
  const hours = (at: number) => setUp + volume / at;
  const bags = seasons.reduce((sum, own) => {
    const run = dug.filter((s) => s.season === own).reduce((total, s) => total + s.length, 0);
    return sum + (length > 0 ? Math.ceil((compost * run) / length / LIMITS.bagVolume.value - 1e-9) : 0);
  }, 0);
  const nozzle = TRENCH_LIMITS.nozzleAir.value;
  const compressor = COMPRESSORS.find((c) => c.gives >= nozzle)!;
  const input = (name: string, value: number, dimension: WorkingInput['dimension']): WorkingInput => ({
    name,
    value,
    dimension,
  });
  const quantity = (
    key: QuantityKey,
    value: number,
    dimension: Quantity['dimension'],
    formula: string,
    inputs: WorkingInput[],
    notes: string[] = [],
    school?: Working['school'],
  ): Quantity => ({
    ...named(key),
    value,
    dimension,
    working: { formula, inputs, source: PRACTICE, notes, ...(school && { school }) },
  });
  const ofFill = { matter: fill.matter.label, school: fill.label, chosenBy: fill.chosenBy };
  const soilDug = input('soil dug', volume, 'volume');
  return [
    quantity('trenchesRun', length, 'long length', 'sum of the lengths of the trenches', [
      input('spokes', dug.length, 'count'),
    ]),
    quantity('soilDug', volume, 'volume', 'run × width × depth', [
      input('run', length, 'long length'),
      input('width', rules.width, 'short length'),
      input('depth', rules.depth, 'short length'),
    ]),
    quantity(
      'heap',
      heap,
      'volume',
      'soil × swell',
      [soilDug, input('swell', LIMITS.soilSwell.value, 'ratio')],
      [LIMITS.soilSwell.reason],
    ),
    quantity(
      'compost',
      compost,
      'volume',
      'soil dug × (1 + settlement) × share of compost',
      [soilDug, input('settlement', settled, 'share'), input('share of compost', shareOfCompost, 'share')],
      [TRENCH_LIMITS.settlement.reason],
      ofFill,
    ),
    quantity('bagsOfCompost', bags, 'count', 'compost / bag, rounded up, season by season', [
      input('compost', compost, 'volume'),
      input('seasons', seasons.length, 'count'),
      input('bag', LIMITS.bagVolume.value, 'volume'),
    ]),
    quantity(
      'weightOfCompost',
      compost * TRENCH_LIMITS.compostWeight.value,
      'mass',
      'compost × weight of a m³',
      [input('compost', compost, 'volume'), input('kg in a m³', TRENCH_LIMITS.compostWeight.value, 'count')],
      [TRENCH_LIMITS.compostWeight.reason],
    ),
    quantity('nativeSoilBack', Math.min(native, heap), 'volume', 'soil dug × (1 + settlement) less compost', [
      soilDug,
      input('settlement', settled, 'share'),
      input('compost', compost, 'volume'),
    ]),
    quantity('spoilToTakeAway', Math.max(0, heap - native), 'volume', 'heap less native soil put back', [
      input('heap', heap, 'volume'),
      input('native soil', native, 'volume'),
    ]),
    ...(fill.key === 'inoculant'
      ? [
          quantity(
            'inoculantDoses',
            Math.ceil(length - 1e-9),
            'count',
            'one for each metre of trench',
            [input('run', length, 'long length')],
            [fill.warning!],
            ofFill,
          ),
        ]
      : []),
    quantity(
      'waterToSettle',
      filled * TRENCH_LIMITS.settlingWater.value,
      'litres',
      'fill × litres for each m³',
      [
        input('fill', filled, 'volume'),
        input('litres for each m³', TRENCH_LIMITS.settlingWater.value, 'count'),
      ],
      [TRENCH_LIMITS.settlingWater.reason],
    ),
    quantity(
      'crewHours',
      dug.length === 0 ? 0 : hours(rate.usual),
      'hours',
      'set-up of each season + soil dug / rate of the tool in this soil',
      [
        input('set-up, hours', LIMITS.setUpHours.value, 'ratio'),
        input('seasons', seasons.length, 'count'),
        soilDug,
        input('rate, m³ an hour', rate.usual, 'ratio'),
      ],
      [
        `${rate.reason} ${soil === 'tight' ? 'Tight' : 'Open'} soil: ${hours(rate.high).toFixed(1)} to ${hours(rate.low).toFixed(1)} hours.`,
        ...(rules.school === 'air'
          ? [
              `Air: ${Math.round(nozzle * CUBIC_FEET_A_MINUTE)} cfm at the nozzle, so a compressor of the ${compressor.label}. ${TRENCH_LIMITS.nozzleAir.reason}`,
            ]
          : []),
      ],
    ),
    ...(rules.school === 'air'
      ? [
          quantity(
            'airTool',
            dug.length === 0 ? 0 : volume / rate.usual,
            'hours',
            'soil dug / rate of the tool',
            [soilDug, input('rate, m³ an hour', rate.usual, 'ratio')],
          ),
        ]
      : []),
  ];
}

/** The quantities of several trees together; bags are filled from the compost of all. */
export function materialsTogether(each: readonly (readonly Quantity[])[]): Quantity[] {
  if (each.length === 0) return [];
  const keys = [...new Set(each.flat().map((q) => q.key))];
  const sums = keys.map((key): Quantity => {
    const own = each.flatMap((list) => list.find((q) => q.key === key) ?? []);
    const q = own[0]!;
    const value = own.reduce((sum, one) => sum + one.value, 0);
    return {
      ...q,
      value,
      working: { ...q.working, formula: `sum over ${each.length} trees: ${q.working.formula}`, inputs: [] },
    };
  });
  const compost = sums.find((q) => q.key === 'compost')!.value;
  return sums.map((q) =>
    q.key === 'bagsOfCompost' ? { ...q, value: Math.ceil(compost / LIMITS.bagVolume.value - 1e-9) } : q,
  );
}
