import { expect, test, type Page } from '@playwright/test';
import { asConsultant, enterDemo, unfold, workedOut, STATIONS } from './enter';

/** Screens with drawings, tables and rows of buttons. */
const VIEWS = [
  '/grounds/kelpworth',
  '/grounds/sable-row',
  '/grounds/kelpworth/work',
  '/grounds/sable-row/notice',
  '/practice/judgements',
  '/season',
  '/season?view=month',
  '/trees/kelpworth-8/time',
  '/trees/sable-katsura-14/report',
  '/trees/sable-katsura-14/crew',
  '/trees/sable-katsura-14/options',
  '/trees/sable-katsura-14/schools',
  '/trees/kelpworth-4/crew/trenches',
  '/trees/kelpworth-4?station=soil',
  '/trees/kelpworth-4?station=trenches',
  // Its shoots stand at half a centimetre.
  '/trees/kelpworth-6?station=mulch',
  ...STATIONS.map((s) => `/trees/sable-katsura-14?station=${s}`),
];

/** What does not hold within the page as it stands: wider than the screen, words of a drawing cut, too small or one over the other, a button in two lines. */
const faults = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    /** Boxes of letters are higher than what is seen of them: so much of two may meet, px. */
    const LEADING = 6;
    /** Smaller letters are not read outdoors, px. */
    const LEAST = 10.8;
    const found: string[] = [];
    const seen = (el: Element) => {
      const { width, height } = el.getBoundingClientRect();
      return width > 1 && height > 1 && el.checkVisibility({ visibilityProperty: true });
    };
    const over = document.documentElement.scrollWidth - innerWidth;
    if (over > 1) found.push(`wider than the screen by ${over} px`);
    for (const button of document.querySelectorAll('.act, .quiet')) {
      if (!seen(button)) continue;
      const text = button.textContent.trim();
      const range = document.createRange();
      range.selectNodeContents(button);
      const lines = new Set(
        [...range.getClientRects()].filter((r) => r.width > 2).map((r) => Math.round(r.bottom / 8)),
      );
      if (lines.size > 1 && text.length < 25) found.push(`in two lines: ${text}`);
    }
    for (const svg of document.querySelectorAll('svg')) {
      if (!seen(svg)) continue;
      const frame = svg.getBoundingClientRect();
      const drawn = [...svg.querySelectorAll('text')].filter(seen);
      for (const text of drawn) {
        const { c = 0, d = 1 } = text.getScreenCTM() ?? {};
        const size = parseFloat(getComputedStyle(text).fontSize) * Math.hypot(c, d);
        // What is drawn for paper is shown as it will lie on it.
        if (size < LEAST && !location.pathname.endsWith('/report'))
          found.push(`written too small, ${size.toFixed(1)} px: ${text.textContent}`);
      }
      const words = drawn.map((t) => ({ text: t.textContent, box: t.getBoundingClientRect() }));
      words.forEach(({ text, box }, i) => {
        if (box.left < frame.left - 2) found.push(`cut at the left: ${text}`);
        for (const other of words.slice(i + 1)) {
          const wide = Math.min(box.right, other.box.right) - Math.max(box.left, other.box.left);
          const high = Math.min(box.bottom, other.box.bottom) - Math.max(box.top, other.box.top);
          if (wide > 2 && high > LEADING && text !== other.text && !/^\d+$/.test(text))
            found.push(`one over the other: ${text}, ${other.text}`);
        }
      });
    }
    return [...new Set(found)];
  });

test('words of drawings and buttons hold in their places in feet and inches, on a phone and on a desk @whole', async ({
  page,
}) => {
  await enterDemo(page);
  await page.context().addCookies([{ name: 'undrel_units', value: 'us', url: page.url() }]);
  const all: Record<string, string[]> = {};
  // What the server wrote and the page came alive as are the same: else it is an error of the page.
  page.on('pageerror', (error) => (all[page.url()] ??= []).push(error.message));
  for (const view of VIEWS) {
    await page.setViewportSize({ width: 390, height: 800 });
    await page.goto(view);
    for (const width of [390, 1280]) {
      await page.setViewportSize({ width, height: 800 });
      await workedOut(page);
      await unfold(page);
      const told = await faults(page);
      if (told.length > 0) all[`${view}, ${width} wide`] = told;
    }
  }
  expect(all).toEqual({});
});

test('who reads inches is told rules of thumb in inches, and nothing is read twice', async ({ page }) => {
  await enterDemo(page);
  await page.context().addCookies([{ name: 'undrel_units', value: 'us', url: page.url() }]);
  await page.goto('/practice');
  await expect(page.getByText('0.75-2 in proud in loosened soil')).toBeVisible();
  await expect(page.getByText(/\d cm\b/)).toHaveCount(0);
  await page.goto('/trees/sable-katsura-14?station=mulch');
  const heads = page.getByRole('rowheader', { name: /out$/ });
  await expect(heads).toHaveText(['11.8 in out', '23.6 in out', '35.4 in out']);
  await page.goto('/trees/sable-katsura-14/record');
  await expect(page.getByRole('cell', { name: /cards set/ }).first()).toBeVisible();
  await expect(page.getByText(/0\.\d{8}/)).toHaveCount(0);
});

test('a page on which nothing is entered is sent without the rules of records @whole', async ({ page }) => {
  await asConsultant(page);
  const scripts: Promise<string>[] = [];
  page.on('response', (answer) => {
    if (/\.js$/.test(new URL(answer.url()).pathname)) scripts.push(answer.text().catch(() => ''));
  });
  for (const path of [
    '/grounds',
    '/grounds/kelpworth',
    '/trees/sable-katsura-14/report',
    '/account',
    '/sign-in',
  ]) {
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    const sent = await Promise.all(scripts.splice(0));
    expect(sent.length).toBeGreaterThan(3);
    expect(sent.filter((script) => script.includes('ZodObject'))).toHaveLength(0);
  }
  // Where something is entered they come with what is entered, not before it is seen.
  const html = await (await page.request.get('/trees/sable-katsura-14?station=mulch')).text();
  const first = [...new Set(html.match(/\/_next\/static\/[\w./~-]+\.js/g))];
  expect(first.length).toBeGreaterThan(3);
  for (const file of first) {
    const program = await (await page.request.get(file)).text();
    expect([file, program.includes('ZodObject')]).toEqual([file, false]);
    // Compiled while it is fetched, not when it is first called.
    expect([file, program.slice(0, 28)]).toEqual([file, '//# allFunctionsCalledOnLoad']);
  }
  // And when they come at rest, they come without the words of the library in fifty languages.
  const rest: string[] = [];
  page.on('response', async (answer) => {
    if (/\.js$/.test(new URL(answer.url()).pathname)) rest.push(await answer.text().catch(() => ''));
  });
  await page.goto('/trees/sable-katsura-14?station=mulch');
  await expect
    .poll(() => rest.some((script) => script.includes('ZodObject')), { timeout: 30_000 })
    .toBe(true);
  expect(rest.filter((script) => script.includes('無効な'))).toHaveLength(0);
});
