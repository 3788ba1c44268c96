import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { asConsultant, saved, station } from './enter';
import { textOf } from './pdf';
import { choose } from './choose';

test('another school is weighed on the cut plan itself, and one of the grounds holds for their trees @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/sable-hornbeam-3?station=cuts');
  await expect(page.getByTestId('proved')).toContainText('Proved');
  // The server solves what the browser solves.
  const solved = await page.request.get('/api/trees/sable-hornbeam-3/cuts');
  const { plan } = (await solved.json()) as { plan?: { proved: boolean; value: { freed: number } } };
  expect(plan?.proved).toBe(true);
  const missing = await page.request.get('/api/trees/kelpworth-3/cuts');
  expect([missing.status(), await missing.json()]).toEqual([
    409,
    { problem: expect.stringContaining('missing: a dig') },
  ]);
  const freed = Math.round(100 * plan!.value.freed);
  await expect(page.getByTestId('frees')).toHaveText(`${freed}%`);
  await page.goto('/trees/sable-hornbeam-3/schools');
  const girdling = page.getByRole('region', { name: 'Girdling roots' });
  await expect(girdling.getByText(`now ${freed}%`).first()).toBeVisible();

  await page.goto('/grounds/lanternfield');
  await page.getByRole('link', { name: 'Schools' }).click();
  const rings = page.getByRole('group', { name: 'A root-control ring already there' });
  await expect(rings.getByRole('radio', { name: /^as the firm/ })).toBeChecked();
  await rings.getByRole('radio', { name: /^take it out/ }).check();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('status')).toHaveText('Saved. Its trees follow it at once.');
  await page.goto('/trees/lanternfield-5?station=prescription');
  const ring = page.getByRole('article', { name: 'Take out the root-control ring' });
  await ring.getByText(/^Schools of practice followed/).click();
  await expect(ring.getByText('(chosen for the property)')).toBeVisible();
});

test('nothing is done with a cut plan from before the last entry @whole', async ({ page }) => {
  await page.addInitScript(() => {
    const send = Worker.prototype.postMessage;
    Worker.prototype.postMessage = function (this: Worker, message: unknown) {
      setTimeout(() => send.call(this, message), 1000);
    };
  });
  await asConsultant(page);
  await page.goto('/trees/sable-hornbeam-3?station=cuts');
  await expect(page.getByTestId('proved')).toContainText('Proved');
  const clash = page.getByTestId('clash');
  await choose(page.getByLabel('Hold root G1'), 'cut 1');
  await choose(page.getByLabel('Hold root G2'), 'cut 1');
  await expect(clash).toContainText('Held as cut: G1, G2.');
  // What is pressed at once is done with the plan of all three.
  await choose(page.getByLabel('Hold root G3'), 'cut 1');
  await clash.getByRole('button', { name: 'Ease the limits just enough' }).click();
  await expect(clash).toHaveCount(0);
  const stages = page.getByRole('table', { name: 'Stages' }).locator('tbody tr');
  await expect(stages.first()).toContainText(/G1.*G2.*G3/);
  for (const label of ['G1', 'G2', 'G3']) await choose(page.getByLabel(`Hold root ${label}`), '');
  await page.getByRole('button', { name: 'Back to the limits of the school' }).click();
  await saved(page);
});

