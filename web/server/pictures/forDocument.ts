import type { DocumentPicture, PictureFiles } from '../../protocol/document';
import type { Db } from '../database/transaction';
import type { ReportFormat } from '../../work/reports/formats';
import { printFiles } from './pictures';

/** The formats that hold pictures; the others name them. */
const WITH_FILES: readonly ReportFormat[] = ['pdf', 'docx'];

/** The files of the pictures of a document, as large as paper shows them; what is not kept here is left out. */
export const filesFor = async (
  inFirm: <T>(work: (db: Db) => Promise<T>) => Promise<T>,
  pictures: readonly DocumentPicture[] | undefined,
  format: ReportFormat = 'pdf',
): Promise<PictureFiles> =>
  pictures?.length && WITH_FILES.includes(format)
    ? printFiles(
        inFirm,
        pictures.map((p) => p.hash),
      )
    : {};
