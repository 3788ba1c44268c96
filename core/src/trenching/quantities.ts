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

type Dug = Pick<TrenchPlan['spokes'][number], 'length' | 'season'>;

const runOf = (dug: readonly Dug[]): number => dug.reduce((sum, s) => sum + s.length, 0);
const seasonsOf = (dug: readonly Dug[]): number[] => [...new Set(dug.map((s) => s.season))];

/** What is dug out, and what it makes on the heap. */
function dugOut(dug: readonly Dug[], { width, depth }: TrenchPlan['rules']) {
  const run = runOf(dug);
  const soil = run * width * depth;
  const soilDug = input('soil dug', soil, 'volume');
  const heap = soil * LIMITS.soilSwell.value;
  const quantities = [
    quantity('trenchesRun', run, 'long length', 'sum of the lengths of the trenches', [
      input('spokes', dug.length, 'count'),
    ]),
    quantity('soilDug', soil, 'volume', 'run × width × depth', [
      input('run', run, 'long length'),
      input('width', width, 'short length'),
      input('depth', depth, 'short length'),
    ]),
    quantity(
      'heap',
      heap,
      'volume',
      'soil × swell',
      [soilDug, input('swell', LIMITS.soilSwell.value, 'ratio')],
      [LIMITS.soilSwell.reason],
    ),
  ];
  return { run, soil, soilDug, heap, quantities };
}

/** Bags of compost, each season's rounded up by itself. */
const bagsOf = (dug: readonly Dug[], compost: number, run: number): number =>
  seasonsOf(dug).reduce((sum, season) => {
    const own = runOf(dug.filter((s) => s.season === season));
    return sum + (run > 0 ? Math.ceil((compost * own) / run / LIMITS.bagVolume.value - 1e-9) : 0);
  }, 0);

/** What goes back into the trenches, and what of the heap is left over. */
function filledWith(
  dug: readonly Dug[],
  { run, soil, soilDug, heap }: ReturnType<typeof dugOut>,
  shareOfCompost: number,
  fill: SchoolInForce,
): Quantity[] {
  const settled = TRENCH_LIMITS.settlement.value;
  const filled = soil * (1 + settled);
  const compost = filled * shareOfCompost;
  const native = filled - compost;
  const ofFill = { matter: fill.matter.label, school: fill.label, chosenBy: fill.chosenBy };
  return [
    quantity(
      'compost',
      compost,
      'volume',
      'soil dug × (1 + settlement) × share of compost',
      [soilDug, input('settlement', settled, 'share'), input('share of compost', shareOfCompost, 'share')],
      [TRENCH_LIMITS.settlement.reason],
      ofFill,
    ),
    quantity(
      'bagsOfCompost',
      bagsOf(dug, compost, run),
      'count',
      'compost / bag, rounded up, season by season',
      [
        input('compost', compost, 'volume'),
        input('seasons', seasonsOf(dug).length, 'count'),
        input('bag', LIMITS.bagVolume.value, 'volume'),
      ],
    ),
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
            Math.ceil(run - 1e-9),
            'count',
            'one for each metre of trench',
            [input('run', run, 'long length')],
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
  ];
}

/** Hours of the crew, and of the air tool where it is the one that digs. */
function hoursFor(
  dug: readonly Dug[],
  { soil, soilDug }: ReturnType<typeof dugOut>,
  { school }: TrenchPlan['rules'],
  found: SoilToDig,
): Quantity[] {
  const rate = DIG_RATES[school][found];
  const seasons = seasonsOf(dug).length;
  const hours = (at: number) => LIMITS.setUpHours.value * seasons + soil / at;
  const nozzle = TRENCH_LIMITS.nozzleAir.value;
  const compressor = COMPRESSORS.find((c) => c.gives >= nozzle)!;
  const usual = input('rate, m³ an hour', rate.usual, 'ratio');
  const none = dug.length === 0;
  return [
    quantity(
      'crewHours',
      none ? 0 : hours(rate.usual),
      'hours',
      'set-up of each season + soil dug / rate of the tool in this soil',
      [
        input('set-up, hours', LIMITS.setUpHours.value, 'ratio'),
        input('seasons', seasons, 'count'),
        soilDug,
        usual,
      ],
      [
        `${rate.reason} ${found === 'tight' ? 'Tight' : 'Open'} soil: ${hours(rate.high).toFixed(1)} to ${hours(rate.low).toFixed(1)} hours.`,
        ...(school === 'air'
          ? [
              `Air: ${Math.round(nozzle * CUBIC_FEET_A_MINUTE)} cfm at the nozzle, so a compressor of the ${compressor.label}. ${TRENCH_LIMITS.nozzleAir.reason}`,
            ]
          : []),
      ],
    ),
    ...(school === 'air'
      ? [
          quantity('airTool', none ? 0 : soil / rate.usual, 'hours', 'soil dug / rate of the tool', [
            soilDug,
            usual,
          ]),
        ]
      : []),
  ];
}

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
  const out = dugOut(dug, rules);
  return [
    ...out.quantities,
    ...filledWith(dug, out, compostShare(rules, fill), fill),
    ...hoursFor(dug, out, rules, soil),
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
