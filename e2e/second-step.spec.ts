import { expect, test, type Page } from '@playwright/test';
import { generate } from 'otplib';
import { signIn } from './enter';
import { mailOf, slugOf } from './ownFirm';

const PASSWORD = 'kelpworth-linden';
const fresh = async (page: Page) => (await page.context().browser()!.newContext()).newPage();
const grounds = (page: Page) => page.waitForURL('**/grounds');

/** A new person of the firm of this test file, signed in. */
async function join(owner: Page, email: string): Promise<Page> {
  await owner.goto('/firm');
  await owner.getByLabel('E-mail').fill(email);
  await owner.getByRole('button', { name: 'Make a link' }).click();
  const link = await owner.getByLabel(/^Mailed to/).inputValue();
  const guest = await fresh(owner);
  await guest.goto(link);
  await guest.getByLabel('Your name').fill('Somebody New');
  await guest.getByLabel(/Password/).fill(PASSWORD);
  await guest.getByRole('button', { name: 'Join' }).click();
  await grounds(guest);
  return guest;
}

/** A device with a fingerprint reader, as Chromium simulates one. */
async function withReader(page: Page): Promise<void> {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('WebAuthn.enable');
  await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
}

test('an authenticator app, a passkey, a recovery code; the owner takes them off @whole', async ({
  page,
}) => {
  await signIn(page, 'owner');
  await grounds(page);
  const email = `second-${Date.now()}@quillrow.example`;
  const person = await join(page, email);

  await person.goto('/account');
  const section = person.locator('section').filter({ hasText: 'Second step at sign-in' });
  await section.getByLabel(/^Present password/).fill('not the password');
  await section.getByRole('button', { name: 'Set up an authenticator app' }).click();
  await expect(section.getByRole('alert')).toContainText('does not fit');
  await section.getByLabel(/^Present password/).fill(PASSWORD);
  await section.getByRole('button', { name: 'Set up an authenticator app' }).click();
  await expect(section.getByRole('img', { name: /^Key for the authenticator app/ })).toBeVisible();
  const secret = (await section.getByText(/^([A-Z2-7]{4} )+[A-Z2-7]{1,4}$/).innerText()).replaceAll(' ', '');
  const code = await generate({ secret });
  await section.getByLabel(/^The six digits/).fill(code);
  await section.getByRole('button', { name: 'Turn on' }).click();
  await expect(section.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem')).toHaveCount(10);
  const recovery = await section
    .getByRole('list', { name: 'Recovery codes' })
    .getByRole('listitem')
    .first()
    .innerText();

  // Elsewhere: the password leads to the second step, nothing else is open, the code that was used does not open.
  const elsewhere = await fresh(page);
  await signIn(elsewhere, email, PASSWORD);
  await elsewhere.waitForURL('**/sign-in/second');
  expect((await elsewhere.request.get('/api/search?q=linden')).status()).toBe(401);
  await elsewhere.getByLabel(/^Six digits/).fill(code);
  await elsewhere.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(elsewhere.getByRole('alert').filter({ hasText: 'does not fit' })).toBeVisible();
  await elsewhere.getByLabel(/^Six digits/).fill(recovery);
  await elsewhere.getByRole('button', { name: 'Sign in', exact: true }).click();
  await grounds(elsewhere);

  // A passkey on this device: it signs in alone, and it is a second step after the password.
  await withReader(elsewhere);
  await elsewhere.goto('/account');
  await elsewhere.getByLabel(/^Present password, for/).fill(PASSWORD);
  await elsewhere.getByLabel('Name of a new passkey').fill('Tablet');
  await elsewhere.getByRole('button', { name: 'Add a passkey' }).click();
  await expect(elsewhere.getByText('Passkey “Tablet”')).toBeVisible();
  await elsewhere.getByRole('button', { name: 'Sign out', exact: true }).click();
  await elsewhere.waitForURL('**/sign-in');
  await elsewhere.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await grounds(elsewhere);
  await elsewhere.goto('/account');
  await elsewhere.getByRole('button', { name: 'Sign out', exact: true }).click();
  await signIn(elsewhere, email, PASSWORD);
  await elsewhere.waitForURL('**/sign-in/second');
  await elsewhere.getByRole('button', { name: 'Use a passkey' }).click();
  await grounds(elsewhere);

  // Somebody else's password does not go with this passkey.
  const crew = mailOf('crew', slugOf(test.info().file));
  await elsewhere.context().clearCookies();
  await signIn(elsewhere, crew, PASSWORD);
  await grounds(elsewhere);

  await page.goto('/firm');
  const row = page.locator('li').filter({ hasText: email });
  await row.getByRole('button', { name: /^Take the second step off/ }).click();
  await expect(page.getByText('The second step of Somebody New is off')).toBeVisible();
  await person.goto('/grounds');
  await person.waitForURL('**/sign-in');
  await signIn(person, email, PASSWORD);
  await grounds(person);
});

test('a forgotten password by mail, and by the owner’s link @whole', async ({ page }) => {
  await signIn(page, 'owner');
  await grounds(page);
  const email = `forgot-${Date.now()}@quillrow.example`;
  await join(page, email);

  const person = await fresh(page);
  await person.goto('/sign-in');
  await person.getByRole('link', { name: 'Forgotten password?' }).click();
  await person.getByLabel('E-mail of your account').fill(email);
  await person.getByRole('button', { name: 'Send a link' }).click();
  await expect(person.getByText('a link is on its way')).toBeVisible();
  await person.getByRole('link', { name: 'Open the demo’s mailbox' }).click();
  const mail = person.getByRole('listitem').filter({ hasText: email }).filter({ hasText: 'new password' });
  await mail.getByRole('link').click();
  const link = person.url();
  await person.getByLabel(/^New password/).fill('short');
  await person.getByRole('button', { name: 'Change password' }).click();
  await expect(person.getByRole('alert').filter({ hasText: 'at least 10' })).toBeVisible();
  await person.getByLabel(/^New password/).fill('three plain words');
  await person.getByRole('button', { name: 'Change password' }).click();
  await expect(person.getByText('Your password is changed.')).toBeVisible();
  await person.goto(link);
  await expect(person.getByText('This link is over')).toBeVisible();
  await signIn(person, email, 'three plain words');
  await grounds(person);

  await page.goto('/firm');
  await page
    .locator('li')
    .filter({ hasText: email })
    .getByRole('button', { name: /^Link for a new password/ })
    .click();
  const given = await page.getByLabel(/^Give Somebody New this link/).inputValue();
  await person.goto(given);
  await person.getByLabel(/^New password/).fill('three other words');
  await person.getByRole('button', { name: 'Change password' }).click();
  await signIn(person, email, 'three other words');
  await grounds(person);
});
