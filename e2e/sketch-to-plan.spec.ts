import { expect, test, type Locator, type Page } from '@playwright/test';
import { asConsultant, saved, station } from './enter';
import { KEY, POINTING, THOUGHT } from './keystrokes';
import { choose } from './choose';

test('from a sketch of a tree on paved ground to an agreed trench plan, shopping list and crew sheet in under eight minutes', async ({
  page,
}) => {
  let seconds = 0;
  /** A field is found, thought about and typed. */
  const fill = async (field: Locator, text: string) => {
    seconds += THOUGHT + POINTING + text.length * KEY;
    await field.fill(text);
  };
  const press = async (thing: Locator) => {
    seconds += THOUGHT + POINTING + KEY;
    await thing.click();
  };
  await asConsultant(page);
  await page.goto('/trees/kelpworth-16?station=trenches');
  await press(page.getByRole('button', { name: 'Begin a visit today' }));
  await press(station(page, /^Trenches/));
  await fill(page.getByLabel('Crown radius (m)'), '3.2');
  await fill(page.getByLabel('Hole edge from the centre'), '60');
  for (const [kind, name, from, to] of [
    ['paving', 'Yard paving', ['60', '2.4'], ['120', '2.4']],
    ['kerb', 'Yard kerb', ['200', '2.8'], ['250', '2.8']],
    ['water', 'Water pipe', ['300', '2.9'], ['20', '2.9']],
  ] as const) {
    await press(page.getByRole('button', { name: 'Add something in the way' }));
    await choose(page.getByLabel('What it is'), kind);
    seconds += THOUGHT + 2 * (POINTING + KEY);
    await fill(page.getByLabel('Name', { exact: true }), name);
    await fill(page.getByLabel('One end, bearing'), from[0]);
    await fill(page.getByLabel('One end, from the stem'), from[1]);
    await fill(page.getByLabel('Other end, bearing'), to[0]);
    await fill(page.getByLabel('Other end, from the stem'), to[1]);
    await press(page.getByRole('button', { name: 'Put it on the plan' }));
    await expect(page.getByRole('listitem').filter({ hasText: name })).toBeVisible();
  }
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
  await expect(page.getByTestId('opened')).toHaveText(/^[1-9]\d*%$/);
  await press(page.getByRole('button', { name: 'Ask the locate service' }));
  await expect(page.getByText(/They are on the plan\./)).toBeVisible();
  await saved(page);
  const spokes = await spokesOn(page);
  await press(page.getByRole('link', { name: 'Crew sheet' }));
  await expect(page.getByRole('table', { name: 'Trenches by tape' }).locator('tbody tr')).not.toHaveCount(0);
  await page.goto('/grounds/kelpworth/materials');
  await expect(page.getByRole('checkbox', { name: /Linden 16/ })).toBeChecked();
  await expect(page.getByText(/Bags of compost/).first()).toBeVisible();
  expect(spokes).toBeGreaterThan(3);
  // Looking at the sketch before each of its lines, and at the plan before it is agreed.
  seconds += 4 * 20 + 60;
  expect(seconds).toBeLessThan(480);
});

const spokesOn = (page: Page) =>
  page.getByRole('table', { name: 'Radial trenches' }).locator('tbody tr').count();
