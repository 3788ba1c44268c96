import { expect, test } from '@playwright/test';
import { CHROMIUM } from '../scripts/setup/packages.mjs';
import { STATIONS, asConsultant, listens, saved, station, workedOut } from './enter';
import { choose } from './choose';

test('the section and the figures follow while typing, and stay after a reload', async ({ page }) => {
  await asConsultant(page);
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
  await asConsultant(page);
  await page.goto('/trees/kelpworth-20?station=mulch');
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

test('what is wrong with a value is said where the code for saying it can no longer be had', async ({
  page,
}) => {
  await asConsultant(page);
  let gone = false;
  await page.route('**/_next/static/chunks/**', (route) => (gone ? route.abort() : route.continue()));
  await page.goto('/trees/kelpworth-20?station=mulch');
  const begin = page.getByRole('button', { name: 'Begin a visit today' });
  const cell = page.getByLabel('at the bark, E', { exact: true });
  await expect(begin.or(cell)).toBeVisible();
  if (await begin.isVisible()) {
    await begin.click();
    await station(page, /^Mulch, grade/).click();
  }
  await expect(cell).toBeEnabled();
  gone = true;
  await cell.fill('30 m');
  await expect(page.getByRole('alert').filter({ hasText: 'Was 30 cm meant?' })).toBeVisible();
  await cell.fill('30');
  await saved(page);
  // A working gives its formula, and the search says what it needs: over the page, and nothing moves for it.
  const number = page.getByRole('button', { name: /: show the working$/ });
  const next = page.getByRole('button', { name: 'Probe next' });
  const below = () =>
    number.first().evaluate((el) => {
      const { bottom } = el.closest('dl')!.parentElement!.getBoundingClientRect();
      return bottom - el.getBoundingClientRect().top;
    });
  const before = [await below(), (await next.boundingBox())!.y];
  await number.first().click();
  const working = page.getByRole('note', { name: /^Working of / });
  await expect(working).toBeVisible();
  expect([await below(), (await next.boundingBox())!.y]).toEqual(before);
  await working.getByRole('button', { name: 'Close' }).click();
  await expect(working).toBeHidden();
  await page.keyboard.press('/');
  const find = page.getByRole('note', { name: 'Find' });
  await expect(find).toContainText('it needs signal once');
  await find.getByRole('button', { name: 'Close' }).click();
  await expect(find).toBeHidden();
});

test('a species is found by any name, an unknown one is said to be, and the firm may judge one for itself @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-9?station=history');
  const species = page.getByLabel('Species', { exact: true });
  const says = page.getByTestId('species-says');
  await expect(species).toBeEnabled();
  await species.fill('Littleleaf linden');
  await expect(says).toContainText('Tilia cordata (small-leaved linden): deciduous, medium growing');
  await species.fill('Xylotherium maximum');
  await expect(says).toHaveText(
    'Xylotherium maximum is in no list; its growth and what it tolerates count as average.',
  );
  await saved(page);

  await page.goto('/practice/species');
  const add = page.getByRole('button', { name: 'Add a species' });
  await expect(add).toBeEnabled();
  await add.click();
  const form = page.getByRole('form', { name: 'A new species' });
  await form.getByLabel('Genus and species').fill('Xylotherium maximum');
  await choose(form.getByLabel('Stands salt'), 'poorly');
  await form.getByLabel('Mature height').fill('900');
  await expect(page.getByRole('alert').filter({ hasText: '90' })).toContainText('900');
  await form.getByLabel('Mature height').fill('12');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Xylotherium maximum is saved.' })).toBeVisible();

  await page.getByLabel(/^Filter/).fill('cordata');
  await page.getByRole('button', { name: /^Tilia cordata/ }).click();
  const linden = page.getByRole('form', { name: 'Tilia cordata' });
  await choose(linden.getByLabel('Growth of the stem'), 'fast');
  await linden.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: /^Tilia cordata.*\(own\)/ })).toBeVisible();

  await page.goto('/trees/kelpworth-9?station=history');
  await expect(says).toContainText('Xylotherium maximum: deciduous, medium growing; stands salt poorly');
  await page.goto('/practice/species');
  await page.getByLabel(/^Filter/).fill('own');
  await page.getByRole('button', { name: /^Tilia cordata/ }).click();
  await page.getByRole('button', { name: 'As shipped' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: 'Tilia cordata is as shipped again.' }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Xylotherium/ }).click();
  await page.getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Xylotherium maximum is removed.' })).toBeVisible();
});

