import { createHash } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import { boxAtRest } from './atRest';
import type { CaseFile } from '@undrel/core/format';
import { eyeOf, laidFor, movedForDepth } from '@undrel/core/photogrammetry';
import type { RootKind } from '@undrel/core/records';
import { planPoint, readDig, type RootReading } from '@undrel/core/roots';
import { KIND_NAMES } from '../web/drawings/rootKinds';
import { photographOf, roundDig } from '../db/demo/photographs';
import { PROPERTIES } from '../db/demo/world';
import { choose } from './choose';
import { asConsultant, newVisit, saved } from './enter';

/** A collar that was photographed with cards and has no root on its plan; what lies there is the dig of another tree. */
const TREE = 'kelpworth-7';
const trees = PROPERTIES().flatMap((p) => p.trees);
const caseOf = (id: string) => trees.find((t) => t.id === id)!.caseFile;
const { tree } = caseOf(TREE);
const dig = roundDig(caseOf('sable-katsura-14').visits.findLast((v) => v.dig)!.dig!);
const truth = readDig(tree, dig);

/** Sides from which the demo has the collar, as they are called. */
const SIDES = [
  { from: 50, name: 'NE' },
  { from: 230, name: 'SW' },
] as const;
/** Roots that one of them sees, as the record knows them: four each. */
const TRACED: readonly { from: number; roots: readonly string[] }[] = [
  { from: 50, roots: ['A', 'D2', 'c2', 'c3'] },
  { from: 230, roots: ['B', 'D3', 'D4', 'c4'] },
];

const asked = async (page: Page): Promise<CaseFile> =>
  (await (await page.request.get(`/api/trees/${TREE}/case`)).json()) as CaseFile;

/** Places of a root that lie farther round than the stem hides, at its first, middle and last reading in view. */
function seenPlaces({ root, path }: RootReading, from: number): { at: [number, number]; depth: number }[] {
  const inView = [...path.x.keys()].filter((i) => {
    const [x, y] = [path.x[i]!, path.y[i]!];
    const out = Math.hypot(x, y);
    const aside = Math.abs((((((Math.atan2(x, y) * 180) / Math.PI - from) % 360) + 540) % 360) - 180);
    return out < 0.42 && aside < 80;
  });
  // A thin root is short: its two ends tell it.
  return (root.kind === 'adventitious' ? [0, 1] : [0, 0.5, 1]).map((share) => {
    const i = inView[Math.round(share * (inView.length - 1))]!;
    return { at: [path.x[i]!, path.y[i]!], depth: -path.z[i]! - path.radius[i]! };
  });
}

