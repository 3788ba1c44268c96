import type { NextRequest } from 'next/server';
import { handle, plain } from '@/server/accounts/request';
import { loadCase } from '@/server/cases/load';
import { today } from '@/server/cases/write';
import type { CaseNow } from '@/protocol/item';

/** The items of a tree as they stand, for a page that was kept on a device and shows what was before. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ tree: string }> },
): Promise<Response> {
  const { tree } = await params;
  return handle(request, 'read', async (db) => {
    const loaded = await loadCase(db, tree);
    if (!loaded) return plain(404, 'There is no such tree.');
    return Response.json({ items: loaded.items, today: today() } satisfies CaseNow);
  });
}
