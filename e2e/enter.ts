import { expect, type BrowserContext, type Page } from '@playwright/test';

type Cookies = Awaited<ReturnType<BrowserContext['cookies']>>;
let session: Cookies = [];

/**
 * Opens the grounds as the demo's consultant: with the session that this worker has had before where it still holds,
 * else with the one click that the demo shows.
 */
export async function enterDemo(page: Page): Promise<void> {
  await page.context().addCookies(session);
  await page.goto('/grounds');
  if (new URL(page.url()).pathname !== '/grounds') {
    await page.getByRole('button', { name: 'Enter as the consultant' }).click();
    await page.waitForURL('**/grounds');
    session = await page.context().cookies();
  }
  await expect(page.getByRole('heading', { name: 'Grounds', exact: true })).toBeVisible();
}

export async function signIn(page: Page, email: string, password = 'kelpworth-linden'): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

export const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveText('Saved');

/** The button of a station on the plumb line. */
export const station = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name });
