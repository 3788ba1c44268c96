import type { NextRequest } from 'next/server';
import * as z from 'zod';
import { asked, plain, type Asked } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { bringTrees, toldOf } from '@/server/grounds/bring';
import { treesCsv } from '@/work/readers/csv';
import { propertyHead, propertyRows, treeHeads } from '@/server/grounds/grounds';

interface Context {
  params: Promise<{ property: string }>;
}

const placing = z.object({ place: z.object({ id: z.string(), x: z.number(), y: z.number() }) });

const cohort = z.object({
  cohort: z.object({ name: z.string().trim().min(1).max(120), ids: z.array(z.string()).min(1).max(500) }),
});

/** The tree table as CSV. */
export async function GET(request: NextRequest, { params }: Context): Promise<Response> {
  const { property } = await params;
  return asked(request, 'read', async ({ inFirm, asker }) => {
    const rows = await inFirm((db) => propertyRows(db, property));
    if (!rows) return plain(404, 'There is no such property.');
    const page = await beside('property', rows, asker);
    return new Response(treesCsv(page.trees), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="${page.id}-trees.csv"`,
      },
    });
  });
}

/** Brings trees in from CSV, places one on the plan, or notes which were planted together. */
export async function POST(request: NextRequest, { params }: Context): Promise<Response> {
  const { property } = await params;
  const isCsv = request.headers.get('content-type')?.includes('csv') === true;
  return asked(request, 'measure', (given) => (isCsv ? fromCsv(property, given) : fromPlan(property, given)));
}

async function fromCsv(property: string, { body, inFirm, asker }: Asked): Promise<Response> {
  const read = await beside('trees', await body('csv'), asker);
  if (!read.ok) return plain(400, read.problem);
  return inFirm(async (db, viewer) => {
    if (!(await propertyHead(db, property))) return plain(404, 'There is no such property.');
    const brought = await bringTrees(db, viewer, property, read.trees);
    return Response.json({
      done: toldOf(brought.added, brought.changed),
      notes: [...read.notes, ...brought.notes],
    });
  });
}

async function fromPlan(property: string, { json, inFirm }: Asked): Promise<Response> {
  const given = await json();
  return inFirm(async (db, viewer) => {
    const heads = await treeHeads(db, property);
    const together = cohort.safeParse(given);
    if (together.success) {
      const { name, ids } = together.data.cohort;
      const members = heads.filter((t) => ids.includes(t.id));
      const done = await bringTrees(
        db,
        viewer,
        property,
        members.map(({ label }) => ({ label, cohort: name })),
      );
      return done.notes.length > 0
        ? plain(409, done.notes[0]!)
        : Response.json({ done: `${members.length} trees grouped.` });
    }
    const read = placing.safeParse(given);
    const tree = read.success ? heads.find((t) => t.id === read.data.place.id) : undefined;
    if (!read.success || !tree) return plain(400, 'There is no such tree on this property.');
    const { x, y } = read.data.place;
    const done = await bringTrees(db, viewer, property, [{ label: tree.label, position: { x, y } }]);
    return done.notes.length > 0
      ? plain(409, done.notes[0]!)
      : Response.json({ done: `${tree.label} placed.` });
  });
}
