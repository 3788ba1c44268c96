import { expect, test, type Browser, type Page } from '@playwright/test';
import pg from 'pg';
import sharp from 'sharp';
import { choose } from './choose';
import { asConsultant, enterDemo, newVisit, saved, signIn, station, STATIONS, takeAlong } from './enter';
import { firmOf, slugOf } from './ownFirm';

// A device answers by itself here; without network nothing else does.
test.use({ serviceWorkers: 'allow', viewport: { width: 390, height: 844 } });

const TREE = '/trees/sable-katsura-14';

/** Adds a picture without signal: it waits. */
async function photograph(page: Page, name: string): Promise<void> {
  const buffer = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#5a783c' } })
    .jpeg()
    .toBuffer();
  await page
    .getByLabel('Pictures to add: JPEG, PNG or WebP')
    .setInputFiles([{ name, mimeType: 'image/jpeg', buffer }]);
  await expect(page.getByRole('list', { name: 'On their way' }).getByRole('alert')).toBeVisible();
}

/** Somebody else, at a desk that is always in reach. */
const atDesk = async (browser: Browser): Promise<Page> =>
  (await browser.newContext({ serviceWorkers: 'block' })).newPage();

const offline = (page: Page, is = true) => page.context().setOffline(is);
const caseOf = async (page: Page, tree: string) =>
  (await (await page.request.get(`/api/trees/${tree}/case`)).json()) as {
    tree: { label: string };
    visits: {
      date: string;
      walk?: boolean;
      findings: { key: string }[];
      profiles: { mulch: { depth: number }[] }[];
      work?: { step: string }[];
      waterings?: { on: string }[];
    }[];
  };

