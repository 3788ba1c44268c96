import { expect, test, type Page } from '@playwright/test';
import { asConsultant, saved } from './enter';
import { choose } from './choose';

const today = () => new Date().toISOString().slice(0, 10);
const daysOn = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

/** Records a step of an order as done today. */
async function tick(page: Page, tree: string, title: RegExp): Promise<void> {
  await page.goto(`/trees/${tree}/order`);
  const done = page.getByRole('group', { name: title }).getByRole('button', { name: 'done', exact: true });
  if ((await done.getAttribute('aria-pressed')) !== 'true') await done.click();
  await expect(done).toHaveAttribute('aria-pressed', 'true');
  await saved(page);
}

const follows = (page: Page) => page.getByRole('region', { name: 'To check and to finish' });

test('work ticked done is followed by its own tasks: done with one touch and back, moved and dropped with a reason @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/season');
  // What is prescribed comes after the page, in its own place.
  await expect(page.getByTestId('season-prescribed')).toContainText(/Prescribed and not done: \d+ trees/);
  const works = page.getByRole('region', { name: 'Prescribed, not done' });
  await expect(works.getByRole('listitem').first()).toBeVisible();
  const late = follows(page).getByRole('region', { name: 'Late' });
  const one = late.getByRole('listitem').first();
  const done = one.getByRole('checkbox');
  const before = await done.boundingBox();
  // Without signal it waits on the device, and says so in its own place: nothing below moves.
  const below = late.getByRole('listitem').nth(1).getByRole('checkbox');
  const was = await below.boundingBox();
  await page.context().setOffline(true);
  await done.click();
  await expect(one).toContainText('Waits on this device for signal.');
  await expect(done).toBeChecked();
  expect((await below.boundingBox())!.y).toBeCloseTo(was!.y, 0);
  // Taken back, and said again: the last word stands.
  await done.click();
  await expect(done).not.toBeChecked();
  await page.context().setOffline(false);
  await expect(one).not.toContainText('Waits on this device for signal.');
  await expect(done).not.toBeChecked();
  await page.context().setOffline(true);
  await done.click();
  await expect(one).toContainText('Waits on this device for signal.');
  await page.context().setOffline(false);
  await expect(one).not.toContainText('Waits on this device for signal.');
  await expect(done).toBeChecked();
  // What was sent meanwhile is taken back without strife with oneself.
  for (const checked of [false, true]) {
    await page.context().setOffline(true);
    await done.click();
    await expect(one).toContainText('Waits on this device for signal.');
    await page.context().setOffline(false);
    await expect(one).not.toContainText('Waits on this device for signal.');
    await expect(done).toBeChecked({ checked });
  }
  await expect(one).toContainText(`done ${today()}`);
  // It stays where it was, and is taken back.
  expect((await done.boundingBox())!.y).toBeCloseTo(before!.y, 0);
  await page.reload();
  await follows(page)
    .getByRole('button', { name: /^Show \d+ task/ })
    .last()
    .click();
  const closed = follows(page).getByRole('region', { name: 'Closed lately' });
  await closed.getByRole('checkbox', { checked: true }).first().click();
  await expect(closed.getByRole('checkbox').first()).not.toBeChecked();
  await page.reload();
  const again = late.getByRole('listitem').first();
  const name = await again.getAttribute('aria-label');
  await again.getByRole('button', { name: 'Move or drop' }).click();
  await again.getByRole('button', { name: 'Move', exact: true }).click();
  await expect(again.getByRole('alert')).toHaveText('Reason: empty; say why, in 1 to 400 characters.');
  await again.getByLabel('Reason').fill('the gate is shut until then');
  await again.getByLabel('New day').fill(daysOn(5));
  await again.getByRole('button', { name: 'Move', exact: true }).click();
  await expect(again).toContainText(`Moved to ${daysOn(5)}: the gate is shut until then.`);
  await page.reload();
  const week = follows(page).getByRole('region', { name: 'This week' });
  await expect(week).toContainText('the gate is shut until then');
  // For a second run: back to where it was.
  const moved = week.getByRole('listitem', { name: name! });
  await moved.getByRole('button', { name: 'Move or drop' }).click();
  await moved.getByLabel('Reason').fill('not needed');
  await moved.getByRole('button', { name: 'Drop', exact: true }).click();
  await expect(moved).toContainText('Dropped: not needed.');
  await moved.getByRole('button', { name: 'Undo' }).click();
  await expect(moved).not.toContainText('not needed');
  await page.reload();
  await expect(late.getByRole('listitem').first()).toBeVisible();
  await expect(page.getByText('the gate is shut until then')).toHaveCount(0);
});

