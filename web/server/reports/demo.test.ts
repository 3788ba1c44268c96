import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { plannedOf } from '@undrel/core/prescription';
import { documentIn, TIGHTEST } from '../../documents/documentIn';
import { LENGTH_WORDS } from '../../protocol/lengths';
import { assessedOf } from '../../work/tree/assessed';
import { ALONE } from '../beside';
import { orderOf } from '../../work/offers/order';
import { reportContent } from '../../work/reports/content';
import { demoSource, visitedTrees } from './demoSources';
import { documentPdf } from '../../work/reports/pdf';
import type { ReportFormat } from '../../work/reports/formats';
import { reportFile } from './files';

const visited = visitedTrees();

/** How a file of each format begins. */
const BEGINS: Record<ReportFormat, string> = { pdf: '%PDF-', docx: 'PK', md: '# ', json: '{' };
/** Set page by page, which takes the most time: each tree in one of the two units. The others in both. */
const SET: readonly ReportFormat[] = ['pdf', 'docx'];
const SYSTEMS = ['metric', 'us'] as const;

test('every visited tree of the demo has a report in every format and either units, a letter of two pages, a report of six @whole', async () => {
  expect(visited.length).toBeGreaterThan(10);
  // Two firms, so that two threads set them.
  await Promise.all(
    [0, 1].map(async (half) => {
      const asker = { ...ALONE, firmId: `half ${half}` };
      const own = visited.filter((_, i) => i % 2 === half);
      for (const [i, tree] of own.entries())
        for (const [u, system] of SYSTEMS.entries()) {
          const content = reportContent(demoSource(tree, system));
          for (const format of Object.keys(BEGINS) as ReportFormat[]) {
            if (SET.includes(format) && (i + half) % 2 !== u) continue;
            const file = await reportFile({ content }, format, asker);
            const begins = Buffer.from(file).subarray(0, 5).toString('latin1');
            expect([tree.id, system, format, begins.startsWith(BEGINS[format])]).toEqual([
              tree.id,
              system,
              format,
              true,
            ]);
            expect(file.length).toBeGreaterThan(2000);
          }
          if ((i + half) % 2 !== u) continue;
          for (const length of ['letter', 'report'] as const) {
            const fits = Array.from({ length: TIGHTEST + 1 }, (_, tight) => tight).find(
              (tight) =>
                documentPdf(documentIn(length, content, undefined, tight)).pages <=
                LENGTH_WORDS[length].pages!,
            );
            expect([tree.id, length, fits]).toEqual([tree.id, length, expect.any(Number)]);
          }
        }
    }),
  );
});

test('command line, report and crew order prescribe the same for every visited tree of the demo @whole', () => {
  const folder = mkdtempSync(join(tmpdir(), 'undrel-same-'));
  const files = visited.map(({ id, caseFile }) => {
    const file = join(folder, `${id}.json`);
    writeFileSync(file, JSON.stringify(caseFile));
    return file;
  });
  const { status, stdout } = spawnSync(
    process.execPath,
    ['core/bin/undrel.mjs', 'assess', '--brief', ...files],
    { encoding: 'utf8', maxBuffer: 1 << 28 },
  );
  expect(status).toBe(0);
  const told = stdout
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line));
  expect(told).toHaveLength(visited.length);
  visited.forEach((one, i) => {
    const { id, visit } = one;
    const source = demoSource(one, 'metric');
    const { operations } = assessedOf(source);
    const planned = plannedOf(operations, visit);
    const byCommand = plannedOf(told[i].operations as typeof operations, visit);
    expect([id, byCommand.map((o) => o.title)]).toEqual([id, planned.map((o) => o.title)]);
    const { prescribed } = reportContent(source);
    expect(prescribed.map((o) => [o.title, o.summary])).toEqual(byCommand.map((o) => [o.title, o.summary]));
    // Of what is left alone the crew does nothing; every other step of its order is one of these.
    const steps = orderOf(source, [], id).steps.flatMap((s) =>
      'operation' in s ? [String(s.operation)] : [],
    );
    const keys = planned.map((o) => o.key as string);
    for (const step of steps) expect(keys).toContain(step);
    const passive = ['alive', 'watch', 'fertiliser'];
    for (const key of keys.filter((k) => !passive.includes(k)))
      expect([id, key, steps.includes(key)]).toEqual([id, key, true]);
  });
});
