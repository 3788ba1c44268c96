import { visitToJudge } from '@undrel/core/walk';
import { CLOSED, RATES } from '../../../db/demo/rates';
import { PROPERTIES } from '../../../db/demo/world';
import { ALONE } from '../beside';
import { reportContent, type ReportSource } from './content';
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

test.each(['metric', 'us'] as const)(
  'every visited tree of the demo has a report in every format, %s',
  async (system) => {
    expect(visited.length).toBeGreaterThan(10);
    // Two firms, so that two threads set them.
    await Promise.all(
      [0, 1].map(async (half) => {
        const asker = { ...ALONE, firmId: `half ${half}` };
        for (const tree of visited.filter((_, i) => i % 2 === half)) {
          const content = reportContent(sourceOf(tree, system));
          for (const format of Object.keys(BEGINS) as ReportFormat[]) {
            const file = await reportFile(content, undefined, format, asker);
            const begins = Buffer.from(file).subarray(0, 5).toString('latin1');
            expect([tree.id, format, begins.startsWith(BEGINS[format])]).toEqual([tree.id, format, true]);
            expect(file.length).toBeGreaterThan(2000);
          }
        }
      }),
    );
  },
);
