// The built application, one process: node web/serve.mjs <port> <host>
import { createServer } from 'node:http';
import { join } from 'node:path';
import next from 'next';
import sirv from 'sirv';

/**
 * A connection that is still is kept this long, ms: longer than a proxy keeps its own (60 s as they come), and than a
 * person reads between two presses. Whoever closes first must be the one who asks: a server that closes while a
 * request is on its way answers it with a reset. Node keeps 5 s by itself.
 */
const KEPT_ALIVE = 75_000;
/** Where the framework's own files are asked for. */
const FILES = '/_next/static/';

const [port, hostname] = [Number(process.argv[2]), process.argv[3]];
const dir = import.meta.dirname;
const app = next({ dev: false, dir, port, hostname });
await app.prepare();
const given = app.getRequestHandler();
const answer = (request, to) =>
  given(request, to).catch((error) => {
    console.error(`${request.method} ${request.url}`, error);
    // What was begun breaks off, so that nobody keeps half of it as the whole.
    if (to.headersSent) return void to.destroy();
    to.writeHead(500, { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' });
    to.end('This could not be answered; it has been noted.');
  });

/** What was made small at the build (`scripts/setup/build.mjs`) is sent as it lies there. */
const files = sirv(join(dir, process.env.UNDREL_DIST ?? '.next', 'static'), {
  brotli: true,
  etag: true,
  immutable: true,
  maxAge: 365 * 86_400,
  setHeaders: (to) => {
    to.setHeader('x-content-type-options', 'nosniff');
    to.setHeader('vary', 'Accept-Encoding');
  },
});

const server = createServer((request, to) => {
  const url = request.url ?? '/';
  const small = url.startsWith(FILES) && /\bbr\b/.test(request.headers['accept-encoding'] ?? '');
  if (!small) return void answer(request, to);
  request.url = url.slice(FILES.length - 1);
  files(request, to, () => {
    request.url = url;
    void answer(request, to);
  });
});
server.keepAliveTimeout = KEPT_ALIVE;
server.on('error', (error) => {
  console.error(error.message);
  process.exit(1);
});
server.listen(port, hostname);

let stopping = false;
for (const [signal, status] of [
  ['SIGINT', 130],
  ['SIGTERM', 143],
])
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    // Requests on their way are answered to their end.
    server.close(() => void app.close().finally(() => process.exit(status)));
  });
