import type { Page } from '@playwright/test';
import { PDFArray, PDFDict, PDFDocument, PDFHexString, PDFName, PDFRef, PDFString } from 'pdf-lib';
import { extractText } from 'unpdf';

/** The text of a PDF that the signed-in page may fetch, white space folded. */
export const pdfText = async (page: Page, href: string): Promise<string> =>
  textOf(await (await page.request.get(href)).body());

/** The text of a PDF, white space folded. */
export async function textOf(pdf: Uint8Array): Promise<string> {
  const { text } = await extractText(new Uint8Array(pdf), { mergePages: true });
  return text.replace(/\s+/g, ' ');
}

/** A bookmark: what it says, and the page it leads to, from 0. */
export interface Mark {
  title: string;
  page: number;
}

/** The bookmarks of a PDF in the order of its pages. */
export async function marksOf(pdf: Uint8Array): Promise<Mark[]> {
  const file = await PDFDocument.load(pdf);
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
