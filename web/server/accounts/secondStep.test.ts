import { execFileSync } from 'node:child_process';
import { createHmac, randomUUID } from 'node:crypto';
import { generateSync, NobleCryptoPlugin, ScureBase32Plugin } from 'otplib';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { projectFile } from '../../work/paper/projectFile';
import type { Mail } from '../mail/mailbox';
import { THROTTLE } from './attempts';
import { setPerson } from './firm';
import { acceptInvitation, invite } from './invitations';
import { mailReset, ownersReset, resetOf, resetPassword } from './reset';
import { beginApp, confirmApp, dropApp, newCodes, secondStepOf, takeOffSecondStep } from './secondStep';
import { asSession } from './session';
import { signIn, signInByCode, signInByPasskey } from './signIn';
import { openStep, seeStep, takeStep } from './steps';

afterAll(closePool);

const from = () => ({ address: randomUUID(), agent: 'test' });
const SITE = new URL('http://localhost:3000');

function base32(text: string): Buffer {
  const bits = [...text]
    .map((c) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(c).toString(2).padStart(5, '0'))
    .join('');
  return Buffer.from((bits.match(/.{8}/g) ?? []).map((b) => parseInt(b, 2)));
}

/** A time-based code by RFC 6238 and RFC 4226 (section 5.3), written out for the test. */
function codeAt(key: Buffer, seconds: number, digits = 6): string {
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(seconds / 30)));
  const mac = createHmac('sha1', key).update(counter).digest();
  const offset = mac[19]! & 0xf;
  return String((mac.readUInt32BE(offset) & 0x7fffffff) % 10 ** digits).padStart(digits, '0');
}
const now = () => Date.now() / 1000;

// RFC 6238, appendix B, SHA-1: the test vectors of the standard.
test.each([
  [59, '94287082'],
  [1111111109, '07081804'],
  [1111111111, '14050471'],
  [1234567890, '89005924'],
  [2000000000, '69279037'],
  [20000000000, '65353130'],
])('at %d s the code is %s, by the library and by the test’s own sum', (seconds, code) => {
  const key = Buffer.from('12345678901234567890');
  expect(codeAt(key, seconds, 8)).toBe(code);
  const plugins = { crypto: new NobleCryptoPlugin(), base32: new ScureBase32Plugin() };
  expect(generateSync({ secret: key, epoch: seconds, digits: 8, ...plugins })).toBe(code);
});

/** A person whose sign-in asks for a code. */
async function withApp() {
  const { viewer, password } = await testFirm();
  const begun = await asUser(viewer.firmId, viewer.userId, (db) => beginApp(db, viewer));
  const key = base32(begun!.secret);
  // The set-up takes the code of the step before, so that the present one is still good.
  const answer = await confirmApp(viewer, codeAt(key, now() - 30), from());
  if ('problem' in answer) throw new Error(answer.problem);
  const step = async () => {
    const asked = await signIn(viewer.email, password, from());
    if (asked.ok || !asked.second) throw new Error('no second step asked for');
    return asked.second;
  };
  return { viewer, password, key, codes: answer.codes!, step };
}

test('with an app set up the password alone does not do; a code does, once', async () => {
  const { viewer, key, step } = await withApp();
  const code = codeAt(key, now());
  const [first, second] = [await step(), await step()];
  expect(await signInByCode(first, code === '000000' ? '111111' : '000000', from())).toMatchObject({
    ok: false,
  });
  const done = await signInByCode(first, ` ${code.slice(0, 3)} ${code.slice(3)}`, from());
  expect(done.ok && (await asSession(done.token, async (_, v) => v.userId))).toBe(viewer.userId);
  // Seen over a shoulder, the same code opens nothing more; nor does the step that is done.
  expect(await signInByCode(second, code, from())).toMatchObject({ ok: false });
  expect(await signInByCode(first, codeAt(key, now() + 30), from())).toMatchObject({ ok: false });
  const next = await signInByCode(second, codeAt(key, now() + 30), from());
  expect(next.ok).toBe(true);
});

