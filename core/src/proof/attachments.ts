import { PDFArray, PDFDict, PDFDocument, PDFHexString, PDFName, PDFRawStream, PDFString } from 'pdf-lib';

/** Attachments of more bytes are none of a report; those of the largest tree in the demo have some hundred thousand. */
const MOST = 30_000_000;
/** All attachments together: the report of a property holds those of every tree. */
const MOST_TOGETHER = 200_000_000;

/** An attachment as it was before it was packed; unpacking ends where it becomes too large. @throws RangeError */
async function unpacked(stream: PDFRawStream): Promise<Uint8Array> {
  const filter = stream.dict.lookup(PDFName.of('Filter'));
  const packed = new Uint8Array(stream.contents);
  if (!filter) return packed;
  if (filter !== PDFName.of('FlateDecode')) throw new RangeError(`Packed as ${String(filter)}.`);
  const reader = new Blob([packed]).stream().pipeThrough(new DecompressionStream('deflate')).getReader();
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let length = 0;
  for (;;) {
    const { value, done } = await reader.read();
    if (done) break;
    length += value.length;
    if (length > MOST) {
      await reader.cancel();
      throw new RangeError(`More than ${MOST} bytes.`);
    }
    parts.push(value);
  }
  return new Uint8Array(await new Blob(parts).arrayBuffer());
}

/**
 * The files that are attached to a PDF, by name.
 *
 * @throws where it is no PDF that can be read, or an attachment is packed otherwise or larger than those of a report
 */
export async function attachmentsOf(pdf: Uint8Array): Promise<Map<string, Uint8Array>> {
  const doc = await PDFDocument.load(pdf, { updateMetadata: false });
  const names = doc.catalog.lookupMaybe(PDFName.of('Names'), PDFDict);
  const listed = names?.lookupMaybe(PDFName.of('EmbeddedFiles'), PDFDict);
  const found = new Map<string, PDFRawStream>();
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
      found.set(name.decodeText(), stream);
    }
    const kids = node.lookupMaybe(PDFName.of('Kids'), PDFArray);
    for (let i = 0; kids && i < kids.size(); i++) walk(kids.lookupMaybe(i, PDFDict), depth + 1);
  };
  walk(listed, 0);
  const files = new Map<string, Uint8Array>();
  let together = 0;
  for (const [name, stream] of found) {
    const bytes = await unpacked(stream);
    together += bytes.length;
    if (together > MOST_TOGETHER) throw new RangeError(`More than ${MOST_TOGETHER} bytes together.`);
    files.set(name, bytes);
  }
  return files;
}
