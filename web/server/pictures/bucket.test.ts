import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import S3rver from 's3rver';
import sharp from 'sharp';
import { answerTo } from '../accounts/request';
import { databaseUrl } from '../database/migrate';
import { asMember, testFirm } from '../testFirm';
import { closePool } from '../database/transaction';
import { bucketOf, StoreAway, type Bucket } from './bucket';
import { keepPicture, pictureFile, printFiles, stow } from './pictures';
import { readPicture } from './readPicture';

// A small server of the protocol, which knows one key; that and its secret are written in its README.
const directory = mkdtempSync(join(tmpdir(), 'bucket-'));
const server = new S3rver({
  port: 0,
  silent: true,
  directory,
  configureBuckets: [{ name: 'pictures', configs: [] }],
});
const environment = (more: Record<string, string> = {}) => ({
  PICTURE_BUCKET: `http://localhost:${address.port}/pictures`,
  PICTURE_BUCKET_KEY: 'S3RVER',
  PICTURE_BUCKET_SECRET: 'S3RVER',
  ...more,
});
let address: { port: number };
let bucket: Bucket;
beforeAll(async () => {
  address = await server.run();
  bucket = bucketOf(environment())!;
});
afterAll(async () => {
  await server.close();
  rmSync(directory, { recursive: true, force: true });
  await closePool();
});

const picture = async (green: number) => {
  const bytes = await sharp({
    create: { width: 60, height: 40, channels: 3, background: { r: 80, g: green, b: 40 } },
  })
    .png()
    .toBuffer();
  const read = await readPicture(bytes);
  if ('problem' in read) throw new Error(read.problem);
  return read;
};

test('what was put is there, as often as it is put; a name that was never put is none', async () => {
  const bytes = new Uint8Array([0, 255, 1, 254, 10, 13]);
  for (let i = 0; i < 2; i++) await bucket.put('firm/a/page', bytes, 'image/jpeg');
  expect(await bucket.get('firm/a/page')).toEqual(Buffer.from(bytes));
  expect(await bucket.get('firm/a/small')).toBeUndefined();
});

test('with a bucket no bytes stand in the database, and the row alone says who may see them', async () => {
  const [one, other] = [await testFirm(), await testFirm()];
  const read = await picture(120);
  const stowed = await stow(one.viewer.firmId, read, bucket);
  // Until the row is written nobody sees it; written twice it is the same.
  expect(await pictureFile(asMember(one), read.hash, 'page', bucket)).toBeUndefined();
  for (let i = 0; i < 2; i++) await asMember(one)((db) => keepPicture(db, stowed));
  expect(
    await asMember(one)((db) => db.rows('select original, page, small, print from picture_files')),
  ).toEqual([{ original: null, page: null, small: null, print: null }]);
  for (const size of ['page', 'small'] as const)
    expect(await pictureFile(asMember(one), read.hash, size, bucket)).toEqual(Buffer.from(read[size]));
  expect(await pictureFile(asMember(other), read.hash, 'page', bucket)).toBeUndefined();
  // The bucket holds the four files of it, the one that came included.
  expect(readdirSync(join(directory, 'pictures', one.viewer.firmId, read.hash)).join()).toMatch(
    /original.*page.*print.*small/,
  );
});

test('a store that is away, a stranger’s key, a file that is gone: said in words, and nothing is written', async () => {
  const { viewer } = await testFirm();
  const as = asMember({ viewer });
  const read = await picture(200);
  const away = bucketOf(environment({ PICTURE_BUCKET: 'http://127.0.0.1:9/pictures' }))!;
  const strange = bucketOf(environment({ PICTURE_BUCKET_KEY: 'stranger' }))!;
  for (const store of [away, strange])
    await expect(stow(viewer.firmId, read, store)).rejects.toBeInstanceOf(StoreAway);
  await as((db) => keepPicture(db, { ...read, bytes: undefined }));
  const lost = pictureFile(as, read.hash, 'page', bucket);
  await expect(lost).rejects.toThrow(/does not answer/);
  const answer = answerTo(await lost.catch((error: unknown) => error));
  expect([answer.status, await answer.json()]).toEqual([
    503,
    { problem: expect.stringMatching(/Nothing was lost/) as string },
  ]);
});

test('pictures that stand in the database stay readable once a bucket is named', async () => {
  const { viewer } = await testFirm();
  const as = asMember({ viewer });
  const read = await picture(30);
  const stowed = await stow(viewer.firmId, read);
  await as((db) => keepPicture(db, stowed));
  expect(await pictureFile(as, read.hash, 'small', bucket)).toEqual(Buffer.from(read.small));
});

test('the print is made when a picture comes; one that was kept before has it made from its page, in both stores', async () => {
  const [one, other] = [await testFirm(), await testFirm()];
  const reads = [await picture(31), await picture(32), await picture(33), await picture(34)];
  const [here, there, hereBefore, thereBefore] = reads;
  const firm = one.viewer.firmId;
  // A mark in place of the print tells what is read from what is made.
  const mark = new Uint8Array([1, 2, 3]);
  const kept = [
    await stow(firm, { ...here!, print: mark }),
    await stow(firm, { ...there!, print: mark }, bucket),
    await stow(firm, hereBefore!),
    await stow(firm, thereBefore!, bucket),
  ];
  for (const each of kept) await asMember(one)((db) => keepPicture(db, each));
  const owner = new pg.Client({ connectionString: databaseUrl() });
  await owner.connect();
  await owner.query('update picture_files set print = null where hash = $1', [hereBefore!.hash]);
  await owner.end();
  for (const file of readdirSync(join(directory, 'pictures', firm, thereBefore!.hash)))
    if (file.startsWith('print')) rmSync(join(directory, 'pictures', firm, thereBefore!.hash, file));
  const hashes = reads.map((r) => r.hash);
  const files = await printFiles(asMember(one), hashes, bucket);
  expect(hashes.map((hash) => Buffer.from(files[hash]!))).toEqual(
    [mark, mark, hereBefore!.print, thereBefore!.print].map((bytes) => Buffer.from(bytes)),
  );
  expect(await printFiles(asMember(other), hashes, bucket)).toEqual({});
});

test('no bucket is named: the database; half of one is told by the name of what is missing', () => {
  expect(bucketOf({})).toBeUndefined();
  expect(() => bucketOf(environment({ PICTURE_BUCKET: 'pictures' }))).toThrow(/PICTURE_BUCKET is pictures/);
  expect(() => bucketOf(environment({ PICTURE_BUCKET_SECRET: '' }))).toThrow(/Set PICTURE_BUCKET_SECRET/);
});
