import type { NextRequest } from 'next/server';
import { handle, plain } from '@/server/accounts/request';
import { alongList } from '@/server/along/along';

/** What a device that takes a property along has to keep. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  return handle(request, 'read', async (db) => {
    const list = await alongList(db, property);
    return list ? Response.json(list) : plain(404, 'There is no such property.');
  });
}
