import { LAB_DAYS } from '../protocol/soilLab';

/** A soil laboratory that takes a sample by its label and answers with a file. */
export interface SoilLab {
  readonly name: string;
  /** Days from the day a sample goes out to the results. */
  readonly days: number;
  /** The file of a sample: CSV with parameter, value, unit. */
  results(label: string): Promise<string>;
}

function chanceOf(text: string, n: number): number {
  let hash = 2166136261 ^ n;
  for (const c of text) hash = Math.imul(hash ^ c.charCodeAt(0), 16777619) >>> 0;
  return ((hash ^ (hash >>> 13)) >>> 0) / 2 ** 32;
}

/** Stands in for a soil laboratory: the same label gives the same soil. */
export const simulatedLab: SoilLab = {
  name: 'simulated soil laboratory',
  days: LAB_DAYS,
  results: (label) => {
    const between = (n: number, low: number, high: number) => low + (high - low) * chanceOf(label, n);
    const sand = Math.round(between(1, 20, 60));
    const clay = Math.round(between(2, 15, 38));
    const lines: [string, string, string][] = [
      ['pH (water)', between(3, 6.2, 8.3).toFixed(1), ''],
      ['EC', between(4, 0.2, 2.6).toFixed(2), 'dS/m'],
      ['Sand', String(sand), '%'],
      ['Silt', String(100 - sand - clay), '%'],
      ['Clay', String(clay), '%'],
      ['Organic matter', between(5, 1.2, 4.5).toFixed(1), '%'],
      ['Phosphorus', between(6, 4, 40).toFixed(0), 'mg/kg'],
      ['Potassium', between(7, 60, 240).toFixed(0), 'mg/kg'],
      ['Iron', '<0.5', 'mg/kg'],
    ];
    return Promise.resolve(
      ['parameter,value,unit', ...lines.map((l) => l.map((c) => `"${c}"`).join(','))].join('\n'),
    );
  },
};
