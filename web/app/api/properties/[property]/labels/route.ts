import type { NextRequest } from 'next/server';
import { unitsOfDevice } from '@/server/accounts/device';
import { asked, plain } from '@/server/accounts/request';
import { ownAddress } from '@/server/accounts/address';
import { treesAlong } from '@/server/along/along';
import { beside } from '@/server/beside';
import { propertyHead } from '@/server/grounds/grounds';
import { paperOf } from '@/protocol/document';

/** Labels with the codes of a property's trees, as PDF. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  return asked(request, 'read', async ({ inFirm, asker, viewer }) => {
    const found = await inFirm(async (db) => ({
      head: await propertyHead(db, property),
      trees: await treesAlong(db, property),
    }));
    if (!found.head) return plain(404, 'There is no such property.');
    if (found.trees.length === 0) return plain(409, 'This property has no trees to label yet.');
    const from = await ownAddress();
    const system = await unitsOfDevice();
    const bytes = await beside(
      'labels',
      {
        name: found.head.name,
        firm: viewer.firmName,
        paper: paperOf(system),
        trees: found.trees.map(({ label, code }) => ({ label, address: new URL(`/t/${code}`, from).href })),
      },
      asker,
    );
    return new Response(bytes, {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="labels ${property.replace(/[^\w-]/g, '')}.pdf"`,
      },
    });
  });
}
