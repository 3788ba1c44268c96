import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { asConsultant, enterDemo, saved, station } from './enter';
import { choose } from './choose';

const bring = (page: Page, name: string, content: string | Buffer) =>
  page
    .getByLabel('File to import: CSV, GeoJSON, DXF or case file')
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) });

async function newGrounds(page: Page, name: string): Promise<void> {
  await enterDemo(page);
  await page.getByRole('button', { name: 'Add a property' }).click();
  await page.getByLabel('Name').fill(name);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('No trees yet')).toBeVisible();
}

test('CSV, GeoJSON and case files come in, with every fault named and the rest kept', async ({ page }) => {
  await newGrounds(page, `Exchange ${Date.now()}`);
  await bring(page, 'trees.csv', 'label,species,height (m)\nA 1,Tilia cordata,9\nA 2,Tilia cordata,900\n');
  await expect(page.getByText('2 trees added, 0 trees changed.')).toBeVisible();
  await expect(page.getByText('Row 3, Tree height: 900 is outside 0.2 m to 90 m')).toBeVisible();
  await bring(page, 'latin.csv', Buffer.from([0x6c, 0xe9, 0x0a]));
  await expect(page.getByText('not UTF-8 text')).toBeVisible();
  const point = (label: string, x: number, y: number) => ({
    type: 'Feature',
    properties: { label },
    geometry: { type: 'Point', coordinates: [x, y] },
  });
  await bring(
    page,
    'plan.geojson',
    JSON.stringify({
      type: 'FeatureCollection',
      features: [point('A 1', 10, 50), point('A 2', 10.0002, 50)],
    }),
  );
  await expect(page.getByText('The file is in degrees')).toBeVisible();
  await expect(page.getByText('0 trees added, 2 trees changed.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'A 1: not visited' })).toBeVisible();
  const example = readFileSync('docs/example-case.json', 'utf8');
  await bring(page, 'cut.json', example.slice(0, 400));
  await expect(page.getByText('The file is cut off')).toBeVisible();
  await bring(page, 'case.json', example);
  await expect(page.getByText('Katsura 14 imported with 1 visit(s).')).toBeVisible();
  await page.getByRole('link', { name: 'Katsura 14', exact: true }).click();
  await page.waitForURL('**/trees/*');
  const id = new URL(page.url()).pathname.split('/').pop();
  const out = await page.request.get(`/api/trees/${id}/case`);
  expect((await out.json()).visits[0].probes).toEqual(JSON.parse(example).visits[0].probes);
});

const outlined = (name: string) =>
  JSON.stringify({
    type: 'FeatureCollection',
    features: [
      {
        type: 'Feature',
        properties: { kind: 'path', name },
        geometry: {
          type: 'LineString',
          coordinates: [
            [0, 0],
            [40, 10],
          ],
        },
      },
      {
        type: 'Feature',
        properties: { label: 'B 1', species: 'Tilia cordata' },
        geometry: { type: 'Point', coordinates: [12, 8] },
      },
    ],
  });

test('outlines changed meanwhile are shown beside those of the file, and either can be taken @whole', async ({
  browser,
}) => {
  const [a, b] = [
    await (await browser.newContext()).newPage(),
    await (await browser.newContext()).newPage(),
  ] as [Page, Page];
  await newGrounds(a, `Outlines ${Date.now()}`);
  await enterDemo(b);
  await bring(a, 'first.geojson', outlined('Old walk'));
  await expect(a.getByText(/1 tree added/)).toBeVisible();
  await b.goto(new URL(a.url()).pathname);
  await expect(b.locator('svg').getByText('Old walk')).toBeVisible();
  await bring(a, 'second.geojson', outlined('Theirs'));
  await expect(a.locator('svg').getByText('Theirs')).toBeVisible();
  await bring(b, 'mine.geojson', outlined('Mine'));
  const sides = b.getByRole('alert').filter({ hasText: 'changed by someone else' });
  await expect(sides).toContainText('1 outline: Theirs');
  await expect(sides).toContainText('1 outline: Mine');
  await sides.getByRole('button', { name: 'Keep what is there' }).click();
  await expect(b.locator('svg').getByText('Theirs')).toBeVisible();
  await bring(a, 'third.geojson', outlined('Third'));
  await expect(a.locator('svg').getByText('Third')).toBeVisible();
  await bring(b, 'mine.geojson', outlined('Mine'));
  await sides.getByRole('button', { name: 'Take the file' }).click();
  await expect(b.locator('svg').getByText('Mine')).toBeVisible();

  // A mark is dragged with the mouse, and put back with one press.
  const mark = b.getByRole('link', { name: /^B 1:/ });
  const before = await mark.getAttribute('transform');
  await mark.hover();
  await b.mouse.down();
  await b.mouse.move(300, 300, { steps: 4 });
  await b.mouse.up();
  await expect(b.getByText(/^B 1 moved/)).toBeVisible();
  await expect(mark).not.toHaveAttribute('transform', before!);
  await b.getByRole('button', { name: 'Undo' }).click();
  await expect(mark).toHaveAttribute('transform', before!);
});

test('the tree table sorts, filters and hides columns; the plan is reached by keyboard', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/grounds/kelpworth');
  const rows = page.getByRole('region', { name: 'Trees' }).locator('tbody tr:not([aria-hidden])');
  await page.getByRole('button', { name: /^tree/ }).click();
  await expect(rows.first()).toContainText('Linden 1');
  await page.getByRole('button', { name: /^tree/ }).click();
  await expect(rows.first()).toContainText('Linden 28');
  await page.getByLabel('Filter').fill('likely');
  await expect(page.getByText(/\d of 28 trees/)).toBeVisible();
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'species' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('columnheader', { name: 'species' })).toBeVisible();
  await page.getByRole('link', { name: /^Linden 3:/ }).focus();
  await page.keyboard.press('Enter');
  await page.waitForURL('**/trees/kelpworth-3');
});

