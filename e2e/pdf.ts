import type { Page } from '@playwright/test';
import { PDFParse } from 'pdf-parse';

/** The text of a PDF that the signed-in page may fetch, white space folded. */
export const pdfText = async (page: Page, href: string): Promise<string> =>
  textOf(await (await page.request.get(href)).body());

/** The text of a PDF, white space folded. */
export async function textOf(pdf: Uint8Array): Promise<string> {
  const parser = new PDFParse({ data: new Uint8Array(pdf) });
  const { text } = await parser.getText();
  await parser.destroy();
  return text.replace(/\s+/g, ' ');
}
