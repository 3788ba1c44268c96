import sharp from 'sharp';
import { expect, test, type Page } from '@playwright/test';
import { enterDemo, newVisit } from './enter';

// The service worker is what is tried.
test.use({ serviceWorkers: 'allow' });

const TREE = 'sable-hornbeam-5';
const PICTURED = 'kelpworth-4';

/** Changes that are left to the worker; none where the store is not there yet. */
const left = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    if (!(await indexedDB.databases()).some((d) => d.name === 'undrel.left')) return -1;
    const db = await new Promise<IDBDatabase>((done) => {
      const asked = indexedDB.open('undrel.left');
      asked.onsuccess = () => done(asked.result);
    });
    const count = await new Promise<number>((done) => {
      const asked = db.transaction('changes').objectStore('changes').count();
      asked.onsuccess = () => done(asked.result);
    });
    db.close();
    return count;
  });

/** Tells the worker what a browser tells it when it finds signal. */
async function signalFound(page: Page): Promise<void> {
  const client = await page.context().newCDPSession(page);
  const registered = new Promise<string>((done) => {
    client.on('ServiceWorker.workerRegistrationUpdated', ({ registrations }) => {
      const own = registrations.find((r) => !r.isDeleted);
      if (own) done(own.registrationId);
    });
  });
  await client.send('ServiceWorker.enable');
  await client.send('ServiceWorker.dispatchSyncEvent', {
    origin: new URL(page.url()).origin,
    registrationId: await registered,
    tag: 'undrel.changes',
    lastChance: false,
  });
}

test('what did not arrive is sent when the browser finds signal, though no page of it is open; its page finds it saved @whole', async ({
  page,
}) => {
  await enterDemo(page);
  const context = page.context();
  await page.goto(`/trees/${TREE}?station=mulch`);
  await newVisit(page);
  await page.getByRole('button', { name: /^Mulch/ }).click();
  await expect(page.getByTestId('save-state')).toContainText('Saved');
  await expect.poll(() => left(page)).toBe(0);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  // A page that says whether the server is well is none of the application, and sends nothing.
  const plain = await context.newPage();
  await plain.goto('/api/health');
  await page.bringToFront();

  await context.setOffline(true);
  await page.getByLabel('at the bark, N', { exact: true }).fill('21.4');
  await expect(page.getByTestId('save-state')).toContainText('kept on this device');
  await expect.poll(() => left(page)).toBeGreaterThan(0);
  await page.close();

  const depth = async (): Promise<number | undefined> => {
    const { visits } = (await (await plain.request.get(`/api/trees/${TREE}/case`)).json()) as {
      visits: { profiles: { bearing: number; mulch: { depth: number }[] }[] }[];
    };
    return visits
      .flatMap((v) => v.profiles)
      .flatMap((p) => p.mulch)
      .map((m) => m.depth)
      .find((d) => Math.abs(d - 0.214) < 1e-9);
  };
  expect(await depth()).toBeUndefined();
  // From here on the browser may tell the worker by itself.
  await context.setOffline(false);
  await signalFound(plain);
  await expect.poll(depth).toBe(0.214);
  await expect.poll(() => left(plain)).toBe(0);

  // The page has it still as unsaved: it asks once more, and nothing is in conflict.
  const again = await context.newPage();
  await again.goto(`/trees/${TREE}?station=mulch`);
  await expect(again.getByLabel('at the bark, N', { exact: true })).toHaveValue('21.4');
  await expect(again.getByTestId('save-state')).toContainText('Saved');
  await expect(again.getByText(/someone else/i)).toHaveCount(0);
});

/** Pictures that are kept on the device until they arrive. */
const waiting = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((done) => {
      const asked = indexedDB.open('undrel.pictures');
      asked.onsuccess = () => done(asked.result);
    });
    const count = await new Promise<number>((done) => {
      const asked = db.transaction('pictures').objectStore('pictures').count();
      asked.onsuccess = () => done(asked.result);
    });
    db.close();
    return count;
  });

const shownIn = (page: Page) =>
  page.getByRole('region', { name: 'Other pictures' }).getByRole('button', { name: /^Open: / });

test('a photograph that found no signal arrives with its record, though no page is open; its page shows it once @whole', async ({
  page,
}) => {
  await enterDemo(page);
  const context = page.context();
  await page.goto(`/trees/${PICTURED}/pictures`);
  const others = page.getByRole('region', { name: 'Other pictures' });
  const before = await shownIn(page).count();
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  const plain = await context.newPage();
  await plain.goto('/api/health');
  await page.bringToFront();
  await context.setOffline(true);
  // Like no other: the same picture once more is the same record.
  const now = Date.now();
  const background = { r: now % 256, g: Math.floor(now / 256) % 256, b: 110 };
  const buffer = await sharp({ create: { width: 640, height: 480, channels: 3, background } })
    .jpeg()
    .toBuffer();
  await page
    .getByLabel('Pictures to add: JPEG, PNG or WebP')
    .setInputFiles([{ name: 'no signal.jpg', mimeType: 'image/jpeg', buffer }]);
  await expect(others.getByRole('alert')).toContainText('it is still here');
  await page.close();

  expect(await waiting(plain)).toBe(1);
  await context.setOffline(false);
  await signalFound(plain);
  await expect.poll(() => waiting(plain)).toBe(0);

  const again = await context.newPage();
  await again.goto(`/trees/${PICTURED}/pictures`);
  await expect(shownIn(again)).toHaveCount(before + 1);
  await expect(again.getByRole('list', { name: 'On their way' }).getByRole('listitem')).toHaveCount(0);
});
