import { randomBytes } from 'node:crypto';
import sharp from 'sharp';
import { expect, test, type Page } from '@playwright/test';
import { boxAtRest, boxesAtRest, type Box } from './atRest';
import { asConsultant, saved } from './enter';
import { choose } from './choose';

const TREE = 'kelpworth-3';

/** A made-up photograph, another one for each number. */
const photograph = async (n: number, name = `shot ${n}.jpg`) => ({
  name,
  mimeType: 'image/jpeg',
  buffer: await sharp({
    create: { width: 800, height: 600, channels: 3, background: { r: 40 * (n % 6), g: 120, b: 90 } },
  })
    .composite([
      {
        input: Buffer.from(
          `<svg xmlns="http://www.w3.org/2000/svg" width="800" height="600"><circle cx="400" cy="300" r="${60 + 20 * (n % 8)}" fill="#5a4632"/><text x="20" y="580" font-size="40" fill="#fff">${n}</text></svg>`,
        ),
      },
    ])
    .jpeg()
    .toBuffer(),
});
const input = (page: Page) => page.getByLabel('Pictures to add: JPEG, PNG or WebP');

test('eight sides of the collar by one thumb; kept when the server is away, and sent again @whole', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await asConsultant(page);
  await page.goto(`/trees/${TREE}/pictures`);
  const sides = page.getByRole('region', { name: 'Collar from eight sides' });
  const way = page.getByRole('list', { name: 'On their way' });
  let n = 0;
  for (const side of ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW']) {
    const slot = sides.getByRole('button', { name: new RegExp(` from ${side}$`) });
    if ((await slot.getAttribute('aria-label'))!.startsWith('Picture')) continue;
    const [chooser] = await Promise.all([page.waitForEvent('filechooser'), slot.click()]);
    if (n === 2) await page.context().setOffline(true);
    await chooser.setFiles(await photograph(n++));
    if (n === 3) {
      // Out of reach nothing is lost: it is there to be sent again.
      await expect(way.getByRole('alert')).toContainText('it is still here');
      await page.context().setOffline(false);
      await way.getByRole('button', { name: 'Send again' }).click();
    }
    await expect(sides.getByRole('button', { name: `Picture from ${side}`, exact: true })).toBeVisible();
    await saved(page);
  }
  await expect(sides).toContainText('8 of 8');
  await expect(way.getByRole('button')).toHaveCount(0);
  await page.goto(`/trees/${TREE}/order`);
  await expect(page.getByRole('link', { name: 'Pictures of the collar: 8 of 8 sides' })).toBeVisible();
});

