import { expect, test, type Page } from '@playwright/test';
import { enterDemo } from './enter';

/** Where everything that can be pressed stands, by what it is called and how many of that name came before. */
const places = (page: Page): Promise<Record<string, string>> =>
  page.evaluate(() => {
    const found: Record<string, string> = {};
    const seen = new Map<string, number>();
    for (const el of document.querySelectorAll<HTMLElement>(
      'button, a[href], input, select, textarea, summary, [role="checkbox"], [role="radio"]',
    )) {
      const box = el.getBoundingClientRect();
      if (box.width === 0 || box.height === 0 || !el.checkVisibility()) continue;
      const name = `${el.tagName} ${el.getAttribute('aria-label') ?? el.textContent ?? ''}`.slice(0, 80);
      const nth = seen.get(name) ?? 0;
      seen.set(name, nth + 1);
      // Where it is within what scrolls, whether the page or a part of it.
      let scrolled = scrollY;
      for (let up = el.parentElement; up && up !== document.body; up = up.parentElement)
        scrolled += up.scrollTop;
      found[`${name} #${nth}`] = `${Math.round(box.left)},${Math.round(box.top + scrolled)}`;
    }
    return found;
  });

/** Nothing that was there before and still is has moved. */
async function still(page: Page, before: Record<string, string>, when: string): Promise<void> {
  const now = await places(page);
  const moved = Object.entries(before).filter(([name, at]) => now[name] !== undefined && now[name] !== at);
  expect([when, moved]).toEqual([when, []]);
  expect(Object.keys(before).filter((name) => now[name] !== undefined).length).toBeGreaterThan(3);
}

const PHONE = { width: 390, height: 844 };

test.describe('nothing that can be pressed moves while messages come and go', () => {
  for (const size of [PHONE, { width: 1280, height: 800 }]) {
    test(`on a walk-round, ${size.width} wide`, async ({ page, context }) => {
      await page.setViewportSize(size);
      await enterDemo(page);
      await page.goto('/grounds/lanternfield/walk');
      await page.getByRole('button', { name: /^Walk/ }).click();
      const begin = page.getByRole('button', { name: /^Begin/ });
      if (await begin.isVisible()) await begin.click();
      const nothing = page.getByRole('button', { name: 'Nothing wrong, next' });
      await expect(nothing).toBeVisible();
      const before = await places(page);
      await context.setOffline(true);
      await nothing.click();
      await expect(page.getByRole('status').filter({ hasText: 'kept on this phone' })).toBeVisible();
      await still(page, before, 'kept on the phone');
      await context.setOffline(false);
      await expect(page.getByText('All that was noted is sent.')).toBeVisible();
      await still(page, before, 'sent again');
      await page.route('**/api/changes', async (route) => {
        const { changes } = route.request().postDataJSON() as { changes: { id: string }[] };
        const results = changes.map(({ id }) => ({ id, status: 'refused', problem: 'a value is wrong' }));
        await route.fulfill({ json: { results } });
      });
      await nothing.click();
      await expect(page.getByRole('alert').filter({ hasText: 'a value is wrong' })).toBeVisible();
      await still(page, before, 'refused');
      await page.unroute('**/api/changes');
    });

    test(`on a tree, ${size.width} wide`, async ({ page, context }) => {
      await page.setViewportSize(size);
      await enterDemo(page);
      await page.goto('/trees/sable-katsura-8?station=base');
      const state = page.getByTestId('save-state');
      await expect(state).toHaveText('Saved');
      const answers = page.getByRole('group', { name: /^Push test/ });
      await answers.getByRole('radio').first().click();
      await expect(state).toHaveText('Saved');
      const before = await places(page);
      await context.setOffline(true);
      await answers.getByRole('radio').nth(1).click();
      await expect(state).toContainText('Not reached');
      await still(page, before, 'not reached');
      await context.setOffline(false);
      await expect(state).toHaveText('Saved');
      await still(page, before, 'reached again');
      await page.route('**/api/changes', async (route) => {
        const { changes } = route.request().postDataJSON() as { changes: { id: string }[] };
        const results = changes.map(({ id }) => ({ id, status: 'refused', problem: 'may not be' }));
        await route.fulfill({ json: { results } });
      });
      await answers.getByRole('radio').first().click();
      await expect(state).toContainText('1 not saved');
      await still(page, before, 'refused');
      await page.getByRole('button', { name: 'See', exact: true }).click();
      await expect(page.getByRole('alert').filter({ hasText: 'may not be' })).toBeVisible();
      await page.unroute('**/api/changes');
    });

    test(`on order and day sheet, ${size.width} wide`, async ({ page, context }) => {
      await page.setViewportSize(size);
      await enterDemo(page);
      await page.goto('/grounds/sable-row/work');
      const tick = page
        .getByRole('checkbox', { name: /^Sign: / })
        .and(page.locator(':enabled'))
        .first();
      await expect(tick).toBeEnabled();
      const before = await places(page);
      await context.setOffline(true);
      await tick.click();
      await expect(page.getByRole('alert').filter({ hasText: 'nothing was ticked' })).toBeVisible();
      await still(page, before, 'not ticked');
      await context.setOffline(false);
    });
  }
});
