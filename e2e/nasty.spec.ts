import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { asConsultant, signIn } from './enter';

const TREE = 'sable-katsura-3';
/** Every route that takes a body, and every one that takes words in its address. */
const WRITES = [
  '/api/properties/sable-row/along',
  '/api/changes',
  '/api/pictures',
  `/api/pictures/pieces?hash=${'0'.repeat(64)}&at=0&total=900000`,
  '/api/properties/sable-row/cases',
  '/api/properties/sable-row/days',
  '/api/properties/sable-row/locate',
  '/api/properties/sable-row/plan?base=1',
  '/api/properties/sable-row/report',
  '/api/properties/sable-row/trees',
  '/api/properties/sable-row/weather',
];
const READS = [
  '/api/search?q=',
  '/api/soil-lab?label=x&sent=',
  `/api/trees/${TREE}/report?format=`,
  `/api/trees/${TREE}/report?visit=`,
  `/api/trees/${TREE}/cuts?visit=`,
  '/api/properties/sable-row/report?format=',
  '/api/trees/',
  '/api/reports/x/file?format=',
  '/trees/',
  '/grounds/',
  '/reports/',
  '/pictures/',
  '/api/pictures/pieces?hash=',
  `/pictures/${'0'.repeat(64)}/`,
  `/trees/${TREE}/pictures?visit=`,
  '/offer/',
  `/offer/x/${'0'.repeat(64)}`,
  '/offer/x/y',
  '/api/cards?paper=',
  '/api/issued/',
  `/api/issued/${'0'.repeat(64)}`,
  '/invite/',
];
const LONG = 'x'.repeat(121);
const BODIES = [
  '',
  '{',
  'null',
  '[]',
  '"x"',
  '{"changes":[]}',
  '{"changes":[null,1,"x",{}]}',
  '{"changes":[{"kind":"tree","id":"a","parent":"sable-row","base":0,"values":{"label":"a\\u0000b","species":"x"}}]}',
  '{"changes":[{"kind":"tree","id":"a","parent":"sable-row","base":0,"values":{"label":"\\ud800","species":"x"}}]}',
  `{"changes":[{"kind":"tree","id":"a","parent":"sable-row","base":0,"values":{"label":"${LONG}","species":"x"}}]}`,
  '{"changes":[{"kind":"tree","id":"a","parent":"sable-row","base":2147483648,"values":{"label":"x","species":"x"}}]}',
  `{"changes":[{"kind":"visit","id":"n","parent":"${TREE}","base":0,"values":{"date":"0000-01-01"}}]}`,
  `{"changes":[{"kind":"event","id":"e","parent":"${TREE}","base":0,"values":{"kind":"drought","when":"0000"}}]}`,
  '{"changes":[{"kind":"nothing","id":"a","parent":"b","base":0,"values":{}}]}',
  '{"changes":[{"kind":"tree","id":"\\u0000","parent":"\\u0000","base":-1,"values":null}]}',
  `{"cohort":{"name":"${LONG}","ids":["a"]}}`,
  '{"place":{"id":"\\u0000","x":1e308,"y":-1e308}}',
  '{"x":1e999,"y":0}',
  'label,species\n\u0000,\u0000\n',
  `label,species\n${LONG},${LONG}\n`,
];
const TYPES = ['application/json', 'text/csv', 'application/dxf', 'text/plain'];
const WORDS = ['%00', '%F0%9F%8C%B3', 'x'.repeat(2000), '..%2F..%2Fetc', "'%3B--", '%25%5F%5C'];

test('every route that takes a body is among those that are tried', () => {
  const files = readdirSync('web/app', { recursive: true, encoding: 'utf8' }).filter((f) =>
    f.endsWith('route.ts'),
  );
  const taking = files.filter((f) =>
    /export (async function|const) (POST|PUT|PATCH|DELETE)\b/.test(readFileSync(join('web/app', f), 'utf8')),
  );
  const tried = WRITES.map((path) =>
    path
      .replace(/\?.*/, '')
      .replace('/sable-row/', '/[property]/')
      .replace(/^\/(.*)$/, '$1/route.ts'),
  );
  expect([...taking].sort()).toEqual([...tried].sort());
});

test('whatever is sent to a route, it answers in words and never fails @whole', async ({ page }) => {
  await asConsultant(page);
  const headers = { 'sec-fetch-site': 'same-origin' };
  const failed: unknown[] = [];
  for (const path of WRITES)
    for (const type of TYPES)
      for (const data of BODIES) {
        const answer = await page.request.post(path, {
          data: Buffer.from(data),
          headers: { ...headers, 'content-type': type },
        });
        if (answer.status() >= 500) failed.push([path, type, data.slice(0, 120), answer.status()]);
        else if (answer.status() >= 400)
          expect([path, ((await answer.json()) as { problem: string }).problem]).toEqual([
            path,
            expect.stringMatching(/.{8}/),
          ]);
      }
  for (const path of READS)
    for (const word of WORDS) {
      const answer = await page.request.get(path + word, { headers, maxRedirects: 0 });
      if (answer.status() >= 500) failed.push([path, word, answer.status()]);
    }
  expect(failed).toEqual([]);
  // From elsewhere, or from nowhere.
  for (const origin of ['null', 'https://elsewhere.example', 'not an address'])
    expect((await page.request.post('/api/changes', { data: '{}', headers: { origin } })).status()).toBe(403);
  // Who is not signed in is told so before a byte is read.
  await page.context().clearCookies();
  for (const path of WRITES)
    expect((await page.request.post(path, { data: Buffer.alloc(12_000_000), headers })).status()).toBe(401);
});

