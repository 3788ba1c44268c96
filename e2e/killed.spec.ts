import { expect, test, type Page } from '@playwright/test';
import pg from 'pg';
import { enterDemo, saved } from './enter';

// A device answers by itself here; without network nothing else does.
test.use({ serviceWorkers: 'allow', viewport: { width: 390, height: 844 } });

/** Park and Miller's generator (1988, from memory): the same run again tells the same. */
function chances(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}
const KILLS = Number(process.env.UNDREL_KILLS ?? 12);
const TREE = 'sable-hornbeam-5';

async function addEvent(page: Page, note: string): Promise<void> {
  const form = page.locator('form', { has: page.locator('#event-when') });
  await form.locator('#event-when').fill('2024-05');
  await form.getByLabel('Note').fill(note);
  await form.getByRole('button', { name: 'Add event' }).click();
}

test('a page killed at any moment of sending loses nothing and sends nothing twice @whole', async ({
  page,
}) => {
  test.setTimeout(60_000 + KILLS * 10_000);
  await enterDemo(page);
  const context = page.context();
  await page.close();
  const next = chances(20);
  let killed = page;
  for (let k = 0; k < KILLS; k++) {
    killed = await context.newPage();
    // The line: as it is, gone before the server hears, or gone before its answer comes back.
    const line = next();
    await killed.route('**/api/changes', async (route) => {
      if (line < 0.3) return route.abort();
      const answer = await route.fetch().catch(() => undefined);
      if (!answer || line < 0.6) return route.abort().catch(() => undefined);
      await route.fulfill({ response: answer }).catch(() => undefined);
    });
    await killed.goto(`/trees/${TREE}?station=history`);
    await expect(killed.getByRole('heading', { name: 'History' })).toBeVisible();
    await addEvent(killed, `killed ${k}`);
    await expect(killed.getByText(`killed ${k}`, { exact: false }).first()).toBeVisible();
    await killed.waitForTimeout(next() * 1400);
    await killed.close();
  }
  const last = await context.newPage();
  await last.goto(`/trees/${TREE}?station=history`);
  await expect(last.getByText(`killed ${KILLS - 1}`).first()).toBeVisible();
  await saved(last);
  const db = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await db.connect();
  try {
    const { rows } = await db.query<{ note: string; n: number; versions: number }>(
      `select e.note, count(*)::int as n, sum(e.version)::int as versions from tree_events e
        join trees t on t.firm_id = e.firm_id and t.id = e.tree_id
        where e.note like 'killed %' and e.deleted_at is null group by e.note`,
    );
    expect(rows.map((r) => r.note).sort()).toEqual(
      Array.from({ length: KILLS }, (_, k) => `killed ${k}`).sort(),
    );
    // Each is one record, written once: an answer that was lost did not make a second version.
    expect(rows.filter((r) => r.n !== 1 || r.versions !== 1)).toEqual([]);
  } finally {
    await db.end();
  }
});

test('on a device that keeps nothing, what is typed is sent, and it is said that it is not kept @whole', async ({
  page,
}) => {
  await enterDemo(page);
  await page.addInitScript(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    Object.defineProperty(window, 'indexedDB', { get: () => undefined });
  });
  await page.goto('/trees/sable-katsura-14?station=mulch');
  const cell = page.getByLabel('at the bark, N', { exact: true });
  await page.route('**/api/changes', (route) => route.abort());
  await cell.fill('13.3');
  await expect(page.getByTestId('save-state')).toContainText('not kept');
  await page.unroute('**/api/changes');
  await saved(page);
  await page.reload();
  await expect(cell).toHaveValue('13.3');
});

test('two phones and a desk at one tree: in the end all show the same, and it is what somebody typed @whole', async ({
  page,
  browser,
}) => {
  const ROUNDS = 14;
  test.setTimeout(180_000);
  const next = chances(7);
  const cells = ['N', 'E'];
  const pages = [page];
  await enterDemo(page);
  for (let i = 0; i < 2; i++) {
    const other = await (await browser.newContext()).newPage();
    await enterDemo(other);
    pages.push(other);
  }
  const address = '/trees/sable-hornbeam-3?station=mulch';
  for (const p of pages) await p.goto(address);
  const field = (p: Page, side: string) => p.getByLabel(`at the bark, ${side}`, { exact: true });
  for (const p of pages) await expect(field(p, 'N')).toBeEnabled();
  const off = new Set<Page>();
  const typed: string[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const at = pages[Math.floor(next() * pages.length)]!;
    if (next() < 0.4) {
      const goes = !off.has(at);
      await at.context().setOffline(goes);
      if (goes) off.add(at);
      else off.delete(at);
    }
    const value = (5 + round / 10).toFixed(1);
    typed.push(value);
    await field(at, cells[Math.floor(next() * cells.length)]!).fill(value);
    await at.waitForTimeout(next() * 900);
  }
  // All come back to the signal; whoever has something to settle keeps their own.
  for (const p of pages) await p.context().setOffline(false);
  const state = (p: Page) => p.getByTestId('save-state');
  for (const p of pages) {
    // What was settled may meet another's value once more.
    await expect(async () => {
      await expect(state(p)).toHaveText(/^Saved ?$|to settle/);
      if (/to settle/.test((await state(p).textContent()) ?? '')) {
        if (!(await p.getByRole('alertdialog').first().isVisible()))
          await p.getByRole('button', { name: 'See' }).click();
        await p
          .getByRole('button', { name: /^Keep (all )?mine$/ })
          .first()
          .click();
      }
      await expect(state(p)).toHaveText('Saved', { timeout: 3000 });
    }).toPass();
  }
  for (const p of pages) await p.goto(address);
  const shown = async (p: Page) => {
    await expect(field(p, 'N')).toBeEnabled();
    return Promise.all(cells.map((side) => field(p, side).inputValue()));
  };
  const first = await shown(pages[0]!);
  for (const p of pages) expect(await shown(p)).toEqual(first);
  for (const value of first) expect(typed).toContain(value);
});