test('a picture imported is named, marked and put into the report; what is none is refused in words @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto(`/trees/sable-hornbeam-3/pictures`);
  const others = page.getByRole('region', { name: 'Other pictures' });
  const way = others.getByRole('list', { name: 'On their way' });
  await input(page).setInputFiles([
    { name: 'report.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('%PDF-1.7 no picture') },
    await photograph(9, 'collar.jpg'),
  ]);
  await expect(way.getByRole('listitem').first()).toContainText('report.jpg');
  await expect(way.getByRole('alert')).toHaveText('This is no picture: JPEG, PNG or WebP is asked for.');
  await way.getByRole('button', { name: 'Leave it' }).click();
  const one = others.getByRole('button', { name: /^Open: / }).first();
  await one.click();
  const view = page.getByRole('dialog');
  await view.getByLabel('Caption').fill('Bark under the old grade');
  await choose(view.getByLabel('Shows'), 'base');
  // An arrow drawn over it, with words.
  await view.getByRole('button', { name: 'Arrow' }).click();
  const box = await boxAtRest(view.getByRole('img'));
  const at = (x: number, y: number) => [box.x + x * box.width, box.y + y * box.height] as const;
  await page.mouse.move(...at(0.2, 0.2));
  await page.mouse.down();
  await page.mouse.move(...at(0.5, 0.5), { steps: 4 });
  await page.mouse.up();
  await view
    .getByLabel(/^Words at Arrow/)
    .last()
    .fill('girdling root');
  await expect(view.getByRole('img')).toContainText('girdling root');
  // A sheet of A4 in the picture, a millimetre for each pixel of its 800: what is 250 of them long is 25 cm.
  await view.getByRole('button', { name: 'A4 sheet' }).click();
  for (const [x, y] of [
    [100, 100],
    [310, 100],
    [310, 397],
    [100, 397],
  ] as const)
    await page.mouse.click(...at(x / 800, y / 600));
  await expect(view.getByText(/^Lengths are measured in the plane of the A4 sheet/)).toBeVisible();
  await view.getByRole('button', { name: 'Length' }).click();
  await page.mouse.move(...at(400 / 800, 450 / 600));
  await page.mouse.down();
  await page.mouse.move(...at(650 / 800, 450 / 600), { steps: 4 });
  await page.mouse.up();
  await expect(view.getByRole('img')).toContainText(/2[45]\.\d ± \d\.\d cm/);
  await view.getByRole('button', { name: 'Close' }).click();
  await saved(page);
  // The same again is the same picture.
  const before = await others.getByRole('button', { name: /^Open: / }).count();
  const again = page.waitForResponse('**/api/pictures?*');
  await input(page).setInputFiles([await photograph(9, 'collar.jpg')]);
  await again;
  await expect(way.getByRole('listitem').last()).toContainText('arrived');
  await expect(others.getByRole('button', { name: /^Open: / })).toHaveCount(before);
  await saved(page);

  await page.goto(`/trees/sable-hornbeam-3/report`);
  const pictures = page.getByRole('region', { name: 'Pictures' });
  await expect(pictures.getByRole('img', { name: /^Bark under the old grade/ })).toBeVisible();
  const shown = await page.evaluate(async () => {
    const href = document.querySelector('section[aria-label$="Pictures"] image')!.getAttribute('href')!;
    const answer = await fetch(href);
    return [answer.status, answer.headers.get('content-type'), answer.headers.get('cache-control')];
  });
  expect(shown).toEqual([200, 'image/jpeg', 'private, max-age=31536000, immutable']);
  const pdf = await page.request.get(`/api/trees/sable-hornbeam-3/report?format=pdf`);
  expect(pdf.status()).toBe(200);
  expect((await pdf.body()).includes('/DCTDecode')).toBe(true);
  const docx = await page.request.get(`/api/trees/sable-hornbeam-3/report?format=docx`);
  expect(docx.status()).toBe(200);

  // Taken off, and left out of the report.
  await page.goto(`/trees/sable-hornbeam-3/pictures`);
  await one.click();
  await view.getByRole('button', { name: 'Remove this picture' }).click();
  await expect(others.getByRole('button', { name: /^Open: / })).toHaveCount(before - 1);
  await saved(page);
  // Taken back, and off again for a second run.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(others.getByRole('button', { name: /^Open: / })).toHaveCount(before);
  await saved(page);
  await one.click();
  await view.getByRole('button', { name: 'Remove this picture' }).click();
  await saved(page);
});

