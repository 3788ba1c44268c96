import { expect, test } from '@playwright/test';
import { enterDemo, saved, station } from './enter';

test('the section and the figures follow while typing, and stay after a reload', async ({ page }) => {
  await enterDemo(page);
  await page.goto('/trees/kelpworth-4?station=mulch');
  const section = page.getByTestId('section').getByRole('img');
  const before = await section.innerHTML();
  await page.getByLabel('at the bark, N', { exact: true }).fill('24');
  await page.getByLabel('at the bark, N', { exact: true }).press('Enter');
  await page.getByLabel('30 cm out, N', { exact: true }).fill('3 1/2 in');
  expect(await section.innerHTML()).not.toBe(before);
  await expect(page.getByText('Only one mulch profile (0°): taken as the same all round.')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('30 cm out, N', { exact: true })).toHaveValue('8.9');
});

test('a slip of the unit is asked about and what was typed stays', async ({ page }) => {
  await enterDemo(page);
  await page.goto('/trees/kelpworth-5?station=mulch');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await station(page, /^Mulch, grade/).click();
  const cell = page.getByLabel('at the bark, E', { exact: true });
  await cell.fill('30 m');
  await expect(page.getByRole('alert').filter({ hasText: 'Was 30 cm meant?' })).toContainText(
    'outside 0 cm to 150 cm',
  );
  await cell.blur();
  await expect(cell).toHaveValue('30 m');
  // The words are put away while nobody is in the field; the mark stays, and they come back with the next visit to it.
  await expect(page.getByText('Was 30 cm meant?')).toBeHidden();
  await expect(cell).toHaveAttribute('aria-invalid', 'true');
  await cell.click();
  await page.getByRole('button', { name: 'Use 30 cm' }).click();
  await cell.blur();
  await expect(cell).toHaveValue('30');
  await saved(page);
});
