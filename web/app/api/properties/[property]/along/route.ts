import type { NextRequest } from 'next/server';
import * as z from 'zod';
import { asked, handle, plain } from '@/server/accounts/request';
import { alongList, noteHeld } from '@/server/along/along';
import { propertyHead } from '@/server/grounds/grounds';

const held = z.object({ here: z.boolean() });

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

/** Notes that a device holds the property now, or no longer. */
export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  return asked(request, 'read', async ({ json, inFirm, viewer }) => {
    const read = held.safeParse(await json());
    if (!read.success) return plain(400, 'Here: true or false is needed.');
    return inFirm(async (db) => {
      if (!(await propertyHead(db, property))) return plain(404, 'There is no such property.');
      await noteHeld(db, viewer.sessionId, property, read.data.here);
      return Response.json({});
    });
  });
}
