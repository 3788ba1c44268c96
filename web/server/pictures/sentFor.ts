import { idOf } from '@undrel/core/records';
import type { NextRequest } from 'next/server';
import type { SentPicture } from '../../protocol/pieces';

/** What is told of a picture that has come: with the id of its record, where the request names the visit it is for. */
export function sentFor(request: NextRequest, { hash, width, height }: Omit<SentPicture, 'id'>): SentPicture {
  const visit = request.nextUrl.searchParams.get('visit');
  return { hash, width, height, ...(visit && { id: idOf('picture', visit, { hash }) }) };
}
