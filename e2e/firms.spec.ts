import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { asConsultant, signIn } from './enter';

test('two firms never see each other', async ({ browser }) => {
  const email = `owner-${Date.now()}@elsewhere.example`;
  const made = execFileSync('npm', ['run', '-s', 'firm', '--', 'Other Firm', email, 'Other Owner'], {
    encoding: 'utf8',
  });
  const [, password] = /password (\S+)/.exec(made)!;
  const other = await (await browser.newContext()).newPage();
  await signIn(other, email, password);
  await expect(other.getByText('No properties yet')).toBeVisible();
  for (const path of ['/trees/sable-katsura-14', '/grounds/kelpworth', '/trees/sable-katsura-14/report']) {
    await other.goto(path);
    await expect(other.getByRole('heading', { name: 'Not here' })).toBeVisible();
  }
  for (const path of [
    '/api/trees/sable-katsura-14/case',
    '/api/properties/kelpworth/plan',
    '/api/properties/kelpworth/trees',
  ]) {
    expect((await other.request.get(path)).status()).toBe(404);
  }
  const hits = await other.request.get('/api/search?q=katsura');
  expect(await hits.json()).toEqual([]);
  const write = await other.request.post('/api/changes', {
    data: {
      changes: [
        {
          kind: 'tree',
          id: 'sable-katsura-14',
          parent: 'sable-row',
          base: 1,
          values: { label: 'mine', species: 'x' },
        },
      ],
    },
  });
  expect((await write.json()).results[0].status).toBe('refused');
  const demo = await (await browser.newContext()).newPage();
  await asConsultant(demo);
  await demo.goto('/trees/sable-katsura-14');
  await expect(demo.getByText('Katsura 14').first()).toBeVisible();
});

test('an invitation by link, a wrong password, sign out everywhere @whole', async ({ browser }) => {
  const owner = await (await browser.newContext()).newPage();
  await signIn(owner, 'owner');
  await owner.waitForURL('**/grounds');
  await owner.goto('/firm');
  const email = `new-${Date.now()}@quillrow.example`;
  await owner.getByLabel('E-mail').fill(email);
  await owner.getByRole('button', { name: 'Make a link' }).click();
  const link = await owner.getByLabel(/^Mailed to/).inputValue();

  const guest = await (await browser.newContext()).newPage();
  await guest.goto(link);
  await guest.getByLabel('Your name').fill('New Person');
  await guest.getByLabel(/Password/).fill('short');
  await guest.getByRole('button', { name: 'Join' }).click();
  await expect(guest.getByRole('alert').filter({ hasText: 'at least 10' })).toBeVisible();
  await expect(guest.getByLabel('Your name')).toHaveValue('New Person');
  await guest.getByLabel(/Password/).fill('long enough to keep');
  await guest.getByRole('button', { name: 'Join' }).click();
  await guest.waitForURL('**/grounds');
  await guest.goto(link);
  await expect(guest.getByText('This invitation is over')).toBeVisible();

  const elsewhere = await (await browser.newContext()).newPage();
  await signIn(elsewhere, email, 'not the password');
  await expect(elsewhere.getByRole('alert').filter({ hasText: 'do not belong together' })).toBeVisible();
  await expect(elsewhere.getByLabel('E-mail')).toHaveValue(email);
  await signIn(elsewhere, email, 'long enough to keep');
  await elsewhere.waitForURL('**/grounds');
  await elsewhere.goto('/account');
  await elsewhere.getByRole('button', { name: 'Sign out everywhere' }).click();
  await elsewhere.waitForURL('**/sign-in');
  await guest.goto('/grounds');
  await guest.waitForURL('**/sign-in');
});

test('headers: a nonce of its own for each page, no framing, cookies out of reach; a write from another site is refused', async ({
  page,
}) => {
  const first = await page.request.get('/sign-in');
  const second = await page.request.get('/sign-in');
  const policy = (r: typeof first) => r.headers()['content-security-policy']!;
  expect(policy(first)).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(policy(first)).not.toBe(policy(second));
  expect(policy(first)).not.toMatch(/script-src[^;]*unsafe-inline/);
  expect(first.headers()).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
  });
  // What the page runs carries the nonce of its own answer, whatever the one who asks names as one.
  const asked = await page.request.get('/sign-in', { headers: { 'x-nonce': 'mine' } });
  const [, nonce] = /'nonce-([^']+)'/.exec(policy(asked))!;
  const html = await asked.text();
  expect(new Set([...html.matchAll(/<script[^>]* nonce="([^"]*)"/g)].map(([, n]) => n))).toEqual(
    new Set([nonce]),
  );
  // So do pages that are not there and that lead elsewhere; what is no page has none of it.
  for (const path of ['/nothing', '/'])
    expect(policy(await page.request.get(path, { maxRedirects: 0 }))).toMatch(/'nonce-[^']+'/);
  expect(policy(await page.request.get('/api/health'))).toMatch(/^default-src 'none'/);
  expect((await page.request.get('/icon.svg')).headers()['content-security-policy']).toBeUndefined();
  await asConsultant(page);
  const [session] = (await page.context().cookies()).filter((c) => c.name === 'undrel_session');
  expect(session).toMatchObject({ httpOnly: true, sameSite: 'Lax' });
  const foreign = await page.request.post('/api/changes', {
    headers: { 'sec-fetch-site': 'cross-site' },
    data: { changes: [] },
  });
  expect(foreign.status()).toBe(403);
});
