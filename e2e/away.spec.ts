import { createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, test, type Page } from '@playwright/test';
import { enterDemo, newVisit, saved, station, takeAlong, takingAlong } from './enter';

// A device answers by itself here; without network nothing else does.
test.use({ serviceWorkers: 'allow', viewport: { width: 390, height: 844 } });

const DAY = 86_400_000;

/** The visits on which mulch stood as high at the bark, m, by what the server has. */
async function visitsWith(page: Page, tree: string, depth: number): Promise<{ date: string }[]> {
  const answer = await page.request.get(`/api/trees/${tree}/case`);
  const { visits } = (await answer.json()) as {
    visits: { date: string; profiles: { mulch: { depth: number }[] }[] }[];
  };
  return visits.filter((v) => v.profiles.some((p) => p.mulch[0]?.depth === depth));
}

/** Begins a visit without signal, with mulch so high at the bark, cm. */
async function visitWithout(page: Page, tree: string, height: string, origin = ''): Promise<void> {
  await page.context().setOffline(true);
  await page.goto(`${origin}/trees/${tree}?station=mulch`);
  await newVisit(page);
  await station(page, /^Mulch/).click();
  await page.getByLabel('at the bark, N', { exact: true }).fill(height);
  await expect(page.getByTestId('save-state')).toContainText('kept on this device');
}

for (const { days, tree, height, depth } of [
  { days: 2, tree: 'sable-katsura-12', height: '23.1', depth: 0.231 },
  { days: -2, tree: 'sable-katsura-7', height: '23.2', depth: 0.232 },
])
  test(`a clock ${Math.abs(days)} days ${days > 0 ? 'ahead' : 'behind'} is said before one leaves; what is entered by it arrives once @whole`, async ({
    page,
  }) => {
    await enterDemo(page);
    const at = new Date(Date.now() + days * DAY);
    const before = (await visitsWith(page, tree, depth)).map((v) => v.date);
    await page.clock.setSystemTime(at);
    const dialog = await takingAlong(page, 'sable-row');
    await expect(dialog.getByRole('alert')).toContainText(
      `2 days ${days > 0 ? 'ahead' : 'behind'}: visits begun without signal will carry its date`,
    );
    await dialog.getByRole('button', { name: 'Close' }).click();
    await visitWithout(page, tree, height);
    await page.reload();
    await station(page, /^Mulch/).click();
    await expect(page.getByLabel('at the bark, N', { exact: true })).toHaveValue(height);
    // What was taken along has not run out by a clock that is ahead.
    await page.goto('/grounds/sable-row');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Trees');
    await page.context().setOffline(false);
    await page.goto('/device');
    await expect(page.getByText('Nothing waits: everything entered here has been sent.')).toBeVisible();
    const arrived = await visitsWith(page, tree, depth);
    expect(arrived.map((v) => v.date)).toEqual([...before, at.toLocaleDateString('sv')]);
  });

/** What makes a worker another one, and lets it be asked which. */
const tellsVersion = (version: number) => `
self.addEventListener('message', (event) => {
  if (event.data === 'version') event.ports[0].postMessage(${version});
});`;

/** Which worker answers a page. */
const versionIn = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<unknown>((told) => {
        const channel = new MessageChannel();
        channel.port1.onmessage = ({ data }) => told(data);
        navigator.serviceWorker.controller?.postMessage('version', [channel.port2]);
        setTimeout(() => told(undefined), 3000);
      }),
  );

