import { expect, test, type Page } from '@playwright/test';
import { asConsultant, enterDemo, signIn, STATIONS, unfold } from './enter';
import { choose } from './choose';

/** On the screen, and within what scrolls: what stays by either has not been moved by anything but scrolling. */
type Places = Record<string, [onScreen: string, within: string]>;

/**
 * Where everything that can be pressed is seen, by what it is called and how many of that name came before;
 * what floats is left out.
 */
const seen = (page: Page): Promise<Places> =>
  page.evaluate(() => {
    const found: Places = {};
    const count = new Map<string, number>();
    for (const el of document.querySelectorAll<HTMLElement>(
      'button, a[href], input, select, textarea, summary, [role="checkbox"], [role="radio"], [role="slider"]',
    )) {
      const box = el.getBoundingClientRect();
      const floats = el.closest('[data-radix-popper-content-wrapper], section[role="alert"]');
      if (floats || box.width === 0 || box.height === 0 || !el.checkVisibility()) continue;
      const label =
        el.getAttribute('aria-label') ?? (el.id || el.getAttribute('name') || el.textContent) ?? '';
      const name = `${el.tagName} ${label}`.slice(0, 80);
      const nth = count.get(name) ?? 0;
      count.set(name, nth + 1);
      let [x, y] = [box.left + scrollX, box.top + scrollY];
      for (let up = el.parentElement; up && up !== document.body; up = up.parentElement) {
        x += up.scrollLeft;
        y += up.scrollTop;
      }
      found[`${name} #${nth}`] = [
        `${Math.round(box.left)},${Math.round(box.top)}`,
        `${Math.round(x)},${Math.round(y)}`,
      ];
    }
    return found;
  });

/** How much of what was there before still is, and what of it is seen elsewhere: its name, where it was, where it is. */
async function since(page: Page, before: Places): Promise<{ stayed: number; moved: string[] }> {
  const now = await seen(page);
  const stayed = Object.entries(before).filter(([name]) => now[name] !== undefined);
  const moved = stayed
    .filter(([name, was]) => now[name]!.every((at, i) => at !== was[i]))
    .map(([name, was]) => `${name}: ${was.join(' or ')}, now ${now[name]!.join(' or ')}`);
  return { stayed: stayed.length, moved };
}

/** Nothing that was there before and still is is seen anywhere else. */
async function unmoved(page: Page, before: Places, when: string): Promise<void> {
  const { stayed, moved } = await since(page, before);
  expect([when, moved]).toEqual([when, []]);
  expect(stayed).toBeGreaterThan(3);
}

const AWAY = /could not be reached|did not answer/;
const PHONE = { width: 390, height: 844 };

