import { PDFDocument } from 'pdf-lib';
import { expect, test, type Page } from '@playwright/test';
import { asConsultant, saved } from './enter';
import { pdfText, textOf } from './pdf';

/** Made-up paper sheet: four mulch profiles (at the bark, 30, 60, 90 cm, ends, soil added), fifteen pushes, crown, base. */
const PROFILES = [
  ['24', '17', '9', '2', '98', '12'],
  ['22', '15', '7', '1', '94', '13'],
  ['25', '18', '9', '3', '101', '14'],
  ['26', '17', '8', '2', '97', '13'],
];
const PUSHES: [bearing: string, distance: string, depth: string][] = [
  ['N', '10', '17'],
  ['NE', '10', '18'],
  ['E', '10', '19'],
  ['SE', '10', '18'],
  ['S', '10', '16'],
  ['SW', '10', '20'],
  ['W', '10', '17'],
  ['NW', '10', '18'],
  ['20', '10', '18'],
  ['65', '10', '19'],
  ['110', '10', '17'],
  ['155', '10', '18'],
  ['200', '15', '21'],
  ['245', '10', '18'],
  ['290', '10', '3 1/2 in'],
];

const type = (page: Page, text: string) => page.keyboard.type(text);

/** Moves to a control by its name and presses, as the keyboard does. */
async function press(
  page: Page,
  role: 'button' | 'radio' | 'checkbox',
  name: string | RegExp,
  key = 'Enter',
): Promise<void> {
  const control = page.getByRole(role, { name }).first();
  await control.focus();
  await page.keyboard.press(key);
}

async function choose(page: Page, question: string, answer: string): Promise<void> {
  const choice = page.getByRole('radiogroup', { name: question });
  await choice.getByRole('radio', { name: answer, exact: true }).focus();
  await page.keyboard.press('Space');
}

