import type { NextRequest } from 'next/server';
import { readCase } from '@undrel/core/case-schema';
import { handle, plain } from '@/server/accounts/request';
import { importCase } from '@/server/cases/import';
import { today } from '@/server/cases/write';
import { loadProperty } from '@/server/grounds/grounds';

/** Brings a case file in as a new tree of the property. */
export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  const bytes = new Uint8Array(await request.arrayBuffer());
  return handle(request, 'measure', async (db, viewer) => {
    let source: string;
    try {
      source = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    } catch {
      return plain(400, 'The file is not UTF-8 text; nothing was brought in.');
    }
    if (!(await loadProperty(db, property))) return plain(404, 'There is no such property.');
    const read = readCase(source, today());
    if (!read.ok) {
      const told = read.problems
        .slice(0, 5)
        .map((p) => `${p.path}: ${JSON.stringify(p.value) ?? 'absent'}: ${p.message}`);
      return plain(400, `Nothing was brought in. ${told.join(' ')}`);
    }
    const { leftOut } = await importCase(db, viewer, property, read.caseFile);
    return Response.json({
      done: `${read.caseFile.tree.label} brought in with ${read.caseFile.visits.length} visit(s).`,
      notes: leftOut.map((l) => `Left out: ${l}`),
    });
  });
}
