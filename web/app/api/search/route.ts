import type { NextRequest } from 'next/server';
import { handle } from '@/server/accounts/request';
import { search } from '@/server/grounds/grounds';

export const GET = (request: NextRequest): Promise<Response> =>
  handle(request, 'read', async (db) =>
    Response.json(await search(db, (request.nextUrl.searchParams.get('q') ?? '').slice(0, 200))),
  );
