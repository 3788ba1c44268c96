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

test('on a slow line a device that keeps nothing yet is sent no faces with its first page, and has them with the next', async ({
  page,
  context,
  baseURL,
}) => {
  await asConsultant(page);
  const fresh = await context.browser()!.newContext({ baseURL, serviceWorkers: 'allow' });
  await fresh.addCookies(await context.cookies());
  const phone = await fresh.newPage();
  const line = await fresh.newCDPSession(phone);
  await line.send('Network.enable');
  await line.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: 300,
    downloadThroughput: 1_000_000,
    uploadThroughput: 1_000_000,
  });
  let faces = 0;
  phone.on('request', (asked) => {
    if (/\.woff2$/.test(asked.url())) faces++;
  });
  await phone.goto(TREE);
  await expect(phone.getByLabel('at the bark, N')).toBeVisible();
  await expect(phone.locator('[data-waits]')).toHaveCount(0);
  expect(faces).toBe(0);
  await expect(phone.locator('html')).toHaveAttribute('data-faces', 'later');
  await expect.poll(() => phone.evaluate(() => Boolean(navigator.serviceWorker.controller))).toBe(true);
  await phone.goto(TREE);
  await expect.poll(() => faces).toBeGreaterThan(1);
  await expect(phone.locator('html')).not.toHaveAttribute('data-faces');
  await fresh.close();
});
