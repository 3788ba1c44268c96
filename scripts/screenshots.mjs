// Takes the pictures of docs/screenshots from fresh demo data: npm run screenshots
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium as playwright } from '@playwright/test';
import { build } from './setup/build.mjs';
import { CHROMIUM, debianPackages, FOR_PAGES } from './setup/packages.mjs';
import { freePort } from './setup/ports.mjs';
import { privateCluster } from './setup/postgres.mjs';
import { inTypescript, program, ROOT, run, say } from './setup/run.mjs';
import { serve } from './setup/serve.mjs';

const FOLDER = join(ROOT, 'docs', 'screenshots');
const TREE = '/trees/sable-katsura-14';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Pictures with cards beneath the plan of a dig, true for its girdling roots. */
async function pictureUnder(page) {
  await page.getByText('Trace on a picture').click();
  for (const box of await page.getByRole('checkbox', { name: /marker cards/ }).all()) await box.check();
  await page.getByLabel(/^Top of the roots at/).fill('10');
  await page.getByText('Placing the picture …').waitFor({ state: 'hidden' });
  // What is filled in is scrolled to where it is not seen yet: the picture begins with the answer.
  await page.getByRole('heading', { name: 'Dig', exact: true }).evaluate((head) => head.scrollIntoView());
}

/** name, path, viewport, theme, buttons to press first or what to do, region to come to */
const VIEWS = [
  ['grounds', '/grounds', DESK],
  ['property', '/grounds/kelpworth', DESK],
  ['tree-mulch', `${TREE}?station=mulch`, DESK],
  ['tree-soil', '/trees/kelpworth-4?station=soil', DESK],
  ['tree-dig', `${TREE}?station=dig`, DESK, 'paper', pictureUnder],
  ['crew', `${TREE}/crew`, DESK],
  ['tree-verdict', `${TREE}?station=verdict`, DESK],
  ['tree-cuts', '/trees/sable-hornbeam-3?station=cuts', DESK],
  ['tree-prescription', `${TREE}?station=prescription`, DESK],
  ['tree-trenches', '/trees/kelpworth-4?station=trenches', DESK],
  ['options', `${TREE}/options`, DESK],
  ['work', '/grounds/kelpworth/work', DESK],
  ['season', '/season', DESK],
  ['tree-time', '/trees/kelpworth-8/time', DESK],
  ['report', `${TREE}/report`, DESK, 'paper', (page) => page.getByRole('radio', { name: /^Letter/ }).check()],
  ['pictures', `${TREE}/pictures`, DESK, 'paper', 'Open: Collar with marker cards, from NE'],
  ['phone-water', '/grounds/sable-row/water?on=2026-08-20', PHONE],
  ['phone-order', `${TREE}/order`, PHONE],
  ['phone-walk', '/grounds/sable-row/walk', PHONE, 'sun', ['Walk:', 'Begin a round']],
];

await program(async (atStop) => {
  debianPackages(FOR_PAGES);
  const db = await privateCluster('test-cluster');
  atStop(db.stop);
  await build('.next-test');
  run('node', inTypescript('scripts/demo-data.ts', '--reset'), {
    env: { ...process.env, DATABASE_URL: db.url },
  });
  const port = await freePort(0);
  const app = await serve({ url: db.url, port, dist: '.next-test', env: { UNDREL_DEMO: '1' }, quiet: true });
  atStop(app.stop);
  const browser = await playwright.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  atStop(() => browser.close());
  mkdirSync(FOLDER, { recursive: true });
  const base = `http://localhost:${port}`;
  const context = await browser.newContext({ viewport: DESK });
  const page = await context.newPage();
  await page.goto(`${base}/sign-in`);
  await page.getByRole('button', { name: 'Enter as the consultant' }).click();
  await page.waitForURL('**/grounds');
  for (const [name, path, viewport, theme = 'paper', press, region] of VIEWS) {
    await page.setViewportSize(viewport);
    await context.addCookies([{ name: 'undrel_theme', value: theme, url: base }]);
    await page.goto(base + path);
    await page.locator('main').waitFor();
    if (typeof press === 'function') await press(page);
    else
      for (const name of [press ?? []].flat())
        await page.getByRole('button', { name }).or(page.getByRole('tab', { name })).click();
    // The forecast of a dig and the reasons of a verdict come a moment later.
    if (region) await page.getByRole('region', { name: region }).evaluate((part) => part.scrollIntoView());
    await page.waitForTimeout(
      /cuts/.test(path) ? 9000 : /dig|crew|verdict|prescription|trenches|soil|report/.test(path) ? 2500 : 600,
    );
    await page
      .locator('main', { hasText: /Weighing each|Solving|Laying out|Working out/ })
      .waitFor({ state: 'detached' });
    await page.screenshot({ path: join(FOLDER, `${name}.png`) });
    say(name);
  }
});