test('a field sheet becomes an issued report by keyboard alone', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/grounds/sable-row');
  const begun = Date.now();
  await press(page, 'button', 'Add a tree');
  await type(page, 'Katsura 99');
  await page.keyboard.press('Tab');
  await type(page, 'Cercidiphyllum japonicum');
  await page.keyboard.press('Enter');
  await press(page, 'button', 'Begin a visit today');
  await page.getByLabel('Year planted').focus();
  await type(page, '2016');
  await page.keyboard.press('Tab');
  await type(page, '31');
  await choose(page, 'Nursery stock', 'container');

  await press(page, 'button', /^Crown/);
  await choose(page, 'Leaf colour', 'evenly pale');
  await choose(page, 'Leaf size', 'small');
  await page.getByLabel('Crown density, of a full crown').focus();
  await type(page, '55');
  await page.keyboard.press('Tab');
  await type(page, '10');
  await choose(page, 'Where is the dieback?', 'top down');
  const newest = new Date().getUTCFullYear() - 1;
  await page.getByLabel(`Twig extension ${newest}`).focus();
  for (const length of ['9', '11', '14', '19', '27', '30']) {
    await type(page, length);
    await page.keyboard.press('Enter');
  }

  await press(page, 'button', /^Base/);
  await press(page, 'button', 'How does the stem enter the ground?: straight on every side');
  await page.getByRole('checkbox', { name: 'flared, SE' }).focus();
  await page.keyboard.press('Enter');
  await choose(page, 'Push test: does the base rock?', 'firm');
  await choose(page, 'Conks or fungal fans at the base?', 'not seen');
  const wounds = page.getByRole('group', { name: 'Mower, trimmer or stake wounds?' });
  await choose(page, 'Mower, trimmer or stake wounds?', 'open');
  await wounds.getByLabel(/^Side/).focus();
  await type(page, 'sw');
  await page.keyboard.press('Tab');
  await type(page, '12');

  await press(page, 'button', /^Mulch, grade/);
  await page.getByLabel('at the bark, N', { exact: true }).focus();
  for (const value of PROFILES.flat()) {
    await type(page, value);
    await page.keyboard.press('Enter');
  }

  await press(page, 'button', /^Probe/);
  for (const [bearing, distance, depth] of PUSHES) {
    await page.getByLabel('Bearing', { exact: true }).focus();
    await type(page, bearing);
    await page.keyboard.press('Tab');
    await type(page, distance);
    await page.keyboard.press('Tab');
    await type(page, depth);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('table', { name: 'Pushes of the rod' }).locator('tbody tr')).toHaveCount(
    PUSHES.length,
  );

  await press(page, 'button', /^Verdict/);
  await expect(page.getByTestId('verdict-summary')).toContainText(/buried by added soil/i);
  await press(page, 'button', 'Prescription next');
  await expect(page.getByRole('checkbox', { name: 'Prescribe' }).first()).toBeChecked();
  await saved(page);
  await page.getByRole('main').getByRole('link', { name: 'Report' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel(/^Opening/)).toBeEnabled();
  await page.getByLabel(/^Opening/).focus();
  await type(page, 'Called by the residents’ office.');
  await press(page, 'button', 'Issue');
  await press(page, 'button', 'Issue now');
  await page.waitForURL('**/reports/*');
  const seconds = (Date.now() - begun) / 1000;
  test.info().annotations.push({ type: 'sheet to issued report', description: `${seconds.toFixed(0)} s` });

  // On paper the page is the report alone.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('link', { name: 'PDF' })).toBeHidden();
  const paper = await textOf(await page.pdf({ format: 'A4' }));
  expect(paper).toMatch(/QTA-\d{4}-\d{4}/);
  expect(paper).toContain('Root collar excavation');
  expect(paper).not.toContain('Practice Account');
  await page.emulateMedia({ media: 'screen' });

  const href = await page.getByRole('link', { name: 'PDF' }).getAttribute('href');
  const text = await pdfText(page, href!);
  expect(text).toMatch(/Report QTA-\d{4}-\d{4}, issued/);
  expect(text).toContain('Katsura 99');
  expect(text).toContain('Called by the residents’ office.');
  // Fifteen bearings: the mean depth lies between the extremes typed, and the odd one in inches is among them.
  const [, collar] = /Collar depth (\d+\.\d) ± \d+\.\d cm/.exec(text)!;
  expect(Number(collar)).toBeGreaterThan(15);
  expect(Number(collar)).toBeLessThan(19);
  expect(text).toMatch(/Mulch on the bark 24\.\d ± \d\.\d cm/);
  expect(text).toContain('Buried by a mulch cone: almost certain');
  expect(text).toContain('open, SW side, 12 cm above grade');
  for (const part of [
    'Root collar excavation',
    'Crew hours',
    'Locate buried utilities',
    'Done properly when',
    'Schools followed',
    'Not examined',
    'Soil at 20 cm',
  ]) {
    expect(text).toContain(part);
  }
  expect(text).not.toMatch(/undefined|NaN|\{m:|\{M:/);

  // The same content as the letter that a client reads: two pages at most, days with their months.
  await page.getByRole('radio', { name: /^Letter/ }).check();
  await expect(page.getByRole('region', { name: 'What is wrong' })).toContainText(
    'It is almost certain that mulch was kept against the stem',
  );
  await expect(page.getByRole('region', { name: 'Measured' })).toBeHidden();
  const letterAt = await page.getByRole('link', { name: 'PDF' }).getAttribute('href');
  const letter = await (await page.request.get(letterAt!)).body();
  // The screen shows what the paper holds, as it was fitted to its pages.
  const fitted = (await (await page.request.get(letterAt!.replace('format=pdf', 'format=json'))).json()) as {
    sections: { title: string }[];
  };
  await expect(page.getByRole('article', { name: 'Report' }).getByRole('heading', { level: 2 })).toHaveText(
    fitted.sections.map((section) => section.title),
  );
  expect((await PDFDocument.load(letter)).getPageCount()).toBeLessThanOrEqual(2);
  const said = await textOf(letter);
  expect(said).toMatch(/QTA-\d{4}-\d{4}, issued \d+ [A-Z][a-z]+ \d{4}/);
  expect(said).toContain('Called by the residents’ office.');
  for (const part of ['What to do', 'What it costs', 'If nothing is done', 'How sure we are'])
    expect(said).toContain(part);
  await page.getByRole('radio', { name: /^Report/ }).check();
  await expect(page.getByRole('region', { name: 'What was found' })).toBeVisible();
  // On a phone nothing is cut off at its side, and what is given out comes before the text.
  await page.setViewportSize({ width: 390, height: 844 });
  const over = () =>
    page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  for (const length of [/^Full record/, /^Letter/, /^Report/]) {
    await page.getByRole('radio', { name: length }).check();
    expect([String(length), await over()]).toEqual([String(length), 0]);
  }
  await expect(page.getByRole('radio', { name: /^Letter/ })).toBeInViewport();
  // In German the full record says all of it, set anew.
  await page.getByRole('radio', { name: /^Full record/ }).check();
  await page.getByRole('radio', { name: 'Deutsch' }).check();
  await expect(page.getByRole('region', { name: 'Befund mit Gründen' })).toBeVisible();
  expect(await over()).toBe(0);
  const german = await page.request.get(
    (await page.getByRole('link', { name: 'PDF', exact: true }).getAttribute('href'))!,
  );
  const written = await textOf(await german.body());
  expect(written).toMatch(/Bericht QTA-\d{4}-\d{4}, ausgestellt am/);
  expect(written).toContain('Fachgerecht, wenn');
  await page.getByRole('radio', { name: 'English' }).check();
  await page.setViewportSize({ width: 1280, height: 800 });
  // The full record proves itself to anybody, signed in or not; a copy with another byte does not.
  const record = await (await page.request.get(href!)).body();
  const proved = await page.context().browser()!.newPage();
  await proved.goto(new URL('/verify', page.url()).href);
  const given = proved.getByLabel('Issued report, PDF');
  await expect(proved.getByRole('button', { name: 'Choose a PDF' })).toBeEnabled();
  await given.setInputFiles({ name: 'report.pdf', mimeType: 'application/pdf', buffer: record });
  await expect(proved.getByTestId('verified')).toContainText(/genuine\. .* issued it as QTA-\d{4}-\d{4}/);
  const [, code] = /Proof code (\S+)\./.exec((await proved.getByRole('listitem').first().textContent())!)!;
  expect(text).toContain(code);
  const copy = Buffer.from(record);
  copy[Math.floor(copy.length / 2)]! ^= 1;
  await given.setInputFiles({ name: 'copy.pdf', mimeType: 'application/pdf', buffer: copy });
  await expect(proved.getByRole('status')).toContainText(/changed after it was issued|damaged/);
  await given.setInputFiles({ name: 'letter.pdf', mimeType: 'application/pdf', buffer: letter });
  await expect(proved.getByRole('status')).toContainText('letter.pdf: This PDF is no full record');
  await proved.close();
  const wrong = await page.request.get(letterAt!.replace('length=letter', 'length=novel'));
  expect([wrong.status(), await wrong.json()]).toEqual([
    400,
    { problem: 'Length: not one of letter, report, record.' },
  ]);
});