test('the cut plan is proved, changes with one limit, says what clashes, and once agreed the crew follows it @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/sable-hornbeam-3?station=cuts');
  await expect(page.getByTestId('proved')).toContainText('Proved');
  const frees = page.getByTestId('frees');
  const first = parseInt((await frees.textContent())!, 10);
  expect(first).toBeGreaterThan(0);
  const stages = page.getByRole('table', { name: 'Stages' }).locator('tbody tr');
  await expect(stages).toHaveCount(2);

  // What a step of a limit would free is told beside it; taking the step frees it.
  const roots = page.getByRole('region', { name: 'Root by root' });
  await expect(roots.getByText(/Not before stage 2|Stays: with the others gone too/).first()).toBeVisible();
  const limits = page.getByRole('region', { name: 'Limits of the plan' });
  await expect(page.getByText('Computing what each limit costs…')).toHaveCount(0);
  await limits.getByLabel('Root cross-section lost in a stage').fill('120');
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: 'Root cross-section lost in a stage: 120 is outside 0 to 100%.' }),
  ).toBeVisible();
  await limits.getByLabel('Root cross-section lost in a stage').fill('60');
  await limits.getByLabel('Lost in all stages').fill('90');
  await limits.getByLabel('Thicker roots go one a stage').fill('40');
  await expect.poll(async () => parseInt((await frees.textContent())!, 10)).toBeGreaterThan(first);
  await limits.getByRole('button', { name: 'Back to the limits of the school' }).click();
  await expect(frees).toHaveText(`${first}%`);

  // Held roots that break a limit: which one, and the least that gives.
  for (const label of ['G1', 'G2', 'G3']) {
    await choose(page.getByLabel(`Hold root ${label}`), 'cut 1');
  }
  const clash = page.getByTestId('clash');
  await expect(clash).toContainText(/Stage 1 would take \d+% of the root cross-section; 20% is allowed/);
  await clash.getByRole('button', { name: 'Ease the limits just enough' }).click();
  await expect(clash).toHaveCount(0);
  await expect(stages.first()).toContainText(/G1.*G2.*G3/);
  await choose(page.getByLabel('Hold root G4'), 'cut 2');
  await expect(clash).toContainText(/All stages would take \d+% of the root cross-section/);
  await expect(page.locator('body')).not.toContainText('{m:');
  await clash.getByRole('button', { name: 'Ease the limits just enough' }).click();
  await expect(clash).toHaveCount(0);
  await expect(stages.nth(1)).toContainText('G4');
  await saved(page);

  await page.getByRole('button', { name: 'Agree this plan' }).click();
  await expect(page.getByTestId('agreed')).toContainText('The crew sheet and the report follow this plan.');
  await choose(page.getByLabel('Hold root G2'), 'keep');
  await expect(page.getByTestId('agreed')).toContainText('It breaks the present limits: G2 is held as kept');
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('agreed')).not.toContainText('It breaks');
  await expect(page.getByRole('region', { name: 'What it buys' })).toContainText(/with the plan/);
  await page.getByRole('button', { name: /, left as it is$/ }).click();
  await expect(page.getByTestId('cut-plan').getByRole('img')).toHaveAttribute(
    'aria-label',
    /left as it is: \d+% of the bark is compressed/,
  );
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('agreed')).toBeVisible();
  await station(page, /^Dig/).click();
  await expect(page.getByText('Agreed in the cut plan, stage 1.').first()).toBeVisible();
  await page.goto('/trees/sable-hornbeam-3/crew');
  await expect(page.getByText(/G1/).first()).toBeVisible();
  // The sheet of the second stage: what was cut before is gone, what is agreed for it is the work of the day.
  await page.getByRole('button', { name: /^Stage 2, / }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/on 1 roots?, stage 2/);
  await expect(page.getByRole('table').first()).toContainText('G4');
  await expect(page.getByRole('figure').first()).not.toContainText('G1');
  await expect(page.getByRole('figure').first()).toContainText('G4');
  await page.goto('/trees/sable-hornbeam-3/report');
  await expect(page.getByText(/^The agreed cuts free \d+% of the bark over twenty years/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Stages of the cut plan' })).toContainText('G1, G2, G3');
  const stored = (await (await page.request.get('/api/trees/sable-hornbeam-3/case')).json()) as {
    visits: { cuts?: { agreed?: { label: string; stage: number }[] } }[];
  };
  const agreed = stored.visits.at(-1)!.cuts!.agreed!;
  expect(agreed.filter((a) => a.stage === 1).map((a) => a.label)).toEqual(
    expect.arrayContaining(['G1', 'G2', 'G3']),
  );

  // Without a dig it is said what is missing.
  await page.goto('/trees/kelpworth-3?station=cuts');
  await expect(page.getByTestId('cuts-missing')).toContainText('a dig');
});

