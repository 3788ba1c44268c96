import { expect, test, type Page } from '@playwright/test';
import { boxAtRest } from './atRest';
import type { CaseFile } from '@undrel/core/format';
import { bearingGap } from '@undrel/core/geometry';
import { eyeOf, laidFor, movedForDepth } from '@undrel/core/photogrammetry';
import type { Dig, DugRoot } from '@undrel/core/records';
import { planPoint, readDig, wallPlaces } from '@undrel/core/roots';
import { photographOf, roundDig } from '../db/demo/photographs';
import { PROPERTIES } from '../db/demo/world';
import { asConsultant, saved } from './enter';
import { choose } from './choose';

/** A collar that was photographed with cards and has no root on its plan; what lies there is the dig of another tree. */
const TREE = 'kelpworth-7';
const caseOf = (id: string) =>
  PROPERTIES()
    .flatMap((p) => p.trees)
    .find((t) => t.id === id)!.caseFile;
const { tree } = caseOf(TREE);
const dig = roundDig(caseOf('sable-katsura-14').visits.findLast((v) => v.dig)!.dig!);
const FROM = 50;

/** The plan as it is shown where there is no root yet: the stem with room about it. */
async function planPlaces(page: Page) {
  const box = await boxAtRest(page.getByTestId('dig-plan'));
  const { outline } = readDig(tree, { ...dig, roots: [] });
  const far = Math.min(1, 3.4 * outline.farthest);
  const scale = Math.min(box.width, box.height) / 2 / (far * 1.08);
  return (x: number, y: number) =>
    [box.x + box.width / 2 + x * scale, box.y + box.height / 2 - y * scale] as const;
}

/** The newest dig of the tree, as it is kept. */
async function keptDig(page: Page): Promise<Dig> {
  const stored = (await (await page.request.get(`/api/trees/${TREE}/case`)).json()) as CaseFile;
  return stored.visits.at(-1)!.dig!;
}

/** Its newest root. */
const lastRoot = async (page: Page): Promise<DugRoot> => (await keptDig(page)).roots.at(-1)!;

