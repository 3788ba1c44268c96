import { expect, type Page } from '@playwright/test';

/** Signs in with the demo's one shown click. */
export async function enterDemo(page: Page): Promise<void> {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Enter as the consultant' }).click();
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