test.describe('nothing that can be pressed moves while messages come and go', () => {
  for (const size of [PHONE, { width: 1280, height: 800 }]) {
    test(`on a walk-round, ${size.width} wide`, async ({ page, context }) => {
      await page.setViewportSize(size);
      await asConsultant(page);
      await page.goto('/grounds/lanternfield/walk');
      await page.getByRole('tab', { name: /^Walk/ }).click();
      const begin = page.getByRole('button', { name: /^Begin/ });
      if (await begin.isVisible()) await begin.click();
      const nothing = page.getByRole('button', { name: 'Nothing wrong, next' });
      await expect(nothing).toBeVisible();
      const before = await seen(page);
      await context.setOffline(true);
      await nothing.click();
      await expect(page.getByRole('status').filter({ hasText: 'kept on this phone' })).toBeVisible();
      await unmoved(page, before, 'kept on the phone');
      await context.setOffline(false);
      await expect(page.getByText('All that was noted is sent.')).toBeVisible();
      await unmoved(page, before, 'sent again');
      await page.route('**/api/changes', async (route) => {
        const { changes } = route.request().postDataJSON() as { changes: { id: string }[] };
        const results = changes.map(({ id }) => ({ id, status: 'refused', problem: 'a value is wrong' }));
        await route.fulfill({ json: { results } });
      });
      await nothing.click();
      await expect(page.getByRole('alert').filter({ hasText: 'a value is wrong' })).toBeVisible();
      await unmoved(page, before, 'refused');
      await page.unroute('**/api/changes');
    });

    test(`on a tree, ${size.width} wide`, async ({ page, context }) => {
      await page.setViewportSize(size);
      await asConsultant(page);
      await page.goto('/trees/sable-katsura-8?station=base');
      const state = page.getByTestId('save-state');
      await expect(state).toHaveText('Saved');
      const answers = page.getByRole('group', { name: /^Push test/ });
      await answers.getByRole('radio').first().click();
      await expect(state).toHaveText('Saved');
      const before = await seen(page);
      await context.setOffline(true);
      await answers.getByRole('radio').nth(1).click();
      await expect(state).toContainText('Offline');
      await unmoved(page, before, 'offline');
      await context.setOffline(false);
      await expect(state).toHaveText('Saved');
      await unmoved(page, before, 'reached again');
      await page.route('**/api/changes', async (route) => {
        const { changes } = route.request().postDataJSON() as { changes: { id: string }[] };
        const results = changes.map(({ id }) => ({ id, status: 'refused', problem: 'may not be' }));
        await route.fulfill({ json: { results } });
      });
      await answers.getByRole('radio').first().click();
      await expect(state).toContainText('1 not saved');
      await unmoved(page, before, 'refused');
      await page.getByRole('button', { name: 'See', exact: true }).click();
      await expect(page.getByRole('alert').filter({ hasText: 'may not be' })).toBeVisible();
      await page.unroute('**/api/changes');
    });

    test(`on order and day sheet, ${size.width} wide @whole`, async ({ page, context }) => {
      await page.setViewportSize(size);
      await asConsultant(page);
      await page.goto('/grounds/sable-row/work');
      const tick = page
        .getByRole('checkbox', { name: /^Sign: / })
        .and(page.locator(':enabled'))
        .first();
      await expect(tick).toBeEnabled();
      const before = await seen(page);
      await context.setOffline(true);
      await tick.click();
      await expect(page.getByRole('alert').filter({ hasText: 'nothing was ticked' })).toBeVisible();
      await unmoved(page, before, 'not ticked');
      await context.setOffline(false);
    });
  }
});

/** Stations on which numbers are typed. */
const WITH_NUMBERS = ['history', 'crown', 'base', 'mulch', 'probe', 'soil', 'trenches'];

for (const size of [PHONE, { width: 1280, height: 800 }])
  test(`a page that comes alive moves nothing that was seen before, ${size.width} wide @whole`, async ({
    browser,
  }) => {
    test.setTimeout(240_000);
    const context = await browser.newContext({ serviceWorkers: 'block', viewport: size });
    const page = await context.newPage();
    await asConsultant(page);
    const moves: string[] = [];
    const there: number[] = [];
    let held: Promise<void> | undefined;
    let alive = () => {};
    await page.route('**/_next/static/**/*.js', async (route) => {
      await held;
      await route.continue();
    });
    for (const path of [
      ...STATIONS.map((station) => `/trees/sable-katsura-14?station=${station}`),
      ...['/trees/sable-katsura-14/order', '/trees/sable-katsura-14/crew', '/trees/sable-katsura-14/time'],
      ...['/grounds', '/grounds/kelpworth', '/grounds/kelpworth/work', '/grounds/kelpworth/water', '/season'],
    ]) {
      held = new Promise((done) => (alive = done));
      await page.goto(path, { waitUntil: 'domcontentloaded' });
      await page.waitForFunction(() =>
        [...document.querySelectorAll<HTMLLinkElement>('link[rel="stylesheet"]')].every((link) => link.sheet),
      );
      await page.evaluate(() => document.fonts.ready);
      const before = await seen(page);
      alive();
      await page.waitForLoadState('networkidle');
      const { stayed, moved } = await since(page, before);
      moves.push(...moved.map((move) => `${path}: ${move}`));
      there.push(stayed);
    }
    expect(moves).toEqual([]);
    expect(there.filter((many) => many > 3).length).toBeGreaterThan(10);
    await context.close();
  });

