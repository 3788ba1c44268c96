import { expect, test, type Browser, type Page } from '@playwright/test';
import { asConsultant, enterDemo, saved, signIn, station } from './enter';
import { pdfText } from './pdf';

const twoPages = async (browser: Browser): Promise<[Page, Page]> => {
  const pages = [
    await (await browser.newContext()).newPage(),
    await (await browser.newContext()).newPage(),
  ] as [Page, Page];
  for (const page of pages) await enterDemo(page);
  return pages;
};

test('a form whose server is away keeps what was typed', async ({ page }) => {
  await enterDemo(page);
  await page.getByRole('button', { name: 'Add a property' }).click();
  await page.getByLabel('Name').fill('Far Meadow');
  await page.getByLabel('Client').fill('A client');
  await page.route('**/grounds', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'what you typed is still here' })).toBeVisible();
  await expect(page.getByLabel('Name')).toHaveValue('Far Meadow');
  await expect(page.getByLabel('Client')).toHaveValue('A client');
  await page.unroute('**/grounds');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('No trees yet')).toBeVisible();
  // Removed grounds come back with one press.
  await page.getByRole('button', { name: 'Edit this property' }).click();
  await page.getByRole('button', { name: 'Remove this property' }).click();
  await expect(page.getByText('Far Meadow removed.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('No trees yet')).toBeVisible();
});

test('stale grounds show both sides @whole', async ({ browser }) => {
  const [a, b] = await twoPages(browser);
  for (const page of [a, b]) {
    await page.goto('/grounds/lanternfield');
    await page.getByRole('button', { name: 'Edit this property' }).click();
  }
  await a.getByLabel(/^Note/).fill('Gate on the north side.');
  await a.getByRole('button', { name: 'Save' }).click();
  await expect(a.getByText('Gate on the north side.')).toBeVisible();
  await b.getByLabel(/^Note/).fill('Gate on the south side.');
  await b.getByRole('button', { name: 'Save' }).click();
  const told = b.getByRole('alert').filter({ hasText: 'changed this property' });
  await expect(told).toContainText(
    'Theirs: Lanternfield Tram Terminus; Lanternfield Transit; Gate on the north side.',
  );
  await expect(b.getByLabel(/^Note/)).toHaveValue('Gate on the south side.');
  await b.getByRole('button', { name: 'Keep mine' }).click();
  await expect(b.getByText('Gate on the south side.')).toBeVisible();
});

test('report words: a stale save shows both sides; the draft PDF carries them @whole', async ({
  browser,
}) => {
  const [a, b] = await twoPages(browser);
  for (const page of [a, b]) await page.goto('/trees/kelpworth-9/report');
  await a.getByLabel(/^Opening/).fill('Seen with the porter.');
  await a.getByRole('button', { name: 'Save draft' }).click();
  await expect(a.getByRole('button', { name: 'Draft saved' })).toBeVisible();
  await b.getByLabel(/^Opening/).fill('Seen alone.');
  await b.getByRole('button', { name: 'Save draft' }).click();
  const conflict = b.getByRole('alertdialog');
  await expect(conflict).toContainText('Opening, theirs: Seen with the porter.');
  await conflict.getByRole('button', { name: 'Take theirs' }).click();
  await expect(b.getByLabel(/^Opening/)).toHaveValue('Seen with the porter.');
  const text = await pdfText(b, '/api/trees/kelpworth-9/report');
  expect(text).toContain('DRAFT, not issued');
  expect(text).toContain('Seen with the porter.');
  // Beyond help: removal is weighed, and stability is a matter for a qualified person.
  expect(text).toContain('Have stability');
});

test('a removed tree comes back with one press; a visit is begun on a phone by thumb @whole', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-5?station=history');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await page.getByRole('button', { name: 'Remove this tree' }).click();
  await expect(page.getByText('Katsura 5 removed.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.waitForURL('**/trees/sable-katsura-5');
  await station(page, /^Probe/).click();
  await page.getByLabel('Depth (cm)').fill('12');
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByLabel('Bearing', { exact: true })).toHaveValue('NE');
  await page.getByLabel('Depth (cm)').fill('14');
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByRole('table', { name: 'Pushes of the rod' }).locator('tbody tr')).toHaveCount(2);
  await saved(page);
});

test('the firm’s practice book changes the figures of a tree that has none of its own @whole', async ({
  page,
}) => {
  await signIn(page, 'owner');
  await page.waitForURL('**/grounds');
  const ring = async () => {
    await page.goto('/trees/sable-katsura-14?station=prescription');
    return page.getByRole('button', { name: /^Mulched ring/ }).textContent();
  };
  const before = await ring();
  await page.goto('/practice');
  const matter = page.getByRole('group', { name: 'Mulch depth and clearance' });
  await matter.getByLabel(/2.5-7.5 cm deep/).check();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved. Open trees follow it at once.')).toBeVisible();
  expect(await ring()).not.toBe(before);
  await page.goto('/practice');
  await matter.getByLabel(/\(default\)/).check();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved. Open trees follow it at once.')).toBeVisible();
  expect(await ring()).toBe(before);
});

test('a page made before a save that crossed it, and Back, show what was saved @whole', async ({ page }) => {
  await asConsultant(page);
  const there = '/trees/lanternfield-5?station=mulch';
  await page.goto(there);
  const cell = page.getByLabel('at the bark, N', { exact: true });
  await page.route('**/api/changes', (route) => route.abort());
  await cell.fill('21');
  await expect(page.getByTestId('save-state')).toContainText('kept on this device');
  // The server makes the new page first, then takes the save of the old one, then the new page arrives.
  await page.route(`**${there}`, async (route) => {
    const made = await route.fetch();
    await page.unroute('**/api/changes');
    await (await page.waitForResponse('**/api/changes')).finished();
    await route.fulfill({ response: made });
  });
  await page.reload();
  await expect(cell).toHaveValue('21');
  await page.unroute(`**${there}`);
  await cell.fill('22');
  await saved(page);
  await page.getByRole('link', { name: 'Lanternfield Tram Terminus' }).first().click();
  await expect(page.getByRole('heading', { name: 'Trees', exact: true })).toBeVisible();
  await page.goBack();
  await expect(cell).toHaveValue('22');
});
