import { highsSolver, type Solver } from '../src/milp';
import { createReadStream } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { assess } from '../src/assessment';
import { explain } from '../src/diagnosis';
import { sinceWhen, withAge } from '../src/history';
import { causesAnswered, looksFirst } from '../src/prescription';
import { assessCuts, assessDig, isStressed } from '../src/pruning';
import { type CaseFile, caseJsonSchema } from '../src/format/case';
import { readCase } from '../src/format/read';
import { calendarOfCase, calendarText } from './calendar';
import { cutsText } from './cuts';
import { digSummary, digText } from './dig';
import { writeLengths } from '../src/units';
import { visitToJudge } from '../src/walk';
import { yearOf } from '../src/vocabulary';
import { readDays } from '../src/water';
import { groundOf, groundSummary, groundText } from './ground';
import { assessmentText } from './text';
import { walkInventory, walkText } from './walk';
import { waterOfCase, waterText } from './water';
import { recoveryOfCase, recoveryText } from './recovery';
import { readRates, worthOfCase, worthText } from './worth';
import type { Rates } from '../src/costing';

const USAGE = `usage: undrel assess [FILE ...] [--format json|text] [--units metric|us] [--visit YYYY-MM-DD] [--rates FILE] [--brief]
       undrel water FILE --weather FILE.csv [--latitude DEG] [--elevation M] [--on YYYY-MM-DD]
                    [--fahrenheit] [--inches] [--mph] [--format json|text] [--units metric|us]
       undrel calendar [FILE ...] [--on YYYY-MM-DD] [--format json|text] [--units metric|us]
       undrel recovery FILE [--beside FILE] [--on YYYY-MM-DD] [--format json|text] [--units metric|us]
       undrel walk [FILE.csv] [--format json|text]
       undrel verify REPORT.pdf [--format text|json]
       undrel schema

assess  measures, explains and prescribes for the last visit of each case file (or the one of --visit);
        --brief leaves out the reasons, the next checks, the forecast of a dig, its cut plan and the trenches, for a whole inventory;
        --rates prices the treatment and sets five options side by side over ten years, from a file such as
        {"currency":"EUR","prices":{"crew":"68.50"},"tax":{"name":"VAT","percent":"19"}};
        without FILE, or with -, reads standard input. JSON comes one line a file.
water   tells when to water a tree next and how much, by the daily balance of FAO-56, with ways of watering side by side;
        --weather has the columns date, rain, low, high, and where known humidity low, humidity high, wind, radiation;
        latitude is that of the case where it is not given, elevation 100 m, the day the last of the weather
calendar lists what is to be done at the tree of each case file, with its days: what follows work that was done, days to come back,
        what is prescribed and not done; as it stands on a day, today where none is given
recovery tells whether a treated tree answers, by what was measured before and after, against the untreated tree of
        another case given by --beside
walk    triages an inventory, one row a tree, most urgent first: columns label, species, common name,
        year planted, stock, date and the quick looks flare, mulch, girdling, conks, lean, colour, density,
        dieback; an empty cell was not examined
verify  takes the case out of an issued report, recomputes all of it, and says whether verdict, work, amounts and costs
        are the same or which differ, and whether the file is as it was issued
schema  prints the JSON Schema of the case format.
Exit status: 0 all assessed, 1 a report that does not stand, 2 bad call or bad input (named on standard error).
`;

class BadCall extends Error {}

async function slurp(file: string): Promise<string> {
  const chunks: Buffer[] = [];
  const stream = file === '-' ? process.stdin : createReadStream(file);
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(chunks));
}

interface Options {
  format: string;
  units: string;
  visit: string | undefined;
  brief: boolean;
  rates: Rates | undefined;
  solve: Solver | undefined;
}

/** Writes the lengths of every sentence in the units asked for, as JSON goes out. */
const writtenIn = (units: string) => (_: string, value: unknown) =>
  typeof value === 'string' ? writeLengths(value, units === 'us' ? 'us' : 'metric') : value;

