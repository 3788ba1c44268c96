import { keepingMade } from '@undrel/core/kept';
import type { PictureFiles, ReadDocument } from '../../protocol/document';
import type { ReportContent } from '../../protocol/report';
import type { Language } from '../../language/languages';
import { ALONE, beside, idleFor, type Asker } from '../beside';
import { digestOf } from '../digestOf';
import type { Proof } from '../../work/reports/proof';
import type { ToWrite } from '../../work/reports/written';

/** What is kept of the documents set last, bytes. */
const MOST = 64_000_000;
interface AsPdf {
  bytes: Uint8Array<ArrayBuffer>;
  pages: number;
  /** How often a report was made shorter to fit its pages. */
  tight?: number;
}
// Kept by the process: pages and routes each load this, and share what is set.
const shared = globalThis as typeof globalThis & { undrelPdfs?: ReturnType<typeof keepingMade<AsPdf>> };
const pdfs = (shared.undrelPdfs ??= keepingMade<AsPdf>(MOST, ({ bytes }) => bytes.length));

/**
 * A document of a property in the language of who reads it, beside the server: sixty trees take a while.
 *
 * @param named what else stays as it is
 */
export const readIn = (
  language: Language,
  doc: ReadDocument,
  asker: Asker,
  named: readonly string[] = [],
): Promise<ReadDocument> => beside('read', { doc, language, named }, asker);

/** A PDF by all it is made of: the same one is not set twice while it is kept. */
const kept = (from: unknown, make: () => Promise<AsPdf>): Promise<AsPdf> =>
  pdfs(digestOf(JSON.stringify(from)), make);

/** A document as PDF, set beside the server, and how many pages it has. */
export const setPdf = (doc: ReadDocument, asker: Asker = ALONE, proof?: Proof): Promise<AsPdf> =>
  kept([doc, proof], () => beside('pdf', { doc, ...(proof && { proof }) }, asker));

/** A document as DOCX, set beside the server: its pictures take seconds where there are many. */
export const setDocx = (
  doc: ReadDocument,
  asker: Asker = ALONE,
  files: PictureFiles = {},
): Promise<Uint8Array<ArrayBuffer>> => beside('docx', { doc, files }, asker);

/** A document as Markdown, written beside the server. */
export const markdownOf = (doc: ReadDocument, asker: Asker): Promise<string> =>
  beside('markdown', doc, asker);

/** A report in one of its lengths as PDF, written and set beside the server; the same one is not set twice while it is kept. */
export const reportPdf = (asked: ToWrite, asker: Asker = ALONE): Promise<AsPdf> => {
  const { content, stamp, length = 'record', language = 'en', files = {}, proof } = asked;
  const from = [content, stamp, length, language, Object.keys(files).sort(), proof];
  return kept(from, () => beside('reportPdf', asked, asker));
};

/** What a report says in one of its lengths: the same in every format, as much as its pages of paper hold. */
export async function reportDocument(asked: ToWrite, asker: Asker = ALONE): Promise<ReadDocument> {
  const { length = 'record' } = asked;
  const { tight = 0 } = length === 'record' ? {} : await reportPdf(asked, asker);
  const { files: _, proof: __, ...toWrite } = asked;
  return beside('reportDoc', { asked: toWrite, tight }, asker);
}

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
  if (!idleFor('reportPdf')) return;
  try {
    await reportPdf({ content, language, files: await pictures() }, { firmId, userId });
  } catch {
    return;
  }
}