test('one code used many times at once opens one session', async () => {
  const { key, step } = await withApp();
  const steps = await Promise.all(Array.from({ length: 8 }, step));
  const code = codeAt(key, now());
  const answers = await Promise.all(steps.map((s) => signInByCode(s, code, from())));
  expect(answers.filter((a) => a.ok)).toHaveLength(1);
});

test('a recovery code opens once; new ones end the old; codes are guessed no more often than passwords', async () => {
  const { viewer, codes, step } = await withApp();
  expect(new Set(codes).size).toBe(10);
  expect((await signInByCode(await step(), codes[0]!.toUpperCase(), from())).ok).toBe(true);
  expect((await signInByCode(await step(), codes[0]!, from())).ok).toBe(false);
  const fresh = await newCodes(viewer);
  expect((await signInByCode(await step(), codes[1]!, from())).ok).toBe(false);
  const here = from();
  const guessed = await step();
  for (let i = 0; i < THROTTLE.pair; i++) await signInByCode(guessed, String(100000 + i), here);
  expect(await signInByCode(guessed, fresh[0]!, here)).toMatchObject({
    reason: expect.stringContaining('wait'),
  });
  expect((await signInByCode(await step(), fresh[0]!, from())).ok).toBe(true);
});

test('a key is kept out of the log of changes, and a set-up that was not confirmed asks for nothing', async () => {
  const { viewer, password } = await testFirm();
  const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(viewer.firmId, viewer.userId, work);
  const begun = await as((db) => beginApp(db, viewer));
  expect((await signIn(viewer.email, password, from())).ok).toBe(true);
  const log = JSON.stringify(await as((db) => db.rows('select before, after from audit_entries')));
  expect(log).toContain('last_step');
  expect(log).not.toContain(begun!.secret);
  expect(await confirmApp(viewer, '12345', from())).toMatchObject({
    problem: expect.stringContaining('six digits'),
  });
});

test('turned off, or taken off by the owner, the password alone does again, and no code is left', async () => {
  for (const off of ['self', 'owner']) {
    const { viewer, password } = await withApp();
    const open = await signIn(viewer.email, password, from());
    expect(open.ok).toBe(false);
    if (off === 'self') await dropApp(viewer);
    else await asUser(viewer.firmId, viewer.userId, (db) => takeOffSecondStep(db, viewer.userId));
    expect(await asUser(viewer.firmId, viewer.userId, (db) => secondStepOf(db, viewer.userId))).toEqual({
      app: false,
      passkeys: [],
      codesLeft: 0,
    });
    expect((await signIn(viewer.email, password, from())).ok).toBe(true);
  }
});

test('a step is of one kind and taken once, and an answer to nothing signs nobody in', async () => {
  const { viewer } = await testFirm();
  const step = await openStep('second', { firmId: viewer.firmId, userId: viewer.userId });
  expect(await seeStep(step, 'reset')).toBeUndefined();
  expect(await resetPassword(step, 'three plain words')).toContain('lapsed');
  const taken = await Promise.all(Array.from({ length: 6 }, () => takeStep(step, 'second')));
  expect(taken.filter(Boolean)).toHaveLength(1);
  const response = {
    id: 'none',
    rawId: 'none',
    type: 'public-key',
    clientExtensionResults: {},
    response: {},
  };
  expect(await signInByPasskey({ site: SITE, step, response: response as never }, from())).toMatchObject({
    ok: false,
  });
});