test('a body is taken whole or refused with the limit; one bad change does not stop the others', async ({
  page,
}) => {
  await asConsultant(page);
  const headers = { 'sec-fetch-site': 'same-origin', 'content-type': 'text/csv' };
  const rows = Array.from({ length: 130 }, (_, i) => `T${i},x,${'n'.repeat(90_000)}`).join('\n');
  const large = await page.request.post('/api/properties/sable-row/trees', {
    data: Buffer.from(`label,species,note\n${rows}`),
    headers,
  });
  expect(large.status()).toBe(413);
  expect(((await large.json()) as { problem: string }).problem).toMatch(
    /11\.7 MB; at most 2\.0 MB are allowed/,
  );
  expect(large.headers()['cache-control']).toContain('no-store');

  const change = (id: string, values: object) => ({ kind: 'event', id, parent: TREE, base: 0, values });
  const batch = await page.request.post('/api/changes', {
    data: {
      changes: [
        change('nasty-1', { kind: 'drought', when: '2022', note: 'kept' }),
        change('nasty-2', { kind: 'drought', when: '2022', note: 'a\u0000b' }),
        change('nasty-3', { kind: 'drought', when: '0000' }),
        { ...change('nasty-4', { kind: 'drought', when: '2022' }), base: 2 ** 31 },
        change('nasty-5', { kind: 'drought', when: '2021', note: 'kept too' }),
      ],
    },
    headers: { 'sec-fetch-site': 'same-origin' },
  });
  expect(batch.status()).toBe(200);
  const { results } = (await batch.json()) as { results: { id: string; status: string; problem?: string }[] };
  expect(results.map((r) => r.status)).toEqual(['saved', 'refused', 'refused', 'refused', 'saved']);
  expect(results[1]!.problem).toMatch(/note: holds a character/);
});

test('a dig as large as a case may hold stops no page of its property: it is named there, and worked out where it is opened', async ({
  page,
}) => {
  await asConsultant(page);
  const given = JSON.parse(readFileSync('docs/example-case.json', 'utf8')) as {
    tree: { label: string };
    visits: { dig?: { roots: object[] }; findings: { key: string; answer?: string }[] }[];
  };
  const newest = given.visits.at(-1)!;
  // It rocks: known without the dig, and told wherever the tree is named.
  const findings = newest.findings.filter((f) => f.key !== 'base.push');
  findings.push({ key: 'base.push', answer: 'rocks' });
  const dig = (newest.dig ?? given.visits.find((v) => v.dig)!.dig)!;
  const roots = Array.from({ length: 500 }, (_, i) => ({
    ...dig.roots[0],
    label: `R${i}`,
    points: Array.from({ length: 60 }, (_, k) => ({
      bearing: (i * 0.72 + k * 0.3) % 360,
      distance: 0.2 + k * 0.02,
      depth: 0.1,
      diameter: 0.05,
    })),
  }));
  const visits = [...given.visits.slice(0, -1), { ...newest, findings, dig: { ...dig, roots } }];
  const taken = await page.request.post('/api/properties/sable-row/cases', {
    data: JSON.stringify({ ...given, tree: { ...given.tree, label: 'Monster 1' }, visits }),
    headers: { 'sec-fetch-site': 'same-origin', 'content-type': 'application/json' },
  });
  expect([taken.status(), await taken.text()]).toEqual([200, expect.stringContaining('Monster 1')]);
  await page.goto('/grounds/sable-row/water');
  await expect(page.getByRole('heading', { name: 'Water' })).toBeVisible();
  await expect(page.getByText('Monster 1 may fall. Keep people away')).toBeVisible();
  await page.goto('/grounds/sable-row/work');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^\d+ trees, [\d.]+ crew hours/);
  await expect(page.getByText('Monster 1 may fall. Keep people away')).toBeVisible();
  await page.goto('/season');
  const prescribed = page.getByTestId('season-prescribed');
  await expect(prescribed).toContainText(/Prescribed and not done: \d+ trees.*Not worked out: 1 tree\./);
  await expect(page.getByText('Monster 1 may fall. Keep people away')).toBeVisible();
  await page.getByRole('link', { name: 'Monster 1' }).first().click();
  await page.waitForURL('**/trees/*');
  await expect(
    page
      .getByRole('tab', { name: /^Dig/ })
      .or(page.getByRole('button', { name: /^Dig/ }))
      .first(),
  ).toBeVisible();
});

test('of forty pages that one session asks for at once, most are answered after the one of another session', async ({
  page,
  playwright,
  baseURL,
}) => {
  await asConsultant(page);
  const other = await playwright.request.newContext({ baseURL: baseURL! });
  const path = `/trees/${TREE}`;
  await signIn(page, 'owner');
  await page.waitForURL('**/grounds');
  const { cookies } = await page.context().storageState();
  const theirs = cookies.map(({ name, value }) => `${name}=${value}`).join('; ');
  await page.context().clearCookies();
  await asConsultant(page);
  // Each of them has had the page once.
  for (const cookie of [theirs, undefined])
    expect((await other.get(path, cookie ? { headers: { cookie } } : {})).status()).toBe(200);
  let answered = 0;
  const crowd = Array.from({ length: 40 }, () =>
    page.request.get(path).then((answer) => {
      answered++;
      return answer.status();
    }),
  );
  await Promise.race(crowd);
  const before = answered;
  expect((await other.get(path, { headers: { cookie: theirs } })).status()).toBe(200);
  const [ahead, of] = [answered - before, 40 - before];
  expect(new Set(await Promise.all(crowd))).toEqual(new Set([200]));
  expect(ahead).toBeLessThan(of / 4);
  await other.dispose();
});
