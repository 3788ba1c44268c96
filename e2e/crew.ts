import type { Locator, Page } from '@playwright/test';

/** The button by which the crew says that a step of the order is done. */
export const doneButton = (page: Page, step: string): Locator =>
  page
    .getByRole('group', { name: `What came of ${step}` })
    .getByRole('button', { name: 'done', exact: true });

/** Signs what has to be signed before any work goes on, by how it begins. */
export async function sign(page: Page, ...what: string[]): Promise<void> {
  for (const one of what)
    await page
      .getByRole('button', { name: new RegExp(`^Sign: ${one}`) })
      .first()
      .click();
}
