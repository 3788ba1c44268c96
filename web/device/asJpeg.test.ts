import { asJpeg, isHeic } from './asJpeg';

const head = (letters: string) => new Uint8Array([0, 0, 0, 24, ...Buffer.from(letters, 'latin1')]);

test('HEIC is known by how it begins; JPEG, AVIF, films and short files are none', () => {
  for (const brand of ['heic', 'heix', 'mif1']) expect(isHeic(head(`ftyp${brand}`))).toBe(true);
  for (const other of ['ftypavif', 'ftypisom', 'heicftyp', 'ftyp', ''])
    expect([other, isHeic(head(other))]).toEqual([other, false]);
  expect(isHeic(new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 0, 16, 74, 70, 73, 70, 0, 1]))).toBe(false);
});

test('what is no HEIC, and what this browser does not read, goes as it is', async () => {
  for (const letters of ['ftypheic', 'ftypavif']) {
    const file = new Blob([head(letters)]);
    expect(await asJpeg(file)).toBe(file);
  }
});
