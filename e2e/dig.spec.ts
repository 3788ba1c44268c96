import { readFileSync } from 'node:fs';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { boxAtRest, boxesAtRest, middleOf, type Point } from './atRest';
import type { CaseFile } from '@undrel/core/format';
import { asConsultant, saved } from './enter';
import { KEY, POINTING, THOUGHT } from './keystrokes';
import { choose } from './choose';

/** A dig as it stands on a paper sketch: bearings, cm from the bark, cm deep, cm across. */
const SHEET: { label: string; kind: string; starts: string; points: [string, string, string, string][] }[] = [
  {
    label: 'A',
    kind: 'structural, anchor',
    starts: 'at the stem',
    points: [
      ['0', '0', '12', '7'],
      ['3', '40', '15', '5'],
    ],
  },
  {
    label: 'B',
    kind: 'stem-girdling',
    starts: 'outside the pit',
    points: [
      ['60', '22', '6', '3'],
      ['90', '2', '6', '3'],
      ['120', '1.5', '6', '3'],
      ['150', '20', '6', '3'],
    ],
  },
];

/** Share squeezed and each root's own, as the screen says them. */
async function numbers(page: Page): Promise<string[]> {
  const share = await page.getByRole('button', { name: /^Bark compressed/ }).textContent();
  const rows = await page
    .getByRole('table', { name: 'Roots and advice' })
    .locator('tbody tr')
    .allTextContents();
  return [share!, ...rows];
}

/** @returns seconds by the model: a look at the sketch before each root, choice and point */
async function typed(page: Page): Promise<number> {
  let seconds = 0;
  for (const root of SHEET) {
    // The root's button, its kind and where it starts: each found, opened and picked.
    seconds += THOUGHT + POINTING + KEY + 2 * (THOUGHT + 2 * (POINTING + KEY));
    await page.getByRole('button', { name: 'Type it' }).focus();
    await page.keyboard.press('Enter');
    const editor = page.getByRole('group', { name: `Root ${root.label}` });
    await choose(editor.getByLabel('Kind'), { label: root.kind });
    await choose(editor.getByLabel('Starts'), { label: root.starts });
    for (const [i, [bearing, distance, depth, across]] of root.points.entries()) {
      seconds += THOUGHT;
      if (i === 0) {
        await editor.getByRole('button', { name: 'Add a point' }).focus();
        await page.keyboard.press('Enter');
        await editor.getByLabel('Bearing, point 1').focus();
      }
      // Enter goes from cell to cell, and makes the next point by itself.
      for (const text of [bearing, distance, depth, across]) {
        await page.keyboard.type(text);
        seconds += (text.length + 1) * KEY;
        if (text !== across || i + 1 < root.points.length) await page.keyboard.press('Enter');
      }
      if (i + 1 < root.points.length)
        await expect(editor.getByLabel(`Bearing, point ${i + 2}`)).toBeFocused();
    }
    await page.keyboard.press('Tab');
  }
  return seconds;
}

