import { caseJsonSchema } from '../src/format/case';
import { highsSolver } from '../src/milp';
import type { Rates } from '../src/costing';
import { parseArgs } from 'node:util';
import { assessFiles } from './assess';
import { calendarFiles, recoveryFile, verifyFile, walkFile, waterFile } from './commands';
import { BadCall, oneOf, problemOf, slurp, write } from './io';
import { readRates } from './worth';

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

async function ratesFrom(file: string): Promise<Rates> {
  try {
    return readRates(await slurp(file));
  } catch (error) {
    throw new BadCall(`--rates ${file}: ${problemOf(error)}`);
  }
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
