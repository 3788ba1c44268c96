import { randomUUID } from 'node:crypto';
import { asUser, closePool } from '../database/transaction';
import { testFirm } from '../testFirm';
import { listPeople, revokeInvitation, setPerson } from './firm';
import { THROTTLE } from './attempts';
import { acceptInvitation, findInvitation, invite } from './invitations';
import { changePassword } from './password';
import { asSession, type Turn } from './session';
import { signIn } from './signIn';

afterAll(closePool);

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

test('an account pauses after repeated failures from one address, an address after many; nobody else is held up', async () => {
  const { viewer, password } = await testFirm();
  const other = await testFirm();
  const here = from();
  for (let i = 0; i < THROTTLE.pair; i++)
    expect((await signIn(viewer.email, 'wrong one', here)).ok).toBe(false);
  expect(await signIn(viewer.email, password, here)).toMatchObject({
    ok: false,
    reason: expect.stringContaining('wait'),
  });
  // The person is not shut out by guesses from elsewhere.
  expect((await signIn(viewer.email, password, from())).ok).toBe(true);
  expect((await signIn(other.viewer.email, other.password, here)).ok).toBe(true);
  for (let i = 0; i < THROTTLE.address; i++) await signIn(randomUUID(), 'wrong one', here);
  expect((await signIn(other.viewer.email, other.password, here)).ok).toBe(false);
});

test('of many guesses at once no more are examined than one after the other', async () => {
  const { viewer, password } = await testFirm();
  const here = from();
  const guesses = [...Array.from({ length: 40 }, (_, i) => `guess number ${i}`), password];
  const answers = await Promise.all(guesses.map((guess) => signIn(viewer.email, guess, here)));
  const paused = answers.filter((a) => !a.ok && a.reason.includes('wait')).length;
  expect(paused).toBeGreaterThanOrEqual(guesses.length - THROTTLE.pair);
});

test('a password is not guessed through the form that changes it, and those tried first are not taken', async () => {
  const { viewer, password } = await testFirm();
  const session = await signIn(viewer.email, password, from());
  if (!session.ok) throw new Error(session.reason);
  const here = from();
  const change = (current: string, next: string) =>
    asSession(session.token, async (_, v) => v).then((v) => changePassword(v!, current, next, here));
  for (const next of ['Password123', 'aaaaaaaaaaaa', viewer.email])
    expect(await change(password, next)).toContain('tried first');
  for (let i = 0; i < THROTTLE.pair; i++)
    expect(await change('not it at all', 'three plain words')).toContain('does not fit');
  expect(await change(password, 'three plain words')).toContain('wait');
});

test('signing in again ends the session that the device had', async () => {
  const { viewer, password } = await testFirm();
  const first = await signIn(viewer.email, password, from());
  if (!first.ok) throw new Error(first.reason);
  const second = await signIn(viewer.email, password, from(), first.token);
  if (!second.ok) throw new Error(second.reason);
  expect([await enter(first.token), await enter(second.token)]).toEqual([undefined, viewer.userId]);
});

test('two owners who take each other’s role at once do not leave the firm without one', async () => {
  for (let round = 0; round < 5; round++) {
    const { viewer } = await testFirm();
    const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(viewer.firmId, viewer.userId, work);
    const token = await as((db) => invite(db, `${randomUUID()}@test.example`, 'owner'));
    await acceptInvitation(token, 'Second', 'three plain words', from());
    const people = await as((db) => listPeople(db));
    await Promise.all(
      people.map(({ id, version }) => as((db) => setPerson(db, id, 'reader', false, version))),
    );
    const owners = (await as((db) => listPeople(db))).filter((p) => p.role === 'owner');
    expect(owners).toHaveLength(1);
  }
});

