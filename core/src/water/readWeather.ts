import Papa from 'papaparse';
import { byDay, dayAfter, daysBetween, yearOf } from '../vocabulary/dates';
import type { WeatherDay } from './evapotranspiration';

/** Units of a file, asked once. */
export interface WeatherUnits {
  temperature: '°C' | '°F';
  rain: 'mm' | 'in';
  wind: 'm/s' | 'mph';
}

export interface ReadDays {
  days: WeatherDay[];
  /** What was left out, filled or odd, with row, column, value and what is allowed. */
  notes: string[];
  /** Why none of it can be used. */
  problem?: string;
}

/** Longest hole that is filled from its neighbours, days. Judgement. */
const FILLED = 10;
const MM_PER_INCH = 25.4;
const MPS_PER_MPH = 0.44704;
/** From this many days on whose highs no place on earth reaches a column is in the other unit. */
const WRONG_UNIT = 3;

type Column = 'rain' | 'low' | 'high' | 'humidity low' | 'humidity high' | 'wind' | 'radiation';
/** Least and most of each column in the units of the program. */
const RANGES: Record<Column, readonly [number, number]> = {
  rain: [0, 1000],
  low: [-60, 45],
  high: [-50, 58],
  'humidity low': [0, 100],
  'humidity high': [0, 100],
  wind: [0, 60],
  radiation: [0, 45],
};

/**
 * Daily weather from CSV: columns `date` (YYYY-MM-DD), `rain`, `low`, `high`, and where known `humidity low`, `humidity high`
 * (percent), `wind` (at 2 m), `radiation` (MJ/m²). Holes of up to ten days are filled and marked.
 *
 * @param units of the file
 */
export function readDays(
  source: string,
  units: WeatherUnits = { temperature: '°C', rain: 'mm', wind: 'm/s' },
): ReadDays {
  const parsed = Papa.parse<Record<string, string>>(source.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  });
  const heads = parsed.meta.fields ?? [];
  const missing = (['date', 'rain', 'low', 'high'] as const).filter((c) => !heads.includes(c));
  if (missing.length > 0)
    return {
      days: [],
      notes: [],
      problem: `Column ${missing.join(', ')}: missing. The file has ${heads.join(', ') || 'nothing'}.`,
    };
  const notes: string[] = [];
  const byDate = new Map<string, WeatherDay>();
  let hot = 0;
  parsed.data.forEach((cells, i) => {
    const row = i + 2;
    const date = (cells.date ?? '').trim();
    if (date.length !== 10 || yearOf(date) === undefined) {
      notes.push(`Row ${row}, date: “${date}” is not a day, YYYY-MM-DD; left out.`);
      return;
    }
    const bad: string[] = [];
    const read = (column: Column): number | undefined => {
      const typed = (cells[column] ?? '').trim();
      if (typed === '') return undefined;
      const value = inUnits(column, Number(typed.replace(',', '.')), units);
      const [least, most] = RANGES[column];
      if (column === 'high' && value > most) hot++;
      if (Number.isFinite(value) && value >= least - 1e-9 && value <= most + 1e-9) return value;
      bad.push(`${column}: “${typed}” is not ${least} to ${most}`);
      return undefined;
    };
    const [rain, low, high] = [read('rain'), read('low'), read('high')];
    const [dry, damp, wind, radiation] = [
      read('humidity low'),
      read('humidity high'),
      read('wind'),
      read('radiation'),
    ];
    for (const problem of bad) notes.push(`Row ${row}, ${problem}; left empty.`);
    if (rain === undefined || low === undefined || high === undefined) return;
    if (low > high) {
      notes.push(`Row ${row}: low ${low} above high ${high}; left out.`);
      return;
    }
    const day: WeatherDay = {
      date,
      rain,
      low,
      high,
      ...(dry !== undefined && damp !== undefined && dry <= damp && { humidity: [dry / 100, damp / 100] }),
      ...(wind !== undefined && { wind }),
      ...(radiation !== undefined && { radiation }),
    };
    const known = byDate.get(date);
    if (known && JSON.stringify(known) !== JSON.stringify(day))
      notes.push(`Row ${row}: ${date} is there twice with other values; the first counts.`);
    else if (!known) byDate.set(date, day);
  });
  if (hot >= WRONG_UNIT)
    return {
      days: [],
      notes: [],
      problem: `Column high: ${hot} days are hotter than ${RANGES.high[1]} °C. ${units.temperature === '°C' ? 'Are the temperatures in °F?' : 'Check the column.'}`,
    };
  return filled(
    [...byDate.values()].sort((a, b) => byDay(a.date, b.date)),
    notes,
  );
}

/**
 * The same from JSON: a list of days, or an object with one under `days`, each with the columns of the CSV as its fields.
 *
 * @param units of the file
 */
export function readDaysJson(source: string, units?: WeatherUnits): ReadDays {
  let read: unknown;
  try {
    read = JSON.parse(source.replace(/^\uFEFF/, ''));
  } catch {
    return { days: [], notes: [], problem: 'The file is not JSON.' };
  }
  const rows = Array.isArray(read) ? read : (read as { days?: unknown } | null)?.days;
  if (!Array.isArray(rows) || rows.some((row) => typeof row !== 'object' || row === null))
    return { days: [], notes: [], problem: 'The file holds no list of days, nor one under days.' };
  return readDays(Papa.unparse(rows as object[]), units);
}

function inUnits(column: Column, value: number, units: WeatherUnits): number {
  if ((column === 'low' || column === 'high') && units.temperature === '°F') return (value - 32) / 1.8;
  if (column === 'rain' && units.rain === 'in') return value * MM_PER_INCH;
  if (column === 'wind' && units.wind === 'mph') return value * MPS_PER_MPH;
  return value;
}

/** Days that are missing between two: their temperatures on a line from one to the other, no rain. */
function filled(days: readonly WeatherDay[], notes: string[]): ReadDays {
  const whole: WeatherDay[] = [];
  let holes = 0;
  for (const day of days) {
    const last = whole.at(-1);
    const apart = last ? daysBetween(last.date, day.date) : 1;
    if (last && apart - 1 > FILLED) {
      notes.push(
        `${last.date} to ${day.date}: ${apart - 1} days are missing; more than ${FILLED} are not filled, what came before is left out.`,
      );
      whole.length = 0;
    } else if (last)
      for (let i = 1; i < apart; i++) {
        const on = (from: number, to: number) => from + ((to - from) * i) / apart;
        whole.push({
          date: dayAfter(last.date, i),
          rain: 0,
          low: on(last.low, day.low),
          high: on(last.high, day.high),
          filled: true,
        });
        holes++;
      }
    whole.push(day);
  }
  if (holes > 0) notes.push(`${holes} missing days were filled from their neighbours, without rain.`);
  return { days: whole, notes };
}