test('a tree that may fall comes first; what nobody decided is named, and leaves once it is declined @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/grounds');
  const mayFall = page.getByTestId('may-fall');
  await expect(mayFall).toContainText(/^\d+ trees show signs that they may fall\. Keep people away/);
  await expect(mayFall.getByRole('link', { name: 'Katsura 8', exact: true })).toBeVisible();
  await page.goto('/season');
  const danger = page.getByTestId('season-danger');
  await expect(danger).toHaveText(/^\d+ trees may fall; \d+ assessments late: Zelkova 5, .* and \d+ more$/);
  const works = page.getByRole('region', { name: 'Prescribed, not done' });
  await expect(works.getByRole('listitem').first()).toContainText('May fall: keep people away.');

  const undecided = page.getByRole('region', { name: 'Still to be decided' });
  const others = undecided.getByRole('button', { name: /^Show the other/ });
  if ((await others.count()) > 0) await others.click();
  const pruning = undecided.getByRole('listitem', { name: 'To decide: Katsura 14', exact: true });
  await expect(pruning).toContainText('Root pruning');
  await expect(pruning).toContainText('stem-girdling roots (almost certain)');
  const trees = await undecided.getByRole('listitem').count();
  await page.goto('/grounds/sable-row/work');
  await expect(pruning).toContainText(/: root pruning, for .*stem-girdling roots/);
  await pruning.getByRole('link', { name: 'Katsura 14' }).click();
  const entry = page.getByRole('article', { name: 'Root pruning' });
  await entry.getByLabel('Decline').check();
  await saved(page);
  await page.goto('/trees/sable-katsura-14/report');
  await expect(page.getByText(/^Considered and declined: root pruning\.$/).first()).toBeVisible();
  await page.goto('/season');
  await expect(danger).toBeVisible();
  if ((await others.count()) > 0) await others.click();
  await expect(undecided.getByRole('listitem')).toHaveCount(trees - 1);
  await expect(pruning).toHaveCount(0);
  await page.goto('/grounds/sable-row/work');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(pruning).toHaveCount(0);
});

test('a month and a year of it, by role and grounds; on a phone the month is a list @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/season?view=month');
  await page.getByRole('button', { name: 'Earlier' }).click();
  await expect(page.getByRole('columnheader', { name: 'Mon' })).toBeVisible();
  await page.getByRole('tab', { name: 'Year by tree' }).click();
  await expect(page).toHaveURL(/view=year/);
  const grounds = page.getByRole('region', { name: 'Sable Row Ropeworks' });
  await expect(grounds).toBeVisible();
  await expect(grounds.getByText('leaves rest')).toBeVisible();
  await choose(page.getByRole('combobox', { name: /^Property/ }), { label: 'Kelpworth Observatory' });
  await expect(grounds).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Kelpworth Observatory' })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('tab', { name: 'Month' }).click();
  await expect(page.getByRole('columnheader', { name: 'Mon' })).toBeHidden();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('an address that another calendar reads, until it is taken back @whole', async ({
  page,
  playwright,
}) => {
  await asConsultant(page);
  await page.goto('/season');
  await page.getByText('In your own calendar').click();
  await page.getByRole('button', { name: 'Make an address' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'For: 0 characters' })).toBeVisible();
  await page.getByLabel(/^Address for/).fill('Yard door');
  await page.getByRole('button', { name: 'Make an address' }).click();
  const link = await page.getByLabel(/^Give this to the calendar/).inputValue();
  // Nobody is signed in there.
  const anybody = await playwright.request.newContext();
  const read = await anybody.get(link, { timeout: 60_000 });
  expect(read.headers()['content-type']).toContain('text/calendar');
  expect(await read.text()).toMatch(/^BEGIN:VCALENDAR[\s\S]*SUMMARY:/);
  await page.getByRole('button', { name: 'Withdraw Yard door' }).first().click();
  await expect(page.getByRole('button', { name: 'Withdraw Yard door' })).toHaveCount(0);
  expect((await anybody.get(link)).status()).toBe(404);
  await anybody.dispose();
});

