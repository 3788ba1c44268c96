import type { NextRequest } from 'next/server';
import { z } from 'zod';
import { handle, plain } from '@/server/accounts/request';
import { bringTrees, toldOf } from '@/server/grounds/bring';
import { readTrees, treesCsv } from '@/server/grounds/csv';
import { loadProperty } from '@/server/grounds/grounds';

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
  return handle(request, 'read', async (db) => {
    const page = await loadProperty(db, property);
    if (!page) return plain(404, 'There is no such property.');
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
  const body = new Uint8Array(await request.arrayBuffer());
  const isCsv = request.headers.get('content-type')?.includes('csv') === true;
  return handle(request, 'measure', async (db, viewer) => {
    const page = await loadProperty(db, property);
    if (!page) return plain(404, 'There is no such property.');
    if (!isCsv) {
      const given: unknown = JSON.parse(new TextDecoder().decode(body));
      const together = cohort.safeParse(given);
      if (together.success) {
        const { name, ids } = together.data.cohort;
        const members = page.trees.filter((t) => ids.includes(t.id));
        const done = await bringTrees(
          db,
          viewer,
          property,
          page.trees,
          members.map(({ label }) => ({ label, cohort: name })),
        );
        return done.notes.length > 0
          ? plain(409, done.notes[0]!)
          : Response.json({ done: `${members.length} trees put together.` });
      }
      const read = placing.safeParse(given);
      const tree = read.success ? page.trees.find((t) => t.id === read.data.place.id) : undefined;
      if (!read.success || !tree) return plain(400, 'There is no such tree on these grounds.');
      const { x, y } = read.data.place;
      const done = await bringTrees(db, viewer, property, page.trees, [
        { label: tree.label, position: { x, y } },
      ]);
      return done.notes.length > 0
        ? plain(409, done.notes[0]!)
        : Response.json({ done: `${tree.label} placed.` });
    }
    const read = readTrees(body);
    if (!read.ok) return plain(400, read.problem);
    const brought = await bringTrees(db, viewer, property, page.trees, read.trees);
    return Response.json({
      done: toldOf(brought.added, brought.changed),
      notes: [...read.notes, ...brought.notes],
    });
  });
}
