import { expect, test, type ElementHandle, type Page } from '@playwright/test';
import type { Item } from '../web/protocol/item';
import { asConsultant, listens, newVisit, saved, station, STATIONS, takeAlong } from './enter';

const FIELDS =
  'fieldset[aria-busy] :is(input:not([type="file"], [type="range"]), textarea):not(:disabled, [readonly])';
/** Stations whose fields come with the page. */
const WITH_FIELDS = ['history', 'crown', 'base', 'mulch', 'probe', 'soil'];

/** Holds back every program of the pages that are opened, until it is told to let them come. */
async function withoutPrograms(page: Page): Promise<() => void> {
  let come = () => {};
  const held = new Promise<void>((resolve) => (come = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await held;
    await route.continue();
  });
  return come;
}

/** A tree of its own with an empty visit. @returns ids */
async function newTree(page: Page): Promise<{ tree: string; visit: string }> {
  const [tree, visit] = [crypto.randomUUID(), crypto.randomUUID()];
  const changes = [
    {
      kind: 'tree',
      id: tree,
      parent: 'sable-row',
      base: 0,
      values: { label: 'Ahead', species: 'Acer rubrum' },
    },
    { kind: 'visit', id: visit, parent: tree, base: 0, values: { date: '2026-05-04', by: 'R. Quill' } },
  ];
  const answer = await page.request.post('/api/changes', { data: { changes } });
  expect((await answer.json()).results.map((r: { status: string }) => r.status)).toEqual(['saved', 'saved']);
  return { tree, visit };
}

/** Opens a station of a new tree, without the programs of its page. @returns the tree, and what lets them come */
async function openedWithout(page: Page, station: string) {
  await asConsultant(page);
  const made = await newTree(page);
  const come = await withoutPrograms(page);
  await page.goto(`/trees/${made.tree}?station=${station}`, { waitUntil: 'domcontentloaded' });
  return { ...made, come };
}

/** All that is kept of a tree and its visit, without whose it is. */
async function keptOf(page: Page, { tree, visit }: { tree: string; visit: string }): Promise<string[]> {
  const { items } = (await (await page.request.get(`/api/trees/${tree}/items`)).json()) as { items: Item[] };
  return items
    .filter((item) => item.values !== null && item.id !== visit)
    .map(({ kind, values }) => JSON.stringify([kind, values]))
    .sort();
}

/** Fills every field that is seen and ticks the first of each choice. @returns how many */
async function enterAll(page: Page): Promise<number> {
  const fields = (await page.locator(FIELDS).elementHandles()) as ElementHandle<HTMLInputElement>[];
  const asked = new Set<string>();
  let entered = 0;
  for (const field of fields) {
    if (!(await field.isVisible())) continue;
    const { type, name, mode, value, hint } = await field.evaluate((f) => ({
      ...{ type: f.type, name: f.name, mode: f.inputMode, value: f.value },
      hint: f.placeholder ?? '',
    }));
    if (type === 'radio' && asked.has(name)) continue;
    asked.add(name);
    if (type === 'radio' || type === 'checkbox') await field.check();
    else if (/decimal|numeric/.test(mode)) await field.fill('7');
    else await field.fill(hint === 'N' || hint.startsWith('NE') ? 'SW' : `${value} more`.trim());
    entered++;
  }
  return entered;
}

for (const at of WITH_FIELDS)
  test(`what is typed and ticked at ${at} before the programs of its page come is taken as if entered later${at === 'mulch' ? '' : ' @whole'}`, async ({
    page,
  }) => {
    const { come, ...early } = await openedWithout(page, at);
    const entered = await enterAll(page);
    expect(entered).toBeGreaterThan(2);
    come();
    await saved(page);
    await page.unrouteAll();
    const later = await newTree(page);
    await page.goto(`/trees/${later.tree}?station=${at}`);
    await listens(page);
    expect(await enterAll(page)).toBe(entered);
    await saved(page);
    await expect.poll(() => keptOf(page, later)).toEqual(await keptOf(page, early));
    // Something of it is kept, besides the tree itself.
    expect((await keptOf(page, early)).join()).toMatch(/answer|"depth":0.07|more/);
  });

test('no other station has fields before its programs come @whole', async ({ page }) => {
  await asConsultant(page);
  await withoutPrograms(page);
  for (const at of STATIONS.filter((s) => !WITH_FIELDS.includes(s))) {
    await page.goto(`/trees/sable-katsura-14?station=${at}`, { waitUntil: 'domcontentloaded' });
    expect([at, await page.locator(FIELDS).filter({ visible: true }).count()]).toEqual([at, 0]);
  }
});

