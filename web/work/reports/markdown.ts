import type { Say } from '../../language/translate';
import type { Block, ReadDocument } from '../../protocol/document';
import { OTHER } from './edition';

const asItStands: Say = (text) => text;

/**
 * Text as text: whatever somebody typed is shown and never read as markup. HTML, links, headings, emphasis and rows of a
 * table are marked as plain.
 */
export const plainMarkdown = (text: string): string =>
  text
    .replace(/[\\`*_[\]<>|#~!]/g, (mark) => `\\${mark}`)
    .replace(/&/g, '&amp;')
    .replace(/^(\s*)(\d*)([-+.)])(?=\s)/gm, '$1$2\\$3')
    .replace(/\b(https?|ftp|javascript|data|mailto):/gi, '$1&#58;');

const inCell = (text: string): string => plainMarkdown(text).replace(/\n/g, '<br>');
const row = (cells: readonly string[]): string => `| ${cells.map(inCell).join(' | ')} |`;

function linesOf(block: Block, say: Say): string[] {
  switch (block.as) {
    case 'text':
      return [
        block.tone === 'strong'
          ? `**${plainMarkdown(block.text)}**`
          : block.tone === 'muted'
            ? `_${plainMarkdown(block.text)}_`
            : plainMarkdown(block.text),
      ];
    case 'heading':
      return [`### ${plainMarkdown(block.text)}`];
    case 'pairs':
      return [
        [
          row(['', '']),
          row(['---', '---']),
          ...block.rows.map((r) => row([r.name, r.small ? `${r.value}\n${r.small}` : r.value])),
        ].join('\n'),
      ];
    case 'table':
      return [[row(block.head), row(block.head.map(() => '---')), ...block.rows.map(row)].join('\n')];
    case 'list':
      return [
        ...(block.title ? [`**${plainMarkdown(block.title)}**`] : []),
        block.lines
          .map((line, i) => `${block.ordered ? `${i + 1}.` : '-'} ${plainMarkdown(line)}`)
          .join('\n'),
      ];
    case 'figure':
      return [`_${say('Drawing') ?? 'Drawing'}: ${plainMarkdown(block.caption)}_`];
    case 'pictures':
      return [block.pictures.map((p) => `- ${plainMarkdown(p.caption)}`).join('\n')];
  }
}

/** A document as Markdown; drawings stand as their captions. */
export const documentMarkdown = (doc: ReadDocument): string =>
  `${[
    `# ${plainMarkdown(doc.title)}`,
    plainMarkdown(`${doc.firm} · ${doc.stamp}`),
    ...doc.lines.map(plainMarkdown),
    ...doc.sections.flatMap((section) => [
      `## ${plainMarkdown(section.title)}`,
      ...section.blocks.flatMap((block) => linesOf(block, OTHER[doc.language ?? 'en']?.say ?? asItStands)),
    ]),
    `_${plainMarkdown(doc.foot)}_`,
  ].join('\n\n')}\n`;
