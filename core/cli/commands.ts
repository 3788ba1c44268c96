import { readFile } from 'node:fs/promises';
import { readDays } from '../src/water';
import { calendarOfCase, calendarText } from './calendar';
import {
  BadCall,
  caseFrom,
  complain,
  dayOf,
  numberOf,
  problemOf,
  slurp,
  systemOf,
  write,
  writtenIn,
} from './io';
import { recoveryOfCase, recoveryText } from './recovery';
import { walkInventory, walkText } from './walk';
import { waterOfCase, waterText } from './water';

/** Triages an inventory; like all commands it gives the exit status. */
export async function walkFile(file: string, format: string): Promise<number> {
  try {
    const walked = walkInventory(await slurp(file), new Date().toISOString().slice(0, 10));
    for (const warning of walked.warnings) complain(`${file}: warning: ${warning}`);
    await write(format === 'text' ? walkText(walked) : `${JSON.stringify({ file, ...walked })}\n`);
    return 0;
  } catch (error) {
    complain(`${file}: ${problemOf(error)}`);
    return 2;
  }
}

interface WaterFlags {
  format: string;
  units: string;
  weather?: string;
  latitude?: string;
  elevation: string;
  on?: string;
  fahrenheit: boolean;
  inches: boolean;
  mph: boolean;
}

/** Tells when and how much to water the tree of a case. */
export async function waterFile(file: string, flags: WaterFlags): Promise<number> {
  if (flags.weather === undefined) throw new BadCall('water needs --weather FILE.csv');
  if (flags.on !== undefined) dayOf(flags.on);
  const elevation = numberOf('elevation', flags.elevation, [-430, 6000]);
  const given = flags.latitude === undefined ? undefined : numberOf('latitude', flags.latitude, [-90, 90]);
  try {
    const weather = readDays(await slurp(flags.weather), {
      temperature: flags.fahrenheit ? '°F' : '°C',
      rain: flags.inches ? 'in' : 'mm',
      wind: flags.mph ? 'mph' : 'm/s',
    });
    for (const note of weather.notes) complain(`${flags.weather}: ${note}`);
    const on = flags.on ?? weather.days.at(-1)?.date;
    if (weather.problem || on === undefined) {
      complain(`${flags.weather}: ${weather.problem ?? 'no day could be read'}`);
      return 2;
    }
    const own = await caseFrom(file, on);
    if (!own) return 2;
    const latitude = given ?? own.weather?.place?.latitude;
    if (latitude === undefined) {
      complain(`${file}: $.weather.place.latitude: absent: give --latitude`);
      return 2;
    }
    const plan = waterOfCase(own, { latitude, elevation }, weather.days, on);
    const { label } = own.tree;
    await write(
      flags.format === 'text'
        ? waterText(label, on, plan, systemOf(flags.units))
        : `${JSON.stringify({ tree: label, on, ...plan }, writtenIn(flags.units))}\n`,
    );
    return 0;
  } catch (error) {
    complain(`${file}: ${problemOf(error)}`);
    return 2;
  }
}

/** Tells whether a treated tree answers. */
export async function recoveryFile(
  file: string,
  { on: given, beside, format, units }: { on?: string; beside?: string; format: string; units: string },
): Promise<number> {
  const on = dayOf(given);
  try {
    const own = await caseFrom(file, on);
    const other = beside === undefined ? undefined : await caseFrom(beside, on);
    if (!own || (beside !== undefined && !other)) return 2;
    const told = recoveryOfCase(own, on, other);
    const { label } = own.tree;
    await write(
      format === 'text'
        ? recoveryText(label, told, systemOf(units))
        : `${JSON.stringify({ tree: label, on, ...told }, writtenIn(units))}\n`,
    );
    return 0;
  } catch (error) {
    complain(`${file}: ${problemOf(error)}`);
    return 2;
  }
}

/** Lists what is to be done at the tree of each case. */
export async function calendarFiles(
  files: readonly string[],
  { on: given, format, units }: { on?: string; format: string; units: string },
): Promise<number> {
  const on = dayOf(given);
  let status = 0;
  for (const file of files) {
    try {
      const own = await caseFrom(file, on);
      if (!own) {
        status = 2;
        continue;
      }
      const tasks = calendarOfCase(own, on);
      const { label } = own.tree;
      await write(
        format === 'text'
          ? calendarText(label, on, tasks, systemOf(units))
          : `${JSON.stringify({ tree: label, on, tasks }, writtenIn(units))}\n`,
      );
    } catch (error) {
      complain(`${file}: ${problemOf(error)}`);
      status = 2;
    }
  }
  return status;
}

/** Verifies an issued report. */
export async function verifyFile(file: string | undefined, format: string): Promise<number> {
  if (file === undefined) throw new BadCall('a report is needed: undrel verify REPORT.pdf');
  const { verifiedTold, verifyReport } = await import('../src/proof');
  const pdf = await readFile(file).catch((error: unknown) => {
    throw new BadCall(`${file}: ${problemOf(error)}`);
  });
  const verified = await verifyReport(new Uint8Array(pdf), new Date().toISOString().slice(0, 10));
  if ('problem' in verified) {
    complain(`${file}: ${verified.problem}`);
    return 1;
  }
  const { stands, head, lines } = verifiedTold(verified);
  await write(
    format === 'json' ? `${JSON.stringify({ stands, ...verified })}\n` : `${[head, ...lines].join('\n')}\n`,
  );
  return stands ? 0 : 1;
}
