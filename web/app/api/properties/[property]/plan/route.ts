import type { NextRequest } from 'next/server';
import { asked, handle, plain } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { bringTrees, toldOf } from '@/server/grounds/bring';
import { writePlan } from '@/work/readers/geojson';
import { addToPlan, placedTrees, propertyHead, setPlan } from '@/server/grounds/grounds';
import type { Outline, PlanSides } from '@/protocol/grounds';

interface Context {
  params: Promise<{ property: string }>;
}

const named = (plan: readonly Outline[]) => ({
  outlines: plan.length,
  names: [...new Set(plan.flatMap((o) => o.name ?? []))],
});

const sidesOf = (page: { version: number; plan: Outline[] }, mine: readonly Outline[]): PlanSides => ({
  version: page.version,
  theirs: named(page.plan),
  mine: named(mine),
});

/** The plan as GeoJSON in local metres. */
export async function GET(request: NextRequest, { params }: Context): Promise<Response> {
  const { property } = await params;
  return handle(request, 'read', async (db) => {
    const head = await propertyHead(db, property);
    if (!head) return plain(404, 'There is no such property.');
    const plan = writePlan({ ...head, trees: await placedTrees(db, property) });
    return new Response(`${JSON.stringify(plan, null, 1)}\n`, {
      headers: {
        'content-type': 'application/geo+json',
        'content-disposition': `attachment; filename="${head.id}.geojson"`,
      },
    });
  });
}

/**
 * Brings a plan in, GeoJSON or DXF: labelled points place or add trees, lines and areas replace the outlines.
 *
 * With `add` its lines and areas join those that are there; its points are passed over.
 *
 * `base` is the version the sender saw; outlines that someone changed since are left alone, and the answer is 409 with
 * both sides.
 */
export async function POST(request: NextRequest, { params }: Context): Promise<Response> {
  const { property } = await params;
  const base = Number(request.nextUrl.searchParams.get('base') ?? NaN);
  return asked(request, 'measure', async ({ body, inFirm, asker }) => {
    const dxf = request.headers.get('content-type')?.includes('dxf') === true;
    const bytes = await body('plan');
    const read = await beside('plan', { bytes, dxf }, asker);
    if (!read.ok) return plain(400, read.problem);
    if (request.nextUrl.searchParams.has('add')) {
      if (!(await inFirm((db) => addToPlan(db, property, read.outlines))))
        return plain(404, 'There is no such property.');
      return Response.json({ done: toldOf(0, 0, read.outlines.length), notes: read.notes });
    }
    return inFirm(async (db, viewer) => {
      const page = await propertyHead(db, property);
      if (!page) return plain(404, 'There is no such property.');
      const replaced = read.outlines.length > 0;
      const plan = page.plan ?? [];
      if (replaced && base !== page.version && plan.length > 0) {
        return Response.json({ stale: sidesOf({ ...page, plan }, read.outlines) }, { status: 409 });
      }
      const trees = read.trees.map((t) => ({
        label: t.label,
        species: t.species,
        position: { x: t.x, y: t.y },
      }));
      const brought = await bringTrees(db, viewer, property, trees);
      if (replaced && !(await setPlan(db, property, read.outlines, page.version))) {
        const now = (await propertyHead(db, property))!;
        return Response.json(
          { stale: sidesOf({ ...now, plan: now.plan ?? [] }, read.outlines) },
          { status: 409 },
        );
      }
      return Response.json({
        done: toldOf(brought.added, brought.changed, read.outlines.length),
        notes: [...read.notes, ...brought.notes],
      });
    });
  });
}
