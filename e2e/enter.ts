import { expect, test, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { mailOf, ownFirm, slugOf } from './ownFirm';

/** The stations of a tree, as the address names them. */
export const STATIONS = [
  'history',
  'crown',
  'base',
  'mulch',
  'probe',
  'dig',
  'soil',
  'trenches',
  'verdict',
  'cuts',
  'prescription',
];

type Cookies = Awaited<ReturnType<BrowserContext['cookies']>>;
/** Sessions that this worker has had, by the firm they are in. */
const sessions = new Map<string, Cookies>();

/** Takes up the session that this worker has had in the firm of this test file, and says whether it still holds. */
async function sessionHeld(page: Page): Promise<boolean> {
  const had = sessions.get(slugOf(test.info().file));
  if (!had) return false;
  await page.context().addCookies(had);
  return (await page.request.get('/grounds', { maxRedirects: 0 })).ok();
}

/** Opens the grounds as the consultant of the firm of this test file: with the session it has had where that still holds. */
export async function enterDemo(page: Page): Promise<void> {
  if (await sessionHeld(page)) await page.goto('/grounds');
  else {
    await signIn(page, 'consultant');
    await page.waitForURL('**/grounds');
    sessions.set(slugOf(test.info().file), await page.context().cookies());
  }
  await expect(page.getByRole('heading', { name: 'Properties', exact: true })).toBeVisible();
}

/** Has whatever the page opens next be opened as that consultant: where the session still holds, nothing is opened for it. */
export async function asConsultant(page: Page): Promise<void> {
  if (!(await sessionHeld(page))) await enterDemo(page);
}

/** Opens the grounds of the demo's own firm by the one click that the demo shows. */
export async function enterByClick(page: Page): Promise<void> {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Enter as the consultant' }).click();
  await page.waitForURL('**/grounds');
  await expect(page.getByRole('heading', { name: 'Properties', exact: true })).toBeVisible();
}

/** Signs in as one of the people of the firm of this test file, or with an address of its own. */
export async function signIn(page: Page, who: string, password = 'kelpworth-linden'): Promise<void> {
  const slug = slugOf(test.info().file);
  if (!who.includes('@')) await ownFirm(slug);
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(who.includes('@') ? who : mailOf(who, slug));
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

/** Parts that say they are still being worked out. */
export const LATE = /Computing|Comparing|Working out|Solving|Laying out|Drawing…/;

/** Once all parts of the page are there: those that say they come, and those that come without a word. */
export async function workedOut(page: Page): Promise<void> {
  const STILL_MS = 800;
  await page.waitForFunction((late) => !new RegExp(late).test(document.body.innerText), LATE.source);
  await page.locator('main').evaluate(
    (main, still) =>
      new Promise<void>((resolve) => {
        const end = () => {
          changes.disconnect();
          resolve();
        };
        let timer = setTimeout(end, still);
        const changes = new MutationObserver(() => {
          clearTimeout(timer);
          timer = setTimeout(end, still);
        });
        changes.observe(main, { subtree: true, childList: true, characterData: true });
      }),
    STILL_MS,
  );
}

/** Begins a visit of today, and waits until the page is of that visit. */
export async function newVisit(page: Page): Promise<void> {
  const pictures = page.getByRole('banner').getByRole('link', { name: 'Pictures' });
  const before = (await pictures.getAttribute('href'))!;
  await page.getByRole('button', { name: 'New visit' }).click();
  await expect(pictures).not.toHaveAttribute('href', before);
}

/** Until what is entered on a tree is taken at once. */
export const listens = (page: Page) =>
  expect(page.locator('fieldset[aria-busy="false"]').first()).toBeVisible();

export const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveText('Saved');

/** The button of a station on the plumb line. */
export const station = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name });

/** Opens what stands folded away on a phone; on a wide screen it is open. */
export async function unfold(page: Page): Promise<void> {
  for (const name of ['Wording and issue', 'Report of this property']) {
    const fold = page.getByRole('button', { name, exact: true });
    if (!(await fold.isVisible())) continue;
    await fold.click();
    await expect(fold).toHaveAttribute('aria-expanded', 'true');
  }
}

/** Takes a property along, and comes back with the dialog that tells of it. */
export async function takingAlong(page: Page, property: string, origin = ''): Promise<Locator> {
  await page.goto(`${origin}/grounds/${property}`);
  await page.getByRole('button', { name: 'Take along' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Take along' }).click();
  await expect(dialog.getByRole('status')).toContainText(/^On this device: [\d.]+ MB/);
  return dialog;
}

/** Takes a property along, as it is done before one drives there. */
export async function takeAlong(page: Page, property = 'sable-row', origin = ''): Promise<void> {
  const dialog = await takingAlong(page, property, origin);
  await dialog.getByRole('button', { name: 'Close' }).click();
}
