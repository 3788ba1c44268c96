import { expect, test, type Page } from '@playwright/test';
import { asConsultant, enterDemo, saved } from './enter';
import { choose } from './choose';

/** The verdict with its reasons, which come from the worker a moment after the page. */
async function openVerdict(page: Page, tree: string): Promise<void> {
  await page.goto(`/trees/${tree}?station=verdict`);
  await expect(page.getByText('Computing what each finding adds…')).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'Check next' })).toBeVisible();
}

const causes = (page: Page) => page.getByRole('region', { name: 'Causes' });

test('the verdict ranks, explains, sends to the next look, and follows the answer', async ({ page }) => {
  await asConsultant(page);
  await openVerdict(page, 'sable-hornbeam-5');
  await expect(page.getByTestId('verdict-summary')).toContainText(/compacted soil/i);
  // Beside it what led to what, as a picture that says the same in words.
  await expect(page.getByTestId('verdict-diagram').getByRole('img')).toHaveAccessibleName(
    /^What led to what\. .*\d+%.*, from /,
  );
  const first = causes(page).locator('summary').first();
  await expect(first).toContainText(/Compacted soil|mulch cone/);
  await first.click();
  await expect(
    causes(page)
      .getByText(/\d+\.\d dB/)
      .first(),
  ).toBeVisible();
  await expect(page.getByTestId('since-when')).toContainText(/Growth fell .*2023/);

  const next = page.locator('section', { has: page.getByRole('heading', { name: 'Check next' }) });
  await page.goto('/trees/sable-hornbeam-5?station=history');
  const wet = page.getByRole('group', { name: 'Does water stand after rain?' }).last();
  await wet.getByRole('radio', { name: 'for days' }).click();
  await saved(page);
  await openVerdict(page, 'sable-hornbeam-5');
  await expect(page.getByTestId('verdict-summary')).toContainText(/waterlogged soil/i);
  await expect(next.getByRole('button', { name: 'Standing water after rain' })).toHaveCount(0);
});

test('the consultant overrules with a reason, writes for the client, and the report keeps both', async ({
  page,
}) => {
  await asConsultant(page);
  await openVerdict(page, 'kelpworth-24');
  await choose(page.getByLabel('I put another cause first'), { label: 'Drought or underwatering' });
  const why = page.getByLabel(/^Why/);
  await why.fill(' ');
  await expect(page.getByRole('alert').filter({ hasText: 'Why: empty' })).toBeVisible();
  await why.fill('The hydrant was off all summer.');
  const words = page.getByRole('region', { name: 'Entry' }).locator('textarea').last();
  await expect(words).toHaveValue(/works cut its roots/);
  await words.fill('Your linden lost roots to the trench and water to the summer.');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel(/^Why/)).toHaveValue('The hydrant was off all summer.');
  await page.getByRole('link', { name: 'Report' }).click();
  await expect(page.getByText('Your linden lost roots to the trench and water to the summer.')).toBeVisible();
  await expect(page.getByText('Drought or underwatering. The hydrant was off all summer.')).toBeVisible();
  await expect(page.getByText(/Roots cut by works: almost certain/)).toBeVisible();
});

