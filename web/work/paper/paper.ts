import { readFileSync } from 'node:fs';
import { NodeCompiler, type NodeTypstDocument } from '@myriaddreamin/typst-ts-node-compiler';
import { paperFonts } from './paperFonts';
import { projectFile } from './projectFile';

// Its fonts are read once a thread, and so is each sheet.
let compiler: NodeCompiler | undefined;
const sheets = new Map<string, string>();

/** How long what was set before is kept, in documents: the sheets are the same for all of them. */
const KEPT = 4;

/**
 * Sets a sheet of the project with what it is given.
 *
 * @param file its place in the project
 * @throws where it cannot be set, with the reason
 */
export function setOnPaper(file: readonly string[], inputs: Record<string, string>): NodeTypstDocument {
  compiler ??= NodeCompiler.create({ fontArgs: [{ fontBlobs: paperFonts() }] });
  const path = projectFile(...file);
  if (!sheets.has(path)) sheets.set(path, readFileSync(path, 'utf8'));
  compiler.evictCache(KEPT);
  const result = compiler.compile({ mainFileContent: sheets.get(path)!, inputs });
  if (result.result) return result.result;
  const problem = result.takeError();
  throw new Error(
    `The document could not be set: ${problem ? JSON.stringify(compiler.fetchDiagnostics(problem)) : 'no reason given'}`,
  );
}

/**
 * As tagged PDF: PDF/UA-1, or PDF/A-3a, which may hold attachments.
 *
 * @throws where a character is in none of the fonts, named in the message
 */
export const taggedPdf = (set: NodeTypstDocument, standard: 'ua-1' | 'a-3a' = 'ua-1'): Buffer =>
  compiler!.pdf(set, { pdfStandard: standard });
