import type { NextRequest } from 'next/server';
import * as z from 'zod';
import { asked, plain } from '@/server/accounts/request';
import { today } from '@/server/cases/write';
import { addToPlan } from '@/server/grounds/grounds';
import { simulatedLocate } from '@/stand-ins/locate';

const place = z.object({ x: z.number(), y: z.number() });

/** Has buried lines located about a place; those not on the plan yet are put there. Answers with the day of the marks. */
export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  return asked(request, 'measure', async ({ json, inFirm }) => {
    const read = place.safeParse(await json());
    if (!read.success) return plain(400, 'x and y of the place are needed, in metres.');
    const { marked, lines } = await simulatedLocate.locate(read.data, today());
    if (!(await inFirm((db) => addToPlan(db, property, lines))))
      return plain(404, 'There is no such property.');
    return Response.json({ marked, lines: lines.map((l) => l.name) });
  });
}
