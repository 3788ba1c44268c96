import sharp from 'sharp';
import { MOST_PICTURES } from '../../protocol/chosenPictures';
import type { DocumentPicture, PictureFiles } from '../../protocol/document';
import type { Db } from '../database/transaction';
import type { ReportFormat } from '../reports/formats';
import { pictureFile } from './pictures';

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

/** A picture as paper shows it, within its share of a document. */
async function printed(file: Uint8Array): Promise<Uint8Array> {
  let set: Uint8Array = file;
  for (const { side, quality } of PRINTED) {
    set = await sharp(file)
      .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality, mozjpeg: true })
      .toBuffer();
    if (set.length <= SHARE) break;
  }
  return set;
}

/** The formats that hold pictures; the others name them. */
const WITH_FILES: readonly ReportFormat[] = ['pdf', 'docx'];

/** The files of the pictures of a document, as large as paper shows them; what is not kept here is left out. */
export async function filesFor(
  inFirm: <T>(work: (db: Db) => Promise<T>) => Promise<T>,
  pictures: readonly DocumentPicture[] | undefined,
  format: ReportFormat = 'pdf',
): Promise<PictureFiles> {
  if (!pictures?.length || !WITH_FILES.includes(format)) return {};
  const files: Record<string, Uint8Array> = {};
  for (const { hash } of pictures) {
    const file = await pictureFile(inFirm, hash, 'page');
    if (file) files[hash] = await printed(file);
  }
  return files;
}