test('cards are found, the bark is touched, and a root is traced on the plan: place and thickness as they are @whole', async ({
  page,
}) => {
  await asConsultant(page);
  const made = photographOf(dig, tree, FROM, 'cards');
  await page.goto(`/trees/${TREE}/pictures`);
  await page.getByRole('button', { name: /^Open: Collar laid open.*from NE/ }).click();
  const view = page.getByRole('dialog');
  const none = view.getByRole('button', { name: 'No scale' });
  if (await none.isEnabled()) await none.click();
  await view.getByRole('button', { name: 'Find the cards' }).click();
  await expect(view.getByText(/^Cards lie on one plane; off it by card 1: /)).toBeVisible();
  await expect(view.getByText(/^To trace roots on it, still needed: the depth of the cards/)).toBeVisible();
  await view.getByLabel(/^Cards below grade/).fill(String(Math.round(1000 * made.tie!.level) / 10));
  await view.getByLabel(/^Arrow of card 1 points/).fill('N');
  await view.getByRole('button', { name: 'Touch the bark' }).click();
  const image = await boxAtRest(view.locator('image'));
  for (const [x, y] of made.tie!.bark)
    await page.mouse.click(image.x + x * image.width, image.y + y * image.height);
  await expect(view.getByText('Ready: roots are traced on it at the station Dig.')).toBeVisible();
  await saved(page);

  await page.goto(`/trees/${TREE}?station=dig`);
  const entry = page.getByRole('region', { name: 'Entry' });
  await entry.getByText('Trace on a picture').click();
  await entry.getByRole('checkbox', { name: /^Collar laid open.*from NE/ }).check();
  // Root D2 runs east, clear of the others; its top is some 21 cm below grade at the collar.
  const truth = readDig(tree, dig);
  const root = truth.roots.find((r) => r.root.label === 'D2')!;
  const near = [...root.path.x.keys()].filter((i) => {
    const out = Math.hypot(root.path.x[i]!, root.path.y[i]!);
    return out > 0.19 && out < 0.38;
  });
  const [a, b] = [near[0]!, near.at(-1)!];
  const top = -(root.path.z[a]! + root.path.z[b]!) / 2 - root.path.radius[a]!;
  await entry.getByLabel(/^Top of the roots at/).fill((100 * top).toFixed(1));
  await expect(entry.getByText('Placing the picture …')).toBeVisible();
  await expect(entry.getByText('Placing the picture …')).toBeHidden();
  await expect(page.getByTestId('dig-plan').locator('image')).toBeVisible();
  await choose(entry.getByLabel('A root'), { label: 'structural, anchor' });
  await entry.getByRole('button', { name: 'Draw it' }).click();
  const at = await planPlaces(page);
  await page.mouse.click(...at(root.path.x[a]!, root.path.y[a]!));
  const points = entry.getByRole('table', { name: /^Points of root/ });
  await expect(points.getByRole('row')).toHaveCount(2);
  await page.mouse.click(...at(root.path.x[b]!, root.path.y[b]!));
  await expect(points.getByLabel('Diameter, point 2')).toBeVisible();
  const number = async (label: string) => Number(await points.getByLabel(label).inputValue());
  const width = 200 * root.path.radius[a]!;
  expect(Math.abs((await number('Diameter, point 1')) - width)).toBeLessThan(0.25 * width);
  await saved(page);
  for (const p of (await lastRoot(page)).points) {
    const [x, y] = planPoint(p.bearing, truth.outline.radius(p.bearing) + p.distance);
    const off = Math.min(...root.path.x.map((px, i) => Math.hypot(px - x, root.path.y[i]! - y)));
    expect(off).toBeLessThan(0.015);
  }
  // What is measured deeper lies elsewhere on the ray of the camera: its place follows.
  const before = await number('Distance, point 1');
  await points.getByLabel('Depth, point 1').fill(String(Math.round(1000 * (top + 0.06)) / 10));
  await expect.poll(() => number('Distance, point 1')).not.toBe(before);
  await saved(page);
  expect((await lastRoot(page)).traced).toMatch(/^[0-9a-f]{64}$/);
  // By keys alone: the plan is moved under a cross, and Enter sets a point.
  await entry.getByRole('button', { name: 'Draw it' }).click();
  await page.getByRole('group', { name: /^Plan of the dig/ }).focus();
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(points.getByRole('row')).toHaveCount(2);
  await saved(page);
  await entry.getByRole('button', { name: /^Remove root/ }).click();
  await saved(page);

  // The bark, where it meets the ground: on the picture it seems to lie as far aside as the roots are higher.
  await entry.getByText('Stem, tape and compass', { exact: true }).click();
  await entry.getByRole('button', { name: 'Draw the bark on the plan' }).click();
  await page.getByRole('group', { name: /^Plan of the dig/ }).press('0');
  const { level } = made.tie!;
  // The picture shows a metre to each side of the stem.
  const ground = await boxAtRest(page.getByTestId('dig-plan').locator('image'));
  const on = ([x, y]: readonly [number, number]) =>
    [ground.x + ((1 + x) / 2) * ground.width, ground.y + ((1 - y) / 2) * ground.height] as const;
  const [ex, ey, ez] = eyeOf(made.camera);
  const asSeen = (place: [number, number]) =>
    movedForDepth({ eye: [ex, ey, ez + level], level }, place, level, laidFor(level, top));
  const touched = [-60, -30, 0, 30, 60].map((aside) => FROM + aside);
  for (const [i, bearing] of touched.entries()) {
    const place = planPoint(bearing, truth.outline.radius(bearing));
    await page.mouse.click(...on(asSeen(place)));
    await expect(page.getByText(`all round the stem: ${i + 1} so far.`)).toBeVisible();
  }
  await saved(page);
  const radii = async () => (await keptDig(page)).radii ?? [];
  for (const { bearing, radius } of await radii())
    expect(Math.abs(radius - truth.outline.radius(bearing))).toBeLessThan(0.003);
  const near50 = (await radii()).filter((r) => bearingGap(r.bearing, FROM) < 15).length;
  expect(near50).toBe(1);
  // The middle of the stem is no bark; what was said of it gives way to the next touch.
  await page.mouse.click(...on(asSeen([0, 0])));
  await expect(
    page.getByText(/^Radius of the stem: 0\.\d cm is outside 0\.3 cm to 200(\.0)? cm\.$/),
  ).toBeVisible();
  expect((await radii()).some((r) => r.radius < 0.05)).toBe(false);
  // One that is undone is gone, and does not come back with the next.
  await page.keyboard.press('Control+z');
  await expect(page.getByText('all round the stem: 4 so far.')).toBeVisible();
  await page.mouse.click(...on(planPoint(300, truth.outline.radius(300))));
  await expect(page.getByText('all round the stem: 5 so far.')).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await saved(page);
  expect((await radii()).some((r) => bearingGap(r.bearing, 110) < 4)).toBe(false);
  await choose(entry.getByLabel('Outline of the stem'), { label: 'round, as the stem was measured' });
  await saved(page);

  // The wall of the old pot, a little beside the stem.
  await entry.getByRole('button', { name: 'Draw the old pot on the plan' }).click();
  const wall = [0, 90, 180, 270].map((bearing): [number, number] => {
    const [x, y] = planPoint(bearing, 0.4);
    return [x + 0.05, y];
  });
  for (const [i, place] of wall.entries()) {
    await page.mouse.click(...on(asSeen(place)));
    await expect(page.getByText(`on every side of it: ${i + 1} so far.`)).toBeVisible();
  }
  await saved(page);
  const kept = await keptDig(page);
  for (const [i, [x, y]] of wallPlaces(kept.pot, 0).entries())
    expect(Math.hypot(x - wall[i]![0], y - wall[i]![1])).toBeLessThan(0.003);
  const { pot } = readDig(tree, kept);
  expect(Math.abs(pot!.half - 0.4)).toBeLessThan(0.003);
  await page.keyboard.press('Control+z');
  await expect(page.getByText('on every side of it: 3 so far.')).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await entry.getByRole('button', { name: 'Take the drawn pot off' }).click();
  await saved(page);
  expect((await keptDig(page)).pot).toBeUndefined();
});

