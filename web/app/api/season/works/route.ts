import type { NextRequest } from 'next/server';
import { unitsOfDevice } from '@/server/accounts/device';
import { asked } from '@/server/accounts/request';
import { today } from '@/server/cases/write';
import { linesOf } from '@/server/lines';
import { seasonLines } from '@/server/season/season';

/** What is prescribed on all grounds and what needs water: a line of JSON for each of the grounds. Closing it stops the work. */
export const GET = (request: NextRequest): Promise<Response> =>
  asked(request, 'read', async (given) => {
    const system = await unitsOfDevice();
    return linesOf(
      given.asker.signal,
      (signal) => seasonLines(given, system, today(), signal),
      'What is prescribed could not be computed; load the page again.',
    );
  });
