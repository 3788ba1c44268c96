import type { NextRequest } from 'next/server';
import { handle, plain } from '@/server/accounts/request';
import { caseFileOf, loadCase } from '@/server/cases/load';

/** The tree as a case file. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ tree: string }> },
): Promise<Response> {
  const { tree } = await params;
  return handle(request, 'read', async (db) => {
    const loaded = await loadCase(db, tree);
    if (!loaded) return plain(404, 'There is no such tree.');
    const caseFile = caseFileOf(loaded);
    const name = caseFile.tree.label.replace(/[^\w-]+/g, '-').toLowerCase();
    return new Response(`${JSON.stringify(caseFile, null, 2)}\n`, {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="${name}.json"`,
      },
    });
  });
}