function assessOne(caseFile: CaseFile, file: string, warnings: unknown[], options: Options): string {
  const visit = options.visit
    ? caseFile.visits.find((v) => v.date === options.visit)
    : visitToJudge(caseFile.visits);
  if (!visit) {
    throw new Error(
      options.visit
        ? `$.visits: no visit on ${options.visit}; there are ${caseFile.visits.map((v) => v.date).join(', ') || 'none'}`
        : '$.visits: empty; at least one visit is needed',
    );
  }
  const house = { weather: caseFile.weather };
  const result = assess(caseFile.tree, caseFile.events, visit, house, undefined, caseFile.visits);
  const explanation = options.brief ? undefined : explain(result.verdict);
  const since = sinceWhen(caseFile.tree, caseFile.events, caseFile.visits, visit, {
    weather: caseFile.weather,
  });
  const dug = options.brief ? undefined : assessDig(caseFile.tree, caseFile.visits, visit, house);
  const cuts =
    options.solve && dug
      ? assessCuts(
          {
            tree: withAge(caseFile.tree, visit),
            date: visit.date,
            dig: visit.dig!,
            stem: dug.stem,
            design: visit.cuts ?? {},
            firm: house,
            stressed: isStressed(visit),
          },
          options.solve,
        )
      : undefined;
  const ground = options.brief ? undefined : groundOf(caseFile, visit);
  const worth = options.rates && worthOfCase(visit, result, dug, ground, options.rates);
  if (options.format === 'text') {
    const system = options.units === 'us' ? 'us' : 'metric';
    return (
      assessmentText(caseFile, visit.date, result, explanation, since, system) +
      (dug ? digText(dug, visit.date, system) : '') +
      (cuts ? cutsText(cuts, visit.date, system) : '') +
      (ground ? groundText(ground, system) : '') +
      (worth ? worthText(worth) : '')
    );
  }
  const { situation: _, ...told } = result;
  const dig = dug && digSummary(dug);
  // Sentences carry their lengths as marks; whoever reads the JSON gets them written.
  return `${JSON.stringify({ file, tree: caseFile.tree.label, visit: visit.date, warnings, ...told, answers: causesAnswered(result.situation, result.operations), explanation, looksFirst: explanation && looksFirst(result.situation, result.operations, explanation.decisions), since, dig, cuts, ground: ground && groundSummary(ground), worth }, writtenIn(options.units))}\n`;
}

function problemOf(error: unknown): string {
  if (error instanceof TypeError && 'code' in error && error.code === 'ERR_ENCODING_INVALID_ENCODED_DATA')
    return 'not UTF-8 text; save the file as UTF-8';
  return error instanceof Error ? error.message : String(error);
}

/** Writes with back-pressure, so that a thousand files stream. */
const write = (text: string) =>
  new Promise<void>((done, fail) => process.stdout.write(text, (error) => (error ? fail(error) : done())));

async function assessFiles(files: string[], options: Options): Promise<number> {
  let bad = 0;
  const today = new Date().toISOString().slice(0, 10);
  for (const [i, file] of files.entries()) {
    const complain = (message: string) => process.stderr.write(`${file}: ${message}\n`);
    try {
      const read = readCase(await slurp(file), today);
      if (!read.ok) {
        bad++;
        for (const p of read.problems)
          complain(`${p.path}: ${JSON.stringify(p.value) ?? 'absent'}: ${p.message}`);
      } else {
        for (const w of read.warnings) complain(`warning: ${w.path}: ${w.message}`);
        await write(assessOne(read.caseFile, file, read.warnings, options));
      }
    } catch (error) {
      bad++;
      complain(problemOf(error));
    }
    if (files.length >= 20 && ((i + 1) % 20 === 0 || i + 1 === files.length)) {
      process.stderr.write(`${i + 1} of ${files.length} files\n`);
    }
  }
  return bad > 0 ? 2 : 0;
}

