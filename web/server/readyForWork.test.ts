import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { closePool, pool } from './database/transaction';
import { readyForWork, readyToAnswer } from './readyForWork';

afterAll(closePool);

test('all gets ready by the same work that is asked of it, and every connection is open and stays', async () => {
  await expect(readyForWork()).resolves.toBeUndefined();
  const { options, totalCount, idleCount } = await pool();
  expect([totalCount, idleCount, options.min]).toEqual([options.max, options.max, options.max]);
});

test('each route is asked for once, in turn; one that hangs up holds up none that follows', async () => {
  const asked: string[] = [];
  let atOnce = 0;
  const server = createServer((request, answer) => {
    asked.push(request.url!);
    expect(++atOnce).toBe(1);
    setTimeout(() => {
      atOnce--;
      if (request.url === '/trees/any') return request.socket.destroy();
      answer.writeHead(request.url === '/grounds' ? 307 : 401, { location: '/elsewhere' }).end('no');
    }, 5);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as AddressInfo;
  const routes = ['/grounds', '/trees/[tree]', '/api/trees/[tree]/pictures/[picture]', '/files/[[...path]]'];
  await readyToAnswer(`http://127.0.0.1:${port}`, routes);
  expect(asked).toEqual(['/grounds', '/trees/any', '/api/trees/any/pictures/any', '/files/any']);
  await new Promise((done) => server.close(done));
});
