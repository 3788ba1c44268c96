import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { boxAtRest, middleOf } from './atRest';
import { asConsultant, saved } from './enter';
import { choose } from './choose';

test('trenches are planned on the site, turned, locked, taken out, weighed against other ways, and go out as files @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-10?station=trenches');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await page.getByRole('button', { name: /^Trenches/ }).click();
  const rows = page.getByRole('table', { name: 'Radial trenches' }).locator('tbody tr');
  await expect(page.getByTestId('opened')).toHaveText(/^\d+%$/);
  const count = await rows.count();
  expect(count).toBeGreaterThan(4);

  // A wall typed in by tape from the stem: fewer spokes to that side, and it is on the plan of the grounds.
  await page.getByRole('button', { name: 'Add something in the way' }).click();
  await choose(page.getByLabel('What it is'), 'wall');
  await page.getByLabel('Name', { exact: true }).fill('Old wall');
  await page.getByRole('button', { name: 'Put it on the plan' }).click();
  await expect(page.getByText('Bearing and distance of both ends are needed.')).toBeVisible();
  await page.getByLabel('One end, bearing').fill('SW');
  await page.getByLabel('One end, from the stem').fill('3');
  await page.getByLabel('Other end, bearing').fill('SE');
  await page.getByLabel('Other end, from the stem').fill('3');
  await page.getByRole('button', { name: 'Put it on the plan' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Old wall' })).toContainText('50 cm clear');
  await expect.poll(() => rows.count()).toBeLessThan(count);

  // A bed drawn on the plan itself, corner by corner; too few corners are refused and stay.
  await page.getByRole('button', { name: 'Add something in the way' }).click();
  await choose(page.getByLabel('What it is'), 'bed');
  await page.getByLabel('Name', { exact: true }).fill('Rose bed');
  await page.getByRole('button', { name: 'Draw an area' }).click();
  const paper = page.getByTestId('draw-here');
  const sheet = await boxAtRest(paper);
  const corner = (east: number, south: number) =>
    paper.click({ position: { x: sheet.width / 2 + east, y: sheet.height / 2 - 48 + south } });
  await corner(-170, -30);
  await corner(-90, -30);
  await page.getByRole('button', { name: 'Put it on the plan' }).click();
  await expect(page.getByText('2 points: an area needs 3 or more.')).toBeVisible();
  await corner(-90, 40);
  await page.getByRole('button', { name: 'Put it on the plan' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Rose bed' })).toContainText('10 cm clear');
  await expect(paper).toHaveCount(0);

  // The drip line by bearings: shaded on its south side, spokes there end sooner.
  await page.getByText('Crown at eight bearings').click();
  await page.getByLabel('N (m)', { exact: true }).fill('3.4');
  await page.getByLabel('S (m)', { exact: true }).fill('2');
  await saved(page);

  // A spoke turned by its outer end stays where it was put, and the rest goes round it.
  const second = page.getByRole('button', { name: /^Trench 2 at \d+°/ });
  const bearing = Number(/at (\d+)°/.exec((await second.getAttribute('aria-label'))!)![1]);
  const end = middleOf(await boxAtRest(second));
  await page.mouse.move(end.x, end.y);
  await page.mouse.down();
  await page.mouse.move(end.x + 6, end.y + 12, { steps: 4 });
  await page.mouse.up();
  await expect(rows.filter({ hasText: 'locked' })).toHaveCount(1);
  const turned = parseInt((await rows.filter({ hasText: 'locked' }).locator('td').nth(1).textContent())!, 10);
  expect(turned).not.toBe(bearing);
  await page.getByRole('button', { name: new RegExp(`^Trench \\d+ at ${turned}°`) }).press('ArrowRight');
  await expect(rows.filter({ hasText: 'locked' })).toContainText(`${turned + 1}°`);
  await saved(page);

  await page.getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByText(`bring back ${turned + 1}°`)).toBeVisible();
  await expect(rows.filter({ hasText: 'locked' })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(rows.filter({ hasText: 'locked' })).toContainText(`${turned + 1}°`);

  // A bearing across the gas main has no room: said, and nothing else is lost.
  await page.getByLabel('Trench at').fill('N');
  await page.getByRole('button', { name: 'Add and lock' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Locked trench at 0°' })).toContainText('Gas main');
  await page.getByRole('button', { name: 'Unlock it' }).click();

  // The other school is seen before it is taken.
  await expect(page.getByText(/The other way, narrow hand-dug trenches/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it for this tree' }).click();
  await expect(page.getByText(/The other way, air-tool trenches/)).toBeVisible();

  await page.getByRole('button', { name: 'Choose instead: Vertical mulching' }).click();
  await page.getByRole('button', { name: 'Take it', exact: true }).click();
  await page.getByLabel('Why vertical mulching?').fill('The client wants the lawn kept.');
  await page.getByRole('button', { name: 'Take it', exact: true }).click();
  await expect(page.getByText('Chosen against the rules: The client wants the lawn kept.')).toBeVisible();

  await expect(page.getByText('Buried lines are not marked yet')).toBeVisible();
  await page.getByLabel('Buried lines marked on').fill('2026-01-10');
  await expect(page.getByText(/Marks of 2026-01-10 have lapsed/)).toBeVisible();
  await page.getByRole('button', { name: 'Ask the locate service' }).click();
  await expect(page.getByText(/Marked: .*They are on the plan\./)).toBeVisible();
  await expect(page.getByText(/Marks of 2026-01-10 have lapsed/)).toHaveCount(0);
  await expect(page.getByRole('listitem').filter({ hasText: ', located' }).first()).toContainText(
    '60 cm clear',
  );
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
  await saved(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV', exact: true }).click();
  const csv = readFileSync(await (await download).path(), 'utf8')
    .trim()
    .split('\n');
  expect(csv).toHaveLength((await rows.count()) + 1);
  const stored = (await (await page.request.get('/api/trees/kelpworth-10/case')).json()) as {
    tree: { schools?: Record<string, string> };
    visits: { trenches?: { locked?: number[]; choice?: { remedy: string } } }[];
  };
  expect(stored.tree.schools).toEqual({ trenches: 'hand' });
  expect(stored.visits.at(-1)!.trenches).toMatchObject({
    locked: [turned + 1],
    choice: { remedy: 'vertical' },
  });

  // The crew's sheet and the report say the same.
  await page.getByRole('link', { name: 'Crew sheet' }).click();
  await expect(page.getByRole('heading', { name: /^Linden 10: \d+ trenches/ })).toBeVisible();
  await expect(page.getByRole('table', { name: 'Ends by two tapes' }).locator('tbody tr')).not.toHaveCount(0);
  await page.goto('/trees/kelpworth-10/report');
  await expect(page.getByText('Vertical mulching is chosen: The client wants the lawn kept.')).toBeVisible();
  await expect(page.getByRole('img', { name: 'Plan of the trenches on their site' })).toBeVisible();
});

test('the penetrometer is pushed, its files come in, and what it tells changes the verdict and the trenches @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-22?station=soil');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await page.getByRole('button', { name: /^Soil/ }).click();
  const device = page.getByRole('region', { name: 'Penetrometer' });
  await device.getByLabel('Push at').fill('NE');
  await device.getByLabel('How far out').fill('80');
  await device.getByRole('button', { name: 'Push', exact: true }).click();
  await expect(device.getByText(/^Going down/)).toBeVisible();
  await expect(device.getByTestId('tightness')).toContainText('1 push');
  await saved(page);

  // A file whose heads do not say which column is which: asked once, then remembered.
  const csv = ['site;az;off;z;F']
    .concat(
      [90, 180, 270].flatMap((az) =>
        [5, 10, 15, 20, 25, 30].map((z) => `K;${az};1.2;${z};${z < 15 ? 200 : 900}`),
      ),
    )
    .join('\n');
  const bring = (name: string) =>
    device
      .getByLabel('Pushes to import')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await bring('first.csv');
  const columns = device.getByRole('group', { name: 'Columns of the file' });
  await choose(columns.getByLabel('Bearing, °'), 'az');
  await choose(columns.getByLabel('Distance from the bark', { exact: true }), 'off');
  await choose(columns.getByLabel('Depth', { exact: true }), 'z');
  await choose(columns.getByLabel('Pressure or force', { exact: true }), 'F');
  await choose(columns.getByLabel('Pressure or force, unit'), 'N');
  await choose(columns.getByLabel('Cone'), { label: '20.27 mm cone' });
  await columns.getByRole('button', { name: 'Import' }).click();
  await expect(page.getByText('3 pushes imported.')).toBeVisible();
  await expect(device.getByTestId('tightness')).toContainText('4 pushes');
  await bring('second.csv');
  await expect(device.getByTestId('tightness')).toContainText('7 pushes');
  await page.keyboard.press('Control+z');
  await expect(device.getByTestId('tightness')).toContainText('4 pushes');
  await expect(device.getByRole('img', { name: /^Depth at which roots stop/ })).toBeVisible();
  await saved(page);

  // Water in a ring, timed by the clock: the page may go away meanwhile.
  await page.getByText('Water: infiltration and percolation').click();
  const ring = page.getByRole('group', { name: 'Infiltration ring' });
  await ring.getByRole('button', { name: 'Start: it is filled' }).click();
  await ring.getByLabel('Fallen since it was filled').fill('0.05');
  await page.waitForTimeout(1100);
  await ring.getByRole('button', { name: 'Read now' }).click();
  await expect(ring.getByRole('listitem')).toHaveCount(1);
  await page.reload();
  await page.getByText('Water: infiltration and percolation').click();
  await expect(ring.getByRole('timer')).toBeVisible();
  await ring.getByRole('button', { name: 'Take this rate' }).click();
  await expect(page.getByText('Surface: very rapid.')).toBeVisible();
  await saved(page);

  await page.getByRole('button', { name: /^Trenches/ }).click();
  await expect(page.getByText(/compacted where the penetrometer reaches 2 MPa/)).toBeVisible();
  await page.getByRole('button', { name: /^Verdict/ }).click();
  await expect(page.getByText(/the middle of 4 pushes/).first()).toBeVisible();
});
