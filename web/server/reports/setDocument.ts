import { createHash } from 'node:crypto';
import { keepingMade } from '@undrel/core/kept';
import type { PictureFiles, ReadDocument } from '../../protocol/document';
import type { ReportContent } from '../../protocol/report';
import type { Language } from '../../language/languages';
import { documentIn, TIGHTEST } from '../../documents/documentIn';
import type { ReportStamp } from '../../documents/head';
import { LENGTH_WORDS, type Length } from '../../protocol/lengths';
import { ALONE, beside, idleFor, type Asker } from '../beside';
import { OTHER } from './edition';
import type { Proof } from './proof';

/** What is kept of the documents set last, bytes. */
const MOST = 64_000_000;
interface AsPdf {
  bytes: Uint8Array<ArrayBuffer>;
  pages: number;
}
// Kept by the process: pages and routes each load this, and share what is set.
const shared = globalThis as typeof globalThis & { undrelPdfs?: ReturnType<typeof keepingMade<AsPdf>> };
const pdfs = (shared.undrelPdfs ??= keepingMade<AsPdf>(MOST, ({ bytes }) => bytes.length));

/** A document as PDF, set beside the server, and how many pages it has; the same one is not set twice while it is kept. */
export const setPdf = (
  doc: ReadDocument,
  asker: Asker = ALONE,
  files: PictureFiles = {},
  proof?: Proof,
): Promise<AsPdf> => {
  const all = createHash('sha256').update(JSON.stringify([doc, Object.keys(files).sort(), proof ?? null]));
  return pdfs(all.digest('base64'), () => beside('pdf', { doc, files, ...(proof && { proof }) }, asker));
};

/** A document as DOCX, set beside the server: its pictures take seconds where there are many. */
export const setDocx = (
  doc: ReadDocument,
  asker: Asker = ALONE,
  files: PictureFiles = {},
): Promise<Uint8Array<ArrayBuffer>> => beside('docx', { doc, files }, asker);

/**
 * A report as it fits the pages of its length: what is left out so that it does is in the full record. One that does not fit
 * with the least there is to say stays longer.
 */
async function fitted(
  length: Length,
  content: ReportContent,
  stamp: ReportStamp | undefined,
  asker: Asker,
  files: PictureFiles,
  language: Language,
): Promise<{ doc: ReadDocument; pdf: Uint8Array<ArrayBuffer> }> {
  const most = LENGTH_WORDS[length].pages ?? Infinity;
  for (let tight = 0; ; tight++) {
    const doc = documentIn(length, content, stamp, tight, OTHER[language]);
    const { bytes, pages } = await setPdf(doc, asker, files);
    if (pages <= most || tight === TIGHTEST) return { doc, pdf: bytes };
  }
}

/** A report of a length as PDF; without a stamp it says that it is a draft. */
export const reportPdf = async (
  content: ReportContent,
  stamp?: ReportStamp,
  asker: Asker = ALONE,
  files: PictureFiles = {},
  length: Length = 'record',
  language: Language = 'en',
): Promise<Uint8Array<ArrayBuffer>> => (await fitted(length, content, stamp, asker, files, language)).pdf;

/**
 * Sets the full record of a draft that is being looked at, where nobody waits for a document: its file is there when it
 * is asked for. Where it cannot be set, whoever asks for it is told.
 */
export async function setAhead(
  content: ReportContent,
  pictures: () => Promise<PictureFiles>,
  { firmId, userId }: Asker,
  language: Language,
): Promise<void> {
  if (!idleFor('pdf')) return;
  try {
    await reportPdf(content, undefined, { firmId, userId }, await pictures(), 'record', language);
  } catch {
    return;
  }
}

/** The full record of an issued report as PDF, with what proves it. */
export const provenPdf = async (
  content: ReportContent,
  stamp: ReportStamp,
  asker: Asker,
  files: PictureFiles,
  proof: Proof,
): Promise<Uint8Array<ArrayBuffer>> =>
  (await setPdf(documentIn('record', content, stamp), asker, files, proof)).bytes;

/** What a report of a length says: the same in every format, as much as its pages of paper hold. */
export const reportDocument = async (
  content: ReportContent,
  stamp: ReportStamp | undefined,
  asker: Asker,
  files: PictureFiles,
  length: Length,
  language: Language = 'en',
): Promise<ReadDocument> =>
  length === 'record'
    ? documentIn('record', content, stamp, 0, OTHER[language])
    : (await fitted(length, content, stamp, asker, files, language)).doc;
