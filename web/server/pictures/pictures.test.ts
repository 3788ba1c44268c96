import { createHash } from 'node:crypto';
import { crc32 } from 'node:zlib';
import sharp from 'sharp';
import { idOf } from '@undrel/core/records';
import { saveChanges } from '../cases/write';
import { asMember, testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { PICTURE } from '../../work/readers/limits';
import { filesFor } from './forDocument';
import { DOCUMENT_PICTURES } from './printed';
import { keepPicture, pictureFile, pictureFrom, stow } from './pictures';
import { addPiece, forgetPieces, piecesOf, wholeOf } from './pieces';
import { readPicture, type ReadPicture } from './readPicture';

afterAll(closePool);

/** A made-up picture: dark left half, light right half, a red corner at the upper left. */
const plain = (width = 400, height = 300) =>
  sharp({ create: { width, height, channels: 3, background: '#e8e4d8' } }).composite([
    { input: { create: { width: width / 2, height, channels: 3, background: '#4a3b2a' } }, left: 0, top: 0 },
    {
      input: { create: { width: width / 4, height: height / 4, channels: 3, background: '#d01010' } },
      left: 0,
      top: 0,
    },
  ]);
const read = async (bytes: Uint8Array): Promise<ReadPicture> => {
  const answer = await readPicture(bytes);
  if ('problem' in answer) throw new Error(answer.problem);
  return answer;
};
const problemOf = async (bytes: Uint8Array): Promise<string> => {
  const answer = await readPicture(bytes);
  return 'problem' in answer ? answer.problem : 'taken';
};
const pixel = async (bytes: Uint8Array, x: number, y: number): Promise<number[]> => [
  ...(await sharp(bytes).removeAlpha().extract({ left: x, top: y, width: 1, height: 1 }).raw().toBuffer()),
];

test('a picture is turned upright, and what the camera wrote beside it stays behind', async () => {
  // Held on its side: the camera says that it is turned by a quarter (EXIF orientation 6), and where it was.
  const bytes = await plain()
    .jpeg()
    .withExif({
      IFD0: { Make: 'Maker', Model: 'Camera 7' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 13/1 20/1' },
    })
    .withMetadata({ orientation: 6 })
    .toBuffer();
  const before = await sharp(bytes).metadata();
  expect([before.orientation, before.exif !== undefined]).toEqual([6, true]);
  const picture = await read(bytes);
  expect([picture.width, picture.height, picture.type]).toEqual([300, 400, 'image/jpeg']);
  expect(picture.hash).toBe(createHash('sha256').update(bytes).digest('hex'));
  for (const made of [picture.page, picture.small]) {
    const head = await sharp(made).metadata();
    expect([head.exif, head.orientation, head.icc]).toEqual([undefined, undefined, undefined]);
    expect(Buffer.from(made).toString('latin1')).not.toMatch(/Maker|Camera 7/);
    expect(head.width! < head.height!).toBe(true);
  }
  // Turned clockwise the upper left corner comes to the upper right.
  const [red, green] = await pixel(picture.page, 290, 10);
  expect(red!).toBeGreaterThan(150);
  expect(green!).toBeLessThan(90);
});

test('large ones are made small for page and list, small ones are left as large as they are', async () => {
  const large = await read(await plain(4000, 3000).jpeg().toBuffer());
  const page = await sharp(large.page).metadata();
  const small = await sharp(large.small).metadata();
  expect([large.width, page.width, small.width]).toEqual([4000, PICTURE.page, PICTURE.small]);
  expect(page.height).toBe((PICTURE.page * 3) / 4);
  const tiny = await read(await plain(120, 80).png().toBuffer());
  expect((await sharp(tiny.page).metadata()).width).toBe(120);
  expect((await read(await plain().webp().toBuffer())).type).toBe('image/webp');
});

/** The head of a PNG that says it is so large, with next to nothing in it. */
function hollowPng(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2, 0, 0, 0], 8);
  const signature = Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]);
  return Buffer.concat([
    signature,
    chunk('IHDR', head),
    chunk('IDAT', Buffer.alloc(20)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

test('what is no picture, ends in the middle, moves or is too large is refused in words, before it is decoded', async () => {
  expect(await problemOf(Buffer.from('%PDF-1.7 a document called .jpg'))).toMatch(
    /no picture: JPEG, PNG or WebP/,
  );
  expect(await problemOf(new Uint8Array())).toMatch(/no picture/);
  expect(await problemOf(hollowPng(20_000, 10_000))).toMatch(/200 million pixels; at most 64 million/);
  expect(await problemOf(hollowPng(20_000, 100))).toMatch(/20000 pixels along one side; at most 16000/);
  expect(await problemOf(hollowPng(800, 600))).toMatch(/ends in the middle, or is damaged/);
  const whole = await plain(1200, 900).jpeg().toBuffer();
  expect(await problemOf(whole.subarray(0, Math.floor(0.6 * whole.length)))).toMatch(/ends in the middle/);
  const moving = await sharp(
    Buffer.from(
      'R0lGODlhAQABAIAAAP8AAAAA/yH/C05FVFNDQVBFMi4wAwEAAAAh+QQACgAAACwAAAAAAQABAAACAkQBACH5BAAKAAAALAAAAAABAAEAAAICTAEAOw==',
      'base64',
    ),
    { animated: true },
  )
    .webp()
    .toBuffer();
  expect(await problemOf(moving)).toMatch(/It moves: 2 pictures in one file; 1 is allowed/);
  expect(await problemOf(await plain().gif().toBuffer())).toMatch(/this is gif/);
  const drawing = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"/>');
  expect(await problemOf(drawing)).toMatch(/JPEG, PNG or WebP/);
});

test('a picture is kept once for a firm, its file by nobody else, and never changed', async () => {
  const [one, other] = [await testFirm(), await testFirm()];
  const picture = await pictureFrom(await plain().jpeg().toBuffer(), one.viewer);
  if ('problem' in picture) throw new Error(picture.problem);
  const { hash } = picture;
  const stowed = await stow(one.viewer.firmId, picture);
  for (let i = 0; i < 2; i++) await asMember(one)((db) => keepPicture(db, stowed));
  expect(await pictureFile(asMember(one), hash, 'page')).toEqual(Buffer.from(picture.page));
  expect(await pictureFile(asMember(other), hash, 'small')).toBeUndefined();
  await expect(
    asMember(one)((db) => db.rows('update picture_files set page = small where hash = $1', [hash])),
  ).rejects.toThrow(/permission denied/);
  const rows = await asMember(one)((db) => db.rows('select hash from picture_files'));
  expect(rows).toEqual([{ hash }]);
});

test('what a picture shows and its marks are saved as any record, once a visit; what is wrong is named', async () => {
  const firm = await testFirm();
  const save = (
    id: string,
    values: Record<string, unknown>,
    kind: 'picture' | 'visit' | 'tree',
    parent: string,
  ) =>
    asUser(firm.viewer.firmId, firm.viewer.userId, (db) =>
      saveChanges(db, firm.viewer, [{ kind, id, parent, base: 0, values }]),
    );
  await save('pt', { label: 'P', species: 'Tilia cordata' }, 'tree', firm.propertyId);
  await save('pt.v', { date: '2026-05-01' }, 'visit', 'pt');
  const hash = 'ab'.repeat(32);
  const values = {
    hash,
    width: 4000,
    height: 3000,
    on: '2026-05-01',
    bearing: 90,
    marks: [{ kind: 'arrow', from: [0, 0.1], to: [0.5, 0.5], text: 'A' }],
  };
  const id = idOf('picture', 'pt.v', { hash });
  expect(await save(id, values, 'picture', 'pt.v')).toMatchObject([{ status: 'saved' }]);
  // The same again is the same picture.
  expect(await save(id, values, 'picture', 'pt.v')).toMatchObject([{ status: 'saved', version: 1 }]);
  const wrong = await save(
    `${id}x`,
    { ...values, bearing: 400, marks: [{ kind: 'box' }] },
    'picture',
    'pt.v',
  );
  expect(wrong).toMatchObject([{ status: 'refused', problem: expect.stringMatching(/bearing: 400/) }]);
});

test('a picture in pieces: a gap is not taken, what is there is not asked for again, and only the whole is read', async () => {
  const { viewer } = await testFirm();
  const as = asMember({ viewer });
  const bytes = await plain().png().toBuffer();
  const hash = createHash('sha256').update(bytes).digest('hex');
  const total = bytes.length;
  const cut = Math.floor(total / 3);
  const add = (at: number, end: number) =>
    as((db) => addPiece(db, { hash, at, total }, bytes.subarray(at, end)));
  expect(await as((db) => piecesOf(db, hash))).toEqual({ have: 0 });
  expect(await add(0, cut)).toEqual({ have: cut });
  expect(await add(2 * cut, total)).toEqual({
    problem: expect.stringContaining(`next one begins at ${cut}`) as string,
  });
  expect(await add(0, cut)).toEqual({ have: cut });
  expect(await as((db) => wholeOf(db, hash))).toBeUndefined();
  expect(await add(cut, total)).toEqual({ have: total });
  expect(Buffer.compare((await as((db) => wholeOf(db, hash)))!, bytes)).toBe(0);
  expect(await as((db) => addPiece(db, { hash: 'a'.repeat(64), at: 0, total: 26_000_000 }, bytes))).toEqual({
    problem: expect.stringContaining('at most 25000000 are allowed') as string,
  });
  // Another firm sees none of it.
  const other = (await testFirm()).viewer;
  expect(await asUser(other.firmId, other.userId, (db) => piecesOf(db, hash))).toEqual({ have: 0 });
  await as((db) => forgetPieces(db, hash));
  expect(await as((db) => piecesOf(db, hash))).toEqual({ have: 0 });
  const stowed = await stow(viewer.firmId, await read(bytes));
  await as((db) => keepPicture(db, stowed));
  expect(await as((db) => piecesOf(db, hash))).toEqual({
    have: 0,
    picture: { hash, width: 400, height: 300 },
  });
});

test('twelve pictures that no JPEG makes small still leave a document that a mail takes @whole', async () => {
  const { viewer } = await testFirm();
  const as = asMember({ viewer });
  const pictures = [];
  for (let n = 0; n < 12; n++) {
    // Noise of one seed each, so that no two are the same.
    const noise = { type: 'gaussian', mean: 120 + n, sigma: 60 } as const;
    const bytes = await sharp({
      create: { width: 1200, height: 900, channels: 3, background: '#000', noise },
    })
      .jpeg({ quality: 95 })
      .toBuffer();
    const picture = await read(bytes);
    const stowed = await stow(viewer.firmId, picture);
    await as((db) => keepPicture(db, stowed));
    pictures.push({ hash: picture.hash, width: 1200, height: 900, caption: String(n) });
  }
  const files = Object.values(await filesFor(as, pictures));
  expect(files).toHaveLength(12);
  const total = files.reduce((sum, file) => sum + file.length, 0);
  expect(total).toBeLessThanOrEqual(DOCUMENT_PICTURES);
  // A document without files of its own fetches none.
  expect(await filesFor(as, pictures, 'md')).toEqual({});
});
