import { spawnSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { freePort } from '../scripts/setup/ports.mjs';
import { privateCluster } from '../scripts/setup/postgres.mjs';
import { serve } from '../scripts/setup/serve.mjs';
import { enterByClick, saved } from './enter';

test('server and database killed in the middle of a save: the data is whole, what was entered is still there', async ({
  browser,
}) => {
  const cluster = await privateCluster('kill-cluster');
  const loaded = spawnSync('npx', ['--no-install', 'tsx', 'scripts/demo-data.ts', '--reset'], {
    env: { ...process.env, DATABASE_URL: cluster.url },
    encoding: 'utf8',
  });
  expect(loaded.stderr).not.toContain('Error');
  const port = await freePort(0);
  const start = (url: string) =>
    serve({ url, port, dist: '.next-test', env: { UNDREL_DEMO: '1' }, quiet: true });
  let app = await start(cluster.url);
  const page = await (await browser.newContext({ baseURL: `http://localhost:${port}` })).newPage();
  await enterByClick(page);
  await page.goto('/trees/sable-katsura-14?station=mulch');
  await page.getByLabel('at the bark, N', { exact: true }).fill('33');
  await saved(page);

  // Typing goes on while everything dies under it, without a clean stop of either.
  await page.getByLabel('at the bark, E', { exact: true }).fill('34');
  app.child.kill('SIGKILL');
  await cluster.kill();
  await page.getByLabel('at the bark, S', { exact: true }).fill('35');
  await expect(page.getByTestId('save-state')).toContainText('kept on this device');

  const again = await privateCluster('kill-cluster');
  app = await start(again.url);
  await page.reload();
  await expect(page.getByLabel('at the bark, E', { exact: true })).toHaveValue('34');
  await expect(page.getByLabel('at the bark, S', { exact: true })).toHaveValue('35');
  await saved(page);
  const stored = await (await page.request.get('/api/trees/sable-katsura-14/case')).json();
  const newest = stored.visits[stored.visits.length - 1];
  expect(newest.profiles.map((p: { mulch: { depth: number }[] }) => p.mulch[0]!.depth).slice(0, 3)).toEqual([
    0.33, 0.34, 0.35,
  ]);
  await app.stop();
  await again.stop();
});
