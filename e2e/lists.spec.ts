import { expect, test } from '@playwright/test';
import { choose } from './choose';
import { asConsultant, signIn } from './enter';

test('a list on the desk is used by keys alone, keeps its place and width, and says what is chosen', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/season');
  const list = page.getByRole('combobox', { name: 'For', exact: true });
  await expect(list).toHaveJSProperty('tagName', 'BUTTON');
  await expect(list).toHaveText('Everyone');
  const box = await list.boundingBox();
  await list.focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('option', { name: 'Everyone' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('option', { name: 'Everyone' })).toBeFocused();
  // By its first letters, then left as it is.
  await page.keyboard.type('cr');
  await expect(page.getByRole('option', { name: 'Crew' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('option')).toHaveCount(0);
  await expect(list).toBeFocused();
  await expect(list).toHaveText('Everyone');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('option', { name: 'Everyone' })).toBeFocused();
  await page.keyboard.press('End');
  await expect(page.getByRole('option').last()).toBeFocused();
  const last = await page.getByRole('option').last().innerText();
  await page.keyboard.press('Enter');
  await expect(list).toHaveText(last);
  await expect(list).toBeFocused();
  expect(await list.boundingBox()).toEqual(box);
  // Back to none of them.
  await page.keyboard.press('Space');
  await expect(page.getByRole('option', { name: last, exact: true })).toBeFocused();
  await page.keyboard.press('Home');
  await expect(page.getByRole('option', { name: 'Everyone' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(list).toHaveText('Everyone');
});

test('a list that closes late does not take the focus from the field where somebody types by then', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-24?station=verdict');
  const list = page.getByRole('combobox', { name: 'I put another cause first' });
  await expect(list).toHaveJSProperty('tagName', 'BUTTON');
  // What is done a moment later is done half a second later, as on a phone that has much to do.
  await page.evaluate(() => {
    const soon = window.setTimeout.bind(window);
    Object.assign(window, { setTimeout: (run: () => void, ms = 0) => soon(run, ms > 0 ? ms : 500) });
  });
  await choose(list, { label: 'Drought or underwatering' });
  const why = page.getByLabel(/^Why/);
  await why.fill(' ');
  // Whatever had been put off by then is over.
  await page.evaluate(() => new Promise<void>((done) => setTimeout(done)));
  await expect(why).toBeFocused();
  await expect(page.getByRole('alert').filter({ hasText: 'Why: empty' })).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('a list is the one of the phone @whole', async ({ page }) => {
    await asConsultant(page);
    await page.goto('/season');
    const list = page.getByRole('combobox', { name: 'For', exact: true });
    await list.selectOption({ label: 'Crew' });
    await page.waitForLoadState('networkidle');
    await expect(list).toHaveJSProperty('tagName', 'SELECT');
    await expect(list).toHaveValue('crew');
  });
});

test('a form that is sent as it stands sends what a list of the desk says; who may not change it reads it', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/firm');
  await expect(page.getByText('New devices show cm and m; report numbers begin with QTA.')).toBeVisible();
  await expect(page.getByRole('textbox')).toHaveCount(0);
  await page.context().clearCookies();
  await signIn(page, 'owner');
  await page.waitForURL('**/grounds');
  await page.goto('/firm');
  const units = page.getByRole('combobox', { name: 'Units on new devices' });
  await expect(units).toHaveText('cm and m');
  await expect(page.locator('input[name="units"]')).toHaveValue('metric');
  await choose(units, 'in and ft');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible();
  await page.reload();
  await expect(units).toHaveText('in and ft');
});

test('names of any length keep to their column in the table of a property, and so does all beside them', async ({
  page,
}) => {
  await asConsultant(page);
  const names = ['Linden at the south gate beyond the old ropewalk house', 'W'.repeat(60)];
  const changes = names.map((label) => ({
    kind: 'tree',
    id: crypto.randomUUID(),
    parent: 'kelpworth',
    base: 0,
    values: { label, species: 'Tilia cordata' },
  }));
  const saved = await page.request.post('/api/changes', { data: { changes } });
  expect((await saved.json()).results.map((r: { status: string }) => r.status)).toEqual(['saved', 'saved']);
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 844 });
    await page.goto('/grounds/kelpworth');
    const table = page.getByRole('region', { name: 'Trees' });
    for (const name of names) {
      await page.getByLabel('Filter').fill(name.slice(0, 30));
      const row = table.getByRole('row', { name: new RegExp(name) });
      await expect(row).toHaveCount(1);
      const cells = await row.evaluate((tr) =>
        [...tr.children].map((cell) => {
          const { left, right } = cell.getBoundingClientRect();
          const range = document.createRange();
          range.selectNodeContents(cell);
          const text = range.getBoundingClientRect();
          return {
            left,
            right,
            within: text.width === 0 || (text.left >= left - 1 && text.right <= right + 1),
          };
        }),
      );
      expect(cells.map((cell) => cell.within)).toEqual(cells.map(() => true));
      for (const [i, cell] of cells.slice(1).entries())
        expect(cell.left).toBeGreaterThanOrEqual(cells[i]!.right - 1);
      expect(cells[0]!.right - cells[0]!.left).toBeGreaterThan(9 * 16 - 2);
    }
  }
});

test('of many trees planted together the likeliest are seen first, and the plan beside them stays where it is', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/grounds/kelpworth');
  const together = page.getByRole('region', { name: 'Planted together' });
  const rows = together.getByRole('row');
  await together.getByText(/28 planted together/).click();
  await expect(rows).toHaveCount(1 + 8);
  const chances = async () => (await rows.locator('td:nth-child(2)').allInnerTexts()).map(parseFloat);
  const first = await chances();
  await together.getByRole('button', { name: 'All 28 trees' }).click();
  await expect(rows).toHaveCount(1 + 28);
  const all = await chances();
  expect(all.slice(0, 8)).toEqual(first);
  expect(all).toEqual(all.toSorted((a, b) => b - a));
  await rows.last().getByRole('link').focus();
  expect(await page.evaluate(() => window.scrollY)).toBe(0);
  await together.getByRole('button', { name: 'The 8 likeliest' }).click();
  await expect(rows).toHaveCount(1 + 8);
});