async function walkFile(file: string, format: string): Promise<number> {
  try {
    const walked = walkInventory(await slurp(file), new Date().toISOString().slice(0, 10));
    for (const warning of walked.warnings) process.stderr.write(`${file}: warning: ${warning}\n`);
    await write(format === 'text' ? walkText(walked) : `${JSON.stringify({ file, ...walked })}\n`);
    return 0;
  } catch (error) {
    process.stderr.write(`${file}: ${problemOf(error)}\n`);
    return 2;
  }
}

const oneOf = (name: string, value: string, allowed: string[]) => {
  if (!allowed.includes(value)) throw new BadCall(`--${name} ${value}: allowed are ${allowed.join(', ')}`);
};

async function ratesFrom(file: string): Promise<Rates> {
  try {
    return readRates(await slurp(file));
  } catch (error) {
    throw new BadCall(`--rates ${file}: ${problemOf(error)}`);
  }
}

/** A number of a flag within its range. @throws BadCall naming flag, value and range */
function numberOf(flag: string, typed: string, [least, most]: readonly [number, number]): number {
  const value = Number(typed);
  if (typed.trim() !== '' && value >= least && value <= most) return value;
  throw new BadCall(`--${flag} ${typed}: allowed ${least} to ${most}`);
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

async function waterFile(file: string, flags: WaterFlags): Promise<number> {
  if (flags.weather === undefined) throw new BadCall('water needs --weather FILE.csv');
  if (flags.on !== undefined && (flags.on.length !== 10 || yearOf(flags.on) === undefined))
    throw new BadCall(`--on ${flags.on}: allowed YYYY-MM-DD`);
  const elevation = numberOf('elevation', flags.elevation, [-430, 6000]);
  const given = flags.latitude === undefined ? undefined : numberOf('latitude', flags.latitude, [-90, 90]);
  const complain = (message: string) => process.stderr.write(`${message}\n`);
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
    const read = readCase(await slurp(file), on);
    if (!read.ok) {
      for (const p of read.problems)
        complain(`${file}: ${p.path}: ${JSON.stringify(p.value) ?? 'absent'}: ${p.message}`);
      return 2;
    }
    const latitude = given ?? read.caseFile.weather?.place?.latitude;
    if (latitude === undefined) {
      complain(`${file}: $.weather.place.latitude: absent: give --latitude`);
      return 2;
    }
    const plan = waterOfCase(read.caseFile, { latitude, elevation }, weather.days, on);
    const { label } = read.caseFile.tree;
    await write(
      flags.format === 'text'
        ? waterText(label, on, plan, flags.units === 'us' ? 'us' : 'metric')
        : `${JSON.stringify({ tree: label, on, ...plan }, writtenIn(flags.units))}\n`,
    );
    return 0;
  } catch (error) {
    complain(`${file}: ${problemOf(error)}`);
    return 2;
  }
}

/** A day that was given, or today. */
function dayOf(given: string | undefined): string {
  if (given !== undefined && (given.length !== 10 || yearOf(given) === undefined))
    throw new BadCall(`--on ${given}: allowed YYYY-MM-DD`);
  return given ?? new Date().toISOString().slice(0, 10);
}

async function recoveryFile(
  file: string,
  { on: given, beside, format, units }: { on?: string; beside?: string; format: string; units: string },
): Promise<number> {
  const on = dayOf(given);
  const complain = (message: string) => {
    process.stderr.write(`${message}\n`);
    return 2;
  };
  const read = async (name: string): Promise<CaseFile | undefined> => {
    const got = readCase(await slurp(name), on);
    if (got.ok) return got.caseFile;
    for (const p of got.problems)
      complain(`${name}: ${p.path}: ${JSON.stringify(p.value) ?? 'absent'}: ${p.message}`);
    return undefined;
  };
  try {
    const own = await read(file);
    const other = beside === undefined ? undefined : await read(beside);
    if (!own || (beside !== undefined && !other)) return 2;
    const told = recoveryOfCase(own, on, other);
    const { label } = own.tree;
    await write(
      format === 'text'
        ? recoveryText(label, told, units === 'us' ? 'us' : 'metric')
        : `${JSON.stringify({ tree: label, on, ...told }, writtenIn(units))}\n`,
    );
    return 0;
  } catch (error) {
    return complain(`${file}: ${problemOf(error)}`);
  }
}

