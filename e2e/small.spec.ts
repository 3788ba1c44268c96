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
  expect((await small.get('/_next/static/../serve.mjs')).status()).toBe(404);
  for (const one of [small, older, bare]) await one.dispose();
});
