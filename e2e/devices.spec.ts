import { expect, test, type Page } from '@playwright/test';
import { boxAtRest, middleOf } from './atRest';
import { findings } from './axe';
import { asConsultant, enterDemo, saved, station } from './enter';
import { choose } from './choose';

const PHONE = { hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } };
/** A place in the middle of an ocean, of nobody. */
const HERE = { latitude: 35.2, longitude: -41.7 };
/** Metres of a degree there, by the ellipsoid. */
const NORTH = 110_945;

async function newTree(page: Page, property: string, label: string): Promise<void> {
  await page.goto(property);
  const add = page.getByRole('button', { name: 'Add a tree' });
  await expect(add).toBeEnabled();
  await add.click();
  await page.getByLabel('Label', { exact: true }).fill(label);
  await page.getByLabel('Species', { exact: true }).fill('Tilia cordata');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await expect(page.getByRole('heading', { name: 'History' })).toBeVisible();
}

test('a position places a tree with its ring, ties the plan, and gives way to a hand that knows better @whole', async ({
  browser,
}) => {
  const context = await browser.newContext({ permissions: ['geolocation'] });
  const page = await context.newPage();
  await enterDemo(page);
  await page.getByRole('button', { name: 'Add a property' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Positions');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.waitForURL(/\/grounds\/[^/]+$/);
  const property = new URL(page.url()).pathname;
  const where = page.getByRole('region', { name: 'Where it stands' });
  const read = where.getByRole('button', { name: 'Position from this device' });

  // The first tree is the plan's origin.
  await context.setGeolocation({ ...HERE, accuracy: 3 });
  await newTree(page, property, 'First');
  await read.click();
  await expect(where).toContainText('Placed to ± 3.0 m');
  await saved(page);

  // The next, 20 m north of it and less surely read.
  await context.setGeolocation({
    latitude: HERE.latitude + 20 / NORTH,
    longitude: HERE.longitude,
    accuracy: 4,
  });
  await newTree(page, property, 'Second');
  await read.click();
  await expect(where).toContainText('0.0 m east, 20.0 m north of the plan’s origin ± 5.0 m');
  await saved(page);
  const mark = where.getByRole('button', { name: /^Second: drag/ });
  await expect(mark.locator('circle[stroke-dasharray]')).toHaveCount(1);

  // It is put right by hand: the ring goes, and what was read now ties the plan.
  const there = middleOf(await boxAtRest(mark.locator('circle').last()));
  await page.mouse.move(there.x, there.y);
  await page.mouse.down();
  await page.mouse.move(there.x + 60, there.y, { steps: 4 });
  await page.mouse.up();
  await expect(where).toContainText(/[1-9][\d.]* m east, 20\.0 m north of the plan’s originSecond/);
  await expect(mark.locator('circle[stroke-dasharray]')).toHaveCount(0);
  await mark.focus();
  await page.keyboard.press('ArrowUp');
  await expect(where).toContainText('20.1 m north');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(where).toContainText('0.0 m east, 20.0 m north of the plan’s origin ± 5.0 m');
  await page.keyboard.press('Control+Shift+z');
  await saved(page);

  // Read again, the position differs from the place that was put by hand: which holds is asked.
  await read.click();
  await expect(where).toContainText(/By its position it stands [\d.]+ m from its place on the plan/);
  await where.getByRole('button', { name: 'Keep its place' }).click();
  await expect(where).toContainText('Its place on the plan stays');
  await saved(page);

  // Another city: it is said, and nothing is moved.
  await context.setGeolocation({ latitude: HERE.latitude + 3, longitude: HERE.longitude, accuracy: 4 });
  await read.click();
  await expect(where.getByRole('alert')).toContainText('Is this the right property?');
  await expect(where).toContainText('20.0 m north');

  // The property's plan shows what is sure and what is not.
  await page.goto(property);
  const plan = page.getByRole('group', { name: 'Plan of the property' });
  await expect(plan.getByRole('link', { name: /^First/ }).locator('circle[stroke-dasharray]')).toHaveCount(1);
  await expect(plan.getByRole('link', { name: /^Second/ }).locator('circle[stroke-dasharray]')).toHaveCount(
    0,
  );

  // Not allowed: it is said, and nothing changes.
  await context.clearPermissions();
  await newTree(page, property, 'Third');
  await read.click();
  await expect(where.getByRole('alert')).toContainText('is not allowed for this page');
  await expect(where).toContainText('Not on the plan yet.');
  await context.close();
});

test('a bearing is taken from the compass over the keys of a phone, with its error; a silent one is said @whole', async ({
  browser,
}) => {
  const page = await (
    await browser.newContext({
      ...PHONE,
      permissions: ['accelerometer', 'gyroscope', 'magnetometer'],
    })
  ).newPage();
  await asConsultant(page);
  await page.goto('/trees/kelpworth-22?station=soil');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await station(page, /^Soil/).click();
  const push = page.getByRole('textbox', { name: /^Push at/ });
  await expect(push).toBeEnabled();
  await push.tap();
  const keys = page.getByRole('toolbar', { name: 'Keys for bearings' });
  await keys.getByRole('button', { name: 'SW', exact: true }).tap();
  await expect(push).toHaveValue('SW');

  await keys.getByRole('button', { name: 'Compass' }).tap();
  const compass = page.getByRole('group', { name: 'Compass' });
  await expect(compass).toContainText('the declination here is not known');
  await expect(compass).toContainText('This device tells no bearing: type it.');
  await expect(compass.getByRole('button', { name: 'Take' })).toBeDisabled();
  await page.evaluate(() => {
    const turn = () =>
      window.dispatchEvent(
        new DeviceOrientationEvent('deviceorientationabsolute', {
          alpha: 218,
          beta: 3,
          gamma: 0,
          absolute: true,
        }),
      );
    setInterval(turn, 50);
  });
  await expect(compass).toContainText('142° SE ± 10°');
  expect(await findings(page)).toEqual([]);
  // With the declination where the phone is, from true north.
  await page.context().grantPermissions(['accelerometer', 'gyroscope', 'magnetometer', 'geolocation']);
  await page.context().setGeolocation({ latitude: -36, longitude: -137, accuracy: 3 });
  await compass.getByRole('button', { name: 'Find it by position' }).tap();
  await expect(compass).toContainText(/true north, declination 20\.[0-5]° east by this phone’s position of/);
  await expect(compass).toContainText('162° S ± 10°');
  await compass.getByRole('button', { name: 'Take' }).tap();
  await expect(push).toHaveValue('162');
  await expect(push).toBeFocused();
  await expect(compass).toBeHidden();
  await page.context().close();
});

test('the penetrometer speaks by Bluetooth too; a push that is cancelled leaves nothing @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-20?station=soil');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await station(page, /^Soil/).click();
  const device = page.getByRole('region', { name: 'Penetrometer' });
  await choose(device.getByLabel('Penetrometer', { exact: true }), { label: 'Simulated, by Bluetooth' });
  await device.getByLabel('Push at').fill('W');
  await device.getByLabel('How far out').fill('120');
  await device.getByRole('button', { name: 'Push', exact: true }).click();
  await expect(device.getByText(/^Going down/)).toBeVisible();
  await device.getByRole('button', { name: 'Cancel' }).click();
  await expect(device.getByRole('button', { name: 'Push', exact: true })).toBeEnabled();
  await device.getByRole('button', { name: 'Push', exact: true }).click();
  await expect(device.getByTestId('tightness')).toContainText('1 push');
  await saved(page);
  // In inches the words, the chart and the drawing tell the limit in psi.
  const chart = page.getByRole('img', { name: /^Cone index by depth/ });
  for (const limit of [/^2 MPa at/, /^300 psi at/]) {
    await expect(device.getByTestId('tightness')).toHaveText(limit);
    const said = limit.source.slice(1, -3);
    await expect(chart).toHaveAccessibleName(new RegExp(`Roots stop at ${said}`));
    await expect(page.locator('svg').getByText(said, { exact: true })).toBeVisible();
    await page.getByRole('button', { name: /^cm in, units:/ }).click();
  }
});

