import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { asConsultant } from './enter';

const TREE = 'sable-katsura-3';

/** A server action as the built application knows it. */
interface Action {
  id: string;
  name: string;
  /** Address of a page that it belongs to. */
  page: string;
  source: string;
}

function actions(): Action[] {
  const { node } = JSON.parse(
    readFileSync('web/.next-test/server/server-reference-manifest.json', 'utf8'),
  ) as {
    node: Record<string, { workers: Record<string, unknown>; filename: string; exportedName: string }>;
  };
  return Object.entries(node).map(([id, { workers, filename, exportedName }]) => ({
    id,
    name: exportedName,
    page: Object.keys(workers)[0]!
      .replace(/^app(.*)\/page$/, '$1')
      .replace('[tree]', TREE)
      .replace('[property]', 'sable-row')
      .replace(/\[\w+\]/, 'x'),
    source: readFileSync(filename, 'utf8'),
  }));
}

/** They take nothing, and end what they are asked in. */
const WITHOUT = ['signOut', 'signOutEverywhere', 'enterDemo'];
/** As the protocol of actions writes them. */
const VALUES: readonly unknown[] = [
  null,
  '$undefined',
  -1e308,
  'a\u0000b',
  '\ud800',
  'x'.repeat(100_000),
  [null],
  { get: 'x', length: 1e9 },
];
const FORM_VALUES = ['', 'a\u0000b', 'x'.repeat(20_000), '{"a":-1}'];

/** Everything that an action asks of what it is given: fields of forms, and members of objects. */
const asksFor = ({ source }: Action): string[] => [
  ...new Set([
    ...[...source.matchAll(/(?:get|text)\((?:form, )?'(\w+)'\)/g)].map((m) => m[1]!),
    ...[...source.matchAll(/(?:given|draft|typed|state|wording)\.(\w+)/g)].map((m) => m[1]!),
  ]),
];

/** The status of the answer; an answer that no program can read is a failure. */
async function ask(
  page: Page,
  { id, page: path }: Action,
  data: string | Buffer,
  type: string,
): Promise<number> {
  const answer = await page.request
    .post(path, {
      data,
      headers: {
        'next-action': id,
        'content-type': type,
        accept: 'text/x-component',
        origin: new URL(test.info().project.use.baseURL!).origin,
        'sec-fetch-site': 'same-origin',
        // Guesses at passwords are counted by address: those of the other tests are another's.
        'x-forwarded-for': '203.0.113.9',
      },
      maxRedirects: 0,
    })
    .catch(() => undefined);
  return answer?.status() ?? 599;
}

/** A form as the protocol sends it: the arguments first, the fields after them. */
function form(fields: readonly [string, string][], before: readonly unknown[]): Buffer {
  const part = (name: string, value: string) =>
    `--edge\r\ncontent-disposition: form-data; name="${name}"\r\n\r\n${value}\r\n`;
  return Buffer.from(
    `${fields.map(([name, value]) => part(`1_${name}`, value)).join('')}${part('0', JSON.stringify([...before, '$K1']))}--edge--\r\n`,
  );
}

test('every action is tried', () => {
  const files = readdirSync('web/app', { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts'))
    .map((f) => readFileSync(join('web/app', f), 'utf8'))
    .filter((text) => text.startsWith("'use server'"));
  const exported = files.flatMap((text) =>
    [...text.matchAll(/export (?:async function|const) (\w+)/g)].map((m) => m[1]!),
  );
  expect(
    actions()
      .map((a) => a.name)
      .sort(),
  ).toEqual(expect.arrayContaining([...exported].sort()));
});

test('whatever an action is given, it answers in words and never fails @whole', async ({ page }) => {
  await asConsultant(page);
  const failed: unknown[] = [];
  for (const action of actions().filter(({ name }) => !WITHOUT.includes(name))) {
    const names = asksFor(action);
    for (const value of VALUES) {
      const members = Object.fromEntries(names.map((name) => [name, value]));
      for (const given of [
        [value, value, value, value],
        [TREE, value, value, value],
        [members, members, members],
        ['x', 'x', members, members],
      ]) {
        const status = await ask(page, action, JSON.stringify(given), 'text/plain;charset=UTF-8');
        if (status >= 500) failed.push([action.name, JSON.stringify(given).slice(0, 80), status]);
      }
    }
    for (const value of FORM_VALUES)
      for (const before of [[], [{}], ['x', {}], [null, null]]) {
        const body = form(
          names.map((name) => [name, value]),
          before,
        );
        const status = await ask(page, action, body, 'multipart/form-data; boundary=edge');
        if (status >= 500) failed.push([action.name, 'form', value.slice(0, 10), before, status]);
      }
  }
  expect(failed).toEqual([]);
});