test('letters that come after a page has been drawn move nothing on it', async ({ page }) => {
  await asConsultant(page);
  await page.setViewportSize(PHONE);
  // Nothing is kept from page to page, so that each has its letters late.
  let late = 0;
  await page.route(/\.woff2$/, async (route) => {
    await expect.poll(() => page.evaluate(() => performance.getEntriesByName('first-paint').length)).toBe(1);
    late++;
    await route.continue();
  });
  await page.addInitScript(() => {
    const shifts: string[] = [];
    Object.assign(window, { shifts });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as unknown as { sources: { node?: Node }[] }[])
        for (const { node } of entry.sources) shifts.push(node?.textContent?.slice(0, 40) ?? '?');
    }).observe({ type: 'layout-shift', buffered: true });
  });
  for (const path of ['/grounds', '/season', '/trees/sable-katsura-14?station=mulch']) {
    const before = late;
    await page.goto(path, { waitUntil: 'load' });
    await expect.poll(() => late).toBeGreaterThan(before);
    // The browser draws once more after they came.
    await page.evaluate(() => document.fonts.ready.then(() => new Promise(requestAnimationFrame)));
    expect([path, await page.evaluate(() => (window as unknown as { shifts: string[] }).shifts)]).toEqual([
      path,
      [],
    ]);
  }
});

test('a wrong value in a field of any station moves nothing @whole', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await asConsultant(page);
  const refused: string[] = [];
  const taken: string[] = [];
  for (const station of STATIONS) {
    await page.goto(`/trees/sable-katsura-14?station=${station}`);
    const entry = page.locator('#entry');
    await expect(entry.getByRole('heading', { level: 1 })).toBeVisible();
    // Fields can be typed in when the page is alive, as what leads to the stations says.
    await expect(
      page.getByRole('navigation', { name: 'Stations' }).getByRole('button').first(),
    ).toBeEnabled();
    const fields = entry.locator(
      'input[inputmode="decimal"]:enabled:visible, input[inputmode="numeric"]:enabled:visible',
    );
    if (WITH_NUMBERS.includes(station)) await expect(fields.first()).toBeVisible();
    await page.waitForLoadState('networkidle');
    const few = Math.min(await fields.count(), 5);
    for (let i = 0; i < few; i++) {
      const field = fields.nth(i);
      const was = await field.inputValue();
      await field.click();
      const before = await seen(page);
      await field.fill('99999999');
      // A field answers when it has been drawn anew; one that takes any number stays as it is.
      const answers = await expect(field)
        .toHaveAttribute('aria-invalid', 'true', { timeout: 1500 })
        .then(
          () => true,
          () => false,
        );
      (answers ? refused : taken).push(`${station} ${i}`);
      if (answers) {
        await expect(page.getByRole('alert').filter({ hasText: /\d/ }).first()).toBeVisible();
        await unmoved(page, before, `${station}, field ${i}`);
      }
      await field.fill(was);
      await field.blur();
    }
  }
  expect(refused.length).toBeGreaterThan(20);
  // A push of the rod is a form: it is read when it is sent.
  expect(taken.filter((field) => !field.startsWith('probe'))).toEqual([]);
});

