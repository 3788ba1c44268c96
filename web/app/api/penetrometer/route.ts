import type { NextRequest } from 'next/server';
import { handle } from '@/server/accounts/request';
import { simulatedPenetrometer } from '@/stand-ins/penetrometer';

/** One push of the penetrometer as server-sent events: `reading` for each centimetre, `end` when the cone stops. */
export async function GET(request: NextRequest): Promise<Response> {
  const place = (request.nextUrl.searchParams.get('place') ?? '').slice(0, 120);
  return handle(request, 'read', async () => {
    const events = simulatedPenetrometer.push(place)[Symbol.asyncIterator]();
    const text = new TextEncoder();
    const body = new ReadableStream<Uint8Array>({
      async pull(controller) {
        const { value, done } = await events.next();
        if (done) return controller.close();
        const data = value.kind === 'reading' ? value.reading : { stopped: value.stopped ?? null };
        controller.enqueue(text.encode(`event: ${value.kind}\ndata: ${JSON.stringify(data)}\n\n`));
      },
      async cancel() {
        await events.return?.(undefined);
      },
    });
    return new Response(body, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
    });
  });
}