test('a picture that stands upright: a mark is where it was drawn, in whatever room the picture has @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/sable-hornbeam-5/pictures');
  const others = page.getByRole('region', { name: 'Other pictures' });
  const upright = await sharp({ create: { width: 600, height: 1200, channels: 3, background: '#8a7' } })
    .composite([
      {
        input: Buffer.from(
          `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="1200"><text x="20" y="60" font-size="40">${Date.now()}</text></svg>`,
        ),
      },
    ])
    .jpeg()
    .toBuffer();
  const before = await others.getByRole('button', { name: /^Open: / }).count();
  await input(page).setInputFiles([{ name: 'upright.jpg', mimeType: 'image/jpeg', buffer: upright }]);
  await expect(others.getByRole('button', { name: /^Open: / })).toHaveCount(before + 1);
  await others
    .getByRole('button', { name: /^Open: / })
    .last()
    .click();
  const view = page.getByRole('dialog');
  await view.getByRole('button', { name: 'Length' }).click();
  const image = await boxAtRest(view.locator('image'));
  const at = (x: number, y: number) => [image.x + x * image.width, image.y + y * image.height] as const;
  await page.mouse.move(...at(0.25, 0.5));
  await page.mouse.down();
  await page.mouse.move(...at(0.75, 0.5), { steps: 4 });
  await page.mouse.up();
  await expect(view.getByLabel(/^Words at Length/)).toBeVisible();
  await saved(page);
  const stored = await (await page.request.get('/api/trees/sable-hornbeam-5/case')).json();
  const { pictures } = stored.visits.at(-1) as { pictures: { marks?: { from: number[]; to: number[] }[] }[] };
  const [mark] = pictures.find((p) => p.marks)!.marks!;
  [mark!.from[0]! - 0.25, mark!.to[0]! - 0.75, mark!.from[1]! - 0.5].forEach((off) =>
    expect(Math.abs(off)).toBeLessThan(0.01),
  );
  await view.getByRole('button', { name: 'Remove this picture' }).click();
  await saved(page);
});

test('the page closed in the middle of sending: the picture is on the device, and is sent when it is opened again @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-4/pictures');
  const others = page.getByRole('region', { name: 'Other pictures' });
  const before = await others.getByRole('button', { name: /^Open: / }).count();
  // It never arrives: the page is left while it is on its way.
  await page.route('**/api/pictures?*', () => undefined);
  await input(page).setInputFiles([await photograph(Date.now(), 'on its way.jpg')]);
  await expect(others.getByRole('list', { name: 'On their way' })).toContainText('on its way.jpg');
  await page.goto('/grounds');
  await page.unroute('**/api/pictures?*');
  await page.goto('/trees/kelpworth-4/pictures');
  await expect(others.getByRole('button', { name: /^Open: / })).toHaveCount(before + 1);
  await saved(page);
  await page.reload();
  await expect(others.getByRole('button', { name: /^Open: / })).toHaveCount(before + 1);
  await expect(others.getByRole('list', { name: 'On their way' }).getByRole('listitem')).toHaveCount(0);
});

test('the line breaks in the middle of a large picture: what arrived is not sent again @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/kelpworth-4/pictures');
  const others = page.getByRole('region', { name: 'Other pictures' });
  const way = others.getByRole('list', { name: 'On their way' });
  const before = await others.getByRole('button', { name: /^Open: / }).count();
  // Noise is large: four pieces and more.
  const file = await sharp(randomBytes(3 * 900 * 700), { raw: { width: 900, height: 700, channels: 3 } })
    .png()
    .toBuffer();
  expect(file.length).toBeGreaterThan(4 * 256 * 1024);
  const sent: number[] = [];
  await page.route('**/api/pictures/pieces?*', async (route) => {
    if (route.request().method() === 'GET') return route.continue();
    const at = Number(new URL(route.request().url()).searchParams.get('at'));
    sent.push(at);
    if (sent.length === 3) return route.abort();
    return route.continue();
  });
  await input(page).setInputFiles([{ name: 'large.png', mimeType: 'image/png', buffer: file }]);
  await expect(way.getByRole('alert')).toContainText('it is still here');
  await way.getByRole('button', { name: 'Send again' }).click();
  await expect(others.getByRole('button', { name: /^Open: / })).toHaveCount(before + 1);
  // The third was lost and is sent once more; none of the others is.
  expect(sent.filter((at, i) => sent.indexOf(at) !== i)).toEqual([sent[2]]);
  await saved(page);
});