test('from the prescription to an option approved on a phone and a crew order ticked off @whole', async ({
  page,
  browser,
}) => {
  await asConsultant(page);
  await page.goto('/trees/sable-hornbeam-3?station=verdict');
  await expect(page.getByRole('region', { name: 'Entry' })).toContainText(/likely/);
  await station(page, /^Prescription/).click();
  const pruning = page.getByRole('article', { name: 'Root pruning' });
  await expect(pruning.getByLabel('Prescribe')).toBeChecked();

  // A date in a closed season is refused with the next one that is open.
  const planned = pruning.getByLabel('Planned for', { exact: true });
  await planned.fill('2027-05-03');
  await expect(pruning.getByRole('alert')).toContainText(
    '2027-05-03 lies in a closed season, 04-15 to 07-15: Flight of the hornbeam beetle',
  );
  await pruning.getByRole('button', { name: 'Use 2027-07-16, the next day that is open' }).click();
  await expect(planned).toHaveValue('2027-07-16');
  await expect(pruning.getByRole('alert')).toHaveCount(0);
  await saved(page);

  const later = pruning.getByLabel(/^Stage 2, \d+, planned for/);
  await later.fill('2029-06-01');
  await expect(pruning.getByRole('alert')).toContainText('2029-06-01 lies in a closed season');
  await later.fill('2029-11-05');
  await expect(pruning.getByRole('alert')).toHaveCount(0);
  await saved(page);

  // What it costs: every line is its amount times its price, and they add up to the total.
  await page.getByRole('link', { name: 'Costs: is it worth it?' }).click();
  await expect(page.getByTestId('worth-answer')).toContainText(/in ten years is \d+ to \d+%/);
  const money = (text: string | null) => Math.round(Number(text!.replace(/[^\d.]/g, '')) * 100);
  const table = page.getByRole('table', { name: /^(Treatment|Season 1)/ }).first();
  const rows = await table.locator('tbody tr').allTextContents();
  expect(rows.join(' ')).toContain('Root pruning: labour');
  const cells = await table
    .locator('tbody tr')
    .evaluateAll((trs) => trs.map((tr) => [...tr.querySelectorAll('td')].map((td) => td.textContent ?? '')));
  const lines = cells.slice(0, -3);
  for (const [, amount, price, sum] of lines)
    expect(Math.round(parseFloat(amount!) * money(price!) + 1e-6)).toBe(money(sum!));
  const [net, tax, total] = cells.slice(-3).map((c) => money(c[3]!)) as [number, number, number];
  expect(lines.reduce((sum, c) => sum + money(c[3]!), 0)).toBe(net);
  expect(Math.round(net * 0.19)).toBe(tax);
  expect(net + tax).toBe(total);
  await page.getByLabel('Worth of this tree, EUR').fill('lots');
  await expect(page.getByRole('main').getByRole('alert')).toContainText(
    'Worth of this tree: “lots” is not an amount; allowed: 0 to',
  );
  await page.getByLabel('Worth of this tree, EUR').fill('8000');
  await expect(page.getByRole('table', { name: 'What each option leaves' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep with the tree' }).click();
  await expect(page.getByText('Kept with the tree.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep with the tree' })).toBeDisabled();
  await page.reload();
  await expect(page.getByLabel('Worth of this tree, EUR')).toHaveValue('8000');

  // A link for the client; what it is asked to be open for is checked.
  await page.getByLabel('Open for, days').fill('900');
  await page.getByRole('button', { name: 'Make a link' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Open for' })).toContainText('1 to 180 are allowed');
  await page.getByLabel('Open for, days').fill('14');
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = await page.getByLabel('Send this; it is shown only now').inputValue();

  // The client, on a phone, signed in nowhere.
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const client = await phone.newPage();
  await client.goto(`${link}x`);
  await expect(client.getByRole('heading', { name: 'There is nothing behind this link' })).toBeVisible();
  await client.goto(link);
  await expect(client.getByRole('heading', { name: /Hornbeam 3/ })).toBeVisible();
  expect(await client.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  await client.getByLabel('Your name').fill('Ida Ropewalk');
  await client.getByRole('button', { name: 'Approve this option' }).click();
  await expect(client.getByRole('alert').filter({ hasText: 'Choose' })).toHaveText(
    'Choose one of the options first.',
  );
  await expect(client.getByLabel('Your name')).toHaveValue('Ida Ropewalk');
  await client.getByRole('radio', { name: /Treat it where it stands/ }).check();
  await client.getByRole('button', { name: 'Approve this option' }).click();
  await expect(client.getByText(/Approved: Treat it where it stands, by Ida Ropewalk/)).toBeVisible();
  await expect(client.getByRole('button', { name: 'Approve this option' })).toHaveCount(0);
  await phone.close();

  await page.reload();
  await expect(page.getByRole('complementary', { name: 'For the client' })).toContainText(
    /Approved: Treat it where it stands, by Ida Ropewalk/,
  );

  // The crew signs what has to be signed before it ticks anything off, and it is there afterwards.
  await page.goto('/trees/sable-hornbeam-3/order');
  const cut = page.getByRole('listitem', { name: 'Root pruning', exact: true });
  await expect(cut.getByText('Planned for 2027-07-16')).toBeVisible();
  const outcome = cut.getByRole('group', { name: 'What came of Root pruning' });
  await expect(outcome.getByRole('button', { name: 'not done' })).toBeEnabled();
  await expect(outcome.getByRole('button', { name: 'done', exact: true })).toBeDisabled();
  const now = page.getByRole('region', { name: 'Now' });
  while ((await now.getByRole('button', { name: /^Sign: / }).count()) > 0)
    await now
      .getByRole('button', { name: /^Sign: / })
      .first()
      .click();
  await outcome.getByRole('button', { name: 'changed' }).click();
  await cut.getByLabel(/^Crew hours/).fill('2.5');
  await cut.getByLabel('What was different').fill('G3 was decayed and came out whole.');
  await saved(page);
  await page.reload();
  await expect(cut.getByLabel(/^Crew hours/)).toHaveValue('2.5');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/1 of \d+ done/);
  await page.goto('/trees/sable-hornbeam-3?station=prescription');
  await expect(pruning).toContainText('changed');
  await expect(pruning).toContainText('G3 was decayed and came out whole.');
});

test('a rate that is no amount is named, and nothing typed is lost', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/practice/rates');
  const crew = page.getByLabel(/^Crew/);
  await expect(crew).toBeEnabled();
  await crew.fill('sixty');
  await page.getByLabel('Currency').fill('EUX');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Currency' })).toContainText('ISO 4217');
  await page.getByLabel('Currency').fill('EUR');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Crew' })).toContainText(
    'Crew: “sixty” is not an amount; allowed: 0 to 100000, at most 2 decimals.',
  );
  await expect(crew).toHaveValue('sixty');

  // By the yard: the price by the metre is converted, or left, and nothing else is touched. 1 m3 is 1.308 yd3.
  const mulch = page.getByLabel(/^Mulch/);
  await mulch.fill('36.80');
  await page.getByRole('radio', { name: 'ft, ft², yd³' }).check();
  await page.getByRole('button', { name: 'Convert them' }).click();
  await expect(mulch).toHaveValue('28.14');
  await expect(crew).toHaveValue('sixty');
  await page.getByRole('radio', { name: 'm, m², m³' }).check();
  await page.getByRole('button', { name: 'Leave as typed' }).click();
  await expect(mulch).toHaveValue('28.14');
});

test('the work on the grounds: its sums follow what is ticked, its report is made with progress and can be stopped @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/grounds/lanternfield');
  await page.getByRole('link', { name: 'Work and costs' }).click();
  const total = page.getByTestId('property-total');
  await expect(total).toContainText(/€[\d,]+\.\d\d, VAT included/);
  const money = async () =>
    Number(/€([\d,]+\.\d\d)/.exec((await total.textContent())!)![1]!.replace(',', ''));
  const before = await money();
  const first = page
    .getByRole('listitem')
    .filter({ hasText: /[1-9]\d*\.\d h · / })
    .first()
    .getByRole('checkbox')
    .first();
  await first.uncheck();
  await expect.poll(money).toBeLessThan(before);
  await first.check();
  await expect.poll(money).toBe(before);

  // The crew ticks on the day sheet what its order of the tree then shows: signs first, then work.
  const tree = page.getByRole('listitem', { name: 'Zelkova 5', exact: true });
  const ring = tree.getByRole('checkbox', { name: /^Done: (Open|Take out) the root-control ring/ });
  await expect(ring).toBeDisabled();
  // It may fall: nothing is signed before its stability was assessed.
  const stability = tree.getByRole('checkbox', { name: /^Done: Keep people away/ });
  await stability.click();
  await expect(stability).toBeChecked();
  for (const sign of await tree.getByRole('checkbox', { name: /^Sign: / }).all()) {
    await sign.click();
    await expect(sign).toBeChecked();
  }
  await ring.click();
  await expect(ring).toBeChecked();
  // What is done is told, and falls out of the sums.
  await expect(page.getByTestId('property-done')).toHaveText(
    /^Done and recorded: 2 steps of the work, €[\d.]+ net without travel\./,
  );
  await expect.poll(money).toBeLessThan(before);
  const left = await money();

  const make = page.getByRole('button', { name: 'Make the report, PDF' });
  await expect(make).toBeEnabled();
  await make.click();
  await expect(page.getByRole('progressbar', { name: 'Report' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('status')).toHaveText('Stopped; nothing was made.');
  const [file] = await Promise.all([page.waitForEvent('download'), make.click()]);
  const text = await textOf(readFileSync((await file.path())!));
  expect(text).toContain('Lanternfield Tram Terminus');
  expect(text).toContain(
    `What is left comes to €${left.toLocaleString('en', { minimumFractionDigits: 2 })}, VAT included`,
  );
  const told = await page.getByRole('status').textContent();
  const pages = /^(\d+) pages/.exec(told!)![1];
  expect(text).toContain(`${pages} of ${pages}`);
  const [docx] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'DOCX' }).click(),
  ]);
  expect(docx.suggestedFilename()).toBe('Lanternfield Tram Terminus.docx');
  // Issued, it has a number, all lengths in both languages, and a PDF that proves each of its trees.
  await page.getByRole('button', { name: 'Issue the report' }).click();
  await expect(page.getByRole('complementary', { name: 'Issued' })).toBeVisible();
  const number = await page.getByRole('navigation', { name: 'Where' }).locator('strong').textContent();
  expect(number).toMatch(/^[A-Z]+-\d{4}-\d{4}$/);
  await expect(page.getByRole('article', { name: 'Report' })).toContainText(`Report ${number}, issued`);
  await page.getByRole('radio', { name: 'Deutsch' }).check();
  await expect(page.getByRole('article', { name: 'Report' })).toContainText('Was zu tun ist');
  const german = await page.request.get(
    (await page.getByRole('link', { name: 'PDF' }).getAttribute('href'))!,
  );
  expect(await textOf(await german.body())).toContain(`Bericht ${number}, ausgestellt am`);
  await page.getByRole('radio', { name: /^Report/ }).check();
  await expect(page.getByRole('article', { name: 'Report' })).toContainText('Zusammenfassung');
  await expect(page.getByRole('radio', { name: 'Deutsch' })).toBeChecked();
  await page.getByRole('radio', { name: /^Full record/ }).check();
  await expect(page.getByRole('article', { name: 'Report' })).toContainText('Bäume');
  const whole = await page.request.get((await page.getByRole('link', { name: 'PDF' }).getAttribute('href'))!);
  expect(await textOf(await whole.body())).toContain(`Bericht ${number}, ausgestellt am`);
  await page.getByRole('radio', { name: 'English' }).check();
  await expect(page.getByRole('article', { name: 'Report' })).toContainText('Trees');
  await expect(page.getByRole('link', { name: 'PDF' })).toHaveAttribute('href', /length=record/);
  const record = await page.request.get(
    (await page.getByRole('link', { name: 'PDF' }).getAttribute('href'))!,
  );
  // Read by this test alone.
  const { verifyReport } = await import('@undrel/core/proof');
  const proved = await verifyReport(new Uint8Array(await record.body()), '2099-01-01');
  expect(proved).toMatchObject({ seal: 'holds', differences: [] });
  expect('trees' in proved && proved.trees.length).toBeGreaterThan(3);
  // Pressed again while nothing has changed, it is the same one.
  await page.goto('/grounds/lanternfield/work');
  await expect(page.getByRole('link', { name: number! })).toBeVisible();
  await page.getByRole('button', { name: 'Issue the report' }).click();
  await page.waitForURL('**/property-reports/*');
  await expect(page.getByRole('navigation', { name: 'Where' })).toContainText(number!);
  await page.goto('/trees/lanternfield-5/order');
  const outcome = page.getByRole('group', { name: /What came of (Open|Take out) the root-control ring/ });
  await expect(outcome.getByRole('button', { name: 'done', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('a cause that no spade mends is answered on every page, and what is declined says so', async ({
  page,
}) => {
  const NAMED = 'Have the pest or disease identified';
  await asConsultant(page);
  await page.goto('/trees/kelpworth-21?station=prescription');
  await expect(page.getByTestId('prescription-summary')).toHaveText(`${NAMED}.`);
  const answers = page.getByRole('region', { name: 'What is done about each cause' });
  await expect(answers.getByText(/^Primary pest or disease/)).toBeVisible();
  await expect(answers.getByText(`${NAMED}.`)).toBeVisible();
  await page.goto('/trees/kelpworth-21?station=verdict');
  await page.getByRole('region', { name: 'Causes' }).getByText('Primary pest or disease').click();
  await expect(page.getByText(`Done about it: ${NAMED}.`)).toBeVisible();
  const weighed = page.getByRole('region', { name: 'Treat, or look first?' });
  await expect(weighed.getByRole('listitem').filter({ hasText: 'Primary pest or disease' })).toContainText(
    /treat.*On average treating it wastes .* h of work, leaving it costs/,
  );
  await weighed
    .getByRole('button', { name: /^Inspect/ })
    .first()
    .click();
  await expect(page).not.toHaveURL(/station=verdict/);

  await page.goto('/trees/kelpworth-21/order');
  await expect(page.getByRole('listitem', { name: NAMED })).toContainText('reported by law');
  const report = async () => {
    const pdf = await page.request.get('/api/trees/kelpworth-21/report');
    return (await textOf(await pdf.body())).replace(/\s+/g, ' ');
  };
  expect(await report()).toContain(`almost certain ${NAMED}.`);

  await page.goto('/trees/kelpworth-21?station=prescription');
  const operation = page.getByRole('article', { name: NAMED });
  await operation.getByRole('checkbox', { name: 'Prescribe' }).uncheck();
  await expect(answers).toContainText(`Declined: ${NAMED}. It goes on as it is.`);
  await saved(page);
  expect(await report()).toContain(`Declined: ${NAMED}.`);
  await operation.getByRole('checkbox', { name: 'Prescribe' }).check();
  await saved(page);
});

for (const [tree, when] of [
  ['sable-katsura-14', ''],
  ['kelpworth-6', ' @whole'],
  ['sable-hornbeam-5', ' @whole'],
])
  test(`browser and report prescribe the same: ${tree}${when}`, async ({ page }) => {
    await asConsultant(page);
    await page.goto(`/trees/${tree}?station=prescription`);
    await expect(page.getByRole('checkbox', { name: /^Prescribe/ }).first()).toBeVisible();
    const summary = (await page.getByTestId('prescription-summary').textContent())!.trim();
    await page.goto(`/trees/${tree}/report`);
    await expect(page.getByText(/^To do:/).first()).toHaveText(`To do: ${summary.toLowerCase()}`);
  });