declare global {
  var pressed: boolean[];
}

for (const finger of [false, true])
  test(`what is pressed beside the open columns closes them, and is not pressed itself, by ${finger ? 'finger' : 'mouse'}`, async ({
    browser,
    baseURL,
  }) => {
    const context = await browser.newContext({
      baseURL,
      hasTouch: finger,
      viewport: { width: 390, height: 844 },
    });
    const page = await context.newPage();
    await asConsultant(page);
    await page.goto('/grounds/kelpworth');
    const tree = page
      .getByRole('region', { name: 'Trees' })
      .getByRole('link', { name: /^Linden/ })
      .first();
    await tree.scrollIntoViewIfNeeded();
    const columns = page.getByRole('button', { name: 'Columns' });
    await expect(columns).toBeEnabled();
    await columns.click();
    await expect(page.getByRole('menuitemcheckbox', { name: 'species' })).toBeVisible();
    const { x, y, height } = (await tree.boundingBox())!;
    const at = [x + 5, y + height / 2] as const;
    // Whether each press lands on a link.
    await page.evaluate(() => {
      globalThis.pressed = [];
      const note = ({ target }: Event) => pressed.push((target as Element).closest('a') !== null);
      addEventListener('click', note, { capture: true });
    });
    await (finger ? page.touchscreen.tap(...at) : page.mouse.click(...at));
    await expect(page.getByRole('menuitemcheckbox')).toHaveCount(0);
    await expect.poll(() => page.evaluate(() => pressed)).toEqual([false]);
    // Once it is closed the tree is pressed.
    await (finger ? page.touchscreen.tap(...at) : page.mouse.click(...at));
    await page.waitForURL('**/trees/kelpworth-*');
    await context.close();
  });

test('where the search is slow to come, it says what was typed for it; Tab gives it up @whole', async ({
  page,
}) => {
  await page.route('**/_next/static/chunks/**', async (route) => {
    // Held back once the page is here.
    if (page.url().endsWith('/grounds')) await new Promise((held) => setTimeout(held, 3000));
    await route.continue();
  });
  await enterDemo(page);
  await expect(page.getByRole('button', { name: /^Find/ })).toBeEnabled();
  const coming = page.getByRole('status').filter({ hasText: 'Opening: oak' });
  await page.keyboard.press('/');
  await page.keyboard.type('oak');
  await expect(coming).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(coming).toBeHidden();
  await page.keyboard.press('/');
  await page.keyboard.type('oak');
  await expect(page.getByPlaceholder('Tree, property, species')).toHaveValue('oak');
});

