import { expect, test, type Page } from '@playwright/test';
import { doneButton, sign } from './crew';
import { newVisit, saved, signIn, station } from './enter';
import { withOwnClock } from './ownClock';
import { textOf } from './pdf';

const TREE = 'kelpworth-13';

/** What the season asks for at the tree after it was drained. */
const afterRain = (page: Page) =>
  page
    .getByRole('region', { name: 'To check and to finish' })
    .getByRole('listitem')
    .filter({ hasText: 'Linden 13' })
    .filter({ hasText: 'Look the day after heavy rain' });

test('from inches typed to a drain that is dug on its day, paid by the foot, looked at after rain, and proved @whole', async ({
  browser,
}) => {
  await withOwnClock(browser, async (page, onDay) => {
    await onDay('2028-05-15');
    await signIn(page, 'owner');
    await page.waitForURL('**/grounds');
    await page.goto('/practice/rates');
    await page.getByRole('radio', { name: 'ft, ft², yd³' }).check();
    await page.getByRole('button', { name: /^Convert/ }).click();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText(/^Saved\. Estimates made from now on/)).toBeVisible();

    // Finding, typed by the inch: a tenth of an inch an hour is far under the inch below which a hole drains poorly.
    await page.goto(`/trees/${TREE}?station=history`);
    await page.getByRole('button', { name: /units: metric/ }).click();
    await newVisit(page);
    await station(page, /^Soil/).click();
    await page.getByText('Water: infiltration and percolation').click();
    await page.getByLabel('Percolation, filled hole').fill('0.1');
    await page.getByRole('radio', { name: 'wet, grey, smells' }).click();
    await page.getByRole('radio', { name: 'water stands' }).click();
    await page.getByLabel('Fall of the ground, steepest way').fill('4');
    await expect(
      page.getByText('Water in the filled hole falls 0.1 in per hour; under 1.0 in is poor.'),
    ).toBeVisible();
    await saved(page);

    // Cause.
    await station(page, /^Verdict/).click();
    await expect(page.getByRole('region', { name: 'Entry' })).toContainText(
      /Waterlogged soil \((very likely|almost certain)\)/,
    );

    // Remedy and amount: half a metre deep in ground that falls by 4 %, a pipe by 2 %: 25 m, which are 82.0 ft.
    await station(page, /^Prescription/).click();
    const drain = page.getByRole('article', { name: 'Drain', exact: true });
    await expect(drain.getByLabel('Prescribe')).toBeChecked();
    await expect(drain).toContainText('A drain of 82.0 ft to lower ground');
    const planned = drain.getByLabel('Planned for', { exact: true });
    await planned.fill('2028-06-01');
    await saved(page);

    // Cost.
    await page.goto(`/trees/${TREE}/options`);
    await page.getByText('How the cost came about').first().click();
    // The foot is 0.3048 m exactly: €14.20 a metre are €4.33 a foot.
    const row = page.getByRole('row', { name: /^Drain: pipe and stone/ }).getByRole('cell');
    await expect(row).toHaveText([
      'Drain: pipe and stone',
      '82.02 ft',
      '€4.33',
      `€${(82.02 * 4.33).toFixed(2)}`,
    ]);

    // Done, on its day, by the crew.
    await onDay('2028-06-01');
    await page.goto(`/trees/${TREE}/order`);
    await expect(page.getByRole('main')).toContainText('drain pipe and stone, 82.0 ft');
    const step = page.getByRole('listitem', { name: 'Drain', exact: true });
    await expect(step.getByText('Planned for 2028-06-01')).toBeVisible();
    await doneButton(page, 'Keep people away, have stability assessed').click();
    await sign(page, 'Stability judged', 'Buried utilities');
    await doneButton(page, 'Drain').click();
    await expect(doneButton(page, 'Drain')).toHaveAttribute('aria-pressed', 'true');
    await saved(page);

    // Looked at after rain: asked for from the next day on, late after two months, and answered by what is entered then.
    await page.goto('/season');
    await expect(afterRain(page)).toHaveCount(1);
    await onDay('2028-08-10');
    await page.goto('/season');
    await expect(
      page
        .getByRole('region', { name: 'Late' })
        .getByRole('listitem')
        .filter({ hasText: 'Linden 13' })
        .filter({ hasText: 'heavy rain' }),
    ).toHaveCount(1);
    await page.goto(`/trees/${TREE}?station=history`);
    await newVisit(page);
    await station(page, /^Soil/).click();
    await page.getByText('Water: infiltration and percolation').click();
    await page.getByLabel('Percolation, filled hole').fill('2');
    await page.getByRole('radio', { name: 'drained', exact: true }).click();
    await page.getByRole('radio', { name: 'moist', exact: true }).click();
    await saved(page);
    await page.goto('/season');
    await expect(afterRain(page)).toHaveCount(0);

    // Proof.
    await page.goto(`/trees/${TREE}?station=verdict`);
    await expect(page.getByRole('region', { name: 'Found before' })).toContainText(
      /Waterlogged soil.*treated, recovery awaited.*ground drained 2028-06-01/s,
    );
    await page.goto(`/trees/${TREE}?station=prescription`);
    await expect(page.getByTestId('prescription-summary')).not.toContainText(/drain/i);
    await page.goto(`/trees/${TREE}/time`);
    await expect(page.getByText(/^Ground drained 2028-06-01\./)).toBeVisible();
    const report = await page.request.get(`/api/trees/${TREE}/report`);
    const words = (await textOf(await report.body())).replace(/\s+/g, ' ');
    expect(words).toContain('ground drained June 1, 2028');
  });
});