test('a dig drawn with the pointer and the same dig typed give the same numbers @whole', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/trees/lanternfield-3?station=dig');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await page.getByRole('button', { name: /^Dig/ }).click();
  // Twelve such roots are in within six minutes.
  expect((12 / SHEET.length) * (await typed(page))).toBeLessThan(360);
  await saved(page);
  const byKeyboard = await numbers(page);
  expect(byKeyboard[0]).not.toBe('0%');
  expect(byKeyboard.join(' ')).toContain('look again');
  const state = await page.request.get('/api/trees/lanternfield-3/case');
  const visits = (await state.json()).visits as {
    date: string;
    dig?: { roots: { points: { bearing: number; distance: number }[] }[] };
  }[];
  const points = visits[visits.length - 1]!.dig!.roots[1]!.points;
  expect(points.map((p) => [p.bearing, p.distance])).toEqual([
    [60, 0.22],
    [90, 0.02],
    [120, 0.015],
    [150, 0.2],
  ]);

  // The second root again, by pointer: where its points lie on the plan is read off the handles, then it is drawn anew.
  const handles = page.getByTestId('dig-plan').getByRole('button', { name: /^Point \d of root B/ });
  await expect(handles).toHaveCount(4);
  const places = (await boxesAtRest(handles)).map(middleOf);
  await page.getByRole('button', { name: 'Remove root B' }).click();
  await page.getByRole('button', { name: 'Draw it' }).click();
  const editor = page.getByRole('group', { name: 'Root B' });
  await choose(editor.getByLabel('Starts'), { label: 'outside the pit' });
  for (const place of places) await page.mouse.click(place.x, place.y);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  for (let i = 1; i <= 4; i++) {
    await editor.getByLabel(`Depth, point ${i}`).fill('6');
    await editor.getByLabel(`Diameter, point ${i}`).fill('3');
    // A pixel of the plan is about a millimetre: the tape's figure is put right by hand, as one would in the pit.
    const [bearing, distance] = SHEET[1]!.points[i - 1]!;
    const near = Number(await editor.getByLabel(`Distance, point ${i}`).inputValue());
    expect(Math.abs(near - Number(distance))).toBeLessThan(0.35);
    await editor.getByLabel(`Distance, point ${i}`).fill(distance);
    await editor.getByLabel(`Bearing, point ${i}`).fill(bearing);
  }
  await page.keyboard.press('Tab');
  await saved(page);
  expect(await numbers(page)).toEqual(byKeyboard);

  // Dragging a point moves the numbers; undo brings them back, redo takes them away again.
  const second = middleOf(await boxAtRest(handles.nth(1)));
  await page.mouse.move(second.x, second.y);
  await page.mouse.down();
  await page.mouse.move(second.x + 90, second.y + 8, { steps: 6 });
  await page.mouse.up();
  await expect.poll(() => numbers(page)).not.toEqual(byKeyboard);
  const dragged = await numbers(page);
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect.poll(() => numbers(page)).toEqual(byKeyboard);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => numbers(page)).toEqual(dragged);
});

test('the forecast comes, and the year slider grows the plan with and without the cuts', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-14?station=dig');
  await expect(page.getByText(/^Half of it in about 20\d\d if nothing is done/)).toBeVisible();
  const figure = page.getByTestId('dig-plan').getByText(/^\d+%$/);
  const now = parseInt((await figure.textContent())!, 10);
  const slider = page.getByLabel('Year', { exact: true });
  await slider.focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByText('The plan shows 2036.')).toBeVisible();
  await expect.poll(async () => parseInt((await figure.textContent())!, 10)).toBeGreaterThan(now + 10);
  const left = parseInt((await figure.textContent())!, 10);
  await page.getByRole('group', { name: 'On the plan' }).getByRole('button', { name: /now$/ }).click();
  await expect.poll(async () => parseInt((await figure.textContent())!, 10)).toBeLessThan(left - 10);
  // The chart of it is drawn, and takes the colours of another theme.
  const chart = page.getByRole('img', { name: /of the bark compressed in \d{4}/ });
  const drawn = () =>
    chart.evaluate((canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      return data.filter((_, i) => i % 4 === 3 && data[i]! > 200).length > 100 ? canvas.toDataURL() : '';
    });
  expect(await drawn(), 'far below what is seen').toBe('');
  await chart.scrollIntoViewIfNeeded();
  await expect.poll(drawn).not.toBe('');
  const paper = await drawn();
  await page.getByRole('button', { name: /^Paper theme/ }).click();
  await expect.poll(drawn).not.toBe(paper);
  await page.reload();
  await expect(chart).toBeAttached();
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  expect(await drawn(), 'printed though nobody scrolled to it').not.toBe('');
});

