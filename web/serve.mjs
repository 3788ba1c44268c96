// The application, one process: node web/serve.mjs <port> <host>. Built, or in development where NODE_ENV says so.
import { createServer } from 'node:http';
import { join } from 'node:path';
import next from 'next';
import sirv from 'sirv';
import { guard } from './guards.mjs';

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
const dev = process.env.NODE_ENV === 'development';
const app = next({ dev, dir, port, hostname });
await app.prepare();
const given = app.getRequestHandler();
const answer = (request, to) => {
  guard(request, to);
  return given(request, to).catch((error) => {
    console.error(`${request.method} ${request.url}`, error);
    // What was begun breaks off, so that nobody keeps half of it as the whole.
    if (to.headersSent) return void to.destroy();
    to.writeHead(500, { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' });
    to.end('This could not be answered; it has been noted.');
  });
};

/** What was made small at the build (`scripts/setup/build.mjs`) is sent as it lies there; in development nothing was. */
const files = dev
  ? undefined
  : sirv(join(dir, process.env.UNDREL_DIST ?? '.next', 'static'), {
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
  if (url.includes('%00')) {
    to.writeHead(400, { 'content-type': 'text/plain; charset=utf-8', 'x-content-type-options': 'nosniff' });
    return void to.end('The address holds a character that none may hold (NUL).');
  }
  const small = url.startsWith(FILES) && /\bbr\b/.test(request.headers['accept-encoding'] ?? '');
  if (!files || !small) return void answer(request, to);
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
server.listen(port, hostname, () => dev && console.log(`Undrel is open at http://localhost:${port}`));

let stopping = false;
for (const [signal, status] of [
  ['SIGINT', 130],
  ['SIGTERM', 143],
])
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    // A page in development holds a connection as long as it is open.
    if (dev) process.exit(status);
    // Requests on their way are answered to their end.
    server.close(() => void app.close().finally(() => process.exit(status)));
  });