test('a walk-round by thumb: one tap where nothing is wrong, kept out of reach, resumed, ranked', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await enterDemo(page);
  await page.getByRole('button', { name: 'Add a property' }).click();
  await page.getByLabel('Name').fill('Walked Yard');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByLabel('File to import: CSV, GeoJSON, DXF or case file').setInputFiles({
    name: 'trees.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'label,species,year planted,stock\nAsh 1,Fraxinus ornus,2012,container\nAsh 2,Fraxinus ornus,2012,container\nAsh 3,Fraxinus ornus,2012,container\n',
    ),
  });
  await expect(page.getByRole('link', { name: 'Ash 3' })).toBeVisible();
  await page.getByRole('link', { name: 'Walk-round' }).click();
  await page.getByRole('tab', { name: /^Walk/ }).click();
  await page.getByRole('button', { name: 'Begin a round' }).tap();
  await expect(page.getByRole('heading', { name: 'Ash 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Nothing wrong, next' }).tap();

  await expect(page.getByRole('heading', { name: 'Ash 2' })).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'like a post' }).tap();
  await page.getByRole('button', { name: 'The rest is fine, next' }).tap();
  await expect(page.getByText('1 tree kept on this phone')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('1 tree kept on this phone')).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('tab', { name: 'Walk: 2 of 3' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Ash 3' })).toBeVisible();
  await page.getByRole('tab', { name: 'Who needs what' }).tap();
  const rows = page.getByRole('main').getByRole('listitem').filter({ hasText: 'Ash' });
  await expect(rows.nth(0)).toContainText(/Ash 2.*this season.*lay the collar open/);
  await expect(rows.nth(1)).toContainText(/Ash 1.*nothing to do/);
  await expect(rows.nth(2)).toContainText(/Ash 3.*not examined/);

  // Noted today, mended today: the same visit takes the other answer.
  await page.getByRole('tab', { name: /^Walk/ }).tap();
  await page.getByText('Another tree').tap();
  await page.getByRole('button', { name: /^Ash 1/ }).tap();
  await expect(page.getByRole('button', { name: 'all round' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'evenly pale' }).tap();
  await page.getByRole('button', { name: 'The rest is fine, next' }).tap();
  await page.getByRole('button', { name: 'Ash 1 noted; back to it' }).tap();
  await page.getByRole('button', { name: 'good', exact: true }).tap();
  await page.getByRole('button', { name: 'The rest is fine, next' }).tap();
  await page.getByRole('tab', { name: 'Who needs what' }).tap();
  await expect(rows.filter({ hasText: 'Ash 1' })).toContainText('nothing to do');
  await page.getByRole('link', { name: 'Ash 1' }).click();
  await expect(page.getByText('1 visit').or(page.getByText(/walk$/)).first()).toBeAttached();

  // The three were planted in one year from one stock: proposed, confirmed, pooled.
  await page.getByRole('link', { name: 'Undrel' }).click();
  await page.getByRole('link', { name: 'Walked Yard' }).click();
  await page.getByText('Planted together? 1 group to confirm').click();
  await page.getByRole('button', { name: 'They were' }).click();
  const cohort = page.getByRole('region', { name: 'Planted together' });
  await expect(cohort).toContainText(/3 planted together, 2012, container/);
  await cohort.locator('summary').click();
  await expect(cohort.getByText(/Dig next:/)).toBeVisible();
  await context.close();
});

test('a firm puts its own word in the table of causes, and the verdict says so @whole', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/practice/judgements');
  const word = page.getByLabel('How often: a planted tree that fails has this cause salt or chemical');
  await expect(word).toContainText('hardly ever');
  await choose(word, 'seldom');
  await page.getByRole('button', { name: 'Save 1 word' }).click();
  await expect(page.getByRole('status')).toContainText('Saved as version 1');
  await page.goto('/trees/kelpworth-6?station=verdict');
  await expect(page.getByText(/^practice-\d+\+firm-1$/)).toBeVisible();
  await page.goto('/practice/judgements');
  await choose(word, 'hardly ever');
  await page.getByRole('button', { name: 'Save 1 word' }).click();
  await expect(page.getByRole('status')).toContainText('Saved as version 2');
});

test('a soil sample: texture, density against the limits of that texture, and the verdict takes it in @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-7?station=soil');
  await page.getByText('Soil sample, single readings').click();
  await page.getByLabel('Sand, of the fine earth').fill('80');
  await page.getByLabel('Clay, of the fine earth').fill('50');
  await expect(page.getByText('Sand 80% and clay 50%: together at most 100%')).toBeVisible();
  await page.getByLabel('Sand, of the fine earth').fill('20');
  await page.getByLabel('Core, volume').fill('100');
  await page.getByLabel('Core, oven-dry mass').fill('99999');
  await expect(page.getByText('Core, oven-dry mass: 99999 is outside 5 to 13000 g.')).toBeVisible();
  await page.getByLabel('Core, oven-dry mass').fill('152');
  await expect(page.getByTestId('soil-verdict')).toHaveText('clay, too dense for roots');
  await page.getByRole('button', { name: /Bulk density 1.52/ }).click();
  await expect(page.getByRole('dialog', { name: 'Working of Bulk density' })).toContainText(
    'NRCS Soil Quality Test Kit',
  );
  await page.keyboard.press('Escape');
  // A sample goes to the laboratory; another's results come in as a file.
  const lab = page.getByRole('group', { name: 'Soil laboratory' });
  await lab.getByRole('button', { name: 'Send a sample' }).click();
  await expect(lab.getByText(/sent on .* results expected/)).toBeVisible();
  await lab.getByLabel('Results of a soil laboratory: CSV').setInputFiles({
    name: 'lab.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Parameter,Value,Unit\npH,8.3,\nEC,1,furlong\n'),
  });
  await expect(page.getByText('1 of 2 results taken into the visit.')).toBeVisible();
  await expect(page.getByText(/Row 3 left out, EC: unit “furlong”/)).toBeVisible();
  await saved(page);
  await openVerdict(page, 'sable-katsura-7');
  await expect(page.getByTestId('verdict-summary')).toContainText(/compacted soil/i);
});

test('what was treated and has come back is told before the causes of today, and in the report', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/sable-tulip-tree-1?station=verdict');
  const news = page.getByText(/Has come back for the first time: mulch pulled back 2025-06-03/);
  await expect(news.first()).toBeVisible();
  const before = page.getByRole('region', { name: 'Found before' });
  await expect(before.getByRole('listitem').filter({ hasText: 'Buried by a mulch cone' })).toContainText(
    'has come back',
  );
  await page.goto('/trees/sable-tulip-tree-1/report');
  await expect(page.getByText('Found before', { exact: true })).toBeAttached();
  await expect(page.getByText(/Buried by a mulch cone\. Has come back for the first time/)).toBeAttached();
});
