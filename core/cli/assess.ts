import { assess } from '../src/assessment';
import type { Rates } from '../src/costing';
import { explain } from '../src/diagnosis';
import type { CaseFile } from '../src/format/case';
import { readCase } from '../src/format/read';
import { sinceWhen, withAge } from '../src/history';
import type { Solver } from '../src/milp';
import { causesAnswered, looksFirst } from '../src/prescription';
import { assessCuts, assessDig, isStressed } from '../src/pruning';
import { visitToJudge } from '../src/walk';
import { cutsText } from './cuts';
import { digSummary, digText } from './dig';
import { groundOf, groundSummary, groundText } from './ground';
import { complain, problemOf, slurp, systemOf, write, writtenIn } from './io';
import { assessmentText } from './text';
import { worthOfCase, worthText } from './worth';

interface Options {
  format: string;
  units: string;
  visit: string | undefined;
  brief: boolean;
  rates: Rates | undefined;
  solve: Solver | undefined;
}

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
    const system = systemOf(options.units);
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

/** Assesses each file; gives the exit status. */
export async function assessFiles(files: string[], options: Options): Promise<number> {
  let bad = 0;
  const today = new Date().toISOString().slice(0, 10);
  for (const [i, file] of files.entries()) {
    try {
      const read = readCase(await slurp(file), today);
      if (!read.ok) {
        bad++;
        for (const p of read.problems)
          complain(`${file}: ${p.path}: ${JSON.stringify(p.value) ?? 'absent'}: ${p.message}`);
      } else {
        for (const w of read.warnings) complain(`${file}: warning: ${w.path}: ${w.message}`);
        await write(assessOne(read.caseFile, file, read.warnings, options));
      }
    } catch (error) {
      bad++;
      complain(`${file}: ${problemOf(error)}`);
    }
    if (files.length >= 20 && ((i + 1) % 20 === 0 || i + 1 === files.length)) {
      process.stderr.write(`${i + 1} of ${files.length} files\n`);
    }
  }
  return bad > 0 ? 2 : 0;
}
