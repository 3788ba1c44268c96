import { expect, test } from '@playwright/test';
import { enterDemo, saved, station } from './enter';

test('the cut plan is proved, changes with one limit, says what clashes, and once agreed the crew follows it', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await enterDemo(page);
  await page.goto('/trees/sable-hornbeam-3?station=cuts');
  await expect(page.getByTestId('proved')).toContainText('Proved', { timeout: 20_000 });
  const frees = page.getByTestId('frees');
  const first = parseInt((await frees.textContent())!, 10);
  expect(first).toBeGreaterThan(0);
  const stages = page.getByRole('table', { name: 'Stages' }).locator('tbody tr');
  await expect(stages).toHaveCount(2);

  // What a step of a limit would free is told beside it; taking the step frees it.
  const roots = page.getByRole('region', { name: 'Root by root' });
  await expect(roots.getByText(/Not before stage 2|Stays: with the others gone too/).first()).toBeVisible();
  const limits = page.getByRole('region', { name: 'What the plan keeps to' });
  await expect(limits.getByText('Weighing what each limit costs…')).toHaveCount(0, { timeout: 30_000 });
  await limits.getByLabel('Root cross-section lost in a stage').fill('120');
  await expect(limits.getByRole('alert')).toHaveText(
    'Root cross-section lost in a stage: 120 is outside 0 to 100 %.',
  );
  await limits.getByLabel('Root cross-section lost in a stage').fill('60');
  await limits.getByLabel('Lost in all stages').fill('90');
  await expect.poll(async () => parseInt((await frees.textContent())!, 10)).toBeGreaterThan(first);
  await limits.getByRole('button', { name: 'Back to the limits of the school' }).click();
  await expect(frees).toHaveText(`${first} %`);

  // Held roots that break a limit: which one, and the least that gives.
  for (const label of ['G1', 'G2', 'G3']) {
    await page.getByLabel(`Hold root ${label}`).selectOption('cut 1');
  }
  const clash = page.getByTestId('clash');
  await expect(clash).toContainText(/Stage 1 would take \d+ % of the root cross-section; 20 % is allowed/);
  await clash.getByRole('button', { name: 'Ease the limits just enough' }).click();
  await expect(clash).toHaveCount(0);
  await expect(stages.first()).toContainText(/G1.*G2.*G3/);
  await saved(page);

  await page.getByRole('button', { name: 'Agree this plan' }).click();
  await expect(page.getByTestId('agreed')).toContainText('The crew sheet and the report follow this plan.');
  await page.getByLabel('Hold root G2').selectOption('keep');
  await expect(page.getByTestId('agreed')).toContainText('It breaks what is kept to now: G2 is held as kept');
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('agreed')).not.toContainText('It breaks');
  await expect(page.getByRole('region', { name: 'What it buys' })).toContainText(/with the plan/, {
    timeout: 20_000,
  });
  await page.getByRole('button', { name: /, left as it is$/ }).click();
  await expect(page.getByTestId('cut-plan').getByRole('img')).toHaveAttribute(
    'aria-label',
    /left as it is: \d+ % of the bark is squeezed/,
  );
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('agreed')).toBeVisible({ timeout: 20_000 });
  await station(page, /^Dig/).click();
  await expect(page.getByText('Agreed in the cut plan, stage 1.').first()).toBeVisible();
  await page.goto('/trees/sable-hornbeam-3/crew');
  await expect(page.getByText(/G1/).first()).toBeVisible();
  await page.goto('/trees/sable-hornbeam-3/report');
  await expect(page.getByText(/^The agreed cuts free \d+ % of the bark over twenty years/)).toBeVisible();
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