for (const size of [PHONE, { width: 1280, height: 800 }]) {
  test(`what a form answers moves nothing, ${size.width} wide @whole`, async ({ page }) => {
    await page.setViewportSize(size);
    const away = async (path: string, ready: string | RegExp, press: () => Promise<void>) => {
      await page.goto(path);
      await expect(page.getByRole('heading', { name: ready }).first()).toBeVisible();
      await page.waitForLoadState('networkidle');
      await page.route('**/*', (route) =>
        route.request().method() === 'POST' ? route.abort() : route.continue(),
      );
      await press();
      await page.unroute('**/*');
    };
    /** Presses a button and compares once the answer is there. */
    const answered = async (when: string, button: ReturnType<Page['getByRole']>, says: RegExp) => {
      await button.scrollIntoViewIfNeeded();
      await button.focus();
      const before = await seen(page);
      await button.click();
      await expect(page.getByRole('alert').filter({ hasText: says }).first()).toBeVisible();
      await unmoved(page, before, when);
    };
    await page.goto('/sign-in');
    await page.getByLabel('E-mail').fill('nobody@quillrow.example');
    await page.getByLabel('Password').fill('not the password');
    await answered('sign-in', page.getByRole('button', { name: 'Sign in', exact: true }), /do not belong/);
    await signIn(page, 'owner');
    await page.waitForURL('**/grounds');

    await away('/account', 'Password', async () => {
      await page.getByLabel('Present password', { exact: true }).fill('x');
      await page.getByLabel(/^New password/).fill('y');
      await answered('password', page.getByRole('button', { name: 'Change password' }), AWAY);
      await page.getByLabel(/^Present password, for/).fill('x');
      await answered('second step', page.getByRole('button', { name: 'Set up an authenticator app' }), AWAY);
    });
    await away('/firm', 'People', async () => {
      await answered('firm', page.getByRole('button', { name: 'Save', exact: true }), AWAY);
      await answered('role', page.getByRole('button', { name: 'Save role' }).first(), AWAY);
      await page.getByLabel('E-mail').fill('a@b.example');
      await answered('invite', page.getByRole('button', { name: 'Make a link' }), AWAY);
    });
    await away('/grounds', 'Properties', async () => {
      await page.getByRole('button', { name: 'Add a property' }).click();
      await page.getByLabel('Name').fill('Somewhere');
      await answered('grounds', page.getByRole('button', { name: 'Add', exact: true }), AWAY);
    });
    await away('/grounds/sable-row', 'Trees', async () => {
      await page.getByRole('button', { name: 'Edit this property' }).click();
      await answered('edit grounds', page.getByRole('button', { name: 'Save', exact: true }), AWAY);
      const before = await seen(page);
      await page
        .getByLabel(/^File to import/)
        .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from('label\nA 1\n') });
      await expect(page.getByRole('alert').filter({ hasText: AWAY }).first()).toBeVisible();
      await unmoved(page, before, 'bring in');
    });
    await away('/practice', /./, () =>
      answered('practice', page.getByRole('button', { name: 'Save', exact: true }), AWAY),
    );
    await away('/practice/rates', /^Rates/, () =>
      answered('rates', page.getByRole('button', { name: 'Save', exact: true }), AWAY),
    );
    await away('/trees/sable-katsura-14/options', /./, () =>
      answered('client link', page.getByRole('button', { name: 'Make a link' }), AWAY),
    );
    await away('/trees/sable-katsura-14/schools', /./, () =>
      answered('school', page.getByRole('button', { name: /^Follow/ }).first(), AWAY),
    );
    await away('/trees/sable-katsura-14/report', /./, async () => {
      await unfold(page);
      await page.getByRole('button', { name: 'Issue', exact: true }).click();
      const before = await seen(page);
      await page.getByRole('button', { name: 'Issue now' }).click();
      await expect(page.getByRole('alert').filter({ hasText: AWAY }).first()).toBeVisible();
      await unmoved(page, before, 'issue');
    });
  });
}

