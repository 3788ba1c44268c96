import type { NextRequest } from 'next/server';
import { handle, plain } from '@/server/accounts/request';
import { bringTrees, toldOf } from '@/server/grounds/bring';
import { readDxf } from '@/server/grounds/dxf';
import { readPlan, writePlan } from '@/server/grounds/geojson';
import { addToPlan, loadProperty, setPlan } from '@/server/grounds/grounds';
import type { Outline, PlanSides, PropertyPage } from '@/protocol/grounds';

interface Context {
  params: Promise<{ property: string }>;
}

const named = (plan: readonly Outline[]) => ({
  outlines: plan.length,
  names: [...new Set(plan.flatMap((o) => o.name ?? []))],
});

const sidesOf = (page: PropertyPage, mine: readonly Outline[]): PlanSides => ({
  version: page.version,
  theirs: named(page.plan),
  mine: named(mine),
});

/** The plan as GeoJSON in local metres. */
export async function GET(request: NextRequest, { params }: Context): Promise<Response> {
  const { property } = await params;
  return handle(request, 'read', async (db) => {
    const page = await loadProperty(db, property);
    if (!page) return plain(404, 'There is no such property.');
    return new Response(`${JSON.stringify(writePlan(page), null, 1)}\n`, {
      headers: {
        'content-type': 'application/geo+json',
        'content-disposition': `attachment; filename="${page.id}.geojson"`,
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
  const source = new TextDecoder().decode(await request.arrayBuffer());
  return handle(request, 'measure', async (db, viewer) => {
    const isDxf = request.headers.get('content-type')?.includes('dxf') === true;
    const read = isDxf ? readDxf(source) : readPlan(source);
    if (!read.ok) return plain(400, read.problem);
    if (request.nextUrl.searchParams.has('add')) {
      if (!(await addToPlan(db, property, read.outlines))) return plain(404, 'There is no such property.');
      return Response.json({ done: toldOf(0, 0, read.outlines.length), notes: read.notes });
    }
    const page = await loadProperty(db, property);
    if (!page) return plain(404, 'There is no such property.');
    const replaced = read.outlines.length > 0;
    if (replaced && base !== page.version && page.plan.length > 0) {
      return Response.json({ stale: sidesOf(page, read.outlines) }, { status: 409 });
    }
    const trees = read.trees.map((t) => ({
      label: t.label,
      species: t.species,
      position: { x: t.x, y: t.y },
    }));
    const brought = await bringTrees(db, viewer, property, page.trees, trees);
    if (replaced && !(await setPlan(db, property, read.outlines, page.version)))
      throw new Error('the property moved on within this transaction');
    return Response.json({
      done: toldOf(brought.added, brought.changed, read.outlines.length),
      notes: [...read.notes, ...brought.notes],
    });
  });
}
