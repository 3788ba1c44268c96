import { writeFileSync } from 'node:fs';
import { visitToJudge } from '@undrel/core/walk';
import { CLOSED, RATES } from '../db/demo/rates';
import { PROPERTIES } from '../db/demo/world';
import { reportContent } from '../web/server/reports/content';
import { documentIn } from '../web/documents/documentIn';
import { documentPdf } from '../web/server/reports/pdf';
import { documentMarkdown } from '../web/server/reports/markdown';
const only = process.argv.slice(2);
for (const p of PROPERTIES())
  for (const { id, caseFile } of p.trees) {
    const visit = visitToJudge(caseFile.visits);
    if (!visit) continue;
    if (only.length && !only.includes(id)) continue;
    const content = reportContent({
      tree: caseFile.tree,
      events: caseFile.events,
      visit,
      visits: caseFile.visits,
      property: p.name,
      client: 'A client',
      firm: 'Quillrow Tree Advisory',
      schools: { weather: caseFile.weather },
      site: caseFile.site,
      wording: {},
      rates: RATES,
      closed: CLOSED,
      system: 'metric',
    });
    const out: string[] = [];
    for (const length of ['letter', 'report', 'record'] as const)
      for (let t = 0; t < 4; t++) {
        const d = documentIn(length, content, undefined, t);
        const s = performance.now();
        const { bytes, pages } = documentPdf(d);
        out.push(`${length}${t}:${pages} (${Math.round(performance.now() - s)} ms)`);
        if (only.length && t === 0) {
          writeFileSync(`/tmp/${length}.pdf`, bytes);
          if (length === 'letter') console.log(documentMarkdown(d));
        }
        if (length === 'record') break;
      }
    console.log(id, out.join(' '));
  }
