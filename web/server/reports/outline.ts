import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFRef,
  PDFString,
  StandardFonts,
  type PDFPage,
} from 'pdf-lib';

/** A bookmark: what it says, and the page it leads to, from 0. */
export interface Mark {
  title: string;
  page: number;
}

/** The bookmarks of a file in the order of its pages. */
export function marksOf(file: PDFDocument): Mark[] {
  const pages = file.getPages().map((page) => page.ref.toString());
  const marks: Mark[] = [];
  const walk = (at: PDFDict | undefined) => {
    for (let item = at; item; item = item.lookupMaybe(PDFName.of('Next'), PDFDict)) {
      const target = item.lookupMaybe(PDFName.of('Dest'), PDFArray)?.get(0);
      const title = item.lookup(PDFName.of('Title'));
      const page = target instanceof PDFRef ? pages.indexOf(target.toString()) : -1;
      if (page >= 0 && (title instanceof PDFString || title instanceof PDFHexString))
        marks.push({ title: title.decodeText(), page });
      walk(item.lookupMaybe(PDFName.of('First'), PDFDict));
    }
  };
  walk(file.catalog.lookupMaybe(PDFName.of('Outlines'), PDFDict)?.lookupMaybe(PDFName.of('First'), PDFDict));
  return marks;
}

/** Gives a file its bookmarks, one below the other, and has them shown when it is opened. */
export function setMarks(file: PDFDocument, marks: readonly Mark[]): void {
  const { context } = file;
  const pages: PDFPage[] = file.getPages();
  const root = context.nextRef();
  const refs = marks.map(() => context.nextRef());
  marks.forEach(({ title, page }, i) => {
    const item = context.obj({}) as PDFDict;
    item.set(PDFName.of('Title'), PDFHexString.fromText(title));
    item.set(PDFName.of('Parent'), root);
    item.set(PDFName.of('Dest'), context.obj([pages[page]!.ref, PDFName.of('Fit')]));
    if (i > 0) item.set(PDFName.of('Prev'), refs[i - 1]!);
    if (i < refs.length - 1) item.set(PDFName.of('Next'), refs[i + 1]!);
    context.assign(refs[i]!, item);
  });
  const outline = context.obj({}) as PDFDict;
  outline.set(PDFName.of('Type'), PDFName.of('Outlines'));
  if (refs.length > 0) {
    outline.set(PDFName.of('First'), refs[0]!);
    outline.set(PDFName.of('Last'), refs.at(-1)!);
    outline.set(PDFName.of('Count'), PDFNumber.of(refs.length));
  }
  context.assign(root, outline);
  file.catalog.set(PDFName.of('Outlines'), root);
  file.catalog.set(PDFName.of('PageMode'), PDFName.of('UseOutlines'));
}

/** Parts as one file, its pages counted through and its bookmarks put together. */
export async function joinedPdf(given: {
  parts: readonly Uint8Array[];
  title: string;
  author: string;
}): Promise<{ bytes: Uint8Array; pages: number }> {
  const file = await PDFDocument.create();
  const marks: Mark[] = [];
  for (const bytes of given.parts) {
    const part = await PDFDocument.load(bytes);
    const before = file.getPageCount();
    marks.push(...marksOf(part).map(({ title, page }) => ({ title, page: before + page })));
    for (const page of await file.copyPages(part, part.getPageIndices())) file.addPage(page);
  }
  const font = await file.embedFont(StandardFonts.Helvetica);
  const pages = file.getPageCount();
  file.getPages().forEach((page, i) => {
    const label = `${i + 1} of ${pages}`;
    page.drawText(label, {
      x: page.getWidth() - 40 - font.widthOfTextAtSize(label, 8),
      y: 28,
      size: 8,
      font,
    });
  });
  setMarks(file, marks);
  file.setTitle(given.title);
  file.setAuthor(given.author);
  return { bytes: await file.save(), pages };
}
