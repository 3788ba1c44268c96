import { expect, test } from '@playwright/test';
import { asConsultant, saved, station } from './enter';
import { choose } from './choose';

test('holes of the soil probe layer by layer: set beside the reference tree, drawn, and taken into verdict and report @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-14?station=soil');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await station(page, /^Soil/).click();
  const probe = page.getByRole('region', { name: 'Soil probe' });
  await probe.getByLabel('Hole at').fill('E');
  await probe.getByLabel('From the bark').fill('0.6');
  await probe.getByRole('button', { name: 'Add a hole' }).click();
  const hole = probe.getByRole('group', { name: 'Hole at E, 60 cm out' });
  await hole.getByLabel('Layer 1 ends at').fill('12');
  await hole.getByRole('button', { name: 'Add the layer' }).click();
  await choose(hole.getByRole('group', { name: /^Layer 1/ }).getByLabel('Colour'), 'dark');
  await hole.getByLabel('Layer 2 ends at').fill('40');
  await hole.getByRole('button', { name: 'Add the layer' }).click();
  const second = hole.getByRole('group', { name: /^Layer 2/ });
  await choose(second.getByLabel('Colour'), { label: 'mottled grey and rust' });
  await expect(second.getByText('wet for part of the year')).toBeVisible();
  await second.getByText('Texture by feel').click();
  await choose(second.getByLabel('Moist, pressed into a ribbon'), 'medium');
  await choose(second.getByLabel('A very wet pinch feels'), 'smooth');
  await second.getByRole('button', { name: 'Take silty clay loam' }).click();
  await expect(second.getByLabel('Texture', { exact: true })).toHaveText('silty clay loam');

  // A depth that jumps back is named with what is allowed, stays on the screen and is not kept.
  await second.getByLabel('Down to').fill('8');
  await expect(hole.getByRole('alert')).toHaveText(
    'Layer 2: it ends at 8 cm; allowed is deeper than 12 cm, where layer 1 ends.',
  );
  await second.getByLabel('Down to').fill('45');
  await expect(hole.getByRole('alert')).toHaveCount(0);

  await expect(page.getByTestId('compared')).toContainText(
    'Topsoil 12 cm about the tree, 26 cm by the reference tree.',
  );
  await expect(page.getByTestId('compared')).toContainText('not by the reference tree');
  await expect(page.getByTestId('soil-columns').getByRole('img')).toHaveAttribute(
    'aria-label',
    /mulch ring at E: to 12 cm dark, to 45 cm mottled silty clay loam/,
  );
  await page.getByRole('radio', { name: 'water stands', exact: true }).click();
  await expect(page.getByTestId('ground')).toContainText('Open, but water stands');
  await page.getByRole('radio', { name: 'smooth, glazed wall' }).click();
  await expect(page.getByTestId('ground')).toContainText('A saucer that holds water');
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('ground')).toContainText('A saucer that holds water');

  await station(page, /^Verdict/).click();
  await expect(page.getByText(/soil grey or mottled/).first()).toBeVisible();
  await page.goto('/trees/kelpworth-14/report');
  await expect(page.getByRole('heading', { name: 'Ground' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Holes of the soil probe/ })).toBeVisible();
  const stored = (await (await page.request.get('/api/trees/kelpworth-14/case')).json()) as {
    visits: { soilLogs?: { layers: unknown[] }[] }[];
    site?: { others: unknown[] };
  };
  expect(stored.visits[0]!.soilLogs![0]!.layers).toEqual([
    { to: 0.12, colour: 'dark' },
    { to: 0.45, colour: 'mottled', texture: 'silty clay loam' },
  ]);
  expect(stored.site!.others.length).toBeGreaterThan(0);
});

test('which trees need water, when and how much: by the day asked for, with other ways beside it @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/grounds/kelpworth');
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Water' })).toBeVisible();
  // In July of a dry summer; a day that has passed, so that the answer stays the same.
  await page.goto('/grounds/kelpworth/water?on=2026-07-15');
  const summary = page.getByTestId('water-summary');
  await expect(summary).toContainText('under care');
  const trees = page.getByRole('list', { name: 'Trees under care' }).getByRole('listitem');
  await expect(trees.first()).toBeVisible();
  const first = trees.first();
  await expect(first).toContainText(/\d+ minutes? of hose, or \d+ bags?/);
  await expect(first).toContainText('easily drawn');
  await first.getByText('Roots, and other ways to water').click();
  await expect(first.getByRole('row')).toHaveCount(5);
  await expect(first.getByRole('rowheader', { name: /\(followed\)/ })).toBeVisible();
  // Another day is another answer, and a wrong one is named.
  const july = await first.textContent();
  await page.getByLabel('On', { exact: true }).fill('2026-06-20');
  await expect(page).toHaveURL(/on=2026-06-20/);
  await expect(trees.first()).not.toHaveText(july!);
  await page.goto('/grounds/kelpworth/water?on=2126-01-01');
  await expect(page.getByRole('alert').filter({ hasText: '2126-01-01 is still to come' })).toBeVisible();
});

test('how fast water goes in is typed in the units that are in use, and kept in one; what was refused stays as it was typed @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-13?station=soil');
  const water = page.getByText('Water: infiltration and percolation');
  await water.click();
  const field = page.getByLabel('Percolation, filled hole');
  await field.fill('5.08');
  await saved(page);
  await page.getByRole('button', { name: /units: metric/ }).click();
  await expect(field).toHaveValue('2');
  await field.fill('0.5 in/h');
  await saved(page);
  // Under an inch an hour drains poorly: common practice, no source.
  await expect(page.getByText('Hole: poor.')).toBeVisible();
  await field.fill('300');
  const refused = 'Percolation, filled hole: 300 is outside 0 to 196.85 in/h.';
  await expect(page.getByText(refused)).toBeVisible();
  await page.getByRole('button', { name: /units: US/ }).click();
  await expect(page.getByText('cm/h', { exact: true })).toBeVisible();
  await expect(field).toHaveValue('300');
  await field.focus();
  await expect(page.getByText(refused)).toBeVisible();
  await field.fill('1.27');
  await saved(page);
  await page.reload();
  await expect(field).toHaveValue('1.27');
  await field.fill('');
  await saved(page);
});