test('a round, a visit with a dig, an order and a new tree in flight mode; with signal all of it arrives once @whole', async ({
  page,
}) => {
  await enterDemo(page);
  await takeAlong(page);
  const before = await caseOf(page, 'sable-katsura-14');
  await offline(page);

  // A tree that was never opened here, station by station.
  for (const key of STATIONS) {
    await page.goto(`${TREE}?station=${key}`);
    await expect(page.locator('#entry').getByRole('heading', { level: 1 })).toBeVisible();
  }
  // What is had from the server alone says so before it is pressed.
  await expect(page.getByRole('link', { name: 'Crew order' })).not.toHaveAttribute('title');
  await expect(page.getByRole('link', { name: 'Other schools' })).toHaveAttribute('title', 'Needs signal');
  await page.goto(`${TREE}?station=mulch`);
  await station(page, /^Mulch/).click();
  await newVisit(page);
  await station(page, /^Mulch/).click();
  await page.getByLabel('at the bark, N', { exact: true }).fill('22.7');
  await expect(page.getByTestId('save-state')).toContainText('kept on this device');
  await station(page, /^Verdict/).click();
  await expect(page.getByTestId('verdict-summary')).not.toBeEmpty();
  await station(page, /^Dig/).click();
  await page.getByRole('button', { name: 'Type it' }).click();
  await expect(page.getByTestId('dig-plan')).toBeVisible();
  // Another page of the same tree, reached as one reaches it.
  await page.goto(`${TREE}/order`);
  await page
    .getByRole('button', { name: /^Sign:/ })
    .first()
    .click();
  await expect(page.getByText(/^signed/).first()).toBeVisible();

  // Twelve trees of a walk-round.
  await page.goto('/grounds/sable-row/walk');
  await page.getByRole('tab', { name: /^Walk:/ }).click();
  const begin = page.getByRole('button', { name: /^Begin a round/ });
  const next = page.getByRole('button', { name: 'Nothing wrong, next' });
  await expect(begin.or(next)).toBeVisible();
  if (await begin.isVisible()) await begin.click();
  for (let i = 0; i < 12; i++) {
    const tree = page.getByRole('heading', { level: 1 });
    const was = await tree.textContent();
    await next.click();
    await expect(tree).not.toHaveText(was!);
  }

  // A tree that nobody has entered yet.
  await page.goto('/grounds/sable-row');
  await page.getByRole('button', { name: 'Add a tree' }).click();
  await page.getByLabel('Label').fill('Hazel 1');
  await page.getByLabel('Species', { exact: true }).fill('Corylus colurna');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.waitForURL(/\/trees\/new\?/);
  const hazel = new URL(page.url()).searchParams.get('tree')!;
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await station(page, /^Mulch/).click();
  await page.getByLabel('at the bark, E', { exact: true }).fill('9');
  await expect(page.getByTestId('save-state')).toContainText('kept on this device');
  // What it has no page for yet says so; its photographs have one.
  await station(page, /^Prescription/).click();
  await expect(page.getByRole('link', { name: 'Crew order' })).toHaveAttribute('title', 'Needs signal');
  await station(page, /^History/).click();
  for (const link of await page.getByRole('link', { name: 'Pictures' }).all())
    await expect(link).toHaveAttribute('href', /^\/trees\/new\/pictures\?/);
  await page.getByRole('link', { name: 'Pictures' }).first().click();
  await photograph(page, 'hazel.jpg');
  await page.goto('/grounds/sable-row');
  await expect(page.getByRole('region', { name: 'On this device alone' })).toContainText('Hazel 1');

  // The telephone is put away and taken out again: all of it is still there, and says so.
  await page.goto('/device');
  const waiting = page.getByRole('main');
  await expect(waiting).toContainText('Hazel 1');
  await expect(waiting).toContainText('12 trees checked');
  await page.goto(`/trees/new?property=sable-row&tree=${hazel}&station=mulch`);
  await expect(page.getByLabel('at the bark, E', { exact: true })).toHaveValue('9');

  // Signal for a moment at a time, on a page that has nothing to do with any of it.
  await page.goto('/device');
  await offline(page, false);
  await expect(page.getByText('Nothing waits: everything entered here has been sent.')).toBeVisible();
  const after = await caseOf(page, 'sable-katsura-14');
  const whole = (of: typeof after) => of.visits.filter((v) => !v.walk).length;
  expect(whole(after)).toBe(whole(before) + 1);
  const mulched = after.visits.filter((v) => v.profiles.some((p) => p.mulch[0]?.depth === 0.227));
  expect(mulched.length).toBe(1);
  expect(after.visits.flatMap((v) => v.work ?? []).length).toBe(
    before.visits.flatMap((v) => v.work ?? []).length + 1,
  );
  const made = await caseOf(page, hazel);
  expect([made.tree.label, made.visits.length, made.visits[0]!.profiles[0]!.mulch[0]!.depth]).toEqual([
    'Hazel 1',
    1,
    0.09,
  ]);
  expect(JSON.stringify(made.visits).split('"hash"').length).toBe(2);
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  const { rows } = await client.query<{ n: string }>(
    `select count(*) as n from visits where firm_id = $1 and walk and visited_on >= current_date - 1`,
    [firmOf(slugOf(test.info().file))],
  );
  await client.end();
  expect(Number(rows[0]!.n)).toBe(12);
  // The kept page was had anew: without signal it now shows what was sent.
  await page.waitForTimeout(1000);
  await offline(page);
  await page.goto(`${TREE}?station=mulch`);
  await expect(page.getByLabel('at the bark, N', { exact: true })).toHaveValue('22.7');
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  // What somebody goes to that is not here is said, with what is.
  await page.goto('/practice');
  await expect(page.getByRole('status').filter({ hasText: 'this page is not on this device' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Sable Row Ropeworks' })).toBeVisible();
});

test('what someone else changed meanwhile is shown beside one’s own, and nothing is overwritten @whole', async ({
  page,
  browser,
}) => {
  await enterDemo(page);
  await takeAlong(page);
  await offline(page);
  await page.goto('/trees/sable-katsura-2?station=mulch');
  await page.getByLabel('at the bark, N', { exact: true }).fill('11');
  await expect(page.getByTestId('save-state')).toContainText('kept on this device');
  await page.goto('/device');

  const desk = await atDesk(browser);
  await asConsultant(desk);
  await desk.goto('/trees/sable-katsura-2?station=mulch');
  await desk.getByLabel('at the bark, N', { exact: true }).fill('19');
  await saved(desk);

  await offline(page, false);
  await expect(page.getByRole('main')).toContainText('open the tree to settle it');
  await page.goto('/trees/sable-katsura-2?station=mulch');
  await expect(page.getByTestId('save-state')).toContainText('1 to settle');
  await desk.reload();
  await expect(desk.getByLabel('at the bark, N', { exact: true })).toHaveValue('19');
});

test('signing out, an ended session and somebody else leave nothing of what was taken along; what waits stays its person’s @whole', async ({
  page,
  browser,
}) => {
  const kept = () =>
    page.evaluate(async () => (await caches.keys()).filter((name) => name.startsWith('undrel.along.')));
  // Signed in by themselves, so that no other test loses its session.
  await signIn(page, 'crew');
  await page.waitForURL('**/grounds');
  await takeAlong(page, 'lanternfield');
  await takeAlong(page, 'kelpworth');
  expect((await kept()).length).toBe(2);
  // One of two is taken off again: its pages go, the other's stay.
  await page.getByRole('button', { name: 'Taken along' }).click();
  await page.getByRole('button', { name: 'Remove from this device' }).click();
  await expect
    .poll(async () => (await kept()).map((name) => name.split('.').pop()))
    .toEqual(['lanternfield']);
  await offline(page);
  await page.goto('/trees/lanternfield-5?station=probe');
  await expect(page.getByRole('heading', { level: 1, name: 'Probe' })).toBeVisible();
  await page.getByLabel('Depth (cm)').fill('4');
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByTestId('save-state')).toContainText('kept on this device');
  await page.goto('/device');
  const wait = page.getByText('Send now');
  await expect(wait).toBeVisible();

  // The telephone is lost: the owner sees what it holds and ends its session, and the next contact empties it.
  const owner = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  await signIn(owner, 'owner');
  await owner.waitForURL('**/grounds');
  await owner.goto('/firm');
  const device = owner
    .getByRole('region', { name: 'Devices' })
    .getByRole('listitem')
    .filter({ hasText: 'holds Lanternfield Tram Terminus' });
  await device.getByRole('button', { name: /^End the session of/ }).click();
  await expect(device).toBeHidden();
  await offline(page, false);
  // A tree's page is shown as it was kept, asks what is new, and hears that nobody is signed in any more.
  await page.goto('/trees/lanternfield-3');
  await page.waitForURL('**/sign-in');
  await expect.poll(kept).toEqual([]);

  // Somebody else signs in on it: nothing of the first is seen or sent as theirs.
  await signIn(page, 'consultant');
  await page.waitForURL('**/grounds');
  await page.goto('/device');
  await expect(page.getByText('Nothing waits: everything entered here has been sent.')).toBeVisible();
  await page.context().clearCookies();
  await signIn(page, 'crew');
  await page.waitForURL('**/grounds');
  await page.goto('/device');
  await expect(page.getByText('Nothing waits: everything entered here has been sent.')).toBeVisible();
  const { visits } = await caseOf(page, 'lanternfield-5');
  expect(JSON.stringify(visits)).toContain('"depth":0.04');
});

test('a label opens its tree, without signal too, and tells a stranger nothing @whole', async ({
  page,
  browser,
}) => {
  await enterDemo(page);
  const { labels } = (await (await page.request.get('/api/properties/sable-row/along')).json()) as {
    labels: Record<string, string>;
  };
  const [code] = Object.entries(labels).find(([, tree]) => tree === 'sable-katsura-14')!;
  await page.goto(`/t/${code}`);
  await page.waitForURL(`**${TREE}`);
  const pdf = await page.request.get('/api/properties/sable-row/labels');
  expect([pdf.status(), pdf.headers()['content-type']]).toEqual([200, 'application/pdf']);
  await takeAlong(page);
  await offline(page);
  await page.goto(`/t/${code}`);
  await page.waitForURL(`**${TREE}`);
  await expect(page.getByTestId('section')).toBeVisible();

  const stranger = await (await browser.newContext()).newPage();
  for (const address of [`/t/${code}`, '/t/0123456789abcdef0123']) {
    await stranger.goto(address);
    expect(new URL(stranger.url()).pathname).toBe('/sign-in');
    await expect(stranger.locator('body')).not.toContainText('Katsura');
  }
});

test('a tree that was taken along opens at once, and shows what others changed as soon as it is known @whole', async ({
  page,
  browser,
}) => {
  await enterDemo(page);
  await takeAlong(page);
  const desk = await atDesk(browser);
  await asConsultant(desk);
  await desk.goto('/trees/sable-katsura-8?station=mulch');
  const there = desk.getByLabel('at the bark, N', { exact: true });
  const other = (await there.inputValue()) === '17.3' ? '18.3' : '17.3';
  await there.fill(other);
  await saved(desk);
  // The line is so slow that only what is here can be shown; then it answers.
  let answer = () => undefined as void;
  const slow = new Promise<void>((resolve) => (answer = resolve));
  await page.context().route('**/api/trees/*/items', async (route) => {
    await slow;
    await route.continue();
  });
  await page.goto('/trees/sable-katsura-8?station=mulch');
  const bark = page.getByLabel('at the bark, N', { exact: true });
  await expect(bark).toBeEnabled();
  expect(await bark.inputValue()).not.toBe(other);
  answer();
  await expect(bark).toHaveValue(other);
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
});

test('a link to a tree that was taken along opens it within the page that is open, without signal too, and what the firm sets meanwhile comes in @whole', async ({
  page,
  browser,
}) => {
  await enterDemo(page);
  await takeAlong(page);
  await page.reload();
  // The program of a tree's page is read while this one is at rest.
  await page.waitForFunction(
    () => [...document.scripts].filter((s) => s.parentElement === document.head && !s.nonce).length > 0,
  );
  const begun = await page.evaluate(() => performance.timeOrigin);
  const stays = async () => expect(await page.evaluate(() => performance.timeOrigin)).toBe(begun);
  const opens = async (name: string) => {
    await page.getByRole('link', { name, exact: true }).first().click();
    await page.waitForURL('**/trees/**');
    await expect(page.getByTestId('section')).toBeVisible();
    await expect(page).toHaveTitle(`${name} · Undrel`);
    await expect(page.getByLabel('at the bark, N', { exact: true })).toBeEnabled();
    await stays();
  };
  const back = async () => {
    await page.goBack();
    await expect(page.getByRole('link', { name: 'Katsura 14', exact: true }).first()).toBeVisible();
  };
  await offline(page);
  await opens('Katsura 14');
  await expect(page.getByRole('link', { name: /^Kept on this device, / })).toBeVisible();
  await page.getByLabel('at the bark, N', { exact: true }).fill('11.4');
  const ring = async () => {
    await station(page, /^Prescription/).click();
    return page.getByRole('button', { name: /^Mulched ring/ }).textContent();
  };
  const before = await ring();
  await back();
  await opens('Katsura 8');
  await back();

  // At the desk the practice of the firm is changed; the page was kept before that.
  const desk = await atDesk(browser);
  await signIn(desk, 'owner');
  await desk.waitForURL('**/grounds');
  await desk.goto('/practice');
  const matter = desk.getByRole('group', { name: 'Mulch depth and clearance' });
  await matter.getByLabel(/2.5-7.5 cm deep/).check();
  await desk.getByRole('button', { name: 'Save' }).click();
  await expect(desk.getByText('Saved. Open trees follow it at once.')).toBeVisible();

  await offline(page, false);
  await opens('Katsura 14');
  await expect(page.getByRole('link', { name: /^Kept on this device, / })).toHaveCount(0);
  await expect(page.getByLabel('at the bark, N', { exact: true })).toHaveValue('11.4');
  await saved(page);
  await expect.poll(ring).not.toBe(before);
  // What is put on the plan of the property from here shows here.
  await station(page, /^Trenches/).click();
  await page.getByRole('button', { name: 'Add something in the way' }).click();
  await choose(page.getByLabel('What it is'), 'wall');
  await page.getByLabel('Name', { exact: true }).fill('Yard wall');
  for (const [end, bearing] of [
    ['One', 'SW'],
    ['Other', 'SE'],
  ] as const) {
    await page.getByLabel(`${end} end, bearing`).fill(bearing);
    await page.getByLabel(`${end} end, from the stem`).fill('3');
  }
  await page.getByRole('button', { name: 'Put it on the plan' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Yard wall' })).toBeVisible();
  await stays();
  await matter.getByLabel(/\(default\)/).check();
  await desk.getByRole('button', { name: 'Save' }).click();
  await expect(desk.getByText('Saved. Open trees follow it at once.')).toBeVisible();
});

test('a photograph taken without signal arrives from any page, at the visit it was taken on @whole', async ({
  page,
}) => {
  await enterDemo(page);
  await takeAlong(page);
  const { visits } = await caseOf(page, 'sable-katsura-14');
  const before = JSON.stringify(visits).split('"hash"').length;
  await offline(page);
  await page.goto(`${TREE}/pictures`);
  await photograph(page, 'collar.jpg');
  await page.goto('/device');
  await expect(page.getByRole('main')).toContainText('1 picture');
  await offline(page, false);
  await expect(page.getByText('Nothing waits: everything entered here has been sent.')).toBeVisible();
  await expect
    .poll(async () => JSON.stringify((await caseOf(page, 'sable-katsura-14')).visits).split('"hash"').length)
    .toBe(before + 1);
});

test('many entries that others changed meanwhile are settled by one decision @whole', async ({
  page,
  browser,
}) => {
  await enterDemo(page);
  await takeAlong(page);
  const cells = ['N', 'E', 'S'];
  const fill = async (on: Page, value: string) => {
    await on.goto('/trees/sable-hornbeam-3?station=mulch');
    for (const side of cells) await on.getByLabel(`at the bark, ${side}`, { exact: true }).fill(value);
  };
  await offline(page);
  await fill(page, '12.1');
  await expect(page.getByTestId('save-state')).toContainText('kept on this device');
  const desk = await atDesk(browser);
  await enterDemo(desk);
  await fill(desk, '14.2');
  await saved(desk);
  await offline(page, false);
  await expect(page.getByTestId('save-state')).toContainText('3 to settle');
  await page.getByRole('button', { name: 'See' }).click();
  await expect(page.getByRole('alertdialog')).toHaveCount(3);
  await page.getByRole('button', { name: 'Keep all mine' }).click();
  await saved(page);
  await desk.reload();
  for (const side of cells)
    await expect(desk.getByLabel(`at the bark, ${side}`, { exact: true })).toHaveValue('12.1');
});