test('a push typed ahead stands in its form, and is not sent by Enter before the page listens', async ({
  page,
}) => {
  const { come } = await openedWithout(page, 'probe');
  await page.getByLabel('Bearing', { exact: true }).fill('SW');
  await page.getByLabel(/^From the bark/).fill('10');
  await page.getByLabel(/^Depth/).fill('12');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/station=probe$/);
  come();
  await listens(page);
  await expect(page.getByLabel(/^Depth/)).toHaveValue('12');
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByRole('row', { name: /SW/ })).toContainText('12');
  await saved(page);
});

test('a field typed into stays the very field, with the hand in it, though the code of its station comes last @whole', async ({
  page,
}) => {
  await asConsultant(page);
  const { tree } = await newTree(page);
  let come = () => {};
  const held = new Promise<void>((resolve) => (come = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    const answer = await route.fetch();
    const text = await answer.text();
    if (text.includes('Rod and tape, from the bark outward')) await held;
    await route.fulfill({ response: answer, body: text });
  });
  await page.goto(`/trees/${tree}?station=mulch`, { waitUntil: 'domcontentloaded' });
  const bark = page.getByLabel('at the bark, N', { exact: true });
  await bark.click();
  await page.keyboard.type('1');
  await bark.evaluate((field) => Object.assign(field, { typedInto: true }));
  // All else is here by now, and said to take long.
  await page.waitForLoadState('load');
  await expect(page.getByTestId('save-state')).toHaveText('Still loading: not saved yet');
  await expect(page.getByTestId('save-state')).toBeVisible();
  await page.keyboard.type('2');
  come();
  await listens(page);
  await page.keyboard.type('.5');
  await expect(bark).toHaveValue('12.5');
  expect(await bark.evaluate((field) => 'typedInto' in field && field === document.activeElement)).toBe(true);
  await saved(page);
  expect((await keptOf(page, { tree, visit: '' })).join()).toContain('"depth":0.125');
});

test('an answer that stands is taken back ahead as well @whole', async ({ page }) => {
  await asConsultant(page);
  const { tree } = await newTree(page);
  await page.goto(`/trees/${tree}?station=crown`);
  const small = page.getByRole('radiogroup', { name: 'Leaf size' }).getByRole('radio', { name: 'small' });
  await small.click();
  await saved(page);
  const come = await withoutPrograms(page);
  await page.reload({ waitUntil: 'domcontentloaded' });
  await expect(small).toBeChecked();
  await small.click();
  await expect(small).not.toBeChecked();
  come();
  await listens(page);
  await saved(page);
  await expect(small).not.toBeChecked();
  expect((await keptOf(page, { tree, visit: '' })).join()).not.toContain('finding');
});

test('of several answers the last one counts; what is asked no longer is told, not dropped @whole', async ({
  page,
}) => {
  const { come, tree } = await openedWithout(page, 'crown');
  const size = page.getByRole('radiogroup', { name: 'Leaf size' });
  for (const answer of ['small', 'normal', 'small']) await size.getByRole('radio', { name: answer }).check();
  const buds = page.getByRole('radiogroup', { name: 'Buds' }).getByRole('radio');
  await buds.first().check();
  await buds.first().click();
  await expect(buds.first()).not.toBeChecked();
  await page.getByLabel('Crown density, of a full crown').fill('60');
  // A field that goes while the page comes, as with a visit that waited on the device.
  await page.evaluate(() => {
    const gone = document.createElement('input');
    document
      .querySelector('fieldset[data-waits]')!
      .append(Object.assign(document.createElement('label'), { textContent: 'Depth at NE' }));
    document.querySelector('fieldset[data-waits] > label:last-child')!.append(gone);
    gone.value = '12';
    gone.dispatchEvent(new InputEvent('input', { bubbles: true }));
    gone.parentElement!.remove();
  });
  come();
  await expect(page.getByRole('alert').filter({ hasText: 'asked no longer' })).toContainText(
    '“12” at Depth at NE',
  );
  await expect(size.getByRole('radio', { name: 'small' })).toBeChecked();
  await saved(page);
  expect(
    (await keptOf(page, { tree, visit: '' })).filter((one) => one.startsWith('["finding"')).sort(),
  ).toEqual([expect.stringContaining('"number":0.6'), expect.stringContaining('"answer":"small"')]);
});

/**
 * Has a page type into a field as soon as it is there. The programs of what was taken along are on the device and cannot be held
 * back: whoever types before they run is a quick hand, here the page itself. It notes whether it was early, as `early`.
 */
const typesEarly = (page: Page, label: string, text: string): Promise<unknown> =>
  page.addInitScript(
    ([label, text]) => {
      const look = setInterval(() => {
        const all = [...document.querySelectorAll<HTMLInputElement>('input[data-cell]')];
        const field = all.find((f) => f.labels?.[0]?.textContent === label);
        if (!field) return;
        clearInterval(look);
        Object.assign(window, {
          early: field.matches('fieldset[data-waits] *') && all.every((f) => f.value === ''),
        });
        field.focus();
        field.value = text!;
        field.dispatchEvent(new InputEvent('input', { bubbles: true }));
      }, 1);
    },
    [label, text],
  );

