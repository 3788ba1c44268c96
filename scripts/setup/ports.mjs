import { createServer } from 'node:net';

const tryPort = (port) =>
  new Promise((done) => {
    const server = createServer();
    server.once('error', () => done(undefined));
    server.listen({ port, host: '127.0.0.1', exclusive: true }, () => {
      const { port: got } = server.address();
      server.close(() => done(got));
    });
  });

/** The wanted port when it is free, else the next free one after it; 0 takes any. */
export async function freePort(wanted = 0) {
  for (let port = wanted; port < wanted + 50; port++) {
    const got = await tryPort(wanted === 0 ? 0 : port);
    if (got) return got;
  }
  return tryPort(0);
}
