import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { importCase } from '@/server/grounds/importCase';
import { today } from '@/server/cases/write';
import { propertyHead } from '@/server/grounds/grounds';

/** Brings a case file in as a new tree of the property. */
export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  return asked(request, 'measure', async ({ body, inFirm, asker }) => {
    const bytes = await body('case');
    const read = await beside('caseFile', { bytes, today: today() }, asker);
    if (!read.ok) return plain(400, read.problem);
    const { caseFile } = read;
    return inFirm(async (db, viewer) => {
      if (!(await propertyHead(db, property))) return plain(404, 'There is no such property.');
      const { leftOut } = await importCase(db, viewer, property, caseFile);
      return Response.json({
        done: `${caseFile.tree.label} imported with ${caseFile.visits.length} visit(s).`,
        notes: leftOut.map((l) => `Left out: ${l}`),
      });
    });
  });
}
