import type { Push } from '../records';
import { PASCALS_PER_PSI } from '../units/pressure';
import { coneIndex, type Cone } from './penetration';

const PER_PRESSURE: Record<string, number> = { pa: 1, kpa: 1e3, mpa: 1e6, psi: PASCALS_PER_PSI, bar: 1e5 };
const PER_FORCE: Record<string, number> = { n: 1, kn: 1e3, lbf: 4.4482216, kgf: 9.80665 };
const PER_LENGTH: Record<string, number> = { m: 1, cm: 0.01, mm: 0.001, in: 0.0254, ft: 0.3048 };

/** Columns of a penetrometer's file, by the field that each one fills; the unit of each. */
export interface PushLayout {
  bearing: string;
  distance: { column: string; unit: string };
  depth: { column: string; unit: string };
  load: { column: string; unit: string };
}

/** A unit in brackets at the end of a head. */
const UNIT = /[([]([^()[\]]+)[)\]]$/;
/** Characters of a head that are looked at: no column of a device has a longer name. */
const MOST_HEAD = 80;

function nameAndUnit(column: string): { name: string; unit: string } {
  const head = column.trim().slice(0, MOST_HEAD);
  const found = UNIT.exec(head);
  return found
    ? { name: head.slice(0, found.index).trim().toLowerCase(), unit: found[1]!.trim().toLowerCase() }
    : { name: head.toLowerCase(), unit: '' };
}

/** The layout that the heads of a file tell by their names and units, as far as they do. */
export function layoutOf(heads: readonly string[]): Partial<PushLayout> {
  const find = (names: RegExp, units: Record<string, number>) => {
    for (const column of heads) {
      const { name, unit } = nameAndUnit(column);
      if (names.test(name) && units[unit] !== undefined) return { column, unit };
    }
    return undefined;
  };
  return {
    bearing: heads.find((h) => /^(bearing|azimuth|direction)/i.test(h)),
    distance: find(/^(distance|radius|from bark)/, PER_LENGTH),
    depth: find(/^depth/, PER_LENGTH),
    load: find(/^(pressure|cone index|resistance|force|load|ci)/, { ...PER_PRESSURE, ...PER_FORCE }),
  };
}

export const isForce = (unit: string): boolean => PER_FORCE[unit.toLowerCase()] !== undefined;

/**
 * Pushes from rows of a file, one row a reading, those of one place together.
 *
 * @param cone needed where the file gives forces
 * @returns pushes, and what was left out with its row (counted as in a spreadsheet) and what is allowed
 */
export function pushesFromRows(
  rows: readonly Record<string, string>[],
  layout: PushLayout,
  cone: Cone | undefined,
): { pushes: Push[]; notes: string[] } {
  const notes: string[] = [];
  const force = isForce(layout.load.unit);
  if (force && cone === undefined)
    return { pushes: [], notes: ['The file gives forces: the size of the cone is needed.'] };
  const places = new Map<string, Push>();
  rows.forEach((row, i) => {
    const number = (column: string) => {
      const text = (row[column] ?? '').trim().replace(',', '.');
      return text === '' ? NaN : Number(text);
    };
    const bearing = number(layout.bearing);
    const distance = number(layout.distance.column) * PER_LENGTH[layout.distance.unit]!;
    const depth = number(layout.depth.column) * PER_LENGTH[layout.depth.unit]!;
    const load = number(layout.load.column);
    const refuse = (field: string, value: unknown, allowed: string) =>
      notes.push(`Row ${i + 2} left out, ${field}: “${String(value)}” is not ${allowed}.`);
    if (!(bearing >= 0 && bearing <= 360)) return refuse('bearing', row[layout.bearing], '0 to 360°');
    if (!(distance >= 0 && distance <= 30))
      return refuse('distance', row[layout.distance.column], '0 to 30 m');
    if (!(depth >= 0 && depth <= 1.5)) return refuse('depth', row[layout.depth.column], '0 to 1.5 m');
    if (!(load >= 0)) return refuse(layout.load.column, row[layout.load.column], '0 or more');
    const unit = layout.load.unit.toLowerCase();
    const pressure = force ? coneIndex(load * PER_FORCE[unit]!, cone!) : load * PER_PRESSURE[unit]!;
    if (pressure > 2e7) return refuse(layout.load.column, row[layout.load.column], 'at most 20 MPa');
    const key = `${bearing % 360} ${distance}`;
    const push = places.get(key) ?? { bearing: bearing % 360, distance, readings: [] };
    const last = push.readings.at(-1);
    if (last && depth <= last.depth)
      return refuse('depth', row[layout.depth.column], `deeper than ${last.depth} m, the reading before it`);
    push.readings.push({ depth, pressure });
    places.set(key, push);
  });
  return { pushes: [...places.values()], notes };
}

/** Heads and rows of pushes as CSV. */
export const pushesToRows = (pushes: readonly Push[]): (string | number)[][] => [
  ['bearing', 'distance (m)', 'depth (cm)', 'cone index (MPa)'],
  ...pushes.flatMap((p) =>
    p.readings.map((r) => [
      p.bearing,
      p.distance,
      Number((100 * r.depth).toFixed(2)),
      Number((r.pressure / 1e6).toFixed(3)),
    ]),
  ),
];
