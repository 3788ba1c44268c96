import { expect, test, type Page } from '@playwright/test';
import { findings } from './axe';
import { asConsultant, LATE, STATIONS, unfold } from './enter';

/** Views by what they are about; each group is a test of its own, so that a busy machine ends each in time. */
const VIEWS: Record<string, readonly string[]> = {
  'grounds and practice': [
    '/grounds',
    '/grounds/kelpworth',
    '/grounds/kelpworth/walk',
    '/grounds/kelpworth/materials',
    '/grounds/kelpworth/work',
    '/grounds/kelpworth/water?on=2026-07-15',
    '/grounds/lanternfield/schools',
    '/practice',
    '/practice/rates',
    '/practice/species',
    '/account',
    '/firm',
  ],
  judgements: ['/practice/judgements'],
  'season and time': [
    '/season',
    '/season?view=year',
    '/season?view=days',
    '/grounds/sable-row/notice',
    '/trees/kelpworth-8/time',
    '/practice/worked',
    '/cards',
  ],
  'pages of a tree': [
    '/trees/sable-katsura-14/report',
    '/trees/sable-katsura-14/record',
    '/trees/sable-katsura-14/crew',
    '/trees/sable-katsura-14/options',
    '/trees/sable-katsura-14/order',
    '/trees/sable-katsura-14/pictures',
    '/trees/sable-katsura-14/schools',
    '/trees/sable-katsura-14/crew/trenches',
    '/trees/kelpworth-4/crew/trenches',
    '/trees/kelpworth-2',
  ],
  'stations of a tree': STATIONS.slice(0, 6).map((s) => `/trees/sable-katsura-14?station=${s}`),
  'stations of a tree, what follows': STATIONS.slice(6).map((s) => `/trees/sable-katsura-14?station=${s}`),
};

/** From when letters have their shapes: where each thing that can be pressed is first seen, and where else after that. */
function watchMoves(late: string): void {
  /** What was moved stays there, so that a look now and then sees it; a look at every frame would draw every frame. */
  const LOOK_MS = 50;
  const first = new WeakMap<Element, number>();
  const moved: string[] = [];
  const watch = { moved, over: false, late: false };
  Object.assign(window, { watch });
  const look = () => {
    if (watch.over) return;
    watch.late ||= new RegExp(late).test(document.querySelector('main')?.textContent ?? '');
    for (const el of document.querySelectorAll<HTMLElement>(
      'button:enabled, a[href], input:enabled, select:enabled, textarea:enabled, summary',
    )) {
      const box = el.getBoundingClientRect();
      if (box.height === 0 || !el.checkVisibility()) continue;
      const was = first.get(el);
      if (was !== undefined && Math.abs(was - box.top) > 1)
        moved.push(
          `${el.tagName} ${el.getAttribute('aria-label') ?? el.textContent ?? ''}: ${was} to ${box.top}`,
        );
      first.set(el, box.top);
    }
    setTimeout(look, LOOK_MS);
  };
  document.addEventListener('DOMContentLoaded', () => void document.fonts.ready.then(look));
}

/** What was moved by parts of the page that came late, once all of them are there, and whether there were any. */
async function movedLate(page: Page): Promise<{ moved: string[]; late: boolean }> {
  await page.waitForFunction((late) => !new RegExp(late).test(document.body.innerText), LATE.source);
  return page.evaluate(() => {
    const { watch } = window as unknown as { watch: { moved: string[]; over: boolean; late: boolean } };
    watch.over = true;
    return { moved: watch.moved.slice(0, 20), late: watch.late };
  });
}

/** Rules of which the answer depends on the width; the others are asked at the desk. */
const BY_WIDTH = ['scrollable-region-focusable', 'target-size', 'link-in-text-block', 'meta-viewport'];

/** Views that between them show every part the interface is made of: drawings, charts, forms, tables, marks of state. */
const COLOURFUL = [
  '/sign-in',
  '/grounds/kelpworth',
  '/practice/rates',
  '/trees/sable-katsura-14/report',
  '/trees/sable-katsura-14/crew',
  '/trees/sable-katsura-14/options',
  '/trees/sable-katsura-14/order',
  '/trees/kelpworth-2',
  ...['history', 'mulch', 'dig', 'soil', 'trenches', 'verdict', 'cuts', 'prescription'].map(
    (s) => `/trees/sable-katsura-14?station=${s}`,
  ),
];

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
type Screen = typeof DESK;

/** The rules that are asked of a view: colours wherever they may differ from what was asked before. */
function rulesOf(view: string, theme: string, screen: Screen): readonly string[] | undefined {
  if (theme !== 'paper') return ['color-contrast'];
  if (screen === DESK) return undefined;
  return COLOURFUL.includes(view) ? [...BY_WIDTH, 'color-contrast'] : BY_WIDTH;
}

/** Themes differ in colours alone, which are the same at every width. */
const themesOf = (view: string, screen: Screen) =>
  screen === DESK && COLOURFUL.includes(view) ? ['paper', 'dark', 'sun'] : ['paper'];

async function check(page: Page, view: string, screen: Screen) {
  const { width } = screen;
  await page.setViewportSize(screen);
  await unfold(page);
  for (const theme of themesOf(view, screen)) {
    await page.evaluate((t) => (document.documentElement.dataset.theme = t), theme);
    expect([view, width, theme, await findings(page, rulesOf(view, theme, screen))]).toEqual([
      view,
      width,
      theme,
      [],
    ]);
  }
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect([view, width, overflow]).toEqual([view, width, 0]);
}

async function open(page: Page, view: string, screen: Screen) {
  await page.setViewportSize(screen);
  await page.goto(view);
  await expect(page.locator('main')).toBeVisible();
  // Once it listens: until then nothing takes a press, or the focus.
  for (const find of await page.getByRole('button', { name: /^Find/ }).all())
    await expect(find).toBeEnabled();
  const { width } = screen;
  const { moved, late } = await movedLate(page);
  expect([view, width, moved]).toEqual([view, width, []]);
  return { late };
}

test.describe.configure({ mode: 'parallel' });

test('no serious finding: sign-in', async ({ page }) => {
  for (const view of ['/sign-in', '/sign-in/forgotten', '/mailbox', '/verify']) {
    await page.goto(view);
    for (const screen of [DESK, PHONE]) await check(page, view, screen);
  }
});
for (const [about, views] of Object.entries(VIEWS))
  test(`no serious finding, and nothing that can be pressed is moved by what comes late: ${about} @whole`, async ({
    page,
  }) => {
    await page.addInitScript(watchMoves, LATE.source);
    await asConsultant(page);
    for (const view of views) {
      const { late } = await open(page, view, DESK);
      await check(page, view, DESK);
      // What came late at the desk is opened on a phone as well, to see whether it moves anything there.
      if (late) await open(page, view, PHONE);
      await check(page, view, PHONE);
    }
  });
