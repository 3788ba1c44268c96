import type { NextRequest } from 'next/server';
import { handle, plain } from '@/server/accounts/request';
import { treePage } from '@/server/treePage';
import { today } from '@/server/cases/write';
import type { CaseNow } from '@/protocol/caseNow';

/** A tree as it stands, with what it is judged by, for a page that was kept on a device and shows what was before. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ tree: string }> },
): Promise<Response> {
  const { tree } = await params;
  return handle(request, 'read', async (db) => {
    const page = await treePage(db, tree);
    if (!page) return plain(404, 'There is no such tree.');
    const { loaded, about } = page;
    return Response.json({ items: loaded.items, about, today: today() } satisfies CaseNow);
  });
}
