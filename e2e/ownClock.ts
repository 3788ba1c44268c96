import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Browser, Page } from '@playwright/test';
import { freePort } from '../scripts/setup/ports.mjs';
import { serve } from '../scripts/setup/serve.mjs';

/** Sets the clocks of server and device on the morning of a day. */
type OnDay = (day: string) => Promise<void>;

/** Opens a page on a server of its own, the clocks of both of which can be set on any day. */
export async function withOwnClock(
  browser: Browser,
  work: (page: Page, onDay: OnDay) => Promise<void>,
): Promise<void> {
  const file = join(mkdtempSync(join(tmpdir(), 'undrel-years-')), 'ahead');
  writeFileSync(file, '0');
  const port = await freePort(0);
  const app = await serve({
    url: process.env.DATABASE_URL!,
    port,
    dist: '.next-test',
    env: {
      UNDREL_DEMO: '1',
      NODE_OPTIONS: `--import=${pathToFileURL(resolve('e2e/clock.mjs')).href}`,
      CLOCK_AHEAD: file,
    },
    quiet: true,
  });
  try {
    const page = await (await browser.newContext({ baseURL: `http://localhost:${port}` })).newPage();
    await page.clock.install();
    await work(page, async (day) => {
      const at = Date.parse(`${day}T08:00:00Z`);
      writeFileSync(file, String(at - Date.now()));
      await page.clock.setSystemTime(at);
    });
  } finally {
    await app.stop();
  }
}