test('a picture without cards says what is asked for; printed cards come for both papers @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-14/pictures');
  await page.getByRole('button', { name: 'Picture from N', exact: true }).click();
  const view = page.getByRole('dialog');
  await view.getByRole('button', { name: 'Find the cards' }).click();
  await expect(view.getByRole('alert')).toContainText('No card is found in this picture');
  await page.goto('/cards');
  for (const paper of ['A4', 'letter']) {
    const answer = await page.request.get(`/api/cards?paper=${paper}`);
    expect(answer.status()).toBe(200);
    expect(answer.headers()['content-type']).toBe('application/pdf');
    expect((await answer.body()).subarray(0, 5).toString()).toBe('%PDF-');
  }
  expect((await page.request.get('/api/cards?paper=A3')).status()).toBe(400);
});

test('leaves on the leaf sheet are measured and weighed beside those of the reference tree @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-3/pictures');
  await page.getByRole('button', { name: /^Open: Leaves of this tree/ }).click();
  const view = page.getByRole('dialog');
  const told = view.getByText(/^Dark green colour index 0\.\d\d ± 0\.\d\d, 7 leaves of this tree/);
  await expect(told).toBeVisible();
  const before = await told.textContent();
  // Measured anew, in the browser, it is the same to a hundredth.
  await view.getByRole('button', { name: 'Of this tree' }).click();
  await expect(view.getByRole('button', { name: 'Of this tree' })).toBeEnabled();
  const index = (words: string | null) => Number(/index (\S+)/.exec(words ?? '')![1]);
  expect(Math.abs(index(await told.textContent()) - index(before))).toBeLessThan(0.015);
  await saved(page);
  await page.goto('/trees/kelpworth-3?station=crown');
  const measured = page.getByRole('region', { name: 'Leaf colour, measured' });
  await expect(measured).toContainText('leaves of the reference tree');
  await expect(measured).toContainText('Weighed in place of');
  const stored = await page.request.get('/trees/kelpworth-3/report');
  expect(await stored.text()).toMatch(/leaf colour index 0\.\d\d, 0\.\d\d on the reference tree/);
});