test('an invitation can be taken back, and ends with the owner who made it', async () => {
  const { viewer } = await testFirm();
  const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(viewer.firmId, viewer.userId, work);
  const email = `${randomUUID()}@test.example`;
  const token = await as((db) => invite(db, email, 'crew'));
  const [{ id }] = (await as((db) => db.rows<{ id: string }>('select id from invitations'))) as [
    { id: string },
  ];
  expect(await as((db) => revokeInvitation(db, id))).toBe(true);
  expect(await findInvitation(token)).toBeUndefined();
  expect(await acceptInvitation(token, 'Late', 'three plain words', from())).toMatchObject({ ok: false });
  const next = await as((db) => invite(db, email, 'owner'));
  const second = await acceptInvitation(next, 'Second', 'three plain words', from());
  expect(second.ok).toBe(true);
  const open = await as((db) => invite(db, `${randomUUID()}@test.example`, 'crew'));
  const me = (await as((db) => listPeople(db))).find((p) => p.id === viewer.userId)!;
  expect(await as((db) => setPerson(db, me.id, 'reader', false, me.version))).toBeUndefined();
  expect(await findInvitation(open)).toBeUndefined();
});

test('a changed password ends the other sessions', async () => {
  const { viewer, password } = await testFirm();
  const [a, b] = [await signIn(viewer.email, password, from()), await signIn(viewer.email, password, from())];
  if (!a.ok || !b.ok) throw new Error('sign-in failed');
  expect(
    await asSession(a.token, async (_, v) => v).then((v) =>
      changePassword(v!, 'not it at all', 'a new long one', from()),
    ),
  ).toContain('Present password');
  expect(
    await asSession(a.token, async (_, v) => v).then((v) => changePassword(v!, password, 'short', from())),
  ).toContain('at least 10');
  expect(
    await asSession(a.token, async (_, v) => v).then((v) =>
      changePassword(v!, password, 'a new long one', from()),
    ),
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

test('a session that asks for much at once waits behind its own work, and nobody else does', async () => {
  const many = await testFirm();
  const one = await testFirm();
  const [mine, other] = await Promise.all(
    [many, one].map(async ({ viewer, password }) => {
      const session = await signIn(viewer.email, password, from());
      if (!session.ok) throw new Error(session.reason);
      return session.token;
    }),
  );
  let open = () => {};
  const held = new Promise<void>((done) => (open = done));
  const begun: number[] = [];
  const ended: string[] = [];
  const work = (k: number, turn?: Turn) =>
    asSession(
      mine!,
      async () => {
        begun.push(k);
        await held;
        return k;
      },
      turn,
    ).then((value) => (ended.push(String(value)), value));
  // The turn of the first lasts beyond its work; the last of the waiting is given up.
  let sent = () => {};
  const until = () => new Promise<void>((done) => (sent = done));
  const gone = new AbortController();
  const works = [work(0, { until }), work(1), work(2), work(3)];
  const givenUp = work(4, { signal: gone.signal });
  try {
    while (begun.length < 2) await new Promise((done) => setTimeout(done, 5));
    gone.abort();
    await expect(givenUp).rejects.toThrow('Stopped before');
    // While all of it waits, another is answered, and so is what belongs to a turn that was had.
    expect(await asSession(other!, async (_, v) => v.userId)).toBe(one.viewer.userId);
    expect(await asSession(mine!, async (_, v) => v.userId, { within: true })).toBe(many.viewer.userId);
    // The two have a connection each: either may be the first to be answered there.
    expect(begun.toSorted()).toEqual([0, 1]);
  } finally {
    // Held open, they would keep the connections from being closed when something here fails.
    open();
  }
  expect(await Promise.all(works)).toEqual([0, 1, 2, 3]);
  // Work is answered when it is done, its turn is another matter: 2 and 3 had the place of 1 after one another.
  expect([begun.slice(0, 2).toSorted(), begun.slice(2)]).toEqual([
    [0, 1],
    [2, 3],
  ]);
  sent();
  await expect(asSession(mine!, () => Promise.reject(new Error('of its own')), { until })).rejects.toThrow(
    'of its own',
  );
  sent();
  expect(await enter(mine!)).toBe(many.viewer.userId);
});