describe('a forgotten password', () => {
  const sent: Mail[] = [];
  const send = (mail: Mail) => (sent.push(mail), Promise.resolve());
  const tokenIn = (mail: Mail) => /\/reset\/(\S+)/.exec(mail.text)![1]!;

  test('a link goes to who has an account and to nobody else; it works once and ends every session', async () => {
    const { viewer, password } = await testFirm();
    const open = await signIn(viewer.email, password, from());
    sent.length = 0;
    expect(await mailReset(`nobody-${randomUUID()}@test.example`, SITE, from(), send)).toBeUndefined();
    expect(sent).toEqual([]);
    expect(await mailReset(` ${viewer.email.toUpperCase()}`, SITE, from(), send)).toBeUndefined();
    expect(sent).toMatchObject([{ to: viewer.email }]);
    const token = tokenIn(sent[0]!);
    expect(await resetOf(token)).toMatchObject({ email: viewer.email });
    expect(await resetPassword(token, 'short')).toContain('at least 10');
    expect(await resetPassword(token, 'three plain words')).toBeUndefined();
    expect(await resetPassword(token, 'three other words')).toContain('lapsed');
    expect(open.ok && (await asSession(open.token, async () => true))).toBeUndefined();
    expect((await signIn(viewer.email, password, from())).ok).toBe(false);
    expect((await signIn(viewer.email, 'three plain words', from())).ok).toBe(true);
  });

  test('nobody’s mailbox is filled, and a new password ends the other links', async () => {
    const { viewer } = await testFirm();
    const here = from();
    sent.length = 0;
    for (let i = 0; i < THROTTLE.pair; i++) await mailReset(viewer.email, SITE, here, send);
    expect(await mailReset(viewer.email, SITE, here, send)).toContain('wait');
    expect(sent).toHaveLength(THROTTLE.pair);
    expect(await resetPassword(tokenIn(sent[0]!), 'three plain words')).toBeUndefined();
    expect(await resetOf(tokenIn(sent[1]!))).toBeUndefined();
  });

  test('the second step is asked for after it all the same', async () => {
    const { viewer, key } = await withApp();
    sent.length = 0;
    await mailReset(viewer.email, SITE, from(), send);
    await resetPassword(tokenIn(sent[0]!), 'three plain words');
    const asked = await signIn(viewer.email, 'three plain words', from());
    expect(asked).toMatchObject({ ok: false, second: expect.any(String) });
    const done = !asked.ok && asked.second && (await signInByCode(asked.second, codeAt(key, now()), from()));
    expect(done).toMatchObject({ ok: true });
  });

  test('who runs the server lets somebody in again from the command line @whole', async () => {
    const { viewer, password } = await withApp();
    const command = (email: string) =>
      execFileSync('npm', ['run', '-s', 'firm', '--', '--reset', email], {
        cwd: projectFile('.'),
        encoding: 'utf8',
        stdio: 'pipe',
      });
    const [, token] = /\/reset\/(\S+),/.exec(command(viewer.email))!;
    expect((await signIn(viewer.email, password, from())).ok).toBe(true);
    expect(await resetPassword(token!, 'three plain words')).toBeUndefined();
    expect(() => command('nobody@test.example')).toThrow(/has no account/);
  });

  test('an owner’s link ends with the owner who made it, and no one shut out comes in by theirs', async () => {
    const { viewer } = await testFirm();
    const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(viewer.firmId, viewer.userId, work);
    const person = async (role: 'owner' | 'crew') => {
      const token = await as((db) => invite(db, `${randomUUID()}@test.example`, role));
      const joined = await acceptInvitation(token, 'Somebody', 'three plain words', from());
      return (await asSession(joined.ok ? joined.token : '', async (_, v) => v))!;
    };
    const [other, crew] = [await person('owner'), await person('crew')];
    const [mine, theirs] = [await ownersReset(viewer, crew.userId), await ownersReset(other, crew.userId)];
    expect(await as((db) => setPerson(db, other.userId, 'reader', false, 1))).toBeUndefined();
    expect(await resetOf(theirs)).toBeUndefined();
    expect(await resetPassword(theirs, 'three other words')).toContain('lapsed');
    expect(await resetOf(mine)).toMatchObject({ email: crew.email });
    expect(await as((db) => setPerson(db, crew.userId, 'crew', true, 1))).toBeUndefined();
    expect(await resetPassword(mine, 'three other words')).toContain('lapsed');
  });
});