test('in the sun the bright theme comes by itself and goes again, until another is chosen by a tap @whole', async ({
  page,
}) => {
  // A light sensor that says what it is told.
  await page.addInitScript(() => {
    class Sensor extends EventTarget {
      illuminance = 300;
      start() {
        window.addEventListener('light', (event) => {
          this.illuminance = (event as CustomEvent<number>).detail;
          this.dispatchEvent(new Event('reading'));
        });
      }
      stop() {}
    }
    Object.assign(window, { AmbientLightSensor: Sensor });
  });
  const light = (lux: number) =>
    page.evaluate((detail) => window.dispatchEvent(new CustomEvent('light', { detail })), lux);
  const root = page.locator('html');
  await asConsultant(page);
  await page.goto('/account');
  await page.getByRole('group', { name: 'Theme' }).getByRole('button', { name: 'Dark' }).click();
  await expect(root).toHaveAttribute('data-theme', 'dark');
  const follows = page.getByRole('checkbox', { name: 'Bright sun by the light sensor' });
  await follows.check();
  await expect
    .poll(async () => {
      await light(30_000);
      return root.getAttribute('data-theme');
    })
    .toBe('sun');
  // A cloud is no shade.
  await light(6_000);
  await expect(root).toHaveAttribute('data-theme', 'sun');
  await light(500);
  await expect(root).toHaveAttribute('data-theme', 'dark');

  // Another page of the device follows as well.
  await page.goto('/grounds');
  await expect
    .poll(async () => {
      await light(30_000);
      return root.getAttribute('data-theme');
    })
    .toBe('sun');
  await page.goto('/account');
  await page.getByRole('group', { name: 'Theme' }).getByRole('button', { name: 'Paper' }).click();
  await expect(follows).not.toBeChecked();
  await light(30_000);
  await expect(root).toHaveAttribute('data-theme', 'paper');
});