test.describe('on a device that was taken along', () => {
  test.use({ serviceWorkers: 'allow' });

  test('what is typed ahead over what waits there, in other units than are chosen by now, overwrites none of it @whole', async ({
    page,
    context,
  }) => {
    await asConsultant(page);
    const { tree } = await newTree(page);
    await takeAlong(page);
    await context.setOffline(true);
    const path = `/trees/${tree}?station=mulch`;
    const bark = (p: Page) => p.getByLabel('at the bark, N', { exact: true });
    const away = (p: Page) => p.getByRole('textbox', { name: /^(30 cm|11\.8 in|12 in) out, N$/ }).first();
    await page.goto(path);
    await listens(page);
    await bark(page).fill('20');
    await expect(page.getByTestId('save-state')).toContainText('Offline: 1 kept on this device');
    await page.close();
    // The page that is kept shows neither that, nor the units that were chosen since.
    const next = await context.newPage();
    await context.addCookies([{ name: 'undrel_units', value: 'us', url: new URL(page.url()).origin }]);
    await typesEarly(next, '30 cm out, N', '10');
    await next.goto(path);
    await expect(bark(next)).toHaveValue('7.9');
    await listens(next);
    expect(await next.evaluate(() => (window as unknown as { early: boolean }).early)).toBe(true);
    await expect(away(next)).toHaveValue('3.9');
    await context.setOffline(false);
    await saved(next);
    const { items } = (await (await next.request.get(`/api/trees/${tree}/items`)).json()) as {
      items: Item[];
    };
    expect(items.filter((i) => i.kind === 'profile').map((i) => i.values)).toEqual([
      expect.objectContaining({
        mulch: [
          { distance: 0, depth: 0.2 },
          { distance: 0.3, depth: 0.1 },
        ],
      }),
    ]);
  });

  test('what is typed ahead on a page that shows an older visit than waits there goes to the visit in hand @whole', async ({
    page,
    context,
  }) => {
    await asConsultant(page);
    const { tree, visit } = await newTree(page);
    await takeAlong(page);
    await context.setOffline(true);
    const path = `/trees/${tree}?station=mulch`;
    await page.goto(path);
    await newVisit(page);
    await station(page, /^Mulch/).click();
    await page.getByLabel('at the bark, E', { exact: true }).fill('9');
    await expect(page.getByTestId('save-state')).toContainText('kept on this device');
    await page.close();
    const next = await context.newPage();
    await typesEarly(next, '30 cm out, N', '10');
    await next.goto(path);
    await listens(next);
    expect(await next.evaluate(() => (window as unknown as { early: boolean }).early)).toBe(true);
    await expect(next.getByLabel('at the bark, E', { exact: true })).toHaveValue('9');
    await expect(next.getByLabel('30 cm out, N', { exact: true })).toHaveValue('10');
    await context.setOffline(false);
    await saved(next);
    const { items } = (await (await next.request.get(`/api/trees/${tree}/items`)).json()) as {
      items: Item[];
    };
    const profiles = items.filter((i) => i.kind === 'profile' && i.values !== null);
    expect(profiles).toHaveLength(2);
    expect(profiles.filter((i) => i.parent === visit)).toEqual([]);
  });
});

test('a tree is worked on though the code of its drawing cannot be had; asked for again, it comes', async ({
  browser,
}) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await asConsultant(page);
  const { tree } = await newTree(page);
  let gone = true;
  await page.route('**/_next/static/**/*.js', async (route) => {
    const answer = await route.fetch();
    const text = await answer.text();
    if (gone && text.includes('Section through the stem')) return route.abort();
    await route.fulfill({ response: answer, body: text });
  });
  await page.goto(`/trees/${tree}?station=mulch`);
  await listens(page);
  await page.getByLabel('at the bark, E', { exact: true }).fill('12');
  await saved(page);
  const again = page.getByRole('button', { name: 'Try again' });
  await again.click();
  await expect(page.getByText('The drawing could not be fetched.')).toBeVisible();
  gone = false;
  await again.click();
  const drawing = page.getByRole('img', { name: /^Section through the stem/ });
  await expect(drawing).toContainText('present grade');
  await expect(again).toBeHidden();
  await context.close();
});

test('a page that an earlier version made counts what was answered all the same', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await asConsultant(page);
  await page.route('**/trees/lanternfield-2?**', async (route) => {
    const answer = await route.fetch();
    const text = await answer.text();
    expect(text).toContain('\\"counted\\":');
    await route.fulfill({ response: answer, body: text.replaceAll('\\"counted\\":', '\\"before\\":') });
  });
  await page.goto('/trees/lanternfield-2?station=mulch');
  await expect(page.getByRole('button', { name: /^History ?\d+ of \d+$/ })).toBeVisible();
  await context.close();
});
