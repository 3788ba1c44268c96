import { expect, test, type Page } from '@playwright/test';
import { doneButton, sign } from './crew';
import { newVisit, saved, signIn, station } from './enter';
import { withOwnClock } from './ownClock';

const TREE = 'sable-katsura-14';
const follows = (page: Page) => page.getByRole('region', { name: 'To check and to finish' });
/** Everything of the tree that the season lists. */
const mine = (page: Page, what: RegExp) =>
  follows(page).getByRole('listitem').filter({ hasText: 'Katsura 14' }).filter({ hasText: what });

test('a tree lives three years: dug, examined late, the cone back and found on a walk-round, recovered @whole', async ({
  browser,
}) => {
  await withOwnClock(browser, async (page, onDay) => {
    await onDay('2028-04-18');
    await signIn(page, 'consultant');
    await page.waitForURL('**/grounds');

    // April 2028: mulch pulled back, collar dug out.
    await page.goto(`/trees/${TREE}/order`);
    await doneButton(page, 'Pull back and widen the mulch').click();
    await sign(page, 'Buried utilities', 'Stability judged', 'Permits, nesting');
    await doneButton(page, 'Root collar excavation').click();
    await expect(doneButton(page, 'Root collar excavation')).toHaveAttribute('aria-pressed', 'true');
    await saved(page);
    await page.goto('/season');
    await expect(mine(page, /dried bark/)).toContainText('in 2 weeks');

    // June: nobody looked at the bark. It is late, says what that costs, and is done with one touch.
    await onDay('2028-06-20');
    await page.goto('/season');
    const late = follows(page).getByRole('region', { name: 'Late' });
    const bark = late.getByRole('listitem').filter({ hasText: /Katsura 14.*dried bark/ });
    await expect(bark).toContainText('Rot under dried bark goes unseen');
    await bark.getByRole('checkbox').click();
    await expect(bark).toContainText('done 2028-06-20');

    // A year on: a walk-round after the contractor's spring round finds the cone back, and closes the look it was asked for.
    await onDay('2029-06-04');
    await page.goto('/season');
    await expect(mine(page, /spring round/).filter({ hasText: '2029-05' })).toHaveCount(1);
    await page.goto('/grounds/sable-row/walk');
    await page.getByRole('tab', { name: /^Walk/ }).click();
    await page.getByRole('button', { name: 'Begin a round' }).click();
    await page.getByText('Another tree').click();
    await page.getByRole('button', { name: /^Katsura 14/ }).click();
    await page.getByRole('button', { name: 'a cone', exact: true }).click();
    await page.getByRole('button', { name: 'The rest is fine, next' }).click();
    await expect(page.getByRole('button', { name: /Katsura 14 noted/ })).toBeVisible();
    await expect(page.getByText('All that was noted is sent.')).toBeVisible();
    await page.goto('/season');
    await expect(mine(page, /spring round/).filter({ hasText: '2029-05' })).toHaveCount(0);
    await page.goto('/grounds/sable-row/notice');
    await expect(page.getByRole('listitem').filter({ hasText: /2029 at .*Katsura 14/ })).toContainText(
      'Nobody had received a notice then.',
    );

    // Two more seasons: the look at recovery is asked for, made, and the tree stands against what it was.
    await onDay('2031-08-20');
    await page.goto('/season');
    await expect(mine(page, /Count the shoots/)).toHaveCount(1);
    await page.goto(`/trees/${TREE}/time`);
    await expect(page.getByTestId('answer')).toHaveText('Katsura 14: too early to say');
    await expect(page.getByText('On 2029-06-04 mulch lay on the bark again')).toBeVisible();
    await page.goto(`/trees/${TREE}?station=history`);
    await newVisit(page);
    await station(page, /^Crown/).click();
    await page.getByLabel('Crown density, of a full crown').fill('90');
    await page.getByLabel('Dieback, share of the crown').fill('3');
    for (const [year, cm] of [
      [2030, '31'],
      [2029, '26'],
      [2028, '9'],
      [2027, '8'],
      [2026, '9'],
    ] as const)
      await page.getByLabel(`Twig extension ${year}`).fill(cm);
    await saved(page);
    await page.goto('/season');
    await expect(mine(page, /Count the shoots/)).toHaveCount(0);
    await page.goto(`/trees/${TREE}/time`);
    await expect(page.getByTestId('answer')).toHaveText('Katsura 14: recovering');
    await expect(page.getByText(/^It responds: shoots \d\.\d\d times as long/)).toBeVisible();
    // The cone is still there: that comes before all that the recovery allows.
    await expect(
      page.getByText('Pull the mulch back off the bark first: a cone undoes the work.'),
    ).toBeVisible();
    await page.goto('/practice/worked');
    await expect(page.getByRole('listitem', { name: 'root collar excavated' })).toContainText('7 trees');
  });
});
