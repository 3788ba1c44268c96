import sharp from 'sharp';
import { MOST_PICTURES } from '../../protocol/chosenPictures';

/**
 * How a picture is set on paper: the longer side, where two stand side by side at some 300 dots an inch, and the quality.
 * Where one would be larger than its share of a document, the next is tried.
 */
const PRINTED = [
  { side: 1000, quality: 78 },
  { side: 1000, quality: 60 },
  { side: 800, quality: 55 },
  { side: 600, quality: 45 },
] as const;

/** All pictures of a document together, bytes: what a mail takes without asking. Judgement. */
export const DOCUMENT_PICTURES = 4_000_000;
const SHARE = DOCUMENT_PICTURES / MOST_PICTURES.report;

/** A picture as paper shows it, within its share of a document; JPEG, as the page of it is. */
export async function printed(page: Uint8Array): Promise<Uint8Array> {
  let set = page;
  for (const { side, quality } of PRINTED) {
    set = await sharp(page)
      .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality, mozjpeg: true })
      .toBuffer();
    if (set.length <= SHARE) break;
  }
  return set;
}
