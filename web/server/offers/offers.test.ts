import { idOf } from '@undrel/core/records';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import pg from 'pg';
import sharp from 'sharp';
import { readCase } from '@undrel/core/format';
import type { Rates } from '@undrel/core/costing';
import { importCase } from '../grounds/importCase';
import { saveChanges } from '../cases/write';
import { databaseUrl } from '../database/migrate';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { keepPicture, stow } from '../pictures/pictures';
import { readPicture } from '../pictures/readPicture';
import { openDraft } from '../reports/reports';
import { offerContent } from '../../work/offers/content';
import { approveOffer, makeOffer, offersOf, pictureShownBy, revokeOffer, shownBy } from './offers';
import { orderOf } from '../../work/offers/order';
import { tickStep } from './tick';
import { workOfTree } from '../../work/offers/treeWork';
import { worthOf } from '../../work/costs/worth';

const RATES: Rates = {
  currency: 'EUR',
  prices: { crew: '60', consultant: '90', trip: '30', disposal: '20', youngTree: '300', stakes: '30' },
};

let firm: Awaited<ReturnType<typeof testFirm>>;
let treeId: string;
beforeAll(async () => {
  firm = await testFirm();
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('example does not read');
  treeId = (await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile))).treeId;
});
afterAll(closePool);

const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const draft = () => as(async (db) => (await openDraft(db, firm.viewer, treeId, undefined, 'metric'))!);
const offer = async () => {
  const { source, visitId } = await draft();
  const content = offerContent(source, worthOf(source, RATES), '2026-11-24');
  return { content, token: (await as((db) => makeOffer(db, visitId, content, 30))).token };
};
const asOwner = async (sql: string, values: unknown[]) => {
  const client = new pg.Client({ connectionString: databaseUrl() });
  await client.connect();
  await client.query(sql, values).finally(() => client.end());
};
const given = (sha256: string, option = 'treat') => ({ sha256, option, name: 'C. Client', note: '' });

test('a link shows what was kept, word for word, and takes one approval of exactly that', async () => {
  const { content, token } = await offer();
  const shown = await shownBy(token);
  if (!('content' in shown)) throw new Error(shown.state);
  expect(shown.content).toEqual(content);
  expect(shown.sha256).toBe(createHash('sha256').update(JSON.stringify(content)).digest('hex'));
  expect(content.options.map((o) => o.key)).toContain('treat');

  // Forged: another text, another option, no name, another link.
  expect(await approveOffer(token, given('0'.repeat(64)))).toMatch(/not what this link shows/);
  expect(await approveOffer(token, given(shown.sha256, 'for free'))).toMatch(/not in this offer/);
  expect(await approveOffer(token, { ...given(shown.sha256), name: ' x ' })).toMatch(
    /1 characters; 2 to 120/,
  );
  expect(await approveOffer(`${token}x`, given(shown.sha256))).toMatch(/not one of ours/);
  expect((await shownBy(token)).state).toBe('open');

  expect(await approveOffer(token, given(shown.sha256))).toBeUndefined();
  // Replayed, or with another option: the first stands.
  expect(await approveOffer(token, given(shown.sha256))).toMatch(/approved already/);
  expect(await approveOffer(token, given(shown.sha256, 'remove'))).toMatch(/approved already/);
  const after = await shownBy(token);
  expect(after).toMatchObject({ state: 'approved', approved: { option: 'treat', name: 'C. Client' } });
  const [kept] = await as((db) => offersOf(db, treeId));
  expect(kept).toMatchObject({ state: 'approved', sha256: shown.sha256, approved: { name: 'C. Client' } });
  expect(await as((db) => revokeOffer(db, kept!.id))).toBe(false);
});

test('of two approvals at once one is taken', async () => {
  const { token } = await offer();
  const shown = await shownBy(token);
  if (!('content' in shown)) throw new Error(shown.state);
  const answers = await Promise.all(
    ['treat', 'remove'].map((o) => approveOffer(token, given(shown.sha256, o))),
  );
  expect(answers.filter((a) => a === undefined)).toHaveLength(1);
});

test('an expired and a revoked link show nothing and approve nothing', async () => {
  const [old, taken] = [await offer(), await offer()];
  const shown = await shownBy(old.token);
  if (!('content' in shown)) throw new Error(shown.state);
  const hash = createHash('sha256').update(old.token).digest();
  await asOwner(`update offers set expires_at = now() - interval '1 hour' where token_hash = $1`, [hash]);
  expect(await shownBy(old.token)).toEqual({ state: 'expired' });
  expect(await approveOffer(old.token, given(shown.sha256))).toMatch(/expired/);
  const [newest] = await as((db) => offersOf(db, treeId));
  expect(await as((db) => revokeOffer(db, newest!.id))).toBe(true);
  expect(await shownBy(taken.token)).toEqual({ state: 'revoked' });
  expect(await approveOffer(taken.token, given(shown.sha256))).toMatch(/withdrawn this offer/);
  expect(await shownBy('nothing')).toEqual({ state: 'unknown' });
});

