import { expect, type Locator } from '@playwright/test';

/** Chooses from a list, as a phone shows it or as the desk does. @param wanted the key of a choice, or what it says */
export async function choose(list: Locator, wanted: string | { label: string }): Promise<void> {
  const page = list.page();
  const words = typeof wanted === 'string' ? wanted : wanted.label;
  const choice = page
    .getByRole('option', { name: words, exact: true })
    .or(page.locator(`[role="option"][data-key="${words}"]`));
  // The list of the desk takes the place of the plain one while the page is young.
  await expect(async () => {
    // An open list covers the rest of the page, and what opens it as well: neither is looked for then.
    if ((await page.getByRole('listbox').count()) === 0) {
      if (await list.evaluate((element) => element.tagName === 'SELECT', undefined, { timeout: 2000 })) {
        await list.selectOption(wanted, { timeout: 2000 });
        return;
      }
      await list.click({ timeout: 2000 });
    }
    try {
      await choice.click({ timeout: 2000 });
    } catch (error) {
      await page.keyboard.press('Escape');
      throw error;
    }
  }).toPass({ timeout: 120_000 });
}
