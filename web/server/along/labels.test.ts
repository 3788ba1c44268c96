import jsqrModule from 'jsqr';
import sharp from 'sharp';
import { textOf } from '../../../e2e/pdf';
import { qrSvg } from '../../work/paper/qrSvg';
import { labelsPdf } from '../../work/paper/labelsPdf';

// A module of the old kind, read by a new one.
const jsQR = ((jsqrModule as unknown as { default?: typeof jsqrModule }).default ??
  jsqrModule) as typeof jsqrModule;

const ADDRESS = 'https://undrel.example/t/0123456789abcdef0123';

test('a phone reads from a label where it leads, with a hole in it as well', async () => {
  const side = 400;
  const scratched = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${side}" height="${side}"><rect x="170" y="190" width="44" height="44" fill="#fff"/></svg>`,
  );
  const drawn = sharp(Buffer.from(qrSvg(ADDRESS, 'Q', '#000')), { density: 720 }).resize(side, side);
  for (const over of [[], [{ input: scratched }]]) {
    const { data } = await sharp(await drawn.clone().png().toBuffer())
      .composite(over)
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(jsQR(new Uint8ClampedArray(data), side, side)?.data).toBe(ADDRESS);
  }
});

test('every tree has a label with its name; odd names are text', async () => {
  const names = ['Oak 1', '<b>Lime</b> #2', 'בלוט 3', 'x'.repeat(80)];
  const pdf = labelsPdf({
    name: 'Row',
    firm: 'Firm',
    paper: 'letter',
    trees: names.map((label) => ({ label, address: ADDRESS })),
  });
  const text = (await textOf(Buffer.from(pdf))).replace(/\s+/g, '');
  for (const name of [names[0]!, names[1]!]) expect(text).toContain(name.replace(/\s+/g, ''));
  expect(text).not.toContain('0123456789abcdef');
});