test('a link shows the pictures that were put into it and no others, for as long as it shows anything', async () => {
  const file = async (red: number) => {
    const bytes = await sharp({
      create: { width: 40, height: 30, channels: 3, background: { r: red, g: 90, b: 40 } },
    })
      .png()
      .toBuffer();
    const read = await readPicture(bytes);
    if ('problem' in read) throw new Error(read.problem);
    const stowed = await stow(firm.viewer.firmId, read);
    await as((db) => keepPicture(db, stowed));
    return read;
  };
  const [put, other] = [await file(10), await file(200)];
  const { content } = await offer();
  const { visitId } = await draft();
  const pictures = [{ hash: put.hash, width: 40, height: 30, caption: 'The collar.' }];
  const link = async () => (await as((db) => makeOffer(db, visitId, { ...content, pictures }, 30))).token;
  const token = await link();
  expect(Buffer.compare((await pictureShownBy(token, put.hash))!, Buffer.from(put.page))).toBe(0);
  expect(await pictureShownBy(token, other.hash)).toBeUndefined();
  expect(await pictureShownBy(`${token}x`, put.hash)).toBeUndefined();
  const [newest] = await as((db) => offersOf(db, treeId));
  await as((db) => revokeOffer(db, newest!.id));
  expect(await pictureShownBy(token, put.hash)).toBeUndefined();
  // Once approved it stays readable, its time over or not.
  const approved = await link();
  const shown = await shownBy(approved);
  if (!('content' in shown)) throw new Error(shown.state);
  expect(await approveOffer(approved, given(shown.sha256))).toBeUndefined();
  await asOwner(`update offers set expires_at = now() - interval '1 hour' where token_hash = $1`, [
    createHash('sha256').update(approved).digest(),
  ]);
  expect(await pictureShownBy(approved, put.hash)).toBeDefined();
});

test('not even the firm can write an approval, or change what was shown', async () => {
  await offer();
  const { id } = (await as((db) => offersOf(db, treeId)))[0]!;
  for (const change of [
    `update offers set approved_at = now(), approved_name = 'forged', approved_option = 'treat', approved_sha256 = sha256 where id = $1`,
    `update offers set content = '{}' where id = $1`,
    `update offers set expires_at = now() + interval '9 years' where id = $1`,
  ])
    await expect(as((db) => db.rows(change, [id]))).rejects.toThrow(/permission denied/);
  await expect(asOwner(`update offers set content = '{}' where id = $1`, [id])).rejects.toThrow(
    /cannot be changed/,
  );
  const other = await testFirm();
  expect(await asUser(other.viewer.firmId, other.viewer.userId, (db) => offersOf(db, treeId))).toEqual([]);
});

test('the order carries what is prescribed, and the sums what it takes', async () => {
  const { source } = await draft();
  const sheet = worthOf(source, RATES);
  const order = orderOf(source, [], treeId);
  const titles = order.steps.flatMap((s) => ('operation' in s ? [s.title] : []));
  expect(titles.length).toBeGreaterThan(0);
  for (const { of } of sheet.whole!.lines.filter((l) => l.resource === 'crew'))
    expect(titles).toContain(of.split(':')[0]);
  expect(worthOf(source, undefined).whole).toBeUndefined();
});

test('a step ticked on the day sheet is work of the case; what was recorded otherwise is left alone', async () => {
  const { visitId } = await draft();
  const tick = (step: string, done: boolean) => as((db) => tickStep(db, firm.viewer, visitId, step, done));
  const recorded = async () => {
    const { source } = await draft();
    return workOfTree({ id: treeId, visitId, source })!;
  };
  const how = async (key: string) => {
    const work = await recorded();
    return [...work.steps, ...work.holds].find((s) => s.key === key)?.done;
  };
  const [hold] = (await recorded()).holds;
  expect(await how(hold!.key)).toBeUndefined();
  expect(await tick(hold!.key, true)).toEqual({});
  expect(await how(hold!.key)).toBe('done');
  // Ticked twice, and taken back twice: the same as once.
  expect(await tick(hold!.key, true)).toEqual({});
  expect(await tick(hold!.key, false)).toEqual({});
  expect(await tick(hold!.key, false)).toEqual({});
  expect(await how(hold!.key)).toBeUndefined();
  expect(await tick(hold!.key, true)).toEqual({});
  expect(await how(hold!.key)).toBe('done');

  const values = { step: 'mulch', how: 'changed', on: '2026-05-20', by: 'Ada', note: 'half of it' };
  await as((db) =>
    saveChanges(db, firm.viewer, [
      { kind: 'work', id: idOf('work', visitId, { step: 'mulch' }), parent: visitId, base: 0, values },
    ]),
  );
  expect((await tick('mulch', false)).problem).toBe(
    'Recorded as changed on 2026-05-20 by Ada; see the order of the tree.',
  );
  expect(await how('mulch')).toBe('changed');
  expect((await tick('no such step', true)).problem).toMatch(/step/i);
});