test('the same side of the collar at two visits stands side by side, and one is wiped over the other @whole', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-14/time');
  const side = page.getByRole('region', { name: 'Before and after, from the same side' });
  await choose(side.getByLabel('Which'), { label: 'open root collar from N' });
  await expect(side.getByRole('img', { name: 'open root collar, from N, 2025-05-13' }).first()).toBeVisible();
  await expect(side.getByRole('img', { name: 'open root collar, from N, 2026-05-06' }).first()).toBeVisible();
  const wipe = side.getByLabel('Wipe from 2025-05-13 to 2026-05-06');
  await wipe.focus();
  await page.keyboard.press('End');
  await expect(wipe).toHaveAttribute('aria-valuenow', '100');
  // Aligned by four places: what lies a twentieth of the width farther right in the later picture is moved there.
  const apart = side.getByRole('button', { name: 'Not aligned' });
  if (await apart.isEnabled()) await apart.click();
  await expect(apart).toBeDisabled();
  await side.getByRole('button', { name: 'Align the two' }).click();
  const images = side.locator('figure').locator('svg image');
  const [first, second] = (await boxesAtRest(images)) as [Box, Box];
  for (const [x, y] of [
    [0.2, 0.2],
    [0.7, 0.25],
    [0.75, 0.8],
    [0.15, 0.7],
  ] as const) {
    await page.mouse.click(first.x + x * first.width, first.y + y * first.height);
    await page.mouse.click(second.x + (x + 0.05) * second.width, second.y + y * second.height);
  }
  await expect(side.getByText('Aligned by four places that both show.')).toBeVisible();
  const beneath = side.getByTestId('before-beneath');
  await expect(beneath).toHaveAttribute('style', /matrix3d/);
  const moved = await beneath.evaluate((e) => {
    const { left } = e.getBoundingClientRect();
    return (left - e.parentElement!.getBoundingClientRect().left) / e.parentElement!.clientWidth;
  });
  expect(Math.abs(moved - 0.05)).toBeLessThan(0.01);
  await apart.click();
  await expect(side.getByText(/^Not taken from quite the same spot/)).toBeVisible();
});

test('marker cards in both pictures lay one over the other without a touch @whole', async ({ page }) => {
  await asConsultant(page);
  await page.goto('/trees/sable-katsura-14/time');
  const side = page.getByRole('region', { name: 'Before and after, from the same side' });
  await choose(side.getByLabel('Which'), { label: 'open root collar from NE' });
  await expect(side.getByText('Aligned by the marker cards in both.')).toBeVisible();
  await expect(side.getByTestId('before-beneath')).toHaveAttribute('style', /matrix3d/);
  // A person may still touch places of their own; there is nothing of theirs to take off.
  await expect(side.getByRole('button', { name: 'Align the two' })).toBeEnabled();
  await expect(side.getByRole('button', { name: 'Not aligned' })).toBeDisabled();
});

test('eight sides by the camera of the device, one after the other under one thumb, over those of the visit before @whole', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await asConsultant(page);
  await page.goto('/trees/lanternfield-5/pictures');
  const sides = page.getByRole('region', { name: 'Collar from eight sides' });
  // Anew each time: what an earlier run took is removed.
  for (const there of await sides.getByRole('button', { name: /^Picture from/ }).all()) {
    await there.click();
    await page.getByRole('dialog').getByRole('button', { name: 'Remove this picture' }).click();
  }
  await saved(page);
  await sides.getByRole('button', { name: 'Use the camera' }).click();
  const camera = page.getByRole('dialog');
  const shutter = camera.getByRole('button', { name: 'Take it' });
  const place = await shutter.boundingBox();
  await expect(camera.getByText('8 to take')).toBeVisible();
  await camera.getByRole('button', { name: 'Later' }).click();
  for (let left = 8; left > 0; left--) {
    await expect(camera.getByText(`${left} to take`)).toBeVisible();
    expect(await shutter.boundingBox()).toEqual(place);
    await shutter.click();
  }
  await expect(camera).toHaveCount(0);
  await expect(sides).toContainText('8 of 8');
  await saved(page);
  // The picture of the visit before lies over what the camera sees.
  await page.goto('/trees/sable-katsura-14/pictures?visit=');
  const before = sides.getByRole('button', { name: /^Picture from N$/ });
  await before.click();
  await page.getByRole('dialog').getByRole('button', { name: 'Remove this picture' }).click();
  await sides.getByRole('button', { name: 'Use the camera' }).click();
  await expect(camera.getByRole('img', { name: 'The picture from N of the visit before' })).toBeVisible();
  await camera.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(before).toBeVisible();
  await saved(page);
});

