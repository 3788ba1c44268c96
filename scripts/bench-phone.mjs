import { chromium } from '@playwright/test';
import { CHROMIUM } from './setup/packages.mjs';
import { quantile } from './setup/quantile.mjs';

/** A phone as it is in a car park: a quarter of the processor, 400 kbit/s, 300 ms. */
export const PHONE = { cpu: 4, kilobits: 400, latency: 300 };
/** The page of a property is looked at this long before a tree is touched. */
const REST_MS = 8_000;

/** How long a tree takes to be typed into on such a phone, from nothing and once it was taken along, and a keystroke to the drawing. */
export async function onPhone(base) {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const context = await browser.newContext({
    baseURL: base,
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
  });
  const tree = '/trees/sable-katsura-14?station=mulch';
  const bark = 'at the bark, N';
  const slow = async (page) => {
    const client = await context.newCDPSession(page);
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
  await context.addInitScript((label) => {
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
  }, bark);
  const open = async () => {
    const page = await context.newPage();
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
  const fresh = await open();
  figures.push(['a tree, from an empty cache, to typing', fresh.typing]);
  figures.push(['and until what is pressed is answered', fresh.pressed]);
  await fresh.page.close();
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
  await second.page.getByLabel(bark, { exact: true }).focus();
  const strokes = await second.page.evaluate(async () => {
    const { document, MutationObserver, InputEvent, performance: clock } = globalThis;
    const field = document.activeElement;
    const section = document.querySelector('[data-testid="section"]');
    const set = Object.getOwnPropertyDescriptor(globalThis.HTMLInputElement.prototype, 'value').set;
    const taken = [];
    for (let i = 0; i < 40; i++) {
      const begun = clock.now();
      const drawn = new Promise((resolve) => {
        const seen = new MutationObserver(() => (seen.disconnect(), resolve()));
        seen.observe(section, { subtree: true, childList: true, attributes: true, characterData: true });
      });
      set.call(field, String(10 + (i % 20)));
      field.dispatchEvent(new InputEvent('input', { bubbles: true }));
      await drawn;
      taken.push(clock.now() - begun);
      await new Promise((go) => globalThis.setTimeout(go, 120));
    }
    return taken.sort((a, b) => a - b);
  });
  figures.push(['a keystroke to the drawing, median', quantile(strokes, 0.5)]);
  figures.push(['a keystroke to the drawing, 95 %', quantile(strokes, 0.95)]);
  await browser.close();
  return figures;
}
