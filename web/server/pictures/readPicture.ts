import { createHash } from 'node:crypto';
import sharp, { type Metadata } from 'sharp';
import { PICTURE } from '../../work/readers/limits';
import { printed } from './printed';

/** The types of pictures that are taken, by the name the decoder has for them. */
const TYPES = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' } as const;
export type PictureType = (typeof TYPES)[keyof typeof TYPES];

/** A picture as it is kept: as it came, and upright without anything that tells of place or device. */
export interface ReadPicture {
  hash: string;
  type: PictureType;
  /** Upright, pixels. */
  width: number;
  height: number;
  original: Uint8Array;
  /** JPEG and WebP in sRGB. */
  page: Uint8Array;
  small: Uint8Array;
  /** As paper shows it, JPEG in sRGB. */
  print: Uint8Array;
}

const NONE = 'This is no picture: JPEG, PNG or WebP is asked for.';

const millions = (pixels: number): string => `${(pixels / 1e6).toFixed(0)} million pixels`;

/** Why a picture cannot be taken, before any of it is decoded; undefined where it can. */
function problemOf({ format, width, height, pages }: Metadata): string | undefined {
  if (format === 'heif')
    return 'HEIC is not read here: set the camera to JPEG (“most compatible”), or add it through the browser of the phone.';
  if (!(format in TYPES)) return `A picture is JPEG, PNG or WebP; this is ${format}.`;
  if ((pages ?? 1) > 1) return `It moves: ${pages} pictures in one file; 1 is allowed.`;
  if (width * height > PICTURE.pixels)
    return `Picture: ${millions(width * height)}; at most ${millions(PICTURE.pixels)} are allowed.`;
  if (Math.max(width, height) > PICTURE.side)
    return `Picture: ${Math.max(width, height)} pixels along one side; at most ${PICTURE.side} are allowed.`;
  return undefined;
}

/**
 * Reads a picture: its head first, with its limits; then it is decoded, turned upright, put into sRGB and set anew in the
 * sizes that are shown. Position, device and everything else that a camera writes beside a picture stay behind.
 *
 * @returns what is wrong with it, in words, where it is no such picture or ends in the middle
 */
export async function readPicture(bytes: Uint8Array): Promise<ReadPicture | { problem: string }> {
  if (bytes.length === 0) return { problem: NONE };
  // The head alone, of which nothing is decoded yet: how large it is, is said in words.
  const head = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined);
  if (!head) return { problem: NONE };
  const problem = problemOf(head);
  if (problem) return { problem };
  const image = sharp(bytes, { limitInputPixels: PICTURE.pixels, failOn: 'truncated' });
  const upright = image.autoOrient().timeout({ seconds: PICTURE.seconds });
  const within = (side: number) =>
    upright.clone().resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true });
  try {
    const [page, small] = await Promise.all([
      within(PICTURE.page).flatten({ background: '#fff' }).jpeg({ quality: 82, mozjpeg: true }).toBuffer(),
      within(PICTURE.small).webp({ quality: 72 }).toBuffer(),
    ]);
    const { width, height } = head.autoOrient;
    return {
      hash: createHash('sha256').update(bytes).digest('hex'),
      type: TYPES[head.format as keyof typeof TYPES],
      width,
      height,
      original: bytes,
      page,
      small,
      print: await printed(page),
    };
  } catch {
    return {
      problem: 'The picture ends in the middle, or is damaged. Take it again, or add the original.',
    };
  }
}
