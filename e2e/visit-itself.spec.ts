import { expect, test } from '@playwright/test';
import type { Item } from '../web/protocol/item';
import { asConsultant, saved } from './enter';

const PATH = '/trees/sable-katsura-14';

test('what a visit says of itself is saved where it has pictures and all else, at every station that asks for some of it @whole', async ({
  page,
}) => {
  await asConsultant(page);
  const visit = async () => {
    const { items } = await (await page.request.get(`/api${PATH}/items`)).json();
    const visits = (items as Item[]).flatMap((i) => (i.kind === 'visit' && i.values ? [i.values] : []));
    return visits.sort((a, b) => b.date.localeCompare(a.date))[0]!;
  };
  const at = async (station: string) => {
    await page.goto(`${PATH}?station=${station}`);
    await saved(page);
  };
  await at('history');
  await page.getByLabel('What the client sees, since when').fill('Thin at the top since last year.');
  await page.getByLabel('By', { exact: true }).fill('R. Quill');
  await saved(page);
  await at('soil');
  await page.getByText('Water: infiltration and percolation').click();
  await page.getByRole('button', { name: /^Inspect the hole tomorrow/ }).click();
  await saved(page);
  await page.getByText('Soil sample, single readings').click();
  await page.getByLabel('Label on the bag').fill('K14');
  await page.getByRole('button', { name: 'Send a sample' }).click();
  await saved(page);
  await at('verdict');
  await page.getByLabel('Written from the findings; change what you like.').fill('Roots circle the stem.');
  await saved(page);
  await at('prescription');
  await page.getByRole('button', { name: /^Use \d/ }).click();
  await saved(page);
  expect(await visit()).toMatchObject({
    note: 'Thin at the top since last year.',
    by: 'R. Quill',
    drainCheck: expect.any(String),
    labOrder: { label: 'K14' },
    clientWords: 'Roots circle the stem.',
    lookAgain: { on: expect.any(String) },
  });
});