test('what is seldom met is folded away, is opened once noted, and speaks in the verdict', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-4?station=base');
  const fold = page.getByText(/^More, seldom met/);
  const gnawed = page.getByRole('group', { name: 'Bark gnawed?' }).last();
  await expect(gnawed).toBeHidden();
  await fold.click();
  await gnawed.getByRole('radio', { name: 'nearly all round' }).click();
  await page.getByLabel(/^Probe or axe sinks/).fill('9');
  await page.getByLabel(/^Probe or axe sinks/).press('Enter');
  await saved(page);
  // The fold of one station is none of another.
  await station(page, /^Crown/).click();
  await expect(page.getByRole('group', { name: 'Is it growing?' })).toHaveCount(0);
  await station(page, /^Base/).click();
  await expect(page.getByText('More, seldom met (2 noted)')).toBeVisible();
  await expect(gnawed).toBeVisible();
  await page.reload();
  await expect(page.getByText('More, seldom met (2 noted)')).toBeVisible();
  await expect(gnawed.getByRole('radio', { name: 'nearly all round' })).toBeChecked();
  await page.goto('/trees/kelpworth-4?station=verdict');
  await expect(page.getByText(/It may fall: a probe sinks far into the base/).first()).toBeVisible();
  await page.goto('/trees/kelpworth-4?station=prescription');
  await expect(page.getByRole('article', { name: 'Guard' })).toContainText('gnaw');
  await page.goto('/trees/kelpworth-4?station=base');
  await gnawed.getByRole('radio', { name: 'nearly all round' }).click();
  await page.getByLabel(/^Probe or axe sinks/).fill('');
  await saved(page);
});

test('a choice is made, changed and taken back with the keyboard alone', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-4?station=crown');
  await listens(page);
  const leaf = page.getByRole('radiogroup', { name: 'Leaf size' });
  const answer = (name: string) => leaf.getByRole('radio', { name, exact: true });
  await answer('normal').focus();
  await page.keyboard.press('Space');
  await expect(answer('normal')).toBeChecked();
  await page.keyboard.press('ArrowRight');
  await expect(answer('small')).toBeChecked();
  await expect(answer('small')).toBeFocused();
  await page.keyboard.press('Space');
  await expect(leaf.getByRole('radio', { checked: true })).toHaveCount(0);
  await page.keyboard.press('Enter');
  await expect(answer('small')).toBeChecked();
  await page.keyboard.press('Delete');
  await expect(leaf.getByRole('radio', { checked: true })).toHaveCount(0);
  await page.goto('/trees/kelpworth-4?station=base');
  await listens(page);
  const flared = page.getByRole('group', { name: 'How does the stem enter the ground?: flared' });
  const side = (name: string) => flared.getByRole('checkbox', { name: `flared, ${name}`, exact: true });
  await side('N').focus();
  await page.keyboard.press('ArrowLeft');
  await expect(side('NW')).toBeFocused();
  const before = await side('NW').isChecked();
  await page.keyboard.press('Space');
  await expect(side('NW')).toBeChecked({ checked: !before });
  await saved(page);
});