test('work done today asks for what follows it, from today on', async ({ page }) => {
  await asConsultant(page);
  await tick(page, 'sable-katsura-14', /What came of Pull back and widen the mulch/);
  await page.goto('/season');
  const notice = follows(page).getByRole('listitem', { name: /^Katsura 14: Give the notice/ });
  await expect(notice).toContainText(`${today()} to ${daysOn(21)}`);
  await expect(notice).toContainText(`After mulch pulled back ${today()}.`);
});

test('did the digging pay: the tree against its reference tree, two visits side by side, and all treated trees @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-8/time');
  await expect(page.getByTestId('answer')).toHaveText('Linden 8: recovering');
  await expect(
    page.getByText(/^It responds: shoots \d\.\d\d times as long .*, beside Linden 17\./),
  ).toBeVisible();
  await expect(
    page.getByRole('img', { name: /beside Linden 17.*2023-05-30 root collar excavated/ }),
  ).toBeVisible();
  const sides = page.getByRole('region', { name: 'Two visits side by side' }).getByRole('table');
  await expect(sides.getByRole('row', { name: /^Crown density/ })).toContainText('better');
  await choose(page.getByRole('combobox', { name: 'Before' }), '2025-08-19');
  await expect(sides.getByRole('columnheader', { name: '2025-08-19' })).toBeVisible();
  await expect(page).toHaveURL(/before=2025-08-19/);
  // No tree of another genus stands beside it, and nothing was done: it says so.
  await page.goto('/trees/sable-katsura-7/time');
  await expect(page.getByText('No work that would show in the crown')).toBeVisible();
  await page.goto('/practice');
  await page.getByRole('link', { name: 'What worked' }).click();
  const dug = page.getByRole('listitem', { name: 'root collar excavated' });
  await expect(dug).toContainText(/worked on \d+% of \d+ judged \(\d+% to \d+%\)/);
  await dug.getByRole('link', { name: 'Linden 5' }).click();
  await expect(page.getByTestId('answer')).toHaveText('Linden 5: worse than before the work');
});

test('crew days: packed, a work set on another day stays there, and the days go into the prescriptions @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/season?view=days');
  const told = page.getByTestId('crew-days');
  await expect(told).toContainText(/^\d+ days?, [\d.]+ h of travel and fetching; (no plan|at most)/);
  await expect(page.getByText('the stability assessment comes first')).toBeVisible();
  const day = page.getByRole('combobox', { name: /^Day of .*, Katsura 7$/ });
  await day.click();
  const last = await page.getByRole('option').last().getAttribute('data-key');
  await page.keyboard.press('Escape');
  await choose(day, last!);
  await expect(page.getByRole('listitem', { name: last!, exact: true })).toContainText('Katsura 7');
  await expect(day).toHaveText(`${last}, set`);
  // Where the crews start from: a wrong field is named, a right one is kept.
  await page.getByText(/^Crews start from/).click();
  await page.getByLabel(/^Longitude/).fill('200');
  await page.getByRole('button', { name: 'Save the yard' }).click();
  await expect(
    page.getByRole('alert').filter({ hasText: 'Longitude: “200” is not -180 to 180' }),
  ).toBeVisible();
  await page.getByLabel(/^Longitude/).fill('6.78');
  await page.getByRole('button', { name: 'Save the yard' }).click();
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible();
  await page.getByLabel('Hours a day').fill('20');
  await expect(page.getByRole('alert').first()).toHaveText('Hours a day: “20”; 2 to 12 are allowed.');
  await page.getByLabel('Hours a day').fill('8');
  await expect(told).toContainText('h of travel');
  await page.getByRole('button', { name: 'Plan these days' }).click();
  await expect(page.getByText(/^\d+ works planned/)).toBeVisible();
  await page.goto('/trees/sable-katsura-7/order');
  await expect(page.getByText(last!).first()).toBeVisible();
});

