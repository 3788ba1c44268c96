import JSZip from 'jszip';
import { PDFDocument, PDFName, PDFRawStream } from 'pdf-lib';
import sharp from 'sharp';
import type { Picture } from '@undrel/core/records';
import type { ReadDocument } from '../../protocol/document';
import { textOf } from '../../../e2e/pdf';
import { documentMarkdown } from './markdown';
import { picturesPart } from './picturesPart';
import { documentPdf } from './pdf';
import { setDocx } from '../../server/reports/setDocument';

const picture = (n: number, more: Partial<Picture> = {}): Picture => ({
  hash: n.toString(16).padStart(64, '0'),
  width: 800,
  height: 600,
  on: '2026-05-06',
  ...more,
});

test('captioned ones first, then the collar round the compass, then the rest; twelve at most, none that was left out', () => {
  const pictures = [
    picture(1),
    picture(2, { bearing: 180, shows: 'dig' }),
    picture(3, { bearing: 45 }),
    picture(4, { caption: 'Root A', leftOut: true }),
    picture(5, { caption: 'Root B' }),
    picture(6, { bearing: 90, shows: 'crown' }),
  ];
  expect(picturesPart({ pictures }, 'metric').map((p) => p.caption)).toEqual([
    'Root B, 2026-05-06.',
    'Picture, from NE, 2026-05-06.',
    'Open root collar, from S, 2026-05-06.',
    'Picture, 2026-05-06.',
    'Crown, from E, 2026-05-06.',
  ]);
  // What is to go first goes before those with a caption.
  expect(
    picturesPart({ pictures: pictures.map((p, i) => (i === 5 ? { ...p, first: true } : p)) }, 'metric')
      .map((p) => p.hash)
      .slice(0, 2),
  ).toEqual([pictures[5]!.hash, pictures[4]!.hash]);
  expect(picturesPart({ pictures: Array.from({ length: 30 }, (_, i) => picture(i)) }, 'metric')).toHaveLength(
    12,
  );
  expect(picturesPart({}, 'metric')).toEqual([]);
});

test('the same spot before and now stands first, once, and aligned ones before others; what was left out is in no pair', () => {
  const [n, e] = [
    { bearing: 0, shows: 'dig' as const },
    { bearing: 90, shows: 'dig' as const },
  ];
  const before = [picture(21, { ...n, on: '2024-05-06' }), picture(22, { ...e, on: '2024-05-06' })];
  const at = [
    [0, 0],
    [0.5, 0],
    [0.5, 0.5],
    [0, 0.5],
  ] as NonNullable<Picture['aligned']>['here'];
  const now = [picture(31, n), picture(32, e), picture(33, { caption: 'Root A' })];
  const told = (pictures: Picture[]) =>
    picturesPart({ pictures }, 'metric', [{ pictures: before }]).map((p) => p.caption);
  expect(told(now)).toEqual([
    'Before: open root collar, from E, 2024-05-06.',
    'Now: open root collar, from E, 2026-05-06.',
    'Root A, 2026-05-06.',
    'Open root collar, from N, 2026-05-06.',
  ]);
  const aligned = { to: before[0]!.hash, here: at, there: at };
  expect(told([{ ...now[0]!, aligned }, now[1]!]).slice(0, 2)).toEqual([
    'Before: open root collar, from N, 2024-05-06.',
    'Now: open root collar, from N, 2026-05-06.',
  ]);
  expect(told(now.map((p) => ({ ...p, leftOut: true as const })))).toEqual([]);
});

test('a length beside a sheet is written in the units of the reader', () => {
  const marks: Picture['marks'] = [{ kind: 'length', from: [0.5, 0.75], to: [0.8125, 0.75], text: 'gap' }];
  // A millimetre for each pixel of 800: 250 mm.
  const corners = [
    [100, 100],
    [310, 100],
    [310, 397],
    [100, 397],
  ].map(([x, y]): [number, number] => [x! / 800, y! / 600]) as NonNullable<Picture['sheet']>['corners'];
  const told = (system: 'metric' | 'us') =>
    picturesPart({ pictures: [picture(1, { marks, sheet: { kind: 'a4', corners } })] }, system)[0]!.marks![0]!
      .text;
  expect(told('metric')).toMatch(/^gap 25\.0 ± \d\.\d cm$/);
  expect(told('us')).toMatch(/^gap 9\.8 ± 0\.\d in$/);
});

test('PDF and DOCX hold the files with their captions told, and stay small; what is not kept here leaves its place', async () => {
  const file = await sharp({ create: { width: 1000, height: 750, channels: 3, background: '#8a6' } })
    .jpeg()
    .toBuffer();
  const [there, missing] = picturesPart(
    {
      pictures: [
        picture(1, {
          caption: 'Girdling root',
          marks: [{ kind: 'arrow', from: [0.1, 0.1], to: [0.5, 0.5], text: 'A' }],
        }),
        picture(2, { caption: 'Not here' }),
      ],
    },
    'metric',
  );
  const doc: ReadDocument = {
    firm: 'Firm',
    stamp: 'DRAFT',
    title: 'Tree',
    lines: [],
    foot: '',
    paper: 'A4',
    sections: [{ title: 'Pictures', blocks: [{ as: 'pictures', pictures: [there!, missing!] }] }],
  };
  const files = { [there!.hash]: new Uint8Array(file) };
  const { bytes } = documentPdf(doc, files);
  const pdf = await PDFDocument.load(bytes);
  const images = pdf.context
    .enumerateIndirectObjects()
    .filter(
      ([, o]) => o instanceof PDFRawStream && o.dict.get(PDFName.of('Filter')) === PDFName.of('DCTDecode'),
    );
  expect(images).toHaveLength(1);
  expect(bytes.length).toBeLessThan(150_000);
  const text = await textOf(bytes);
  expect(text).toContain('Girdling root, 2026-05-06.');
  expect(text).toContain('Not here, 2026-05-06.');
  const zip = await JSZip.loadAsync(await setDocx(doc, undefined, files));
  expect(Object.keys(zip.files).filter((name) => /media\/.*\.svg$/.test(name))).toHaveLength(2);
  expect(await zip.file('word/document.xml')!.async('string')).toContain('Girdling root, 2026-05-06.');
  expect(documentMarkdown(doc)).toContain('- Girdling root, 2026-05-06.');
});