/** The application as it is, behind an address where a newer version of its worker can be put. */
async function behind(base: string) {
  let version = 1;
  const { hostname, port } = new URL(base);
  const server = createServer((asked, answer) => {
    const there = request(
      {
        hostname,
        port,
        path: asked.url,
        method: asked.method,
        headers: { ...asked.headers, 'accept-encoding': 'identity' },
      },
      (given) => {
        const { 'content-length': _, ...headers } = given.headers;
        answer.writeHead(given.statusCode!, headers);
        if (!/^\/sw\.js/.test(asked.url!)) return void given.pipe(answer);
        given.pipe(answer, { end: false });
        given.on('end', () => answer.end(tellsVersion(version)));
      },
    );
    there.on('error', () => answer.destroy());
    asked.pipe(there);
  });
  await new Promise<void>((done) => server.listen(0, 'localhost', done));
  return {
    origin: `http://localhost:${(server.address() as AddressInfo).port}`,
    newer: () => void version++,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}

/** Puts two files of earlier builds where the application keeps its own: one that is noted as left since, one that is not noted. */
async function earlierFiles(since: number): Promise<void> {
  const cache = await caches.open('undrel.static');
  const noted = await (await cache.match('/undrel-prepared'))!.json();
  for (const many of ['one', 'nine'])
    await cache.put(`/_next/static/${many}-builds-ago.js`, new Response(''));
  const left = { '/_next/static/nine-builds-ago.js': since };
  await cache.put('/undrel-prepared', Response.json({ ...noted, left }));
}

/** The application's files on this device whose name holds a word. */
const filesOf = async (word: string): Promise<string[]> =>
  (await (await caches.open('undrel.static')).keys())
    .map(({ url }) => new URL(url).pathname)
    .filter((path) => path.includes(word));

test('the application is updated while changes wait: they arrive once, and what was taken along still opens @whole', async ({
  page,
  baseURL,
}) => {
  const tree = 'sable-katsura-8';
  const { origin, newer, close } = await behind(baseURL!);
  try {
    await enterDemo(page);
    await takeAlong(page, 'sable-row', origin);
    await visitWithout(page, tree, '23.3', origin);
    const already = (await visitsWith(page, tree, 0.233)).length;
    expect(await versionIn(page)).toBe(1);
    newer();
    await page.evaluate(earlierFiles, Date.now() - 61 * DAY);
    // Signal for a page, but none for what waits: the new version comes first.
    await page.route('**/api/changes', (route) => route.abort());
    await page.context().setOffline(false);
    await page.goto(`${origin}/trees/${tree}?station=mulch`);
    await page.evaluate(
      async () => void (await (await navigator.serviceWorker.getRegistration('/'))!.update()),
    );
    await expect
      .poll(
        async () => {
          await page.reload();
          return versionIn(page);
        },
        // A worker is replaced once it rests.
        { intervals: [3000] },
      )
      .toBe(2);
    // Of files that no build has any more, those that have been left for long are gone.
    expect(await page.evaluate(filesOf, 'builds-ago')).toEqual(['/_next/static/one-builds-ago.js']);
    await station(page, /^Mulch/).click();
    await expect(page.getByLabel('at the bark, N', { exact: true })).toHaveValue('23.3');
    await page.unroute('**/api/changes');
    await page.reload();
    await saved(page);
    expect(await visitsWith(page, tree, 0.233)).toHaveLength(already + 1);
    await page.context().setOffline(true);
    await page.goto(`${origin}/trees/${tree}?station=mulch`);
    await expect(page.locator('#entry').getByRole('heading', { level: 1 })).toBeVisible();
    await page.goto(`${origin}/trees/sable-hornbeam-3?station=verdict`);
    await expect(page.getByTestId('verdict-summary')).not.toBeEmpty();
  } finally {
    close();
  }
});

test('without signal: crew sheets open, pictures of a new visit are its own, and an order says whose it is @whole', async ({
  page,
}) => {
  const tree = 'sable-tulip-tree-1';
  await enterDemo(page);
  await takeAlong(page);
  await page.context().setOffline(true);
  // What the server alone can do says so before it is pressed.
  await page.goto('/grounds/sable-row');
  await expect(page.getByRole('button', { name: 'Import', exact: true })).toHaveAttribute(
    'title',
    'Needs signal',
  );
  await expect(page.getByRole('link', { name: 'Labels' })).toHaveAttribute('title', 'Needs signal');
  await expect(page.getByRole('button', { name: 'Add a tree' })).not.toHaveAttribute('title');
  // The sheets that the crew cuts and digs by, as they stand on the tree's page.
  await page.goto('/trees/sable-hornbeam-3?station=dig');
  await page.getByRole('link', { name: 'Crew sheet' }).click();
  await expect(page.getByTestId('never')).toContainText('Never cut: ');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/\d cuts on/);
  await page.goto('/trees/sable-katsura-14?station=trenches');
  await page.getByRole('link', { name: 'Crew sheet' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/\d trenches/);

  await visitWithout(page, tree, '6');
  const begun = await page.evaluate(() => new Date().toLocaleDateString('sv'));
  await page.getByRole('link', { name: 'Pictures' }).click();
  await expect(page.locator('main strong').filter({ hasText: begun })).toBeVisible();
  await page.goto(`/trees/${tree}?station=prescription`);
  await page.getByRole('link', { name: 'Crew order' }).click();
  await expect(page.getByText('work by that one, not by this')).toBeVisible();

  // With signal the visit is sent, and the order is that of the visit.
  await page.context().setOffline(false);
  await page.goto('/device');
  await expect(page.getByText('Nothing waits: everything entered here has been sent.')).toBeVisible();
  await page.goto(`/trees/${tree}?station=prescription`);
  await page.getByRole('link', { name: 'Crew order' }).click();
  await expect(page.getByText(`prescribed on the visit of ${begun}`)).toBeVisible();
  await expect(page.getByText('work by that one, not by this')).toBeHidden();
});
