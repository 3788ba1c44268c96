import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { beside } from '@/server/beside';

const PAPERS = ['A4', 'letter'] as const;

/** Marker cards and the leaf sheet as PDF, for A4 or letter paper. */
export async function GET(request: NextRequest): Promise<Response> {
  const asks = request.nextUrl.searchParams.get('paper') ?? 'A4';
  const paper = PAPERS.find((p) => p === asks);
  if (!paper) return plain(400, `Paper: “${asks.slice(0, 40)}” is not one of ${PAPERS.join(', ')}.`);
  return asked(request, 'read', async ({ asker }) => {
    const bytes = await beside('cards', paper, asker);
    return new Response(bytes, {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `attachment; filename="marker cards ${paper}.pdf"`,
      },
    });
  });
}
