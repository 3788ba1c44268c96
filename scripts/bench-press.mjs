import { chromium } from '@playwright/test';
import { PHONE } from './bench-phone.mjs';
import { CHROMIUM } from './setup/packages.mjs';
import { quantile } from './setup/quantile.mjs';

const TREE = '/trees/sable-katsura-14';
const STATIONS = ['history', 'base', 'crown', 'mulch', 'probe', 'dig', 'soil', 'trenches', 'verdict', 'cuts'];
/** Screens that are worked on with a thumb. */
const SCREENS = [
  '/grounds',
  '/grounds/kelpworth',
  '/grounds/kelpworth/work',
  '/season',
  ...STATIONS.map((station) => `${TREE}?station=${station}`),
  `${TREE}?station=prescription`,
  `${TREE}/order`,
  `${TREE}/crew`,
  `${TREE}/pictures`,
  `${TREE}/options`,
];
/** What leaves the screen, sends, or asks for a device. */
const LEFT_OUT =
  /remove|delete|sign out|new visit|take |print|download|issue|send|leave|agree|link|invite|camera|photograph|position|read again|report/i;
/** Things pressed on a screen, of each look no more than so many. */
const [MOST, ALIKE] = [12, 2];
const REST_MS = 700;

/**
 * Has the page note how long each press waits for the picture after it, ms, and find what can be pressed. The page does it all
 * itself: what reaches into it from outside would listen to each press too, which costs a slow phone some 10 ms of it.
 */
function watchPresses() {
  const { document } = globalThis;
  const waits = [];
  let found = [];
  new globalThis.PerformanceObserver((list) => {
    for (const entry of list.getEntries()) if (entry.interactionId) waits.push(entry.duration);
  }).observe({ type: 'event', durationThreshold: 16 });
  /** What an element is called and looks like; nothing where it cannot be pressed. */
  const said = (element) => {
    if (!element.isConnected || !element.checkVisibility() || element.disabled) return null;
    if (['file', 'submit'].includes(element.type)) return null;
    const name =
      element.getAttribute('aria-label') ?? element.labels?.[0]?.textContent ?? element.textContent;
    return { name: name.trim().slice(0, 40), look: `${element.tagName} ${element.className}` };
  };
  const pressed = 'button, summary, input, [role=combobox]';
  globalThis.presses = {
    find: () => (found = [...document.querySelectorAll(`:is(main, header, nav) :is(${pressed})`)]).length,
    said: (i) => said(found[i]),
    /** Middle of it, scrolled to; nothing where a finger would land on something else. */
    place: async (i) => {
      found[i].scrollIntoView({ block: 'center' });
      await new Promise((drawn) => globalThis.requestAnimationFrame(() => setTimeout(drawn)));
      const { left, top, width, height } = found[i].getBoundingClientRect();
      const [x, y] = [left + width / 2, top + height / 2];
      const hit = document.elementFromPoint(x, y);
      const lands =
        hit && (found[i].contains(hit) || [...(found[i].labels ?? [])].some((l) => l.contains(hit)));
      return lands ? [x, y] : null;
    },
    begin: () => void (waits.length = 0),
    waited: () => Math.max(0, ...waits),
  };
}

/** Presses what a screen has, one after the other; from each press to the next picture, ms. */
async function pressed(page) {
  const count = await page.evaluate(() => globalThis.presses.find());
  const seen = new Map();
  const waits = [];
  for (let i = 0; i < count && waits.length < MOST; i++) {
    const what = await page.evaluate((at) => globalThis.presses.said(at), i);
    const alike = what ? (seen.get(what.look) ?? 0) : ALIKE;
    if (!what || LEFT_OUT.test(what.name) || alike === ALIKE) continue;
    seen.set(what.look, alike + 1);
    const address = page.url();
    const at = await page.evaluate((place) => globalThis.presses.place(place), i);
    if (!at) continue;
    await page.evaluate(() => globalThis.presses.begin());
    await page.touchscreen.tap(...at);
    await page.waitForTimeout(REST_MS);
    const took = await page.evaluate(() => globalThis.presses.waited()).catch(() => 0);
    waits.push({ took, name: what.name });
    if (new URL(page.url()).pathname !== new URL(address).pathname) break;
    await page.keyboard.press('Escape');
  }
  return waits.sort((a, b) => a.took - b.took);
}

/** How long what is pressed waits for the next picture on a slow phone, screen by screen: median, 95 %, slowest and its name. */
export async function presses(base) {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const context = await browser.newContext({
    baseURL: base,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    serviceWorkers: 'block',
  });
  await context.addInitScript(watchPresses);
  const enter = await context.newPage();
  await enter.goto('/sign-in');
  await enter.getByRole('button', { name: 'Enter as the consultant' }).click();
  await enter.waitForURL('**/grounds');
  await enter.close();
  const rows = [];
  for (const screen of SCREENS) {
    const page = await context.newPage();
    page.on('dialog', (dialog) => dialog.dismiss());
    const client = await context.newCDPSession(page);
    await client.send('Emulation.setCPUThrottlingRate', { rate: PHONE.cpu });
    await page.goto(screen);
    // A page that is sent what it lists bit by bit is not waited for.
    await page.waitForLoadState('networkidle', { timeout: 10_000 }).catch(() => undefined);
    await page.waitForTimeout(3 * REST_MS);
    const waits = await pressed(page);
    const slowest = waits.at(-1);
    if (slowest)
      rows.push({
        screen,
        presses: waits.length,
        median: quantile(
          waits.map((w) => w.took),
          0.5,
        ),
        p95: quantile(
          waits.map((w) => w.took),
          0.95,
        ),
        slowest,
      });
    await page.close();
  }
  await browser.close();
  return rows;
}
