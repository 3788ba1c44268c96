import type { Page } from '@playwright/test';
import { PDFParse } from 'pdf-parse';

/** The text of a PDF that the signed-in page may fetch, white space folded. */
export async function pdfText(page: Page, href: string): Promise<string> {
  const answer = await page.request.get(href);
  const parser = new PDFParse({ data: new Uint8Array(await answer.body()) });
  const { text } = await parser.getText();
  await parser.destroy();
  return text.replace(/\s+/g, ' ');
}