test('a working that comes late does not come up under the next press; one that is there gives way to it @whole', async ({
  page,
}) => {
  await enterDemo(page);
  // The code of a working, known by its words; from now on it comes when it is let go.
  const code = page.waitForResponse(
    async (answer) =>
      answer.url().endsWith('.js') &&
      // One of the page before may be gone with it.
      (await answer.text().catch(() => '')).includes('is half a 90% interval'),
  );
  await page.goto('/trees/sable-katsura-14?station=mulch');
  let here = () => {};
  let coming = Promise.resolve();
  await page.route((await code).url(), async (route) => {
    await coming;
    await route.continue();
  });
  const working = page.getByRole('dialog', { name: /^Working of / });
  const number = page.getByRole('button', { name: /: show the working$/ }).first();
  for (const giveUp of ['Escape', 'a press elsewhere', 'a second press'] as const) {
    coming = new Promise((go) => (here = go));
    await page.goto('/trees/sable-katsura-14?station=mulch');
    await expect(number).toBeEnabled();
    await number.click();
    await expect(number).toHaveAttribute('aria-expanded', 'true');
    if (giveUp === 'Escape') await page.keyboard.press('Escape');
    else if (giveUp === 'a second press') await number.click();
    else await page.getByRole('heading', { level: 1 }).click();
    await expect(number).toHaveAttribute('aria-expanded', 'false');
    here();
    await page.waitForLoadState('networkidle');
    await expect(working).toBeHidden();
  }
  // Here now: it opens, Escape gives the focus back, and a press on a field gives it to the field.
  await number.click();
  await expect(working).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(working).toBeHidden();
  await expect(number).toBeFocused();
  await number.click();
  await expect(working).toBeVisible();
  const cell = page.getByLabel('at the bark, N', { exact: true });
  await cell.click();
  await expect(working).toBeHidden();
  await expect(cell).toBeFocused();
});

test('an answer that grows above what was pressed does not push it away @whole', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-14?station=cuts');
  // As in browsers that do not hold what is in view by themselves.
  await page.evaluate(() => document.styleSheets[0]!.insertRule('* { overflow-anchor: none !important }'));
  const hold = page.getByLabel('Hold root D1');
  await expect(page.getByText('Computing what each limit costs…')).toBeHidden();
  await hold.evaluate((el) => el.scrollIntoView({ block: 'center' }));
  await hold.focus();
  const top = async () => (await hold.boundingBox())!.y;
  const before = await top();
  const outcome = page
    .locator('#entry')
    .getByRole('button', { name: 'Agree this plan' })
    .or(page.getByTestId('clash'));
  const where = async () => (await outcome.first().boundingBox())!;
  const was = await where();
  // To cut an anchor at once breaks the limits: the answer is another, and of another height.
  await choose(hold, 'cut 1');
  await expect(page.getByTestId('clash')).toBeAttached();
  await expect.poll(async () => Math.round((await where()).height)).not.toBe(Math.round(was.height));
  expect(Math.abs((await top()) - before)).toBeLessThan(1.5);
});

test('on a phone the drawing gives way to what is answered; stations and the next step stay in reach', async ({
  page,
}) => {
  await page.setViewportSize(PHONE);
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-14?station=mulch');
  const stations = page.getByRole('navigation', { name: 'Stations' });
  await expect(stations.getByRole('button').first()).toBeEnabled();
  const drawing = page.getByTestId('section');
  const next = page.getByRole('button', { name: 'Probe next' });
  await expect(drawing).toBeInViewport();
  const below = (await next.boundingBox())!.y;
  await page.mouse.move(195, 700);
  await page.mouse.wheel(0, 600);
  await expect(drawing).not.toBeInViewport();
  await expect(stations).toBeInViewport();
  // A foot that stays, and half a screen more to answer in.
  expect((await next.boundingBox())!.y).toBe(below);
  await next.click();
  await expect(page.getByRole('heading', { level: 1, name: 'Probe' })).toBeInViewport();
  await expect(drawing).not.toBeInViewport();
  const over = await page.evaluate(() => {
    const main = document.querySelector('main')!;
    return main.scrollWidth - main.clientWidth;
  });
  expect(over).toBe(0);
});
