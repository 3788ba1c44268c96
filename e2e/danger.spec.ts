import { expect, test } from '@playwright/test';
import { asConsultant } from './enter';
import { textOf } from './pdf';

const FIRST = 'Keep people away, have stability assessed';

test('a tree that may fall: people away and stability first, on every page that tells of it', async ({
  page,
  browser,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-9?station=verdict');
  await expect(page.getByTestId('danger')).toContainText(/^It may fall: .*base rocks when pushed/);
  await page.goto('/trees/kelpworth-9?station=prescription');
  const operations = page.getByRole('article');
  await expect(operations.first()).toHaveAccessibleName(FIRST);
  await expect(operations.first().getByRole('checkbox', { name: 'Prescribe' })).toBeChecked();
  await expect(page.getByRole('article', { name: 'Stake' })).toContainText('not advised');
  await expect(page.getByText(/calls for work/)).toHaveCount(0);

  await page.goto('/trees/kelpworth-9/order');
  const steps = page.getByRole('main').locator('ol > li');
  await expect(steps.first()).toHaveAccessibleName(FIRST);
  const sign = page.getByRole('button', { name: /^Sign: Stability judged/ });
  await expect(sign).toBeDisabled();
  for (const group of (await page.getByRole('group', { name: /^What came of/ }).all()).slice(1))
    await expect(group.getByRole('button', { name: 'done', exact: true })).toBeDisabled();

  await page.goto('/grounds/kelpworth/work');
  const tree = page.getByRole('listitem', { name: 'Linden 9' });
  await expect(tree.getByRole('checkbox').nth(1)).toHaveAccessibleName(`Done: ${FIRST}, Linden 9`);
  await expect(tree.getByRole('checkbox', { name: /^Sign: Stability judged/ })).toBeDisabled();

  const pdf = await page.request.get('/api/trees/kelpworth-9/report');
  const text = (await textOf(await pdf.body())).replace(/\s+/g, ' ');
  expect(text).toMatch(/First of all.{0,20}It may fall/);
  expect(text.indexOf('It may fall')).toBeLessThan(text.indexOf('To do:'));

  await page.goto('/trees/kelpworth-9/options');
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = await page.getByLabel('Send this; it is shown only now').inputValue();
  const client = await browser.newPage();
  await client.goto(link);
  await expect(client.getByTestId('danger')).toContainText('Keep people away');
  await expect(client.getByRole('radio').first()).toBeVisible();
  for (const option of await client.locator('label', { has: client.getByRole('radio') }).all())
    await expect(option).toContainText(/stability assessed/i);

  // The same page in German: what comes first, the options and the way to say yes.
  await page.getByRole('radio', { name: 'Deutsch' }).check();
  await page.getByRole('button', { name: 'Make a link' }).click();
  await expect(page.getByLabel('Send this; it is shown only now')).not.toHaveValue(link);
  await client.goto(await page.getByLabel('Send this; it is shown only now').inputValue());
  await expect(client.getByTestId('danger')).toContainText('Halten Sie Menschen fern');
  await expect(client.getByRole('button', { name: 'Diese Möglichkeit freigeben' })).toBeVisible();
  await expect(client.locator('main')).toHaveAttribute('lang', 'de');
  await expect(client.locator('main')).not.toContainText(/\b(the|with|and|tree)\b/);
  await client.close();
});
