import { visitToJudge } from '@undrel/core/walk';
import { CLOSED, RATES } from '../../../db/demo/rates';
import { PROPERTIES } from '../../../db/demo/world';
import { ALONE } from '../beside';
import { reportContent } from './content';
import type { ReportSource } from './source';
import { reportFile, type ReportFormat } from './files';

const visited = PROPERTIES().flatMap((property) =>
  property.trees.flatMap(({ id, caseFile }) => {
    const visit = visitToJudge(caseFile.visits);
    return visit ? [{ id, property: property.name, caseFile, visit }] : [];
  }),
);

const sourceOf = (
  { caseFile, property, visit }: (typeof visited)[number],
  system: ReportSource['system'],
): ReportSource => ({
  tree: caseFile.tree,
  events: caseFile.events,
  visit,
  visits: caseFile.visits,
  property,
  client: 'A client',
  firm: 'Quillrow Tree Advisory',
  schools: {},
  site: caseFile.site,
  wording: {},
  rates: RATES,
  closed: CLOSED,
  system,
});

/** How a file of each format begins. */
const BEGINS: Record<ReportFormat, string> = { pdf: '%PDF-', docx: 'PK', md: '# ', json: '{' };
/** Set page by page, which takes the most time: each tree in one of the two units. The others in both. */
const SET: readonly ReportFormat[] = ['pdf', 'docx'];
const SYSTEMS = ['metric', 'us'] as const;

test('every visited tree of the demo has a report in every format, in either units', async () => {
  expect(visited.length).toBeGreaterThan(10);
  // Two firms, so that two threads set them.
  await Promise.all(
    [0, 1].map(async (half) => {
      const asker = { ...ALONE, firmId: `half ${half}` };
      const own = visited.filter((_, i) => i % 2 === half);
      for (const [i, tree] of own.entries())
        for (const [u, system] of SYSTEMS.entries()) {
          const content = reportContent(sourceOf(tree, system));
          for (const format of Object.keys(BEGINS) as ReportFormat[]) {
            if (SET.includes(format) && (i + half) % 2 !== u) continue;
            const file = await reportFile(content, undefined, format, asker);
            const begins = Buffer.from(file).subarray(0, 5).toString('latin1');
            expect([tree.id, system, format, begins.startsWith(BEGINS[format])]).toEqual([
              tree.id,
              system,
              format,
              true,
            ]);
            expect(file.length).toBeGreaterThan(2000);
          }
        }
    }),
  );
});