test('what is unfolded before the page is ready stands open, with what is in it', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await asConsultant(page);
  let ready = () => {};
  const held = new Promise<void>((resolve) => (ready = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto('/trees/kelpworth-4?station=base', { waitUntil: 'commit' });
  await page.getByText(/^More, seldom met/).click();
  ready();
  await expect(page.getByRole('group', { name: 'Bark gnawed?' }).last()).toBeVisible();
  await context.close();
});

test('on a phone, minus, fractions and units stand over the number pad, and one key leads on', async ({
  browser,
}) => {
  const phone = { width: 390, height: 844 };
  const page = await (
    await browser.newContext({ hasTouch: true, isMobile: true, viewport: phone })
  ).newPage();
  await asConsultant(page);
  await page.goto('/trees/kelpworth-12?station=mulch');
  const bark = page.getByLabel('at the bark, N', { exact: true });
  await expect(bark).toBeEnabled();
  await bark.tap();
  const keys = page.getByRole('toolbar', { name: 'Keys for numbers' });
  await bark.fill('3');
  for (const key of ['½', 'in']) await keys.getByRole('button', { name: key, exact: true }).tap();
  await expect(bark).toHaveValue('3 1/2 in');
  await expect(bark).toBeFocused();
  await keys.getByRole('button', { name: 'Next field' }).tap();
  await expect(page.getByLabel('at the bark, E', { exact: true })).toBeFocused();
  await expect(bark).toHaveValue('8.9');
  await saved(page);
  await page.getByRole('heading', { level: 1 }).tap();
  await expect(keys).toBeHidden();
});

test('the menu of a phone opens, chooses and gives the focus back; a term explains itself where it first stands @whole', async ({
  browser,
}) => {
  const page = await (
    await browser.newContext({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } })
  ).newPage();
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-14?station=verdict');
  const menu = page.getByRole('button', { name: 'Menu' });
  await menu.tap();
  await expect(page.getByRole('menuitem', { name: 'Through time' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('menu')).toHaveCount(0);
  await expect(menu).toBeFocused();
  await menu.tap();
  await page.getByRole('menuitemradio', { name: 'Sun' }).tap();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'sun');

  await page.goto('/trees/sable-katsura-14/report');
  const term = page.locator('button[aria-haspopup=dialog][aria-expanded=false]').first();
  const word = (await term.textContent())!;
  await term.tap();
  await expect(page.getByRole('dialog', { name: word })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: word })).toHaveCount(0);
  await page.context().close();
});

test('what is pressed at a station is as tall as a thumb in a glove @whole', async ({ browser }) => {
  const page = await (
    await browser.newContext({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } })
  ).newPage();
  await asConsultant(page);
  const small: unknown[] = [];
  for (const key of STATIONS) {
    await page.goto(`/trees/sable-katsura-14?station=${key}`);
    await expect(page.locator('#entry').getByRole('heading', { level: 1 })).toBeVisible();
    await workedOut(page);
    small.push(
      ...(await page.locator('main').evaluate((main, at) => {
        const pressed = main.querySelectorAll<HTMLElement>(
          'button:enabled, select, input:not([type="checkbox"], [type="radio"], [type="file"], [type="range"])',
        );
        return (
          [...pressed]
            .filter((el) => el.checkVisibility() && !el.closest('svg, .sr-only'))
            // Terms within a sentence are as tall as its line.
            .filter((el) => !el.matches('.inline'))
            .map(
              (el) => [at, el.tagName, el.ariaLabel ?? el.textContent, Math.round(el.offsetHeight)] as const,
            )
            .filter(([, , , height]) => height < 48)
        );
      }, key)),
    );
  }
  expect(small).toEqual([]);
});

test('with the text of the phone at twice its size nothing runs out of the screen at any station @whole', async ({
  playwright,
}) => {
  const large = await playwright.chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--blink-settings=defaultFontSize=32'],
  });
  const { baseURL } = test.info().project.use;
  const page = await (
    await large.newContext({ baseURL, viewport: { width: 390, height: 844 }, serviceWorkers: 'block' })
  ).newPage();
  await asConsultant(page);
  const wide: unknown[] = [];
  const pages = [
    ...STATIONS.map((key) => `/trees/sable-katsura-14?station=${key}`),
    '/grounds',
    '/grounds/sable-row',
    '/grounds/sable-row/walk',
    '/device',
  ];
  for (const address of pages) {
    await page.goto(address);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await workedOut(page);
    const [size, over, beyond] = await page
      .locator('main')
      .evaluate((main) => [
        getComputedStyle(document.documentElement).fontSize,
        main.scrollWidth - main.clientWidth,
        document.documentElement.scrollWidth - window.innerWidth,
      ]);
    expect(size).toBe('32px');
    if (Number(over) > 0 || Number(beyond) > 0) wide.push([address, over, beyond]);
  }
  expect(wide).toEqual([]);
  await large.close();
});