test('with pictures alone: two of a dig brought in, eight roots traced, share and cut plan, and a report with a pair @whole', async ({
  page,
}) => {
  await asConsultant(page);
  const before = (await asked(page)).visits.at(-1)!;
  const fileOf = async (hash: string) => ({
    name: `${hash.slice(0, 8)}.jpg`,
    mimeType: 'image/jpeg',
    buffer: await (await page.request.get(`/pictures/${hash}/page`)).body(),
  });
  const sides = await Promise.all(
    SIDES.map(({ from }) => fileOf(before.pictures!.find((p) => p.bearing === from)!.hash)),
  );
  const other = (await (await page.request.get('/api/trees/kelpworth-8/case')).json()) as CaseFile;
  const stems = await Promise.all(
    other.visits
      .flatMap((v) => v.pictures ?? [])
      .slice(0, 2)
      .map((p) => fileOf(p.hash)),
  );
  const began = Date.now();

  // A visit of today, and four pictures at once.
  await page.goto(`/trees/${TREE}`);
  await newVisit(page);
  await saved(page);
  await page.getByRole('banner').getByRole('link', { name: 'Pictures' }).click();
  const others = page.getByRole('region', { name: 'Other pictures' });
  await expect(others.getByText('None yet.')).toBeVisible();
  await page.getByLabel('Pictures to add: JPEG, PNG or WebP').setInputFiles([...sides, ...stems]);
  await expect(others.getByRole('button', { name: /^Open: / })).toHaveCount(4);
  await saved(page);

  const view = page.getByRole('dialog');
  const made = SIDES.map(({ from }) => photographOf(dig, tree, from, 'cards'));
  for (const [i, { name }] of SIDES.entries()) {
    const hash = createHash('sha256').update(sides[i]!.buffer).digest('hex');
    await others
      .getByRole('listitem')
      .filter({ has: page.locator(`image[href*="${hash}"]`) })
      .getByRole('button', { name: /^Open: / })
      .click();
    await choose(view.getByLabel('Shows'), { label: 'open root collar' });
    await choose(view.getByLabel('Taken from'), { label: name });
    await view.getByRole('button', { name: 'Find the cards' }).click();
    await expect(view.getByText(/^Cards lie on one plane; off it by card 1: /)).toBeVisible();
    const { level, bark } = made[i]!.tie!;
    await view.getByLabel(/^Cards below grade/).fill(String(Math.round(1000 * level) / 10));
    await view.getByLabel(/^Arrow of card 1 points/).fill('N');
    await view.getByRole('button', { name: 'Touch the bark' }).click();
    const image = await boxAtRest(view.locator('image'));
    for (const [x, y] of bark) await page.mouse.click(image.x + x * image.width, image.y + y * image.height);
    await expect(view.getByText('Ready: roots are traced on it at the station Dig.')).toBeVisible();
    await view.getByRole('button', { name: 'Close' }).click();
    await saved(page);
  }

  // Eight roots, each on the picture that shows it.
  await page.goto(`/trees/${TREE}?station=dig`);
  const entry = page.getByRole('region', { name: 'Entry' });
  await entry.getByText(/^Trace on a picture/).click();
  for (const { from, roots } of TRACED) {
    const side = SIDES.findIndex((s) => s.from === from);
    for (const { name } of SIDES)
      await entry
        .getByRole('checkbox', { name: new RegExp(`from ${name}`) })
        .setChecked(name === SIDES[side]!.name);
    const { camera, tie } = made[side]!;
    const [ex, ey, ez] = eyeOf(camera);
    for (const label of roots) {
      const root = truth.roots.find((r) => r.root.label === label)!;
      const places = seenPlaces(root, from);
      const top = places.reduce((sum, p) => sum + p.depth, 0) / places.length;
      const image = page.getByTestId('dig-plan').locator('image');
      const placed = (await image.count()) > 0 ? await image.getAttribute('href') : null;
      await entry.getByLabel(/^Top of the roots at/).fill((100 * top).toFixed(1));
      await expect.poll(async () => (await image.count()) > 0 && image.getAttribute('href')).not.toBe(placed);
      await expect(image).toBeVisible();
      await expect(entry.getByText('Placing the picture …')).toBeHidden();
      await choose(entry.getByLabel('A root'), { label: KIND_NAMES[root.root.kind as RootKind] });
      await entry.getByRole('button', { name: 'Draw it' }).click();
      await page.getByRole('group', { name: /^Plan of the dig/ }).press('0');
      const ground = await boxAtRest(page.getByTestId('dig-plan').locator('image'));
      for (const [k, { at, depth }] of places.entries()) {
        const [x, y] = movedForDepth(
          { eye: [ex, ey, ez + tie!.level], level: tie!.level },
          at,
          depth,
          laidFor(tie!.level, Math.round(1000 * top) / 1000),
        );
        await page.mouse.click(
          ground.x + ((1 + x) / 2) * ground.width,
          ground.y + ((1 - y) / 2) * ground.height,
        );
        await expect(
          entry.getByRole('table', { name: /^Points of root/ }).getByLabel(`Diameter, point ${k + 1}`),
        ).toBeVisible();
        await saved(page);
      }
      await page.getByRole('button', { name: 'Done', exact: true }).click();
      // What a picture cannot tell is felt with a finger.
      if (root.root.kind === 'girdling')
        await choose(entry.getByRole('combobox', { name: 'Bark', exact: true }), { label: 'pressing' });
      await saved(page);
    }
  }
  const traced = (await asked(page)).visits.at(-1)!.dig!;
  expect(traced.roots).toHaveLength(8);
  const advised = entry.getByRole('table', { name: 'Roots and advice' });
  await expect(advised.getByRole('button', { name: /^Root [A-H]$/ })).toHaveCount(8);
  const off = TRACED.flatMap((t) => t.roots).map((label, i) => {
    const { path } = truth.roots.find((r) => r.root.label === label)!;
    return traced.roots[i]!.points.map((point) => {
      const [x, y] = planPoint(point.bearing, truth.outline.radius(point.bearing) + point.distance);
      return Math.min(...path.x.map((px, k) => Math.hypot(px - x, path.y[k]! - y)));
    });
  });
  // Where a root leaves the stem it is laid on the bark; farther out it lies where it is.
  for (const [i, points] of off.entries())
    expect([i, points.slice(1).every((far) => far < 0.02)]).toEqual([i, true]);
  const read = readDig(tree, traced);
  expect(read.share).toBeGreaterThan(0.05);
  await expect(entry.getByText(`${Math.round(100 * read.share)}`).first()).toBeVisible();

  // The cut plan, agreed.
  await page.goto(`/trees/${TREE}?station=cuts`);
  await page.getByRole('button', { name: 'Agree this plan' }).click();
  await saved(page);
  expect((await asked(page)).visits.at(-1)!.cuts!.agreed!.length).toBeGreaterThan(0);

  // The report: four pictures, and the side that was there before beside it.
  await page.getByRole('banner').getByRole('link', { name: 'Report' }).click();
  await page.getByRole('button', { name: 'Issue', exact: true }).click();
  await page.getByRole('button', { name: 'Issue now' }).click();
  await page.waitForURL(/\/reports\//);
  test.info().annotations.push({
    type: 'pictures to issued report',
    description: `${((Date.now() - began) / 1000).toFixed(0)} s`,
  });
  const issued = await page.request.get(`/api${new URL(page.url()).pathname}/file?format=json&length=record`);
  const { pictures } = (await issued.json()) as { pictures: { beside?: string }[] };
  expect(pictures.length).toBeGreaterThanOrEqual(4);
  expect(pictures.flatMap((p) => p.beside ?? [])).toEqual(['before', 'now']);
});
