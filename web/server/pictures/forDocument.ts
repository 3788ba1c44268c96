import sharp from 'sharp';
import type { DocumentPicture, PictureFiles } from '../../protocol/document';
import type { Db } from '../database/transaction';
import type { ReportFormat } from '../reports/files';
import { pictureFile } from './pictures';

/** The longer side of a picture on paper, where two stand side by side: some 300 dots an inch. */
const PRINTED = 1000;

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
    if (file)
      files[hash] = await sharp(file)
        .resize({ width: PRINTED, height: PRINTED, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 78, mozjpeg: true })
        .toBuffer();
  }
  return files;
}