test('a step of the order is photographed from the order, and its pictures stand beneath it', async ({
  page,
}) => {
  await asConsultant(page);
  await page.goto(`/trees/${TREE}/order`);
  const link = page.getByRole('link', { name: 'Photograph this step' }).first();
  const step = new URL((await link.getAttribute('href'))!, 'http://x').searchParams.get('step')!;
  await link.click();
  await expect(page.getByText('Pictures added now prove a step of the order.')).toBeVisible();
  const others = page.getByRole('region', { name: 'Other pictures' });
  const before = await others.getByRole('button', { name: /^Open: / }).count();
  await input(page).setInputFiles([await photograph(Date.now() % 100000, 'done.jpg')]);
  await expect(others.getByRole('button', { name: /^Open: / })).toHaveCount(before + 1);
  await saved(page);
  await page.getByRole('link', { name: 'Back to the order' }).click();
  await expect(page.getByRole('img', { name: /^work done, / }).first()).toBeVisible();
  const stored = (await (await page.request.get(`/api/trees/${TREE}/case`)).json()) as {
    visits: { pictures?: { step?: string; shows?: string }[] }[];
  };
  expect(stored.visits.at(-1)!.pictures!.some((p) => p.step === step && p.shows === 'work')).toBe(true);
});

test('the face of a pit: a tape gives the scale, layers are touched, and their depths are those of the hole @whole', async ({
  page,
}) => {
  await asConsultant(page);
  const tree = 'kelpworth-4';
  interface Stored {
    visits: {
      pictures?: { bar?: { from: number[]; to: number[] }; face?: number[][]; sheet?: object }[];
      soilLogs?: { bearing: number; layers: { to: number; colour?: string }[]; traced?: string }[];
    }[];
  }
  const visitNow = async () =>
    ((await (await page.request.get(`/api/trees/${tree}/case`)).json()) as Stored).visits.at(-1)!;
  const { bar, face } = (await visitNow()).pictures!.find((p) => p.face)!;
  await page.goto(`/trees/${tree}/pictures`);
  await page.getByRole('button', { name: /^Open: Face of the pit/ }).click();
  const view = page.getByRole('dialog');
  const touch = async (shares: number[]) => {
    const image = await boxAtRest(view.locator('image'));
    await page.mouse.click(image.x + shares[0]! * image.width, image.y + shares[1]! * image.height);
  };
  // A rectangle asks for its sides; the stem knows its diameter; each takes the place of the other.
  await view.getByRole('button', { name: 'Rectangle' }).click();
  for (const place of [
    [0.2, 0.3],
    [0.6, 0.3],
    [0.6, 0.6],
    [0.2, 0.6],
  ])
    await touch(place);
  await expect(view.getByRole('alert')).toHaveText(/^Two sides of the rectangle are asked for/);
  await view.getByLabel('First side touched').fill('40');
  await view.getByLabel('Next side').fill('40');
  await view.getByLabel('Next side').press('Tab');
  await expect(view.getByText(/^Lengths are measured in the plane of the rectangle/)).toBeVisible();
  await expect(view.getByRole('button', { name: 'Layers of the soil' })).toBeHidden();
  await view.getByRole('button', { name: 'Stem' }).click();
  await touch([0.3, 0.5]);
  await touch([0.6, 0.5]);
  await expect(view.getByLabel('Diameter of the stem there')).toHaveValue('25');
  await expect(view.getByText(/^Lengths hold beside the stem/)).toBeVisible();
  await saved(page);
  expect((await visitNow()).pictures!.map((p) => p.sheet)).toEqual([undefined]);

  // What goes first into reports bears the number 1 on the page.
  await view.getByRole('radio', { name: 'Leave out' }).check();
  await view.getByRole('button', { name: 'Close' }).click();
  const item = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: /^Open: Face of the pit/ }) });
  await expect(item).toContainText('not in the report');
  await page.getByRole('button', { name: /^Open: Face of the pit/ }).click();
  await view.getByRole('radio', { name: 'First in reports' }).check();
  await view.getByRole('button', { name: 'Close' }).click();
  await expect(item).toContainText('in the report: 1');
  await saved(page);

  // The tape that hangs down the face, touched anew.
  await page.getByRole('button', { name: /^Open: Face of the pit/ }).click();
  await view.getByRole('button', { name: 'No scale' }).click();
  await expect(view.getByText(/^To set a scale, find the marker cards/)).toBeVisible();
  await view.getByRole('button', { name: 'Rod or tape' }).click();
  await touch(bar!.from);
  await expect(view.getByText('Touch end 2 of 2 of the rod, or two marks of the tape.')).toBeVisible();
  await touch(bar!.to);
  await expect(view.getByText('Now enter how long that is.')).toBeVisible();
  await view.getByLabel('Length between the ends').fill('70');
  await view.getByLabel('Length between the ends').press('Tab');
  await view.getByRole('button', { name: 'Layers of the soil' }).click();
  for (const [i, place] of face!.entries()) {
    await touch(place);
    if (i > 0) await expect(view.getByText(`Touch where each layer ends: ${i} so far.`)).toBeVisible();
  }
  await expect(view.getByTestId('layers')).toHaveText(/^Layers end at 14\.\d ± .* cm below grade/);
  await view.getByRole('button', { name: 'Close' }).click();
  await saved(page);

  await page.goto(`/trees/${tree}?station=soil`);
  const probe = page.getByRole('region', { name: 'Soil probe' });
  await probe.getByRole('button', { name: /^E, 70 cm out/ }).click();
  const hole = probe.getByRole('group', { name: /^Hole at E/ });
  await hole.getByRole('button', { name: 'Take these depths' }).click();
  await expect(hole.getByRole('button', { name: 'Depths are from this picture' })).toBeVisible();
  await saved(page);
  // What was noted of each layer stays with it, and the original grade is read from the new depths.
  const log = (await visitNow()).soilLogs!.find((l) => l.bearing === 90)!;
  expect(log.traced).toMatch(/^[0-9a-f]{64}$/);
  expect(log.layers.map((l) => l.colour)).toEqual(['mixed', 'dark', 'mottled', 'brown']);
  [0.14, 0.24, 0.38, 0.6].forEach((deep, i) =>
    expect(Math.abs(log.layers[i]!.to - deep)).toBeLessThan(0.025),
  );
  await expect(probe.getByText(/original grade at 1[45] cm/)).toBeVisible();
});

