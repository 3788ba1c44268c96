import { chromium } from '@playwright/test';
import { CHROMIUM } from './setup/packages.mjs';
import { quantile } from './setup/quantile.mjs';

/** A phone as it is in a car park: a quarter of the processor, 400 kbit/s, 300 ms. */
export const PHONE = { cpu: 4, kilobits: 400, latency: 300 };
/** The page of a property is looked at this long before a tree is touched. */
const REST_MS = 8_000;
/** Who types does not wait longer between two keys. */
const BETWEEN_KEYS_MS = 120;

/** Keys pressed one after the other in a field, each of which the section follows; from each to the drawing, ms. */
async function typed(page, label) {
  await page.evaluate((name) => {
    const { document, performance: clock, MutationObserver } = globalThis;
    const field = [...document.querySelectorAll('input')].find((i) => i.labels?.[0]?.textContent === name);
    field.focus();
    field.select();
    const strokes = (globalThis.strokes = []);
    let pressedAt;
    globalThis.addEventListener('keydown', ({ timeStamp }) => (pressedAt = timeStamp), true);
    new MutationObserver(() => {
      if (pressedAt !== undefined) strokes.push(clock.now() - pressedAt);
      pressedAt = undefined;
    }).observe(document.querySelector('[data-testid="section"]'), {
      subtree: true,
      childList: true,
      attributes: true,
      characterData: true,
    });
  }, label);
  await page.keyboard.press('1');
  for (let i = 0; i < 60; i++) {
    await page.waitForTimeout(BETWEEN_KEYS_MS);
    await page.keyboard.press(i % 2 === 0 ? String(2 + (i % 8)) : 'Backspace');
  }
  await page.waitForTimeout(REST_MS / 8);
  return (await page.evaluate(() => globalThis.strokes)).sort((a, b) => a - b);
}

/** How long a tree takes to be typed into on such a phone, from nothing and once it was taken along, and a keystroke to the drawing. */
export async function onPhone(base) {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const device = {
    baseURL: base,
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
  };
  const context = await browser.newContext(device);
  const tree = '/trees/sable-katsura-14?station=mulch';
  const bark = 'at the bark, N';
  const slow = async (page) => {
    const client = await page.context().newCDPSession(page);
    await client.send('Network.enable');
    await client.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: PHONE.latency,
      downloadThroughput: (1000 * PHONE.kilobits) / 8,
      uploadThroughput: (1000 * PHONE.kilobits) / 8,
    });
    await client.send('Emulation.setCPUThrottlingRate', { rate: PHONE.cpu });
  };
  // The page itself notes when its field takes typing, and when what is pressed is answered: whoever asks from outside waits for
  // a slow processor as well.
  const notes = (label) => {
    const { document, location, performance: clock } = globalThis;
    // On another page it would only take time from it.
    if (!location.pathname.startsWith('/trees/')) return;
    const times = (globalThis.times = {});
    const look = () => {
      const field = [...document.querySelectorAll('input')].find((i) => i.labels?.[0]?.textContent === label);
      if (field?.matches(':enabled')) {
        times.typing ??= clock.now();
        if (!field.closest('[data-waits]')) return (times.pressed = clock.now());
      }
      setTimeout(look, 10);
    };
    look();
  };
  await context.addInitScript(notes, bark);
  const open = async (where = context) => {
    const page = await where.newPage();
    await slow(page);
    await page.goto(tree, { waitUntil: 'commit' });
    await page.waitForFunction(() => globalThis.times?.pressed, null, { polling: 100 });
    return { page, ...(await page.evaluate(() => globalThis.times)) };
  };
  /** The same by its link on the page of the property, from the touch on. */
  const tap = async (page) => {
    const link = page.getByRole('link', { name: 'Katsura 14', exact: true }).first();
    await link.waitFor();
    // At rest, as when one has looked for the tree in the list.
    await page.waitForTimeout(REST_MS);
    await page.evaluate((label) => {
      const { document, performance: clock } = globalThis;
      globalThis.taken = new Promise((done) => {
        document.addEventListener(
          'click',
          ({ timeStamp }) => {
            const look = () => {
              const field = [...document.querySelectorAll('input')].find(
                (i) => i.labels[0]?.textContent === label,
              );
              if (field?.matches(':enabled')) done(clock.now() - timeStamp);
              else globalThis.requestAnimationFrame(look);
            };
            look();
          },
          { capture: true, once: true },
        );
      });
    }, bark);
    await link.click();
    const taken = await page.evaluate(() => globalThis.taken);
    await page.goBack();
    return taken;
  };
  const enter = await context.newPage();
  await enter.goto('/sign-in');
  await enter.getByRole('button', { name: 'Enter as the consultant' }).click();
  await enter.waitForURL('**/grounds');
  const figures = [];
  // A session, and nothing of the application.
  const bare = await browser.newContext(device);
  await bare.addCookies(await context.cookies());
  await bare.addInitScript(notes, bark);
  const fresh = await open(bare);
  figures.push(['a tree, from an empty cache, to typing', fresh.typing]);
  figures.push(['and until what is pressed is answered', fresh.pressed]);
  await bare.close();
  const entered = await open();
  figures.push(['a tree on a device where the grounds were opened before, to typing', entered.typing]);
  figures.push(['and until what is pressed is answered', entered.pressed]);
  await entered.page.close();
  await enter.goto('/grounds/sable-row');
  await enter.getByRole('button', { name: 'Take along' }).click();
  await enter.getByRole('dialog').getByRole('button', { name: 'Take along' }).click();
  await enter.getByText(/^On this device: /).waitFor({ timeout: 120_000 });
  await enter.close();
  const first = await open();
  figures.push(['the same once it was taken along, by its address, first, to typing', first.typing]);
  figures.push(['and until what is pressed is answered', first.pressed]);
  await first.page.close();
  const second = await open();
  figures.push(['the same, second, to typing', second.typing]);
  figures.push(['and until what is pressed is answered', second.pressed]);
  const list = await context.newPage();
  await slow(list);
  await list.goto('/grounds/sable-row');
  figures.push(['by its link on the page of the property, first, to typing', await tap(list)]);
  figures.push(['the same, second, to typing', await tap(list)]);
  await list.close();
  const strokes = await typed(second.page, bark);
  figures.push(['a keystroke to the drawing, median', quantile(strokes, 0.5)]);
  figures.push(['a keystroke to the drawing, 95 %', quantile(strokes, 0.95)]);
  await browser.close();
  return figures;
}