test('find by keyboard, units and themes @whole', async ({ page }) => {
  await enterDemo(page);
  // A key pressed before the page has come alive is not heard.
  await expect(async () => {
    await page.keyboard.press('/');
    await expect(page.getByPlaceholder('Tree, property, species')).toBeVisible({ timeout: 500 });
  }).toPass();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Find' })).toBeHidden();
  // What is typed after the key, before the search has opened, is in it; what was given up is not.
  await page.keyboard.press('/');
  await page.keyboard.type('oak');
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await page.keyboard.type('lindem');
  await page.keyboard.press('Backspace');
  await page.keyboard.type('n 3');
  await expect(page.getByPlaceholder('Tree, property, species')).toHaveValue('linden 3');
  await expect(page.getByRole('option', { name: /Linden 3/ }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await page.waitForURL('**/trees/kelpworth-3');
  await page.getByRole('button', { name: /units: metric/ }).click();
  await station(page, /^Probe/).click();
  await expect(page.getByRole('button', { name: /Collar depth .* in: show the working/ })).toBeVisible();
  await page.getByRole('button', { name: /Collar depth .* in: show the working/ }).click();
  await expect(
    page.getByText('mean round the stem of the depth of the first root at each bearing'),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Paper theme/ }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'sun');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'sun');
});

test('a school chosen for the firm, and one for a tree, change the figure and are shown @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/sable-tulip-tree-1?station=prescription');
  const mulch = page.getByRole('article', { name: 'Pull back and widen the mulch' });
  const before = await mulch.getByRole('button', { name: /^New ring radius/ }).textContent();
  await mulch.getByText(/Schools of practice followed/).click();
  await choose(mulch.getByLabel(/Mulch depth and clearance/), 'thin');
  await expect(mulch.getByText('(chosen for this tree)')).toBeVisible();
  await expect(mulch.getByRole('button', { name: /^New ring radius/ })).not.toHaveText(before!);
});

test('dry growing seasons come from the rain record of the grounds, and one tap dates them @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/grounds/lanternfield');
  await page.getByRole('button', { name: 'Read the weather record again' }).click();
  await expect(page.getByText(/^Rain of \d+ growing seasons kept; dry: .*2022/)).toBeVisible();
  await page.goto('/trees/lanternfield-8?station=history');
  const begin = page.getByRole('button', { name: 'Begin a visit today' });
  if (await begin.isVisible()) await begin.click();
  await page.getByRole('button', { name: 'Add drought 2022' }).click();
  await expect(page.getByRole('button', { name: 'Remove drought 2022' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add drought 2022' })).toHaveCount(0);
  await saved(page);
});

test('where grounds lie is noted in words that name a wrong field, and the season of planting follows @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/grounds/lanternfield');
  await page.getByText(/^Lies at .*; frosts from \d+ \w+ to \d+ \w+/).click();
  const latitude = page.getByLabel('Latitude, south below zero');
  await latitude.fill('95');
  await page.getByRole('button', { name: 'Save the place' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Latitude' })).toContainText(
    '“95” is not -90 to 90',
  );
  await expect(latitude).toHaveValue('95');
  await latitude.fill('-38');
  await page.getByLabel('Mean last frost, MM-DD').fill('09-20');
  await page.getByLabel('Mean first frost, MM-DD').fill('05-10');
  await page.getByRole('button', { name: 'Save the place' }).click();
  await expect(
    page.getByText(/^Lies at 38° south, [\d.]+° east; frosts from 10 May to 20 September/),
  ).toBeVisible();
  await page.goto('/trees/lanternfield-5?station=prescription');
  const replace = page.getByRole('article', { name: 'Replace' });
  await replace.getByLabel('Prescribe').check();
  await expect(replace.getByText(/^When: August to September\./)).toBeVisible();
  await saved(page);
  await replace.getByLabel('Prescribe').uncheck();
  await saved(page);
});