test('whoever mows gets a notice behind a link and signs it; the grounds know, and where the cone came back', async ({
  page,
  browser,
}) => {
  await asConsultant(page);
  await page.goto('/grounds/sable-row/notice');
  await expect(
    page.getByText(/^Mulch lies flat, 6(\.0)? cm thick, and ends 7.5 cm before the bark/),
  ).toBeVisible();
  await expect(page.getByRole('complementary')).toContainText(/2026 at .*Katsura 2/);
  await page.getByLabel('Who mows and mulches here').fill('Verge and Lawn');
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = await page.getByLabel(/^Send this/).inputValue();
  const anybody = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = await anybody.newPage();
  await phone.goto(link);
  await expect(
    phone.getByRole('heading', { name: /Mulching and mowing at the trees of Sable Row/ }),
  ).toBeVisible();
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await phone.getByRole('button', { name: 'I have read it' }).click();
  await expect(phone.getByRole('alert').first()).toContainText('Your name: 0 characters');
  await phone.getByLabel('Your name').fill('Ada Fenn');
  await phone.getByRole('button', { name: 'I have read it' }).click();
  await expect(phone.getByRole('status')).toContainText('Received by Ada Fenn');
  await anybody.close();
  await page.reload();
  await expect(page.getByRole('list', { name: 'Notices made' })).toContainText('received by Ada Fenn');
});

test('a round of water is logged by one touch and taken back by another', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/grounds/sable-row/water');
  const round = page.getByRole('group', { name: /^Round of today/ }).first();
  await round.getByRole('button', { name: 'Moist: skipped' }).click();
  await expect(page.getByText('Logged today: found moist.').first()).toBeVisible();
  await page.reload();
  await expect(round.getByRole('button', { name: 'Moist: skipped' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/^By 1 probe it draws/).first()).toBeVisible();
  await round.getByRole('button', { name: 'Moist: skipped' }).click();
  await expect(round.getByRole('button', { name: 'Moist: skipped' })).toHaveAttribute(
    'aria-pressed',
    'false',
  );
});

test('daily weather of the grounds comes in from a file: its units asked once, what is wrong named, what is known joined', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/grounds/sable-row/water');
  await page.getByText('Import daily weather').click();
  const file = page.getByLabel('Daily weather as CSV or JSON: date, rain, low, high');
  const rows = Array.from({ length: 40 }, (_, i) => `${daysOn(i - 40)},0,50,68`);
  const csv = {
    name: 'yard.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`date,rain,low,high\n${rows.join('\n')}\n`),
  };
  await file.setInputFiles(csv);
  await expect(page.getByRole('alert').first()).toContainText('Are the temperatures in °F?');
  await choose(page.getByLabel('Temperatures in'), '°F');
  await file.setInputFiles(csv);
  await expect(page.getByText(/^40 days read, \d+ are kept\./)).toBeVisible();
  await page.reload();
  await expect(
    page.getByText(/^Weather: yard\.csv, \d+ days from .*; other days: simulated weather station/),
  ).toBeVisible();
});
