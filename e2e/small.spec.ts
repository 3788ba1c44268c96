import { request as ask } from 'node:http';
import { gzipSync } from 'node:zlib';
import { expect, request, test } from '@playwright/test';
import { asConsultant } from './enter';

const TREE = '/trees/sable-katsura-14?station=mulch';

test('programs and styles of a page are sent in their smaller form, whole, to whoever takes it', async ({
  page,
  baseURL,
}) => {
  await asConsultant(page);
  const html = await (await page.request.get(TREE)).text();
  const files = [
    ...new Set([...html.matchAll(/\/_next\/static\/[^"'\\ ]+\.(?:js|css)/g)].map(([file]) => file)),
  ];
  expect(files.length).toBeGreaterThan(8);
  const sent = { br: 0, gzip: 0 };
  const taking = async (encoding: string) =>
    request.newContext({ baseURL, extraHTTPHeaders: { 'accept-encoding': encoding } });
  const [small, older, bare] = [
    await taking('gzip, deflate, br'),
    await taking('gzip'),
    await taking('identity'),
  ];
  for (const file of files) {
    const [a, b, c] = await Promise.all([small.get(file), older.get(file), bare.get(file)]);
    const [first, ...others] = [await a.body(), await b.body(), await c.body()].map((body) =>
      body.toString(),
    );
    expect([file, others.every((body) => body === first)]).toEqual([file, true]);
    const headers = a.headers();
    expect([file, headers['content-encoding']]).toEqual([file, 'br']);
    expect(headers['cache-control']).toMatch(/immutable/);
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers.vary).toMatch(/accept-encoding/i);
    expect(b.headers()['content-encoding']).not.toBe('br');
    expect(c.headers()['content-encoding']).toBeUndefined();
    sent.br += Number(headers['content-length']);
    sent.gzip += gzipSync(first!).length;
  }
  expect(sent.br).toBeLessThan(0.9 * sent.gzip);
  // What is not there is told by the page for that, in every form.
  expect((await small.get('/_next/static/chunks/nothing.js')).status()).toBe(404);
  for (const one of [small, older, bare]) await one.dispose();
});

test('an address that nobody may ask for, or that nobody can read, is answered, and the server goes on', async ({
  baseURL,
}) => {
  const { hostname, port } = new URL(baseURL!);
  // As it stands: a browser, and what asks like one, would put such an address right first.
  const status = (path: string) =>
    new Promise<number | undefined>((done, failed) => {
      const asked = ask({ hostname, port, path, headers: { 'accept-encoding': 'br' } }, (answer) => {
        answer.resume();
        answer.on('end', () => done(answer.statusCode));
      });
      asked.on('error', failed);
      asked.end();
    });
  for (const path of [
    '/_next/static/../../package.json',
    '/_next/static/..%2f..%2fpackage.json',
    '/_next/static/%E0%A4%A',
    '/%',
  ])
    expect([path, await status(path)]).toEqual([path, 404]);
  expect(await status('*')).toBe(500);
  expect(await status('/grounds/a%00b')).toBe(400);
  expect(await status('/api/health')).toBe(200);
});
