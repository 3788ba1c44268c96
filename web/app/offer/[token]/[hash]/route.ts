import type { NextRequest } from 'next/server';
import { answerTo, plain } from '@/server/accounts/request';
import { pictureShownBy } from '@/server/offers/offers';

/** A picture that a client's link shows; nothing once the link shows nothing. */
export async function GET(
  _request: NextRequest,
  { params }: { params: Promise<{ token: string; hash: string }> },
): Promise<Response> {
  const { token, hash } = await params;
  try {
    const page = /^[0-9a-f]{64}$/.test(hash) ? await pictureShownBy(token, hash) : undefined;
    if (!page) return plain(404, 'This link shows no such picture.');
    return new Response(new Uint8Array(page), {
      headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=3600' },
    });
  } catch (error) {
    return answerTo(error);
  }
}
