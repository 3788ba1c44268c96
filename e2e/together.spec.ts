import { expect, test } from '@playwright/test';
import { asConsultant, saved, signIn, station } from './enter';

test('two browsers on one tree lose nothing: both sides are shown, either can be taken @whole', async ({
  browser,
}) => {
  const [a, b] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
  for (const page of [a, b]) {
    await asConsultant(page);
    await page.goto('/trees/sable-tulip-tree-1?station=mulch');
    await expect(page.getByTestId('save-state')).toHaveText('Saved');
  }
  await a.getByLabel('at the bark, N', { exact: true }).fill('31');
  await a.getByLabel('at the bark, S', { exact: true }).fill('32');
  await saved(a);
  await b.getByLabel('at the bark, E', { exact: true }).fill('15');
  await b.getByLabel('at the bark, N', { exact: true }).fill('11');
  await b.getByRole('button', { name: 'See', exact: true }).click();
  const conflict = b.getByRole('alertdialog');
  await expect(conflict).toContainText('Mulch and grade at N was changed by Mirela Voss');
  await expect(conflict).toContainText('31.0 cm');
  await expect(conflict).toContainText('11.0 cm');
  await conflict.getByRole('button', { name: 'Keep mine' }).click();
  await saved(b);
  await a.reload();
  await expect(a.getByLabel('at the bark, N', { exact: true })).toHaveValue('11');
  await expect(a.getByLabel('at the bark, E', { exact: true })).toHaveValue('15');
  await expect(a.getByLabel('at the bark, S', { exact: true })).toHaveValue('32');
  // What was replaced is on record.
  await station(a, /^History/).click();
  await a.getByRole('link', { name: 'Record of changes' }).click();
  await expect(a.getByRole('row').filter({ hasText: 'mulch' }).first()).toBeVisible();
});

test('undo and redo by keyboard', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-3?station=probe');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await station(page, /^Probe/).click();
  await page.getByLabel('Depth (cm)').fill('14');
  await page.getByLabel('Depth (cm)').press('Enter');
  const rows = page.getByRole('table', { name: 'Pushes of the rod' }).locator('tbody tr');
  await expect(rows).toHaveCount(1);
  await page.getByRole('heading', { name: 'Probe' }).click();
  await page.keyboard.press('Control+z');
  await expect(rows).toHaveCount(0);
  await page.keyboard.press('Control+Shift+z');
  await expect(rows).toHaveCount(1);
  await saved(page);
});

test('bad pushes are refused by field, value and range, and what was typed stays', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-14?station=probe');
  await page.getByLabel('Bearing', { exact: true }).fill('400');
  await page.getByLabel('From the bark (cm)').fill('10');
  await page.getByLabel('Depth (cm)').fill('3 m');
  await page.getByLabel('Depth (cm)').press('Enter');
  const says = (text: string) => page.getByRole('alert').filter({ hasText: text });
  await expect(says('Bearing: “400” is not one; allowed are N, NE, … or 0 to 360.')).toBeVisible();
  await expect(page.getByLabel('Bearing', { exact: true })).toBeFocused();
  await page.getByLabel('Depth (cm)').focus();
  await expect(
    says('Depth to the first root: 3 m is outside -50 cm to 150 cm. Was 3 cm meant?'),
  ).toBeVisible();
  await expect(page.getByLabel('Bearing', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByLabel('Depth (cm)')).toHaveValue('3 m');
});

test('crew measure but do not prescribe; a reader only reads', async ({ browser }) => {
  const crew = await (await browser.newContext()).newPage();
  await signIn(crew, 'crew');
  await crew.waitForURL('**/grounds');
  await crew.goto('/trees/sable-katsura-14?station=prescription');
  await expect(crew.getByRole('checkbox', { name: 'Prescribe' }).first()).toBeDisabled();
  const reader = await (await browser.newContext()).newPage();
  await signIn(reader, 'reader');
  await reader.waitForURL('**/grounds');
  await reader.goto('/trees/sable-katsura-14?station=mulch');
  await expect(reader.getByLabel('at the bark, N', { exact: true })).toBeDisabled();
});