test('the crew sheet names cuts and what never to cut; what was done is kept and told', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/trees/lanternfield-2?station=dig');
  await page.getByRole('link', { name: 'Crew sheet' }).click();
  await expect(page.getByTestId('never')).toContainText('Never cut: D1');
  const rows = page.getByRole('table', { name: 'Cuts' }).locator('tbody tr');
  await expect(rows.nth(1)).toBeVisible();
  await expect(rows.first()).toContainText('°');
  const first = page.getByRole('group', { name: /^Root / }).first();
  await first.getByRole('button', { name: 'otherwise' }).click();
  await first
    .getByLabel(/^Cut \d+, across/)
    .first()
    .fill('5,1');
  await first.getByLabel('What was different').fill('Second root behind it, left.');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: /^Done on site, 1 of/ })).toBeVisible();
  await expect(first.getByLabel('What was different')).toHaveValue('Second root behind it, left.');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
});

test('roots go out as files and come in again; unknown kinds are named and nothing is lost', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-21?station=dig');
  const roots = page.getByRole('table', { name: 'Roots and advice' }).getByRole('button', { name: /^Root / });
  await expect(roots).toHaveCount(5);
  const file = async (format: string) => {
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: format, exact: true }).click();
    return readFileSync(await (await coming).path(), 'utf8');
  };
  expect(await file('SVG')).toMatch(/^<svg xmlns/);
  expect((await file('PNG')).slice(1, 4)).toBe('PNG');
  const geojson = JSON.parse(await file('GeoJSON'));
  expect(geojson.features).toHaveLength(6);
  const csv = await file('CSV');
  // The tree has no outline of its own: the stem of the file, made an oval, becomes it.
  const stem = geojson.features[0].geometry.coordinates[0];
  for (const corner of stem) corner[0] *= 1.2;
  const oval = JSON.stringify({ ...geojson, features: [geojson.features[0]] });
  const bring = (name: string, content: string) =>
    page
      .getByLabel('Roots to import: GeoJSON or CSV')
      .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(content) });
  await bring('oval.geojson', oval);
  await expect(page.getByText('The outline of the stem and 0 roots imported.')).toBeVisible();
  await saved(page);
  const outline = JSON.parse(await file('GeoJSON')).features[0].geometry.coordinates[0];
  expect(outline[54][0] / outline[0][1]).toBeCloseTo(1.2, 2);
  await bring('odd.csv', csv.split('\n').slice(0, 3).join('\n').replaceAll('structural', 'tap'));
  await expect(page.getByText(/kind "tap" is not known; allowed structural/).first()).toBeVisible();
  await expect(roots).toHaveCount(6);
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(roots).toHaveCount(5);
});

/** The first point of a root on the plan, and how far the second lies from it, px. */
function pointsOf(handles: Locator) {
  const both = async () => (await boxesAtRest(handles)).map(middleOf) as [Point, Point];
  return {
    first: async () => (await both())[0],
    apart: async () => {
      const [a, b] = await both();
      return Math.hypot(a.x - b.x, a.y - b.y);
    },
  };
}

test('two fingers make the plan larger, one moves it on from there @whole', async ({ browser }) => {
  const phone = await browser.newContext({ hasTouch: true, viewport: { width: 390, height: 844 } });
  const page = await phone.newPage();
  await asConsultant(page);
  await page.goto('/trees/lanternfield-5?station=dig');
  await page.getByRole('button', { name: 'Root R1', exact: true }).click();
  const plan = page.getByRole('group', { name: /^Plan of the dig/ });
  await plan.scrollIntoViewIfNeeded();
  const handles = page.getByTestId('dig-plan').getByRole('button', { name: /^Point \d of root R1/ });
  const { apart, first } = pointsOf(handles);
  const middle = middleOf(await boxAtRest(plan));
  const touch = await phone.newCDPSession(page);
  const fingers = (type: 'touchStart' | 'touchMove' | 'touchEnd', ...across: [number, number][]) =>
    touch.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: across.map(([dx, id]) => ({ x: middle.x + dx, y: middle.y, id })),
    });
  const before = await apart();
  await fingers('touchStart', [-30, 1]);
  await fingers('touchStart', [-30, 1], [30, 2]);
  for (const gap of [50, 70, 90]) await fingers('touchMove', [-gap, 1], [gap, 2]);
  await expect.poll(apart).toBeCloseTo(3 * before, 0);
  await fingers('touchEnd', [90, 2]);
  const { x } = await first();
  await fingers('touchMove', [-60, 1]);
  await fingers('touchEnd', [-60, 1]);
  expect(await apart()).toBeCloseTo(3 * before, 0);
  expect((await first()).x).toBeCloseTo(x + 30, 0);
  await phone.close();
});

