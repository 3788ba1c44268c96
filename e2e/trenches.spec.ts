import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { enterDemo, saved } from './enter';

test('trenches are laid out on the site, turned, locked, taken out, weighed against other ways, and go out as files', async ({
  page,
}) => {
  test.setTimeout(90_000);
  await enterDemo(page);
  await page.goto('/trees/kelpworth-10?station=trenches');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await page.getByRole('button', { name: /^Trenches/ }).click();
  const rows = page.getByRole('table', { name: 'Spokes' }).locator('tbody tr');
  await expect(page.getByTestId('opened')).toHaveText(/^\d+ %$/);
  const count = await rows.count();
  expect(count).toBeGreaterThan(4);

  // A spoke turned by its outer end stays where it was put, and the rest goes round it.
  const second = page.getByRole('button', { name: /^Spoke 2 at \d+°/ });
  const bearing = Number(/at (\d+)°/.exec((await second.getAttribute('aria-label'))!)![1]);
  const box = (await second.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 6, box.y + box.height / 2 + 12, { steps: 4 });
  await page.mouse.up();
  await expect(rows.filter({ hasText: 'locked' })).toHaveCount(1);
  const turned = parseInt((await rows.filter({ hasText: 'locked' }).locator('td').nth(1).textContent())!, 10);
  expect(turned).not.toBe(bearing);
  await page.getByRole('button', { name: new RegExp(`^Spoke \\d+ at ${turned}°`) }).press('ArrowRight');
  await expect(rows.filter({ hasText: 'locked' })).toContainText(`${turned + 1}°`);
  await saved(page);

  await page.getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByText(`bring back ${turned + 1}°`)).toBeVisible();
  await expect(rows.filter({ hasText: 'locked' })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(rows.filter({ hasText: 'locked' })).toContainText(`${turned + 1}°`);

  // A bearing across the gas main has no room: said, and nothing else is lost.
  await page.getByLabel('A spoke at').fill('N');
  await page.getByRole('button', { name: 'Add and lock' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Locked spoke at 0°' })).toContainText('Gas main');
  await page.getByRole('button', { name: 'Unlock it' }).click();

  // The other school is seen before it is taken.
  await expect(page.getByText(/The other way, narrow hand spokes/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it for this tree' }).click();
  await expect(page.getByText(/The other way, air-tool spokes/)).toBeVisible();

  await page.getByRole('button', { name: 'Take Vertical mulching instead' }).click();
  await page.getByRole('button', { name: 'Take it', exact: true }).click();
  await page.getByLabel('Why vertical mulching?').fill('The client wants the lawn kept.');
  await page.getByRole('button', { name: 'Take it', exact: true }).click();
  await expect(page.getByText('Chosen against the rules: The client wants the lawn kept.')).toBeVisible();

  await expect(page.getByText('Buried lines are not marked yet')).toBeVisible();
  await page.getByLabel('Buried lines marked on').fill(new Date().toISOString().slice(0, 10));
  await expect(page.getByText('Buried lines are not marked yet')).toHaveCount(0);
  await saved(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV', exact: true }).click();
  const csv = readFileSync(await (await download).path(), 'utf8')
    .trim()
    .split('\n');
  expect(csv).toHaveLength((await rows.count()) + 1);
  const stored = (await (await page.request.get('/api/trees/kelpworth-10/case')).json()) as {
    tree: { schools?: Record<string, string> };
    visits: { trenches?: { locked?: number[]; choice?: { remedy: string } } }[];
  };
  expect(stored.tree.schools).toEqual({ trenches: 'hand' });
  expect(stored.visits.at(-1)!.trenches).toMatchObject({
    locked: [turned + 1],
    choice: { remedy: 'vertical' },
  });
});
