import type { NextRequest } from 'next/server';
import { unitsOfDevice } from '@/server/accounts/device';
import { asked, plain, refuse, type Asked } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { today } from '@/server/cases/write';
import { linesOf } from '@/server/lines';
import { propertyRows } from '@/server/grounds/grounds';
import { propertySources } from '@/server/offers/propertyWork';
import { editionOf } from '@/work/reports/edition';
import { inTurn, propertyReport } from '@/server/reports/property';
import { leftOutTold } from '@/server/reports/propertyLetter';
import { issuePropertyReport } from '@/server/reports/propertyReports';

interface Given {
  params: Promise<{ property: string }>;
}

/** The property with its visited trees, as a report is made from them. */
async function groundsOf(request: NextRequest, { inFirm, viewer, asker }: Asked, property: string) {
  const system = await unitsOfDevice();
  const found =
    (await inFirm(async (db, who) => {
      const own = await propertySources(db, who, property, system);
      return own && { ...own, rows: (await propertyRows(db, property))! };
    })) ?? refuse(404, 'There is no such property.');
  const { sources, large } = found;
  if (sources.length === 0)
    refuse(409, leftOutTold(large) ?? 'No tree on this property has been visited yet.');
  const page = await beside('property', found.rows, asker);
  const { rates } = sources[0]!.source;
  return { sources, grounds: { page, firm: viewer.firmName, made: today(), rates, system, large } };
}

/** The report of a property: lines of JSON that tell how far it is, the last one with the file. Closing it stops the work. */
export async function GET(request: NextRequest, { params }: Given): Promise<Response> {
  const { property } = await params;
  const edition = editionOf(request.nextUrl.searchParams);
  if ('problem' in edition) return plain(400, edition.problem);
  return asked(request, 'read', async (by) => {
    const { grounds, sources } = await groundsOf(request, by, property);
    return linesOf(
      by.asker.signal,
      (signal) => {
        const asker = { ...by.asker, signal };
        return inTurn(asker, () => propertyReport(grounds, sources, edition, asker));
      },
      'The report could not be made; try again.',
    );
  });
}

/** Issues the report of a property: lines of JSON that tell how far it is, the last one with its number. Closing it stops the work. */
export async function POST(request: NextRequest, { params }: Given): Promise<Response> {
  const { property } = await params;
  return asked(request, 'judge', async (by) => {
    if ((await by.body('form')).length > 0)
      return plain(400, 'Nothing is to be sent: the report is issued as it stands.');
    const { grounds, sources } = await groundsOf(request, by, property);
    return linesOf(
      by.asker.signal,
      (signal) => {
        const asker = { ...by.asker, signal };
        return inTurn(asker, () => issuePropertyReport(by.inFirm, grounds, sources, asker));
      },
      'The report could not be issued; try again.',
    );
  });
}
