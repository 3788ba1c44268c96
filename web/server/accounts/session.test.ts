import { randomUUID } from 'node:crypto';
import { pool, asUser, withoutFirm } from '../database/transaction';
import { testFirm } from '../database/testFirm';
import { setPerson } from './firm';
import {
  acceptInvitation,
  asSession,
  changePassword,
  findInvitation,
  invite,
  signIn,
  THROTTLE,
} from './session';

afterAll(async () => (await pool()).end());

const from = () => ({ address: randomUUID(), agent: 'test' });
const enter = (token: string) => asSession(token, async (_, viewer) => viewer.userId);

test('sign in, and the token is stored only hashed', async () => {
  const { viewer, password } = await testFirm();
  const session = await signIn(viewer.email.toUpperCase(), password, from());
  if (!session.ok) throw new Error(session.reason);
  expect(await enter(session.token)).toBe(viewer.userId);
  expect(await enter(`${session.token}x`)).toBeUndefined();
  const rows = await asUser(viewer.firmId, viewer.userId, (db) =>
    db.rows<{ token_hash: Buffer }>('select * from sessions'),
  );
  expect(JSON.stringify(rows)).not.toContain(session.token);
  const audit = await asUser(viewer.firmId, viewer.userId, (db) =>
    db.rows('select before, after from audit_entries'),
  );
  expect(JSON.stringify(audit)).not.toMatch(/token_hash|password_hash/);
});

test('an account pauses after repeated failures, an address after many; another account is not held up', async () => {
  const { viewer, password } = await testFirm();
  const other = await testFirm();
  const here = from();
  for (let i = 0; i < THROTTLE.account; i++)
    expect((await signIn(viewer.email, 'wrong one', from())).ok).toBe(false);
  expect(await signIn(viewer.email, password, from())).toMatchObject({
    ok: false,
    reason: expect.stringContaining('wait'),
  });
  expect((await signIn(other.viewer.email, other.password, here)).ok).toBe(true);
  await withoutFirm(async (db) => {
    for (let i = 0; i < THROTTLE.address; i++)
      await db.rows('select auth_note_attempt($1, $2, false)', [randomUUID(), here.address]);
  });
  expect((await signIn(other.viewer.email, other.password, here)).ok).toBe(false);
});

test('a changed password ends the other sessions', async () => {
  const { viewer, password } = await testFirm();
  const [a, b] = [await signIn(viewer.email, password, from()), await signIn(viewer.email, password, from())];
  if (!a.ok || !b.ok) throw new Error('sign-in failed');
  expect(
    await asSession(a.token, (db, v) => changePassword(db, v, 'not it at all', 'a new long one')),
  ).toContain('Present password');
  expect(await asSession(a.token, (db, v) => changePassword(db, v, password, 'short'))).toContain(
    'at least 10',
  );
  expect(
    await asSession(a.token, (db, v) => changePassword(db, v, password, 'a new long one')),
  ).toBeUndefined();
  expect(await enter(a.token)).toBe(viewer.userId);
  expect(await enter(b.token)).toBeUndefined();
  expect((await signIn(viewer.email, password, from())).ok).toBe(false);
});

test('an invitation works once, for its firm and role', async () => {
  const { viewer } = await testFirm();
  const email = `${randomUUID()}@test.example`;
  const token = await asUser(viewer.firmId, viewer.userId, (db) => invite(db, email, 'crew'));
  expect(await findInvitation(token)).toMatchObject({ email, role: 'crew', firm_id: viewer.firmId });
  const both = await Promise.all([
    acceptInvitation(token, 'New', 'long enough word', from()),
    acceptInvitation(token, 'New', 'long enough word', from()),
  ]);
  expect(both.filter((s) => s.ok)).toHaveLength(1);
  const session = both.find((s) => s.ok)!;
  expect(session.ok && (await asSession(session.token, async (_, v) => [v.role, v.firmId]))).toEqual([
    'crew',
    viewer.firmId,
  ]);
  expect(await findInvitation(token)).toBeUndefined();
});

test('the last owner cannot step down; someone shut out is signed out', async () => {
  const { viewer, password } = await testFirm();
  const session = await signIn(viewer.email, password, from());
  const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(viewer.firmId, viewer.userId, work);
  expect(await as((db) => setPerson(db, viewer.userId, 'reader', false, 1))).toContain('at least one owner');
  const token = await as((db) => invite(db, `${randomUUID()}@test.example`, 'owner'));
  await acceptInvitation(token, 'Second', 'long enough word', from());
  expect(await as((db) => setPerson(db, viewer.userId, 'owner', true, 1))).toBeUndefined();
  expect(session.ok && (await enter(session.token))).toBeUndefined();
});