test('the plan is moved by wheel and keys; a double click inserts, split and join are one step each @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/lanternfield-2?station=dig');
  await page.getByRole('button', { name: 'Root X', exact: true }).click();
  const plan = page.getByRole('group', { name: /^Plan of the dig/ });
  const handles = page.getByTestId('dig-plan').getByRole('button', { name: /^Point \d of root X/ });
  const { apart, first } = pointsOf(handles);
  const gap = await apart();
  await page.mouse.move(500, 400);
  await page.mouse.wheel(0, -300);
  await expect.poll(apart).toBeGreaterThan(gap * 1.05);
  await plan.focus();
  await page.keyboard.press('0');
  await expect.poll(apart).toBeCloseTo(gap, 0);
  const before = await first();
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => (await first()).x).toBeLessThan(before.x - 30);
  await page.keyboard.press('0');

  const count = await handles.count();
  const [a, b] = (await boxesAtRest(handles)).map(middleOf) as [Point, Point];
  await page.mouse.dblclick((a.x + b.x) / 2, (a.y + b.y) / 2);
  await expect(handles).toHaveCount(count + 1);
  const editor = page.getByRole('group', { name: 'Root X' });
  await editor.getByLabel('Bearing, point 3').focus();
  await editor.getByRole('button', { name: 'Split here' }).click();
  await expect(handles).toHaveCount(3);
  const roots = page.getByRole('table', { name: 'Roots and advice' }).getByRole('button', { name: /^Root / });
  await expect(roots).toHaveCount(7);
  await choose(editor.getByLabel('Join with'), 'A');
  await expect(roots).toHaveCount(6);
  await expect(handles).toHaveCount(count + 1);
  for (const left of [7, 6]) {
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(roots).toHaveCount(left);
  }
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(handles).toHaveCount(count);
  await saved(page);
});

test('a dig too large for the server is worked out on the device that opens it: the page waits for no figures @whole', async ({
  page,
}) => {
  await asConsultant(page);
  const headers = { 'sec-fetch-site': 'same-origin', 'content-type': 'application/json' };
  const usual = (await (await page.request.get('/api/trees/sable-katsura-14/case')).json()) as CaseFile;
  const visits = usual.visits.map((visit) => ({
    ...visit,
    ...(visit.dig && {
      dig: {
        ...visit.dig,
        // As a scanner gives them: round the stem, point by point.
        roots: Array.from({ length: 60 }, (_, i) => ({
          label: `S${i}`,
          kind: 'structural',
          start: 'stem',
          points: Array.from({ length: 20 }, (_p, k) => ({
            bearing: 6 * i,
            distance: 0.04 * k,
            depth: 0.1,
            diameter: 0.03,
          })),
        })),
      },
    }),
  }));
  const sent = await page.request.post('/api/properties/sable-row/cases', {
    data: JSON.stringify({ ...usual, tree: { ...usual.tree, label: 'Scanned tree' }, visits }),
    headers,
  });
  expect([sent.status(), await sent.text()]).toEqual([200, expect.stringContaining('Scanned tree imported')]);
  const hits = (await (await page.request.get('/api/search?q=Scanned')).json()) as { href: string }[];
  const address = hits.map((h) => h.href).find((href) => href.startsWith('/trees/'))!;
  const given = async (path: string) =>
    /\\"glance\\":(\\"\$undefined|\{)/.exec(await (await page.request.get(path)).text())?.[1];
  expect(await given('/trees/sable-katsura-14?station=dig')).toBe('{');
  expect(await given(`${address}?station=dig`)).toBe('\\"$undefined');
  await page.goto(`${address}?station=dig`);
  await expect(page.getByRole('button', { name: 'Root S59', exact: true })).toBeAttached();
});
