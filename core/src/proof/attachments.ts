import {
  decodePDFRawStream,
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFRawStream,
  PDFString,
} from 'pdf-lib';

/** Files of so many bytes are no attachments of a report. */
const MOST = 60_000_000;

/**
 * The files that are attached to a PDF, by name.
 *
 * @throws where it is no PDF that can be read
 */
export async function attachmentsOf(pdf: Uint8Array): Promise<Map<string, Uint8Array>> {
  const doc = await PDFDocument.load(pdf, { updateMetadata: false });
  const names = doc.catalog.lookupMaybe(PDFName.of('Names'), PDFDict);
  const files = names?.lookupMaybe(PDFName.of('EmbeddedFiles'), PDFDict);
  const found = new Map<string, Uint8Array>();
  const walk = (node: PDFDict | undefined, depth: number): void => {
    if (!node || depth > 8) return;
    const list = node.lookupMaybe(PDFName.of('Names'), PDFArray);
    for (let i = 0; list && i + 1 < list.size(); i += 2) {
      const name = list.lookup(i);
      const stream = list
        .lookupMaybe(i + 1, PDFDict)
        ?.lookupMaybe(PDFName.of('EF'), PDFDict)
        ?.lookup(PDFName.of('F'));
      if (!(name instanceof PDFString || name instanceof PDFHexString) || !(stream instanceof PDFRawStream))
        continue;
      if (stream.contents.length > MOST) continue;
      found.set(name.decodeText(), decodePDFRawStream(stream).decode());
    }
    const kids = node.lookupMaybe(PDFName.of('Kids'), PDFArray);
    for (let i = 0; kids && i < kids.size(); i++) walk(kids.lookupMaybe(i, PDFDict), depth + 1);
  };
  walk(files, 0);
  return found;
}