async function calendarFiles(
  files: readonly string[],
  { on: given, format, units }: { on?: string; format: string; units: string },
): Promise<number> {
  const on = dayOf(given);
  let status = 0;
  const complain = (message: string) => {
    process.stderr.write(`${message}\n`);
    status = 2;
  };
  for (const file of files) {
    try {
      const read = readCase(await slurp(file), on);
      if (!read.ok) {
        for (const p of read.problems)
          complain(`${file}: ${p.path}: ${JSON.stringify(p.value) ?? 'absent'}: ${p.message}`);
        continue;
      }
      const tasks = calendarOfCase(read.caseFile, on);
      const { label } = read.caseFile.tree;
      await write(
        format === 'text'
          ? calendarText(label, on, tasks, units === 'us' ? 'us' : 'metric')
          : `${JSON.stringify({ tree: label, on, tasks }, writtenIn(units))}\n`,
      );
    } catch (error) {
      complain(`${file}: ${problemOf(error)}`);
    }
  }
  return status;
}

async function verifyFile(file: string | undefined, format: string): Promise<number> {
  if (file === undefined) throw new BadCall('a report is needed: undrel verify REPORT.pdf');
  const { verifiedTold, verifyReport } = await import('../src/proof');
  const pdf = await readFile(file).catch((error: unknown) => {
    throw new BadCall(`${file}: ${problemOf(error)}`);
  });
  const verified = await verifyReport(new Uint8Array(pdf), new Date().toISOString().slice(0, 10));
  if ('problem' in verified) {
    process.stderr.write(`${file}: ${verified.problem}\n`);
    return 1;
  }
  const { stands, head, lines } = verifiedTold(verified);
  await write(
    format === 'json' ? `${JSON.stringify({ stands, ...verified })}\n` : `${[head, ...lines].join('\n')}\n`,
  );
  return stands ? 0 : 1;
}

async function main(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      format: { type: 'string', default: 'json' },
      units: { type: 'string', default: 'metric' },
      visit: { type: 'string' },
      rates: { type: 'string' },
      brief: { type: 'boolean', default: false },
      weather: { type: 'string' },
      latitude: { type: 'string' },
      elevation: { type: 'string', default: '100' },
      on: { type: 'string' },
      beside: { type: 'string' },
      fahrenheit: { type: 'boolean', default: false },
      inches: { type: 'boolean', default: false },
      mph: { type: 'boolean', default: false },
      help: { type: 'boolean', default: false },
    },
  });
  if (values.help) {
    await write(USAGE);
    return 0;
  }
  oneOf('format', values.format, ['json', 'text']);
  oneOf('units', values.units, ['metric', 'us']);
  const [command, ...files] = positionals;
  if (command === 'schema') {
    await write(`${JSON.stringify(caseJsonSchema(), null, 2)}\n`);
    return 0;
  }
  if (command === 'verify') return verifyFile(files[0], values.format);
  if (command === 'walk') return walkFile(files[0] ?? '-', values.format);
  if (command === 'water') return waterFile(files[0] ?? '-', values);
  if (command === 'calendar') return calendarFiles(files.length > 0 ? files : ['-'], values);
  if (command === 'recovery') return recoveryFile(files[0] ?? '-', values);
  if (command !== 'assess')
    throw new BadCall(command ? `there is no command ${command}` : 'a command is needed');
  const rates = values.rates === undefined ? undefined : await ratesFrom(values.rates);
  return assessFiles(files.length > 0 ? files : ['-'], {
    format: values.format,
    units: values.units,
    visit: values.visit,
    brief: values.brief,
    rates,
    solve: values.brief ? undefined : highsSolver(await (await import('highs')).default()),
  });
}

main().then(
  (status) => {
    process.exitCode = status;
  },
  (error: unknown) => {
    process.stderr.write(`undrel: ${error instanceof Error ? error.message : String(error)}\n${USAGE}`);
    process.exitCode = 2;
  },
);
