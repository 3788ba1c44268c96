import { CAUSE_KEYS, CAUSES, OPERATION_KEYS, type CauseKey } from '@undrel/core/vocabulary';
import { signsOf } from '../../../core/tests/signs';
import { collarAt, visitOn } from '../../../core/tests/visits';
import { RATES } from '../../../db/demo/rates';
import { differencesOf, resultOf, type Result } from '@undrel/core/proof';
import { readCase } from '@undrel/core/format';

import { documentIn, TIGHTEST } from '../../documents/documentIn';
import { assessedOf } from '../../work/tree/assessed';
import { workOfTree } from '../../work/offers/treeWork';
import { reportContent } from '../../work/reports/content';
import { documentMarkdown } from '../../work/reports/markdown';
import { sourceAt } from './demoSources';
import { proofOf } from '../../work/reports/proof';
import { propertyLetter } from './propertyLetter';
import type { ReportSource } from '../../work/tree/source';

const saidIn = (source: ReportSource, length: 'letter' | 'report', tight: number) =>
  documentMarkdown(documentIn(length, reportContent(source), undefined, tight)).replaceAll('\\', '');
/** Causes that no look alone makes likely: they are measured, dug up, or told by the record. */
const MEASURED: readonly CauseKey[] = ['confinedHole', 'barrier', 'transplantShock'];
const DAY = '2027-03-01';
const HEAD = { firm: 'Firm', stamp: '', title: 'Place', lines: [], foot: '', paper: 'A4' as const };

test.each(CAUSE_KEYS)(
  '%s: where it is likely, letter and report say so, with what is done about it',
  (cause) => {
    const source = sourceAt(visitOn('2026-06-01', signsOf(cause), { probes: collarAt(0.05) }));
    const { verdict } = assessedOf(source);
    const all = verdict.causes.filter((c) => c.standing === 'likely');
    if (!MEASURED.includes(cause)) expect(all.map((c) => c.cause)).toContain(cause);
    for (const likely of all) {
      const led = CAUSES[likely.cause].led.slice(1);
      for (let tight = 0; tight <= TIGHTEST; tight++) {
        expect([likely.cause, tight, saidIn(source, 'letter', tight).includes(led)]).toEqual([
          likely.cause,
          tight,
          true,
        ]);
        expect(saidIn(source, 'report', tight)).toContain(`${likely.label}: ${likely.certainty}`);
      }
    }
  },
);

test.each(OPERATION_KEYS)(
  '%s, prescribed for a day: by name and day in letter and report, in the letter of its property, and proved',
  async (operation) => {
    const visit = visitOn('2026-06-01', signsOf('plantedDeep'), {
      probes: collarAt(0.18),
      decisions: [{ operation, taken: true, on: DAY }],
    });
    const source = sourceAt(visit);
    const { title, cautions } = assessedOf(source).operations.find((o) => o.key === operation)!;
    for (let tight = 0; tight <= TIGHTEST; tight++) {
      const letter = saidIn(source, 'letter', tight);
      expect([tight, letter.toLowerCase().includes(title.toLowerCase())]).toEqual([tight, true]);
      if (tight !== 1) expect([tight, letter.includes('1 March 2027')]).toEqual([tight, true]);
      expect(saidIn(source, 'report', tight)).toContain('1 March 2027');
    }
    const report = saidIn(source, 'report', 0);
    for (const caution of cautions)
      expect(report).toContain(caution.replace(/\{[mM]:[^}]*\}/g, '').slice(0, 20));
    const work = workOfTree({ id: '1', visitId: 'v', source });
    if (work) {
      const said = documentMarkdown(
        propertyLetter(HEAD, { trees: 1, visited: 1, large: [] }, [work], RATES, 0),
      );
      for (const step of work.steps) expect(said).toContain(step.title);
    }
    // What is attached comes to the same, wherever it is worked out.
    const { files } = await proofOf(source);
    const read = readCase(files['case.json'], '2026-12-01');
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const basis = JSON.parse(files['basis.json']) as Parameters<typeof resultOf>[0]['basis'];
    const was = JSON.parse(files['result.json']) as Result;
    expect(differencesOf(was, resultOf({ caseFile: read.caseFile, basis }))).toEqual([]);
    expect(was.work.map((w) => w.key)).toContain(operation);
  },
);