test('the section of a stem: tops of roots are touched beside its diameter, and read as the rod would @whole', async ({
  page,
}) => {
  await asConsultant(page);
  const tree = 'kelpworth-8';
  interface Stored {
    visits: {
      pictures?: { section?: number[][]; width: number; height: number; bearing?: number }[];
      probes: { bearing: number; distance: number; depth: number; found: string; from: string }[];
    }[];
  }
  const visitNow = async () =>
    ((await (await page.request.get(`/api/trees/${tree}/case`)).json()) as Stored).visits.at(-1)!;
  const before = (await visitNow()).probes;
  await page.goto(`/trees/${tree}/pictures`);
  await page
    .getByRole('button', { name: /^Open: base of the stem, from S/ })
    .last()
    .click();
  const view = page.getByRole('dialog');
  const touch = async ([x, y]: readonly number[]) => {
    const image = await boxAtRest(view.locator('image'));
    await page.mouse.click(image.x + x! * image.width, image.y + y! * image.height);
  };
  await expect(view.getByRole('button', { name: 'Section of the stem' })).toBeHidden();
  // A rod of 60 cm stands beside the stem.
  await view.getByRole('button', { name: 'Rod or tape' }).click();
  for (const place of [
    [0.25, 0.9],
    [0.25, 0.4],
  ])
    await touch(place);
  await view.getByLabel('Length between the ends').fill('60');
  await view.getByLabel('Length between the ends').press('Tab');
  const { width, height } = (await visitNow()).pictures!.at(-1)!;
  const metre = (0.5 * height) / 0.6;
  await view.getByRole('button', { name: 'Section of the stem' }).click();
  await expect(view.getByText('Touch the bark at the grade: side 1 of 2.')).toBeVisible();
  const [left, right, grade] = [0.42, 0.58, 0.6];
  for (const place of [
    [left, grade],
    [right, grade],
    [left - (0.1 * metre) / width, grade + (0.12 * metre) / height],
    [right + (0.15 * metre) / width, grade + (0.2 * metre) / height],
  ])
    await touch(place);
  await expect(view.getByTestId('section')).toHaveText(
    /^Tops of roots at 1[12]\.\d ± .* cm, .* out; (19|20)\.\d ± .*Take them at the station Probe\.$/,
  );
  await saved(page);
  expect((await visitNow()).pictures!.find((p) => p.section)!.section).toHaveLength(4);
  // A touch in front of the stem is refused in words; those before it stay.
  await touch([0.5, 0.7]);
  await expect(view.getByRole('alert')).toHaveText(/^A root was touched in front of the stem/);
  await expect(view.getByTestId('section')).toHaveText(/^Tops of roots at 1[12]\.\d/);
  await view.getByRole('button', { name: 'Take the roots off' }).click();
  await expect(view.getByTestId('section')).toHaveText(/^For a stem laid bare/);
  for (const place of [
    [left, grade],
    [right, grade],
    [right + (0.15 * metre) / width, grade + (0.2 * metre) / height],
  ])
    await touch(place);
  await expect(view.getByTestId('section')).toHaveText(/^Tops of roots at (19|20)\.\d/);
  await view.getByRole('button', { name: 'Close' }).click();
  await saved(page);

  await page.goto(`/trees/${tree}?station=probe`);
  const seen = page.getByRole('region', { name: 'From a picture' });
  await expect(seen).toContainText(/E: top of a root (19|20)\.\d ± .* out/);
  await seen.getByRole('button', { name: 'Take these depths' }).click();
  await expect(seen.getByRole('button', { name: 'Depths are from this picture' })).toBeDisabled();
  await saved(page);
  const added = (await visitNow()).probes.filter(
    (p) => !before.some((q) => q.bearing === p.bearing && q.depth === p.depth && q.distance === p.distance),
  );
  expect(added).toEqual([
    {
      bearing: 90,
      distance: expect.closeTo(0.15, 2),
      depth: expect.closeTo(0.2, 2),
      found: 'root',
      from: 'grade',
    },
  ]);
});

test('HEIC goes as JPEG where the browser reads it, and is refused in words where it does not', async ({
  page,
}) => {
  await asConsultant(page);
  const heic = {
    name: 'IMG_0001.HEIC',
    mimeType: 'image/heic',
    buffer: Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), randomBytes(400)]),
  };
  await page.goto(`/trees/sable-hornbeam-5/pictures`);
  const way = page.getByRole('list', { name: 'On their way' });
  await input(page).setInputFiles([heic]);
  await expect(way.getByRole('alert')).toHaveText(/JPEG/);
  await way.getByRole('button', { name: 'Leave it' }).click();
  // A browser that reads it: what it makes of the file is a picture of its own.
  await page.evaluate(() => {
    window.createImageBitmap = (() => {
      const canvas = new OffscreenCanvas(320, 240);
      const pen = canvas.getContext('2d')!;
      pen.fillStyle = `#${Math.random().toString(16).slice(2, 8)}`;
      pen.fillRect(40, 40, 200, 100);
      return Promise.resolve(canvas.transferToImageBitmap());
    }) as typeof createImageBitmap;
  });
  await input(page).setInputFiles([heic]);
  await expect(way.getByRole('listitem').last()).toContainText('arrived');
  await saved(page);
});
